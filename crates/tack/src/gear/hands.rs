//! Hand weight by rider over time, and hands that are heavier than a rig allows.
//!
//! # Source
//! Classes of hand weight are our own (see `rep::HandWeight`); what a rig allows where nobody
//! wrote it down is a product default.

use std::collections::BTreeMap;

use jiff::ToSpan;
use jiff::civil::Date;
use serde::Serialize;
use uuid::Uuid;

use crate::day::monday_of;
use crate::rep::HandWeight;
use crate::rig::RigKind;

/// Weeks that are shown.
pub const WEEKS: i64 = 12;
/// Days looked at for hands that were heavier than the rig allows.
pub const LATELY_DAYS: i64 = 14;
/// Asks in a rig before anything is said.
pub const LEAST_ASKS: u32 = 8;
/// Said where at least so much of them were heavier.
pub const SAID_FROM: f64 = 0.25;

/// The most hand a kind of rig allows where nobody wrote it down.
pub fn most_hand(kind: RigKind) -> HandWeight {
    match kind {
        RigKind::Halter | RigKind::Snaffle => HandWeight::ClosedHand,
        RigKind::Bosal | RigKind::Shank | RigKind::TwoRein => HandWeight::TwoFingers,
    }
}

/// One ask, as far as the hand goes.
#[derive(Debug, Clone, Copy)]
pub struct HandAsk {
    /// Who asked.
    pub rider_id: Uuid,
    /// The day.
    pub day: Date,
    /// How much was in the hand.
    pub hand: HandWeight,
    /// The most the rig allows; none where the rig is not known.
    pub allowed: Option<HandWeight>,
}

/// A week of one rider.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HandWeek {
    /// Its Monday.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub monday: Date,
    /// Asks whose hand was said.
    pub asks: u32,
    /// Half of them took this or less.
    pub middle: HandWeight,
    /// At most one in ten took more than this.
    pub heavy: HandWeight,
}

/// The hands of one rider.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RiderHands {
    /// Who.
    pub rider_id: Uuid,
    /// Week by week, oldest first; weeks without asks are left out.
    pub weeks: Vec<HandWeek>,
    /// Asks of the last two weeks in rigs whose limit is known.
    pub lately: u32,
    /// Of those heavier than the rig allows.
    pub heavier: u32,
    /// It is worth a word.
    pub worth_a_word: bool,
}

/// The hands of every rider until a day.
pub fn rider_hands(asks: &[HandAsk], on: Date) -> Vec<RiderHands> {
    let from = monday_of(on).saturating_sub((7 * (WEEKS - 1)).days());
    let lately_from = on.saturating_sub(LATELY_DAYS.days());
    let mut riders: BTreeMap<Uuid, Vec<&HandAsk>> = BTreeMap::new();
    for ask in asks.iter().filter(|ask| (from..=on).contains(&ask.day)) {
        riders.entry(ask.rider_id).or_default().push(ask);
    }
    riders
        .into_iter()
        .map(|(rider_id, own)| {
            let mut weeks: BTreeMap<Date, Vec<HandWeight>> = BTreeMap::new();
            for ask in &own {
                weeks.entry(monday_of(ask.day)).or_default().push(ask.hand);
            }
            let late = own.iter().filter(|ask| ask.day > lately_from);
            let known: Vec<(HandWeight, HandWeight)> = late
                .filter_map(|ask| Some((ask.hand, ask.allowed?)))
                .collect();
            let heavier = known.iter().filter(|(hand, most)| hand > most).count() as u32;
            let lately = known.len() as u32;
            RiderHands {
                rider_id,
                weeks: weeks.into_iter().map(week).collect(),
                lately,
                heavier,
                worth_a_word: lately >= LEAST_ASKS
                    && f64::from(heavier) >= SAID_FROM * f64::from(lately),
            }
        })
        .collect()
}

fn week((monday, mut hands): (Date, Vec<HandWeight>)) -> HandWeek {
    hands.sort_unstable();
    HandWeek {
        monday,
        asks: hands.len() as u32,
        middle: hands[(hands.len() - 1) / 2],
        heavy: hands[(hands.len() * 9 - 1) / 10],
    }
}

/// What is said of it to the trainer, kindly.
pub fn says(name: &str, hands: &RiderHands) -> String {
    format!(
        "{name} had more in the hand than the tack allows on {} of the last {} asks. A ride \
         together, or a milder piece for a while, may help both.",
        hands.heavier, hands.lately
    )
}
