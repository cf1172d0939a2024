//! What a barn's own asks say of the road: how each horse came along with its levels, where
//! it stands on them, and the rides it may still take.

use std::collections::HashSet;

use jiff::civil::Date;
use uuid::Uuid;

use super::asked::LevelStands;
use super::history::LevelHistory;
use crate::evidence::Ask;
use crate::judge::forecast::Draws;
use crate::judge::level::draws_of_standings;
use crate::judge::{HorseFile, Standing, brake};
use crate::ladder::{Ladder, LadderLevel, Role};

/// How a horse came along with every level it was asked: rides counted until its gate first
/// passed, or until now. Somebody's word that a level counts before its gate has passed ends
/// the count there, as still under way; what an intake showed was learned elsewhere and says
/// nothing of this barn's pace.
pub fn histories(
    horse_id: Uuid,
    ladder: &Ladder,
    file: &HorseFile,
    standings: &[Standing],
    on: Date,
) -> Vec<LevelHistory> {
    let asked = standings.iter().filter_map(|standing| {
        let level = &ladder.levels[standing.index].level;
        let elsewhere = |intake: &crate::judge::KeptIntake| {
            intake.shown.iter().any(|shown| shown.level == *level)
        };
        if file.intake.as_ref().is_some_and(elsewhere) {
            return None;
        }
        let passed = standing.history.days.iter().find(|day| day.passes);
        let passed = passed.map(|day| day.day);
        let word = file
            .overrules
            .iter()
            .filter(|one| one.lets_count() && one.level == *level && one.day <= on);
        let word = word.map(|one| one.day).min();
        let until = [passed, word].into_iter().flatten().min().unwrap_or(on);
        let rides = rides(file.asks_until(standing.index, until));
        (rides > 0).then(|| LevelHistory {
            horse_id,
            level: level.clone(),
            rides,
            held: passed.is_some_and(|day| day <= until),
        })
    });
    asked.collect()
}

/// Where a horse stands on every level it holds or was asked. What it may still take is not
/// looked for here: [`rides_left`] draws it, for the levels that lie on a road.
pub fn stands(
    ladder: &Ladder,
    file: &HorseFile,
    standings: &[Standing],
    on: Date,
) -> Vec<LevelStands> {
    let of = |standing: &Standing| {
        let level = &ladder.levels[standing.index];
        let asked_rides = rides(file.asks_until(standing.index, on));
        let held = holds(level, standing);
        (held || asked_rides > 0).then(|| LevelStands {
            level: level.level.clone(),
            held,
            idle_days: standing.retention.idle_days.unwrap_or_default(),
            firm: standing.retention.rusty_after_days >= level.gate.rusty_days_firm,
            asked_rides,
            rides_left: Vec::new(),
        })
    };
    standings.iter().filter_map(of).collect()
}

/// Whether a level is held for what comes after it: a brake only by what the horse showed.
fn holds(level: &LadderLevel, standing: &Standing) -> bool {
    if level.is(Role::Brake) {
        brake::raises(&standing.history.hold)
    } else {
        standing.counts_as_held()
    }
}

/// The rides a level may still take by the judge's own forecast, each as likely as the
/// others; empty where it is held, was never asked, or the judge cannot say yet.
pub fn rides_left(
    ladder: &Ladder,
    file: &HorseFile,
    standings: &[Standing],
    index: usize,
    on: Date,
) -> Vec<Option<u32>> {
    let standing = &standings[index];
    if holds(&ladder.levels[index], standing) || standing.last_asked.is_none() {
        return Vec::new();
    }
    match draws_of_standings(ladder, file, standings, index, on) {
        // Its gate passes and it is not held: the day that settles it is to come.
        Draws::Now => vec![Some(1)],
        Draws::CannotSayYet => Vec::new(),
        Draws::Rides(rides) => rides,
    }
}

/// Rides in which a level was asked.
fn rides(asks: &[Ask]) -> u32 {
    let rides: HashSet<Uuid> = asks.iter().map(|ask| ask.ride_id).collect();
    rides.len() as u32
}
