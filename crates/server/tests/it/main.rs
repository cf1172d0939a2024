//! The whole server over a real PostgreSQL, asked as its clients ask it.
//!
//! - [`archive_api`]: the whole barn out and in: byte for byte the same, every column of every table, nothing of a secret, nothing half stored
//! - [`barn`]: two barns, a running server on a port of its own, and signed-in people
//! - [`batches`]: what devices send: stored whole or not at all, as often as they like
//! - [`busy_api`]: calendars that come in: busy times of people
//! - [`calendars_api`]: calendars under secret links, read by another parser than the one that wrote them (the published crate `ical`)
//! - [`cards_api`]: the card of a horse's ride over the API
//! - [`care_and_heat_api`]: care that comes again, load, cooling out, weather, trips: through the API, stored in PostgreSQL
//! - [`cattle_api`]: the herd book over HTTP, works of a ride, which cow for which horse
//! - [`cow_rounds_api`]: rounds on the cow: ridden again by the server, the best of each rider listed
//! - [`database_away`]: postgreSQL that goes away, as in a restart of it: what was asked meanwhile is said to be undone for now, and is never a fault of what was sent
//! - [`days_api`]: days and their bookings: laying out, booking, moving, swapping, skipping; what is refused, by the rules and by PostgreSQL itself; days on which the clock is set
//! - [`decisions_api`]: what people decide over HTTP: programs, overrules, care
//! - [`deeds_api`]: who changed what: every operation that changes something is kept or says why not; searched by person, horse and words; nothing secret is in it
//! - [`devices_api`]: devices of a barn: heard while they are plugged in, and not while they are not
//! - [`eyes_api`]: from a simulated pair of timing eyes over TCP, through what carries their times, to the barn, until a run takes them
//! - [`flag_api`]: the flag from a screen to the device and back: the real stand-in over TCP, the real carrier, the real server
//! - [`ground_api`]: the ground over HTTP: how places lie, courses, tomorrow's trail course
//! - [`held_api`]: held is a state, over HTTP: a horse placed by hand, a side that dropped and who looked, what was lost told once, histories told anew after an update
//! - [`horse_page`]: the horse page beyond its levels: sides, season, another date, what owners see, two servers that never disagree
//! - [`horses_api`]: horses: adding, rows, sheets, goals, going home, and a ride under the wrong horse
//! - [`imports_api`]: CSV sheets brought in and taken back
//! - [`intakes_api`]: the intake of a horse over the API: from its rides to levels that count
//! - [`judge_api`]: the judge over HTTP: the horse page, the board, holes and cards, every kind of rep, nothing stale, live changes
//! - [`kept_by_day`]: what the judge said is kept on the day it changed: with what is known, and with the date alone
//! - [`openapi`]: the OpenAPI document: as committed, and whole
//! - [`owners_api`]: what owners see: a link shows one horse and nothing else, ends, and can be taken back; reports are written, edited, sent, taken back; notes are shown when they were chosen
//! - [`packs`]: what a device takes along says of a horse what the server says of it
//! - [`pages`]: what the pages read: today, a level, its strips, a ride; and the walls
//! - [`people_api`]: people: coming by a link, changing, clearances and hours, passwords, leaving
//! - [`permissions`]: who may do what: every route, for every role, another barn and nobody signed in
//! - [`programs_over_time`]: A horse that changes its program, and a program that changes under it: what was gained before stays, the new gates hold from that day on, on the server, on a fresh one and on a device alike
//! - [`races`]: what is kept in memory equals what a fresh server would read, whoever writes and reads at the same time; and no request leaves anything behind
//! - [`reviews_api`]: the trainer's review: rides against plans, hours, days, decisions, invoice lines
//! - [`riders`]: how riders differ is found once a day, kept, shown to those who decide, and judged by
//! - [`roads_api`]: the road to a date over HTTP: goals with levels, what a road rests on, dates at risk, who sees them, what the week makes of them
//! - [`cow_model`]: nonsense is refused with words that say what is allowed; what was said twice is said once; what is answered is so
//! - [`sheets_api`]: sheets of a barn as CSV
//! - [`sign_in`]: signing in and out
//! - [`stored_forms`]: what is stored by another version stays readable, or is said to be unreadable; it never takes a barn, a horse or a program with it
//! - [`tack_api`]: tack over HTTP: pieces by their measures, what a horse wears, who may ride in it, changing the bit, the way back, rides in the two-rein, hands
//! - [`tapes_api`]: films as marks over HTTP, and rides that were logged from one
//! - [`timeline_api`]: the timeline of a ride: every ask, what was taken back, who recorded and changed it
//! - [`weeks_api`]: weeks: what there is, a plan that is looked for and stopped, a plan that is taken; what came up on a day
//! - [`whose_and_when`]: A rep is never filed under another person, ride, level, day or order: what devices send, against wrong clocks, second tabs and old applications
//! - [`yard_api`]: the yard and the barn itself: adding, changing, putting away; name, zone and units

mod archive_api;
mod barn;
mod batches;
mod busy_api;
mod calendars_api;
mod cards_api;
mod care_and_heat_api;
mod cattle_api;
mod cow_rounds_api;
mod database_away;
mod days_api;
mod decisions_api;
mod deeds_api;
mod devices_api;
mod eyes_api;
mod flag_api;
mod ground_api;
mod held_api;
mod horse_page;
mod horses_api;
mod imports_api;
mod intakes_api;
mod judge_api;
mod kept_by_day;
mod openapi;
mod owners_api;
mod packs;
mod pages;
mod people_api;
mod permissions;
mod programs_over_time;
mod races;
mod reviews_api;
mod riders;
mod roads_api;
mod sense;
mod sheets_api;
mod sign_in;
mod stored_forms;
mod tack_api;
mod tapes_api;
mod timeline_api;
mod weeks_api;
mod whose_and_when;
mod yard_api;
