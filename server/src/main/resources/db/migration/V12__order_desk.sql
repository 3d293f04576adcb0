-- What is begun and must be told about when it breaks off: taken away in the same transaction that
-- keeps what came of it, so that a row of an earlier run of the application is work that was lost.
create table begun (
    id   integer primary key,
    run  text not null,
    job  integer references job (id),
    what text not null,
    at   text not null
);
-- Orders at a desk. The key is kept before it is sent, so that an order whose connection is lost
-- can be asked for. At most one order of a cut is open at a time.
create table desk_order (
    id       integer primary key,
    job_id   integer not null references job (id),
    cut      integer not null,
    upload   text not null,
    key      text not null unique,
    state    text not null,
    by       text not null default '',
    note     text not null default '',
    begun    text not null,
    reading  text,
    said     text,
    heard    text,
    fault    text not null default ''
);
create unique index desk_order_open on desk_order (job_id, cut)
    where state in ('sending', 'read', 'placing');
create table desk_picture (
    order_id integer not null references desk_order (id),
    name     text not null,
    png      blob not null,
    primary key (order_id, name)
);
