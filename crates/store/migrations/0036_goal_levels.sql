-- Levels a horse is to hold by the day of a goal, and those a program leads to. A level of
-- a ladder that has changed since stays written down; it is no longer on the road.
alter table goal add column levels jsonb not null default '[]';
alter table goal add constraint goal_levels_list check (jsonb_typeof(levels) = 'array' and jsonb_array_length(levels) <= 60);
alter table program add column leads_to jsonb not null default '[]';
alter table program add constraint program_leads_to_list check (jsonb_typeof(leads_to) = 'array' and jsonb_array_length(leads_to) <= 60);
