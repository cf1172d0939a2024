//! `lay`: the lay of a place, checked and measured; from GeoJSON and to it.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, GEOJSON_LETTERS};
use crate::exchange::geojson;
use crate::ground::{GroundLay, outline};

/// Input of `lay`: one of the two.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = LayInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// A lay.
    #[serde(default)]
    pub lay: Option<GroundLay>,
    /// GeoJSON (RFC 7946) as text: polygons for the fence and what to keep off, points for posts.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 200_000))]
    pub geojson: Option<String>,
}

/// Output of `lay`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = LayOutput))]
pub struct Output {
    /// The lay.
    pub lay: GroundLay,
    /// The same as GeoJSON.
    pub geojson: String,
    /// Inside the fence, in square feet.
    pub area_sq_ft: f64,
    /// Along the fence, in feet.
    pub around_ft: f64,
    /// Each side of the fence, in feet.
    pub sides_ft: Vec<f64>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "lay",
    about: "The lay of a place: checked, measured, from GeoJSON and to it.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Checks and measures a lay.
///
/// # Errors
/// What does not fit; both of them or neither.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let lay = match (input.lay, input.geojson) {
        (Some(lay), None) => {
            lay.check().map_err(|error| error.under("/lay"))?;
            lay
        }
        (None, Some(text)) => {
            GEOJSON_LETTERS.check_count("/geojson", text.len())?;
            geojson::read(&text)?
        }
        _ => {
            let why = "give either a lay or GeoJSON";
            return Err(FieldError::new("/lay", why));
        }
    };
    let sides_ft: Vec<f64> = outline::sides(&lay.outline).map(|[a, b]| a.to(b)).collect();
    Ok(Output {
        geojson: geojson::written(&lay),
        area_sq_ft: outline::area_sq_ft(&lay.outline),
        around_ft: sides_ft.iter().sum(),
        sides_ft,
        lay,
    })
}
