-- An upload may hold only the files that are others than in an upload before.
alter table upload add column base text references upload (sha256);
