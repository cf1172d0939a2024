//! Held, fresh, rusty: a level is held once its gate has passed, and fades when
//! it has not been shown soft for a while.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::history::History;
use crate::day::days_between;
use crate::ladder::Gate;

/// How a level has kept.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Retention {
    /// The first day the gate passed, or the day a trainer let it count as held.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub held_since: Option<Date>,
    /// Days on which the gate passed.
    pub passed_days: u32,
    /// The last day it was shown soft, itself or in a level that is built on it.
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

/// Somebody's word that a level counts as held, before its gate has passed.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct CountsFrom {
    /// From which day on.
    pub day: Date,
    /// Whether it keeps as long as what passed its gate on enough days: the trainer's word
    /// does, what an intake showed does not.
    pub firm: bool,
}

/// How a level has kept until `on`. `counts` is somebody's word that it counts as held;
/// `built_on` the last day a level that needs it was shown soft.
pub fn retention(
    history: &History,
    gate: &Gate,
    counts: Option<CountsFrom>,
    built_on: Option<Date>,
    on: Date,
) -> Retention {
    let mut passed = history.days.iter().filter(|day| day.passes);
    let first_passed = passed.clone().next().map(|day| day.day);
    let passed_days = passed.by_ref().count() as u32;
    let own = history.soft_days.iter().rev().find(|day| day.shown_soft);
    let counts_from = counts.map(|counts| counts.day);
    let last_soft = own.map(|day| day.day).max(counts_from).max(built_on);
    let firm = passed_days >= gate.firm_on_days
        || (first_passed.is_none() && counts.is_some_and(|counts| counts.firm));
    Retention {
        held_since: [first_passed, counts_from].into_iter().flatten().min(),
        passed_days,
        last_soft,
        idle_days: last_soft.map(|day| days_between(day, on).max(0) as u32),
        rusty_after_days: if firm {
            gate.rusty_days_firm
        } else {
            gate.rusty_days
        },
    }
}
