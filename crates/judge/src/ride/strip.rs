//! The rein strip: a ride's reps in time, each with what the judge makes of it.

use std::collections::{HashMap, HashSet};

use jiff::{Timestamp, civil::Date};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::Side;
use crate::evidence::{asks_in_order, first_ask::first_asks};
use crate::judge::window::window_of;
use crate::ladder::{FaultId, Ladder, LadderLevel};
use crate::rep::{Measure, Rep};

/// One ride's reps of one level.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Strip {
    /// The ride.
    pub ride_id: Uuid,
    /// Its day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// Whether the gate's window holds it.
    pub in_window: bool,
    /// Its reps in the order of asking.
    pub reps: Vec<StripRep>,
}

/// One rep of a strip.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StripRep {
    /// The rep.
    pub rep_id: Uuid,
    /// The side.
    pub side: Side,
    /// When the ask began.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = DateTime))]
    pub asked_at: Timestamp,
    /// What was measured.
    pub measure: Measure,
    /// Whether it was soft.
    pub soft: bool,
    /// Whether it was the day's first ask on its side.
    pub first_ask: bool,
    /// Faults that were seen or that the measure tells of.
    pub faults: Vec<FaultId>,
}

/// The strips of a level's reps, oldest ride first, as judged on `on`. Reps
/// after `on` are left out.
pub fn strips(reps: &[Rep], level: &LadderLevel, ladder: &Ladder, on: Date) -> Vec<Strip> {
    let mut asks = asks_in_order(reps, level, ladder);
    asks.retain(|ask| ask.day <= on);
    let firsts: HashSet<Uuid> = level
        .asked_sides()
        .iter()
        .flat_map(|side| first_asks(&asks, *side))
        .map(|first| first.rep_id)
        .collect();
    let window: HashSet<Uuid> = window_of(&asks, &level.gate, on)
        .iter()
        .map(|ask| ask.ride_id)
        .collect();
    let by_id: HashMap<Uuid, &Rep> = reps.iter().map(|rep| (rep.rep_id, rep)).collect();
    let mut strips: Vec<Strip> = Vec::new();
    for (ask, rep) in asks
        .iter()
        .filter_map(|ask| Some((ask, *by_id.get(&ask.rep_id)?)))
    {
        let drawn = StripRep {
            rep_id: rep.rep_id,
            side: rep.side,
            asked_at: rep.asked_at,
            measure: rep.measure.clone(),
            soft: ask.soft,
            first_ask: firsts.contains(&rep.rep_id),
            faults: ask
                .faults
                .positions()
                .filter_map(|index| ladder.faults.get(index))
                .map(|fault| fault.id.clone())
                .collect(),
        };
        match strips
            .iter_mut()
            .rev()
            .find(|strip| strip.ride_id == rep.ride_id)
        {
            Some(strip) => strip.reps.push(drawn),
            None => strips.push(Strip {
                ride_id: rep.ride_id,
                day: rep.day,
                in_window: window.contains(&rep.ride_id),
                reps: vec![drawn],
            }),
        }
    }
    strips
}
