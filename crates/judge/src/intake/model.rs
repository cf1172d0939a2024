//! How likely each level is held before anything is asked: a horse has come so far up
//! the ladder, on some tracks farther than on others; a level whose needs are held is
//! the likelier held the farther the horse has come past it.

use super::story::{BarnHorse, Story};
use crate::ladder::{AtHand, Ladder, LadderLevel};
use crate::ride::rig::RigKind;

/// How sharply levels follow one another, in steps of the ladder. Product default.
pub const SHARP: f64 = 0.6;
/// How far one track of a horse lies from the others, as a standard deviation in steps.
/// Product default.
pub const TRACK_SD: f64 = 1.5;
/// How far stories are off, as a standard deviation in steps. Product default.
pub const STORY_SD: f64 = 3.0;
/// What a track gains that the horse is said to have been worked on, in steps. Product
/// default.
const SAID: f64 = 2.5;
/// What a track for a job loses that nobody spoke of. Product default.
const UNSAID: f64 = -2.5;
/// How far a level's place may differ from barn to barn, in steps. Product default.
const BARN_SD: f64 = 1.5;
/// Steps up the ladder: so many for each time the days ridden grow by a factor e, from
/// so many days on. Product defaults: a sound start is some 60 days.
const STEPS: (f64, f64) = (4.4, 14.0);

/// The prior over what a horse holds, laid along a ladder.
#[derive(Debug, Clone, PartialEq)]
pub struct Model {
    /// The steps each level lies up the ladder.
    pub height: Vec<f64>,
    /// The track of each level.
    pub track: Vec<usize>,
    /// For each level what must be held, of each need one of the alternatives; the rung
    /// below among them.
    pub needs: Vec<Vec<Vec<usize>>>,
    /// The levels that wait for each.
    pub opens: Vec<Vec<usize>>,
    /// Steps the horse is expected to have come.
    pub come: f64,
    /// How far each track is expected to lie from the others.
    pub apart: Vec<f64>,
}

impl Model {
    /// The prior of a horse with that story, in a barn with those horses.
    pub fn new(ladder: &Ladder, story: &Story, barn: &[BarnHorse]) -> Model {
        let needs: Vec<Vec<Vec<usize>>> = ladder.levels.iter().map(needs_of).collect();
        let mut model = Model {
            height: heights(&needs),
            track: ladder.levels.iter().map(|level| level.track).collect(),
            opens: opens(&needs),
            needs,
            come: steps(story.days_expected()),
            apart: apart(ladder, story),
        };
        model.take_in(ladder, barn);
        model
    }

    /// How likely a level is held once its needs are, for a horse that has come so far
    /// on its track, as log odds.
    pub fn log_odds(&self, index: usize, come: f64) -> f64 {
        (come - self.height[index]) / SHARP
    }

    /// Moves levels that come earlier or later in this barn: one Newton step from the
    /// shipped place towards the most likely one.
    fn take_in(&mut self, ladder: &Ladder, barn: &[BarnHorse]) {
        let mut slope = vec![0.0; self.height.len()];
        let mut bend = vec![1.0 / (BARN_SD * BARN_SD); self.height.len()];
        for horse in barn {
            let mut holds = vec![false; self.height.len()];
            for index in horse
                .holds
                .iter()
                .filter_map(|level| ladder.position(level))
            {
                holds[index] = true;
            }
            let come = steps(f64::from(horse.days_ridden));
            for index in 0..self.height.len() {
                if !met(&self.needs[index], &holds) {
                    continue;
                }
                let likely = logistic(self.log_odds(index, come));
                slope[index] += (likely - f64::from(u8::from(holds[index]))) / SHARP;
                bend[index] += likely * (1.0 - likely) / (SHARP * SHARP);
            }
        }
        for index in 0..self.height.len() {
            let moved = slope[index] / bend[index];
            self.height[index] += moved.clamp(-2.0 * BARN_SD, 2.0 * BARN_SD);
        }
    }
}

/// Steps up the ladder after so many days ridden.
pub fn steps(days_ridden: f64) -> f64 {
    STEPS.0 * (1.0 + days_ridden / STEPS.1).ln()
}

/// Whether every need has one alternative that is held.
pub fn met(needs: &[Vec<usize>], holds: &[bool]) -> bool {
    needs
        .iter()
        .all(|need| need.iter().any(|index| holds[*index]))
}

/// 1 / (1 + e^-x).
pub fn logistic(x: f64) -> f64 {
    1.0 / (1.0 + (-x).exp())
}

/// What must be held first, of each need one of the alternatives; the rung below among
/// them.
pub fn needs_of(level: &LadderLevel) -> Vec<Vec<usize>> {
    let below = level.below.map(|below| vec![below]);
    below
        .into_iter()
        .chain(level.needs.iter().cloned())
        .collect()
}

/// The longest way from the ground, of alternatives the shorter.
fn heights(needs: &[Vec<Vec<usize>>]) -> Vec<f64> {
    let mut heights: Vec<f64> = Vec::with_capacity(needs.len());
    for of_level in needs {
        let shortest = |need: &Vec<usize>| {
            let ways = need.iter().map(|index| heights[*index]);
            ways.fold(f64::INFINITY, f64::min)
        };
        let under = of_level.iter().map(shortest).fold(0.0, f64::max);
        heights.push(under + 1.0);
    }
    heights
}

fn opens(needs: &[Vec<Vec<usize>>]) -> Vec<Vec<usize>> {
    let mut opens = vec![Vec::new(); needs.len()];
    for (index, of_level) in needs.iter().enumerate() {
        for need in of_level.iter().flatten() {
            opens[*need].push(index);
        }
    }
    opens
}

fn apart(ladder: &Ladder, story: &Story) -> Vec<f64> {
    let in_a_bridle = story
        .ridden_in
        .iter()
        .any(|kind| matches!(kind, RigKind::Shank | RigKind::TwoRein));
    ladder
        .tracks
        .iter()
        .enumerate()
        .map(|(index, track)| {
            let mut levels = ladder.levels.iter().filter(|level| level.track == index);
            let is_job = levels.any(|level| level.with.is_some_and(|with| with != AtHand::Company));
            if story.worked_on.contains(&track.id) || (track.id == BRIDLE && in_a_bridle) {
                SAID
            } else if is_job || track.id == BRIDLE {
                UNSAID
            } else {
                0.0
            }
        })
        .collect()
}

/// The track of the headgear.
const BRIDLE: &str = "bridle";
