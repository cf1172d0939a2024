//! One level with everything that is said of it: verdict, rails, what it would
//! take, trend, slip, forecast; its reasons are in `reason.rs`.

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::forecast::{Draws, Forecast, draws, forecast};
use super::gate_check::{GateCheck, check_gate};
use super::held;
use super::held::change::{Change, Moved};
use super::held::ease::EaseReason;
use super::held::retention::Retention;
use super::held::saying::HeldBy;
use super::held::score::{self, AgainstSide};
use super::held_words;
use super::history::DayVerdict;
use super::horse::{gate_input, judge_horse};
use super::horse_file::HorseFile;
use super::overrule::Overrule;
use super::reason::{Reason, reasons};
use super::risk::{Risk, risk};
use super::standing::Standing;
use super::verdict::{State, Verdict};
use super::what_it_takes::{WhatItTakes, what_it_takes};
use super::window::GateInput;
use super::{Caution, words};
use crate::Side;
use crate::day::days_between;
use crate::evidence::Ask;
use crate::evidence::give_time::restricted_mean_s;
use crate::evidence::rigs::{RigShare, by_rig};
use crate::evidence::slip::Slip;
use crate::evidence::trend::{Trend, trend};
use crate::ladder::{Gate, Ladder, LadderLevel, Level};
use crate::rep::Rep;
use crate::rep::TimeToGive;

/// Days of which rigs are held against each other.
pub const RIG_DAYS: i64 = 120;

/// Asks of the last [`RIG_DAYS`] days.
pub fn lately(asks: &[Ask], on: Date) -> &[Ask] {
    let from = on.saturating_sub(RIG_DAYS.days());
    &asks[asks.partition_point(|ask| ask.day <= from)..]
}

/// Days of the trend.
const TREND_DAYS: usize = 20;

/// How the days go.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Trends {
    /// Of the daily soft share.
    pub soft_share: Trend,
    /// Of the daily time to give, where it is timed; larger is better there too,
    /// so the slope is in seconds gained a day.
    pub time: Option<Trend>,
}

/// Everything the judge says of one level on one date.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Judgement {
    /// The date it was judged for.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub on: Date,
    /// The verdict.
    pub verdict: Verdict,
    /// Where the level stands.
    pub state: State,
    /// The verdict in a sentence.
    pub text: String,
    /// What it would take, in a sentence.
    pub takes: String,
    /// Every reason, those that hold it back first.
    pub reasons: Vec<Reason>,
    /// The gate's rails.
    pub gate: GateCheck,
    /// How often a gate like this one was wrong: of the gate that stands open, or of the one
    /// the level was gained by. None where it is neither, and where that was not measured.
    pub risk: Option<Risk>,
    /// What it would take, in numbers.
    pub what_it_takes: WhatItTakes,
    /// How the level has kept.
    pub retention: Retention,
    /// How the days go.
    pub trends: Trends,
    /// The slip alarm, once it has settled.
    pub slip: Option<Slip>,
    /// Who should look first.
    pub cautions: Vec<Caution>,
    /// Why it is sent down.
    pub eased: Option<EaseReason>,
    /// Where it goes back to.
    pub ease_to: Option<Level>,
    /// What it needs that is not held.
    pub missing: Vec<Level>,
    /// What it needs that is held but rusty.
    pub stale: Vec<Level>,
    /// The levels that wait for it.
    pub opens: Vec<Level>,
    /// The verdict without exceptional rides, where it differs.
    pub without_exceptional: Option<Verdict>,
    /// The verdict as if all riders asked and called it alike, where it differs.
    pub without_riders: Option<Verdict>,
    /// Soft shares by rig over the last weeks, the one worn last first; empty where nobody
    /// said what the horse wore.
    pub rigs: Vec<RigShare>,
    /// The decision of the trainer that stands on it.
    pub overrule: Option<Overrule>,
    /// The verdict after each day it was asked, oldest first.
    pub days: Vec<DayVerdict>,
    /// What moved it, oldest first: gained, in doubt, lost, regained, each with day and reason.
    pub changes: Vec<ToldChange>,
    /// What rests on it while it is held.
    pub held_by: Option<HeldBy>,
    /// Points against each side of a held level.
    pub against: Vec<AgainstSide>,
    /// The same in sentences.
    pub against_text: Vec<String>,
    /// Since when it waits for something it needs.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub waiting_since: Option<Date>,
    /// Levels it needs that are in doubt.
    pub doubtful: Vec<Level>,
}

/// A change with its sentence.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToldChange {
    /// The change.
    #[serde(flatten)]
    pub change: Change,
    /// In a sentence.
    pub text: String,
}

/// Judges one level of a horse with everything that is said of it.
pub fn judge_level(ladder: &Ladder, file: &HorseFile, index: usize, on: Date) -> Judgement {
    let standings = judge_horse(ladder, file, on);
    of_standings(ladder, file, &standings, index, on)
}

/// The same when the horse has been judged already.
pub fn of_standings(
    ladder: &Ladder,
    file: &HorseFile,
    standings: &[Standing],
    index: usize,
    on: Date,
) -> Judgement {
    let level = &ladder.levels[index];
    let standing = &standings[index];
    let shown = shown(ladder, file, standings, index, on);
    let asks = file.asks_until(index, on);
    let gate = gate_of(ladder, standings, index);
    let check = check_gate(&shown, &gate);
    let takes = what_it_takes(&shown, &gate);
    let overrule = standing
        .overruled_by
        .map(|index| file.overrules[index].clone());
    let against = against(standing, level);
    let levels = |indexes: &[usize]| -> Vec<Level> {
        indexes
            .iter()
            .map(|index| ladder.levels[*index].level.clone())
            .collect()
    };
    Judgement {
        on,
        verdict: standing.verdict,
        state: standing.state,
        text: words::verdict(standing, &check, &takes, ladder, file.sex),
        takes: words::takes(&takes, &check),
        reasons: reasons(standing, &check, level, ladder, overrule.as_ref()),
        risk: risk_of(standing, level, &check),
        what_it_takes: takes,
        retention: standing.retention,
        trends: trends(asks, level, standing, on),
        slip: standing.slip(),
        cautions: standing.cautions.clone(),
        eased: standing
            .eased
            .clone()
            .filter(|_| standing.verdict == Verdict::EaseBack),
        ease_to: standing
            .ease_to
            .map(|index| ladder.levels[index].level.clone()),
        missing: levels(&standing.missing),
        stale: levels(&standing.stale),
        opens: levels(&level.opens),
        without_exceptional: standing.without_exceptional,
        without_riders: standing.without_riders,
        rigs: by_rig(&[lately(asks, on)], &file.rigs()),
        overrule,
        days: standing.history.days.clone(),
        changes: told(standing, ladder),
        held_by: standing.history.hold.held_by(),
        against_text: against.iter().map(held_words::against).collect(),
        against,
        waiting_since: standing
            .history
            .hold
            .waiting
            .as_ref()
            .map(|(since, _)| *since),
        doubtful: levels(&standing.doubtful),
        gate: check,
    }
}

fn risk_of(standing: &Standing, level: &LadderLevel, check: &GateCheck) -> Option<Risk> {
    let history = &standing.history;
    let day = if history.hold.held_by() == Some(HeldBy::Gate) {
        let gained = |change: &&Change| matches!(change.moved, Moved::Gained | Moved::Regained);
        history.changes.iter().rfind(gained)?.day
    } else {
        check.passes.then_some(standing.last_asked)??
    };
    let passed = history.passed_on(day, level.asked_sides().len())?;
    risk(&level.gate, &passed).filter(|_| !level.safety)
}

fn told(standing: &Standing, ladder: &Ladder) -> Vec<ToldChange> {
    let told = |change: &Change| ToldChange {
        change: change.clone(),
        text: held_words::change(change, ladder),
    };
    standing.history.changes.iter().map(told).collect()
}

/// Points against each side of a held level; a safety level has none, two misses are enough.
fn against(standing: &Standing, level: &LadderLevel) -> Vec<AgainstSide> {
    let hold = &standing.history.hold;
    if !hold.is_held() || hold.is_safety() {
        return Vec::new();
    }
    let of = |side: &Side| AgainstSide {
        side: *side,
        points: hold.points()[usize::from(*side == Side::Right)],
        in_doubt_from: score::IN_DOUBT_FROM,
        lost_at: score::LOST_AT,
    };
    level.asked_sides().iter().map(of).collect()
}

/// Rides until the gate of a level passes, when the horse has been judged already.
/// It takes longer than the judging itself, so it is asked for on its own.
pub fn forecast_of_standings(
    ladder: &Ladder,
    file: &HorseFile,
    standings: &[Standing],
    index: usize,
    on: Date,
) -> Forecast {
    let level = &ladder.levels[index];
    let shown = shown(ladder, file, standings, index, on);
    forecast(
        &shown,
        &gate_of(ladder, standings, index),
        seed(&level.level, on),
    )
}

/// The same, as it was drawn.
pub fn draws_of_standings(
    ladder: &Ladder,
    file: &HorseFile,
    standings: &[Standing],
    index: usize,
    on: Date,
) -> Draws {
    let level = &ladder.levels[index];
    let shown = shown(ladder, file, standings, index, on);
    draws(
        &shown,
        &gate_of(ladder, standings, index),
        seed(&level.level, on),
    )
}

/// What the gate of a level is held against.
fn shown<'a>(
    ladder: &Ladder,
    file: &'a HorseFile,
    standings: &'a [Standing],
    index: usize,
    on: Date,
) -> GateInput<'a> {
    let below = ladder.levels[index].below;
    let below_days = below.map(|below| standings[below].history.soft_days.as_slice());
    let history = &standings[index].history;
    gate_input(
        ladder,
        file.asks_until(index, on),
        history,
        below_days,
        index,
        on,
    )
}

/// The gate a level is held against: after a loss the whole of it anew.
fn gate_of(ladder: &Ladder, standings: &[Standing], index: usize) -> Gate {
    standings[index]
        .history
        .hold
        .gate(&ladder.levels[index].gate)
}

/// Judges one level from its reps alone, as if what it needs were held. None when
/// the ladder does not have the level.
pub fn judge_reps(ladder: &Ladder, level: &Level, reps: &[Rep], on: Date) -> Option<Judgement> {
    let index = ladder.position(level)?;
    let mut file = HorseFile::of_reps(ladder, reps);
    let first = reps
        .iter()
        .map(|rep| rep.day)
        .min()
        .map_or(on, |first| first.min(on));
    file.overrules = ladder
        .under(index)
        .iter()
        .map(|need| Overrule {
            overrule_id: Uuid::nil(),
            level: ladder.levels[*need].level.clone(),
            day: first,
            judge_said: Verdict::Stay,
            counts_as: Verdict::Advance,
            reason: "taken as held".to_owned(),
        })
        .collect();
    Some(judge_level(ladder, &file, index, on))
}

/// The forecast's draws depend on nothing but level and date.
fn seed(level: &Level, on: Date) -> u64 {
    let letters = level.to_string();
    letters
        .bytes()
        .fold(0xcbf2_9ce4_8422_2325, |seed: u64, byte| {
            (seed ^ u64::from(byte)).wrapping_mul(0x0100_0000_01b3)
        })
        ^ (i64::from(on.year()) * 400 + i64::from(on.day_of_year())).unsigned_abs()
}

fn trends(asks: &[Ask], level: &LadderLevel, standing: &Standing, on: Date) -> Trends {
    let soft_days = &standing.history.soft_days;
    let lately = &soft_days[soft_days.len().saturating_sub(TREND_DAYS)..];
    let number = |day: Date| days_between(on, day) as f64;
    let days: Vec<f64> = lately.iter().map(|day| number(day.day)).collect();
    let shares: Vec<f64> = lately.iter().map(held::soft_day::SoftDay::share).collect();
    let timed: Vec<(f64, f64)> = asks
        .chunk_by(|a, b| a.day == b.day)
        .filter(|day| lately.first().is_some_and(|first| day[0].day >= first.day))
        .filter_map(|day| {
            let times: Vec<TimeToGive> = day.iter().filter_map(|ask| ask.time).collect();
            let mean = restricted_mean_s(&times, level.gate.horizon_s)?;
            Some((number(day[0].day), -mean))
        })
        .collect();
    let (time_days, times): (Vec<f64>, Vec<f64>) = timed.into_iter().unzip();
    Trends {
        soft_share: trend(&days, &shares),
        time: (!times.is_empty()).then(|| trend(&time_days, &times)),
    }
}
