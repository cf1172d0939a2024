//! Rules of the show ring, read from a data file: legal, not legal, or cannot tell, and why.
//!
//! # Source
//! Each row of `show_rules.json` names its own. The current book of the association comes
//! before all of it.

use std::sync::LazyLock;

use serde::{Deserialize, Serialize};

use crate::bounds::{AGE_YEARS, Bound, FieldError, PIECE_IN};

/// What the piece is, for a rule.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum PieceKind {
    /// A snaffle.
    Snaffle,
    /// A bosal.
    Bosal,
    /// A bit with shanks.
    Curb,
}

/// A piece of headgear by its measures; what was not measured is left out.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Piece {
    /// What it is.
    pub kind: PieceKind,
    /// Shank, overall, in inches.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub shank_overall_in: Option<f64>,
    /// Height of the port, in inches; 0 for none.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub port_in: Option<f64>,
    /// Thickness of the mouthpiece 1 in from the cheek, in inches.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub mouthpiece_in: Option<f64>,
    /// Rings across, in inches.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub ring_in: Option<f64>,
    /// Width of the curb strap or chain, in inches.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub strap_width_in: Option<f64>,
    /// Whether it lies flat.
    #[serde(default)]
    pub strap_flat: Option<bool>,
    /// Thickness of the bosal at the cheek, in inches.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub bosal_in: Option<f64>,
}

/// One hand or two.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HandsOnReins {
    /// One.
    One,
    /// Two.
    Two,
}

/// What the reins are.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ReinKind {
    /// Split reins.
    Split,
    /// Romal reins.
    Romal,
}

/// Horse and rider as they go in; what is not known is left out.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ShowClass {
    /// The horse's age on the rule book's count.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub age_years: Option<u32>,
    /// One hand or two.
    #[serde(default)]
    pub hands: Option<HandsOnReins>,
    /// Split or romal.
    #[serde(default)]
    pub reins: Option<ReinKind>,
    /// Fingers between the reins.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 4))]
    pub fingers_between: Option<u8>,
}

/// Whether a rule is kept.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Legal {
    /// It is.
    Yes,
    /// It is not.
    No,
    /// Something that decides it is not known.
    CannotTell,
}

/// What a rule says of a piece.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RuleChecked {
    /// The rule, by its name in the file.
    pub rule: String,
    /// What it says.
    pub says: String,
    /// Where it is from, and which edition.
    pub source: String,
    /// Whether it is kept.
    pub legal: Legal,
    /// Why.
    pub why: String,
}

/// The file.
#[derive(Debug, Deserialize)]
#[serde(deny_unknown_fields)]
struct ShowRules {
    /// What the file says of itself.
    #[serde(rename = "note")]
    _note: String,
    edition: String,
    rules: Vec<ShowRule>,
}

#[derive(Debug, Deserialize)]
#[serde(deny_unknown_fields)]
struct ShowRule {
    id: String,
    says: String,
    source: String,
    kinds: Vec<PieceKind>,
    #[serde(default)]
    measure: Option<Measured>,
    #[serde(default)]
    least: Option<f64>,
    #[serde(default)]
    most: Option<f64>,
    #[serde(default)]
    check: Option<Check>,
    #[serde(default)]
    junior_years: u32,
    #[serde(default)]
    split_fingers: u8,
}

/// A measure that a rule limits.
#[derive(Debug, Clone, Copy, Deserialize)]
#[serde(rename_all = "snake_case")]
enum Measured {
    ShankOverall,
    Port,
    Mouthpiece,
    Ring,
    StrapWidth,
    Bosal,
}

/// A rule that is no limit of a measure.
#[derive(Debug, Clone, Copy, Deserialize)]
#[serde(rename_all = "snake_case")]
enum Check {
    StrapFlat,
    Age,
    Fingers,
}

static SHIPPED: LazyLock<ShowRules> = LazyLock::new(|| {
    serde_json::from_str(include_str!("show_rules.json")).expect("the shipped rules")
});

/// Checks a piece for a class: every rule about its kind.
///
/// # Errors
/// A measure out of bounds.
pub fn check(piece: &Piece, class: &ShowClass) -> Result<Vec<RuleChecked>, FieldError> {
    piece.check()?;
    if let Some(age) = class.age_years {
        AGE_YEARS.check("/class/age_years", f64::from(age))?;
    }
    if let Some(fingers) = class.fingers_between {
        FINGERS.check("/class/fingers_between", f64::from(fingers))?;
    }
    let rules = SHIPPED
        .rules
        .iter()
        .filter(|rule| rule.kinds.contains(&piece.kind));
    Ok(rules
        .map(|rule| {
            let (legal, why) = rule.holds(piece, class);
            RuleChecked {
                rule: rule.id.clone(),
                says: rule.says.clone(),
                source: format!("{}, {}", rule.source, SHIPPED.edition),
                legal,
                why,
            }
        })
        .collect())
}

/// Fingers between the reins.
const FINGERS: Bound = Bound {
    what: "fingers between the reins",
    unit: "",
    least: 0.0,
    most: 4.0,
};

impl Piece {
    fn check(&self) -> Result<(), FieldError> {
        for (field, value) in [
            ("shank_overall_in", self.shank_overall_in),
            ("port_in", self.port_in),
            ("mouthpiece_in", self.mouthpiece_in),
            ("ring_in", self.ring_in),
            ("strap_width_in", self.strap_width_in),
            ("bosal_in", self.bosal_in),
        ] {
            if let Some(value) = value {
                PIECE_IN.check(&format!("/piece/{field}"), value)?;
            }
        }
        Ok(())
    }

    fn of(&self, measure: Measured) -> (Option<f64>, &'static str) {
        match measure {
            Measured::ShankOverall => (self.shank_overall_in, "the shank"),
            Measured::Port => (self.port_in, "the port"),
            Measured::Mouthpiece => (self.mouthpiece_in, "the mouthpiece"),
            Measured::Ring => (self.ring_in, "the ring"),
            Measured::StrapWidth => (self.strap_width_in, "the strap"),
            Measured::Bosal => (self.bosal_in, "the bosal"),
        }
    }
}

fn cannot_tell(what: &str) -> (Legal, String) {
    (Legal::CannotTell, format!("{what} is not known."))
}

fn told(kept: bool, why: String) -> (Legal, String) {
    (if kept { Legal::Yes } else { Legal::No }, why)
}

impl ShowRule {
    fn holds(&self, piece: &Piece, class: &ShowClass) -> (Legal, String) {
        match (self.measure, self.check) {
            (Some(measure), _) => self.within(piece.of(measure)),
            (None, Some(Check::StrapFlat)) => match piece.strap_flat {
                None => cannot_tell("Whether the strap lies flat"),
                Some(true) => told(true, "The strap lies flat.".into()),
                Some(false) => told(false, "The strap does not lie flat.".into()),
            },
            (None, Some(Check::Age)) => self.age(piece, class),
            (None, Some(Check::Fingers)) => self.fingers(class),
            (None, None) => cannot_tell("What the rule checks"),
        }
    }

    fn within(&self, (value, what): (Option<f64>, &str)) -> (Legal, String) {
        let Some(value) = value else {
            return cannot_tell(&crate::wording::capital(what));
        };
        let over = self.most.is_some_and(|most| value > most + 1e-9);
        let under = self.least.is_some_and(|least| value < least - 1e-9);
        told(
            !over && !under,
            format!("{} is {value} in.", crate::wording::capital(what)),
        )
    }

    fn age(&self, piece: &Piece, class: &ShowClass) -> (Legal, String) {
        let in_bridle = piece.kind == PieceKind::Curb;
        let Some(hands) = class.hands else {
            return cannot_tell("Whether it is ridden with one hand or two");
        };
        if in_bridle {
            return match hands {
                HandsOnReins::One => told(true, "One hand in the bridle.".into()),
                HandsOnReins::Two => told(false, "Two hands in the bridle.".into()),
            };
        }
        let Some(age) = class.age_years else {
            return cannot_tell("The horse's age");
        };
        told(
            age <= self.junior_years,
            format!("The horse is {age}, not in the bridle."),
        )
    }

    fn fingers(&self, class: &ShowClass) -> (Legal, String) {
        match (class.reins, class.fingers_between) {
            (None, _) => cannot_tell("Whether the reins are split or romal"),
            (_, None) => cannot_tell("How many fingers are between the reins"),
            (Some(ReinKind::Romal), Some(fingers)) => told(
                fingers == 0,
                format!(
                    "{} between romal reins.",
                    crate::wording::count(fingers.into(), "finger")
                ),
            ),
            (Some(ReinKind::Split), Some(fingers)) => told(
                fingers <= self.split_fingers,
                format!(
                    "{} between split reins.",
                    crate::wording::count(fingers.into(), "finger")
                ),
            ),
        }
    }
}
