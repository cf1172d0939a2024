//! A horse's month: every figure an owner's report is written from.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::evenness::{MonthSides, month_sides};
use super::month::Month;
use super::moved::{Moved, moved};
use super::worked::{Ridden, TimedRide, WorkedTrack, ridden, worked};
use crate::horse::{CareDue, CareKind, CareNote, Sex};
use crate::judge::{HorseFile, Standing};
use crate::ladder::{Ladder, Level};
use crate::week::Trips;

/// What a month is told from. Standings and file are of one horse on one ladder.
#[derive(Debug, Clone, Copy)]
pub struct HorseOfMonth<'a> {
    /// What the horse is called.
    pub name: &'a str,
    /// Its ladder.
    pub ladder: &'a Ladder,
    /// All that is known of it.
    pub file: &'a HorseFile,
    /// Where it stood on the evening before the month.
    pub before: &'a [Standing],
    /// Where it stands on the last day that is told of.
    pub now: &'a [Standing],
    /// Its rides of this month and the one before.
    pub rides: &'a [TimedRide],
    /// Its trips of the month.
    pub trips: Trips,
}

/// A note of care that falls into the month.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CareOfMonth {
    /// What it is about.
    pub kind: CareKind,
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// The day a flag was cleared, where it was by the last day told of.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub cleared_on: Option<Date>,
}

/// The level that comes next.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ComesNext {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// The verdict in a sentence.
    pub says: String,
    /// What it would take.
    pub takes: String,
    /// When, as a range of rides.
    pub forecast: String,
}

/// A date of the horse and its honest range.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DateAhead {
    /// In the trainer's words.
    pub name: String,
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// Share of the futures in which all is held by then.
    pub chance: f64,
    /// The day by which one future in ten is there.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub from: Option<Date>,
    /// The day by which nine in ten are.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub to: Option<Date>,
    /// The same in a sentence.
    pub text: String,
}

/// What lies ahead on the day it is written.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Ahead {
    /// The level that comes next; null for a horse with nothing open.
    pub next: Option<ComesNext>,
    /// Its dates, soonest first.
    pub dates: Vec<DateAhead>,
    /// Who should look at the horse, and what its load says, in sentences.
    pub cautions: Vec<String>,
    /// Care that comes again, the earliest first.
    pub care_due: Vec<CareComing>,
}

/// Care that comes again.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CareComing {
    /// What.
    pub kind: CareKind,
    /// The day it is due.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub due: Date,
    /// That day has passed.
    pub overdue: bool,
}

impl From<CareDue> for CareComing {
    fn from(due: CareDue) -> CareComing {
        CareComing {
            kind: due.kind,
            due: due.due,
            overdue: due.overdue,
        }
    }
}

/// A horse's month.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HorseMonth {
    /// What the horse is called.
    pub horse: String,
    /// Mare, gelding or stallion, where known.
    pub sex: Option<Sex>,
    /// The first day of the month.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub from: Date,
    /// The last day that is told of.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub to: Date,
    /// The day it was written.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub written_on: Date,
    /// Its rides.
    pub ridden: Ridden,
    /// Those of the month before.
    pub ridden_before: Ridden,
    /// What was asked, the track with the most asks first.
    pub worked: Vec<WorkedTrack>,
    /// What moved on the ladder.
    pub moved: Moved,
    /// Left against right.
    pub sides: MonthSides,
    /// Trips with the trailer.
    pub trips: Trips,
    /// Notes of care of the month, the earliest first.
    pub care: Vec<CareOfMonth>,
    /// What lies ahead.
    pub ahead: Ahead,
}

impl HorseMonth {
    /// The month of a horse until `to`, written on `written_on`.
    pub fn of(
        horse: &HorseOfMonth<'_>,
        month: Month,
        to: Date,
        written_on: Date,
        ahead: Ahead,
    ) -> HorseMonth {
        let from = month.first();
        let before = month.before();
        HorseMonth {
            horse: horse.name.to_owned(),
            sex: horse.file.sex,
            from,
            to,
            written_on,
            ridden: ridden(horse.rides, from, to),
            ridden_before: ridden(horse.rides, before.first(), before.last()),
            worked: worked(horse.ladder, horse.file, before.first(), from, to),
            moved: moved(horse.ladder, horse.now, from, to),
            sides: month_sides(horse.file, from, to),
            trips: horse.trips,
            care: care_of(&horse.file.care, from, to),
            ahead,
        }
    }

    /// Its month.
    pub fn month(&self) -> Month {
        Month::of(self.from)
    }

    /// Whether the month has not come to its end.
    pub fn is_under_way(&self) -> bool {
        self.to < self.month().last()
    }
}

fn care_of(care: &[CareNote], from: Date, to: Date) -> Vec<CareOfMonth> {
    let own = care.iter().filter(|note| (from..=to).contains(&note.day));
    let mut found: Vec<CareOfMonth> = own
        .map(|note| CareOfMonth {
            kind: note.kind,
            day: note.day,
            cleared_on: note.cleared_on.filter(|cleared| *cleared <= to),
        })
        .collect();
    found.sort_by_key(|one| (one.day, one.kind));
    found
}
