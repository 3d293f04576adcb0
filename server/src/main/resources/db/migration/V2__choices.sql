-- What the user decided about a file besides its role.
alter table revision_file add column correction text;
alter table revision_file add column number_format text;
alter table revision_file add column unit_nm real;
