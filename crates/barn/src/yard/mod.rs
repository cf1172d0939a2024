//! What a barn has beside horses and people, by name and kind.
//!
//! - [`place`]: arenas, pens, outside
//! - [`gear`]: headgear, saddles, what is used on the ground
//! - [`cattle`]: lots of cattle

pub mod cattle;
pub mod gear;
pub mod place;

pub use cattle::{CattleKind, CattleLotSheet};
pub use gear::{GearKind, GearSheet};
pub use place::{PlaceKind, PlaceSheet};
