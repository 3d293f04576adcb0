-- What the user said of files, by what of their names is not the board's name.
create table naming (
    signature text primary key,
    role      text not null,
    said      text not null
);
