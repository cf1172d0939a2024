//! `load`: what the loads of days add up to.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{DAY_LOAD, FieldError, LOAD_DAYS};
use crate::horse::Sex;
use crate::load::words::cautions;
use crate::load::{DayLoad, of_days, of_week};

/// Input of `load`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = LoadInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The load of each day, oldest first, days off as 0.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 4000))]
    pub load: Vec<f64>,
    /// Mare, gelding or stallion: the words go by it.
    #[serde(default)]
    pub sex: Option<Sex>,
}

/// Output of `load`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = LoadOutput))]
pub struct Output {
    /// The average of about a week after the last day.
    pub acute: f64,
    /// The average of about four weeks after the last day.
    pub chronic: f64,
    /// Acute over chronic; null while the chronic load is 0.
    pub ratio: Option<f64>,
    /// Monotony of the last seven days; null where they are fewer or all alike.
    pub monotony: Option<f64>,
    /// Strain of the last seven days; null with the monotony.
    pub strain: Option<f64>,
    /// The same after each day.
    pub days: Vec<DayLoad>,
    /// Cautions in sentences.
    pub says: Vec<String>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "load",
    about: "Acute and chronic load, their ratio, monotony and strain of daily loads.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Adds up.
///
/// # Errors
/// No days, too many, or a load out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let loads = calculator::series("/load", &input.load, DAY_LOAD, LOAD_DAYS)?;
    let days = of_days(loads);
    let week = of_week(loads);
    let last = days.last();
    Ok(Output {
        acute: last.map_or(0.0, |day| day.acute),
        chronic: last.map_or(0.0, |day| day.chronic),
        ratio: last.and_then(|day| day.ratio),
        monotony: week.and_then(|week| week.monotony),
        strain: week.and_then(|week| week.strain),
        says: cautions(&days, week, input.sex),
        days,
    })
}
