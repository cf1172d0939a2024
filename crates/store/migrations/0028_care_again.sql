-- Care that comes again: feet and the vet beside teeth and bit seat, a mare's season; and
-- after how many days, where somebody who knows the horse said so.
alter table care
    drop constraint care_kind_known,
    add constraint care_kind_known check (kind in
        ('pain', 'unlevel', 'rig_misfit', 'teeth', 'bit_seat', 'feet', 'vet', 'in_season')),
    add column again_days integer,
    add constraint care_again_sane check (again_days between 7 and 1100),
    add constraint care_flag_does_not_come_again check
        (again_days is null or kind not in ('pain', 'unlevel', 'rig_misfit'));
