//! What made a ride unlike the others. A marked ride stays in the record; the
//! judge shows its verdict without it where that changes the answer.

use serde::{Deserialize, Serialize};

/// A mark on a ride.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum RideMark {
    /// Bad ground.
    BadGround,
    /// Wind.
    Wind,
    /// A mare in season.
    InSeason,
    /// A place it did not know.
    NewPlace,
    /// Not its usual rider.
    AnotherRider,
    /// A rig not ridden before.
    NewRig,
    /// Signs of trouble: pinned ears, tail wringing, grinding, cold back, uneven steps.
    Trouble,
}

impl RideMark {
    /// All marks.
    pub const ALL: [RideMark; 7] = [
        RideMark::BadGround,
        RideMark::Wind,
        RideMark::InSeason,
        RideMark::NewPlace,
        RideMark::AnotherRider,
        RideMark::NewRig,
        RideMark::Trouble,
    ];

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            RideMark::BadGround => "bad_ground",
            RideMark::Wind => "wind",
            RideMark::InSeason => "in_season",
            RideMark::NewPlace => "new_place",
            RideMark::AnotherRider => "another_rider",
            RideMark::NewRig => "new_rig",
            RideMark::Trouble => "trouble",
        }
    }

    /// The mark of that word, if there is one.
    pub fn from_word(word: &str) -> Option<RideMark> {
        RideMark::ALL.into_iter().find(|mark| mark.word() == word)
    }

    /// Whether it makes the ride exceptional: signs of trouble do not, they are
    /// the horse's own.
    pub fn is_exceptional(self) -> bool {
        self != RideMark::Trouble
    }
}
