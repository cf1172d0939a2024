//! The way back for a horse that fights the bit: milder and shorter, one rein at a time, for
//! weeks, by named riders.
//!
//! Its parts follow each other; each is done when its side is soft on enough days. Two reins
//! straight back come last, once each side is soft alone.
//!
//! # Source
//! Common practice of the trade, no source; the figures are product defaults.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::Side;
use crate::bounds::{FieldError, NAMED_RIDERS, RESTORE_WEEKS};
use crate::day::days_between;
use crate::evidence::SoftCount;

/// Asks of a part and side that it takes, at least.
pub const ASKS: u32 = 12;
/// On so many days.
pub const DAYS: usize = 4;
/// So much of the last asks soft.
pub const SHARE: f64 = 0.8;

/// What is done in a part.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum RestorePart {
    /// One rein at a time, standing.
    OneReinStand,
    /// One rein at a time, at the walk.
    OneReinWalk,
    /// One rein at a time, at the jog.
    OneReinJog,
    /// Two reins, straight back.
    TwoReins,
}

impl RestorePart {
    /// All of them in their order.
    pub const ALL: [RestorePart; 4] = [
        RestorePart::OneReinStand,
        RestorePart::OneReinWalk,
        RestorePart::OneReinJog,
        RestorePart::TwoReins,
    ];

    /// The rung of `bridle.restore` whose asks it goes by.
    pub fn rung(self) -> &'static str {
        match self {
            RestorePart::OneReinStand => "stand",
            RestorePart::OneReinWalk => "walk",
            RestorePart::OneReinJog => "jog",
            RestorePart::TwoReins => "lope",
        }
    }

    /// What a trainer calls it.
    pub fn name(self) -> &'static str {
        match self {
            RestorePart::OneReinStand => "One rein at a time, standing",
            RestorePart::OneReinWalk => "One rein at a time, at the walk",
            RestorePart::OneReinJog => "One rein at a time, at the jog",
            RestorePart::TwoReins => "Two reins, then the lope",
        }
    }

    /// How it is done.
    pub fn how(self) -> &'static str {
        match self {
            RestorePart::OneReinStand => {
                "Body first, then bend off one rein, hand low and not wide. Alternate sides. Room \
                 to drop the neck."
            }
            RestorePart::OneReinWalk | RestorePart::OneReinJog => {
                "The same, moving. A horse that braces goes back to the bend, not to more hand."
            }
            RestorePart::TwoReins => {
                "Now both reins, softly, for a moment at a time. Never both straight back before."
            }
        }
    }
}

/// How the way back is planned.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RestorePlan {
    /// The mild piece it is done in.
    pub gear_id: uuid::Uuid,
    /// Weeks it is given.
    #[cfg_attr(feature = "schema", schema(minimum = 2, maximum = 52))]
    pub weeks: u8,
    /// Who rides the horse on it, and nobody else.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 20))]
    pub riders: Vec<uuid::Uuid>,
}

impl RestorePlan {
    /// Checks weeks and riders.
    ///
    /// # Errors
    /// The first that does not fit.
    pub fn check(&self) -> Result<(), FieldError> {
        RESTORE_WEEKS.check("/weeks", f64::from(self.weeks))?;
        NAMED_RIDERS
            .check_count("/riders", self.riders.len())
            .map(|_| ())
    }
}

/// One side of a part, day by day.
#[derive(Debug, Clone, PartialEq)]
pub struct PartSide {
    /// The part.
    pub part: RestorePart,
    /// The side.
    pub side: Side,
    /// Soft and asked since the way back began, a count a day.
    pub days: Vec<SoftCount>,
}

/// How far one side of a part is.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SideRestored {
    /// The side.
    pub side: Side,
    /// Soft answers.
    pub soft: u32,
    /// Asks.
    pub asked: u32,
    /// Days.
    pub days: usize,
    /// It is soft enough, often enough.
    pub done: bool,
}

/// How far a part is.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PartRestored {
    /// The part.
    pub part: RestorePart,
    /// Its name.
    pub name: &'static str,
    /// How it is done.
    pub how: &'static str,
    /// Side by side.
    pub sides: Vec<SideRestored>,
    /// Every side is done.
    pub done: bool,
    /// It may be worked on: those before it are done.
    pub open: bool,
}

/// How far the way back is.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Restored {
    /// Part by part.
    pub parts: Vec<PartRestored>,
    /// The week it is in, from 1.
    pub week: u32,
    /// Two reins straight back may be asked.
    pub two_reins: bool,
    /// How it stands, in a sentence.
    pub says: String,
}

/// How far a way back is on a day.
pub fn restored(found: &[PartSide], began: Date, weeks: u8, on: Date) -> Restored {
    let mut open = true;
    let mut parts = Vec::new();
    for part in RestorePart::ALL {
        let sides: Vec<SideRestored> = [Side::Left, Side::Right]
            .into_iter()
            .map(|side| side_restored(found, part, side))
            .collect();
        let done = sides.iter().all(|side| side.done);
        parts.push(PartRestored {
            part,
            name: part.name(),
            how: part.how(),
            sides,
            done,
            open,
        });
        open = open && done;
    }
    let week = (days_between(began, on).max(0) / 7 + 1) as u32;
    let two_reins = parts[..3].iter().all(|part| part.done);
    let says = words(&parts, week, weeks);
    Restored {
        parts,
        week,
        two_reins,
        says,
    }
}

fn side_restored(found: &[PartSide], part: RestorePart, side: Side) -> SideRestored {
    let own = found
        .iter()
        .find(|one| one.part == part && one.side == side);
    let days = own.map_or(&[][..], |one| &one.days);
    let (mut soft, mut asked) = (0, 0);
    for day in days {
        soft += day.soft;
        asked += day.asked;
    }
    // The last days decide: a horse on its way back was not soft at its begin.
    let lately = &days[days.len().saturating_sub(DAYS)..];
    let late_soft: u32 = lately.iter().map(|day| day.soft).sum();
    let late_asked: u32 = lately.iter().map(|day| day.asked).sum();
    let enough = asked >= ASKS && days.len() >= DAYS;
    let soft_lately = f64::from(late_soft) >= SHARE * f64::from(late_asked);
    SideRestored {
        side,
        soft,
        asked,
        days: days.len(),
        done: enough && soft_lately,
    }
}

fn words(parts: &[PartRestored], week: u32, weeks: u8) -> String {
    let of = if week <= u32::from(weeks) {
        format!("Week {week} of {weeks}.")
    } else {
        format!("Week {week}, longer than the {weeks} planned; no hurry.")
    };
    match parts.iter().find(|part| !part.done) {
        None => {
            format!("{of} Every part is soft on both sides. Try a change of bit when you like.")
        }
        Some(part) => {
            let behind: Vec<&str> = part
                .sides
                .iter()
                .filter(|side| !side.done)
                .map(|side| {
                    if side.side == Side::Left {
                        "left"
                    } else {
                        "right"
                    }
                })
                .collect();
            format!(
                "{of} Now: {}; still to come {}.",
                lower(part.name),
                behind.join(" and ")
            )
        }
    }
}

fn lower(text: &str) -> String {
    let mut letters = text.chars();
    letters.next().map_or_else(String::new, |first| {
        first.to_lowercase().chain(letters).collect()
    })
}
