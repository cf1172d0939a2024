//! Cautions about load. They are said, never enforced.
//!
//! # Source
//! A ratio above 1.5 (Gabbett 2016) and a monotony above 2 (Foster 1998) are cautions in
//! human sport (from memory). Nobody has shown that they hold for horses, and what the
//! ratio tells is debated (Impellizzeri et al. 2020): the words say so.

use super::run::{CHRONIC_DAYS, DayLoad, WeekLoad};
use crate::horse::Sex;
use crate::wording::{count, pronouns};

/// A ratio above this is a caution.
pub const MOST_RATIO: f64 = 1.5;
/// A monotony above this is a caution.
pub const MOST_MONOTONY: f64 = 2.0;

/// What the load of the days says; empty where nothing has to be said.
pub fn cautions(days: &[DayLoad], week: Option<WeekLoad>, sex: Option<Sex>) -> Vec<String> {
    let him = pronouns(sex);
    let mut said = Vec::new();
    let known = days.len();
    if known == 0 {
        return said;
    }
    if known < CHRONIC_DAYS as usize {
        said.push(format!(
            "{} on record: give it four weeks before you go by these figures.",
            count(known as u32, "day")
        ));
        return said;
    }
    let ratio = days.last().and_then(|day| day.ratio);
    if let Some(ratio) = ratio.filter(|ratio| *ratio > MOST_RATIO) {
        said.push(format!(
            "{} has done {ratio:.1} times the work {} is used to. A caution from human sport; how much the ratio tells is debated. Give {} an easier day or two.",
            crate::wording::capital(him.he), him.he, him.him
        ));
    }
    if let Some(monotony) = week
        .and_then(|week| week.monotony)
        .filter(|one| *one > MOST_MONOTONY)
    {
        said.push(format!(
            "The last seven days were much alike (monotony {monotony:.1}). A caution from human sport: make hard days hard and easy days easy."
        ));
    }
    said
}
