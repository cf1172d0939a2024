//! What a horse can be ridden for in a week: its next work, cattle and a pattern where the
//! horse is that far, an outing where they are wanting.

use uuid::Uuid;

use super::work::{Work, WorkKind};
use crate::card;
use crate::judge::next::next_level_of;
use crate::judge::{State, Verdict};
use crate::ladder::{AtHand, LadderLevel, Level};
use crate::week::usual::{self, RIDE_MINUTES};

/// Minutes of an outing on which nothing is asked. Product default.
const OUTING_MINUTES: u16 = 120;
/// The shortest ride. Product default.
const LEAST_MINUTES: u16 = 15;
/// How often in a week at the most: as usual; cattle, or a pattern; an outing. Product default.
const AT_MOST: (u8, u8, u8) = (12, 2, 1);
/// What cattle or a pattern are worth beyond a ride as usual, and an outing that is wanting.
const HARD_WORTH: f64 = 15.0;
const OUTING_WORTH: f64 = 20.0;
/// Days that a gate lacks at the most to count as nearly passed.
const SOON_DAYS: u32 = 1;

/// A place of the barn by what it is.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct PlaceOfKind {
    /// The place.
    pub place_id: Uuid,
    /// The word of its kind.
    pub kind: &'static str,
}

/// What the rides of a horse depend on beside itself.
#[derive(Debug, Clone, Copy)]
pub struct AtTheBarn<'a> {
    /// Places that are not put away.
    pub places: &'a [PlaceOfKind],
    /// Lots with a cow for it, the best first.
    pub lots: &'a [Uuid],
    /// Quiet outings wanting.
    pub outings: u32,
    /// Minutes of a ride at the most, by age and lay-off.
    pub most_minutes: u32,
}

/// What a horse can be ridden for.
pub fn ride_options(judged: card::Horse<'_>, barn: &AtTheBarn<'_>) -> Vec<Work> {
    let hard = [
        (WorkKind::Cattle, AtHand::Cattle),
        (WorkKind::Pattern, AtHand::Barrels),
    ];
    let mut works = vec![as_usual(judged, barn)];
    works.extend(
        hard.into_iter()
            .filter_map(|(kind, with)| hard_work(judged, barn, kind, with)),
    );
    works.extend((barn.outings > 0).then(|| outing(barn)));
    works.retain(|work| !work.place_ids.is_empty());
    works
}

fn as_usual(judged: card::Horse<'_>, barn: &AtTheBarn<'_>) -> Work {
    let index = next(judged, is_usual);
    let at = index.map(|index| &judged.ladder.levels[index]);
    let level = at.map_or_else(usual::level, |at| at.level.clone());
    Work {
        kind: WorkKind::Ride,
        minutes: barn.ride_minutes(),
        place_ids: barn.places_for(at.and_then(|at| at.with)),
        lot_id: None,
        helper: false,
        fast: at.is_some_and(LadderLevel::is_fast),
        at_most: AT_MOST.0,
        gate_soon: index.is_some_and(|index| is_soon(judged, index)),
        worth: 0.0,
        name: name_of(judged, &level),
        level: Some(level),
    }
}

/// Cattle or a pattern, where the horse is that far and there are cattle for it.
fn hard_work(
    judged: card::Horse<'_>,
    barn: &AtTheBarn<'_>,
    kind: WorkKind,
    with: AtHand,
) -> Option<Work> {
    let index = next(judged, |level| level.with == Some(with))?;
    if judged.standings[index].state == State::Closed {
        return None;
    }
    let lot_id = match kind {
        WorkKind::Cattle => Some(*barn.lots.first()?),
        _ => None,
    };
    let level = judged.ladder.levels[index].level.clone();
    Some(Work {
        kind,
        minutes: barn.ride_minutes(),
        place_ids: barn.places_for(Some(with)),
        lot_id,
        helper: false,
        fast: true,
        at_most: AT_MOST.1,
        gate_soon: is_soon(judged, index),
        worth: HARD_WORTH,
        name: name_of(judged, &level),
        level: Some(level),
    })
}

fn outing(barn: &AtTheBarn<'_>) -> Work {
    Work {
        kind: WorkKind::Outing,
        minutes: OUTING_MINUTES,
        place_ids: barn.places_for(Some(AtHand::Outside)),
        lot_id: None,
        helper: false,
        fast: false,
        at_most: AT_MOST.2,
        gate_soon: false,
        worth: OUTING_WORTH,
        level: Some(usual::level()),
        name: "Outing, nothing asked".into(),
    }
}

fn next(judged: card::Horse<'_>, wanted: impl Fn(&LadderLevel) -> bool) -> Option<usize> {
    next_level_of(judged.ladder, judged.standings, judged.on, |index| {
        wanted(&judged.ladder.levels[index])
    })
}

/// Neither cattle nor barrels nor a haul: what any arena or pen has.
fn is_usual(level: &LadderLevel) -> bool {
    !matches!(
        level.with,
        Some(AtHand::Cattle | AtHand::Barrels | AtHand::Haul)
    )
}

fn is_soon(judged: card::Horse<'_>, index: usize) -> bool {
    let standing = &judged.standings[index];
    let days = standing.nearest.and_then(|nearest| nearest.days);
    standing.verdict == Verdict::Confirm || days.is_some_and(|days| days <= SOON_DAYS)
}

fn name_of(judged: card::Horse<'_>, level: &Level) -> String {
    let at = judged.ladder.at(level);
    at.map_or_else(|| level.to_string(), |at| at.name.clone())
}

impl AtTheBarn<'_> {
    /// Minutes of a ride, in steps of five.
    fn ride_minutes(&self) -> u16 {
        let most = self.most_minutes.min(u32::from(RIDE_MINUTES)) as u16;
        (most / 5 * 5).max(LEAST_MINUTES)
    }

    /// Where something can be done: what needs nothing, in any arena or pen for riding.
    fn places_for(&self, with: Option<AtHand>) -> Vec<Uuid> {
        let fits = |place: &&PlaceOfKind| match with {
            Some(with) => AtHand::usually_at(place.kind).contains(&with),
            None => ["arena", "round_pen"].contains(&place.kind),
        };
        let ids = |place: &PlaceOfKind| place.place_id;
        let places: Vec<Uuid> = self.places.iter().filter(fits).map(ids).collect();
        // A small barn has one place for everything.
        if places.is_empty() && with.is_none() {
            return self.places.iter().map(ids).collect();
        }
        places
    }
}
