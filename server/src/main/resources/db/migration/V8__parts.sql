-- What the parts counter said: parts by their number, and which numbers answered a question.
create table counter_parts (
    number text primary key,
    part   text not null,
    seen   text not null
);
create table counter_answers (
    question text primary key,
    numbers  text not null,
    seen     text not null
);
-- Which part was chosen for a value in a package, to be proposed in the next job.
create table part_choices (
    meaning text not null,
    package text not null,
    number  text not null,
    said    text not null,
    primary key (meaning, package)
);
