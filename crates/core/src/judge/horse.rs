//! The whole horse: every level of its ladder judged in one walk, needs before
//! what needs them.

use std::collections::HashSet;

use jiff::civil::Date;
use uuid::Uuid;

use super::caution::{self, Caution};
use super::ease::{self, EaseReason};
use super::history::{History, SoftDay, share_below, walk};
use super::horse_file::HorseFile;
use super::intake::Confirmation;
use super::overrule::Overrule;
use super::rails::{Tally, failing};
use super::retention::{CountsFrom, Retention, retention};
use super::side_drop::side_drop;
use super::standing::{SideCount, Standing};
use super::verdict::{Gated, State, Verdict, decide};
use super::what_it_takes::nearest;
use super::window::{GateInput, window_of};
use crate::Gait;
use crate::evidence::Ask;
use crate::ladder::{Gate, Ladder, LadderLevel};

/// Judges every level of a horse on `on`; what lies after `on` is not looked at.
pub fn judge_horse(ladder: &Ladder, file: &HorseFile, on: Date) -> Vec<Standing> {
    let histories = histories(ladder, file, on);
    let built_on = built_on(ladder, &histories, file, on);
    let walk = HorseWalk {
        ladder,
        file,
        on,
        horse_cautions: caution::of_horse(&file.care, &file.rides, on),
        mouth_cautions: caution::of_mouth(&file.care, on),
        fast_cautions: caution::of_fast_work(&file.care, on),
        exceptional: file.exceptional_rides(),
    };
    let mut standings: Vec<Standing> = Vec::with_capacity(ladder.levels.len());
    for (index, history) in histories.into_iter().enumerate() {
        let standing = walk.judge(index, history, built_on[index], &standings);
        standings.push(standing);
    }
    standings
}

fn histories(ladder: &Ladder, file: &HorseFile, on: Date) -> Vec<History> {
    let mut histories: Vec<History> = Vec::with_capacity(ladder.levels.len());
    for (index, level) in ladder.levels.iter().enumerate() {
        let below: &[SoftDay] = level
            .below
            .map_or(&[], |below| histories[below].soft_days.as_slice());
        let history = walk(
            file.asks_until(index, on),
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
    let mut overruled_on: Vec<Option<Date>> = latest.clone();
    for overrule in &file.overrules {
        if overrule.lets_count()
            && overrule.day <= on
            && let Some(index) = ladder.position(&overrule.level)
        {
            overruled_on[index] = overruled_on[index].max(Some(overrule.day));
        }
    }
    for (index, level) in ladder.levels.iter().enumerate().rev() {
        let own = histories[index]
            .soft_days
            .iter()
            .rev()
            .find(|day| day.shown_soft)
            .map(|day| day.day);
        let shown = latest[index].max(own).max(overruled_on[index]);
        for need in level.below.iter().chain(level.needs.iter().flatten()) {
            latest[*need] = latest[*need].max(shown);
        }
    }
    latest
}

/// What is the same for every level of one horse on one date.
struct HorseWalk<'a> {
    ladder: &'a Ladder,
    file: &'a HorseFile,
    on: Date,
    horse_cautions: Vec<Caution>,
    mouth_cautions: Vec<Caution>,
    fast_cautions: Vec<Caution>,
    exceptional: HashSet<Uuid>,
}

impl HorseWalk<'_> {
    fn judge(
        &self,
        index: usize,
        history: History,
        built_on: Option<Date>,
        before: &[Standing],
    ) -> Standing {
        let level = &self.ladder.levels[index];
        let gate = &level.gate;
        let asks = self.file.asks_until(index, self.on);
        let shown = self.shown(level, &asks[..history.counted], &history, before);
        let seen = window_of(shown.asks, gate, self.on);
        let overruled_by = self.overruled_by(level);
        let overrule = overruled_by.map(|index| &self.file.overrules[index]);
        let intake = self.shown_at_intake(level, asks);
        let kept = self.kept(&history, gate, overrule, intake, built_on);
        let (missing, stale) = needs(level, before);
        let seen_all = window_of(asks, gate, self.on);
        let cautions = self.cautions(level, asks, seen_all);
        let eased = self.eased(asks, seen_all, gate);
        let gated = Gated::of(failing(&shown, &Tally::of(&shown, seen, gate), gate));
        let needs_fresh = missing.is_empty() && stale.is_empty();
        let verdict = decide(
            &gated,
            !cautions.is_empty(),
            eased.is_some(),
            needs_fresh,
            kept.is_rusty(),
        );
        let never_asked = seen.is_empty() && asks.is_empty();
        let unlike =
            |other: Option<Verdict>| other.filter(|other| cautions.is_empty() && *other != verdict);
        Standing {
            index,
            verdict,
            state: state(verdict, &kept, &missing, overrule, intake, never_asked),
            sides: side_counts(level, seen),
            last_asked: asks.last().map(|ask| ask.day),
            retention: kept,
            ease_to: (verdict == Verdict::EaseBack)
                .then(|| highest_held_under(level, self.ladder, before))
                .flatten(),
            nearest: (!seen.is_empty() && !gated.passes)
                .then(|| nearest(&shown, gate))
                .flatten(),
            without_riders: unlike(self.without_riders(index, seen, before, needs_fresh, &kept)),
            without_exceptional: unlike(self.without_exceptional(
                index,
                seen,
                before,
                needs_fresh,
                &kept,
            )),
            missing,
            stale,
            eased,
            overruled_by,
            cautions,
            history,
        }
    }

    /// What the gate looks at.
    fn shown<'a>(
        &self,
        level: &LadderLevel,
        asks: &'a [Ask],
        history: &'a History,
        before: &[Standing],
    ) -> GateInput<'a> {
        let below = level.below.map(|below| &before[below].history.soft_days);
        GateInput {
            asks,
            on: self.on,
            readiness: &history.readiness,
            below: below.and_then(|days| share_below(days, &level.gate, self.on)),
            sides: level.asked_sides(),
        }
    }

    /// How the level has kept; the trainer's last decision counts.
    fn kept(
        &self,
        history: &History,
        gate: &Gate,
        overrule: Option<&Overrule>,
        intake: Option<Confirmation>,
        built_on: Option<Date>,
    ) -> Retention {
        let by_trainer = overrule
            .filter(|overrule| overrule.lets_count())
            .map(|overrule| CountsFrom {
                day: overrule.day,
                firm: true,
            });
        let at_intake = self
            .file
            .intake
            .as_ref()
            .filter(|_| intake.is_some_and(|intake| intake != Confirmation::Doubted))
            .map(|intake| CountsFrom {
                day: intake.day,
                firm: false,
            });
        let counts = by_trainer.or(at_intake);
        let mut kept = retention(history, gate, counts, built_on, self.on);
        if overrule.is_some_and(|overrule| !overrule.lets_count()) {
            kept.held_since = None;
        }
        kept
    }

    /// What is said of a level that was shown at intake.
    fn shown_at_intake(&self, level: &LadderLevel, asks: &[Ask]) -> Option<Confirmation> {
        let intake = self.file.intake.as_ref()?;
        intake.of(&level.level, asks, level.asked_sides(), self.on)
    }

    /// Why the level moves back, when it does.
    fn eased(&self, asks: &[Ask], seen: &[Ask], gate: &Gate) -> Option<EaseReason> {
        let rides_since = |ride| self.file.rides_since(ride, self.on);
        ease::by_share(seen, gate).or_else(|| ease::by_fault(asks, self.ladder, rides_since))
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
        let fast = if level.gait >= Gait::Lope && !level.ground {
            &self.fast_cautions[..]
        } else {
            &[]
        };
        let drop = side_drop(seen).map(Caution::SideDrop);
        self.horse_cautions
            .iter()
            .chain(mouth)
            .chain(fast)
            .copied()
            .chain(drop)
            .collect()
    }

    /// The verdict by the gate alone as if all riders were alike, where the window holds
    /// an ask of one who is very likely not.
    fn without_riders(
        &self,
        index: usize,
        seen: &[Ask],
        before: &[Standing],
        needs_fresh: bool,
        kept: &Retention,
    ) -> Option<Verdict> {
        if seen.iter().all(|ask| ask.rider_offset == 0.0) {
            return None;
        }
        let alike = |ask: &Ask| Ask {
            rider_offset: 0.0,
            ..*ask
        };
        let asks: Vec<Ask> = self.file.asks[index].iter().map(alike).collect();
        Some(self.by_the_gate(index, &asks, before, needs_fresh, kept))
    }

    /// The verdict by the gate alone without exceptional rides, where the window
    /// holds one.
    fn without_exceptional(
        &self,
        index: usize,
        seen: &[Ask],
        before: &[Standing],
        needs_fresh: bool,
        kept: &Retention,
    ) -> Option<Verdict> {
        if !seen
            .iter()
            .any(|ask| ask.new_rig || self.exceptional.contains(&ask.ride_id))
        {
            return None;
        }
        let asks = self.file.without_exceptional(&self.exceptional, index);
        Some(self.by_the_gate(index, &asks, before, needs_fresh, kept))
    }

    /// The verdict by the gate alone on other asks of the level.
    fn by_the_gate(
        &self,
        index: usize,
        asks: &[Ask],
        before: &[Standing],
        needs_fresh: bool,
        kept: &Retention,
    ) -> Verdict {
        let level = &self.ladder.levels[index];
        let asks = &asks[..asks.partition_point(|ask| ask.day <= self.on)];
        let below = level
            .below
            .map_or(&[][..], |below| before[below].history.soft_days.as_slice());
        let history = walk(asks, &level.gate, level.asked_sides(), below);
        let shown = GateInput {
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
        decide(&gated, false, eased, needs_fresh, kept.is_rusty())
    }
}

/// The needs that are not held, and those that are rusty.
fn needs(level: &LadderLevel, before: &[Standing]) -> (Vec<usize>, Vec<usize>) {
    let (mut missing, mut stale) = (Vec::new(), Vec::new());
    let below = level.below.map(|below| vec![below]);
    for need in below.iter().chain(&level.needs) {
        let held = need.iter().find(|index| before[**index].counts_as_held());
        match held {
            None => missing.extend(need.first()),
            Some(index) if need.iter().all(|p| !fresh(&before[*p])) => stale.push(*index),
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
    intake: Option<Confirmation>,
    never_asked: bool,
) -> State {
    match verdict {
        Verdict::EaseBack => State::Eased,
        _ if overrule.is_some_and(|overrule| !overrule.lets_count()) => State::Overruled,
        _ if kept.is_rusty() => State::Rusty,
        _ if kept.held_since.is_some() && overrule.is_some() && kept.passed_days == 0 => {
            State::Overruled
        }
        _ if kept.held_since.is_some()
            && intake == Some(Confirmation::Waiting)
            && kept.passed_days == 0 =>
        {
            State::ShownAtIntake
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
            .flat_map(|index| {
                let level = &ladder.levels[*index];
                level
                    .below
                    .iter()
                    .chain(level.needs.iter().flatten())
                    .copied()
            })
            .filter(|index| seen.insert(*index))
            .collect();
    }
    None
}
