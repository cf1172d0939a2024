//! A turn on a cow or flag.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::SoftRule;
use super::recorded::{Asked, Recorded};
use crate::Gait;
use crate::bounds::{FLAG_AT_FT, FLAG_FT_S, FieldError};

/// How fast the cow or flag goes.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Tempo {
    /// Walks off.
    Slow,
    /// Trots.
    Medium,
    /// Runs.
    Quick,
}

/// Where the horse stopped, seen from the cow's eye.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Position {
    /// Short of it.
    Short,
    /// Even.
    Even,
    /// Half a length long.
    Long,
    /// Past it.
    Past,
}

/// What the shoulders did.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Shoulders {
    /// Swept across.
    SweptAcross,
    /// Leaked toward the cow.
    Leaked,
}

/// Where the weight was.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Weight {
    /// Behind.
    Behind,
    /// Not behind: the head was tossed.
    HeadTossed,
}

/// Whether the cow was turned.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum TurnResult {
    /// Turned it.
    Turned,
    /// Lost it.
    Lost,
}

/// One turn; the side is the rep's.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Turn {
    /// How fast the cow or flag went.
    pub tempo: Tempo,
    /// Where the horse stopped.
    pub position: Position,
    /// What the shoulders did.
    pub shoulders: Shoulders,
    /// Where the weight was.
    pub weight: Weight,
    /// Waited; otherwise it panicked.
    pub waited: bool,
    /// Whether the cow was turned.
    pub result: TurnResult,
    /// The work it was made in, which names the cow; left out where nobody said.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub work_id: Option<Uuid>,
    /// Where the flag was as it turned; left out for a cow, or a flag that does not say.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub flag: Option<FlagSeen>,
}

/// The flag as a turn was made on it.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct FlagSeen {
    /// Feet along its line.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
    pub at_ft: f64,
    /// Its speed in feet a second; below 0 goes back.
    #[cfg_attr(feature = "schema", schema(minimum = -40, maximum = 40))]
    pub speed_ft_s: f64,
}

impl Recorded for Turn {
    const ASKS_A_MINUTE: f64 = 0.5;

    const TELLS: &'static [&'static str] = &[
        "shoulder_leaks",
        "head_tossed",
        "runs_past",
        "hangs_short",
        "panics_left",
    ];

    /// Even or half a length long, swept across, weight behind, turned it.
    fn is_soft(&self, _rule: &SoftRule, _gait: Gait) -> bool {
        matches!(self.position, Position::Even | Position::Long)
            && self.shoulders == Shoulders::SweptAcross
            && self.weight == Weight::Behind
            && self.result == TurnResult::Turned
    }

    fn soft_means(_rule: &SoftRule, _gait: Gait) -> String {
        "Even with it or half a length long, shoulders swept across, weight behind, turned it."
            .into()
    }

    /// The faults that it tells of.
    fn faults(&self, _rule: &SoftRule) -> Vec<&'static str> {
        let signs = [
            (self.shoulders == Shoulders::Leaked, "shoulder_leaks"),
            (self.weight == Weight::HeadTossed, "head_tossed"),
            (self.position == Position::Past, "runs_past"),
            (self.position == Position::Short, "hangs_short"),
            (!self.waited, "panics_left"),
        ];
        signs
            .into_iter()
            .filter_map(|(signs, fault)| signs.then_some(fault))
            .collect()
    }

    fn check(&self) -> Result<(), FieldError> {
        let Some(flag) = self.flag else {
            return Ok(());
        };
        FLAG_AT_FT.check("/flag/at_ft", flag.at_ft)?;
        FLAG_FT_S
            .check("/flag/speed_ft_s", flag.speed_ft_s)
            .map(|_| ())
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Turn {
        let soft = at.soft;
        let wrong = if soft { 4 } else { rng.random_range(0..4) };
        Turn {
            tempo: match at.gait {
                Gait::Stand | Gait::Walk => Tempo::Slow,
                Gait::Jog | Gait::Trot => Tempo::Medium,
                Gait::Lope | Gait::Gallop => Tempo::Quick,
            },
            position: if wrong == 0 {
                Position::Past
            } else {
                Position::Even
            },
            shoulders: if wrong == 1 {
                Shoulders::Leaked
            } else {
                Shoulders::SweptAcross
            },
            weight: if wrong == 2 {
                Weight::HeadTossed
            } else {
                Weight::Behind
            },
            waited: true,
            result: if wrong == 3 {
                TurnResult::Lost
            } else {
                TurnResult::Turned
            },
            work_id: None,
            flag: None,
        }
    }
}
