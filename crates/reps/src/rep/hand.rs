//! How much was in the hand.

use serde::{Deserialize, Serialize};

/// How much was in the hand. Our own scale; the class bounds are product defaults.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HandWeight {
    /// Under 2 newtons.
    Feather,
    /// 2 to 5 newtons.
    Fingertip,
    /// 5 to 10 newtons.
    TwoFingers,
    /// 10 to 20 newtons.
    ClosedHand,
    /// 20 to 40 newtons.
    Forearm,
    /// Over 40 newtons.
    Pull,
}

impl HandWeight {
    /// The upper bound of each class in newtons, lightest first; a pull has none.
    const MOST_N: [(HandWeight, f64); 5] = [
        (HandWeight::Feather, 2.0),
        (HandWeight::Fingertip, 5.0),
        (HandWeight::TwoFingers, 10.0),
        (HandWeight::ClosedHand, 20.0),
        (HandWeight::Forearm, 40.0),
    ];

    /// As it stands in a sentence.
    pub fn text(self) -> &'static str {
        match self {
            HandWeight::Feather => "a feather",
            HandWeight::Fingertip => "a fingertip",
            HandWeight::TwoFingers => "two fingers",
            HandWeight::ClosedHand => "a closed hand",
            HandWeight::Forearm => "a forearm",
            HandWeight::Pull => "a pull",
        }
    }

    /// The class of a measured rein force in newtons, as a rein gauge gives it.
    pub fn from_newtons(force_n: f64) -> HandWeight {
        HandWeight::MOST_N
            .into_iter()
            .find(|(_, most)| force_n < *most)
            .map_or(HandWeight::Pull, |(class, _)| class)
    }
}
