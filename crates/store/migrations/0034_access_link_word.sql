-- Words of links are found by an index of their own; like every key of a barn's table, the
-- unique ones begin with the barn. A barn that ran a build in between has it already.
alter table access_link drop constraint if exists access_link_word;
create index if not exists access_link_by_word on access_link (word_hash);
