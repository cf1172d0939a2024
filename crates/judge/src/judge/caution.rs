//! Check first: what somebody should look at before a level is trained through.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::by_day::days::Days;
use super::held::drop::SideDrop;
use super::horse_file::{HorseFile, RideFacts};
use crate::day::days_between;
use crate::horse::care::due;
use crate::horse::{CareDue, CareKind, CareNote, RideMark};
use crate::ladder::LadderLevel;

/// Why somebody should look first.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "because", rename_all = "snake_case")]
pub enum Caution {
    /// A flag stands open.
    Flag {
        /// Which.
        kind: CareKind,
        /// Since when.
        #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
        since: Date,
    },
    /// A check of teeth or bit seat is overdue for work in the mouth, or feet for fast work.
    Overdue {
        /// Which.
        kind: CareKind,
        /// When it was last made.
        #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
        last: Date,
    },
    /// Signs of trouble on two rides in a row, and since then no two without.
    Trouble {
        /// The day of the last one.
        #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
        day: Date,
    },
    /// One side went bad at once.
    SideDrop(SideDrop),
}

/// What holds for every level of the horse.
pub fn of_horse(care: &[CareNote], rides: &[RideFacts], on: Date) -> Vec<Caution> {
    let flags = care
        .iter()
        .filter(|note| note.is_open(on))
        .map(|note| Caution::Flag {
            kind: note.kind,
            since: note.day,
        });
    flags.chain(trouble(rides, on)).collect()
}

/// Rides without trouble that end the caution, one more than a ride on which nobody may
/// have looked.
const QUIET_RIDES: u32 = 2;
/// Days without trouble after which older signs are history. Product default.
const TROUBLE_DAYS: i64 = 60;

/// Signs of trouble on two rides in a row, until two rides in a row are without. One ride on
/// which nobody noted any does not end it.
fn trouble(rides: &[RideFacts], on: Date) -> Option<Caution> {
    let (mut open, mut before, mut quiet) = (None, false, 0);
    for ride in rides.iter().filter(|ride| ride.day <= on) {
        if ride.is_troubled() {
            quiet = 0;
            if before || open.is_some() {
                open = Some(ride.day);
            }
        } else {
            quiet += 1;
            if quiet >= QUIET_RIDES {
                open = None;
            }
        }
        before = ride.is_troubled();
    }
    let lately = |day: &Date| days_between(*day, on) <= TROUBLE_DAYS;
    open.filter(lately).map(|day| Caution::Trouble { day })
}

/// What holds for work in the mouth: checks that were made once and are overdue.
pub fn of_mouth(care: &[CareNote], on: Date) -> Vec<Caution> {
    overdue(care, on, |kind| {
        matches!(kind, CareKind::Teeth | CareKind::BitSeat)
    })
}

/// What holds for fast work: feet that were done once and are overdue. Product default.
pub fn of_fast_work(care: &[CareNote], on: Date) -> Vec<Caution> {
    overdue(care, on, |kind| kind == CareKind::Feet)
}

fn overdue(care: &[CareNote], on: Date, of: impl Fn(CareKind) -> bool) -> Vec<Caution> {
    // A season is never overdue: the days she was seen in it say nothing here.
    let found = due(care, &[], on).into_iter();
    found
        .filter(|one| one.overdue && of(one.kind))
        .map(|CareDue { kind, last, .. }| Caution::Overdue { kind, last })
        .collect()
}

/// On which days somebody should look first, whatever the level: of the horse, for work in
/// the mouth, for fast work.
#[derive(Debug, Clone)]
pub struct DayCautions<'a> {
    days: &'a Days,
    of_day: Vec<[bool; 3]>,
}

impl<'a> DayCautions<'a> {
    /// Of a horse on the days on which anything happened.
    pub fn of(file: &HorseFile, days: &'a Days) -> DayCautions<'a> {
        let of_day = days
            .all()
            .iter()
            .map(|day| {
                [
                    !of_horse(&file.care, &file.rides, *day).is_empty(),
                    !of_mouth(&file.care, *day).is_empty(),
                    !of_fast_work(&file.care, *day).is_empty(),
                ]
            })
            .collect();
        DayCautions { days, of_day }
    }

    /// Whether a level was held back on such a day.
    pub fn hold_back(&self, level: &LadderLevel, day: Date) -> bool {
        let Ok(number) = self.days.all().binary_search(&day) else {
            return false;
        };
        let [horse, mouth, fast] = self.of_day[number];
        horse || (mouth && level.mouth) || (fast && needs_feet(level))
    }
}

/// Work that feet have to be done for.
pub(super) fn needs_feet(level: &LadderLevel) -> bool {
    level.gait >= crate::Gait::Lope && !level.ground
}

impl RideFacts {
    fn is_troubled(&self) -> bool {
        self.marks.contains(&RideMark::Trouble)
    }
}
