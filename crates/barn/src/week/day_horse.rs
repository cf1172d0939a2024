//! A judged horse as the rules of a day see it.

use jiff::civil::Date;
use uuid::Uuid;

use super::booking::DayHorse;
use crate::card::{self, Day, Limits};
use crate::day::{days_between, week_of};
use crate::judge::BrakeChain;
use crate::ride::rig::RigKind;

/// What a horse is ridden in, and who may ride in it.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Headgear {
    /// What it is; none where nobody said.
    pub kind: Option<RigKind>,
    /// It is kept for quiet hands.
    pub quiet_hands: bool,
    /// The only riders named for the horse for now; none for all.
    pub only_riders: Option<Vec<Uuid>>,
}

/// What is booked for a horse on another day.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct OtherDay {
    /// The day.
    pub day: Date,
    /// It is ridden.
    pub ridden: bool,
    /// It is hard on the horse.
    pub hard: bool,
}

/// Days of a week a horse may work: one is off.
pub const MOST_DAYS: usize = 6;

impl DayHorse {
    /// The horse on the day it was judged for; `around` is what stands on the days before and
    /// after, in their order.
    pub fn of(
        (horse_id, name): (Uuid, String),
        judged: card::Horse<'_>,
        headgear: Headgear,
        around: &[OtherDay],
    ) -> DayHorse {
        let (monday, sunday) = week_of(judged.on);
        let ridden = around
            .iter()
            .filter(|other| other.ridden && (monday..=sunday).contains(&other.day));
        let mut ridden: Vec<Date> = ridden.map(|other| other.day).collect();
        ridden.dedup();
        let next_to = |day: Date| days_between(judged.on, day).abs() == 1;
        DayHorse {
            horse_id,
            name,
            rig: headgear.kind,
            quiet_hands: headgear.quiet_hands,
            only_riders: headgear.only_riders,
            first_rides: Limits::of(judged, &Day::default()).first_rides,
            most_rides: 1,
            check_first: is_flagged(judged),
            brake: no_fast_work(judged),
            other_days: ridden.len().min(MOST_DAYS) as u8,
            hard_next_to: around.iter().any(|other| other.hard && next_to(other.day)),
        }
    }
}

/// Whether somebody looks at the horse before anybody gets on.
pub(super) fn is_flagged(judged: card::Horse<'_>) -> bool {
    let mut notes = judged.file.care.iter();
    notes.any(|note| note.is_open(judged.on))
}

/// Why a horse does nothing fast for now: its brake.
pub(super) fn no_fast_work(judged: card::Horse<'_>) -> Option<String> {
    let brake = BrakeChain::of(judged.ladder, judged.standings);
    brake.no_fast_work(judged.ladder, judged.standings, judged.file.sex)
}
