-- A ride that stays where it stands when the week is planned anew.
alter table booking add column pinned boolean not null default false;
comment on column booking.pinned is 'stays where it stands when the week is planned anew';
