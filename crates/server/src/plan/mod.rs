//! Planning: today, the week, the road, calendars.
//!
//! - [`calendars`]: calendars (RFC 5545) of a person, a horse or a place, under secret links
//! - [`roads`]: the road to a date: what a horse's road is asked with, the road as it was found, and dates at risk
//! - [`today`]: today: who is ridden, when, where, for what, and the one thing that matters
//! - [`weeks`]: the week: what there is, the plan as it stands, a plan that is looked for, and the plan that is taken

pub(crate) mod calendars;
pub mod roads;
pub(crate) mod today;
pub mod weeks;
