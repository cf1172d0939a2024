//! A horse's tracks at a glance: how far it stands on each, what is under way,
//! and what somebody should know of the horse as a whole.

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::horse_file::HorseFile;
use super::item::ItemKind;
use super::standing::Standing;
use super::verdict::{State, Verdict};
use crate::Side;
use crate::day::days_between;
use crate::evidence::stiff::{SidesApart, sides_apart};
use crate::ladder::{Ladder, Level};

/// Days that a level may be worked on before the horse counts as stuck on it.
pub const STUCK_DAYS: i64 = 28;
/// Days looked back for the work on the stiff side.
pub const STIFF_DAYS: i64 = 7;
/// Asks over which the stiff side is known.
const STIFF_KNOWN_DAYS: i64 = 28;
const LEAST_ASKS: u32 = 12;

/// One track of a horse.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TrackStanding {
    /// The track.
    pub track: String,
    /// Levels that count as held, rusty ones among them.
    pub held: u32,
    /// Levels of the track on the horse's ladder.
    pub levels: u32,
    /// Of those held, rusty.
    pub rusty: u32,
    /// Of those held, in doubt.
    pub in_doubt: u32,
    /// Levels that were held and are lost: working again.
    pub lost: u32,
    /// The level under way: the one asked last that is not held.
    pub under_way: Option<UnderWay>,
}

/// A level under way.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct UnderWay {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// What the judge says.
    pub verdict: Verdict,
    /// Where it stands.
    pub state: State,
    /// The rail that fills last.
    pub limits: Option<ItemKind>,
    /// The side of that rail.
    pub limits_side: Option<Side>,
    /// Days that it has been worked on without being held, when that is long: since it was
    /// first asked, or since it was lost. None while what it needs is not held, or when it
    /// was not asked lately: then something else is under way.
    pub stuck_days: Option<u32>,
}

/// Every track of a horse's ladder, in the order of the work.
pub fn tracks(ladder: &Ladder, standings: &[Standing], on: Date) -> Vec<TrackStanding> {
    ladder
        .tracks
        .iter()
        .enumerate()
        .map(|(index, track)| {
            let own = standings
                .iter()
                .filter(|standing| ladder.levels[standing.index].track == index);
            let held = own.clone().filter(|s| s.counts_as_held());
            TrackStanding {
                track: track.id.clone(),
                held: held.clone().count() as u32,
                levels: own.clone().count() as u32,
                rusty: held.clone().filter(|s| s.retention.is_rusty()).count() as u32,
                in_doubt: held.filter(|s| s.state == State::InDoubt).count() as u32,
                lost: own.clone().filter(|s| s.state == State::Lost).count() as u32,
                under_way: own
                    .filter(|s| !s.counts_as_held() && s.last_asked.is_some())
                    .max_by_key(|s| (s.last_asked, s.index))
                    .map(|s| under_way(ladder, s, on)),
            }
        })
        .collect()
}

fn under_way(ladder: &Ladder, standing: &Standing, on: Date) -> UnderWay {
    let level = &ladder.levels[standing.index];
    let worked = worked_since(standing, on).map_or(0, |since| days_between(since, on));
    UnderWay {
        level: level.level.clone(),
        name: level.name.clone(),
        verdict: standing.verdict,
        state: standing.state,
        limits: standing.nearest.map(|nearest| nearest.limits),
        limits_side: standing.nearest.and_then(|nearest| nearest.limits_side),
        stuck_days: (worked > STUCK_DAYS).then_some(worked as u32),
    }
}

/// Since when a level has been worked on without being held.
fn worked_since(standing: &Standing, on: Date) -> Option<Date> {
    let may_be_worked_on = !matches!(standing.state, State::Closed | State::Waiting);
    let lately = days_between(standing.last_asked?, on) <= STUCK_DAYS;
    let first = standing.history.soft_days.first().map(|first| first.day);
    let lost = standing.history.hold.lost.as_ref().map(|lost| lost.day);
    lost.or(first).filter(|_| may_be_worked_on && lately)
}

/// The stiff side, and how much it was worked.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StiffSide {
    /// The side.
    pub side: Side,
    /// Soft share on it over the last four weeks, on the same levels and days as the other's.
    pub share: f64,
    /// Soft share on the other.
    pub other_share: f64,
    /// How sure it is that the sides differ, 0 to 1.
    pub sure: f64,
    /// Asks on it in the last week.
    pub asked: u32,
    /// Asks on the other in the last week.
    pub other_asked: u32,
    /// Whether it was asked less than the other: a stiff side wants more.
    pub neglected: bool,
}

/// The stiff side over everything asked on each side, where it is very likely real; none when
/// both may be alike or too little was asked.
pub fn stiff_side(file: &HorseFile, on: Date) -> Option<StiffSide> {
    let from = on.saturating_sub((STIFF_KNOWN_DAYS - 1).days());
    let week_from = on.saturating_sub(STIFF_DAYS.days());
    let mut known = [0u32; 2];
    let mut week = [0u32; 2];
    for asks in &file.asks {
        let end = asks.partition_point(|ask| ask.day <= on);
        let start = asks.partition_point(|ask| ask.day < from);
        for ask in asks[start..end].iter().filter(|ask| ask.side != Side::Both) {
            let index = usize::from(ask.side == Side::Right);
            known[index] += 1;
            week[index] += u32::from(ask.day > week_from);
        }
    }
    if known.iter().any(|asked| *asked < LEAST_ASKS) {
        return None;
    }
    let apart = sides_lately(file, on).filter(SidesApart::is_named)?;
    let stiff = usize::from(apart.stiff == Side::Right);
    Some(StiffSide {
        side: apart.stiff,
        share: apart.share,
        other_share: apart.other_share,
        sure: apart.sure,
        asked: week[stiff],
        other_asked: week[1 - stiff],
        neglected: week[stiff] < week[1 - stiff],
    })
}

/// Left against right over the days that the stiff side is known by, sure or not.
pub fn sides_lately(file: &HorseFile, on: Date) -> Option<SidesApart> {
    let from = on.saturating_sub((STIFF_KNOWN_DAYS - 1).days());
    sides_apart(file.sides_by_day(from, on))
}
