-- Capability sheets of the user's own, as JSON; they stand before shipped ones of the same id.
create table sheet (
    id      text primary key,
    json    text not null,
    changed text not null
);

-- What is chosen of the shop's options.
alter table job add column order_options text not null default '{}';

-- Currents the maker gives to nets; the ends are empty for the pads farthest apart.
create table net_current (
    job_id integer not null references job (id),
    net    text not null,
    amps   real not null,
    rise_c real not null,
    ends   text,
    primary key (job_id, net)
);

-- What a sign-off was about, so that it is found again in the next revision.
alter table sign_off add column revision integer not null default 1;
alter table sign_off add column subject text not null default '';
alter table sign_off add column x integer not null default 0;
alter table sign_off add column y integer not null default 0;
alter table sign_off add column beyond real;
