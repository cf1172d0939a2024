//! What of the ladder fits the day, and why the rest does not.

use super::block::Block;
use super::day::Day;
use super::horse::Horse;
use super::limits::Limits;
use crate::Gait;
use crate::day::days_between;
use crate::horse::HorseTrait;
use crate::judge::{State, Verdict};
use crate::ladder::{AtHand, LadderLevel, Role};
use crate::rep::MeasureKind;

/// Days over which runs of the pattern are counted.
const QUOTA_DAYS: i64 = 7;
/// Days in a week on which a finished horse runs its pattern. Product default.
const PATTERN_DAYS: usize = 2;
/// Jumps ahead of the ask this often, lately: no departs and changes for a while.
const ANTICIPATES: u32 = 3;

/// Why a level does not fit the day.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Unfit {
    /// Somebody looks at the horse first.
    CheckFirst,
    /// It was moved back: what it stands on comes first.
    Eased,
    /// What it rests on is lost: that comes back first.
    Waiting,
    /// It is faster than the brake held.
    Brake,
    /// It is fast, and today is slow: hot, or the first rides after a rest.
    SlowOnly,
    /// It is new, and today is for what is known.
    NothingNew,
    /// It comes later with so young a horse.
    Young,
    /// Not there today.
    NotAtHand,
    /// Never alone, and nobody helps.
    Alone,
    /// Nobody rides the horse yet.
    InHand,
    /// Run often enough this week.
    Quota,
    /// Setting up without it is what helps.
    SetUpsOnly,
    /// A new bit is the trainer's to begin.
    NewBit,
    /// The rider does not want it today.
    Dropped,
}

/// The levels that fit, in ladder order, and those that are open but do not.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Fits {
    /// Fit.
    pub fit: Vec<usize>,
    /// Open, under way or held, and why it does not fit.
    pub unfit: Vec<(usize, Unfit)>,
}

impl Fits {
    /// Whether a level fits.
    pub fn has(&self, index: usize) -> bool {
        self.fit.binary_search(&index).is_ok()
    }
}

/// Sorts the levels that are not closed.
pub fn fits(horse: Horse<'_>, day: &Day, limits: &Limits) -> Fits {
    let mut fits = Fits::default();
    let open = horse
        .standings
        .iter()
        .filter(|standing| standing.state != State::Closed);
    for standing in open {
        match unfit(horse, day, limits, standing.index) {
            None => fits.fit.push(standing.index),
            Some(why) => fits.unfit.push((standing.index, why)),
        }
    }
    fits
}

fn unfit(horse: Horse<'_>, day: &Day, limits: &Limits, index: usize) -> Option<Unfit> {
    let level = &horse.ladder.levels[index];
    let standing = &horse.standings[index];
    let asked = standing.last_asked.is_some();
    let planned = day.planned.iter().any(|block| block.level == level.level);
    let chosen = planned || day.aim.as_ref() == Some(&level.level);
    let not_there = level.with.filter(|with| !day.at_hand.contains(with));
    let new = !asked && !standing.counts_as_held();
    [
        (day.without.contains(&level.level), Unfit::Dropped),
        (standing.verdict == Verdict::CheckFirst, Unfit::CheckFirst),
        (
            standing.verdict == Verdict::EaseBack && !planned,
            Unfit::Eased,
        ),
        (standing.state == State::Waiting && !planned, Unfit::Waiting),
        (limits.in_hand && !level.ground, Unfit::InHand),
        (level.is(Role::NewBit) && !asked && !chosen, Unfit::NewBit),
        (not_there.is_some(), Unfit::NotAtHand),
        (!limits.allows(horse.ladder, index), Unfit::Brake),
        (limits.slow_in_the_heat && level.is_fast(), Unfit::SlowOnly),
        // What the trainer puts on the card stays there: these are said as cautions then.
        (
            limits.slow_after_rest && level.is_fast() && !planned,
            Unfit::SlowOnly,
        ),
        (limits.nothing_new && new && !chosen, Unfit::NothingNew),
        (is_young(day) && comes_late(level) && !planned, Unfit::Young),
        (is_over_quota(horse, level) && !planned, Unfit::Quota),
        (
            needs_set_ups(horse, day, level) && !planned,
            Unfit::SetUpsOnly,
        ),
        (
            is_never_alone(horse, limits, level, asked) && !day.helper,
            Unfit::Alone,
        ),
    ]
    .into_iter()
    .find_map(|(is_so, why)| is_so.then_some(why))
}

/// What speaks against a level that the trainer put on the card, and stays a caution.
pub(super) fn spoken_against(
    horse: Horse<'_>,
    day: &Day,
    limits: &Limits,
    index: usize,
) -> Option<Unfit> {
    let level = &horse.ladder.levels[index];
    [
        (limits.slow_after_rest && level.is_fast(), Unfit::SlowOnly),
        (is_young(day) && comes_late(level), Unfit::Young),
        (is_over_quota(horse, level), Unfit::Quota),
        (needs_set_ups(horse, day, level), Unfit::SetUpsOnly),
    ]
    .into_iter()
    .find_map(|(is_so, why)| is_so.then_some(why))
}

fn is_young(day: &Day) -> bool {
    day.age_counted().is_some_and(|years| years <= 2)
}

/// Fast stops, rollbacks and cattle come late.
fn comes_late(level: &LadderLevel) -> bool {
    level.measure == MeasureKind::Roll
        || level.with == Some(AtHand::Cattle)
        || (level.measure == MeasureKind::Stop && level.gait >= Gait::Lope)
}

fn is_over_quota(horse: Horse<'_>, level: &LadderLevel) -> bool {
    if level.measure != MeasureKind::Run {
        return false;
    }
    let finished = horse
        .ladder
        .last_in(Role::TimedPattern)
        .is_some_and(|index| horse.standings[index].counts_as_held());
    if !finished {
        return false;
    }
    let runs = horse.ladder.levels.iter().enumerate();
    let mut days: Vec<_> = runs
        .filter(|(_, other)| other.measure == MeasureKind::Run)
        .flat_map(|(index, _)| horse.file.asks_until(index, horse.on))
        .map(|ask| ask.day)
        .filter(|day| *day < horse.on && days_between(*day, horse.on) < QUOTA_DAYS)
        .collect();
    days.sort_unstable();
    days.dedup();
    days.len() >= PATTERN_DAYS
}

/// A sensitive horse, or one that jumps ahead of the ask, is set up and walks on.
fn needs_set_ups(horse: Horse<'_>, day: &Day, level: &LadderLevel) -> bool {
    if !matches!(level.measure, MeasureKind::Depart | MeasureKind::Change) {
        return false;
    }
    let anticipates = horse.holes.iter().any(|hole| {
        let mut faults = hole.evidence.iter();
        faults.any(|fault| fault.fault.0 == "anticipates" && fault.times >= ANTICIPATES)
    });
    day.is(HorseTrait::SensitiveToLeg) || anticipates
}

/// First rides, first cattle, a new bit: never alone.
pub(super) fn is_never_alone(
    horse: Horse<'_>,
    limits: &Limits,
    level: &LadderLevel,
    asked: bool,
) -> bool {
    let first_cattle = level.with == Some(AtHand::Cattle)
        && !horse.standings.iter().any(|standing| {
            horse.ladder.levels[standing.index].with == Some(AtHand::Cattle)
                && standing.last_asked.is_some()
        });
    let new_bit = level.is(Role::NeedsHelper) && !asked;
    first_cattle || new_bit || (limits.first_rides && !level.ground)
}

/// Whether any level of a card is fast.
pub(super) fn is_any_fast(horse: Horse<'_>, blocks: &[Block]) -> bool {
    blocks
        .iter()
        .flat_map(|block| &block.levels)
        .filter_map(|named| horse.ladder.at(&named.level))
        .any(LadderLevel::is_fast)
}
