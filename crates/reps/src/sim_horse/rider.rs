//! Who rides a simulated horse: how strict they are, and when they quit.

use crate::Side;

/// A rider.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct Rider {
    /// How much higher (a rider who asks better, or calls more of it soft) or lower
    /// the answers of the same horse lie, on the logit scale.
    pub offset: f64,
    /// When the rider quits.
    pub quits: Quits,
    /// On a bad day the rider asks once a side and leaves it.
    pub spares_bad_days: bool,
}

/// When a rider has asked enough. Good riders quit on a good one, so the number of
/// asks is not free of the answers.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub enum Quits {
    /// After the asks that were planned.
    #[default]
    AsPlanned,
    /// A side on its first soft answer, or when the planned asks are used up.
    OnFirstSoft,
    /// A side after two soft ones in a row, or when the planned asks are used up.
    AfterTwoInARow,
    /// A side only on a good one: after the planned asks goes on until one is soft, up
    /// to [`UNTIL_GOOD_MORE`] more.
    UntilGood,
    /// Two asks of each side, then all the others on the side that goes worse; where that
    /// changes on the way, a few more.
    DrillsTheBadSide,
}

/// How many more asks a rider makes who will not quit on a bad one.
pub const UNTIL_GOOD_MORE: u32 = 6;
/// Asks of each side before the bad one is drilled.
const BOTH_FIRST: u32 = 2;

/// What the rider has seen of one side in this block.
#[derive(Debug, Clone, Copy, Default)]
struct SeenOfSide {
    asked: u32,
    soft: u32,
    in_a_row: u32,
}

/// The asks of one block, made one after the other.
pub(super) struct Asking {
    quits: Quits,
    sides: Vec<(Side, u32)>,
    seen: [SeenOfSide; 2],
}

impl Asking {
    /// `planned` asks of each side, left first.
    pub fn new(quits: Quits, planned: Vec<(Side, u32)>) -> Asking {
        Asking {
            quits,
            sides: planned,
            seen: [SeenOfSide::default(); 2],
        }
    }

    /// The side asked next, which of its asks that is, and how many are planned. Left
    /// and right in turn, two at a time.
    pub fn next(&self) -> Option<(Side, u32, u32)> {
        let drilled = self.drilled();
        self.sides
            .iter()
            .enumerate()
            .filter_map(|(at, (side, planned))| {
                let planned = drilled.map_or(*planned, |(bad, all)| {
                    if bad == at {
                        all - BOTH_FIRST
                    } else {
                        BOTH_FIRST
                    }
                });
                let asked = self.seen[at].asked;
                self.wants(at, planned)
                    .then_some((asked / 2, at, *side, asked, planned))
            })
            .min()
            .map(|(_, _, side, asked, planned)| (side, asked, planned.max(asked + 1)))
    }

    /// What came of the ask.
    pub fn answered(&mut self, side: Side, soft: bool) {
        let at = self
            .sides
            .iter()
            .position(|(one, _)| *one == side)
            .unwrap_or(0);
        let seen = &mut self.seen[at];
        seen.asked += 1;
        seen.soft += u32::from(soft);
        seen.in_a_row = if soft { seen.in_a_row + 1 } else { 0 };
    }

    /// Whether a side is to be asked again.
    fn wants(&self, at: usize, planned: u32) -> bool {
        let seen = self.seen[at];
        match self.quits {
            Quits::AsPlanned | Quits::DrillsTheBadSide => seen.asked < planned,
            Quits::OnFirstSoft => seen.asked < planned && seen.soft == 0,
            Quits::AfterTwoInARow => seen.asked < planned && seen.in_a_row < 2,
            Quits::UntilGood => {
                seen.asked < planned
                    || planned > 0 && seen.in_a_row == 0 && seen.asked < planned + UNTIL_GOOD_MORE
            }
        }
    }

    /// The side that is drilled, and the asks of both together; none before both were
    /// asked.
    fn drilled(&self) -> Option<(usize, u32)> {
        let all: u32 = self.sides.iter().map(|(_, planned)| planned).sum();
        let both = self.sides.len() == 2 && self.seen.iter().all(|seen| seen.asked >= BOTH_FIRST);
        (self.quits == Quits::DrillsTheBadSide && both && all > 2 * BOTH_FIRST).then(|| {
            let worse =
                self.seen[0].soft * self.seen[1].asked > self.seen[1].soft * self.seen[0].asked;
            (usize::from(worse), all)
        })
    }
}
