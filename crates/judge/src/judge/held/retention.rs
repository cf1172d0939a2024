//! How a held level keeps: it goes rusty when it has not been shown soft for a while,
//! itself or in a level that is built on it. Rusty is a mark: it says that nobody knows,
//! not that the horse forgot.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

/// How a level has kept.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Retention {
    /// Since when it is held by its own evidence; none while it is not.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub held_since: Option<Date>,
    /// Days since then on which the gate passed.
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
    /// Held, and not shown soft for too long.
    pub fn is_rusty(&self) -> bool {
        self.held_since.is_some()
            && self
                .idle_days
                .is_some_and(|days| days > self.rusty_after_days)
    }
}
