//! The ground and what is ridden on it: places to scale, the barrel course, drills, trail
//! courses, and the same seen from a film.
//!
//! Lengths are feet, as the trade's books print them; angles are degrees, counterclockwise.
//! A place has its own frame: x to the right of its plan, y up it.
//!
//! - [`point`], [`outline`]: points, distances, areas
//! - [`lay`]: outline, gate, posts, footing and what to keep off, of one place
//! - [`cloverleaf`]: the barrel course by its measures; where it lies
//! - [`path`], [`turn`]: the way round it, to the millionth of a foot
//! - [`ride_plan`]: strides, where to rate and to sit, leads, times
//! - [`room`], [`wanted`], [`marks`]: what room it has, and what it has to have
//! - [`fit`], [`climb`], [`excluded`]: the largest that fits, and that no larger one does
//! - [`setting_out`]: the sheet for one person with a tape
//! - [`way`], [`link`]: a way leg by leg; the shortest from one heading to another
//! - [`drill`], [`drill_book`]: the drills, to scale
//! - [`trail`], [`trail_check`], [`trail_pick`]: obstacles, published sizes, tomorrow's course
//! - [`runs`]: runs side by side
//! - [`homography`]: from a film to the ground
//! - [`course_plan`]: what is kept of a course

pub mod climb;
pub mod cloverleaf;
pub mod course_plan;
pub mod drill;
pub mod drill_book;
pub mod excluded;
pub mod fit;
pub mod homography;
pub mod lay;
pub mod link;
pub mod marks;
pub mod outline;
pub mod path;
pub mod point;
pub mod ride_plan;
pub mod room;
pub mod runs;
pub mod setting_out;
pub mod trail;
pub mod trail_check;
pub mod trail_pick;
pub mod turn;
pub mod wanted;
pub mod way;

pub use cloverleaf::{Barrels, Cloverleaf, Placing};
pub use lay::{FenceKind, GroundLay, KeepOff, Post};
pub use path::{Path, Pockets};
pub use point::Point;
pub use room::Clearances;
