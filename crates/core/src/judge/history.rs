//! A level day by day: what each day showed, what the judge said that evening, and what
//! moved the level.

use std::collections::HashSet;

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::caution::DayCautions;
use super::held::change::{Because, Change, Moved};
use super::held::days::{Days, Shown};
use super::held::drop::side_drop;
use super::held::ease::{self, Eased, FIRST_DAYS, firsts_soft, highest_held_under};
use super::held::hold::{Hold, Phase};
use super::held::saying::{HeldBy, Said};
use super::held::soft_day::SoftDay;
use super::held::timeline::{Needs, Step, Timeline};
use super::horse_file::HorseFile;
use super::rails::{Tally, failing, rails};
use super::verdict::{Gated, Verdict, decide};
use super::window::{Below, GateInput, window_of};
use crate::Side;
use crate::day::days_between;
use crate::evidence::Ask;
use crate::evidence::readiness::{self, Readiness};
use crate::ladder::{Gate, Ladder, LadderLevel, Level};

/// The verdict at the end of one day.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DayVerdict {
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// What the judge said that evening.
    pub verdict: Verdict,
    /// Whether every rail passed.
    pub passes: bool,
    /// Rails that passed.
    pub rails_filled: u32,
    /// Rails of the gate.
    pub rails: u32,
}

/// What the level below showed, side by side, on the last day it was asked until `on`, on
/// the same day where it was asked then; none where the gate does not look at it.
pub fn below(
    ladder: &Ladder,
    level: &LadderLevel,
    soft_days: &[SoftDay],
    on: Date,
) -> Option<Below> {
    let below = &ladder.levels[level.below?];
    if !level.gate.level_below {
        return None;
    }
    let until = soft_days.partition_point(|day| day.day <= on);
    let last = soft_days[..until]
        .last()
        .filter(|last| days_between(last.day, on) < i64::from(level.gate.window_days));
    let share = |side: Side| {
        let last = last?;
        let of = |side: Side| last.sides[usize::from(side == Side::Right)].share();
        match (side, below.asked_sides()) {
            // What is asked on both reins at once stands on both sides of what is below.
            (Side::Both, [Side::Left, Side::Right]) => Some(of(Side::Left)?.min(of(Side::Right)?)),
            (_, [Side::Both]) => of(Side::Both),
            _ => of(side),
        }
    };
    let mut shares = [None; 2];
    for side in level.asked_sides() {
        shares[usize::from(*side == Side::Right)] = share(*side);
    }
    Some(Below(shares))
}

/// A level's days until a date, what moved it, and where it stands after them.
#[derive(Debug, Clone)]
pub struct History {
    /// The verdict after each day it was asked, oldest first.
    pub days: Vec<DayVerdict>,
    /// Soft and asked of each day it was asked.
    pub soft_days: Vec<SoftDay>,
    /// What moved it, oldest first.
    pub changes: Vec<Change>,
    /// Where it stands.
    pub hold: Hold,
    /// How it stood on each day, for what rests on it.
    pub timeline: Timeline,
    /// The readiness after the asks that count.
    pub readiness: Readiness,
    /// How many of the asks count: all, but for soft ones at the very end that
    /// would close a gate that stood open before them.
    pub counted: usize,
    /// From which ask on the gate looks: after a loss it begins anew.
    pub from: usize,
    /// The readiness after all asks of each day.
    after: Vec<Readiness>,
}

/// What was walked before over asks that may be the same.
#[derive(Debug, Clone, Copy)]
pub struct Walked<'a> {
    /// The asks.
    pub asks: &'a [Ask],
    /// What came of them.
    pub history: &'a History,
}

/// Everything that a level's days are walked with.
pub struct LevelWalk<'a> {
    /// The ladder.
    pub ladder: &'a Ladder,
    /// The level's index on it.
    pub index: usize,
    /// What is known of the horse.
    pub file: &'a HorseFile,
    /// The level's asks until the date, in order.
    pub asks: &'a [Ask],
    /// The days on which anything happened.
    pub days: &'a Days,
    /// What was said of the level.
    pub said: &'a [Said],
    /// How the levels before it on the ladder stood.
    pub before: &'a [Timeline],
    /// Soft and asked of each level, day by day.
    pub soft_days: &'a [Vec<SoftDay>],
    /// On which days levels were shown soft.
    pub shown: &'a Shown<'a>,
    /// Who should look first, by day.
    pub cautions: &'a DayCautions<'a>,
    /// Rides that say little of the horse.
    pub exceptional: &'a HashSet<Uuid>,
    /// The same level as it was walked before.
    pub walked: Option<Walked<'a>>,
}

impl LevelWalk<'_> {
    /// Walks over the level's days.
    pub fn walk(&self) -> History {
        let level = &self.ladder.levels[self.index];
        let carried = self.file.carried.as_ref();
        let known = carried.and_then(|carried| carried.levels.get(&level.level));
        let hold = known.map_or_else(|| Hold::new(level.safety), |known| known.hold.clone());
        let mut at = At {
            walk: self,
            level,
            sides: level.asked_sides(),
            begins: carried.map_or(Date::MIN, |carried| carried.from),
            end: 0,
            same: self.same_days(),
            open: None,
            history: History {
                days: Vec::new(),
                soft_days: self.soft_days[self.index].clone(),
                changes: known.map(|known| known.changes.clone()).unwrap_or_default(),
                hold,
                timeline: Timeline::default(),
                readiness: Readiness::default(),
                counted: 0,
                from: 0,
                after: Vec::new(),
            },
        };
        let needs = self.need_days();
        let (mut said, mut need) = (0, 0);
        for day in self.days.all() {
            let is_asked = self.asks.get(at.end).is_some_and(|ask| ask.day == *day);
            let told = self.said[said..].partition_point(|one| one.day <= *day);
            let changed = needs[need..].partition_point(|one| one <= day);
            let of_day = &self.said[said..said + told];
            said += told;
            need += changed;
            if is_asked || !of_day.is_empty() || changed > 0 || at.is_waiting_for_a_day(*day) {
                at.day(*day, is_asked, of_day);
            }
        }
        at.history
    }

    /// The days on which something changed of what the level needs.
    fn need_days(&self) -> Vec<Date> {
        let level = &self.ladder.levels[self.index];
        let needs = level.below.iter().chain(level.needs.iter().flatten());
        let mut days: Vec<Date> = needs.flat_map(|need| self.before[*need].days()).collect();
        days.sort_unstable();
        days
    }

    /// How many leading days of the asks are those of an earlier walk.
    fn same_days(&self) -> usize {
        let Some(walked) = self.walked else { return 0 };
        let mut asks = self.asks.chunk_by(|a, b| a.day == b.day);
        let mut known = walked.asks.chunk_by(|a, b| a.day == b.day);
        let mut same = 0;
        while let (Some(day), Some(other)) = (asks.next(), known.next()) {
            if day != other {
                break;
            }
            same += 1;
        }
        same.min(walked.history.after.len())
    }
}

/// A gate that stood open, the level below aside, on the last day the level was asked.
#[derive(Debug, Clone, Copy)]
struct OpenGate {
    day: Date,
}

struct At<'a> {
    walk: &'a LevelWalk<'a>,
    level: &'a LadderLevel,
    sides: &'static [Side],
    /// From this day on the machine moves; before it another program's did.
    begins: Date,
    /// Asks taken in so far.
    end: usize,
    /// Leading days whose readiness is known.
    same: usize,
    open: Option<OpenGate>,
    history: History,
}

impl At<'_> {
    /// Whether a day on which the level itself was neither asked nor spoken of may move it.
    fn is_waiting_for_a_day(&self, day: Date) -> bool {
        let hold = &self.history.hold;
        let may_gain = self.open.is_some() && !hold.is_held();
        may_gain || hold.eased.is_some() || hold.dropped.is_some() || day == self.begins
    }

    fn moved(&mut self, change: Option<Change>) {
        self.history.changes.extend(change);
    }

    fn day(&mut self, day: Date, is_asked: bool, said: &[Said]) {
        let moves = day >= self.begins;
        let start = self.end;
        if is_asked {
            let asks = &self.walk.asks[start..];
            self.end += asks.partition_point(|ask| ask.day <= day);
            self.asked(day, start, moves);
        }
        if !moves {
            return;
        }
        for said in said {
            let change = self.history.hold.hear(said, self.walk.ladder);
            self.moved(change);
        }
        self.answered(day);
        self.end_of_ease(day);
        let mut needs = self.needs(day);
        let missing = needs
            .missing
            .first()
            .map(|need| &self.walk.ladder.levels[*need].level);
        let change = self.history.hold.rest_on(day, missing);
        self.moved(change);
        self.advance(day, is_asked, &mut needs);
        self.history.timeline.step(Step {
            day,
            counts: self.history.hold.counts(),
            in_doubt: self.history.hold.in_doubt.is_some(),
            rusty_after_days: self.history.hold.rusty_after_days(&self.level.gate),
        });
        if is_asked {
            self.verdict_of(day, &needs);
        }
    }

    fn needs(&self, day: Date) -> Needs {
        Needs::of(self.level, self.walk.before, self.walk.shown, day)
    }

    /// The day's asks: what they show, and what they take off a level that is held.
    fn asked(&mut self, day: Date, start: usize, moves: bool) {
        let of_day = &self.walk.asks[start..self.end];
        if moves {
            self.score(of_day);
            let firsts = firsts_soft(of_day, self.sides);
            let change = self.history.hold.tested_cold(day, firsts);
            self.moved(change);
            self.ease(day, start, firsts);
            let change = self.history.hold.doubt(day, self.sides);
            self.moved(change);
            self.drop(day);
        }
        let after = self.history.hold.gate_after;
        let asks = &self.walk.asks[..self.end];
        self.history.from = after.map_or(0, |after| {
            asks.partition_point(|ask| (ask.day, ask.asked_at, ask.rep_id) <= after)
        });
        self.check(day, start);
    }

    /// What the answers take off, ride by ride.
    fn score(&mut self, of_day: &[Ask]) {
        let day = of_day[0].day;
        if self.history.hold.is_held()
            && let Some(change) = self.history.hold.first_asks(of_day, self.sides)
        {
            self.moved(Some(change));
        }
        let mut rides: Vec<Uuid> = of_day.iter().map(|ask| ask.ride_id).collect();
        rides.dedup();
        let mut seen: Vec<Uuid> = Vec::with_capacity(rides.len());
        for ride_id in rides {
            if seen.contains(&ride_id) || !self.history.hold.is_held() {
                continue;
            }
            seen.push(ride_id);
            let ride: Vec<&Ask> = of_day.iter().filter(|ask| ask.ride_id == ride_id).collect();
            let disturbed = self.walk.exceptional.contains(&ride_id) || ride[0].new_rig;
            let change = self.history.hold.ride(&ride, self.sides, disturbed);
            self.moved(change);
        }
        let hold = &mut self.history.hold;
        let lost = hold.phase == Phase::Lost && hold.is_safety();
        if lost && of_day.iter().any(|ask| !ask.soft) {
            hold.miss_on_the_way_back(day);
        }
    }

    /// Sends the level down after a poor ride, or counts a day on the way back up.
    fn ease(&mut self, day: Date, start: usize, firsts: bool) {
        let asks = &self.walk.asks[..self.end];
        let seen = window_of(asks, &self.level.gate, day);
        self.history.hold.lighter = None;
        let Some((reason, pause)) = ease::reason(asks, seen, &self.level.gate, self.walk.ladder)
        else {
            if let Some(eased) = &mut self.history.hold.eased
                && start > 0
            {
                eased.asked(firsts);
            }
            return;
        };
        let to = self.highest_held_under(day);
        let days = asks
            .chunk_by(|a, b| a.day == b.day)
            .take(FIRST_DAYS + 1)
            .count();
        if to.is_none() && days <= FIRST_DAYS {
            self.history.hold.lighter = Some(reason);
            return;
        }
        let is_new = self.history.hold.eased.is_none();
        self.history.hold.eased = Some(Eased::on(day, reason, to, pause));
        let (moved, because) = (Moved::Eased, Because::Poor);
        self.moved(is_new.then_some(Change {
            day,
            moved,
            because,
        }));
    }

    /// The highest held level under this one on a day.
    fn highest_held_under(&self, day: Date) -> Option<Level> {
        let held = |index: usize| self.walk.before[index].on(day).is_some();
        let found = highest_held_under(self.level, self.walk.ladder, held)?;
        Some(self.walk.ladder.levels[found].level.clone())
    }

    /// Takes the mark of a poor ride off, where evidence does.
    fn end_of_ease(&mut self, day: Date) {
        let Some(eased) = &self.history.hold.eased else {
            return;
        };
        let is_over = match eased.pause {
            Some((ride_id, rides)) => self.walk.file.rides_since(ride_id, day) >= rides,
            None => eased.firsts_are_soft() && self.went_back_soft(eased, day),
        };
        if is_over {
            self.history.hold.eased = None;
            let (moved, because) = (Moved::EaseEnded, Because::Soft);
            self.moved(Some(Change {
                day,
                moved,
                because,
            }));
        }
    }

    /// Whether what a level went back to is soft.
    fn went_back_soft(&self, eased: &Eased, day: Date) -> bool {
        went_back_soft(
            self.walk.ladder,
            self.walk.before,
            self.walk.soft_days,
            eased,
            day,
        )
    }

    /// Opens the caution of a side that went bad, and closes it when it is soft again.
    fn drop(&mut self, day: Date) {
        let asks = &self.walk.asks[..self.end];
        if let Some(dropped) = &self.history.hold.dropped {
            if dropped.is_over(asks) {
                self.history.hold.dropped = None;
            }
            return;
        }
        let seen = window_of(asks, &self.level.gate, day);
        self.history.hold.dropped = side_drop(seen);
    }

    /// Closes the caution of a side that somebody looked at.
    fn answered(&mut self, day: Date) {
        let Some(dropped) = &self.history.hold.dropped else {
            return;
        };
        let is_answered = self.walk.file.answers.iter().any(|answer| {
            answer.level == self.level.level
                && answer.side == dropped.side
                && (dropped.since..=day).contains(&answer.day)
        });
        if is_answered {
            self.history.hold.dropped = None;
        }
    }

    /// Holds the day's asks against the gate.
    fn check(&mut self, day: Date, start: usize) {
        let number = self.history.after.len();
        let before = number.checked_sub(1).map(|last| self.history.after[last]);
        let before = before.unwrap_or_default();
        let known = self.walk.walked.filter(|_| number < self.same);
        let end_of_day = EndOfDay {
            asks: &self.walk.asks[..self.end],
            from: self.history.from,
            start,
            before: &before,
            known: known.map(|walked| &walked.history.after[number]),
            gate: &self.history.hold.gate(&self.level.gate),
            sides: self.sides,
            below: self.below(day),
        };
        let all = end_of_day.counting(self.end);
        self.history.after.push(all.readiness);
        let counted = end_of_day.counted_asks(all);
        self.history.counted = counted.counted;
        self.history.readiness = counted.readiness;
        self.open = counted.gated.passes_but_below.then_some(OpenGate { day });
        self.history.days.push(DayVerdict {
            day,
            verdict: decide(&counted.gated, false, false, true, false),
            passes: counted.gated.passes,
            rails_filled: counted.rails - counted.gated.fails,
            rails: counted.rails,
        });
    }

    fn below(&self, day: Date) -> Option<Below> {
        let soft_days = &self.walk.soft_days[self.level.below?];
        below(self.walk.ladder, self.level, soft_days, day)
    }

    /// Whether every rail passes on a day: as they did on the last day the level was asked,
    /// for as long as that lies in the window, and the level below as it is now.
    fn is_open(&self, day: Date) -> bool {
        let gate = &self.level.gate;
        let in_window = |open: OpenGate| days_between(open.day, day) < i64::from(gate.window_days);
        let is_safety_back =
            self.history.hold.phase == Phase::Lost && self.history.hold.is_safety();
        let below_is_soft = is_safety_back
            || self
                .below(day)
                .is_none_or(|below| below.is_soft(gate.soft_share, self.sides));
        self.open.is_some_and(in_window) && below_is_soft
    }

    /// The gate stands open, and all it needs is held and not in doubt: the level is held.
    fn advance(&mut self, day: Date, is_asked: bool, needs: &mut Needs) {
        let hold = &self.history.hold;
        let held_back = hold.eased.is_some()
            || hold.dropped.is_some()
            || self.walk.cautions.hold_back(self.level, day);
        if !self.is_open(day) || held_back || hold.phase == Phase::KeptBack {
            return;
        }
        if hold.is_held() {
            if needs.are_good() && is_asked {
                self.history.hold.passed_days += 1;
                if self.history.hold.by != HeldBy::Gate {
                    self.history.hold.proven();
                }
            }
            return;
        }
        if needs.are_good() {
            let because = if hold.is_safety() && hold.phase == Phase::Lost {
                Because::InARow
            } else {
                Because::Gate
            };
            let rests_anew = hold.was_held && self.rests_anew(day);
            let change = self.history.hold.gain(day, because);
            self.history.hold.passed_days = 1;
            // Shown while what it rests on was away: a cold test comes before anything above.
            self.history.hold.retest = rests_anew.then_some(day);
            self.moved(Some(change));
        }
    }

    /// Whether something it needs came back on that very day.
    fn rests_anew(&self, day: Date) -> bool {
        let needs = self
            .level
            .below
            .iter()
            .chain(self.level.needs.iter().flatten());
        needs
            .clone()
            .any(|need| self.walk.before[*need].came_back_on(day))
    }

    /// What the judge said that evening. On a day it was asked, a level is being retested,
    /// so it is not rusty.
    fn verdict_of(&mut self, day: Date, needs: &Needs) {
        let hold = &self.history.hold;
        let cautions = hold.dropped.is_some() || self.walk.cautions.hold_back(self.level, day);
        let sent_down = hold.eased.is_some();
        let good = needs.are_good() && hold.in_doubt.is_none() && hold.retest.is_none();
        let Some(said) = self.history.days.last_mut() else {
            return;
        };
        if cautions {
            said.verdict = Verdict::CheckFirst;
        } else if sent_down {
            said.verdict = Verdict::EaseBack;
        } else if said.verdict == Verdict::Advance && !good {
            said.verdict = Verdict::Stay;
        }
    }
}

/// Whether what a level went back to is soft on a day: held and not in doubt, and soft on the
/// last day it was asked since; a level with nothing under it went back to nothing.
pub fn went_back_soft(
    ladder: &Ladder,
    timelines: &[Timeline],
    soft_days: &[Vec<SoftDay>],
    eased: &Eased,
    day: Date,
) -> bool {
    let Some(to) = eased.to.as_ref().and_then(|to| ladder.position(to)) else {
        return true;
    };
    let stands = timelines[to].on(day).is_some_and(|step| !step.in_doubt);
    let since = |soft: &&SoftDay| soft.day > eased.since && soft.day <= day;
    let last = soft_days[to].iter().rfind(since);
    stands && last.is_none_or(|last| last.shown_soft)
}

/// The gate on the last day of `asks`, by the gate alone: on other asks than those of the
/// record.
pub(super) fn gate_on_last_day(
    asks: &[Ask],
    gate: &Gate,
    sides: &'static [Side],
    below: Option<Below>,
) -> Option<Gated> {
    let last = asks.last()?.day;
    let start = asks.partition_point(|ask| ask.day < last);
    let before = Readiness::after(&asks[..start]);
    let end_of_day = EndOfDay {
        asks,
        from: 0,
        start,
        before: &before,
        known: None,
        gate,
        sides,
        below,
    };
    let all = end_of_day.counting(asks.len());
    Some(end_of_day.counted_asks(all).gated)
}

/// The end of one day at a level.
struct EndOfDay<'a> {
    asks: &'a [Ask],
    /// The gate looks at asks from here on.
    from: usize,
    /// Where the day's asks begin.
    start: usize,
    before: &'a Readiness,
    /// The readiness after all asks of the day, where an earlier walk knows it.
    known: Option<&'a Readiness>,
    gate: &'a Gate,
    sides: &'static [Side],
    below: Option<Below>,
}

/// What the gate is held against that evening.
struct CountedAsks {
    counted: usize,
    readiness: Readiness,
    gated: Gated,
    rails: u32,
}

impl EndOfDay<'_> {
    /// All asks count. But one more soft answer must never close a gate that
    /// stood open before it (it could: by making the day look like a good day, or
    /// the better side better still), so soft answers at the very end are left
    /// out where that opens the gate.
    fn counted_asks(&self, all: CountedAsks) -> CountedAsks {
        if all.gated.passes || !all.gated.only_hurt_by_soft {
            return all;
        }
        let trailing = self.asks[self.start..]
            .iter()
            .rev()
            .take_while(|ask| ask.soft)
            .count();
        (1..=trailing)
            .map(|fewer| self.counting(self.asks.len() - fewer))
            .find(|counted_asks| counted_asks.gated.passes)
            .unwrap_or(all)
    }

    fn counting(&self, counted: usize) -> CountedAsks {
        let mut readiness = *self.before;
        match self.known {
            Some(known) if counted == self.asks.len() => readiness = *known,
            _ if counted > self.start => {
                let day = &self.asks[self.start..counted];
                readiness.day(day[0].day, &readiness::DayEvidence::of(day));
            }
            _ => {}
        }
        let on = self.asks[self.start].day;
        let asks = &self.asks[self.from.min(counted)..counted];
        let seen = window_of(asks, self.gate, on);
        let shown = GateInput {
            asks,
            on,
            readiness: &readiness,
            below: self.below,
            sides: self.sides,
        };
        let tally = Tally::of(&shown, seen, self.gate);
        CountedAsks {
            counted,
            gated: Gated::of(failing(&shown, &tally, self.gate)),
            rails: rails(&shown, self.gate).count() as u32,
            readiness,
        }
    }
}
