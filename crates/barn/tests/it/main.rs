//! The barn, held against what it says of itself, against published figures, and against readings
//! of the rules that know nothing of its code.
//!
//! - [`day_rules`]: the rules of a day
//! - [`people_rules`]: usernames, passwords, clearances, hours
//! - [`report_month`]: A horse's month: figures counted again from the reps by another way, and the sentences, which hold nothing but those figures
//! - [`report_review`]: the trainer's review: hours by kind of work, plans against rides, weeks of runs, days against the program, invoice lines
//! - [`trips`]: the share of trips on which nothing is asked
//! - [`week_input`]: days, horses, riders and cattle as the planner of a week sees them, counted by hand

mod day_rules;
mod people_rules;
mod report_month;
mod report_review;
mod trips;
mod week_input;
