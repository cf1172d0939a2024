//! How a cow stands on a day: how honest, how often worked, whether it can be worked.

use jiff::civil::Date;
use serde::Serialize;

use super::cow::{CowSheet, Handling};
use super::honesty::{Freshness, Honesty, honesty};
use super::matching::Cow;
use crate::bounds::FieldError;
use uuid::Uuid;

/// What is known of a cow beside its sheet.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct CowPast {
    /// Each time it was headed, first to last: it stopped, or it went through.
    pub stopped: Vec<bool>,
    /// Its works so far, ever.
    pub works: u32,
    /// The day of the last one.
    pub worked_on: Option<Date>,
    /// Works of the day.
    pub works_today: u32,
    /// Minutes of the day.
    pub minutes_today: f64,
    /// A sign that it is not well stands open.
    pub not_well: bool,
}

/// What each cow of a lot may be used for on a day.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Caps {
    /// Works.
    pub works: u8,
    /// Minutes.
    pub minutes: u8,
}

/// How a cow stands.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CowStanding {
    /// How honest it is.
    pub honesty: Honesty,
    /// Works so far, ever.
    pub works: u32,
    /// The day of the last one; null when nobody worked it.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub worked_on: Option<Date>,
    /// Works it may still do today.
    pub works_left: u32,
    /// A sign that it is not well stands open: it is sorted off.
    pub sorted_off: bool,
    /// It is done for training, by its share or by your word.
    pub done: bool,
}

/// How a cow stands on a day.
///
/// # Errors
/// More headings than anybody counts of a cow.
pub fn standing(sheet: &CowSheet, past: &CowPast, caps: Caps) -> Result<CowStanding, FieldError> {
    let honesty = honesty(&past.stopped)?;
    let used_up = past.minutes_today >= f64::from(caps.minutes);
    let works_left = if used_up {
        0
    } else {
        u32::from(caps.works).saturating_sub(past.works_today)
    };
    Ok(CowStanding {
        honesty,
        works: past.works,
        worked_on: past.worked_on,
        works_left,
        sorted_off: past.not_well,
        done: sheet.done || honesty.freshness == Freshness::Done,
    })
}

impl CowStanding {
    /// It can be worked at all.
    pub fn can_work(&self) -> bool {
        !self.sorted_off && !self.done
    }

    /// As the day is matched by it.
    pub fn to_match(&self, cow_id: Uuid, sheet: &CowSheet, settled: bool) -> Cow {
        Cow {
            cow_id,
            tempo: sheet.tempo,
            // By your word it is done as if its share said so.
            honesty: if self.done && self.honesty.freshness != Freshness::Done {
                0.0
            } else {
                self.honesty.share
            },
            wild: sheet.handling == Handling::Wild,
            sorted_off: self.sorted_off,
            settled,
            works_left: self.works_left,
            worked: self.works.min(10_000),
        }
    }
}
