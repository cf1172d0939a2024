//! The plan of a week: who rides which horse, on which day, where, when and for what.
//!
//! - [`instance`]: what there is: days, horses, riders, places, cattle, what stands already
//! - [`work`]: what a horse is ridden for
//! - [`week_day`], [`week_horse`], [`week_rider`]: days, judged horses and riders as it sees them
//! - [`ride_options`](mod@ride_options): what a horse can be ridden for
//! - [`standing_ride`]: a ride that stands already
//! - [`planned`]: one ride of a plan
//! - [`days`]: a plan seen day by day, so that the day's own rules can look at it
//! - [`broken`](mod@broken): what a plan breaks
//! - [`score`](mod@score): what a plan is worth, term by term
//! - [`left_out`](mod@left_out): which rides are missing, and why
//! - [`obstacle`]: what can stand in the way of one
//! - [`changes`](mod@changes): what one plan does otherwise than another
//! - [`check`]: whether it can be planned at all
//! - [`stretches`](mod@stretches): how often the herd is gathered, or barrels are set
//! - [`words`]: the same in sentences

pub mod broken;
pub mod changes;
pub mod check;
pub mod days;
pub mod instance;
pub mod left_out;
pub mod obstacle;
pub mod planned;
pub mod ride_options;
pub mod score;
pub mod standing_ride;
pub mod stretches;
pub mod week_day;
pub mod week_horse;
pub mod week_rider;
pub mod words;
pub mod work;

pub use broken::{BrokenInWeek, broken};
pub use changes::{PlanChange, changes};
pub use instance::{
    FixedBooking, Knows, QuietHours, RiderBusy, RiderDay, WeekDay, WeekHorse, WeekInstance,
    WeekLot, WeekRider, Weights,
};
pub use left_out::{LeftOutRide, left_out};
pub use obstacle::{DayObstacle, Obstacle};
pub use planned::PlannedRide;
pub use score::{Score, Term, TermKind, score};
pub use work::{Work, WorkKind};
