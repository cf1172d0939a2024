//! The trade, computed: what a rep is, what the reps of a horse show, and what
//! the judge says of them.
//!
//! | module | holds |
//! |---|---|
//! | [`bounds`] | every limit on a number that comes from outside, in one table |
//! | [`text`], [`rows`], [`json`], [`word_enum`](mod@word_enum) | what a text from outside may hold; rows of a sheet; JSON read strictly; words of kinds |
//! | [`id`], [`side`], [`gait`], [`footing`], [`day`] | what skills, levels and faults are called; left and right; stand to gallop; the ground; counting days |
//! | [`rep`] | one ask and its answer; what "soft" means; the measures |
//! | [`rig`] | the headgear as it is worn, and since when |
//! | [`school`] | where good trainers disagree |
//! | [`ladder`] | tracks, skills, levels and their gates, as data |
//! | [`program`] | what a program changes on the ladder |
//! | [`ride`] | what a device sends; the rein strip |
//! | [`person`] | the people of a barn, what each may do and is cleared for |
//! | [`yard`] | places, gear, cattle by name and kind |
//! | [`horse`] | sex, care, ride marks, season: what is known beside the reps |
//! | [`heat`] | heat bands, heat by the hour, cooling out |
//! | [`load`] | how much a horse works: acute, chronic, monotony, strain |
//! | [`wording`] | numbers, plurals, days and pronouns in plain words |
//! | [`evidence`] | soft share, time to give, first ask, evenness |
//! | [`judge`] | gate, verdict, what it would take |
//! | [`card`] | which blocks today's ride has, and why |
//! | [`intake`] | where a horse stands that nobody here has ridden: few asks, each telling most |
//! | [`week`] | the day: bookings, changes by hand, what they break |
//! | [`gear`] | a bit under a pull, when a strap takes hold, show rules, rides in the two-rein |
//! | [`cattle`] | the herd book, how honest a cow is, which cow for which horse, when to leave, the flag, a cow to practise on |
//! | [`ground`] | places to scale, the barrel course and how it fits, setting out, drills, trail |
//! | [`tape`] | what the marks of a film come to: splits, strides, the way on the plan |
//! | [`track`] | a ride as points on the ground: gaits, ways round, circles, load |
//! | [`device`], [`exchange`] | what devices say; open formats in and out |
//! | [`road`] | the barn's own pace, and the road to a date: chance, range, what decides, what helps |
//! | [`report`] | what a month came to: figures, then sentences |
//! | [`bench`] | is the judge right? candidate rules on simulated horses |
//! | [`sim_horse`] | a horse made from a seed, for demo data and trials |
//! | [`calc`] | the calculators: one JSON object in, one out |
//!
//! What this crate does not do: it has no clock, no network, no files, no async
//! and no randomness without a seed. Time, ids and seeds are arguments. Lengths
//! of time are seconds, forces newtons; days are the barn's own calendar days.

#![warn(clippy::unwrap_used)]

pub use cavesson_barn::{person, report, week, yard};
pub use cavesson_base::{
    Gait, Side, bounds, day, footing, gait, id, json, rows, school, sex, side, text, word_enum,
    wording,
};
pub use cavesson_calc::calc;
pub use cavesson_cattle::cattle;
pub use cavesson_files::{device, exchange};
pub use cavesson_ground::{ground, tape};
pub use cavesson_judge::{card, heat, intake, judge, load, ride, road, track};
pub use cavesson_reps::{evidence, horse, ladder, program, rep, rig, sim_horse};
pub use cavesson_tack::gear;
pub use cavesson_trials::bench;
