//! The measures of a piece of tack, as a bit maker takes them. What was not measured is left
//! out; what cannot be together is said.

use serde::{Deserialize, Serialize};

use super::curb::Curb;
use super::show_rules::{Piece, PieceKind, ReinKind};
use crate::bounds::{FieldError, MOUTH_IN, PIECE_IN, PIECE_OZ, PURCHASE_IN, SHANK_IN};

/// What lies in the mouth.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Mouthpiece {
    /// One straight or slightly bent bar.
    Plain,
    /// Twisted wire or a twisted bar.
    Twisted,
    /// Two arms and a joint.
    Jointed,
    /// A bar with a port.
    Ported,
}

/// What holds the mouthpiece at the side.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Cheek {
    /// A ring.
    Ring,
    /// A shank that does not turn on the mouthpiece.
    FixedShank,
    /// A shank that does.
    LooseShank,
}

/// What goes round the chin.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum CurbPiece {
    /// A leather strap.
    Strap,
    /// A chain.
    Chain,
}

/// What reins are on it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Reins {
    /// Split reins.
    Split,
    /// Romal reins.
    Romal,
    /// One rein, closed.
    Loop,
    /// A mecate: rein and lead in one.
    Mecate,
}

/// The measures of a piece; what was not measured is left out.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct GearMeasures {
    /// What lies in the mouth.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub mouthpiece: Option<Mouthpiece>,
    /// From cheek to cheek, in inches.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 3, maximum = 8))]
    pub mouth_in: Option<f64>,
    /// Thickness of the mouthpiece 1 in from the cheek, in inches.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub bar_in: Option<f64>,
    /// Height of the port, in inches.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub port_in: Option<f64>,
    /// What holds it at the side.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub cheek: Option<Cheek>,
    /// Rings across, in inches.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub ring_in: Option<f64>,
    /// Mouthpiece to curb ring, in inches.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0.25, maximum = 6))]
    pub purchase_in: Option<f64>,
    /// Mouthpiece to rein ring, in inches.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 12))]
    pub shank_in: Option<f64>,
    /// The cheek from end to end, in inches.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub overall_in: Option<f64>,
    /// What goes round the chin.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub curb: Option<CurbPiece>,
    /// Its width, in inches.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub curb_width_in: Option<f64>,
    /// Whether it lies flat.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub curb_flat: Option<bool>,
    /// Thickness of the bosal at the cheek, in inches.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub bosal_in: Option<f64>,
    /// The reins on it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub reins: Option<Reins>,
    /// Weight, in ounces.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
    pub weight_oz: Option<f64>,
}

impl GearMeasures {
    /// Checks every measure, and that they can be together.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self) -> Vec<FieldError> {
        let mut errors: Vec<FieldError> = [
            ("bar_in", self.bar_in, PIECE_IN),
            ("port_in", self.port_in, PIECE_IN),
            ("ring_in", self.ring_in, PIECE_IN),
            ("overall_in", self.overall_in, PIECE_IN),
            ("curb_width_in", self.curb_width_in, PIECE_IN),
            ("bosal_in", self.bosal_in, PIECE_IN),
            ("mouth_in", self.mouth_in, MOUTH_IN),
            ("purchase_in", self.purchase_in, PURCHASE_IN),
            ("shank_in", self.shank_in, SHANK_IN),
            ("weight_oz", self.weight_oz, PIECE_OZ),
        ]
        .into_iter()
        .filter_map(|(field, value, bound)| bound.check(&format!("/{field}"), value?).err())
        .collect();
        if errors.is_empty() {
            errors.extend(self.cannot_be_together());
        }
        errors
    }

    fn cannot_be_together(&self) -> Vec<FieldError> {
        let mut errors = Vec::new();
        let mut say = |field: &str, text: String| errors.push(FieldError::new(field, text));
        if let (Some(purchase), Some(shank), Some(overall)) =
            (self.purchase_in, self.shank_in, self.overall_in)
        {
            let parts = purchase + shank;
            if overall < parts - 1e-9 {
                say(
                    "/overall_in",
                    format!(
                        "must be at least purchase and shank together, {parts} in; found {overall}"
                    ),
                );
            }
        }
        if self.port_in.is_some_and(|port| port > 0.0)
            && self
                .mouthpiece
                .is_some_and(|kind| kind != Mouthpiece::Ported)
        {
            say(
                "/port_in",
                "only a ported mouthpiece has a port; choose ported or leave the port out".into(),
            );
        }
        if self.cheek == Some(Cheek::Ring)
            && (self.purchase_in.is_some() || self.shank_in.is_some())
        {
            say(
                "/cheek",
                "a ring has no purchase and no shank; choose a shank or leave both out".into(),
            );
        }
        if let Some((bar, port)) = self.bar_in.zip(self.port_in)
            && port > 0.0
            && port < bar
        {
            say(
                "/port_in",
                format!("a port is at least as high as its bar is thick, {bar} in; found {port}"),
            );
        }
        errors
    }

    /// The cheek from end to end: as it was measured, else of its parts.
    pub fn overall_in(&self) -> Option<f64> {
        self.overall_in
            .or_else(|| Some(self.purchase_in? + self.shank_in?))
    }

    /// Shank by purchase; none for what has no leverage.
    pub fn leverage(&self) -> Option<f64> {
        Some(self.shank_in? / self.purchase_in?)
    }

    /// The curb as it hangs, unpulled; none where purchase or shank is not measured.
    pub fn hung(&self, jaw_in: f64) -> Option<Curb> {
        Some(Curb {
            purchase_in: self.purchase_in?,
            shank_in: self.shank_in?,
            jaw_in,
            pull_lbf: 0.0,
            pull_angle_deg: 90.0,
            rotation_deg: 0.0,
        })
    }

    /// A jointed mouthpiece on shanks.
    pub fn is_jointed_on_shanks(&self) -> bool {
        self.mouthpiece == Some(Mouthpiece::Jointed)
            && matches!(self.cheek, Some(Cheek::FixedShank | Cheek::LooseShank))
    }

    /// The piece as rules of the show ring see it.
    pub fn for_show(&self, kind: PieceKind) -> Piece {
        Piece {
            kind,
            shank_overall_in: self.overall_in(),
            port_in: match self.mouthpiece {
                Some(Mouthpiece::Ported) | None => self.port_in,
                Some(_) => Some(0.0),
            },
            mouthpiece_in: self.bar_in,
            ring_in: self.ring_in,
            strap_width_in: self.curb_width_in,
            strap_flat: self.curb_flat,
            bosal_in: self.bosal_in,
        }
    }

    /// Split or romal, as rules of the show ring ask it.
    pub fn reins_for_show(&self) -> Option<ReinKind> {
        match self.reins? {
            Reins::Split => Some(ReinKind::Split),
            Reins::Romal => Some(ReinKind::Romal),
            Reins::Loop | Reins::Mecate => None,
        }
    }
}
