//! An ask as the judge sees it, and asks in order.

use jiff::Timestamp;
use jiff::civil::Date;
use uuid::Uuid;

use crate::Side;
use crate::ladder::{FaultSet, Ladder, LadderLevel};
use crate::rep::{Rep, TimeToGive};

/// A rep as the judge sees it: softness decided, faults found.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Ask {
    /// The rep.
    pub rep_id: Uuid,
    /// Its ride.
    pub ride_id: Uuid,
    /// The barn's calendar day.
    pub day: Date,
    /// When the ask began.
    pub asked_at: Timestamp,
    /// The side asked.
    pub side: Side,
    /// Whether the answer was soft.
    pub soft: bool,
    /// What it adds to a count; 1 where nothing is counted.
    pub count: u32,
    /// Time to give, or time waited, where it was timed.
    pub time: Option<TimeToGive>,
    /// Faults seen or told of by the measure.
    pub faults: FaultSet,
    /// How much more or less is soft with this rider than with the barn's usual one,
    /// on the logit scale; 0 where that is not known.
    pub rider_offset: f32,
    /// The rig was new to the horse on that ride.
    pub new_rig: bool,
}

impl Ask {
    /// A rep of `level` as the judge sees it.
    pub fn of(rep: &Rep, level: &LadderLevel, ladder: &Ladder) -> Ask {
        Ask {
            rep_id: rep.rep_id,
            ride_id: rep.ride_id,
            day: rep.day,
            asked_at: rep.asked_at,
            side: rep.side,
            soft: rep.measure.is_soft(&level.gate.soft, level.gait),
            count: rep.measure.count(),
            time: rep.measure.time(),
            faults: ladder.faults_of(rep, &level.gate.soft),
            rider_offset: 0.0,
            new_rig: false,
        }
    }
}

/// The asks of one level, oldest first. The order in which reps arrived does
/// not matter: they are sorted by day, time of asking and id. One of which too little was seen to
/// be judged is left out.
pub fn asks_in_order<'a>(
    reps: impl IntoIterator<Item = &'a Rep>,
    level: &LadderLevel,
    ladder: &Ladder,
) -> Vec<Ask> {
    let mut asks: Vec<Ask> = reps
        .into_iter()
        .filter(|rep| rep.measure.is_judged())
        .map(|rep| Ask::of(rep, level, ladder))
        .collect();
    sort(&mut asks);
    asks
}

/// Puts asks into the order of asking.
pub fn sort(asks: &mut [Ask]) {
    asks.sort_unstable_by_key(|ask| (ask.day, ask.asked_at, ask.rep_id));
}
