//! The whole horse: every level of its ladder judged in one walk, needs before
//! what needs them.

use std::collections::HashSet;

use jiff::ToSpan;
use jiff::civil::Date;
use uuid::Uuid;

use super::by_day::days::{Days, Shown};
use super::by_day::said::said;
use super::by_day::timeline::{Needs, Timeline};
use super::caution::{self, Caution, DayCautions};
use super::held::hold::{Hold, Phase};
use super::held::retention::Retention;
use super::held::saying::{HeldBy, Said};
use super::held::soft_day::{SoftDay, soft_days};
use super::history::{History, LevelWalk, Walked, below, gate_on_last_day, went_back_soft};
use super::horse_file::{Carried, CarriedLevel, HorseFile};
use super::judged_before::{JudgedBefore, JudgedNow};
use super::rails::{Tally, failing};
use super::standing::{SideCount, Standing};
use super::verdict::{Gated, State, Verdict, decide};
use super::what_it_takes::nearest;
use super::window::{GateInput, window_of};
use crate::day::days_between;
use crate::evidence::Ask;
use crate::ladder::{Gate, Ladder, LadderLevel};

/// Judges every level of a horse on `on`; what lies after `on` is not looked at.
pub fn judge_horse(ladder: &Ladder, file: &HorseFile, on: Date) -> Vec<Standing> {
    judge_horse_after(ladder, file, on, None)
}

/// The same as [`judge_horse`], taking over what an earlier judgement made of asks that are
/// still the same: so a further ask costs what it adds.
pub fn judge_horse_after(
    ladder: &Ladder,
    file: &HorseFile,
    on: Date,
    before: Option<JudgedBefore<'_>>,
) -> Vec<Standing> {
    let said = said(ladder, file, on);
    let walked = match before {
        Some(before) => before.walked(JudgedNow {
            ladder,
            file,
            said: &said,
            on,
        }),
        None => vec![None; ladder.levels.len()],
    };
    let levels = ladder.levels.iter().enumerate().zip(&walked);
    let soft_days: Vec<Vec<SoftDay>> = levels
        .map(|((index, level), walked)| {
            let asks = file.asks_until(index, on);
            let same = walked.as_ref().map_or(&[][..], Walked::same_soft_days);
            let from = same
                .last()
                .map_or(0, |last| asks.partition_point(|ask| ask.day <= last.day));
            let others = soft_days(&asks[from..], &level.gate, level.asked_sides());
            same.iter().copied().chain(others).collect()
        })
        .collect();
    let days = Days::of(file, &soft_days, &said, on);
    let horse = HorseWalk {
        ladder,
        file,
        on,
        walked: &walked,
        shown: &Shown::of(ladder, &days, &soft_days, &said),
        day_cautions: &DayCautions::of(file, &days),
        days: &days,
        said: &said,
        soft_days: &soft_days,
        horse_cautions: caution::of_horse(&file.care, &file.rides, on),
        mouth_cautions: caution::of_mouth(&file.care, on),
        fast_cautions: caution::of_fast_work(&file.care, on),
        exceptional: file.exceptional_rides(),
    };
    horse.judge()
}

/// How every level stood at the end of the day before `from`, to be carried onto the next
/// version of the program.
pub fn carry_over(ladder: &Ladder, file: &HorseFile, from: Date) -> Carried {
    let standings = judge_horse(ladder, file, from.saturating_sub(1.day()));
    let levels = standings.into_iter().map(|standing| {
        let level = ladder.levels[standing.index].level.clone();
        let carried = CarriedLevel {
            hold: standing.history.hold,
            changes: standing.history.changes,
        };
        (level, carried)
    });
    Carried {
        from,
        levels: levels.collect(),
    }
}

/// What is the same for every level of one horse on one date.
struct HorseWalk<'a> {
    ladder: &'a Ladder,
    file: &'a HorseFile,
    on: Date,
    walked: &'a [Option<Walked<'a>>],
    days: &'a Days,
    said: &'a [Vec<Said>],
    soft_days: &'a [Vec<SoftDay>],
    shown: &'a Shown<'a>,
    day_cautions: &'a DayCautions<'a>,
    horse_cautions: Vec<Caution>,
    mouth_cautions: Vec<Caution>,
    fast_cautions: Vec<Caution>,
    exceptional: HashSet<Uuid>,
}

/// What the gate of a level is held against on a date. What it showed on the last day the
/// level was asked stays as it was until it is asked again, for as long as that day lies in
/// the window: time alone neither opens a gate nor closes it.
pub fn gate_input<'a>(
    ladder: &Ladder,
    asks: &'a [Ask],
    history: &'a History,
    below_days: Option<&[SoftDay]>,
    index: usize,
    on: Date,
) -> GateInput<'a> {
    let level = &ladder.levels[index];
    let in_window = |day: &Date| days_between(*day, on) < i64::from(level.gate.window_days);
    let last = history.soft_days.last().map(|last| last.day);
    GateInput {
        asks: &asks[history.from.min(history.counted)..history.counted],
        on: last.filter(in_window).unwrap_or(on),
        readiness: &history.readiness,
        below: below_days
            .filter(|_| !history.hold.owes_way_back)
            .and_then(|days| below(ladder, level, days, on)),
        sides: level.asked_sides(),
    }
}

impl HorseWalk<'_> {
    fn judge(&self) -> Vec<Standing> {
        let mut standings: Vec<Standing> = Vec::with_capacity(self.ladder.levels.len());
        let mut timelines: Vec<Timeline> = Vec::with_capacity(self.ladder.levels.len());
        for index in 0..self.ladder.levels.len() {
            let history = self.walk(index, &timelines);
            timelines.push(history.timeline.clone());
            let standing = self.standing(index, history, &timelines);
            standings.push(standing);
        }
        standings
    }

    fn walk(&self, index: usize, timelines: &[Timeline]) -> History {
        let walk = LevelWalk {
            ladder: self.ladder,
            index,
            file: self.file,
            asks: self.file.asks_until(index, self.on),
            days: self.days,
            said: &self.said[index],
            before: timelines,
            soft_days: self.soft_days,
            shown: self.shown,
            cautions: self.day_cautions,
            exceptional: &self.exceptional,
            walked: self.walked[index],
        };
        walk.walk()
    }

    fn standing(&self, index: usize, history: History, timelines: &[Timeline]) -> Standing {
        let level = &self.ladder.levels[index];
        let asks = self.file.asks_until(index, self.on);
        let below_days = level.below.map(|below| self.soft_days[below].as_slice());
        let shown = gate_input(self.ladder, asks, &history, below_days, index, self.on);
        let hold = &history.hold;
        let gate = hold.gate(&level.gate);
        let seen = window_of(shown.asks, &gate, shown.on);
        let overruled_by = self.overruled_by(level);
        let kept = self.kept(index, hold, &level.gate);
        let needs = Needs::of(level, timelines, self.shown, self.on);
        let cautions = self.cautions(level, asks, hold);
        let back_up = self.is_on_the_way_up(&history, timelines);
        let gated = Gated::of(failing(&shown, &Tally::of(&shown, seen, &gate), &gate));
        let may_advance = needs.are_good() && hold.in_doubt.is_none() && hold.retest.is_none();
        // A level that was lost is worked again, and not tested cold.
        let asked_cold =
            kept.is_rusty() || hold.retest.is_some() || (back_up && hold.phase != Phase::Lost);
        let sent_down = hold.eased.is_some() && !back_up;
        let verdict = decide(
            &gated,
            !cautions.is_empty(),
            sent_down,
            may_advance && hold.eased.is_none(),
            asked_cold,
        );
        let other = Otherwise {
            horse: self,
            index,
            shown: &shown,
            gate: &gate,
            may_advance,
            asked_cold,
        };
        let unlike = |other: Option<Verdict>| {
            other.filter(|other| {
                cautions.is_empty() && !sent_down_for_a_day(hold) && *other != verdict
            })
        };
        Standing {
            index,
            verdict,
            state: state(verdict, hold, &kept, &needs, level, asks.is_empty()),
            sides: side_counts(level, seen),
            last_asked: asks.last().map(|ask| ask.day),
            retention: kept,
            ease_to: hold
                .eased
                .as_ref()
                .filter(|_| verdict == Verdict::EaseBack)
                .and_then(|eased| self.ladder.position(eased.to.as_ref()?)),
            nearest: (!seen.is_empty() && !gated.passes)
                .then(|| nearest(&shown, &gate))
                .flatten(),
            without_riders: unlike(other.without_riders(seen)),
            without_exceptional: unlike(other.without_exceptional(seen)),
            missing: needs.missing,
            stale: needs.stale,
            doubtful: needs.in_doubt,
            eased: hold.eased.as_ref().map(|eased| eased.reason.clone()),
            overruled_by,
            cautions,
            history,
        }
    }

    /// How the level has kept.
    fn kept(&self, index: usize, hold: &Hold, gate: &Gate) -> Retention {
        let last_soft = self.shown.last(index, self.on);
        Retention {
            held_since: hold.since.filter(|_| hold.is_held()),
            passed_days: hold.passed_days,
            last_soft,
            idle_days: last_soft.map(|day| days_between(day, self.on).max(0) as u32),
            rusty_after_days: hold.rusty_after_days(gate),
        }
    }

    /// A level that was sent down and is asked again, what it went back to being soft: first
    /// asks say the rest.
    fn is_on_the_way_up(&self, history: &History, timelines: &[Timeline]) -> bool {
        let Some(eased) = &history.hold.eased else {
            return false;
        };
        let since = |days: &[SoftDay]| days.iter().any(|day| day.day > eased.since);
        let under = eased.to.as_ref().and_then(|to| self.ladder.position(to));
        let is_asked =
            under.is_none_or(|under| since(&self.soft_days[under])) || since(&history.soft_days);
        let is_soft = went_back_soft(self.ladder, timelines, self.soft_days, eased, self.on);
        eased.pause.is_none() && eased.since < self.on && is_asked && is_soft
    }

    /// The last decision on the level, until its day has come.
    fn overruled_by(&self, level: &LadderLevel) -> Option<usize> {
        self.file
            .overrules
            .iter()
            .rposition(|overrule| overrule.level == level.level && overrule.day <= self.on)
    }

    fn cautions(&self, level: &LadderLevel, asks: &[Ask], hold: &Hold) -> Vec<Caution> {
        if asks.is_empty() {
            return Vec::new();
        }
        let mouth = if level.mouth {
            &self.mouth_cautions[..]
        } else {
            &[]
        };
        let fast = if super::caution::needs_feet(level) {
            &self.fast_cautions[..]
        } else {
            &[]
        };
        self.horse_cautions
            .iter()
            .chain(mouth)
            .chain(fast)
            .copied()
            .chain(hold.dropped.map(Caution::SideDrop))
            .collect()
    }
}

/// Sent down by a pause, which asks alone say nothing of.
fn sent_down_for_a_day(hold: &Hold) -> bool {
    hold.eased
        .as_ref()
        .is_some_and(|eased| eased.pause.is_some())
}

/// The verdict on other asks of the level than those of the record, by the gate alone.
struct Otherwise<'a> {
    horse: &'a HorseWalk<'a>,
    index: usize,
    shown: &'a GateInput<'a>,
    gate: &'a Gate,
    may_advance: bool,
    asked_cold: bool,
}

impl Otherwise<'_> {
    /// As if all riders were alike, where the window holds an ask of one who is very likely
    /// not.
    fn without_riders(&self, seen: &[Ask]) -> Option<Verdict> {
        if seen.iter().all(|ask| ask.rider_offset == 0.0) {
            return None;
        }
        let alike = |ask: &Ask| Ask {
            rider_offset: 0.0,
            ..*ask
        };
        self.by_the_gate(self.shown.asks.iter().map(alike).collect())
    }

    /// Without exceptional rides, where the window holds one.
    fn without_exceptional(&self, seen: &[Ask]) -> Option<Verdict> {
        let is_exceptional =
            |ask: &Ask| ask.new_rig || self.horse.exceptional.contains(&ask.ride_id);
        if !seen.iter().any(is_exceptional) {
            return None;
        }
        let all = self.horse.file.asks_until(self.index, self.horse.on);
        let from = all.len() - self.shown.asks.len().min(all.len());
        let kept = all[from..].iter().filter(|ask| !is_exceptional(ask));
        self.by_the_gate(kept.copied().collect())
    }

    fn by_the_gate(&self, asks: Vec<Ask>) -> Option<Verdict> {
        let gated = gate_on_last_day(&asks, self.gate, self.shown.sides, self.shown.below)?;
        let seen = window_of(&asks, self.gate, self.shown.on);
        let eased = super::held::ease::by_share(seen, self.gate).is_some();
        Some(decide(
            &gated,
            false,
            eased,
            self.may_advance,
            self.asked_cold,
        ))
    }
}

fn state(
    verdict: Verdict,
    hold: &Hold,
    kept: &Retention,
    needs: &Needs,
    level: &LadderLevel,
    never_asked: bool,
) -> State {
    match hold.phase {
        Phase::KeptBack => State::Overruled,
        Phase::Lost => State::Lost,
        Phase::Held if hold.waiting.is_some() => State::Waiting,
        Phase::Held if hold.retest.is_some() => State::Retest,
        _ if hold.eased.is_some() => State::Eased,
        Phase::Held if hold.in_doubt.is_some() => State::InDoubt,
        Phase::Held if kept.is_rusty() => State::Rusty,
        Phase::Held => held_state(hold, level),
        Phase::Never if !needs.missing.is_empty() => State::Closed,
        Phase::Never if verdict == Verdict::Confirm => State::Confirming,
        Phase::Never if never_asked => State::Open,
        Phase::Never => State::Working,
    }
}

/// How a level is held that nothing speaks against.
fn held_state(hold: &Hold, level: &LadderLevel) -> State {
    let unconfirmed = hold.is_unconfirmed(level.asked_sides());
    match hold.by {
        HeldBy::Word => State::Overruled,
        HeldBy::Intake if unconfirmed => State::ShownAtIntake,
        HeldBy::Placed if unconfirmed => State::Placed,
        _ => State::Held,
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
