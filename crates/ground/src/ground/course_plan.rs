//! What is kept of a course: which kind, its measures, where it lies.

use serde::{Deserialize, Serialize};

use super::cloverleaf::{Cloverleaf, Placing, check_first, check_moved};
use super::drill::DrillKind;
use super::path::{Pockets, check_pockets};
use super::point::Point;
use super::ride_plan::RidesUp;
use super::room::Clearances;
use super::trail::{self, Placed};
use crate::bounds::{FieldError, NAME_LETTERS, RATE_STRIDES, STRIDE_FT};
use crate::text::check_text;
use crate::{Gait, Side};

/// A barrel course.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct BarrelPlan {
    /// Its measures.
    pub measures: Cloverleaf,
    /// Which barrel comes first: right or left.
    pub first: Side,
    /// Pockets of barrels 1, 2 and 3: going in, at the back, coming out, in feet.
    #[cfg_attr(feature = "schema", schema(value_type = Vec<Vec<f64>>, min_items = 3, max_items = 3))]
    pub pockets: Pockets,
    /// Where it lies.
    pub placing: Placing,
    /// How far each barrel stands from where the measures put it.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub moved: [Point; 3],
    /// The gait it is planned for.
    pub gait: Gait,
    /// One stride; null: what is usual at the gait.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 2, maximum = 30))]
    pub stride_ft: Option<f64>,
    /// Strides before each barrel at which to rate.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 8))]
    pub rate_strides: f64,
    /// How the horse comes to a barrel.
    #[serde(default)]
    pub rides_up: RidesUp,
    /// The room it was laid out with.
    #[serde(default)]
    pub clearances: Clearances,
}

/// A drill where it lies.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct DrillPlan {
    /// Which.
    pub drill: DrillKind,
    /// Its size in feet; what the size is, the drill says.
    #[cfg_attr(feature = "schema", schema(minimum = 6, maximum = 300))]
    pub size_ft: f64,
    /// The first turn goes this way.
    pub first: Side,
    /// Rounds.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 20))]
    pub laps: u32,
    /// Where it begins, and which way.
    pub placing: Placing,
}

/// A trail course.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TrailPlan {
    /// Its obstacles, in the order they are ridden.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 30))]
    pub obstacles: Vec<Placed>,
}

/// A course of any kind.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum CoursePlan {
    /// Barrels.
    Barrels(BarrelPlan),
    /// A drill.
    Drill(DrillPlan),
    /// Obstacles.
    Trail(TrailPlan),
}

/// What is written down of a course.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CourseSheet {
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// What it is.
    pub plan: CoursePlan,
}

impl CoursePlan {
    /// The kind's word, as it is stored.
    pub fn word(&self) -> &'static str {
        match self {
            CoursePlan::Barrels(_) => "barrels",
            CoursePlan::Drill(_) => "drill",
            CoursePlan::Trail(_) => "trail",
        }
    }
}

impl CourseSheet {
    /// Checks all of it.
    ///
    /// # Errors
    /// The first thing that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), FieldError> {
        check_text(NAME_LETTERS, "/name", &self.name)?;
        let under = |error: FieldError| error.under("/plan");
        match &self.plan {
            CoursePlan::Barrels(plan) => plan.check().map_err(under),
            CoursePlan::Drill(plan) => plan.check("").map_err(under),
            CoursePlan::Trail(plan) => trail::check("/obstacles", &plan.obstacles).map_err(under),
        }
    }
}

impl BarrelPlan {
    fn check(&self) -> Result<(), FieldError> {
        self.measures.check("/measures")?;
        check_first("/first", self.first)?;
        check_pockets("/pockets", &self.pockets)?;
        self.placing.check("/placing")?;
        check_moved("/moved", &self.moved)?;
        if let Some(stride_ft) = self.stride_ft {
            STRIDE_FT.check("/stride_ft", stride_ft)?;
        }
        RATE_STRIDES.check("/rate_strides", self.rate_strides)?;
        self.clearances.check("/clearances")
    }
}

impl DrillPlan {
    /// Checks it.
    ///
    /// # Errors
    /// A size that the drill does not have.
    pub fn check(&self, field: &str) -> Result<(), FieldError> {
        let about = self.drill.about();
        let [_, least, most] = about.size_ft;
        if !(least..=most).contains(&self.size_ft) {
            return Err(FieldError::new(
                format!("{field}/size_ft"),
                format!(
                    "{} must be {least} to {most} ft, found {}",
                    about.size_means, self.size_ft
                ),
            ));
        }
        if !(1..=20).contains(&self.laps) {
            let why = format!("must be 1 to 20 rounds, found {}", self.laps);
            return Err(FieldError::new(format!("{field}/laps"), why));
        }
        check_first(&format!("{field}/first"), self.first)?;
        self.placing.check(&format!("{field}/placing"))
    }
}
