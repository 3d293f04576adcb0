-- What was soldered of the bench kit, by part.
create table kit_ticks (
    job        integer not null references job (id),
    designator text not null,
    at         text not null,
    primary key (job, designator)
);
