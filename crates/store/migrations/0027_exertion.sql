-- How hard a ride was on the horse, as the rider says; null while nobody said.
alter table ride
    add column exertion text,
    add constraint ride_exertion_known check (exertion in
        ('very_easy', 'easy', 'moderate', 'hard', 'very_hard', 'all_it_had'));
