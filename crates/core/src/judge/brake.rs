//! The chain of the brake: how fast a horse may be ridden.
//!
//! # Rule
//! The fastest gait allowed is that of the longest unbroken chain of brake levels held from
//! the stand upwards; lost counts as not there. The trainer's word never raises it: what an
//! intake or a placing showed does, until first asks say otherwise. The brake alone may be
//! asked one gait above the chain, so that it can be shown again.
//!
//! Source: common practice of the trade, no source.

use serde::{Deserialize, Serialize};

use super::held::change::Because;
use super::held::hold::{Hold, Phase};
use super::held::saying::HeldBy;
use super::held::words::not_soft;
use super::standing::Standing;
use crate::Gait;
use crate::Side;
use crate::horse::Sex;
use crate::ladder::{Ladder, LadderLevel, Level, Role};
use crate::plain::{capital, on_day, pronouns};

/// How far up the brake is held.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct BrakeChain {
    /// The gait of the highest level of the chain; none while it is not held standing.
    pub held: Option<Gait>,
    /// The level above it, which alone may be asked faster.
    pub next: Option<usize>,
}

impl BrakeChain {
    /// The chain of a judged horse.
    pub fn of(ladder: &Ladder, standings: &[Standing]) -> BrakeChain {
        let mut held = None;
        for index in slowest_first(ladder) {
            if !raises(&standings[index].history.hold) {
                return BrakeChain {
                    held,
                    next: Some(index),
                };
            }
            held = Some(ladder.levels[index].gait);
        }
        BrakeChain { held, next: None }
    }

    /// Nothing is asked faster from the saddle. There is no brake at the trot and the gallop:
    /// the gait below stands for it.
    pub fn fastest(self) -> Gait {
        match self.held {
            None | Some(Gait::Stand) => Gait::Stand,
            Some(Gait::Walk) => Gait::Walk,
            Some(Gait::Jog | Gait::Trot) => Gait::Trot,
            Some(Gait::Lope | Gait::Gallop) => Gait::Gallop,
        }
    }

    /// Why nothing fast is done for now; none where the brake is held at the lope.
    pub fn no_fast_work(
        self,
        ladder: &Ladder,
        standings: &[Standing],
        sex: Option<Sex>,
    ) -> Option<String> {
        let is_fast = self.fastest() >= Gait::Lope;
        self.text(ladder, standings, sex).filter(|_| !is_fast)
    }

    /// Whether a level may be asked at its gait.
    pub fn allows(self, ladder: &Ladder, index: usize) -> bool {
        let level: &LadderLevel = &ladder.levels[index];
        level.ground || level.gait <= self.fastest() || self.next == Some(index)
    }

    /// Why it goes no further, in a sentence: "Walk only: the brake missed twice on the right
    /// since March 3." None where it holds all the way up.
    pub fn text(self, ladder: &Ladder, standings: &[Standing], sex: Option<Sex>) -> Option<String> {
        let next = self.next?;
        let him = pronouns(sex);
        let broken = slowest_first(ladder)
            .map(|index| (index, &standings[index].history.hold))
            .find(|(index, hold)| *index >= next && hold.phase == Phase::Lost);
        if let Some(why) = broken.and_then(|(_, hold)| lost(hold)) {
            let only = match self.fastest() {
                Gait::Stand => "Standing only".to_owned(),
                Gait::Trot => "Jog and trot only".to_owned(),
                gait => format!("{} only", capital(gait.word())),
            };
            return Some(format!("{only}: {why}"));
        }
        let his = capital(him.his);
        Some(match self.held {
            None => format!("{his} brake isn't held yet: nothing but standing, and learning it."),
            Some(Gait::Stand) => {
                format!("{his} brake is held standing only: moving is for learning it.")
            }
            Some(gait) => format!(
                "Nothing faster than the {0}: {1} brake is held at the {0}.",
                gait.word(),
                him.his
            ),
        })
    }
}

/// What the brake keeps a horse from for now.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BrakeLimit {
    /// Why, in a sentence: "Walk only: the brake missed twice on the right since March 3."
    pub text: String,
    /// Levels that are too fast for it.
    pub too_fast: Vec<Level>,
}

impl BrakeLimit {
    /// What the brake of a judged horse keeps it from; none where it is held all the way up.
    pub fn of(ladder: &Ladder, standings: &[Standing], sex: Option<Sex>) -> Option<BrakeLimit> {
        let chain = BrakeChain::of(ladder, standings);
        let too_fast = (0..ladder.levels.len()).filter(|index| !chain.allows(ladder, *index));
        Some(BrakeLimit {
            text: chain.text(ladder, standings, sex)?,
            too_fast: too_fast
                .map(|index| ladder.levels[index].level.clone())
                .collect(),
        })
    }
}

/// Whether a brake level counts for the chain.
fn raises(hold: &Hold) -> bool {
    hold.counts() && hold.by != HeldBy::Word
}

fn slowest_first(ladder: &Ladder) -> impl Iterator<Item = usize> {
    let mut brakes: Vec<usize> = ladder.levels_in(Role::Brake).collect();
    brakes.sort_by_key(|index| ladder.levels[*index].gait);
    brakes.into_iter()
}

/// How a brake level was lost: "the brake missed twice on the right since March 3."
fn lost(hold: &Hold) -> Option<String> {
    let lost = hold.lost.as_ref()?;
    let Because::Missed(missed) = &lost.because else {
        return Some(format!("the brake was lost on {}.", on_day(lost.day)));
    };
    let since = on_day(missed.from);
    Some(match (missed.missed, missed.side) {
        (2, side @ (Side::Left | Side::Right)) => {
            format!(
                "the brake missed twice on the {} since {since}.",
                side.word()
            )
        }
        _ => format!("the brake: {} since {since}.", not_soft(missed)),
    })
}
