//! The days of a week as the planner sees them: how hot, how quiet, from when on.

use jiff::civil::Date;

use super::instance::{QuietHours, WeekDay};
use crate::heat::HeatHour;

/// Before and after these it is quiet in a barn. Product default.
const BUSY: (u16, u16) = (9 * 60, 16 * 60);
const MIDNIGHT: u16 = 24 * 60;

impl WeekDay {
    /// A day with its heat, planned from a minute on.
    pub fn of(date: Date, heat: Vec<HeatHour>, not_before_min: u16) -> WeekDay {
        let quiet = [(0, BUSY.0), (BUSY.1, MIDNIGHT)];
        WeekDay {
            date,
            heat,
            quiet: quiet
                .map(|(from_min, to_min)| QuietHours { from_min, to_min })
                .to_vec(),
            not_before_min,
        }
    }

    /// The same day, too hot to ride from a minute on by somebody's word.
    pub fn too_hot_from(mut self, from_min: u16) -> WeekDay {
        self.heat.retain(|hour| hour.from_min < from_min);
        let hours = (from_min..MIDNIGHT).step_by(60);
        self.heat.extend(hours.map(HeatHour::too_hot));
        self
    }
}
