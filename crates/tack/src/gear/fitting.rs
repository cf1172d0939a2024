//! How a piece is fitted on a horse: the depth of the jaw, and the strap as it is buckled.

use serde::{Deserialize, Serialize};

use super::measures::GearMeasures;
use super::strap::{Strap, StrapFit};
use super::words;
use crate::bounds::{FieldError, JAW_IN, MOUTH_IN};

/// A piece on a horse; what was not measured is left out.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Fitting {
    /// Mouthpiece to the chin groove, in inches.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 6))]
    pub jaw_in: Option<f64>,
    /// From lip to lip, in inches.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 3, maximum = 8))]
    pub mouth_in: Option<f64>,
    /// The strap as it is buckled.
    #[serde(default)]
    pub strap: Option<Strap>,
}

/// What a fitting comes to.
#[derive(Debug, Clone, Default, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FittingSaid {
    /// How the strap fits; null where something is not measured.
    pub strap: Option<StrapFit>,
    /// What is to be looked at, in sentences.
    pub says: Vec<String>,
}

impl Fitting {
    /// Checks every measure, and that the strap can be on this piece and jaw.
    ///
    /// # Errors
    /// The first that cannot be, with what is allowed.
    pub fn check(&self, measures: &GearMeasures) -> Result<(), FieldError> {
        if let Some(jaw) = self.jaw_in {
            JAW_IN.check("/jaw_in", jaw)?;
        }
        if let Some(mouth) = self.mouth_in {
            MOUTH_IN.check("/mouth_in", mouth)?;
        }
        let Some(strap) = &self.strap else {
            return Ok(());
        };
        let Some(jaw) = self.jaw_in else {
            return Err(FieldError::new(
                "/jaw_in",
                "measure from the mouthpiece to the chin groove; the strap goes by it",
            ));
        };
        match measures.hung(jaw) {
            Some(curb) => strap.check("/strap", &curb),
            None => Err(FieldError::new(
                "/strap",
                "only a bit with purchase and shank has a curb strap; measure both on the piece first",
            )),
        }
    }

    /// What it comes to on this piece.
    pub fn said(&self, measures: &GearMeasures) -> FittingSaid {
        let curb = self.jaw_in.and_then(|jaw| measures.hung(jaw));
        let strap = curb.zip(self.strap).map(|(curb, strap)| {
            let (least, most) = super::strap::TAKES_HOLD_DEG;
            strap.fit(&curb, f64::midpoint(least, most))
        });
        let mut says = strap.as_ref().map_or_else(Vec::new, words::strap);
        if let Some((mouth, bar)) = self.mouth_in.zip(measures.mouth_in) {
            let spare = bar - mouth;
            if spare < 0.0 {
                says.push("The mouthpiece is narrower than the mouth: it pinches.".into());
            } else if spare > MOST_SPARE_IN {
                says.push(
                    "The mouthpiece is wide for the mouth: it slides from side to side.".into(),
                );
            }
        }
        FittingSaid { strap, says }
    }
}

/// A mouthpiece is so much wider than the mouth at the most. Common practice, no source.
const MOST_SPARE_IN: f64 = 0.75;
