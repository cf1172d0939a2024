//! What each horse can be ridden for in a week: its next work, cattle and a pattern where
//! the horse is that far, an outing where they are wanting.

use cavesson_core::judge::next::next_level_of;
use cavesson_core::judge::{State, Verdict};
use cavesson_core::ladder::{AtHand, LadderLevel, Level};
use cavesson_core::week::plan::{Work, WorkKind};
use cavesson_store::place::Place;
use uuid::Uuid;

use crate::day::day_plan::USUAL;
use crate::horse_record::Judged;

/// Minutes of a ride where the horse has no limit below it. Product default.
pub const RIDE_MINUTES: u16 = 45;
/// Minutes of an outing on which nothing is asked. Product default.
const OUTING_MINUTES: u16 = 120;
/// How often cattle, or a pattern, in a week at the most. Product default.
const HARD_AT_MOST: u8 = 2;
/// What cattle or a pattern are worth beyond a ride as usual, and an outing that is wanting.
const HARD_WORTH: f64 = 15.0;
const OUTING_WORTH: f64 = 20.0;
/// Days that a gate lacks at the most to count as nearly passed.
const SOON_DAYS: u32 = 1;

/// What the works of a horse depend on beside itself.
pub struct Yard<'a> {
    /// Places that are not put away.
    pub places: &'a [Place],
    /// Lots that are not put away.
    pub lots: &'a [Uuid],
    /// Quiet outings wanting.
    pub outings: u32,
    /// Minutes of a ride at the most, by age and lay-off.
    pub most_minutes: u32,
}

/// The works of a horse.
pub fn works(judged: &Judged, yard: &Yard<'_>) -> Vec<Work> {
    let ladder = judged.ladder();
    let level_with = |wanted: &dyn Fn(&LadderLevel) -> bool| {
        next_level_of(ladder, &judged.standings, judged.on, |index| {
            wanted(&ladder.levels[index])
        })
    };
    let minutes = (yard.most_minutes.min(u32::from(RIDE_MINUTES)) / 5 * 5).max(15) as u16;
    let mut works = Vec::new();
    let usual = level_with(&|level| is_usual(level));
    let usual_level = usual.map_or_else(
        || Level::new(USUAL.0, USUAL.1),
        |index| ladder.levels[index].level.clone(),
    );
    let with = usual.and_then(|index| ladder.levels[index].with);
    works.push(Work {
        kind: WorkKind::Ride,
        minutes,
        place_ids: places_for(yard, with),
        lot_id: None,
        helper: false,
        fast: usual.is_some_and(|index| ladder.levels[index].is_fast()),
        at_most: 12,
        gate_soon: usual.is_some_and(|index| is_soon(judged, index)),
        worth: 0.0,
        name: name_of(judged, &usual_level),
        level: Some(usual_level),
    });
    for (kind, with) in [
        (WorkKind::Cattle, AtHand::Cattle),
        (WorkKind::Pattern, AtHand::Barrels),
    ] {
        let Some(index) = level_with(&|level| level.with == Some(with)) else {
            continue;
        };
        let lot_id = (kind == WorkKind::Cattle).then(|| yard.lots.first().copied());
        if lot_id == Some(None) || !is_open(judged, index) {
            continue;
        }
        let level = ladder.levels[index].level.clone();
        works.push(Work {
            kind,
            minutes,
            place_ids: places_for(yard, Some(with)),
            lot_id: lot_id.flatten(),
            helper: false,
            fast: true,
            at_most: HARD_AT_MOST,
            gate_soon: is_soon(judged, index),
            worth: HARD_WORTH,
            name: name_of(judged, &level),
            level: Some(level),
        });
    }
    if yard.outings > 0 {
        works.push(Work {
            kind: WorkKind::Outing,
            minutes: OUTING_MINUTES,
            place_ids: places_for(yard, Some(AtHand::Outside)),
            lot_id: None,
            helper: false,
            fast: false,
            at_most: 1,
            gate_soon: false,
            worth: OUTING_WORTH,
            level: Some(Level::new(USUAL.0, USUAL.1)),
            name: "Outing, nothing asked".into(),
        });
    }
    works.retain(|work| !work.place_ids.is_empty());
    works
}

/// Neither cattle nor barrels nor a haul: what any arena or pen has.
fn is_usual(level: &LadderLevel) -> bool {
    !matches!(
        level.with,
        Some(AtHand::Cattle | AtHand::Barrels | AtHand::Haul)
    )
}

fn is_open(judged: &Judged, index: usize) -> bool {
    judged.standings[index].state != State::Closed
}

fn is_soon(judged: &Judged, index: usize) -> bool {
    let standing = &judged.standings[index];
    let days = standing.nearest.and_then(|nearest| nearest.days);
    standing.verdict == Verdict::Confirm || days.is_some_and(|days| days <= SOON_DAYS)
}

fn name_of(judged: &Judged, level: &Level) -> String {
    let at = judged.ladder().at(level);
    at.map_or_else(|| level.to_string(), |at| at.name.clone())
}

/// Where something can be done: what needs nothing, in any arena or pen for riding.
pub fn places_for(yard: &Yard<'_>, with: Option<AtHand>) -> Vec<Uuid> {
    let fits = |place: &&Place| {
        let kind = place.sheet.kind.word();
        match with {
            Some(with) => AtHand::usually_at(kind).contains(&with),
            None => ["arena", "round_pen"].contains(&kind),
        }
    };
    let mut places: Vec<Uuid> = yard
        .places
        .iter()
        .filter(fits)
        .map(|place| place.place_id)
        .collect();
    // A small barn has one place for everything.
    if places.is_empty() && with.is_none() {
        places = yard.places.iter().map(|place| place.place_id).collect();
    }
    places
}
