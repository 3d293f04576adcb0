-- Ticks of each board of the batch; those there are become the first board's.
create table ticks_by_board (
    job        integer not null references job (id),
    board      integer not null default 1,
    designator text not null,
    at         text not null,
    primary key (job, board, designator)
);
insert into ticks_by_board (job, board, designator, at)
select job, 1, designator, at from kit_ticks;
drop table kit_ticks;
alter table ticks_by_board rename to kit_ticks;
