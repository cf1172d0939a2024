//! What may be asked by now: ground before mounted, the brake on both sides at a gait
//! before anything at that gait, first rides never alone, signs of pain stop it.
//!
//! Source: common practice of the trade, no published source.

use super::asked::Asked;
use super::belief::Belief;
use super::model::needs_of;
use super::story::Story;
use crate::judge::BrakeLimit;
use crate::ladder::{AtHand, Ladder, LadderLevel, Role};
use crate::{Gait, Side};

/// Asks from the saddle at slower gaits before anything at the lope. Product default.
const LOOSENING_ASKS: usize = 6;
/// Times a side is asked at the most; the brake more often, for all else waits for it.
/// Product defaults.
const TIMES: usize = 3;
const TIMES_OF_THE_BRAKE: usize = 4;
/// How likely what a fast ask or a job stands on has to be held. Product default.
const NEEDS_LIKELY: f64 = 0.5;

/// Why a level is not asked, now or at all.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Barrier {
    /// The rider passed it over.
    PassedOver,
    /// It was asked as often as makes sense on one day.
    AskedEnough,
    /// Something it takes is not at hand.
    NotAtHand(AtHand),
    /// First rides, and nobody there.
    Alone,
    /// The horse has not stood for on and off, or not given to one rein in hand.
    NotInTheSaddle,
    /// The brake was not soft on both sides at this gait.
    NoBrake(Gait),
    /// Too fast for a brake that was lost.
    BrakeLost,
    /// What it stands on is likely not held.
    TooSoon,
    /// Nothing has been loosened yet.
    NotLoose,
}

/// What is known of the horse when the next ask is chosen.
#[derive(Debug, Clone, Copy)]
pub struct Known<'a> {
    /// The ladder.
    pub ladder: &'a Ladder,
    /// The story.
    pub story: &'a Story,
    /// What was asked.
    pub asked: &'a Asked,
    /// How sure each level is.
    pub belief: &'a Belief,
    /// What a brake that was lost keeps the horse from.
    pub brake: Option<&'a BrakeLimit>,
}

impl Known<'_> {
    fn level(&self, index: usize) -> &LadderLevel {
        &self.ladder.levels[index]
    }

    /// Why a level is not asked today, whatever is asked before it.
    pub fn never(&self, index: usize) -> Option<Barrier> {
        let level = self.level(index);
        if self.asked.passed_over[index] {
            return Some(Barrier::PassedOver);
        }
        if let Some(with) = level.with
            && !self.story.at_hand.contains(&with)
        {
            return Some(Barrier::NotAtHand(with));
        }
        if !level.ground && !self.story.helper && self.are_first_rides() {
            return Some(Barrier::Alone);
        }
        if self
            .brake
            .is_some_and(|brake| brake.too_fast.contains(&level.level))
        {
            return Some(Barrier::BrakeLost);
        }
        if self.next_side(index).is_none() {
            return Some(Barrier::AskedEnough);
        }
        let is_risky = level.gait >= Gait::Lope || level.with.is_some();
        (is_risky && !self.stands_likely(level)).then_some(Barrier::TooSoon)
    }

    /// The side to ask next: one that was not soft last, of equals the one asked less
    /// often; none once each was asked often enough, or one to no end.
    pub fn next_side(&self, index: usize) -> Option<Side> {
        let level = self.level(index);
        let most = if level.is(Role::Brake) {
            TIMES_OF_THE_BRAKE
        } else {
            TIMES
        };
        let sides = level.asked_sides().iter().copied();
        let failed =
            |side: Side| self.asked.times(index, side) >= most && !self.is_soft_by_now(index, side);
        if sides.clone().any(failed) {
            return None;
        }
        sides
            .filter(|side| self.asked.times(index, *side) < most)
            .min_by_key(|side| {
                let times = self.asked.times(index, *side);
                (self.is_soft_by_now(index, *side), times)
            })
    }

    fn is_soft_by_now(&self, index: usize, side: Side) -> bool {
        let answers = &self.asked.answers[index][usize::from(side == Side::Right)];
        answers.last().copied().unwrap_or_default()
    }

    /// First rides by the story, or by what was seen.
    pub fn are_first_rides(&self) -> bool {
        let unlikely = self
            .moving_out()
            .is_some_and(|index| self.belief.chance(index) < 0.5);
        self.story.are_first_rides() || unlikely
    }

    fn stands_likely(&self, level: &LadderLevel) -> bool {
        needs_of(level).iter().all(|need| {
            let likely = need.iter().map(|index| self.belief.chance(*index));
            likely.fold(0.0, f64::max) >= NEEDS_LIKELY
        })
    }

    /// What has to be shown first, in order; empty for what may be asked at once.
    pub fn first(&self, index: usize) -> Vec<(usize, Barrier)> {
        let level = self.level(index);
        if level.ground && !level.is(Role::Mount) {
            return Vec::new();
        }
        // Getting on is asked from the ground, and waits for what the ground has to show.
        let ground = self.before_mounting().into_iter();
        let mut first: Vec<(usize, Barrier)> = ground
            .filter(|ground| *ground != index && (!level.ground || *ground < index))
            .map(|ground| (ground, Barrier::NotInTheSaddle))
            .collect();
        let own_brake = level.is(Role::Brake);
        let brakes = if level.ground {
            Vec::new()
        } else {
            self.brakes()
        };
        for (brake, gait) in brakes {
            let slower = gait < level.gait || (gait == level.gait && !own_brake);
            if slower {
                first.push((brake, Barrier::NoBrake(gait)));
            }
        }
        first.retain(|(index, _)| !self.asked.is_shown(self.ladder, *index));
        first
    }

    /// Whether enough slower asks came before one at the lope.
    pub fn is_loose(&self) -> bool {
        let slower = self.ladder.levels.iter().enumerate().filter(|(_, level)| {
            !level.ground && level.gait > Gait::Stand && level.gait < Gait::Lope
        });
        let asks = slower.map(|(index, _)| {
            self.asked.answers[index]
                .iter()
                .map(Vec::len)
                .sum::<usize>()
        });
        asks.sum::<usize>() >= LOOSENING_ASKS
    }

    /// What is asked from the ground before anybody gets on: what the brake needs; in
    /// first rides also what moving off needs.
    fn before_mounting(&self) -> Vec<usize> {
        let brakes = self.brakes();
        let brake = brakes.first().map(|(index, _)| *index);
        let moving_off = self.moving_out().filter(|_| self.are_first_rides());
        let mut ground: Vec<usize> = brake
            .into_iter()
            .chain(moving_off)
            .flat_map(|index| {
                self.level(index)
                    .needs
                    .iter()
                    .filter_map(|need| need.first())
            })
            .copied()
            .filter(|index| self.level(*index).ground)
            .collect();
        ground.sort_unstable();
        ground.dedup();
        ground
    }

    /// The levels of the brake, slowest first.
    fn brakes(&self) -> Vec<(usize, Gait)> {
        let levels = self.ladder.levels_in(Role::Brake);
        let mut brakes: Vec<(usize, Gait)> = levels
            .map(|index| (index, self.level(index).gait))
            .collect();
        brakes.sort_by_key(|brake| brake.1);
        brakes
    }

    /// Moving out on a loose rein at its slowest: held, first rides are over.
    fn moving_out(&self) -> Option<usize> {
        let levels = self.ladder.levels_in(Role::FirstRide);
        levels.min_by_key(|index| self.level(*index).gait)
    }
}
