//! The whole horse: every level of its ladder judged in one walk, needs before
//! what needs them.

use std::collections::HashSet;

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::caution::{self, Caution};
use super::ease::{self, EaseReason};
use super::gate_check::{Shown, window_of};
use super::history::{DayTally, History, share_below, walk};
use super::overrule::Overrule;
use super::rails::{Tally, failing};
use super::retention::{Retention, retention};
use super::side_drop::side_drop;
use super::verdict::{Gated, State, Verdict, decide};
use super::what_it_takes::{Nearest, nearest};
use crate::evidence::Ask;
use crate::evidence::slip::{Slip, slip};
use crate::horse::{CareNote, RideMark};
use crate::ladder::{Ladder, LadderLevel};
use crate::rep::Rep;

/// What the judge knows of one ride beside its reps.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct RideFacts {
    /// The ride.
    pub ride_id: Uuid,
    /// The barn's calendar day.
    pub day: Date,
    /// What made it unlike the others.
    pub marks: Vec<RideMark>,
}

/// All that is known of one horse, laid along its ladder.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct HorseFile {
    /// The asks of each level of the ladder, in order.
    pub asks: Vec<Vec<Ask>>,
    /// Its rides, oldest first.
    pub rides: Vec<RideFacts>,
    /// Notes of care.
    pub care: Vec<CareNote>,
    /// Decisions of the trainer that stand, oldest first.
    pub overrules: Vec<Overrule>,
}

impl HorseFile {
    /// Lays reps along a ladder. Reps of levels it does not have are left out;
    /// the order they come in does not matter.
    pub fn of_reps<'a>(ladder: &Ladder, reps: impl IntoIterator<Item = &'a Rep>) -> HorseFile {
        let mut asks: Vec<Vec<Ask>> = vec![Vec::new(); ladder.levels.len()];
        for rep in reps {
            if let Some(place) = ladder.position(&rep.level()) {
                asks[place].push(Ask::of(rep, &ladder.levels[place], ladder));
            }
        }
        for of_level in &mut asks {
            crate::evidence::sort(of_level);
        }
        HorseFile {
            asks,
            ..HorseFile::default()
        }
    }

    /// Adds a fault that was seen in the asks of one level of a ride, not on one of
    /// them: it counts once, on the last.
    pub fn add_fault(&mut self, place: usize, ride_id: Uuid, fault: usize) {
        let last = self.asks[place]
            .iter_mut()
            .rev()
            .find(|ask| ask.ride_id == ride_id);
        if let Some(ask) = last {
            ask.faults.add(fault);
        }
    }

    /// The same horse without its exceptional rides.
    fn without_exceptional(&self, exceptional: &HashSet<Uuid>, place: usize) -> Vec<Ask> {
        self.asks[place]
            .iter()
            .filter(|ask| !exceptional.contains(&ask.ride_id))
            .copied()
            .collect()
    }

    fn exceptional_rides(&self) -> HashSet<Uuid> {
        self.rides
            .iter()
            .filter(|ride| ride.marks.iter().any(|mark| mark.is_exceptional()))
            .map(|ride| ride.ride_id)
            .collect()
    }

    /// Rides of the horse after the one of that id, until `on`.
    fn rides_since(&self, ride_id: Uuid, on: Date) -> u32 {
        let until = self.rides.iter().filter(|ride| ride.day <= on);
        until
            .rev()
            .take_while(|ride| ride.ride_id != ride_id)
            .count() as u32
    }
}

/// Soft and asked of one side in the window.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SideCount {
    /// The side.
    pub side: crate::Side,
    /// Soft answers.
    pub soft: u32,
    /// Asks.
    pub asked: u32,
}

/// Where one level of a horse stands.
#[derive(Debug, Clone)]
pub struct Standing {
    /// Its place on the ladder.
    pub place: usize,
    /// What the judge says.
    pub verdict: Verdict,
    /// Where it stands.
    pub state: State,
    /// Soft and asked of each side in the window.
    pub sides: Vec<SideCount>,
    /// The last day it was asked.
    pub last_asked: Option<Date>,
    /// How it has kept.
    pub retention: Retention,
    /// Levels it needs that are not held; of alternatives the first.
    pub missing: Vec<usize>,
    /// Levels it needs that are held but rusty.
    pub stale: Vec<usize>,
    /// Who should look first.
    pub cautions: Vec<Caution>,
    /// Why it is sent down.
    pub eased: Option<EaseReason>,
    /// Where it goes back to: the highest held level under it.
    pub ease_to: Option<usize>,
    /// How far it is; none where nothing was asked lately or every rail passes.
    pub nearest: Option<Nearest>,
    /// Which of the horse's overrules stands on it.
    pub overruled_by: Option<usize>,
    /// The verdict without exceptional rides, where it differs.
    pub without_exceptional: Option<Verdict>,
    /// Day by day.
    pub history: History,
}

impl Standing {
    /// Whether what needs it may be opened.
    pub fn counts_as_held(&self) -> bool {
        self.retention.held_since.is_some() && self.state != State::Eased
    }

    /// How its days lie against the level it settled at once it was held.
    pub fn slip(&self) -> Option<Slip> {
        let days: Vec<(Date, f64)> = self
            .history
            .tallies
            .iter()
            .map(|day| (day.day, day.share()))
            .collect();
        slip(&days, self.retention.held_since?)
    }
}

/// Judges every level of a horse on `on`; what lies after `on` is not looked at.
pub fn judge_horse(ladder: &Ladder, file: &HorseFile, on: Date) -> Vec<Standing> {
    let histories = histories(ladder, file, on);
    let built_on = built_on(ladder, &histories, file, on);
    let round = Round {
        ladder,
        file,
        on,
        horse_cautions: caution::of_horse(&file.care, &file.rides, on),
        mouth_cautions: caution::of_mouth(&file.care, on),
        exceptional: file.exceptional_rides(),
    };
    let mut standings: Vec<Standing> = Vec::with_capacity(ladder.levels.len());
    for (place, history) in histories.into_iter().enumerate() {
        let standing = round.judge(place, history, built_on[place], &standings);
        standings.push(standing);
    }
    standings
}

fn until(file: &HorseFile, place: usize, on: Date) -> &[Ask] {
    let asks = file.asks.get(place).map_or(&[][..], Vec::as_slice);
    &asks[..asks.partition_point(|ask| ask.day <= on)]
}

fn histories(ladder: &Ladder, file: &HorseFile, on: Date) -> Vec<History> {
    let mut histories: Vec<History> = Vec::with_capacity(ladder.levels.len());
    for (place, level) in ladder.levels.iter().enumerate() {
        let below: &[DayTally] = level
            .below
            .map_or(&[], |below| histories[below].tallies.as_slice());
        let history = walk(
            until(file, place, on),
            &level.gate,
            level.asked_sides(),
            below,
        );
        histories.push(history);
    }
    histories
}

/// For each level the last day on which a level that is built on it was shown
/// soft, or let count by the trainer: who rolls back soft has kept the stop.
fn built_on(
    ladder: &Ladder,
    histories: &[History],
    file: &HorseFile,
    on: Date,
) -> Vec<Option<Date>> {
    let mut latest: Vec<Option<Date>> = vec![None; ladder.levels.len()];
    let mut let_count: Vec<Option<Date>> = latest.clone();
    for overrule in &file.overrules {
        if overrule.lets_count()
            && overrule.day <= on
            && let Some(place) = ladder.position(&overrule.level)
        {
            let_count[place] = let_count[place].max(Some(overrule.day));
        }
    }
    for (place, level) in ladder.levels.iter().enumerate().rev() {
        let own = histories[place]
            .tallies
            .iter()
            .rev()
            .find(|day| day.shown_soft)
            .map(|day| day.day);
        let shown = latest[place].max(own).max(let_count[place]);
        for need in level.below.iter().chain(level.needs.iter().flatten()) {
            latest[*need] = latest[*need].max(shown);
        }
    }
    latest
}

/// What is the same for every level of one horse on one date.
struct Round<'a> {
    ladder: &'a Ladder,
    file: &'a HorseFile,
    on: Date,
    horse_cautions: Vec<Caution>,
    mouth_cautions: Vec<Caution>,
    exceptional: HashSet<Uuid>,
}

impl Round<'_> {
    fn judge(
        &self,
        place: usize,
        history: History,
        built_on: Option<Date>,
        before: &[Standing],
    ) -> Standing {
        let level = &self.ladder.levels[place];
        let gate = &level.gate;
        let asks = until(self.file, place, self.on);
        let shown = Shown {
            asks: &asks[..history.counted],
            on: self.on,
            readiness: &history.readiness,
            below: level
                .below
                .and_then(|below| share_below(&before[below].history.tallies, gate, self.on)),
            sides: level.asked_sides(),
        };
        let seen_all = window_of(asks, gate, self.on);
        let seen = window_of(shown.asks, gate, self.on);
        let overruled_by = self.overruled_by(level);
        let overrule = overruled_by.map(|place| &self.file.overrules[place]);
        let let_count = overrule
            .filter(|overrule| overrule.lets_count())
            .map(|overrule| overrule.day);
        let mut kept = retention(&history, gate, let_count, built_on, self.on);
        if overrule.is_some_and(|overrule| !overrule.lets_count()) {
            kept.held_since = None;
        }
        let (missing, stale) = needs(level, before);
        let cautions = self.cautions(level, asks, seen_all);
        let eased = ease::by_share(seen_all, gate).or_else(|| {
            ease::by_fault(asks, self.ladder, |ride| {
                self.file.rides_since(ride, self.on)
            })
        });
        let tally = Tally::of(&shown, seen, gate);
        let gated = Gated::of(failing(&shown, &tally, gate));
        let needs_fresh = missing.is_empty() && stale.is_empty();
        let verdict = decide(
            &gated,
            !cautions.is_empty(),
            eased.is_some(),
            needs_fresh,
            kept.is_rusty(),
        );
        let state = state(
            verdict,
            &kept,
            &missing,
            overrule,
            seen.is_empty() && asks.is_empty(),
        );
        let nearest = (!seen.is_empty() && !gated.passes)
            .then(|| nearest(&shown, gate))
            .flatten();
        Standing {
            place,
            verdict,
            state,
            sides: side_counts(level, seen),
            last_asked: asks.last().map(|ask| ask.day),
            retention: kept,
            missing,
            stale,
            ease_to: (verdict == Verdict::EaseBack)
                .then(|| highest_held_under(level, self.ladder, before))
                .flatten(),
            eased,
            nearest,
            overruled_by,
            without_exceptional: (cautions.is_empty())
                .then(|| self.without_exceptional(place, seen, before, needs_fresh, &kept))
                .flatten()
                .filter(|other| *other != verdict),
            cautions,
            history,
        }
    }

    /// The last decision on the level, until its day has come.
    fn overruled_by(&self, level: &LadderLevel) -> Option<usize> {
        self.file
            .overrules
            .iter()
            .rposition(|overrule| overrule.level == level.level && overrule.day <= self.on)
    }

    fn cautions(&self, level: &LadderLevel, asks: &[Ask], seen: &[Ask]) -> Vec<Caution> {
        if asks.is_empty() {
            return Vec::new();
        }
        let mouth = if level.mouth {
            &self.mouth_cautions[..]
        } else {
            &[]
        };
        let drop = side_drop(seen).map(Caution::SideDrop);
        self.horse_cautions
            .iter()
            .chain(mouth)
            .copied()
            .chain(drop)
            .collect()
    }

    /// The verdict by the gate alone without exceptional rides, where the window
    /// holds one.
    fn without_exceptional(
        &self,
        place: usize,
        seen: &[Ask],
        before: &[Standing],
        needs_fresh: bool,
        kept: &Retention,
    ) -> Option<Verdict> {
        if !seen
            .iter()
            .any(|ask| self.exceptional.contains(&ask.ride_id))
        {
            return None;
        }
        let level = &self.ladder.levels[place];
        let asks = self.file.without_exceptional(&self.exceptional, place);
        let asks = &asks[..asks.partition_point(|ask| ask.day <= self.on)];
        let below = level
            .below
            .map_or(&[][..], |below| before[below].history.tallies.as_slice());
        let history = walk(asks, &level.gate, level.asked_sides(), below);
        let shown = Shown {
            asks: &asks[..history.counted],
            on: self.on,
            readiness: &history.readiness,
            below: share_below(below, &level.gate, self.on),
            sides: level.asked_sides(),
        };
        let seen = window_of(shown.asks, &level.gate, self.on);
        let tally = Tally::of(&shown, seen, &level.gate);
        let gated = Gated::of(failing(&shown, &tally, &level.gate));
        let eased = ease::by_share(seen, &level.gate).is_some();
        Some(decide(&gated, false, eased, needs_fresh, kept.is_rusty()))
    }
}

/// The needs that are not held, and those that are rusty.
fn needs(level: &LadderLevel, before: &[Standing]) -> (Vec<usize>, Vec<usize>) {
    let (mut missing, mut stale) = (Vec::new(), Vec::new());
    let below = level.below.map(|below| vec![below]);
    for need in below.iter().chain(&level.needs) {
        let held = need.iter().find(|place| before[**place].counts_as_held());
        match held {
            None => missing.extend(need.first()),
            Some(place) if need.iter().all(|p| !fresh(&before[*p])) => stale.push(*place),
            Some(_) => {}
        }
    }
    (missing, stale)
}

fn fresh(standing: &Standing) -> bool {
    standing.counts_as_held() && !standing.retention.is_rusty()
}

fn state(
    verdict: Verdict,
    kept: &Retention,
    missing: &[usize],
    overrule: Option<&Overrule>,
    never_asked: bool,
) -> State {
    match verdict {
        Verdict::EaseBack => State::Eased,
        _ if overrule.is_some_and(|overrule| !overrule.lets_count()) => State::Overruled,
        _ if kept.is_rusty() => State::Rusty,
        _ if kept.held_since.is_some() && overrule.is_some() && kept.passed_days == 0 => {
            State::Overruled
        }
        _ if kept.held_since.is_some() => State::Held,
        _ if !missing.is_empty() => State::Closed,
        Verdict::Confirm => State::Confirming,
        _ if never_asked => State::Open,
        _ => State::Working,
    }
}

fn side_counts(level: &LadderLevel, seen: &[Ask]) -> Vec<SideCount> {
    level
        .asked_sides()
        .iter()
        .map(|side| {
            let asked = seen.iter().filter(|ask| ask.side == *side);
            SideCount {
                side: *side,
                soft: asked.clone().filter(|ask| ask.soft).count() as u32,
                asked: asked.count() as u32,
            }
        })
        .collect()
}

/// The highest held level among those a level stands on: the one below it if
/// that is held, else the last in the order of the work.
pub fn highest_held_under(
    level: &LadderLevel,
    ladder: &Ladder,
    before: &[Standing],
) -> Option<usize> {
    let mut under: Vec<usize> = level
        .below
        .iter()
        .chain(level.needs.iter().flatten())
        .copied()
        .collect();
    let mut seen: HashSet<usize> = HashSet::new();
    while !under.is_empty() {
        if let Some(held) = under
            .iter()
            .copied()
            .filter(|p| before[*p].counts_as_held())
            .max()
        {
            return Some(held);
        }
        under = under
            .iter()
            .flat_map(|place| {
                let level = &ladder.levels[*place];
                level
                    .below
                    .iter()
                    .chain(level.needs.iter().flatten())
                    .copied()
            })
            .filter(|place| seen.insert(*place))
            .collect();
    }
    None
}
