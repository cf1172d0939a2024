//! `drill`: a drill as it lies on the ground, its lengths, and what is asked in it.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::Gait;
use crate::bounds::{FieldError, STRIDE_FT};
use crate::ground::course_plan::DrillPlan;
use crate::ground::drill::Drill;
use crate::ground::drill_book::{DrillAbout, DrillAsk, book};
use crate::ground::point::Point;
use crate::ground::ride_plan::usual_stride_ft;
use crate::ground::way::LaidLeg;
use crate::ground::{GroundLay, outline};
use crate::ladder::SkillId;

/// Input of `drill`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = DrillInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// Which drill, how large, where.
    pub plan: DrillPlan,
    /// The gait.
    #[serde(default = "jog")]
    pub gait: Gait,
    /// One stride, in feet; null: what is usual at the gait.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 2, maximum = 30))]
    pub stride_ft: Option<f64>,
    /// The place it lies in, to see whether it stays inside.
    #[serde(default)]
    pub lay: Option<GroundLay>,
}

fn jog() -> Gait {
    Gait::Jog
}

/// Output of `drill`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = DrillOutput))]
pub struct Output {
    /// What is written down of it.
    pub about: DrillAbout,
    /// Leg by leg, one round.
    pub legs: Vec<LaidLeg>,
    /// Its barrels.
    pub barrels: Vec<Point>,
    /// One round, in feet.
    pub lap_ft: f64,
    /// All rounds.
    pub length_ft: f64,
    /// Strides of all rounds.
    pub strides: f64,
    /// Asks of all rounds.
    pub asks: Vec<Asks>,
    /// How far it stays inside the fence, in feet; below 0 it does not. Null without a place.
    pub inside_ft: Option<f64>,
    /// What is in the way, in sentences.
    pub says: Vec<String>,
    /// All drills there are.
    pub all: Vec<DrillAbout>,
}

/// Asks of a skill.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = DrillAsks))]
pub struct Asks {
    /// The skill.
    pub skill: SkillId,
    /// To the left.
    pub left: u32,
    /// To the right.
    pub right: u32,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "drill",
    about: "A drill to scale: its legs, lengths, rounds, the asks to expect, faults to watch.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Lays a drill out.
///
/// # Errors
/// A size the drill does not have.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let plan = input.plan;
    plan.check("/plan")?;
    let stride_ft = match input.stride_ft {
        Some(feet) => STRIDE_FT.check("/stride_ft", feet)?,
        None => usual_stride_ft(input.gait),
    };
    if let Some(lay) = &input.lay {
        lay.check().map_err(|error| error.under("/lay"))?;
    }
    let drill = Drill {
        kind: plan.drill,
        size_ft: plan.size_ft,
        first: plan.first,
    };
    let (mut legs, _, _) = drill.way().laid();
    for leg in &mut legs {
        for point in &mut leg.points {
            *point = plan.placing.place(*point);
        }
    }
    let barrels: Vec<Point> = drill
        .barrels()
        .into_iter()
        .map(|at| plan.placing.place(at))
        .collect();
    let lap_ft: f64 = legs.iter().map(|leg| leg.length_ft).sum();
    let length_ft = lap_ft * f64::from(plan.laps);
    let points = || legs.iter().flat_map(|leg| &leg.points).chain(&barrels);
    let inside_ft = input.lay.as_ref().map(|lay| {
        let inside = points().map(|point| outline::inside_by(&lay.outline, *point));
        inside.fold(f64::INFINITY, f64::min)
    });
    let mut says = Vec::new();
    if inside_ft.is_some_and(|feet| feet < 0.0) {
        says.push("It goes through the fence: make it smaller or move it.".to_owned());
    }
    let crosses = |ring: &[Point]| points().any(|point| outline::contains(ring, *point));
    if let Some(lay) = &input.lay
        && lay.keep_off.iter().any(|area| crosses(&area.outline))
    {
        says.push("It goes through ground to keep off.".to_owned());
    }
    let about = plan.drill.about();
    let of = |ask: &DrillAsk| {
        let (one, other) = if plan.first == crate::Side::Left {
            (ask.left, ask.right)
        } else {
            (ask.right, ask.left)
        };
        Asks {
            skill: ask.skill.clone(),
            left: one * plan.laps,
            right: other * plan.laps,
        }
    };
    Ok(Output {
        asks: about.asks.iter().map(of).collect(),
        about: about.clone(),
        legs,
        barrels,
        lap_ft,
        length_ft,
        strides: length_ft / stride_ft,
        inside_ft,
        says,
        all: book().to_vec(),
    })
}
