//! Where a level stands, as a machine over the days. Asks, words and needs move it; the
//! passing of time does not.
//!
//! | from | by | to |
//! |---|---|---|
//! | never held, lost | the gate stands open, all it needs is held and not in doubt | held |
//! | any | the trainer's word, a placing, an intake | held, until first asks say otherwise |
//! | held | points of answers that were not soft | in doubt, and back; lost |
//! | held | a poor ride | eased, until first asks are soft again |
//! | held | something it needs no longer counts | waiting; then a cold test |
//! | any | the trainer keeps it back | kept back |

use jiff::Timestamp;
use jiff::civil::Date;
use uuid::Uuid;

use super::belief::Belief;
use super::change::{Because, Change, Moved};
use super::drop::SideDrop;
use super::ease::{EaseReason, Eased};
use super::safety::SafetyScore;
use super::saying::{HeldBy, Said, Saying};
use super::score::{IN_DOUBT_FROM, Missed, SideScore, WATCHED_FROM, slot};
use crate::Side;
use crate::evidence::Ask;
use crate::ladder::{Gate, Ladder, Level};

/// The phase of a level, by its own evidence and what was said of it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub enum Phase {
    /// Never held.
    Never,
    /// Held.
    Held,
    /// Held once, and lost.
    Lost,
    /// The trainer keeps it from counting.
    KeptBack,
}

/// The ask after which a gate begins anew.
pub type AfterAsk = (Date, Timestamp, Uuid);

/// Where a level stands.
#[derive(Debug, Clone, PartialEq)]
pub struct Hold {
    /// Its phase.
    pub phase: Phase,
    /// What it rests on while it is held.
    pub by: HeldBy,
    /// The level above that was said to be held, where it counts for that alone.
    pub covered_by: Option<Level>,
    /// Since when it is in this phase; none while it was never held.
    pub since: Option<Date>,
    /// In doubt: the answers that say so.
    pub in_doubt: Option<Missed>,
    /// Sent down.
    pub eased: Option<Eased>,
    /// On a level's first days with nothing under it: the last ride was too much.
    pub lighter: Option<EaseReason>,
    /// Something it needs does not count: since when, and what.
    pub waiting: Option<(Date, Level)>,
    /// What it needs is back since that day; a cold test comes first.
    pub retest: Option<Date>,
    /// A side that went bad at once, until somebody answers.
    pub dropped: Option<SideDrop>,
    /// Days since it is held on which the gate passed.
    pub passed_days: u32,
    /// The gate looks at asks after this one.
    pub gate_after: Option<AfterAsk>,
    /// How it was lost last.
    pub lost: Option<Change>,
    /// It was held before.
    pub was_held: bool,
    /// A safety level that was lost, and did not come back by its own way yet, whatever was
    /// said of it since.
    pub owes_way_back: bool,
    /// The trainer said on that day that it counts.
    word: Option<Date>,
    scores: [SideScore; 2],
    safety: Option<SafetyScore>,
    belief: Option<Belief>,
}

impl Hold {
    /// Nothing known yet.
    pub fn new(safety: bool) -> Hold {
        Hold {
            phase: Phase::Never,
            by: HeldBy::Gate,
            covered_by: None,
            since: None,
            in_doubt: None,
            eased: None,
            lighter: None,
            waiting: None,
            retest: None,
            dropped: None,
            passed_days: 0,
            gate_after: None,
            lost: None,
            was_held: false,
            owes_way_back: false,
            word: None,
            scores: <[SideScore; 2]>::default(),
            safety: safety.then(SafetyScore::default),
            belief: None,
        }
    }

    /// Whether it is held by its own evidence.
    pub fn is_held(&self) -> bool {
        self.phase == Phase::Held
    }

    /// What it rests on while it is held.
    pub fn held_by(&self) -> Option<HeldBy> {
        self.is_held().then_some(self.by)
    }

    /// Whether what rests on it may count on it.
    pub fn counts(&self) -> bool {
        self.is_held() && self.eased.is_none() && self.waiting.is_none() && self.retest.is_none()
    }

    /// Whether it is a safety level: lost sooner, with a way back of its own.
    pub fn is_safety(&self) -> bool {
        self.safety.is_some()
    }

    /// Placed or shown at intake, and neither confirmed nor contradicted yet.
    pub fn is_unconfirmed(&self, sides: &[Side]) -> bool {
        self.is_held()
            && self
                .belief
                .is_some_and(|belief| !belief.is_confirmed(sides))
    }

    /// Points against each side, left or both first.
    pub fn points(&self) -> [u32; 2] {
        [self.scores[0].points(), self.scores[1].points()]
    }

    /// The side that stands worst, when it is to be asked a little every ride.
    pub fn watched(&self, sides: &[Side]) -> Option<Side> {
        if !self.is_held() {
            return None;
        }
        if let Some(safety) = &self.safety {
            return safety.watched();
        }
        let worst = sides
            .iter()
            .max_by_key(|side| self.scores[slot(**side)].points())?;
        (self.scores[slot(*worst)].points() >= WATCHED_FROM).then_some(*worst)
    }

    /// Days without a soft showing after which it is rusty.
    pub fn rusty_after_days(&self, gate: &Gate) -> u32 {
        if self.passed_days >= gate.firm_on_days || self.by == HeldBy::Word {
            gate.rusty_days_firm
        } else {
            gate.rusty_days
        }
    }

    /// The gate it is held against now: after a loss the whole gate anew, for a safety level
    /// its own way back.
    pub fn gate(&self, gate: &Gate) -> Gate {
        if self.owes_way_back {
            super::safety::way_back(gate)
        } else if self.phase == Phase::Lost {
            gate.anew()
        } else {
            *gate
        }
    }

    /// Whether its gate looks at asks since a loss only.
    pub(in crate::judge) fn begins_anew(&self) -> bool {
        self.owes_way_back || self.phase == Phase::Lost
    }

    /// It comes to be held.
    pub(in crate::judge) fn gain(&mut self, day: Date, because: Because) -> Change {
        let moved = if self.was_held {
            Moved::Regained
        } else {
            Moved::Gained
        };
        self.by = match because {
            Because::Word => HeldBy::Word,
            Because::Placed => HeldBy::Placed,
            Because::Intake => HeldBy::Intake,
            Because::Above { .. } => self.by,
            _ => HeldBy::Gate,
        };
        let is_shown = matches!(because, Because::Gate | Because::InARow);
        // Nobody talks a miss of a safety level away.
        if let Some(safety) = self.safety.as_mut().filter(|_| is_shown) {
            safety.begin();
            self.owes_way_back = false;
        }
        self.phase = Phase::Held;
        self.since = Some(day);
        self.was_held = true;
        self.covered_by = None;
        self.in_doubt = None;
        self.waiting = None;
        self.retest = None;
        if !self.owes_way_back {
            self.lost = None;
        }
        self.passed_days = 0;
        self.scores = <[SideScore; 2]>::default();
        self.belief = None;
        Change {
            day,
            moved,
            because,
        }
    }

    /// Its own gate passed while it was held by somebody's word: it rests on the gate now.
    pub(in crate::judge) fn proven(&mut self) {
        self.by = HeldBy::Gate;
        self.covered_by = None;
        self.belief = None;
        if self.owes_way_back {
            self.owes_way_back = false;
            self.lost = None;
            self.safety = Some(SafetyScore::default());
        }
    }

    fn lose(&mut self, day: Date, because: Because, after: AfterAsk) -> Change {
        let change = Change {
            day,
            moved: Moved::Lost,
            because,
        };
        self.phase = Phase::Lost;
        self.owes_way_back = self.is_safety();
        self.since = Some(day);
        self.in_doubt = None;
        self.waiting = None;
        self.retest = None;
        self.covered_by = None;
        self.belief = None;
        self.passed_days = 0;
        self.gate_after = Some(after);
        self.lost = Some(change.clone());
        change
    }

    /// Takes in what was said of the level.
    pub(in crate::judge) fn hear(&mut self, said: &Said, ladder: &Ladder) -> Option<Change> {
        let day = said.day;
        if said.saying == Saying::Counts {
            self.word = Some(day);
        }
        match said.saying {
            Saying::Counts if self.is_held() => self.clear(day),
            Saying::Counts => {
                let change = self.gain(day, Because::Word);
                self.eased = None;
                Some(change)
            }
            Saying::KeptBack => {
                self.phase = Phase::KeptBack;
                self.since = Some(day);
                self.in_doubt = None;
                let because = Because::Word;
                Some(Change {
                    day,
                    moved: Moved::KeptBack,
                    because,
                })
            }
            Saying::Likely { .. } if self.is_held() && self.by == HeldBy::Gate => None,
            // More than somebody's word, or than what is said of a level above.
            Saying::Likely { by, chance } if self.is_held() => {
                self.by = by;
                self.covered_by = None;
                self.belief = Some(Belief::of(chance));
                None
            }
            Saying::Likely { by, chance } => {
                let because = if by == HeldBy::Placed {
                    Because::Placed
                } else {
                    Because::Intake
                };
                let change = self.gain(day, because);
                self.belief = Some(Belief::of(chance));
                Some(change)
            }
            Saying::Under { above, by, chance } => {
                if self.phase != Phase::Never {
                    return None;
                }
                let level = ladder.levels[above].level.clone();
                let change = self.gain(
                    day,
                    Because::Above {
                        level: level.clone(),
                    },
                );
                self.by = by;
                self.covered_by = Some(level);
                self.belief = chance.map(Belief::of);
                Some(change)
            }
        }
    }

    /// The trainer's word on a level that is held: what stood against it is forgiven, but
    /// for the misses of a safety level.
    fn clear(&mut self, day: Date) -> Option<Change> {
        let stood = self.in_doubt.is_some() || self.eased.is_some() || self.retest.is_some();
        self.scores = <[SideScore; 2]>::default();
        self.in_doubt = None;
        self.eased = None;
        self.retest = None;
        self.belief = None;
        let (moved, because) = (Moved::Cleared, Because::Word);
        stood.then_some(Change {
            day,
            moved,
            because,
        })
    }

    /// Takes in the answers of one ride, in order; `disturbed` when it says little of the
    /// horse. What moved by it.
    pub(in crate::judge) fn ride(
        &mut self,
        ride: &[Ask],
        sides: &[Side],
        disturbed: bool,
    ) -> Option<Change> {
        let (day, last) = (ride[0].day, &ride[ride.len() - 1]);
        if let Some(safety) = &mut self.safety {
            let lost = ride
                .iter()
                .find_map(|ask| safety.answer(ask.side, ask.day, ask.soft));
            // The way back begins on the day after the miss.
            let after = (day, Timestamp::MAX, Uuid::max());
            return lost.map(|missed| self.lose(day, Because::Missed(missed), after));
        }
        if disturbed {
            return None;
        }
        let mut lost = None;
        let mut answers: Vec<bool> = Vec::with_capacity(ride.len());
        for side in sides {
            let of_side = ride.iter().filter(|ask| ask.side == *side);
            answers.clear();
            answers.extend(of_side.map(|ask| ask.soft));
            if !answers.is_empty() {
                let score = &mut self.scores[slot(*side)];
                lost = lost.or(score.ride(*side, day, &answers));
            }
        }
        let after = (day, last.asked_at, last.rep_id);
        lost.map(|missed| self.lose(day, Because::Missed(missed), after))
    }

    /// What a safety level missed while it was kept back is not forgotten.
    pub(in crate::judge) fn answers_while_kept_back(&mut self, asks: &[Ask]) {
        let is_kept_back = self.phase == Phase::KeptBack && self.was_held;
        let Some(safety) = self.safety.as_mut().filter(|_| is_kept_back) else {
            return;
        };
        let mut missed = asks
            .iter()
            .filter_map(|ask| safety.answer(ask.side, ask.day, ask.soft));
        if let Some(missed) = missed.next() {
            self.owes_way_back = true;
            self.lost = Some(Change {
                day: asks[0].day,
                moved: Moved::Lost,
                because: Because::Missed(missed),
            });
        }
    }

    /// A lost safety level missed again: its way back begins anew on the next day.
    pub(in crate::judge) fn miss_on_the_way_back(&mut self, day: Date) {
        self.gate_after = Some((day, Timestamp::MAX, Uuid::max()));
    }

    /// Takes in the first asks of a day for a level that was placed or shown at intake.
    pub(in crate::judge) fn first_asks(&mut self, asks: &[Ask], sides: &[Side]) -> Option<Change> {
        let belief = self.belief.as_mut()?;
        for side in sides {
            if let Some(first) = asks.iter().find(|ask| ask.side == *side) {
                belief.first_ask(*side, first.soft);
            }
        }
        let (missed, asked) = belief.missed_of();
        let last = &asks[asks.len() - 1];
        (!belief.counts()).then(|| {
            let because = Because::Contradicted { missed, asked };
            self.lose(last.day, because, (last.day, last.asked_at, last.rep_id))
        })
    }

    /// How the level stands in doubt at the end of a day.
    pub(in crate::judge) fn doubt(&mut self, day: Date, sides: &[Side]) -> Option<Change> {
        if !self.is_held() || self.is_safety() {
            return None;
        }
        let worst = sides
            .iter()
            .max_by_key(|side| self.scores[slot(**side)].points())?;
        let score = &self.scores[slot(*worst)];
        let missed = score
            .missed(*worst)
            .filter(|_| score.points() >= IN_DOUBT_FROM);
        let was = std::mem::replace(&mut self.in_doubt, missed);
        let (moved, because) = match (was, missed) {
            (None, Some(missed)) => (Moved::InDoubt, Because::Missed(missed)),
            (Some(_), None) => (Moved::Cleared, Because::Soft),
            _ => return None,
        };
        Some(Change {
            day,
            moved,
            because,
        })
    }

    /// What it needs, on a day: whether it waits, and whether it may be tested again.
    pub(in crate::judge) fn rest_on(
        &mut self,
        day: Date,
        missing: Option<&Level>,
    ) -> Option<Change> {
        if !self.is_held() {
            return None;
        }
        let need = |level: &Level| Because::Need {
            level: level.clone(),
        };
        match (&self.waiting, missing) {
            (None, Some(level)) => {
                self.waiting = Some((day, level.clone()));
                self.retest = None;
                Some(Change {
                    day,
                    moved: Moved::Waiting,
                    because: need(level),
                })
            }
            (Some((_, level)), None) => {
                let because = need(level);
                self.waiting = None;
                // Whoever says on that day that it counts has no need of a cold test.
                if self.word == Some(day) {
                    return Some(Change {
                        day,
                        moved: Moved::Retested,
                        because: Because::Word,
                    });
                }
                self.retest = Some(day);
                Some(Change {
                    day,
                    moved: Moved::Retest,
                    because,
                })
            }
            _ => None,
        }
    }

    /// The first asks of a later day were soft on every side: a level that waited counts
    /// again.
    pub(in crate::judge) fn tested_cold(&mut self, day: Date, firsts_soft: bool) -> Option<Change> {
        self.retest.filter(|since| *since < day && firsts_soft)?;
        self.retest = None;
        Some(Change {
            day,
            moved: Moved::Retested,
            because: Because::Soft,
        })
    }
}
