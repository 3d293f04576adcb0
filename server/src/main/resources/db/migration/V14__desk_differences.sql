-- Parts that the desk would fit otherwise than the cut means, found when its reading came.
alter table desk_order add column differences text not null default '[]';
