//! `homography`: from marks in a film to the ground, by points that are known on both.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FILM_MARKS, FILM_POINT, FieldError};
use crate::ground::homography::{FilmPair, Homography};
use crate::ground::point::Point;

/// Input of `homography`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = HomographyInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// Points that are known on the ground: barrels, posts.
    #[cfg_attr(feature = "schema", schema(min_items = 4, max_items = 40))]
    pub pairs: Vec<FilmPair>,
    /// Points of the film to be found on the ground: the horse's feet.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 20000))]
    pub film: Vec<Point>,
}

/// Output of `homography`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = HomographyOutput))]
pub struct Output {
    /// From film to ground, row by row.
    #[cfg_attr(feature = "schema", schema(value_type = Vec<Vec<f64>>))]
    pub matrix: [[f64; 3]; 3],
    /// How far each known point comes out from where it is, in feet; all 0 with four points,
    /// which says nothing of how good they are.
    pub residual_ft: Vec<f64>,
    /// Their root mean square, for as many as are more than four; null with four.
    pub rms_ft: Option<f64>,
    /// Where the film's points lie on the ground; null beyond the horizon. At most 20,000.
    pub ground: Vec<Option<Point>>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "homography",
    about: "From marks in a film to feet on the ground, by four or more points known on both.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Finds the ground.
///
/// # Errors
/// Points from which no plane can be told.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    FILM_MARKS.check_count("/film", input.film.len())?;
    for (index, point) in input.film.iter().enumerate() {
        FILM_POINT.check(&format!("/film/{index}/0"), point.x)?;
        FILM_POINT.check(&format!("/film/{index}/1"), point.y)?;
    }
    let found = Homography::of(&input.pairs)?;
    let residual_ft = found.residuals(&input.pairs);
    Ok(Output {
        matrix: found.matrix,
        rms_ft: Homography::rms(&residual_ft),
        residual_ft,
        ground: input
            .film
            .iter()
            .map(|point| found.ground(*point))
            .collect(),
    })
}
