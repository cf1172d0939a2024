-- Each time an ask was taken back or brought back, and by whom.
create table rep_change
(
    barn_id    uuid        not null,
    rep_id     uuid        not null,
    changes    integer     not null,
    taken_back boolean     not null,
    changed_by uuid        not null,
    changed_at timestamptz not null default now(),
    constraint rep_change_pk primary key (barn_id, rep_id, changes, taken_back),
    constraint rep_change_rep foreign key (barn_id, rep_id) references rep (barn_id, rep_id),
    constraint rep_change_person foreign key (barn_id, changed_by) references person (barn_id, person_id)
);
comment on column rep_change.changes is 'how often it had been taken back or brought back by then; two devices may have said otherwise at once';
call protect('rep_change');
