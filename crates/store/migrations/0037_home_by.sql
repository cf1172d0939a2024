-- When somebody likes to be home: the week is planned so where it can be.
alter table person add column home_by time;
