//! Settling a herd: an older horse puts the cattle in the middle of the pen until they stand
//! there and look out; whoever leaves is quietly put back.
//!
//! # Source
//! Settle the herd first, green horses only with a settled herd: common practice, no source. That
//! it lasts seven days, and ends when one more comes to the lot: product defaults.

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, NOTE_LETTERS, PUT_BACK, SETTLING_MIN, check_past_day, together};
use crate::text::check_optional_text;

/// A herd that was settled, or tried to.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Settling {
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// How long it took.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 240))]
    pub minutes: u16,
    /// How often one that left was put back.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
    pub put_back: u16,
    /// They stand in the middle and look out at the end of it.
    pub stands: bool,
    /// In your words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub note: String,
}

impl Settling {
    /// Checks the day, the numbers and the note.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self, today: Date) -> Result<(), Vec<FieldError>> {
        together([
            check_past_day("/day", self.day, today),
            SETTLING_MIN
                .check("/minutes", f64::from(self.minutes))
                .map(|_| ()),
            PUT_BACK
                .check("/put_back", f64::from(self.put_back))
                .map(|_| ()),
            check_optional_text(NOTE_LETTERS, "/note", &self.note),
        ])
    }
}

/// Days that a settled herd stays so.
pub const LASTS_DAYS: i32 = 7;

/// Whether a lot stands settled.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Settled {
    /// It does.
    Yes,
    /// It was never settled.
    Never,
    /// It did not stand the last time.
    DidNotStand,
    /// More cattle came since.
    MoreCame,
    /// Too long ago.
    LongAgo,
}

/// Whether a lot stands settled on a day: by its last settling, and when the last of it came.
pub fn settled<'a>(
    settlings: impl IntoIterator<Item = &'a Settling>,
    last_came: Option<Date>,
    today: Date,
) -> Settled {
    let past = settlings.into_iter().filter(|one| one.day <= today);
    // Of two on a day the one that is listed later is the later word.
    let Some(last) = past.max_by_key(|one| one.day) else {
        return Settled::Never;
    };
    if !last.stands {
        Settled::DidNotStand
    } else if last_came.is_some_and(|came| came > last.day) {
        Settled::MoreCame
    } else if last.day.saturating_add(LASTS_DAYS.days()) < today {
        Settled::LongAgo
    } else {
        Settled::Yes
    }
}
