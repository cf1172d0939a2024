-- Tack by its measures, and who may ride in it.
alter table gear add column measures jsonb not null default '{}';
alter table gear add column quiet_hands boolean not null default false;
alter table gear add column most_hand text;
alter table gear add constraint gear_measures_object check (jsonb_typeof(measures) = 'object');
alter table gear add constraint gear_most_hand_known check (most_hand in
    ('feather', 'fingertip', 'two_fingers', 'closed_hand', 'forearm', 'pull'));
alter table person add column cleared_quiet_hands boolean not null default false;
