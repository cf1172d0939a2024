//! Horses told in a few words: a ride is a day, a level, and answers left and right.

use cavesson_base::Side;
use cavesson_judge::judge::held::change::Moved;
use cavesson_judge::judge::{HorseFile, Placing, RideFacts, Standing, judge_horse};
use cavesson_reps::ladder::{Ladder, Level};
use cavesson_reps::rep::{Asked, Measure, Rep};
use jiff::civil::Date;
use jiff::{SignedDuration, tz::TimeZone};
use rand::SeedableRng;
use rand_chacha::ChaCha8Rng;
use uuid::Uuid;

use crate::day;

pub fn ladder() -> &'static Ladder {
    Ladder::shipped()
}

pub fn level(path: &str) -> Level {
    Level::from_path(path).unwrap()
}

pub fn index(path: &str) -> usize {
    ladder().position(&level(path)).unwrap()
}

/// The levels of the brake, slowest first.
pub const BRAKES: [&str; 4] = [
    "start.brake/stand",
    "start.brake/walk",
    "start.brake/jog",
    "start.brake/lope",
];

/// A horse as a list of what was done with it.
#[derive(Clone, Default, Debug)]
pub struct Told {
    pub reps: Vec<Rep>,
    pub rides: Vec<RideFacts>,
    pub placings: Vec<Placing>,
    pub file: HorseFile,
}

/// An answer of the measure of a level, soft or not.
pub fn answer(path: &str, soft: bool) -> Measure {
    let level = &ladder().levels[index(path)];
    let mut rng = ChaCha8Rng::seed_from_u64(5);
    let asked = Asked {
        rule: &level.gate.soft,
        gait: level.gait,
        chance: 0.9,
        soft,
    };
    level.measure.draw(&asked, &mut rng)
}

impl Told {
    /// Placed by hand on these levels, and so on all under them.
    pub fn placed(after: i64, levels: &[&str]) -> Told {
        Told {
            placings: vec![Placing {
                day: day(after),
                levels: levels.iter().map(|path| level(path)).collect(),
            }],
            ..Told::default()
        }
    }

    /// A ride: `s` a soft answer, `m` one that is not, in the order of asking; of each side.
    pub fn ride(mut self, after: i64, path: &str, left: &str, right: &str) -> Told {
        let ride_id = Uuid::from_u128((10_000 + after) as u128);
        let at = day(after)
            .at(14, 0, 0, 0)
            .to_zoned(TimeZone::UTC)
            .unwrap()
            .timestamp();
        let sides = ladder().levels[index(path)].asked_sides();
        let both = sides == [Side::Both];
        let of = |side: Side, answers: &str| -> Vec<(Side, bool)> {
            answers
                .chars()
                .map(|answer| (side, answer == 's'))
                .collect()
        };
        let asks: Vec<(Side, bool)> = if both {
            of(Side::Both, left)
        } else {
            of(Side::Left, left)
                .into_iter()
                .chain(of(Side::Right, right))
                .collect()
        };
        for (side, soft) in asks {
            let number = self.reps.len();
            self.reps.push(Rep {
                rep_id: Uuid::from_u128(number as u128 + 1),
                ride_id,
                skill: level(path).skill,
                rung: level(path).rung,
                side,
                day: day(after),
                asked_at: at + SignedDuration::from_secs(20 * number as i64),
                measure: answer(path, soft),
                faults: Vec::new(),
            });
        }
        if !self.rides.iter().any(|ride| ride.ride_id == ride_id) {
            self.rides.push(RideFacts {
                ride_id,
                day: day(after),
                rider_id: None,
                marks: Vec::new(),
                rigs: Vec::new(),
            });
        }
        self
    }

    /// The same ride on each of some days.
    pub fn rides(
        mut self,
        days: impl IntoIterator<Item = i64>,
        path: &str,
        left: &str,
        right: &str,
    ) -> Told {
        for after in days {
            self = self.ride(after, path, left, right);
        }
        self
    }

    pub fn file(&self) -> HorseFile {
        let mut file = HorseFile {
            asks: HorseFile::of_reps(ladder(), &self.reps).asks,
            ..self.file.clone()
        };
        file.rides = self.rides.clone();
        file.rides.sort_by_key(|ride| ride.day);
        file.placings = self.placings.clone();
        file
    }

    pub fn on(&self, after: i64) -> Vec<Standing> {
        judge_horse(ladder(), &self.file(), day(after))
    }

    pub fn at(&self, path: &str, after: i64) -> Standing {
        self.on(after).remove(index(path))
    }

    /// What moved a level, with the days after the first.
    pub fn moves(&self, path: &str, after: i64) -> Vec<(i64, Moved)> {
        let standing = self.at(path, after);
        let changes = standing.history.changes.iter();
        changes
            .map(|change| (since(change.day), change.moved))
            .collect()
    }
}

/// Days after the first day.
pub fn since(on: Date) -> i64 {
    i64::from((on - day(0)).get_days())
}
