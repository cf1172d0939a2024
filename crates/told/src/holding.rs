//! A horse by what it holds and what it is working on, for cards.
#![allow(dead_code)]

use cavesson_judge::judge::{HorseFile, Overrule, Placing, RideFacts, Verdict};
use cavesson_reps::ladder::{Ladder, Level, Role};
use cavesson_reps::rep::{Asked, Rep};
use jiff::civil::Date;
use proptest::prelude::*;
use rand::SeedableRng;
use rand_chacha::ChaCha8Rng;
use uuid::Uuid;

use super::day;

/// The day the cards are for.
const ON: i64 = 40;

#[derive(Debug, Clone)]
pub struct HorseWith {
    /// Held by the trainer's word, two days ago.
    pub held: Vec<Level>,
    /// Worked on: the level, on how many of the last days, with what chance of soft.
    pub worked: Vec<(Level, i64, f64)>,
    /// Days since the last ride; a day by default.
    pub last_ridden: Option<i64>,
    pub on: Date,
}

impl HorseWith {
    pub fn holding_skills(skills: &[&str]) -> HorseWith {
        let levels = Ladder::shipped().levels.iter();
        HorseWith {
            held: levels
                .filter(|level| skills.contains(&level.level.skill.0.as_str()))
                .map(|level| level.level.clone())
                .collect(),
            worked: Vec::new(),
            last_ridden: None,
            on: day(ON),
        }
    }

    pub fn file(&self) -> HorseFile {
        let ladder = Ladder::shipped();
        let mut file = HorseFile::of_reps(ladder, &self.reps());
        // The trainer's word does not raise the chain of the brake: a placing does.
        let is_brake = |level: &&Level| ladder.at(level).is_some_and(|at| at.is(Role::Brake));
        let (brakes, others): (Vec<&Level>, Vec<&Level>) = self.held.iter().partition(is_brake);
        file.overrules = others.into_iter().enumerate().map(held).collect();
        file.placings = vec![Placing {
            day: day(ON - 2),
            levels: brakes.into_iter().cloned().collect(),
        }];
        let mut days: Vec<i64> = (1..=self.worked.iter().map(|worked| worked.1).max().unwrap_or(1))
            .map(|back| ON - back)
            .collect();
        if let Some(last) = self.last_ridden {
            days = vec![ON - last];
        }
        days.sort_unstable();
        file.rides = days
            .into_iter()
            .map(|after| RideFacts {
                ride_id: ride_id(after),
                day: day(after),
                rider_id: None,
                marks: Vec::new(),
                rigs: Vec::new(),
            })
            .collect();
        file
    }

    fn reps(&self) -> Vec<Rep> {
        let ladder = Ladder::shipped();
        let mut rng = ChaCha8Rng::seed_from_u64(7);
        let mut reps: Vec<Rep> = Vec::new();
        for (path, days, chance) in &self.worked {
            let level = ladder.at(path).unwrap();
            for after in (1..=*days).map(|back| ON - back) {
                let at = day(after)
                    .at(14, 0, 0, 0)
                    .to_zoned(jiff::tz::TimeZone::UTC)
                    .unwrap();
                for side in level.asked_sides().repeat(3) {
                    let soft = rand::RngExt::random_bool(&mut rng, *chance);
                    let asked = Asked {
                        rule: &level.gate.soft,
                        gait: level.gait,
                        chance: *chance,
                        soft,
                    };
                    reps.push(Rep {
                        rep_id: Uuid::from_u128(reps.len() as u128),
                        ride_id: ride_id(after),
                        skill: path.skill.clone(),
                        rung: path.rung.clone(),
                        side,
                        day: day(after),
                        asked_at: at.timestamp()
                            + jiff::SignedDuration::from_secs(reps.len() as i64),
                        measure: level.measure.draw(&asked, &mut rng),
                        faults: Vec::new(),
                    });
                }
            }
        }
        reps
    }
}

fn held((number, level): (usize, &Level)) -> Overrule {
    Overrule {
        overrule_id: Uuid::from_u128(number as u128),
        level: level.clone(),
        day: day(ON - 2),
        judge_said: Verdict::Stay,
        counts_as: Verdict::Advance,
        reason: "seen it".into(),
    }
}

fn ride_id(after: i64) -> Uuid {
    Uuid::from_u128(1000 + after as u128)
}

/// Any horse whose held levels stand on held levels, with some levels under way.
pub fn any_horse() -> impl Strategy<Value = HorseWith> {
    let levels = Ladder::shipped().levels.len();
    (
        prop::collection::vec(0.0..1.0f64, levels),
        0.0..1.2f64,
        prop::collection::vec((0..levels, 1i64..12, 0.0..1.0f64), 0..6),
        prop::option::of(1i64..40),
    )
        .prop_map(|(drawn, share, worked, last_ridden)| {
            let ladder = Ladder::shipped();
            let mut is_held = vec![false; drawn.len()];
            for (index, level) in ladder.levels.iter().enumerate() {
                let below = level.below.is_none_or(|below| is_held[below]);
                let needs = level
                    .needs
                    .iter()
                    .all(|need| need.iter().any(|one| is_held[*one]));
                is_held[index] = below && needs && drawn[index] < share;
            }
            let named = |index: usize| ladder.levels[index].level.clone();
            HorseWith {
                held: (0..drawn.len())
                    .filter(|index| is_held[*index])
                    .map(named)
                    .collect(),
                worked: worked
                    .into_iter()
                    .map(|(index, days, chance)| (named(index), days, chance))
                    .collect(),
                last_ridden,
                on: day(ON),
            }
        })
}
