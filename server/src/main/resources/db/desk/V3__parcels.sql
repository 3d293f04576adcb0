-- Parcels by their hash, for packing lists to name; an upload adds to no other any more.
create table parcel (
    sha256 text primary key,
    bytes  blob not null
);
