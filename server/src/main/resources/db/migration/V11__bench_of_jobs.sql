-- Jobs laid aside or deleted (when; they can be taken back), and the file that shows what a job is.
alter table job add column archived integer not null default 0;
alter table job add column deleted text;
alter table job add column face text;
