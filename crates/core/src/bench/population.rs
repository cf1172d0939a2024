//! The horses of the bench.
//!
//! Source: own. The reference population is fixed, so that figures can be
//! compared from version to version.

use jiff::ToSpan;
use jiff::civil::{Date, date};
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;

use crate::evidence::{Ask, asks_in_order};
use crate::ladder::{Ladder, LadderLevel, Level};
use crate::sim_horse::{PlannedBlock, PlannedRide, SimulatedHorse, Traits, Truth};

/// A kind of horses, and how they are ridden.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Population {
    /// The reference population, day effect 0.5.
    Reference,
    /// The same with a day effect of 1.0.
    StrongDays,
    /// Horses that also forget, tire, sour from drilling, have bad days and carry
    /// over from a level below that is ridden with them.
    Richer,
    /// Day effects twice as strong again: 2.0.
    VeryStrongDays,
    /// The weaker side gets worse from the thirtieth ride on.
    WorseningSide,
    /// Three weeks off after every twelfth ride, and forgetting.
    LayOffs,
}

impl Population {
    /// Those the default rule was chosen on.
    pub const CHOSEN_ON: [Population; 2] = [Population::Reference, Population::StrongDays];
    /// Those that break what the rule takes for granted.
    pub const BEYOND: [Population; 4] = [
        Population::Richer,
        Population::VeryStrongDays,
        Population::WorseningSide,
        Population::LayOffs,
    ];

    /// What it is, for the table.
    pub fn says(self) -> &'static str {
        match self {
            Population::Reference => "reference population, day effect 0.5",
            Population::StrongDays => "reference population, day effect 1.0",
            Population::Richer => {
                "richer horses: forgetting, fatigue, over-drill, bad days, carry-over"
            }
            Population::VeryStrongDays => "day effects twice as strong: 2.0",
            Population::WorseningSide => "a side that gets worse from the 30th ride on",
            Population::LayOffs => "three weeks off after every 12th ride, with forgetting",
        }
    }

    fn traits(self, seed: u64) -> Traits {
        let reference = Traits::reference(seed);
        match self {
            Population::Reference => reference,
            Population::StrongDays => Traits {
                day_sd: 1.0,
                ..reference
            },
            Population::VeryStrongDays => Traits {
                day_sd: 2.0,
                ..reference
            },
            Population::Richer => Traits::richer(seed),
            Population::WorseningSide => Traits {
                worsens_from: 30,
                worsens_by: 0.06,
                ..reference
            },
            Population::LayOffs => Traits {
                forget: 0.02,
                ..reference
            },
        }
    }

    fn days_off_after(self, ride: usize) -> i64 {
        if self == Population::LayOffs && ride % 12 == 11 {
            21
        } else {
            0
        }
    }
}

/// A horse of the bench: what was seen of it, and what was true.
#[derive(Debug, Clone)]
pub struct BenchHorse {
    /// All asks of the level under judgement, in order.
    pub asks: Vec<Ask>,
    /// True readiness before each ride.
    pub truth: Vec<Truth>,
    /// The day of each ride.
    pub days: Vec<Date>,
}

impl BenchHorse {
    /// The horse of that seed, `rides` times ridden, 3 to 7 reps a side and ride.
    pub fn ride(population: Population, seed: u64, rides: usize) -> BenchHorse {
        let ladder = Ladder::shipped();
        let level = judged_level();
        let below = ladder.at(&Level::new("bend.ribs", "walk")).unwrap_or(level);
        let traits = population.traits(seed);
        let levels: &[&LadderLevel] = if population == Population::Richer {
            &[below, level]
        } else {
            &[level]
        };
        let judged = levels.len() - 1;
        let mut horse =
            SimulatedHorse::new(traits, levels, seed.wrapping_mul(0x9e37_79b9_7f4a_7c15));
        let mut rng = ChaCha8Rng::seed_from_u64(seed ^ 0xa5a5);
        let mut day = date(2026, 1, 5);
        let (mut reps, mut truth, mut days) = (Vec::new(), Vec::new(), Vec::new());
        for ride in 0..rides {
            let blocks = (0..levels.len())
                .map(|level| PlannedBlock {
                    level,
                    left: rng.random_range(3..=7),
                    right: rng.random_range(3..=7),
                })
                .collect();
            let first_ask_at = day
                .at(15, 0, 0, 0)
                .to_zoned(jiff::tz::TimeZone::UTC)
                .map(|at| at.timestamp())
                .unwrap_or_default();
            let ridden = horse.ride(&PlannedRide {
                day,
                first_ask_at,
                blocks,
            });
            truth.push(ridden.truth[judged]);
            days.push(day);
            reps.extend(
                ridden
                    .reps
                    .into_iter()
                    .filter(|rep| rep.skill == level.level.skill),
            );
            day = day.saturating_add((1 + population.days_off_after(ride)).days());
        }
        BenchHorse {
            asks: asks_in_order(&reps, level, ladder),
            truth,
            days,
        }
    }

    /// The first ride before which both sides were ready.
    pub fn ready_at(&self) -> Option<usize> {
        self.truth
            .iter()
            .position(|truth| truth.weakest() >= super::READY_FROM)
    }
}

/// The level that is judged on the bench: asked on each side, with the default
/// gate.
pub fn judged_level() -> &'static LadderLevel {
    Ladder::shipped()
        .at(&Level::new("bend.flex", "stand"))
        .expect("the shipped ladder has bend.flex at the stand")
}
