//! The horse that came this week, with a story: what its intake rides asked of it, and
//! what it answered.

use cavesson_client::recorded;
use cavesson_core::intake::asked::Asked;
use cavesson_core::intake::belief::Effort;
use cavesson_core::intake::choice::next_ask;
use cavesson_core::intake::safe::Known;
use cavesson_core::intake::{Belief, IntakeAsk, IntakeOfRide, Model, Story};
use cavesson_core::ladder::{AtHand, Ladder, Level};
use cavesson_core::rep::Rep;
use cavesson_core::ride::{NewRep, NewRide};
use cavesson_core::sim_horse::answers;
use jiff::civil::Date;
use jiff::{SignedDuration, Timestamp};
use rand_chacha::ChaCha8Rng;
use rand_chacha::rand_core::SeedableRng;
use uuid::Uuid;

use super::horse::{DemoHorse, PLAIN};

/// What a new horse is said to have done, and what is true.
pub struct DemoIntake {
    /// Days ridden, by the owner's story.
    pub days_ridden: u32,
    /// What it is said to have been worked on.
    pub worked_on: &'static [&'static str],
    /// The levels it holds, with all they stand on.
    pub holds: &'static [(&'static str, &'static str)],
    /// How many days before its first other ride.
    pub days_before: i64,
}

/// Came with "a year, he's been roped on"; stops well and is stiff in the shoulder.
pub const COPPERLINE: DemoHorse = DemoHorse {
    name: "Copperline",
    sex: "gelding",
    age: 6,
    color: "chestnut",
    starts_at: (11, 15),
    place: 0,
    rests: 6,
    aim: ("bend.counter-arc", "walk"),
    came_with: &[],
    rides: (2, 1),
    work: super::young::COPPERLINE,
    intake: Some(DemoIntake {
        days_ridden: 300,
        worked_on: &["cow"],
        holds: &[
            ("start.big-pen", "lope"),
            ("start.follow-hand", "jog"),
            ("bend.ribs", "walk"),
            ("bend.follow-nose", "jog"),
            ("bend.hip", "walk"),
            ("frame.loose", "jog"),
            ("stop.seat", "jog"),
            ("stop.rock-back", "jog"),
            ("lead.setup", "walk"),
            ("cow.curious", "walk"),
            ("cow.drive", "walk"),
        ],
        days_before: 2,
    }),
    ..PLAIN
};

/// Chances of a soft answer on what is held, and on what is not.
const SOFT: (f64, f64) = (0.92, 0.1);
/// Most asks of its ride.
const MOST_ASKS: usize = 34;
const BETWEEN_ASKS: SignedDuration = SignedDuration::from_secs(58);

/// Its intake ride, as the device of its rider sent it.
pub fn intake_ride(
    horse: &DemoHorse,
    intake: &DemoIntake,
    day: Date,
    started_at: Timestamp,
) -> (NewRide, Vec<NewRep>) {
    let story = Story {
        age_years: u32::try_from(horse.age).ok(),
        days_ridden: Some(intake.days_ridden),
        worked_on: intake
            .worked_on
            .iter()
            .map(|&track| track.to_owned())
            .collect(),
        at_hand: vec![AtHand::Obstacles, AtHand::Company, AtHand::Flag],
        helper: true,
        ..Story::default()
    };
    let ride_id = Uuid::now_v7();
    let reps = reps(&story, intake, ride_id, day, started_at);
    let last = reps.last().map_or(started_at, |rep| rep.asked_at);
    let finished = last + SignedDuration::from_mins(6);
    let (ride, sent) = recorded::ride(ride_id, Uuid::nil(), started_at, Some(finished), &reps);
    let of_intake = IntakeOfRide {
        story,
        ..IntakeOfRide::default()
    };
    let ride = NewRide {
        intake: Some(of_intake),
        marks: Some(Vec::new()),
        ..ride
    };
    (ride, sent)
}

fn reps(
    story: &Story,
    intake: &DemoIntake,
    ride_id: Uuid,
    day: Date,
    started_at: Timestamp,
) -> Vec<Rep> {
    let ladder = Ladder::shipped();
    let holds = held(ladder, intake.holds);
    let model = Model::new(ladder, story, &[]);
    let mut rng = ChaCha8Rng::seed_from_u64(17);
    let (mut reps, mut asks) = (Vec::new(), Vec::new());
    let mut asked_at = started_at + SignedDuration::from_mins(3);
    while reps.len() < MOST_ASKS {
        let asked = Asked::of(ladder, &asks, 0);
        let belief = Belief::draw(&model, &asked, Effort::USUAL, 5);
        let known = Known {
            ladder,
            story,
            asked: &asked,
            belief: &belief,
            brake: None,
        };
        let Ok(chosen) = next_ask(&known, 0.0, false) else {
            break;
        };
        let level = &ladder.levels[chosen.index];
        let chance = if holds[chosen.index] { SOFT.0 } else { SOFT.1 };
        let measure = answers::draw(level, chance, &mut rng);
        asks.push(IntakeAsk {
            level: level.level.clone(),
            side: chosen.side,
            soft: Some(measure.is_soft(&level.gate.soft, level.gait)),
            ride: 0,
        });
        reps.push(Rep {
            rep_id: Uuid::now_v7(),
            ride_id,
            skill: level.level.skill.clone(),
            rung: level.level.rung.clone(),
            side: chosen.side,
            day,
            asked_at,
            measure,
            faults: Vec::new(),
        });
        asked_at += BETWEEN_ASKS;
    }
    reps
}

/// The levels named, and all they stand on.
fn held(ladder: &Ladder, tops: &[(&str, &str)]) -> Vec<bool> {
    let mut holds = vec![false; ladder.levels.len()];
    for (skill, rung) in tops {
        if let Some(index) = ladder.position(&Level::new(skill, rung)) {
            holds[index] = true;
            for under in ladder.under(index) {
                holds[under] = true;
            }
        }
    }
    holds
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn all_it_holds_is_on_the_ladder_and_its_stiff_shoulder_is_not_among_it() {
        let ladder = Ladder::shipped();
        let intake = COPPERLINE.intake.as_ref().unwrap();
        for (skill, rung) in intake.holds {
            assert!(
                ladder.at(&Level::new(skill, rung)).is_some(),
                "{skill}/{rung}"
            );
        }
        let holds = held(ladder, intake.holds);
        let arc = ladder
            .position(&Level::new("bend.counter-arc", "walk"))
            .unwrap();
        assert!(!holds[arc]);
        assert!(holds.iter().filter(|held| **held).count() > 40);
    }
}
