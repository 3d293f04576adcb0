-- How a job's board is set up on a mill, as JSON; each mill has its own.
create table mill_setup (
    job_id   integer not null references job (id),
    sheet_id text not null,
    json     text not null,
    primary key (job_id, sheet_id)
);

-- The surface of the stock as probed for a job, as JSON.
create table height_map (
    job_id   integer not null references job (id),
    side     text not null,
    json     text not null,
    primary key (job_id, side)
);
