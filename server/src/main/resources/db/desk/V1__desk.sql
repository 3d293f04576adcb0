-- What was uploaded, by its hash, and what was read of it once it was.
create table upload (
    sha256   text primary key,
    bytes    blob not null,
    reading  text,
    engineer text
);
-- Pictures of the sides of what was read.
create table picture (
    sha256 text not null references upload (sha256),
    name   text not null,
    png    blob not null,
    primary key (sha256, name)
);
-- Orders by the key of whoever placed them. One that was withdrawn before it came has no number,
-- and cannot come any more.
create table placed (
    key       text primary key,
    number    integer unique,
    upload    text references upload (sha256),
    wanted    text,
    placed    integer not null,
    answered  integer,
    withdrawn integer
);
create table answer (
    key      text not null references placed (key),
    question text not null,
    answer   text not null,
    primary key (key, question)
);
