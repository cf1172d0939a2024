-- A barn, and the wall round it. Everything else belongs to a barn: barn_id is
-- the first column of every key, and row-level security refuses what a query
-- forgot. The role cavesson_barn sees one barn at a time; every request runs as
-- it, with the barn set for the transaction.
do $$
begin
    if not exists (select from pg_roles where rolname = 'cavesson_barn') then
        create role cavesson_barn nologin;
    end if;
exception
    when duplicate_object or unique_violation then null;
end
$$;

do $$
begin
    if not pg_has_role(current_user, 'cavesson_barn', 'member') then
        execute format('grant cavesson_barn to %I', current_user);
    end if;
end
$$;

create function current_barn() returns uuid
    language sql stable
    return nullif(current_setting('cavesson.barn_id', true), '')::uuid;

-- Puts the wall round a table.
create procedure protect(protected regclass)
    language plpgsql
as
$$
begin
    execute format('alter table %s enable row level security', protected);
    execute format(
        'create policy one_barn on %s to cavesson_barn using (barn_id = current_barn()) with check (barn_id = current_barn())',
        protected);
    execute format('grant select, insert, update, delete on %s to cavesson_barn', protected);
end
$$;

create table barn
(
    barn_id   uuid        not null,
    handle    text        not null,
    name      text        not null,
    time_zone text        not null,
    made_at   timestamptz not null default now(),
    constraint barn_pk primary key (barn_id),
    -- The part after the @ of a sign-in; it is what finds the barn.
    constraint barn_handle_taken unique (handle),
    constraint barn_handle_shape check (handle ~ '^[a-z0-9][a-z0-9-]{1,39}$'),
    constraint barn_name_shape check (length(name) between 1 and 80)
);
call protect('barn');
