//! A side that went bad at once while the other stayed soft. New, one-sided trouble may
//! be pain, and that is not for a program to answer: it stays open, whatever the next
//! rides hold, until that side is soft again as before or a trainer says who looked and
//! what came of it.
//!
//! Source: that sudden one-sided change is first looked at as pain is common
//! practice of the trade, no source; the figures are product defaults.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::Side;
use crate::bounds::{FieldError, NOTE_LETTERS};
use crate::evidence::{Ask, SoftCount};
use crate::ladder::Level;
use crate::text::check_text;

const LEAST_BEFORE: u32 = 12;
/// Asks of a side that say something of one ride; fewer are taken with the ride before.
const LEAST_IN_RIDE: u32 = 4;
/// A ride of so few says something when all of them are missed.
const LEAST_ALL_MISSED: u32 = 3;
const SOFT_BEFORE: f64 = 0.80;
const OTHER_SIDE_SOFT: f64 = 0.75;
const DROPPED_TO: f64 = 0.40;
/// Asks of the side, made after the drop, that close it ...
const CLOSING_ASKS: usize = 10;
/// ... on so many days ...
const CLOSING_DAYS: usize = 2;
/// ... when their share lies no more than this under the share before.
const CLOSE_TO_BEFORE: f64 = 0.10;

/// A sudden drop on one side.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SideDrop {
    /// The side that dropped.
    pub side: Side,
    /// The day it did.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub since: Date,
    /// Its soft share in the window before the drop.
    pub share_before: f64,
    /// Soft answers in the ride in which it dropped; of short rides in that and the one before.
    pub soft: u32,
    /// Asks in it.
    pub asked: u32,
}

/// A trainer's answer to a drop: who looked, and what came of it.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct DropAnswer {
    /// Its id, made on the device.
    pub answer_id: Uuid,
    /// The level that dropped.
    pub level: Level,
    /// The side.
    pub side: Side,
    /// The day somebody looked.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// Who looked, and what came of it.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 600))]
    pub text: String,
}

impl DropAnswer {
    /// Checks that it says something, of one side.
    ///
    /// # Errors
    /// No words, or too many; both sides at once.
    pub fn check(&self) -> Result<(), FieldError> {
        check_text(NOTE_LETTERS, "/text", &self.text)?;
        if self.side == Side::Both {
            return Err(FieldError::new(
                "/side",
                "must be left or right, found both",
            ));
        }
        Ok(())
    }
}

impl SideDrop {
    /// Whether `asks`, all of the level until some evening, show the side soft again as
    /// before the drop.
    pub fn is_over(&self, asks: &[Ask]) -> bool {
        let since: Vec<&Ask> = asks
            .iter()
            .rev()
            .take_while(|ask| ask.day > self.since)
            .filter(|ask| ask.side == self.side)
            .take(CLOSING_ASKS)
            .collect();
        let mut days: Vec<Date> = since.iter().map(|ask| ask.day).collect();
        days.dedup();
        let soft = since.iter().filter(|ask| ask.soft).count() as f64;
        since.len() == CLOSING_ASKS
            && days.len() >= CLOSING_DAYS
            && soft / CLOSING_ASKS as f64 >= self.share_before - CLOSE_TO_BEFORE - 1e-9
    }
}

/// Looks for a drop at the end of `seen` (asks in order): in the last ride, or where a side
/// was asked too little in it, in the last two.
pub fn side_drop(seen: &[Ask]) -> Option<SideDrop> {
    if seen.len() < (LEAST_BEFORE + LEAST_ALL_MISSED) as usize {
        return None;
    }
    let last = rides_from(seen, 1);
    Side::EACH.into_iter().find_map(|side| {
        let of_ride = SoftCount::of(seen[last..].iter().filter(|ask| ask.side == side));
        let from = if says_something(of_ride) {
            last
        } else {
            rides_from(seen, 2)
        };
        dropped(seen, from, side)
    })
}

fn says_something(of_side: SoftCount) -> bool {
    of_side.asked >= LEAST_IN_RIDE || (of_side.asked >= LEAST_ALL_MISSED && of_side.soft == 0)
}

/// Where the last so many rides of `seen` begin.
fn rides_from(seen: &[Ask], rides: usize) -> usize {
    let mut end = seen.len();
    for _ in 0..rides {
        let Some(last) = seen[..end].last() else {
            break;
        };
        let before = seen[..end]
            .iter()
            .rposition(|ask| ask.ride_id != last.ride_id);
        end = before.map_or(0, |before| before + 1);
    }
    end
}

/// Whether a side dropped from `from` on.
fn dropped(seen: &[Ask], from: usize, side: Side) -> Option<SideDrop> {
    let of = |asks: &[Ask], which: Side| SoftCount::of(asks.iter().filter(|ask| ask.side == which));
    let (now, other) = (of(&seen[from..], side), of(&seen[from..], side.other()));
    let before = of(&seen[..from], side);
    let share_before = before.share()?;
    let is_drop = says_something(now)
        && before.asked >= LEAST_BEFORE
        && other.asked >= LEAST_ALL_MISSED
        && now.share()? <= DROPPED_TO
        && share_before >= SOFT_BEFORE
        && other.share()? >= OTHER_SIDE_SOFT;
    is_drop.then(|| SideDrop {
        side,
        since: seen[seen.len() - 1].day,
        share_before,
        soft: now.soft,
        asked: now.asked,
    })
}
