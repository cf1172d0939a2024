//! Check first: what somebody should look at before a level is trained through.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::side_drop::SideDrop;
use crate::horse::care::due;
use crate::horse::{CareDue, CareKind, CareNote, RideMark};

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
    /// Signs of trouble on two rides in a row.
    Trouble {
        /// The day of the later one.
        #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
        day: Date,
    },
    /// One side went bad at once.
    SideDrop(SideDrop),
}

/// What holds for every level of the horse.
pub fn of_horse(
    care: &[CareNote],
    rides: &[super::horse_file::RideFacts],
    on: Date,
) -> Vec<Caution> {
    let flags = care
        .iter()
        .filter(|note| note.is_open(on))
        .map(|note| Caution::Flag {
            kind: note.kind,
            since: note.day,
        });
    let mut last_two = rides.iter().rev().filter(|ride| ride.day <= on).take(2);
    let trouble = match (last_two.next(), last_two.next()) {
        (Some(last), Some(before)) if last.is_troubled() && before.is_troubled() => {
            Some(Caution::Trouble { day: last.day })
        }
        _ => None,
    };
    flags.chain(trouble).collect()
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
    let found = due(care, on).into_iter();
    found
        .filter(|one| one.overdue && of(one.kind))
        .map(|CareDue { kind, last, .. }| Caution::Overdue { kind, last })
        .collect()
}

impl super::horse_file::RideFacts {
    fn is_troubled(&self) -> bool {
        self.marks.contains(&RideMark::Trouble)
    }
}
