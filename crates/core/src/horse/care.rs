//! Care: what somebody has to look at before anything is trained through. The
//! product notes it and never diagnoses.
//!
//! Source: that pain is ruled out first is common practice of the trade, no
//! source; how long a check of teeth or bit seat holds is a product default.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::FieldError;

/// Days after which a check of the teeth or of the bit seat is due again.
pub const CHECK_HOLDS_DAYS: i64 = 365;

/// What a note of care is about.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum CareKind {
    /// Pain was noted; open until cleared.
    Pain,
    /// Unlevel steps were noted; open until cleared.
    Unlevel,
    /// The rig does not fit; open until cleared.
    RigMisfit,
    /// The teeth were looked at on that day.
    Teeth,
    /// The bit seat was looked at on that day.
    BitSeat,
}

impl CareKind {
    /// All kinds.
    pub const ALL: [CareKind; 5] = [
        CareKind::Pain,
        CareKind::Unlevel,
        CareKind::RigMisfit,
        CareKind::Teeth,
        CareKind::BitSeat,
    ];

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            CareKind::Pain => "pain",
            CareKind::Unlevel => "unlevel",
            CareKind::RigMisfit => "rig_misfit",
            CareKind::Teeth => "teeth",
            CareKind::BitSeat => "bit_seat",
        }
    }

    /// The kind of that word, if there is one.
    pub fn from_word(word: &str) -> Option<CareKind> {
        CareKind::ALL.into_iter().find(|kind| kind.word() == word)
    }

    /// Whether it stays open until somebody clears it.
    pub fn is_flag(self) -> bool {
        !matches!(self, CareKind::Teeth | CareKind::BitSeat)
    }

    /// Who should look.
    pub fn who(self) -> &'static str {
        match self {
            CareKind::Pain => "a vet",
            CareKind::Unlevel => "a vet or farrier",
            CareKind::RigMisfit => "a saddle fitter, or whoever fits the bridle",
            CareKind::Teeth => "an equine dentist or vet",
            CareKind::BitSeat => "an equine dentist",
        }
    }
}

/// One note of care.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CareNote {
    /// Its id.
    pub care_id: Uuid,
    /// What it is about.
    pub kind: CareKind,
    /// The day it was noted, or the check was made.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// The day a flag was cleared.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub cleared_on: Option<Date>,
    /// In the words of whoever noted it.
    #[serde(default)]
    pub text: String,
}

impl CareNote {
    /// Whether it is a flag that stands open on `on`.
    pub fn is_open(&self, on: Date) -> bool {
        self.kind.is_flag() && self.day <= on && self.cleared_on.is_none_or(|cleared| cleared > on)
    }
}

/// Checks the day of a note: not after today, and not before the horse was foaled.
/// Every horse is a year older on January 1, so of the year alone is known.
///
/// # Errors
/// A day outside, at `field`, with what is allowed.
pub fn check_care_day(field: &str, day: Date, foaled: i32, today: Date) -> Result<(), FieldError> {
    let year = i16::try_from(foaled).unwrap_or(today.year());
    let earliest = Date::new(year, 1, 1).unwrap_or(today).min(today);
    if (earliest..=today).contains(&day) {
        return Ok(());
    }
    Err(FieldError::new(
        field,
        format!(
            "must be {earliest} (the year the horse was foaled) to {today} (today), found {day}"
        ),
    ))
}
