//! Trips with the trailer: of a part of them nothing is asked (go, stand tied, ride a
//! little, go home), so that the trailer does not only mean work.
//!
//! Source: common practice of the trade, no source; the share is a product default.

use serde::{Deserialize, Serialize};

use crate::wording::count;

/// Percentage of trips on which nothing is to be asked, where a barn did not say.
pub const QUIET_OUTINGS_PCT: u8 = 25;
/// Weeks that are looked back.
pub const TRIPS_WEEKS: i64 = 12;

/// The trips of a horse.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Trips {
    /// All of them: hauls and outings.
    pub trips: u32,
    /// Outings on which nothing was asked.
    pub quiet: u32,
}

impl Trips {
    /// How many more quiet outings bring the share to what is wanted, were nothing else
    /// done.
    pub fn wanting(self, wanted_pct: u8) -> u32 {
        let wanted = u32::from(wanted_pct.min(100));
        if wanted == 0 || self.trips == 0 {
            return 0;
        }
        if wanted == 100 {
            return self.trips - self.quiet.min(self.trips);
        }
        // quiet + n >= wanted / 100 * (trips + n)
        let short = i64::from(wanted * self.trips) - i64::from(100 * self.quiet);
        u32::try_from(short.max(0)).map_or(0, |short| short.div_ceil(100 - wanted))
    }

    /// The same in a sentence; empty for a horse that made no trip.
    pub fn text(self, wanted_pct: u8) -> String {
        if self.trips == 0 {
            return String::new();
        }
        let share = format!(
            "{} of {} asked nothing; you want {wanted_pct}%.",
            self.quiet,
            count(self.trips, "trip")
        );
        match self.wanting(wanted_pct) {
            0 => share,
            more => format!("{share} {} would do.", count(more, "quiet outing")),
        }
    }
}
