//! A whole horse for tests: reps at any level, rides, care, the trainer's word.
#![allow(dead_code)]

use cavesson_judge::judge::{
    HorseFile, KeptIntake, Overrule, RideFacts, ShownAtIntake, Standing, State, Verdict,
    judge_horse,
};
use cavesson_reps::horse::{CareKind, CareNote, RideMark};
use cavesson_reps::ladder::{Ladder, Level};
use cavesson_reps::rep::turn::{Position, Shoulders, Tempo, TurnResult, Weight};
use cavesson_reps::rep::{Measure, Rep, Turn};
use uuid::Uuid;

use super::{SOFT, day};

/// A horse under test: reps at any level, and what else is known.
#[derive(Clone, Default)]
pub struct Horse {
    pub reps: Vec<Rep>,
    pub rides: Vec<RideFacts>,
    pub care: Vec<CareNote>,
    pub overrules: Vec<Overrule>,
    pub intake: Option<KeptIntake>,
}

pub fn ladder() -> &'static Ladder {
    Ladder::shipped()
}

pub fn index_of(path: &str) -> usize {
    ladder().position(&Level::from_path(path).unwrap()).unwrap()
}

impl Horse {
    pub fn new() -> Horse {
        Horse::default()
    }

    /// Everything these levels stand on counts as held by the trainer's word.
    pub fn standing_on(mut self, path: &str) -> Horse {
        for under in ladder().under(index_of(path)) {
            self = self.overruled(
                &ladder().levels[under].level.to_string(),
                0,
                Verdict::Advance,
            );
        }
        self
    }

    pub fn overruled(mut self, path: &str, after: i64, counts_as: Verdict) -> Horse {
        self.overrules.push(Overrule {
            overrule_id: Uuid::from_u128(self.overrules.len() as u128),
            level: Level::from_path(path).unwrap(),
            day: day(after),
            judge_said: Verdict::Stay,
            counts_as,
            reason: "seen it".into(),
        });
        self
    }

    /// A ride `after` days with these answers at one level, left and right in turn
    /// where sides are asked apart.
    pub fn ride(mut self, path: &str, after: i64, answers: &[Measure]) -> Horse {
        let level = &ladder().levels[index_of(path)];
        let ride_id = Uuid::from_u128(after as u128 + 1);
        let start = day(after)
            .at(14, 0, 0, 0)
            .to_zoned(jiff::tz::TimeZone::UTC)
            .unwrap()
            .timestamp();
        for measure in answers {
            let number = self.reps.len();
            let sides = level.asked_sides();
            self.reps.push(Rep {
                rep_id: Uuid::from_u128(number as u128),
                ride_id,
                skill: level.level.skill.clone(),
                rung: level.level.rung.clone(),
                side: sides[number % sides.len()],
                day: day(after),
                asked_at: start + jiff::SignedDuration::from_secs(20 * number as i64),
                measure: measure.clone(),
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

    /// Soft gives on these days, enough for the default gate after five of them.
    pub fn soft_gives(mut self, path: &str, days: impl IntoIterator<Item = i64>) -> Horse {
        for after in days {
            self = self.ride(path, after, &vec![Measure::Give(SOFT); 12]);
        }
        self
    }

    pub fn marked(mut self, after: i64, mark: RideMark) -> Horse {
        let ride = self
            .rides
            .iter_mut()
            .find(|ride| ride.day == day(after))
            .unwrap();
        ride.marks.push(mark);
        self
    }

    pub fn cared(mut self, kind: CareKind, after: i64, cleared: Option<i64>) -> Horse {
        self.care.push(CareNote {
            care_id: Uuid::from_u128(self.care.len() as u128),
            kind,
            day: day(after),
            cleared_on: cleared.map(day),
            text: String::new(),
            again_days: None,
        });
        self
    }

    /// Shown at an intake `after` days, each as likely held as said; the holes it found.
    pub fn shown_at_intake(mut self, after: i64, shown: &[(&str, f64)], holes: &[&str]) -> Horse {
        let level = |path: &str| Level::from_path(path).unwrap();
        self.intake = Some(KeptIntake {
            day: day(after),
            shown: shown
                .iter()
                .map(|(path, chance)| ShownAtIntake {
                    level: level(path),
                    chance: *chance,
                })
                .collect(),
            holes: holes.iter().map(|path| level(path)).collect(),
        });
        self
    }

    pub fn file(&self) -> HorseFile {
        let mut file = HorseFile::of_reps(ladder(), &self.reps);
        file.rides = self.rides.clone();
        file.care = self.care.clone();
        file.overrules = self.overrules.clone();
        file.intake = self.intake.clone();
        file
    }

    pub fn at(&self, path: &str, after: i64) -> Standing {
        judge_horse(ladder(), &self.file(), day(after)).remove(index_of(path))
    }

    pub fn said(&self, path: &str, after: i64) -> (Verdict, State) {
        let standing = self.at(path, after);
        (standing.verdict, standing.state)
    }
}

pub fn turn(position: Position, shoulders: Shoulders, weight: Weight) -> Measure {
    Measure::Turn(Turn {
        tempo: Tempo::Slow,
        position,
        shoulders,
        weight,
        waited: true,
        result: TurnResult::Turned,
        work_id: None,
        flag: None,
    })
}
