-- Brought-in and handed-over files, byte for byte, addressed by SHA-256.
create table blob (
    sha256 text primary key,
    bytes  blob not null
);

create table job (
    id       integer primary key autoincrement,
    name     text not null,
    created  text not null,
    sheet_id text,
    headroom text not null default '{"percent":0,"mm":{}}'
);

create table revision (
    id      integer primary key autoincrement,
    job_id  integer not null references job (id),
    number  integer not null,
    created text not null,
    unique (job_id, number)
);

create table revision_file (
    revision_id integer not null references revision (id),
    path        text not null,
    sha256      text not null references blob (sha256),
    role        text,
    primary key (revision_id, path)
);

create table sign_off (
    job_id     integer not null references job (id),
    finding_id text not null,
    signed_by  text not null,
    reason     text not null,
    at         text not null,
    primary key (job_id, finding_id)
);

create table cut (
    id       integer primary key autoincrement,
    job_id   integer not null references job (id),
    revision integer not null,
    number   integer not null,
    created  text not null,
    sheet    text not null,
    released integer not null,
    files    integer not null,
    zip      text not null references blob (sha256),
    unique (job_id, number)
);

-- A cut is what was handed over: it is never changed.
create trigger cut_is_final before update on cut
begin
    select raise(abort, 'a cut cannot be changed');
end;

create trigger cut_stays before delete on cut
begin
    select raise(abort, 'a cut cannot be deleted');
end;
