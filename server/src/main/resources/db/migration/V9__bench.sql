-- What was soldered of the bench kit, by part.
create table kit_ticks (
    job        integer not null references job (id),
    designator text not null,
    at         text not null,
    primary key (job, designator)
);
-- What was found when the boards of a cut came.
create table inspection (
    job      integer not null references job (id),
    cut      integer not null,
    item     text not null,
    measured real,
    good     integer,
    note     text not null,
    at       text not null,
    primary key (job, cut, item)
);
-- A picture that was dropped into a step of the guide, with the part that holds it.
create table kit_picture (
    job        integer not null references job (id),
    designator text not null,
    sha256     text not null references blob (sha256),
    primary key (job, designator)
);
