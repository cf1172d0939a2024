//! Care: what somebody has to look at before anything is trained through. The
//! product notes it and never diagnoses.
//!
//! Source: that pain is ruled out first is common practice of the trade, no
//! source; how long a check holds is said of each horse, and is a product default where
//! nobody said.

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::season::{self, CYCLE_DAYS};
use crate::bounds::FieldError;

/// Days ahead of which somebody is reminded. Product default.
pub const REMINDED_DAYS: i64 = 14;

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
    /// The feet were trimmed or shod on that day.
    Feet,
    /// The vet saw the horse on that day: vaccinations, a yearly look.
    Vet,
    /// A mare was seen in season on that day.
    InSeason,
}

impl CareKind {
    /// All kinds.
    pub const ALL: [CareKind; 8] = [
        CareKind::Pain,
        CareKind::Unlevel,
        CareKind::RigMisfit,
        CareKind::Teeth,
        CareKind::BitSeat,
        CareKind::Feet,
        CareKind::Vet,
        CareKind::InSeason,
    ];

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            CareKind::Pain => "pain",
            CareKind::Unlevel => "unlevel",
            CareKind::RigMisfit => "rig_misfit",
            CareKind::Teeth => "teeth",
            CareKind::BitSeat => "bit_seat",
            CareKind::Feet => "feet",
            CareKind::Vet => "vet",
            CareKind::InSeason => "in_season",
        }
    }

    /// The kind of that word, if there is one.
    pub fn from_word(word: &str) -> Option<CareKind> {
        CareKind::ALL.into_iter().find(|kind| kind.word() == word)
    }

    /// Whether it stays open until somebody clears it.
    pub fn is_flag(self) -> bool {
        matches!(
            self,
            CareKind::Pain | CareKind::Unlevel | CareKind::RigMisfit
        )
    }

    /// Who should look.
    pub fn who(self) -> &'static str {
        match self {
            CareKind::Pain => "a vet",
            CareKind::Unlevel => "a vet or farrier",
            CareKind::RigMisfit => "a saddle fitter, or whoever fits the bridle",
            CareKind::Teeth => "an equine dentist or vet",
            CareKind::BitSeat => "an equine dentist",
            CareKind::Feet => "a farrier",
            CareKind::Vet | CareKind::InSeason => "a vet",
        }
    }

    /// Days after which it comes again where nobody said otherwise; none for what does not
    /// come again by itself. How often feet, teeth and a yearly look are due is common
    /// practice, no source; a vet, dentist or farrier who knows the horse says otherwise.
    pub fn usual_days(self) -> Option<u16> {
        match self {
            CareKind::Pain | CareKind::Unlevel | CareKind::RigMisfit => None,
            CareKind::Teeth | CareKind::BitSeat | CareKind::Vet => Some(365),
            CareKind::Feet => Some(42),
            CareKind::InSeason => u16::try_from(CYCLE_DAYS).ok(),
        }
    }

    /// Whether something has to be done by then; a season only comes.
    pub fn can_be_overdue(self) -> bool {
        self.usual_days().is_some() && self != CareKind::InSeason
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
    /// Days after which it comes again for this horse; left out: what is usual.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 7, maximum = 1100))]
    pub again_days: Option<u16>,
}

/// Care that comes again.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CareDue {
    /// What.
    pub kind: CareKind,
    /// The last time.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub last: Date,
    /// The day it is due.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub due: Date,
    /// That day has passed.
    pub overdue: bool,
}

/// What comes again, by the last note of each kind; the earliest first. A mare was
/// `seen_in_season` on these days, noted or ridden.
pub fn due(notes: &[CareNote], seen_in_season: &[Date], on: Date) -> Vec<CareDue> {
    let last = |kind: CareKind| {
        let of_kind = notes
            .iter()
            .filter(|note| note.kind == kind && note.day <= on);
        of_kind.max_by_key(|note| note.day)
    };
    let mut found: Vec<CareDue> = CareKind::ALL
        .into_iter()
        .filter_map(|kind| last(kind)?.due(seen_in_season, on))
        .collect();
    found.sort_by_key(|one| one.due);
    found
}

/// The cycle of a mare: as it was set with the last note of her season, or the usual one.
pub fn cycle_days(notes: &[CareNote], on: Date) -> i64 {
    let seasons = notes
        .iter()
        .filter(|note| note.kind == CareKind::InSeason && note.day <= on);
    let last = seasons.max_by_key(|note| note.day);
    last.and_then(CareNote::again).unwrap_or(CYCLE_DAYS)
}

impl CareNote {
    /// When it comes again; none for a flag. A season is counted on from when the mare was
    /// `seen_in_season` last, in a note or in a ride.
    pub fn due(&self, seen_in_season: &[Date], on: Date) -> Option<CareDue> {
        let again = self.again()?;
        let (last, due) = if self.kind == CareKind::InSeason {
            let mut days = seen_in_season.to_vec();
            days.push(self.day);
            season::due(&days, again, on)?
        } else {
            (self.day, self.day.saturating_add(again.days()))
        };
        Some(CareDue {
            kind: self.kind,
            last,
            due,
            overdue: self.kind.can_be_overdue() && due < on,
        })
    }

    /// Days after which it comes again; none for a flag.
    pub fn again(&self) -> Option<i64> {
        let usual = self.kind.usual_days()?;
        Some(i64::from(self.again_days.unwrap_or(usual)).max(1))
    }

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
