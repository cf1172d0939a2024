//! The levels between a horse and its goals: those it has to come to hold, in the order of
//! the ladder, each with what it waits for.

use super::asked::{GoalAsked, LevelStands, RoadAsked};
use super::usual::usual_rides;
use crate::judge::brake;
use crate::ladder::{Ladder, LadderLevel, Level};

/// A level on the road.
#[derive(Debug, Clone)]
pub struct Needed {
    /// Its index on the ladder.
    pub index: usize,
    /// Where the horse stands on it.
    pub stands: LevelStands,
    /// Levels on the road that it needs itself, by their place on the road.
    pub needs: Vec<usize>,
    /// Levels on the road that wait for it.
    pub opens: Vec<usize>,
    /// Rides from the first ask to held, every second horse of the barn.
    pub median: f64,
    /// Days after which it is rusty.
    pub rusty_days: u32,
    /// The least days its gate takes.
    pub least_days: u32,
    /// How long the longest way from here to a goal is, in rides: what lies on it is worked
    /// on first.
    pub ahead: f64,
}

/// The road of all goals; for each goal its levels by their place on the road.
#[derive(Debug, Clone)]
pub struct RoadLevels {
    /// Needs before what needs them.
    pub levels: Vec<Needed>,
    /// Each goal's levels.
    pub goals: Vec<Vec<usize>>,
}

/// What a road rests on.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub struct RestsOn {
    /// Levels that are still to come.
    pub to_come: u32,
    /// So many of these have a pace of this barn.
    pub of_barn: u32,
    /// The most horses one of those rests on.
    pub most_horses: u32,
    /// So many go by the judge's forecast.
    pub of_forecast: u32,
}

impl RoadLevels {
    /// What the road rests on.
    pub fn rests_on(&self, ladder: &Ladder, asked: &RoadAsked) -> RestsOn {
        let mut found = RestsOn::default();
        for one in self.levels.iter().filter(|one| !one.stands.held) {
            found.to_come += 1;
            found.of_forecast += u32::from(!one.stands.rides_left.is_empty());
            let level = &ladder.levels[one.index].level;
            let pace = asked.pace.iter().find(|pace| pace.level == *level);
            if let Some(horses) = pace.map(|pace| pace.horses).filter(|horses| *horses > 0) {
                found.of_barn += 1;
                found.most_horses = found.most_horses.max(horses);
            }
        }
        found
    }
}

/// Finds the levels on the road. Of alternatives the one is taken that is held, or begun, or
/// else the first.
pub fn road_levels(ladder: &Ladder, asked: &RoadAsked) -> RoadLevels {
    let mut stands: Vec<Option<&LevelStands>> = vec![None; ladder.levels.len()];
    for one in &asked.levels {
        if let Some(index) = ladder.position(&one.level) {
            stands[index] = Some(one);
        }
    }
    let mut on_road = vec![false; ladder.levels.len()];
    let mut open: Vec<usize> = goal_levels(ladder, &asked.goals).flatten().collect();
    open.extend(
        asked
            .first
            .as_ref()
            .and_then(|first| ladder.position(first)),
    );
    while let Some(index) = open.pop() {
        if std::mem::replace(&mut on_road[index], true) {
            continue;
        }
        open.extend(needs_of(ladder, index, &stands));
    }
    let order: Vec<usize> = (0..ladder.levels.len())
        .filter(|index| on_road[*index])
        .collect();
    let place = |index: usize| order.iter().position(|one| *one == index);
    let mut levels: Vec<Needed> = Vec::with_capacity(order.len());
    for index in &order {
        let level = &ladder.levels[*index];
        let needs = needs_of(ladder, *index, &stands).into_iter();
        let needs: Vec<usize> = needs.filter_map(place).collect();
        let own = stands[*index].cloned();
        let stands = own.unwrap_or_else(|| never_asked(&level.level));
        levels.push(Needed {
            index: *index,
            needs,
            opens: Vec::new(),
            median: median_of(asked, level),
            rusty_days: if stands.firm {
                level.gate.rusty_days_firm
            } else {
                level.gate.rusty_days
            },
            least_days: level.gate.least_days.max(1),
            ahead: 0.0,
            stands,
        });
    }
    for at in 0..levels.len() {
        for need in levels[at].needs.clone() {
            levels[need].opens.push(at);
        }
    }
    let goals: Vec<Vec<usize>> = goal_levels(ladder, &asked.goals)
        .map(|levels| levels.into_iter().filter_map(place).collect())
        .collect();
    look_ahead(&mut levels, asked, ladder);
    RoadLevels { levels, goals }
}

fn goal_levels<'a>(
    ladder: &'a Ladder,
    goals: &'a [GoalAsked],
) -> impl Iterator<Item = Vec<usize>> + 'a {
    goals.iter().map(|goal| {
        let levels = goal.levels.iter();
        levels.filter_map(|level| ladder.position(level)).collect()
    })
}

fn never_asked(level: &Level) -> LevelStands {
    LevelStands {
        level: level.clone(),
        held: false,
        idle_days: 0,
        firm: false,
        asked_rides: 0,
        rides_left: Vec::new(),
    }
}

/// What has to be held before a level is worked on: what it needs, and the brake up to its
/// gait. A program may put a brake behind the level: the card holds such a level back, and the
/// road, which goes up the ladder, passes it over.
fn needs_of(ladder: &Ladder, index: usize, stands: &[Option<&LevelStands>]) -> Vec<usize> {
    let level = &ladder.levels[index];
    let chosen = level.needs.iter().filter_map(|any| {
        let of = |is: &dyn Fn(&LevelStands) -> bool| {
            any.iter()
                .copied()
                .find(|index| stands[*index].is_some_and(is))
        };
        of(&|one| one.held)
            .or_else(|| of(&|one| one.asked_rides > 0))
            .or_else(|| any.first().copied())
    });
    let brakes = brake::before(ladder, level).into_iter();
    let brakes = brakes.filter(|brake| *brake < index);
    let mut needs: Vec<usize> = level
        .below
        .into_iter()
        .chain(chosen)
        .chain(brakes)
        .collect();
    needs.sort_unstable();
    needs.dedup();
    needs
}

fn median_of(asked: &RoadAsked, level: &LadderLevel) -> f64 {
    let own = asked.pace.iter().find(|one| one.level == level.level);
    own.map_or_else(|| usual_rides(level), |one| one.median)
}

/// The longest way from each level to a goal, in expected rides; what is to be worked on
/// before all others, and what it needs, stands before everything.
fn look_ahead(levels: &mut [Needed], asked: &RoadAsked, ladder: &Ladder) {
    let rides = |one: &Needed| {
        if one.stands.held {
            0.0
        } else {
            (one.median - f64::from(one.stands.asked_rides)).max(1.0)
        }
    };
    for index in (0..levels.len()).rev() {
        let ahead = levels[index].ahead + rides(&levels[index]);
        levels[index].ahead = ahead;
        for need in levels[index].needs.clone() {
            levels[need].ahead = levels[need].ahead.max(ahead);
        }
    }
    let first = asked
        .first
        .as_ref()
        .and_then(|first| ladder.position(first));
    if let Some(at) = levels.iter().position(|one| Some(one.index) == first) {
        let all: f64 = levels.iter().map(|one| one.ahead).fold(0.0, f64::max);
        let mut before = vec![at];
        let mut looked = 0;
        while let Some(one) = before.get(looked).copied() {
            let needs = levels[one].needs.iter().copied();
            let new: Vec<usize> = needs.filter(|need| !before.contains(need)).collect();
            before.extend(new);
            looked += 1;
        }
        for one in before {
            levels[one].ahead += all + 1.0;
        }
    }
}
