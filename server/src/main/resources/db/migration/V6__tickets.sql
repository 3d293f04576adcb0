-- Everything chosen for a job is one ticket; each choice makes a new version of it.
create table ticket_version (
    job_id   integer not null references job (id),
    number   integer not null,
    revision integer not null,
    -- The version it was made from; empty for the first of a revision.
    parent   integer,
    at       text not null,
    -- What it changed, in words.
    says     text not null,
    -- What of the ticket before no longer fitted a new revision, as a JSON list of sentences.
    left_out text not null default '[]',
    ticket   text not null,
    primary key (job_id, number)
);

-- The version that holds, and the newest one that going forward leads to.
alter table revision add column version integer;
alter table revision add column tip integer;

-- The version a cut was made of; empty for cuts from before there were versions.
alter table cut add column version integer;

-- A version is what was chosen then: it is never changed.
create trigger ticket_version_is_final before update on ticket_version
begin
    select raise(abort, 'a version of a ticket cannot be changed');
end;

create trigger ticket_version_stays before delete on ticket_version
begin
    select raise(abort, 'a version of a ticket cannot be deleted');
end;
