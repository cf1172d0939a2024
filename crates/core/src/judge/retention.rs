//! Held, fresh, rusty: a level is held once its gate has passed, and fades when
//! it has not been shown soft for a while.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::history::DayVerdict;
use crate::Side;
use crate::evidence::{Ask, days_of};
use crate::ladder::Gate;

/// How a level has kept.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Retention {
    /// The first day the gate passed.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub held_since: Option<Date>,
    /// Days on which the gate passed.
    pub passed_days: u32,
    /// The last day both sides were soft enough.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub last_soft: Option<Date>,
    /// Days since then.
    pub idle_days: Option<u32>,
    /// Days after which it is rusty.
    pub rusty_after_days: u32,
}

impl Retention {
    /// Held once, and not shown soft for too long.
    pub fn is_rusty(&self) -> bool {
        self.held_since.is_some()
            && self
                .idle_days
                .is_some_and(|days| days > self.rusty_after_days)
    }
}

/// How the level has kept until `on`. `asks` and `days` are in order.
pub fn retention(asks: &[Ask], days: &[DayVerdict], gate: &Gate, on: Date) -> Retention {
    let passed: Vec<&DayVerdict> = days.iter().filter(|day| day.passes).collect();
    let passed_days = passed.len() as u32;
    let last_soft = asks
        .chunk_by(|a, b| a.day == b.day)
        .rev()
        .filter(|day| day[0].day <= on)
        .find(|day| soft_on_both_sides(day, gate))
        .map(|day| day[0].day);
    Retention {
        held_since: passed.first().map(|day| day.day),
        passed_days,
        last_soft,
        idle_days: last_soft.map(|day| (on - day).get_days().unsigned_abs()),
        rusty_after_days: if passed_days >= gate.firm_on_days {
            gate.rusty_days_firm
        } else {
            gate.rusty_days
        },
    }
}

fn soft_on_both_sides(day: &[Ask], gate: &Gate) -> bool {
    Side::EACH.into_iter().all(|side| {
        days_of(day, side)
            .first()
            .is_some_and(|tally| f64::from(tally.soft) >= gate.soft_share * f64::from(tally.asked))
    })
}
