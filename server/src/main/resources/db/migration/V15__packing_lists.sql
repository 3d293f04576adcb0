-- What was sent to the desk: the packing list in JSON. Orders from before have none.
alter table desk_order add column list text;
