//! The load of one ride: minutes by the weight of gait and work. Where the rider says how
//! hard it was on the horse, that counts instead.
//!
//! # Source
//! Session rating times minutes: Foster et al. 2001 (a category-ratio scale of 0 to 10).
//! The weights of gait and work (walk 1, jog 2, trot 2.5, lope 3, cattle and rollbacks 4,
//! run 5) are common practice, no source. That a run weighs as much as the top of the
//! scale, so that a rating counts half its figure, is a product default.

use crate::Gait;
use crate::ladder::{AtHand, LadderLevel};
use crate::rep::MeasureKind;
use crate::ride::Exertion;

/// The longest ride that counts, in minutes: one that nobody finished counts no more.
const MOST_MIN: f64 = 180.0;
/// Minutes before and after an ask at which the horse was at its work. Product default.
const AROUND_ASK_MIN: f64 = 1.0;
/// Minutes of a ride of which only the last ask is known, after it.
const AFTER_LAST_MIN: f64 = 2.0;
/// How much a minute at a run weighs against the top of the rating.
const OF_RATING: f64 = 0.5;

/// The figure of a rating on the scale of Foster 2001.
fn rating(rated: Exertion) -> f64 {
    match rated {
        Exertion::VeryEasy => 1.0,
        Exertion::Easy => 2.0,
        Exertion::Moderate => 3.0,
        Exertion::Hard => 5.0,
        Exertion::VeryHard => 7.0,
        Exertion::AllItHad => 10.0,
    }
}

/// An ask as far as load goes.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct WorkAsk {
    /// Minutes after the ride began.
    pub after_min: f64,
    /// What a minute of its work weighs.
    pub weight: f64,
}

/// What a minute at a gait weighs.
pub fn weight_of_gait(gait: Gait) -> f64 {
    match gait {
        Gait::Stand | Gait::Walk => 1.0,
        Gait::Jog => 2.0,
        Gait::Trot => 2.5,
        Gait::Lope => 3.0,
        Gait::Gallop => 5.0,
    }
}

/// What a minute of a level's work weighs.
pub fn weight_of(level: &LadderLevel) -> f64 {
    let work = match level.measure {
        MeasureKind::Run => 5.0,
        MeasureKind::Roll | MeasureKind::Turn => 4.0,
        _ if matches!(level.with, Some(AtHand::Cattle | AtHand::Flag)) => 4.0,
        _ => 0.0,
    };
    weight_of_gait(level.gait).max(work)
}

/// The load of a ride of so many minutes; none are known of one that nobody finished. The
/// minutes around each ask count at its work, neighbors share what lies between them, all
/// else counts as walked.
pub fn ride_load(minutes: Option<f64>, asks: &[WorkAsk], rated: Option<Exertion>) -> f64 {
    let last = asks.iter().map(|ask| ask.after_min).fold(0.0, f64::max);
    let minutes = minutes
        .unwrap_or(if asks.is_empty() {
            0.0
        } else {
            last + AFTER_LAST_MIN
        })
        .clamp(0.0, MOST_MIN);
    if let Some(rated) = rated {
        return minutes * rating(rated) * OF_RATING;
    }
    let mut asks: Vec<&WorkAsk> = asks.iter().filter(|ask| ask.after_min <= minutes).collect();
    asks.sort_by(|a, b| a.after_min.total_cmp(&b.after_min));
    let mut load = minutes;
    let mut from: f64 = 0.0;
    for (index, ask) in asks.iter().enumerate() {
        let next = asks
            .get(index + 1)
            .map_or(minutes, |next| f64::midpoint(ask.after_min, next.after_min));
        let begins = from.max(ask.after_min - AROUND_ASK_MIN);
        let ends = next.min(ask.after_min + AROUND_ASK_MIN).min(minutes);
        load += (ends - begins).max(0.0) * (ask.weight - 1.0);
        from = next;
    }
    load
}
