//! PostgreSQL. One module a noun; row structs stay inside.
//!
//! | module | holds |
//! |---|---|
//! | [`renumbered`] | barns that ran a build in between, before migrations run |
//! | [`connect`] | the pool of connections, and what every connection is told |
//! | [`barn`] | the barn and [`barn::BarnTransaction`], the only way to its rows |
//! | [`person`] | people and their sign-ins |
//! | [`session`] | signed-in devices |
//! | [`access_link`] | links that let somebody in once |
//! | [`calendar_link`] | secret links for calendar programs |
//! | [`horse_link`], [`owner_note`], [`owner_report`] | what owners are shown |
//! | [`work_hours`] | who works when |
//! | [`place`], [`gear`], [`cattle_lot`] | the yard, by name and kind |
//! | [`lay`], [`course`], [`run`] | how places lie; barrel courses, drills, trail courses; runs |
//! | [`cow_round`] | rounds on the cow of the trainer |
//! | [`timed_run`], [`tape`] | times of timing eyes; films as marks |
//! | [`horse`], [`goal`] | horses, and what they are meant for |
//! | [`program_day`], [`booking`] | which horse is ridden on which weekday; what stands in a day |
//! | [`ride`], [`ride_block`], [`rep`] | what was asked and answered |
//! | [`fitting`], [`bit_change`], [`restore`] | what a horse wears; changing it; the way back |
//! | [`ride_share`], [`hand`] | rides in the two-rein; how much was in the hand |
//! | [`stored`] | what stands as JSON, read leniently whatever version wrote it |
//! | [`ride_horse`] | a ride that was recorded on the wrong horse |
//! | [`timeline`] | a ride ask by ask, with its history |
//! | [`known`] | what is known of a horse, by version |
//! | [`program`], [`horse_program`] | schools and changed gates; which horse is on them since when |
//! | [`rider_offset`] | how riders differ |
//! | [`overrule`], [`kept_verdict`] | what the trainer and the judge said |
//! | [`intake`] | where a new horse stands |
//! | [`care`], [`card_block`] | notes of care; blocks for a coming day |
//! | [`load`], [`cool_out`] | what the load of rides is made of; cooling out |
//! | [`deed`], [`device`] | who changed what; devices that are unplugged |
//! | [`archive`] | a whole barn as rows of JSON |
//! | [`sheet`], [`import`] | its sheets, out and in |
//! | [`weather`], [`busy`] | heat by the hour; when people are busy elsewhere |
//!
//! Two walls keep barns apart: every query names the barn, and row-level
//! security shows a [`barn::BarnTransaction`] nothing but its own barn.

#![warn(clippy::unwrap_used)]

pub mod access_link;
pub mod archive;
pub mod barn;
pub mod bit_change;
pub mod booking;
pub mod busy;
pub mod calendar_link;
pub mod card_block;
pub mod care;
pub mod cattle_lot;
pub mod connect;
pub mod cool_out;
pub mod course;
pub mod cow;
pub mod cow_health;
pub mod cow_round;
pub mod deed;
pub mod device;
pub mod drop_answer;
pub mod error;
pub mod fitting;
pub mod gear;
pub mod goal;
pub mod hand;
pub mod horse;
pub mod horse_link;
pub mod horse_program;
pub mod import;
pub mod intake;
pub mod kept_verdict;
pub mod known;
pub mod lay;
pub mod load;
pub mod news;
pub mod overrule;
pub mod owner_note;
pub mod owner_report;
pub mod person;
pub mod place;
pub mod placing;
pub mod program;
pub mod program_day;
pub mod renumbered;
pub mod rep;
pub mod restore;
pub mod ride;
pub mod ride_block;
pub mod ride_horse;
pub mod ride_share;
pub mod ride_work;
pub mod rider_offset;
pub mod run;
pub mod session;
pub mod settling;
pub mod sheet;
pub mod stored;
pub mod tape;
pub mod timed_run;
pub mod timeline;
pub mod weather;
pub mod work_hours;

pub use barn::BarnTransaction;
pub use error::{StoreError, StoreResult};

/// The migrations, oldest first.
pub static MIGRATOR: sqlx::migrate::Migrator = sqlx::migrate!();
