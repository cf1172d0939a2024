-- How the ground of a place lies: outline, gate, posts, footing, what to keep off.
alter table place add column lay jsonb;
alter table place add constraint place_lay_object check (jsonb_typeof(lay) = 'object');
