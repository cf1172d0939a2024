-- A session ends a month after it was last used, and in any case half a year
-- after the sign-in.
alter table session add column signed_in_at timestamptz not null default now();
