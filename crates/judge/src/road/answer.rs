//! What a road says: goal by goal, level by level, and what decides.

use jiff::civil::Date;
use serde::Serialize;

use crate::ladder::Level;

/// The road of a horse.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Road {
    /// Goal by goal.
    pub goals: Vec<GoalRoad>,
    /// What decides: how often each level lies on the longest path, most often first.
    pub chain: Vec<OnChain>,
}

/// A goal on the road.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GoalRoad {
    /// In your words.
    pub name: String,
    /// By which day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// Share of the futures in which all its levels are held by then.
    pub chance: f64,
    /// The same four weeks later.
    pub chance_a_month_later: f64,
    /// The day by which every second future is there; null beyond what is looked ahead.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub median: Option<Date>,
    /// One in ten.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub from: Option<Date>,
    /// Nine in ten.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub to: Option<Date>,
    /// Level by level.
    pub levels: Vec<LevelRoad>,
    /// The date is at risk: it is reached in less than half of the futures.
    pub at_risk: bool,
    /// The same in a sentence.
    pub text: String,
}

/// A level of a goal.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LevelRoad {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// It is held today.
    pub held: bool,
    /// Share of the futures in which it is held by the goal's day.
    pub chance: f64,
    /// The day by which it is in every second future; null beyond what is looked ahead.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub median: Option<Date>,
    /// One in ten.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub from: Option<Date>,
    /// Nine in ten.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub to: Option<Date>,
}

/// A level on the deciding chain.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OnChain {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// Share of the futures in which it lies on the longest path.
    pub share: f64,
    /// The day by which it is held in every second future; null beyond what is looked ahead.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub median: Option<Date>,
}
