//! `simulate-horse`: a horse made from traits and a seed, ridden.

use jiff::civil::Date;
use jiff::{SignedDuration, ToSpan, tz::TimeZone};
use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{ASKS_A_SIDE, FieldError, GAP_DAYS, RIDES_AT_ONCE, SIMULATED_REPS};
use crate::ladder::check::find_level;
use crate::ladder::{Ladder, LadderLevel, Level, RungId, SkillId};
use crate::program::Program;
use crate::rep::Rep;
use crate::sim_horse::{PlannedBlock, PlannedRide, SimulatedHorse, Traits};

/// Input of `simulate-horse`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SimulateHorseInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// What makes the horse; what is left out is as in the middle of the
    /// reference population.
    #[serde(default)]
    pub traits: Traits,
    /// The program; the default schools and gates when left out.
    #[serde(default)]
    pub program: Program,
    /// How it is ridden.
    pub rides: Rides,
    /// The same seed makes the same horse.
    pub seed: u64,
}

/// How the horse is ridden.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SimulatedRides))]
#[serde(deny_unknown_fields)]
pub struct Rides {
    /// How often.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
    pub count: u32,
    /// The day of the first ride.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub first_day: Date,
    /// Days from one ride to the next.
    #[serde(default = "one")]
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 60))]
    pub gap_days: u32,
    /// What is asked in every ride, lower levels first: readiness is carried over
    /// from one to the next.
    pub asks: Vec<Asks>,
}

/// Asks of one level in every ride.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SimulatedAsks))]
#[serde(deny_unknown_fields)]
pub struct Asks {
    /// The skill.
    pub skill: SkillId,
    /// The rung.
    pub rung: RungId,
    /// Asks on the left; of a level asked on both sides at once, asks.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub left: u32,
    /// Asks on the right.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub right: u32,
}

fn one() -> u32 {
    1
}

/// Output of `simulate-horse`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SimulateHorseOutput))]
pub struct Output {
    /// Every rep, in the order of asking; `judge` takes 5,000 of them as they are.
    /// 10,000 at the most, about 3.5 MB.
    pub reps: Vec<Rep>,
    /// True readiness before each ride.
    pub truth: Vec<TruthOfRide>,
}

/// True readiness of a level before a ride, day effect aside.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TruthOfRide {
    /// The day of the ride.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// The level.
    pub level: Level,
    /// Left; of a level asked on both sides at once, both.
    pub left: f64,
    /// Right.
    pub right: f64,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "simulate-horse",
    about: "A horse made from traits and a seed, ridden: its reps, and what was true.",
    cost: Cost::Heavy,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Rides the horse.
///
/// # Errors
/// A trait or a number out of bounds, a level the program's ladder does not have.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    input
        .traits
        .check()
        .map_err(|error| error.under("/traits"))?;
    RIDES_AT_ONCE.check_count("/rides/count", input.rides.count as usize)?;
    GAP_DAYS.check("/rides/gap_days", f64::from(input.rides.gap_days))?;
    let ladder = calculator::ladder_of(&input.program)?;
    let levels = levels(&input.rides.asks, &ladder)?;
    check_reps_in_all(&input.rides)?;
    let mut horse = SimulatedHorse::new(input.traits, &levels, input.seed);
    let mut output = Output {
        reps: Vec::new(),
        truth: Vec::new(),
    };
    for ride in 0..input.rides.count {
        let plan = plan(&input.rides, ride)?;
        let ridden = horse.ride(&plan);
        for (level, truth) in levels.iter().zip(&ridden.truth) {
            output.truth.push(TruthOfRide {
                day: plan.day,
                level: level.level.clone(),
                left: truth.left,
                right: truth.right,
            });
        }
        output.reps.extend(ridden.reps);
    }
    Ok(output)
}

fn levels<'a>(asks: &[Asks], ladder: &'a Ladder) -> Result<Vec<&'a LadderLevel>, FieldError> {
    ASKS_A_SIDE.check_count("/rides/asks", asks.len())?;
    asks.iter()
        .enumerate()
        .map(|(index, asks)| {
            let at = format!("/rides/asks/{index}");
            ASKS_A_SIDE.check(&format!("{at}/left"), f64::from(asks.left))?;
            ASKS_A_SIDE.check(&format!("{at}/right"), f64::from(asks.right))?;
            let level = Level {
                skill: asks.skill.clone(),
                rung: asks.rung.clone(),
            };
            find_level(&level, ladder).map_err(|error| error.under(&at))
        })
        .collect()
}

/// Rides times asks: what the answer will hold.
fn check_reps_in_all(rides: &Rides) -> Result<(), FieldError> {
    let a_ride: u64 = rides
        .asks
        .iter()
        .map(|asks| u64::from(asks.left) + u64::from(asks.right))
        .sum();
    let all = a_ride * u64::from(rides.count);
    SIMULATED_REPS
        .check("/rides", all as f64)
        .map(|_| ())
        .map_err(|error| FieldError {
            detail: format!("{}; ask for fewer rides or asks", error.detail),
            ..error
        })
}

/// The ride of that number, at nine in the morning.
fn plan(rides: &Rides, ride: u32) -> Result<PlannedRide, FieldError> {
    let after = i64::from(ride) * i64::from(rides.gap_days);
    let too_late = |_| FieldError::new("/rides/first_day", "the rides would run past the calendar");
    let day = rides
        .first_day
        .checked_add(after.days())
        .map_err(too_late)?;
    let morning = day.to_zoned(TimeZone::UTC).map_err(too_late)?.timestamp();
    Ok(PlannedRide {
        day,
        first_ask_at: morning + SignedDuration::from_hours(9),
        blocks: rides
            .asks
            .iter()
            .enumerate()
            .map(|(level, asks)| PlannedBlock {
                level,
                left: asks.left,
                right: asks.right,
            })
            .collect(),
    })
}
