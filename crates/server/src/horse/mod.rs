//! The horses: page, levels, decisions, care, programs.
//!
//! - [`board`]: the barn board: all horses on all tracks at a glance
//! - [`card_blocks`]: blocks on the card of a coming day, such as the remedy under a hole
//! - [`care`]: care: flags that come before any training; teeth, feet, vet and season, and when they come again
//! - [`horse_page`]: A horse as a whole: the one thing to do next, every level, the soft map, first asks, holes, slips, season, care
//! - [`horse_riders`]: who rode a horse lately, and how each differs from the barn's usual rider
//! - [`horses`]: horses: who is here, what is written down of them, going home and coming back
//! - [`ladder`]: the ladder as it ships: tracks, skills, levels with their gates and needs, faults and the questions on which good trainers disagree
//! - [`levels`]: A level of one horse: its gate and verdict, and its rein strips
//! - [`loads`]: how much a horse works: the load of its days, and what it adds up to
//! - [`overrules`]: overrules: the trainer's last word, kept with its reason; and how verdicts and overrules turned out
//! - [`placings`]: where a horse is placed by hand, by a trainer who knows it; and who looked at a side that went bad at once
//! - [`program_goals`]: what a program means for its horses: rides a week, and the levels it leads to
//! - [`program_preview`]: what a changed program would do to the verdicts of the barn's own horses, before it is saved
//! - [`programs`]: programs: schools and changed gates, version by version
//! - [`season`]: A mare's season on the horse page: rides marked in it, days to reckon with, how she answers in it and out of it

pub(crate) mod board;
pub(crate) mod card_blocks;
pub(crate) mod care;
pub(crate) mod horse_page;
pub(crate) mod horse_riders;
pub(crate) mod horses;
pub(crate) mod ladder;
pub(crate) mod levels;
pub(crate) mod loads;
pub(crate) mod overrules;
pub(crate) mod placings;
pub(crate) mod program_goals;
pub(crate) mod program_preview;
pub(crate) mod programs;
pub(crate) mod season;
