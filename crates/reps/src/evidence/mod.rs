//! What the reps of a level show.
//!
//! - [`ask`](mod@ask), [`days`]: an ask as the judge sees it; asks day by day
//! - [`soft_count`]: soft answers among asks
//! - [`share`]: soft share with its bounds, days as clusters
//! - [`readiness`]: how soft the horse is now, from its whole history
//! - [`possible_horse`]: how it might go on
//! - [`rider`], [`riders_from`]: how riders differ on the same horses, and from which day on
//! - [`rigs`]: which rig was new, and soft shares by rig
//! - [`learning`]: whether it is learning at all
//! - [`give_time`]: time to give, unanswered asks as censored
//! - [`first_ask`]: the first ask of a day and side
//! - [`first_answer`]: what a first ask tells of whether a level is held
//! - [`evenness`]: left against right
//! - [`trend`]: improving, level, slipping
//! - [`stiff`]: which side is the stiff one, and how sure that is
//! - [`slip`]: the alarm against the settled level

mod algebra;
pub mod ask;
pub mod days;
pub mod evenness;
pub mod first_answer;
pub mod first_ask;
pub mod give_time;
pub mod learning;
pub mod possible_horse;
pub mod readiness;
pub mod rider;
pub mod riders_from;
pub mod rigs;
pub mod share;
pub mod slip;
pub mod soft_count;
pub mod stiff;
pub mod trend;

pub use ask::{Ask, asks_in_order, sort};
pub use days::{days_of, times_of};
pub use soft_count::SoftCount;
