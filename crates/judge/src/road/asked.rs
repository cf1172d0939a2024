//! What a road is asked of: where the horse stands, its goals, the rides there are.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::pace::LevelPace;
use crate::bounds::{
    BLOCKS_A_RIDE, FACTOR, FUTURES, FieldError, GOAL_LEVELS, GOALS, NAME_LETTERS, PACE_RIDES,
    ROAD_DAYS_OFF, ROAD_LEVELS, ROAD_RIDES_A_WEEK, SHARE, SPREAD_OF_FACTOR,
};
use crate::ladder::check::find_level;
use crate::ladder::{Ladder, Level};
use crate::text::check_text;

/// What a road is asked of.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RoadAsked {
    /// The day it is asked on.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub today: Date,
    /// Where the horse stands; levels that are not named are not held and were never asked.
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub levels: Vec<LevelStands>,
    /// What it is to hold, and by when.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 20))]
    pub goals: Vec<GoalAsked>,
    /// Rides a week.
    #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 6))]
    pub rides_a_week: f64,
    /// Share of the planned rides that come about.
    #[serde(default = "usual_kept")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1))]
    pub kept: f64,
    /// Levels worked on in a ride, refreshing among them.
    #[serde(default = "usual_blocks")]
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 8))]
    pub blocks_a_ride: u8,
    /// Days on which the horse is not ridden.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub days_off: Vec<Date>,
    /// Rides that levels take in this barn; the shipped default for those not named.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub pace: Vec<PaceOfLevel>,
    /// How quick the horse is.
    #[serde(default)]
    pub horse: HorseFactor,
    /// The level that is worked on before all others, with what it needs.
    #[serde(default)]
    pub first: Option<Level>,
    /// The seed of the futures.
    #[serde(default)]
    pub seed: u32,
    /// How many.
    #[serde(default = "usual_futures")]
    #[cfg_attr(feature = "schema", schema(minimum = 50, maximum = 5000))]
    pub futures: u32,
}

fn usual_kept() -> f64 {
    0.9
}

fn usual_blocks() -> u8 {
    3
}

fn usual_futures() -> u32 {
    2000
}

/// Where the horse stands on a level.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct LevelStands {
    /// The level.
    pub level: Level,
    /// It is held.
    #[serde(default)]
    pub held: bool,
    /// Days since it was shown soft, itself or in what is built on it.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 4000))]
    pub idle_days: u32,
    /// It was confirmed often enough to keep for long.
    #[serde(default)]
    pub firm: bool,
    /// Rides that asked it so far, while it is under way.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 2000))]
    pub asked_rides: u32,
    /// Rides it may still take, each as likely as the others, from the judge's own forecast;
    /// null in it: more than is looked ahead. Empty: by the pace.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 200))]
    pub rides_left: Vec<Option<u32>>,
}

/// What the horse is to hold, and by when.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct GoalAsked {
    /// In your words.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// By which day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// Levels to hold.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 60))]
    pub levels: Vec<Level>,
}

/// Rides a level takes in a barn.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct PaceOfLevel {
    /// The level.
    pub level: Level,
    /// Every second horse takes so many rides.
    #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 2000))]
    pub median: f64,
    /// How many horses that rests on.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub horses: u32,
}

impl PaceOfLevel {
    /// What a barn's pace says of it.
    pub fn of(pace: &LevelPace) -> PaceOfLevel {
        PaceOfLevel {
            level: pace.level.clone(),
            median: pace.median,
            horses: pace.horses,
        }
    }
}

/// How quick a horse is.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct HorseFactor {
    /// Rides it takes, as a multiple of the barn's.
    #[cfg_attr(feature = "schema", schema(minimum = 0.1, maximum = 10))]
    pub factor: f64,
    /// How unsure that is, as a standard deviation of its logarithm.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 2))]
    pub spread: f64,
}

impl Default for HorseFactor {
    fn default() -> HorseFactor {
        HorseFactor {
            factor: 1.0,
            spread: super::pace::spread_after(0),
        }
    }
}

impl RoadAsked {
    /// Checks every number, and that its levels are on the ladder.
    ///
    /// # Errors
    /// The first field that does not fit, with what is allowed.
    pub fn check(&self, ladder: &Ladder) -> Result<(), FieldError> {
        ROAD_LEVELS.check_count("/levels", self.levels.len())?;
        ROAD_LEVELS.check_count("/pace", self.pace.len())?;
        ROAD_DAYS_OFF.check_count("/days_off", self.days_off.len())?;
        if self.goals.is_empty() {
            return Err(FieldError::new("/goals", "must name a goal"));
        }
        GOALS.check_count("/goals", self.goals.len())?;
        ROAD_RIDES_A_WEEK.check("/rides_a_week", self.rides_a_week)?;
        SHARE.check("/kept", self.kept)?;
        BLOCKS_A_RIDE.check("/blocks_a_ride", f64::from(self.blocks_a_ride))?;
        FUTURES.check("/futures", f64::from(self.futures))?;
        FACTOR.check("/horse/factor", self.horse.factor)?;
        SPREAD_OF_FACTOR.check("/horse/spread", self.horse.spread)?;
        for (index, goal) in self.goals.iter().enumerate() {
            let at = format!("/goals/{index}");
            check_text(NAME_LETTERS, &format!("{at}/name"), &goal.name)?;
            GOAL_LEVELS.check_count(&format!("{at}/levels"), goal.levels.len())?;
            if goal.levels.is_empty() {
                return Err(FieldError::new(
                    format!("{at}/levels"),
                    "must name a level to hold",
                ));
            }
            for (number, level) in goal.levels.iter().enumerate() {
                find_level(level, ladder)
                    .map_err(|error| error.under(&format!("{at}/levels/{number}")))?;
            }
            crate::bounds::check_planned_day(&format!("{at}/day"), goal.day, self.today)?;
        }
        for (index, one) in self.levels.iter().enumerate() {
            find_level(&one.level, ladder)
                .map_err(|error| error.under(&format!("/levels/{index}/level")))?;
        }
        for (index, one) in self.pace.iter().enumerate() {
            let at = format!("/pace/{index}");
            find_level(&one.level, ladder).map_err(|error| error.under(&format!("{at}/level")))?;
            PACE_RIDES.check(&format!("{at}/median"), one.median)?;
        }
        if let Some(first) = &self.first {
            find_level(first, ladder).map_err(|error| error.under("/first"))?;
        }
        Ok(())
    }
}
