-- What stands as JSON has a form of its own, apart from what is sent today: the
-- number says which, so that an older row stays readable when the form changes.
alter table rep add column measure_form smallint not null default 1;
alter table program_version add column content_form smallint not null default 1;
-- A measure is checked before it is stored; what a newer version adds must not be
-- refused here, nor make a row unreadable.
alter table rep drop constraint rep_measure_kind;
alter table rep add constraint rep_measure_kind check (length(measure ->> 'kind') between 1 and 40);
