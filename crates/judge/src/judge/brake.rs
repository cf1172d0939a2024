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
use super::held::hold::Hold;
use super::held::saying::HeldBy;
use super::held_words::not_soft;
use super::standing::Standing;
use crate::Gait;
use crate::Side;
use crate::bounds::{FieldError, NOTE_LETTERS, OF_A_CARD};
use crate::horse::Sex;
use crate::ladder::check::find_level;
use crate::ladder::{Ladder, LadderLevel, Level, Role};
use crate::text::check_text;
use crate::wording::{capital, on_day, pronouns};

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

    /// Nothing is asked faster from the saddle.
    pub fn fastest(self) -> Gait {
        fastest(self.held)
    }

    /// Where it was lost, in a sentence: "Walk only: the brake missed twice on the right since
    /// March 3." None where it only has not come so far yet.
    pub fn lost_text(self, ladder: &Ladder, standings: &[Standing]) -> Option<String> {
        let next = self.next?;
        let broken = slowest_first(ladder)
            .map(|index| (index, &standings[index].history.hold))
            .find(|(index, hold)| *index >= next && hold.owes_way_back);
        let why = broken.and_then(|(_, hold)| lost(hold))?;
        let only = match self.fastest() {
            Gait::Stand => "Standing only".to_owned(),
            Gait::Trot => "Jog and trot only".to_owned(),
            gait => format!("{} only", capital(gait.word())),
        };
        Some(format!("{only}: {why}"))
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

    /// Why it goes no further, in a sentence. None where it holds all the way up.
    pub fn text(self, ladder: &Ladder, standings: &[Standing], sex: Option<Sex>) -> Option<String> {
        self.next?;
        if let Some(lost) = self.lost_text(ladder, standings) {
            return Some(lost);
        }
        let him = pronouns(sex);
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
#[serde(deny_unknown_fields)]
pub struct BrakeLimit {
    /// Why, in a sentence: "Walk only: the brake missed twice on the right since March 3."
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 600))]
    pub text: String,
    /// Levels that are too fast for it.
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub too_fast: Vec<Level>,
}

impl BrakeLimit {
    /// What the brake of a judged horse keeps it from; none where it is held all the way up.
    pub fn of(ladder: &Ladder, standings: &[Standing], sex: Option<Sex>) -> Option<BrakeLimit> {
        let chain = BrakeChain::of(ladder, standings);
        let text = chain.text(ladder, standings, sex)?;
        Some(BrakeLimit::new(chain, ladder, text))
    }

    /// What a brake that was lost keeps a horse from; none where it only has not come so far
    /// yet, as on a horse that is new here: what it can is found out then.
    pub fn of_lost(ladder: &Ladder, standings: &[Standing]) -> Option<BrakeLimit> {
        let chain = BrakeChain::of(ladder, standings);
        let text = chain.lost_text(ladder, standings)?;
        Some(BrakeLimit::new(chain, ladder, text))
    }

    /// Checks that it says something, of levels that are known.
    ///
    /// # Errors
    /// The first field that does not fit.
    pub fn check(&self) -> Result<(), FieldError> {
        check_text(NOTE_LETTERS, "/text", &self.text)?;
        OF_A_CARD.check_count("/too_fast", self.too_fast.len())?;
        let ladder = Ladder::every_level();
        for (index, level) in self.too_fast.iter().enumerate() {
            let at = format!("/too_fast/{index}");
            find_level(level, ladder).map_err(|error| error.under(&at))?;
        }
        Ok(())
    }

    fn new(chain: BrakeChain, ladder: &Ladder, text: String) -> BrakeLimit {
        let too_fast = (0..ladder.levels.len()).filter(|index| !chain.allows(ladder, *index));
        BrakeLimit {
            text,
            too_fast: too_fast
                .map(|index| ladder.levels[index].level.clone())
                .collect(),
        }
    }
}

/// The fastest gait that a brake held so far up allows. There is no brake at the trot and the
/// gallop: the gait below stands for it.
fn fastest(held: Option<Gait>) -> Gait {
    match held {
        None | Some(Gait::Stand) => Gait::Stand,
        Some(Gait::Walk) => Gait::Walk,
        Some(Gait::Jog | Gait::Trot) => Gait::Trot,
        Some(Gait::Lope | Gait::Gallop) => Gait::Gallop,
    }
}

/// The brake levels that are held before a level may be asked at its gait, slowest first.
pub fn before(ladder: &Ladder, level: &LadderLevel) -> Vec<usize> {
    let mut before = Vec::new();
    if level.ground || level.is(Role::Brake) {
        return before;
    }
    let mut brakes = slowest_first(ladder);
    let mut held = None;
    while fastest(held) < level.gait {
        let Some(next) = brakes.next() else { break };
        held = Some(ladder.levels[next].gait);
        before.push(next);
    }
    before
}

/// Whether a brake level counts for the chain.
pub fn raises(hold: &Hold) -> bool {
    hold.counts() && hold.by != HeldBy::Word && !hold.owes_way_back
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
