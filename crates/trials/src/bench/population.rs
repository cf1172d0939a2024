//! The horses of the bench.
//!
//! Source: own. The reference population is fixed, so that figures can be
//! compared from version to version.

use std::ops::RangeInclusive;

use jiff::ToSpan;
use jiff::civil::{Date, date};
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal};

use super::family::Family;
use crate::evidence::{Ask, asks_in_order};
use crate::judge::{HorseFile, RideFacts, Standing, judge_horse};
use crate::ladder::{Ladder, LadderLevel, Level};
use crate::sim_horse::{PlannedBlock, PlannedRide, Quits, Rider, SimulatedHorse, Traits, Truth};

/// A kind of horses, and how they are ridden.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Population {
    /// The reference population, day effect 0.5.
    Reference,
    /// The same with a day effect of 1.0.
    StrongDays,
    /// Horses whose plateau lies around the need: most of them are hard cases.
    NearTheNeed,
    /// Another make: lower plateaus, 2 to 6 asks, a day effect of 0.75.
    LowPlateaus,
    /// Readiness jumps: nothing for some rides, then all at once.
    SuddenInsight,
    /// Days that are now and then far off.
    HeavyDays,
    /// Two or three asks a side and ride.
    FewAsks,
    /// The rider stops a side on its first soft answer.
    QuitsOnFirstSoft,
    /// The rider stops a side after two soft ones in a row.
    QuitsAfterTwo,
    /// The rider goes on until something is good.
    UntilGood,
    /// The rider drills the side that goes worse.
    DrillsTheBadSide,
    /// A strict and an easy rider, now one, now the other.
    TwoRiders,
    /// Horses that also forget, tire, sour from drilling, have bad days and carry
    /// over from a level below that is ridden with them.
    Richer,
    /// Day effects twice as strong again: 2.0.
    VeryStrongDays,
    /// The weaker side gets worse from the thirtieth ride on.
    WorseningSide,
    /// Three weeks off after every twelfth ride, and forgetting.
    LayOffs,
    /// Good and bad days come in spells: 0.8 of one is left a day later, sd 0.7.
    Spells,
    /// Stronger spells: sd 1.0.
    StrongSpells,
    /// Spells that last: 0.9 is left a day later, sd 1.0.
    LongSpells,
    /// On bad days the rider asks once a side.
    GoodDaysOnly,
    /// Cold first asks and a warm-up three times as strong.
    StrongWarmUp,
    /// A side is hurt between ride 20 and 50: it falls by two on the logit scale.
    Hurt,
    /// One or two asks a side, every fourth day.
    RareAsks,
}

/// How far apart the strict and the easy rider are, each from the middle.
const RIDER_OFFSET: f64 = 0.6;

impl Population {
    /// Those the default rule was chosen on. The spells of 0.8 were chosen on when the
    /// fourth filter was added: they are its model.
    pub const CHOSEN_ON: [Population; 6] = [
        Population::Spells,
        Population::Reference,
        Population::StrongDays,
        Population::VeryStrongDays,
        Population::NearTheNeed,
        Population::SuddenInsight,
    ];
    /// Those that were held out: no figure of the rule was chosen with them.
    pub const HELD_OUT: [Population; 17] = [
        Population::LowPlateaus,
        Population::HeavyDays,
        Population::FewAsks,
        Population::QuitsOnFirstSoft,
        Population::QuitsAfterTwo,
        Population::UntilGood,
        Population::DrillsTheBadSide,
        Population::TwoRiders,
        Population::Richer,
        Population::WorseningSide,
        Population::LayOffs,
        Population::StrongSpells,
        Population::LongSpells,
        Population::GoodDaysOnly,
        Population::StrongWarmUp,
        Population::Hurt,
        Population::RareAsks,
    ];

    /// What it is, for the table.
    pub fn name(self) -> &'static str {
        match self {
            Population::Reference => "reference population, day effect 0.5",
            Population::StrongDays => "reference population, day effect 1.0",
            Population::NearTheNeed => "plateaus around the need: most horses are hard cases",
            Population::LowPlateaus => "another make: lower plateaus, 2 to 6 asks, day effect 0.75",
            Population::SuddenInsight => "sudden insight: readiness jumps",
            Population::HeavyDays => "days now and then far off (heavy tails)",
            Population::FewAsks => "2 or 3 asks a side and ride",
            Population::QuitsOnFirstSoft => "the rider stops a side on its first soft answer",
            Population::QuitsAfterTwo => "the rider stops a side after two soft in a row",
            Population::UntilGood => "the rider goes on until something is good",
            Population::DrillsTheBadSide => "the rider drills the bad side",
            Population::TwoRiders => "a strict and an easy rider, now one, now the other",
            Population::Richer => {
                "richer horses: forgetting, fatigue, over-drill, bad days, carry-over"
            }
            Population::VeryStrongDays => "day effects twice as strong: 2.0",
            Population::WorseningSide => "a side that gets worse from the 30th ride on",
            Population::LayOffs => "three weeks off after every 12th ride, with forgetting",
            Population::Spells => "days come in spells: autocorrelation 0.8, sd 0.7",
            Population::StrongSpells => "strong spells: autocorrelation 0.8, sd 1.0",
            Population::LongSpells => "long spells: autocorrelation 0.9, sd 1.0",
            Population::GoodDaysOnly => "asked mostly on good days: once a side on bad ones",
            Population::StrongWarmUp => "colder first asks (0.8) and a stronger warm-up (1.2)",
            Population::Hurt => "a side is hurt between rides 20 and 50 (2.0 lower)",
            Population::RareAsks => "1 or 2 asks a side, every 4th day",
        }
    }

    fn traits(self, seed: u64) -> Traits {
        let reference = Traits::reference(seed);
        let mut rng = ChaCha8Rng::seed_from_u64(seed ^ 0x0ba2);
        match self {
            Population::StrongDays => Traits {
                day_sd: 1.0,
                ..reference
            },
            Population::NearTheNeed => Traits {
                plateau: drawn(1.2, 0.4, &mut rng),
                weaker_by: drawn(0.0, 0.3, &mut rng).abs(),
                day_sd: 0.7,
                ..reference
            },
            Population::LowPlateaus => Traits {
                plateau: drawn(1.2, 0.8, &mut rng),
                day_sd: 0.75,
                ..reference
            },
            Population::SuddenInsight => Traits {
                insight_at: Some(rng.random_range(4..=50)),
                ..reference
            },
            Population::HeavyDays => Traits {
                heavy_days: true,
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
            Population::Spells => in_spells(0.8, 0.7, reference),
            Population::StrongSpells => in_spells(0.8, 1.0, reference),
            Population::LongSpells => in_spells(0.9, 1.0, reference),
            Population::GoodDaysOnly => Traits {
                day_sd: 0.8,
                ..reference
            },
            Population::StrongWarmUp => Traits {
                first_ask_drop: 0.8,
                warm_up: 1.2,
                ..reference
            },
            Population::Hurt => Traits {
                hurt_at: Some(rng.random_range(20..=50)),
                ..reference
            },
            _ => reference,
        }
    }

    fn quits(self) -> Quits {
        match self {
            Population::QuitsOnFirstSoft => Quits::OnFirstSoft,
            Population::QuitsAfterTwo => Quits::AfterTwoInARow,
            Population::UntilGood => Quits::UntilGood,
            Population::DrillsTheBadSide => Quits::DrillsTheBadSide,
            _ => Quits::AsPlanned,
        }
    }

    /// Planned asks of a side in a ride, where the population has its own.
    fn asks(self) -> Option<RangeInclusive<u32>> {
        match self {
            Population::FewAsks => Some(2..=3),
            Population::LowPlateaus => Some(2..=6),
            Population::RareAsks => Some(1..=2),
            _ => None,
        }
    }

    fn rider(self, rng: &mut ChaCha8Rng) -> Rider {
        let offset = if self != Population::TwoRiders {
            0.0
        } else if rng.random_bool(0.5) {
            RIDER_OFFSET
        } else {
            -RIDER_OFFSET
        };
        Rider {
            offset,
            quits: self.quits(),
            spares_bad_days: self == Population::GoodDaysOnly,
        }
    }

    fn days_off_after(self, ride: usize) -> i64 {
        if self == Population::LayOffs && ride % 12 == 11 {
            21
        } else if self == Population::RareAsks {
            3
        } else {
            0
        }
    }
}

/// A horse whose good and bad days come in spells; the effect of a day alone is small.
fn in_spells(left: f64, sd: f64, of: Traits) -> Traits {
    Traits {
        day_sd: 0.3,
        spell_sd: sd,
        spell_left: left,
        ..of
    }
}

fn drawn(mean: f64, sd: f64, rng: &mut ChaCha8Rng) -> f64 {
    let normal = Normal::new(mean, sd).expect("a standard deviation that is not below zero");
    normal.sample(rng)
}

/// A horse of the bench: what was seen of it, and what was true.
#[derive(Debug, Clone)]
pub struct BenchHorse {
    /// Of which family the level is.
    pub family: Family,
    /// All asks of the level under judgement, in order.
    pub asks: Vec<Ask>,
    /// True readiness before each ride.
    pub truth: Vec<Truth>,
    /// The day of each ride.
    pub days: Vec<Date>,
}

impl BenchHorse {
    /// The horse of that seed, `rides` times ridden.
    pub fn ride(population: Population, seed: u64, rides: usize) -> BenchHorse {
        BenchHorse::ride_of(Family::Give, population, seed, rides)
    }

    /// The same at a level of that family.
    pub fn ride_of(family: Family, population: Population, seed: u64, rides: usize) -> BenchHorse {
        BenchHorse::ride_with(family, population, population.traits(seed), seed, rides)
    }

    /// A horse whose readiness is always the same.
    pub fn always(family: Family, readiness: f64, seed: u64, rides: usize) -> BenchHorse {
        let logit = (readiness / (1.0 - readiness)).ln();
        let traits = Traits {
            start: logit,
            plateau: logit,
            weaker_by: 0.0,
            day_sd: 0.0,
            first_ask_drop: 0.0,
            warm_up: 0.0,
            ..Traits::PLAIN
        };
        BenchHorse::ride_with(family, Population::Reference, traits, seed, rides)
    }

    /// The same horse, its weaker side hurt from that ride on: it falls by two.
    pub fn ride_hurt(population: Population, seed: u64, rides: usize, at: u32) -> BenchHorse {
        let traits = Traits {
            hurt_at: Some(at),
            ..population.traits(seed)
        };
        BenchHorse::ride_with(Family::Give, population, traits, seed, rides)
    }

    fn ride_with(
        family: Family,
        population: Population,
        traits: Traits,
        seed: u64,
        rides: usize,
    ) -> BenchHorse {
        let ladder = Ladder::shipped();
        let level = family.level();
        let below = ladder.at(&Level::new("bend.ribs", "walk")).unwrap_or(level);
        let levels: &[&LadderLevel] = if population == Population::Richer {
            &[below, level]
        } else {
            &[level]
        };
        let judged = levels.len() - 1;
        let (lefts, rights) = match population.asks() {
            Some(asks) => (asks.clone(), asks),
            None => family.asks(),
        };
        let mut horse =
            SimulatedHorse::new(traits, levels, seed.wrapping_mul(0x9e37_79b9_7f4a_7c15));
        let mut rng = ChaCha8Rng::seed_from_u64(seed ^ 0xa5a5);
        let mut day = date(2026, 1, 5);
        let (mut reps, mut truth, mut days) = (Vec::new(), Vec::new(), Vec::new());
        for ride in 0..rides {
            let blocks = (0..levels.len())
                .map(|level| PlannedBlock {
                    level,
                    left: rng.random_range(lefts.clone()),
                    right: rng.random_range(rights.clone()),
                })
                .collect();
            let first_ask_at = day
                .at(15, 0, 0, 0)
                .to_zoned(jiff::tz::TimeZone::UTC)
                .map(|at| at.timestamp())
                .unwrap_or_default();
            let rider = population.rider(&mut rng);
            let plan = PlannedRide {
                day,
                first_ask_at,
                blocks,
            };
            let ridden = horse.ride_by(&plan, &rider);
            truth.push(ridden.truth[judged]);
            days.push(day);
            reps.extend(
                ridden
                    .reps
                    .into_iter()
                    .filter(|rep| rep.skill == level.level.skill),
            );
            day =
                day.saturating_add((family.every_days() + population.days_off_after(ride)).days());
        }
        BenchHorse {
            family,
            asks: asks_in_order(&reps, level, ladder),
            truth,
            days,
        }
    }

    /// The judged level as the judge sees it on a date, as if what it needs were held.
    pub fn judged(&self, on: Date) -> Standing {
        let ladder = self.family.alone();
        judge_horse(ladder, &self.file(), on).remove(0)
    }

    /// All that is known of it.
    pub fn file(&self) -> HorseFile {
        let mut rides: Vec<RideFacts> = Vec::with_capacity(self.days.len());
        for ask in &self.asks {
            if rides.last().is_none_or(|last| last.ride_id != ask.ride_id) {
                rides.push(RideFacts {
                    ride_id: ask.ride_id,
                    day: ask.day,
                    rider_id: None,
                    marks: Vec::new(),
                    rigs: Vec::new(),
                });
            }
        }
        HorseFile {
            asks: vec![self.asks.clone()],
            rides,
            ..HorseFile::default()
        }
    }

    /// The same after the last ride.
    pub fn judged_to_the_end(&self) -> Standing {
        self.judged(self.days.last().copied().unwrap_or_default())
    }

    /// The first ride before which both sides were ready.
    pub fn ready_at(&self) -> Option<usize> {
        self.truth
            .iter()
            .position(|truth| truth.weakest() >= super::limits::READY_FROM)
    }
}
