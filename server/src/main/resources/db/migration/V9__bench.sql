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
