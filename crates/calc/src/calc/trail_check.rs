//! `trail-check`: a trail course against published sizes and spacing, and the way round it.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, STRIDE_FT};
use crate::ground::GroundLay;
use crate::ground::trail::{self, Placed};
use crate::ground::trail_check::{Grade, Link, Row, grades, in_place, links, rows};

/// Input of `trail-check`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TrailCheckInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The obstacles, in the order they are ridden.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 30))]
    pub course: Vec<Placed>,
    /// One stride, in feet; null: what is usual at each gait.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 2, maximum = 30))]
    pub stride_ft: Option<f64>,
    /// The place it lies in, to see whether the way round stays inside and off what to keep off.
    #[serde(default)]
    pub lay: Option<GroundLay>,
}

/// Output of `trail-check`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TrailCheckOutput))]
pub struct Output {
    /// Every rule on every obstacle.
    pub rows: Vec<Row>,
    /// Whether all of them are kept.
    pub ok: bool,
    /// How hard each obstacle is, and the level asked on it.
    pub grades: Vec<Grade>,
    /// The way from each to the next.
    pub links: Vec<Link>,
    /// The whole way, obstacles and between, in feet.
    pub length_ft: f64,
    /// How hard it is as a whole, 1 to 10: the mean of its three hardest.
    pub difficulty: f64,
    /// So that nobody is hurt.
    pub cautions: Vec<&'static str>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "trail-check",
    about: "A trail course against published sizes and spacing; the way round, strides between.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Common practice, no source.
const CAUTIONS: [&str; 3] = [
    "Nothing sharp where a horse could step or fall.",
    "Cups and poles that give way.",
    "A person on the ground for first tries.",
];

/// Checks a course.
///
/// # Errors
/// A size out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    trail::check("/course", &input.course)?;
    if let Some(feet) = input.stride_ft {
        STRIDE_FT.check("/stride_ft", feet)?;
    }
    if let Some(lay) = &input.lay {
        lay.check().map_err(|error| error.under("/lay"))?;
    }
    let links = links(&input.course, input.stride_ft);
    let mut rows = rows(&input.course);
    if let Some(lay) = &input.lay {
        rows.extend(in_place(&input.course, &links, lay));
    }
    let grades = grades(&input.course);
    let over: f64 = input
        .course
        .iter()
        .map(|placed| placed.obstacle.long_ft())
        .sum();
    let mut hardest: Vec<f64> = grades.iter().map(|grade| grade.difficulty).collect();
    hardest.sort_by(|a, b| b.total_cmp(a));
    hardest.truncate(3);
    Ok(Output {
        ok: rows.iter().all(|row| row.ok),
        rows,
        length_ft: over + links.iter().map(|link| link.length_ft).sum::<f64>(),
        difficulty: hardest.iter().sum::<f64>() / hardest.len() as f64,
        grades,
        links,
        cautions: CAUTIONS.to_vec(),
    })
}
