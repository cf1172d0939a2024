//! The barn's pace and the road to a date. Sources are named at each check; what has none
//! is counted by hand.

use cavesson_judge::road::asked::PaceOfLevel;
use cavesson_judge::road::needed::road_levels;
use cavesson_judge::road::survival::{Prior, beyond, quantile};
use cavesson_judge::road::told::ride_days;
use cavesson_judge::road::{
    GoalAsked, HorseFactor, LevelHistory, LevelStands, RoadAsked, pace, road,
};
use cavesson_reps::ladder::{Ladder, Level};
use jiff::ToSpan;
use jiff::civil::{Date, date};
use uuid::Uuid;

const TODAY: Date = date(2026, 6, 1);

const NO_PRIOR: Prior = Prior {
    median: 10.0,
    spread: 0.6,
    horses: 0.0,
};

/// Weeks of remission on 6-mercaptopurine (Freireich and others, Blood 21 (1963) 699; true:
/// ended). The product-limit estimates as in Kalbfleisch and Prentice, The Statistical
/// Analysis of Failure Time Data, chapter 1 (from memory).
#[test]
fn without_a_prior_the_curve_is_kaplan_and_meiers() {
    let ended = [6, 6, 6, 7, 10, 13, 16, 22, 23];
    let under_way = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35];
    let times: Vec<(f64, bool)> = ended
        .iter()
        .map(|time| (f64::from(*time), true))
        .chain(under_way.iter().map(|time| (f64::from(*time), false)))
        .collect();
    for (week, share) in [
        (6.0, 0.857),
        (7.0, 0.807),
        (10.0, 0.753),
        (13.0, 0.690),
        (16.0, 0.627),
        (22.0, 0.538),
        (23.0, 0.448),
    ] {
        let found = beyond(&times, &NO_PRIOR, week);
        assert!((found - share).abs() < 0.0006, "week {week}: {found}");
    }
    assert_eq!(quantile(&times, &NO_PRIOR, 0.5, 100.0), 23.0);
}

/// Counted by hand: no horses, the prior; no censoring, the mean of prior and steps by their
/// weights.
#[test]
fn a_prior_counts_as_some_horses() {
    let prior = Prior {
        horses: 4.0,
        ..NO_PRIOR
    };
    assert!((beyond(&[], &prior, 10.0) - 0.5).abs() < 1e-9);
    let times = [(5.0, true), (20.0, true)];
    let found = beyond(&times, &prior, 10.0);
    assert!((found - (4.0 * 0.5 + 1.0) / 6.0).abs() < 1e-9, "{found}");
}

fn history(horse: u128, level: &Level, rides: u32, held: bool) -> LevelHistory {
    LevelHistory {
        horse_id: Uuid::from_u128(horse),
        level: level.clone(),
        rides,
        held,
    }
}

#[test]
fn a_barn_that_knows_nothing_has_the_shipped_pace_and_one_that_knows_much_its_own() {
    let ladder = Ladder::shipped();
    let level = ladder.levels[0].level.clone();
    let none = pace(ladder, &[]);
    assert_eq!(none.levels.len(), ladder.levels.len());
    assert_eq!(
        (none.levels[0].horses, none.levels[0].median),
        (0, none.levels[0].usual.ceil())
    );
    let slow: Vec<LevelHistory> = (0..30)
        .map(|horse| history(horse, &level, 24, true))
        .collect();
    let own = pace(ladder, &slow);
    assert_eq!(own.levels[0].horses, 30);
    assert!(
        (own.levels[0].median - 24.0).abs() <= 4.0,
        "{:?}",
        own.levels[0]
    );
    // A few say less than many.
    let few = pace(ladder, &slow[..2]);
    assert!(few.levels[0].median < own.levels[0].median);
    assert!(few.levels[0].median > few.levels[0].usual);
    // Those still under way are not taken for quick.
    let under_way: Vec<LevelHistory> = (0..30)
        .map(|horse| history(horse, &level, 24, horse % 2 == 0))
        .collect();
    let longer = pace(ladder, &under_way);
    assert!(longer.levels[0].to >= own.levels[0].to);
    assert_eq!(
        (longer.levels[0].horses, longer.levels[0].under_way),
        (15, 15)
    );
}

#[test]
fn quick_and_slow_learners_show_and_are_shrunk() {
    let ladder = Ladder::shipped();
    let mut all = Vec::new();
    for (index, level) in ladder.levels.iter().take(12).enumerate() {
        for horse in 0..8 {
            let rides = match horse {
                0 => 5,
                1 => 24,
                _ => 12,
            };
            if index < 10 || horse > 1 {
                all.push(history(horse, &level.level, rides, true));
            }
        }
    }
    let found = pace(ladder, &all);
    let of = |horse: u128| {
        let id = Uuid::from_u128(horse);
        found.horses.iter().find(|one| one.horse_id == id).unwrap()
    };
    assert!(
        of(0).factor < 0.6 && of(0).factor > 5.0 / 12.0,
        "{:?}",
        of(0)
    );
    assert!(of(1).factor > 1.5 && of(1).factor < 2.0, "{:?}", of(1));
    assert!((of(4).factor - 1.0).abs() < 0.15, "{:?}", of(4));
    assert!(of(0).spread < HorseFactor::default().spread);
}

fn asked(levels: Vec<LevelStands>, goal: &Level, by: Date) -> RoadAsked {
    RoadAsked {
        today: TODAY,
        levels,
        goals: vec![GoalAsked {
            name: "Go-home day".into(),
            day: by,
            levels: vec![goal.clone()],
        }],
        rides_a_week: 3.5,
        kept: 1.0,
        blocks_a_ride: 3,
        days_off: Vec::new(),
        pace: Vec::new(),
        horse: HorseFactor::default(),
        first: None,
        seed: 1,
        futures: 400,
    }
}

fn stands(level: &Level, held: bool, rides_left: Vec<Option<u32>>) -> LevelStands {
    LevelStands {
        level: level.clone(),
        held,
        idle_days: 0,
        firm: true,
        asked_rides: u32::from(!rides_left.is_empty()),
        rides_left,
    }
}

/// The first level of the ladder that needs nothing, and one that needs it.
fn two_levels() -> (Level, Level) {
    let ladder = Ladder::shipped();
    let needs = |index: usize| -> Vec<usize> {
        let level = &ladder.levels[index];
        let needs = level.needs.iter().map(|any| any[0]);
        level.below.into_iter().chain(needs).collect()
    };
    let above = (0..ladder.levels.len())
        .find(|index| matches!(needs(*index).as_slice(), [one] if needs(*one).is_empty()))
        .unwrap();
    let (below, above) = (&ladder.levels[needs(above)[0]], &ladder.levels[above]);
    (below.level.clone(), above.level.clone())
}

/// Counted by hand: every second day a ride, three rides left of the first level, two of the
/// one above it, which begins on the ride after.
#[test]
fn the_days_of_a_sure_road_can_be_counted() {
    let (below, above) = two_levels();
    let by = TODAY.saturating_add(60.days());
    let sure = vec![
        stands(&below, false, vec![Some(3)]),
        stands(&above, false, vec![Some(2)]),
    ];
    let told = road(Ladder::shipped(), &asked(sure, &above, by));
    let goal = &told.goals[0];
    // Rides on days 2, 4, 6; held on the third; the next two on 8 and 10.
    let day = TODAY.saturating_add(10.days());
    assert_eq!(
        (goal.from, goal.median, goal.to),
        (Some(day), Some(day), Some(day))
    );
    assert_eq!(goal.chance, 1.0);
    assert_eq!(told.chain.len(), 2);
    assert!(
        told.chain.iter().all(|one| one.share == 1.0),
        "{:?}",
        told.chain
    );
    // Days off move it by as much as they take.
    let mut off = asked(
        vec![
            stands(&below, false, vec![Some(3)]),
            stands(&above, false, vec![Some(2)]),
        ],
        &above,
        by,
    );
    off.days_off = vec![TODAY.saturating_add(4.days())];
    let later = road(Ladder::shipped(), &off);
    assert_eq!(later.goals[0].median, Some(TODAY.saturating_add(12.days())));
}

#[test]
fn what_is_held_is_ready_today_and_the_same_seed_is_the_same_road() {
    let (below, above) = two_levels();
    let by = TODAY.saturating_add(30.days());
    let held = vec![stands(&below, true, vec![]), stands(&above, true, vec![])];
    let told = road(Ladder::shipped(), &asked(held, &above, by));
    assert_eq!(
        (told.goals[0].chance, told.goals[0].median),
        (1.0, Some(TODAY))
    );
    assert!(told.chain.is_empty());
    let far = Ladder::shipped().levels.last().unwrap().level.clone();
    let one = asked(Vec::new(), &far, TODAY.saturating_add(200.days()));
    assert_eq!(road(Ladder::shipped(), &one), road(Ladder::shipped(), &one));
}

#[test]
fn more_rides_a_quicker_horse_and_a_later_date_help() {
    let ladder = Ladder::shipped();
    let far = ladder.levels[ladder.levels.len() / 2].level.clone();
    let chance = |change: &dyn Fn(&mut RoadAsked)| {
        let mut one = asked(Vec::new(), &far, TODAY.saturating_add(120.days()));
        one.futures = 2000;
        change(&mut one);
        let goal = &road(ladder, &one).goals[0];
        (goal.chance, goal.chance_a_month_later)
    };
    let (base, later) = chance(&|_| {});
    assert!(later >= base);
    assert!(chance(&|one| one.rides_a_week = 5.0).0 >= base);
    assert!(
        chance(&|one| one.horse = HorseFactor {
            factor: 0.5,
            spread: 0.2
        })
        .0 >= base
    );
    let quick: Vec<PaceOfLevel> = ladder
        .levels
        .iter()
        .map(|level| PaceOfLevel {
            level: level.level.clone(),
            median: 3.0,
            horses: 9,
        })
        .collect();
    assert!(chance(&|one| one.pace.clone_from(&quick)).0 >= base);
}

#[test]
fn needs_come_before_what_needs_them_and_no_ride_on_all_seven_days() {
    let ladder = Ladder::shipped();
    let far = ladder.levels.last().unwrap().level.clone();
    let one = asked(Vec::new(), &far, TODAY.saturating_add(100.days()));
    let levels = road_levels(ladder, &one).levels;
    for (at, level) in levels.iter().enumerate() {
        assert!(level.needs.iter().all(|need| *need < at));
        assert!(
            level
                .needs
                .iter()
                .all(|need| levels[*need].ahead >= level.ahead)
        );
    }
    let mut most = one.clone();
    most.rides_a_week = 6.0;
    for week in ride_days(&most, 70).chunk_by(|a, b| (a - 1) / 7 == (b - 1) / 7) {
        assert_eq!(week.len(), 6);
    }
}
