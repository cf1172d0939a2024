//! What a barn's own asks say of the road: rides until held, where a horse stands, the rides
//! the judge's forecast leaves; what the road makes of it. Counted by hand; rules of the
//! product, common practice, no source.

use cavesson_judge::judge::{Forecast, Verdict, judge_horse, level};
use cavesson_judge::road::gathered::{histories, rides_left, stands};
use cavesson_judge::road::needed::{RestsOn, road_levels};
use cavesson_judge::road::priority::{by_date, near, priority};
use cavesson_judge::road::what_would_help::{Held, helps};
use cavesson_judge::road::{
    GoalAsked, HorseFactor, LevelHistory, LevelStands, RoadAsked, RoadHelpKind, road, words,
};
use cavesson_reps::horse::goal::{check_goals, check_levels};
use cavesson_reps::horse::{Goal, GoalKind};
use cavesson_reps::ladder::Level;
use cavesson_reps::rep::Measure;
use cavesson_told::horse::{Horse, index_of, ladder};
use cavesson_told::{BRACED, SOFT, day};
use jiff::ToSpan;
use uuid::Uuid;

const FLEX: &str = "bend.flex/stand";
const ID: Uuid = Uuid::from_u128(7);

fn level_of(path: &str) -> Level {
    ladder().levels[index_of(path)].level.clone()
}

fn gathered(horse: &Horse, after: i64) -> Vec<LevelHistory> {
    let file = horse.file();
    let standings = judge_horse(ladder(), &file, day(after));
    histories(ID, ladder(), &file, &standings, day(after))
}

fn of<'a>(all: &'a [LevelHistory], path: &str) -> Option<&'a LevelHistory> {
    all.iter().find(|one| one.level == level_of(path))
}

fn standing_of(horse: &Horse, path: &str, after: i64) -> Option<LevelStands> {
    let file = horse.file();
    let standings = judge_horse(ladder(), &file, day(after));
    let all = stands(ladder(), &file, &standings, day(after));
    all.into_iter().find(|one| one.level == level_of(path))
}

fn left(horse: &Horse, path: &str, after: i64) -> Vec<Option<u32>> {
    let file = horse.file();
    let standings = judge_horse(ladder(), &file, day(after));
    rides_left(ladder(), &file, &standings, index_of(path), day(after))
}

fn ready() -> Horse {
    Horse::new().standing_on(FLEX)
}

#[test]
fn rides_count_from_the_first_ask_until_the_gate_first_passed() {
    let horse = ready().soft_gives(FLEX, 0..20);
    let passed = (0..20).find(|after| horse.at(FLEX, *after).retention.passed_days > 0);
    let passed = passed.unwrap();
    for after in 0..20 {
        let found = gathered(&horse, after);
        let flex = of(&found, FLEX).unwrap();
        // A ride a day; those after it was held do not count.
        assert_eq!(i64::from(flex.rides), passed.min(after) + 1, "day {after}");
        assert_eq!(flex.held, after >= passed, "day {after}");
        assert_eq!(flex.horse_id, ID);
    }
    assert!(gathered(&horse, -1).is_empty());
}

#[test]
fn the_trainers_word_ends_the_count_as_still_under_way() {
    let horse = ready()
        .soft_gives(FLEX, 0..2)
        .overruled(FLEX, 1, Verdict::Advance)
        .soft_gives(FLEX, 2..20);
    let found = gathered(&horse, 19);
    let flex = of(&found, FLEX).unwrap();
    assert_eq!((flex.rides, flex.held), (2, false));
    // A word that keeps it from counting says nothing of the pace.
    let kept_back = ready()
        .soft_gives(FLEX, 0..20)
        .overruled(FLEX, 2, Verdict::Stay);
    assert!(of(&gathered(&kept_back, 19), FLEX).unwrap().held);
}

#[test]
fn what_an_intake_showed_was_learned_elsewhere() {
    let horse = Horse::new()
        .shown_at_intake(0, &[("start.bend-ground/stand", 0.97), (FLEX, 0.9)], &[])
        .soft_gives(FLEX, 1..20);
    assert!(of(&gathered(&horse, 19), FLEX).is_none());
    // It stands as held all the same.
    assert!(standing_of(&horse, FLEX, 19).unwrap().held);
}

#[test]
fn where_a_horse_stands_is_what_the_judge_says() {
    let fresh = ready();
    assert_eq!(standing_of(&fresh, FLEX, 5), None, "never asked");
    let braced = [BRACED, BRACED, BRACED, BRACED].map(Measure::Give);
    let under_way = ready().ride(FLEX, 0, &braced).ride(FLEX, 2, &braced);
    let stood = standing_of(&under_way, FLEX, 4).unwrap();
    assert_eq!(
        (stood.held, stood.asked_rides, stood.firm),
        (false, 2, false)
    );
    let held = ready().soft_gives(FLEX, 0..20);
    let stood = standing_of(&held, FLEX, 25).unwrap();
    assert_eq!((stood.held, stood.idle_days, stood.firm), (true, 6, true));
    assert_eq!(stood.asked_rides, 20);
}

#[test]
fn the_rides_left_are_those_of_the_judges_forecast() {
    // Never asked, and held: nothing to draw.
    assert_eq!(left(&ready(), FLEX, 3), Vec::new());
    let held = ready().soft_gives(FLEX, 0..20);
    assert_eq!(left(&held, FLEX, 19), Vec::new());
    // Learning: worse days first, better ones after.
    let mixed = |soft: usize| {
        let answers: Vec<Measure> = (0..12)
            .map(|ask| Measure::Give(if ask < soft { SOFT } else { BRACED }))
            .collect();
        answers
    };
    let mut horse = ready();
    for (after, soft) in [(0, 0), (1, 2), (2, 4), (3, 6), (4, 7), (5, 9), (6, 10)] {
        horse = horse.ride(FLEX, after, &mixed(soft));
    }
    let file = horse.file();
    let standings = judge_horse(ladder(), &file, day(6));
    let index = index_of(FLEX);
    let forecast = level::forecast_of_standings(ladder(), &file, &standings, index, day(6));
    let drawn = left(&horse, FLEX, 6);
    let Forecast::Rides { median, .. } = forecast else {
        panic!("{forecast:?}");
    };
    // The shown median is the middle of the same draws.
    assert_eq!(drawn[drawn.len() / 2], median);
    assert!(drawn.iter().flatten().all(|rides| *rides >= 1));
}

fn asked(days: i64, levels: Vec<LevelStands>) -> RoadAsked {
    RoadAsked {
        today: day(0),
        levels,
        goals: vec![GoalAsked {
            name: "Class".into(),
            day: day(days),
            levels: vec![level_of(FLEX)],
        }],
        rides_a_week: 4.0,
        kept: 0.9,
        blocks_a_ride: 3,
        days_off: Vec::new(),
        pace: Vec::new(),
        horse: HorseFactor::default(),
        first: None,
        seed: 3,
        futures: 1000,
    }
}

#[test]
fn a_ride_counts_more_the_more_it_changes_and_the_nearer_the_day() {
    assert_eq!(
        (near(60), near(400), near(0), near(30)),
        (0.0, 0.0, 1.0, 0.5)
    );
    assert_eq!((by_date(0), by_date(60)), (2.0, 1.0));
    let weight = |days: i64, stood: Vec<LevelStands>| priority(ladder(), &asked(days, stood));
    // Lost, far off, or held already: no ride more than the others.
    assert_eq!(weight(2, Vec::new()), 1.0);
    assert_eq!(weight(90, Vec::new()), 1.0);
    let held = stood_on_all();
    assert_eq!(weight(30, held), 1.0);
    let open = weight(30, Vec::new());
    assert!(open > 1.0 && open <= 2.0, "{open}");
    let no_goal = RoadAsked {
        goals: Vec::new(),
        ..asked(30, Vec::new())
    };
    assert_eq!(priority(ladder(), &no_goal), 1.0);
}

fn stood_on_all() -> Vec<LevelStands> {
    let all = ladder().levels.iter();
    all.map(|level| LevelStands {
        level: level.level.clone(),
        held: true,
        idle_days: 0,
        firm: true,
        asked_rides: 5,
        rides_left: Vec::new(),
    })
    .collect()
}

#[test]
fn what_would_help_says_when_it_pushes_a_young_or_late_horse() {
    let question = asked(35, Vec::new());
    let told = road(ladder(), &question);
    let of = |pushed: bool| helps(ladder(), &question, &told, Held { pushed });
    let more = |found: &[cavesson_judge::road::RoadHelp]| {
        let more = found.iter().find(|one| one.kind == RoadHelpKind::RideMore);
        more.unwrap().text.clone()
    };
    assert!(more(&of(true)).contains("pushing a young or late horse"));
    assert!(!more(&of(false)).contains("pushing"));
    let found = of(false);
    assert!(found.is_sorted_by(|a, b| a.gain >= b.gain));
    assert!(found.iter().all(|one| one.gain >= 0.02));
    // Six rides a week are the most: a seventh day is never proposed.
    let most = RoadAsked {
        rides_a_week: 6.0,
        ..question.clone()
    };
    let found = helps(ladder(), &most, &road(ladder(), &most), Held::default());
    assert!(found.iter().all(|one| one.kind != RoadHelpKind::RideMore));
}

#[test]
fn a_date_at_risk_is_said_with_its_chance_and_what_it_hangs_on() {
    let told = road(ladder(), &asked(10, Vec::new()));
    let goal = &told.goals[0];
    assert!(goal.at_risk);
    let text = words::at_risk("Oatcake", goal, &told.chain);
    assert!(text.starts_with("Oatcake: Class on "), "{text}");
    assert!(
        text.contains("at risk") && text.contains("Most hangs on this: "),
        "{text}"
    );
    assert!(!road(ladder(), &asked(300, Vec::new())).goals[0].at_risk);
    assert!(!road(ladder(), &asked(10, stood_on_all())).goals[0].at_risk);
}

/// A chance is never said to be none or a certainty.
#[test]
fn a_chance_in_words() {
    for (chance, said) in [
        (0.0, "less than once in 100"),
        (0.004, "less than once in 100"),
        (0.01, "once in 100"),
        (0.38, "38 times in 100"),
        (0.994, "99 times in 100"),
        (0.996, "more than 99 times in 100"),
        (1.0, "more than 99 times in 100"),
    ] {
        assert_eq!(words::times(chance), said, "{chance}");
    }
}

#[test]
fn what_a_road_rests_on_is_counted_and_said() {
    let mut question = asked(60, Vec::new());
    let all = road_levels(ladder(), &question);
    let found = all.rests_on(ladder(), &question);
    assert_eq!(found.to_come as usize, all.levels.len());
    assert_eq!((found.of_barn, found.of_forecast), (0, 0));
    assert!(words::rests_on(&found).contains("the shipped pace"));
    question
        .pace
        .push(cavesson_judge::road::asked::PaceOfLevel {
            level: level_of(FLEX),
            median: 12.0,
            horses: 3,
        });
    question.levels.push(LevelStands {
        level: level_of(FLEX),
        held: false,
        idle_days: 0,
        firm: false,
        asked_rides: 4,
        rides_left: vec![Some(5)],
    });
    let found = road_levels(ladder(), &question).rests_on(ladder(), &question);
    assert_eq!(
        (found.of_barn, found.most_horses, found.of_forecast),
        (1, 3, 1)
    );
    assert!(words::rests_on(&found).contains("3 horses at the most"));
    let own = RestsOn {
        to_come: 2,
        of_barn: 2,
        most_horses: 1,
        of_forecast: 0,
    };
    let text = words::rests_on(&own);
    assert!(
        text.contains("1 horse at the most") && !text.contains("shipped"),
        "{text}"
    );
    assert!(words::rests_on(&RestsOn::default()).contains("held today"));
}

#[test]
fn goals_name_levels_of_the_ladder_each_once_or_such_as_they_had() {
    let goal = |levels: &[Level]| Goal {
        kind: GoalKind::Show,
        name: "Class".into(),
        day: day(0).saturating_add(30.days()),
        levels: levels.to_vec(),
    };
    let gone = Level::new("bend.flex", "moon");
    let checked = |goal: Goal, kept: &[Goal]| check_goals(&[goal], kept, ladder(), day(0));
    assert!(checked(goal(&[level_of(FLEX)]), &[]).is_ok());
    let errors = checked(goal(std::slice::from_ref(&gone)), &[]).unwrap_err();
    assert_eq!(errors[0].field, "/0/levels/0/rung");
    assert!(checked(goal(std::slice::from_ref(&gone)), &[goal(&[gone])]).is_ok());
    let twice = [level_of(FLEX), level_of(FLEX)];
    let error = check_levels("/levels", &twice, &[], ladder()).unwrap_err();
    assert_eq!(error.field, "/levels/1");
    let many: Vec<Level> = ladder()
        .levels
        .iter()
        .take(61)
        .map(|one| one.level.clone())
        .collect();
    let error = check_levels("/levels", &many, &[], ladder()).unwrap_err();
    assert_eq!(error.field, "/levels");
}
