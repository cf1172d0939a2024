//! How the trainer's decisions turned out.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::held::change::{Change, Moved};
use super::history::DayVerdict;
use super::verdict::Verdict;
use crate::day::days_between;

/// Days within which a decision shows how it turned out. Product default.
pub const TELLS_WITHIN_DAYS: i64 = 30;
/// Days asked afterwards that are enough to say that it held. Product default.
pub const TELLS_AFTER_DAYS_ASKED: usize = 3;

/// How a decision turned out.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Outcome {
    /// It held: asked on enough later days and never sent down.
    Held,
    /// It was sent down or lost, or somebody had to look, within thirty days.
    WentBack,
    /// Too early to say, or asked on too few of the thirty days to ever say.
    TooEarly,
}

/// How letting a level count from `day` turned out by `on`: what the judge said
/// on the days it was asked afterwards, at that level, and whether it was lost.
pub fn outcome(day: Date, days: &[DayVerdict], changes: &[Change], on: Date) -> Outcome {
    let tells =
        |after: Date| after > day && after <= on && days_between(day, after) <= TELLS_WITHIN_DAYS;
    let is_lost = |change: &Change| change.moved == Moved::Lost && tells(change.day);
    if changes.iter().any(is_lost) {
        return Outcome::WentBack;
    }
    let after: Vec<&DayVerdict> = days.iter().filter(|asked| tells(asked.day)).collect();
    let went_back =
        |asked: &&DayVerdict| matches!(asked.verdict, Verdict::EaseBack | Verdict::CheckFirst);
    if after.iter().any(went_back) {
        Outcome::WentBack
    } else if after.len() >= TELLS_AFTER_DAYS_ASKED {
        Outcome::Held
    } else {
        Outcome::TooEarly
    }
}
