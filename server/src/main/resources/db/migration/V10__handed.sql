-- To whom a cut was handed, when, and with what words: added, never changed.
create table handed (
    job     integer not null references job (id),
    cut     integer not null,
    to_whom text not null,
    at      text not null,
    note    text not null
);
create index handed_by_cut on handed (job, cut);
create trigger handed_stays before update on handed
begin
    select raise(abort, 'what was handed over is not changed');
end;
