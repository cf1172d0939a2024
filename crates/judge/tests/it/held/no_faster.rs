//! Road and intake go no faster than the brake: what is planned at a gait comes after the brake
//! at that gait, and a brake that was lost is not passed by because an intake saw it once.
//!
//! The table of gaits is trade knowledge written down again here, not the code's: common
//! practice, no source.

use cavesson_base::Gait;
use cavesson_calc::calc;
use cavesson_judge::judge::BrakeLimit;
use cavesson_judge::road::gathered::{rides_left, stands};
use cavesson_judge::road::needed::road_levels;
use cavesson_judge::road::{GoalAsked, HorseFactor, LevelStands, RoadAsked, road};
use cavesson_reps::ladder::{LadderLevel, Level};
use jiff::civil::Date;
use serde_json::{Value, json};

use cavesson_told::horse_told::BRAKES;

use crate::held::brake::{made, said_to_count};
use cavesson_told::day;
use cavesson_told::horse_told::{Told, index, ladder, level};

/// How many of the brake's four gaits a rider wants before anything at this gait.
fn brakes_wanted(level: &LadderLevel) -> usize {
    if level.ground || level.level.skill.0 == "start.brake" {
        return 0;
    }
    match level.gait {
        Gait::Stand => 0,
        Gait::Walk => 2,
        Gait::Jog | Gait::Trot => 3,
        Gait::Lope | Gait::Gallop => 4,
    }
}

fn to(goal: &LadderLevel, levels: Vec<LevelStands>) -> RoadAsked {
    RoadAsked {
        today: day(12),
        levels,
        goals: vec![GoalAsked {
            name: "Class".into(),
            day: day(200),
            levels: vec![goal.level.clone()],
        }],
        rides_a_week: 5.0,
        kept: 1.0,
        blocks_a_ride: 4,
        days_off: Vec::new(),
        pace: Vec::new(),
        horse: HorseFactor::default(),
        first: None,
        seed: 3,
        futures: 200,
    }
}

#[test]
fn the_road_to_anything_at_a_gait_leads_over_the_brake_at_that_gait() {
    for goal in &ladder().levels {
        let on_road = road_levels(ladder(), &to(goal, Vec::new())).levels;
        let on_road: Vec<usize> = on_road.iter().map(|one| one.index).collect();
        for brake in &BRAKES[..brakes_wanted(goal)] {
            assert!(
                on_road.contains(&index(brake)),
                "{} without {brake}",
                goal.name
            );
        }
    }
}

#[test]
fn in_no_future_is_a_faster_level_held_before_its_brake() {
    let brake_at_the_lope = level(BRAKES[3]);
    for goal in ladder().levels.iter().filter(|one| brakes_wanted(one) == 4) {
        // All is held but the brake and the level itself.
        let others = ladder().levels.iter();
        let others =
            others.filter(|one| one.level != goal.level && one.level.skill.0 != "start.brake");
        let held = others.map(|one| LevelStands {
            level: one.level.clone(),
            held: true,
            idle_days: 0,
            firm: true,
            asked_rides: 5,
            rides_left: Vec::new(),
        });
        let mut asked = to(goal, held.collect());
        asked.goals[0].levels.push(brake_at_the_lope.clone());
        let told = road(ladder(), &asked);
        let [of_goal, of_brake] = &told.goals[0].levels[..] else {
            panic!("{told:?}");
        };
        // None lies beyond what is looked ahead.
        let far = |days: [Option<Date>; 3]| days.map(|day| day.unwrap_or(Date::MAX));
        let goal_days = far([of_goal.from, of_goal.median, of_goal.to]);
        let brake_days = far([of_brake.from, of_brake.median, of_brake.to]);
        for (goal_day, brake_day) in goal_days.iter().zip(&brake_days) {
            assert!(goal_day >= brake_day, "{}: {told:?}", goal.name);
        }
        assert!(goal_days[1] > brake_days[1] || brake_days[1] == Date::MAX);
    }
}

/// Lost at the walk on day 11, held before at all four gaits.
fn lost() -> Told {
    made().ride(11, BRAKES[1], "mm", "ss")
}

fn held_on_road(told: &Told, path: &str) -> bool {
    let (file, standings) = (told.file(), told.on(12));
    let all = stands(ladder(), &file, &standings, day(12));
    all.iter().any(|one| one.level == level(path) && one.held)
}

#[test]
fn a_lost_brake_is_on_the_road_again_and_a_word_does_not_take_it_off() {
    let sound = made();
    let talked_up = said_to_count(lost(), 12, &BRAKES);
    for brake in BRAKES {
        assert!(held_on_road(&sound, brake), "{brake}");
    }
    for told in [lost(), talked_up] {
        assert!(held_on_road(&told, BRAKES[0]));
        assert!(!held_on_road(&told, BRAKES[1]));
        let (file, standings) = (told.file(), told.on(12));
        let left = rides_left(ladder(), &file, &standings, index(BRAKES[1]), day(12));
        assert!(left.iter().flatten().all(|rides| *rides >= 1), "{left:?}");
    }
}

fn intake(brake: Option<&BrakeLimit>, asks: &[Value]) -> Value {
    let story = json!({"days_ridden": 90, "age_years": 4, "helper": true});
    let input = json!({"story": story, "asks": asks, "brake": brake});
    (calc::find("intake").unwrap().run)(input).unwrap()
}

/// What a horse is asked that answers everything softly.
fn all_asked(brake: Option<&BrakeLimit>) -> (Vec<Level>, Value) {
    let (mut asks, mut levels) = (Vec::new(), Vec::new());
    loop {
        let answer = intake(brake, &asks);
        let Some(next) = answer["next"].as_object() else {
            return (levels, answer);
        };
        levels.push(serde_json::from_value(next["level"].clone()).unwrap());
        asks.push(json!({"level": next["level"], "side": next["side"], "soft": true}));
        assert!(asks.len() < 400, "it never ends");
    }
}

#[test]
fn an_intake_asks_nothing_that_is_too_fast_for_a_brake_that_was_lost() {
    let standings = lost().on(12);
    let limit = BrakeLimit::of_lost(ladder(), &standings).expect("lost at the walk");
    assert_eq!(
        limit.text,
        "Standing only: the brake missed twice on the left since March 13."
    );
    let (asked, end) = all_asked(Some(&limit));
    assert!(!asked.is_empty());
    for one in &asked {
        let of = ladder().at(one).unwrap();
        let may = of.ground || of.gait == Gait::Stand || *one == level(BRAKES[1]);
        assert!(may, "{} at the {:?}", of.name, of.gait);
    }
    // It says why the rest is unknown.
    let levels = end["found"]["levels"].as_array().unwrap();
    let why = levels
        .iter()
        .filter(|one| one["unknown"] == limit.text.as_str());
    assert!(why.count() > 20, "{levels:#?}");
    // A horse whose brake was never lost is asked faster things, once it showed it here.
    assert_eq!(BrakeLimit::of_lost(ladder(), &made().on(12)), None);
    let (asked, _) = all_asked(None);
    assert!(
        asked
            .iter()
            .any(|one| ladder().at(one).unwrap().gait > Gait::Walk)
    );
}
