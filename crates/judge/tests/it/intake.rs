//! The intake against counting by hand, and its rules of safety.
//!
//! Sources: knowledge spaces, Doignon and Falmagne 1985 (from memory); on small ladders
//! every closed set is counted. The rules of safety are common practice, no source.

use cavesson_base::Side;
use cavesson_calc::calc;
use cavesson_judge::intake::asked::{Asked, Evidence};
use cavesson_judge::intake::belief::Effort;
use cavesson_judge::intake::model::{STORY_SD, TRACK_SD, logistic, met, steps};
use cavesson_judge::intake::{BarnHorse, Belief, IntakeAsk, Model, Story};
use cavesson_reps::ladder::{Ladder, Level};
use cavesson_trials::bench::intake::{IntakeHorse, World, broken_order, intake};
use rstest::rstest;
use serde_json::{Value, json};

/// Seven levels on two tracks, one with two ways to it.
fn small() -> Model {
    let needs: Vec<Vec<Vec<usize>>> = vec![
        vec![],
        vec![vec![0]],
        vec![vec![1]],
        vec![vec![0]],
        vec![vec![2, 3]],
        vec![vec![3]],
        vec![vec![4], vec![5]],
    ];
    let mut opens = vec![Vec::new(); needs.len()];
    for (index, of_level) in needs.iter().enumerate() {
        for need in of_level.iter().flatten() {
            opens[*need].push(index);
        }
    }
    Model {
        height: vec![1.0, 2.0, 3.0, 2.0, 3.0, 3.0, 4.0],
        track: vec![0, 0, 0, 1, 1, 1, 1],
        needs,
        opens,
        come: 2.5,
        apart: vec![0.0, -1.0],
    }
}

fn evidence(told: &[(usize, f64, f64)]) -> Vec<Evidence> {
    let mut all = vec![Evidence::default(); 7];
    for (index, held, open) in told {
        all[*index] = Evidence {
            held: *held,
            open: *open,
        };
    }
    all
}

/// The chance of each level by counting every closed set at every distance of a fine grid.
fn counted(model: &Model, told: &[Evidence]) -> Vec<f64> {
    let grid = |mean: f64, sd: f64| -> Vec<(f64, f64)> {
        let at = (-24..=24).map(|step| f64::from(step) / 6.0);
        at.map(|z| (mean + z * sd, (-0.5 * z * z).exp())).collect()
    };
    let mut weights = [0.0; 7];
    let mut all = 0.0;
    for set in 0..1u32 << 7 {
        let holds: Vec<bool> = (0..7).map(|index| set >> index & 1 == 1).collect();
        if (0..7).any(|index| holds[index] && !met(&model.needs[index], &holds)) {
            continue;
        }
        let mut weight = 0.0;
        for (come, of_come) in grid(model.come, STORY_SD) {
            let of_track = |track: usize| -> f64 {
                let apart = grid(model.apart[track], TRACK_SD);
                apart
                    .iter()
                    .map(|(apart, of_apart)| {
                        let levels = (0..7).filter(|index| {
                            model.track[*index] == track && met(&model.needs[*index], &holds)
                        });
                        let fit: f64 = levels
                            .map(|index| {
                                let chance = logistic(model.log_odds(index, come + apart));
                                if holds[index] { chance } else { 1.0 - chance }
                            })
                            .product();
                        of_apart * fit
                    })
                    .sum()
            };
            weight += of_come * of_track(0) * of_track(1);
        }
        for index in 0..7 {
            weight *= match holds[index] {
                true => told[index].held.exp(),
                false if met(&model.needs[index], &holds) => told[index].open.exp(),
                false => 1.0,
            };
        }
        all += weight;
        for (sum, held) in weights.iter_mut().zip(&holds) {
            *sum += weight * f64::from(u8::from(*held));
        }
    }
    weights.iter().map(|weight| weight / all).collect()
}

#[rstest]
#[case::nothing_asked(&[])]
#[case::one_soft_answer_far_up(&[(4, 1.5, 0.5)])]
#[case::answers_that_differ(&[(2, 1.5, 0.5), (5, -1.6, -0.2), (1, 3.0, 1.0)])]
#[case::against_the_story(&[(0, -3.0, -0.4), (6, 2.0, 0.6)])]
fn the_draws_are_those_of_every_closed_set_counted(#[case] told: &[(usize, f64, f64)]) {
    let model = small();
    let told = evidence(told);
    let asked = Asked {
        evidence: told.clone(),
        ..Asked::of(Ladder::shipped(), &[], 0)
    };
    let effort = Effort {
        chains: 4,
        warm_up: 200,
        sweeps: 40_000,
    };
    let belief = Belief::draw(&model, &asked, effort, 11);
    for (index, chance) in counted(&model, &told).into_iter().enumerate() {
        let drawn = belief.chance(index);
        // Four standard errors of 24,000 draws, of which some five tell as much as one.
        assert!(
            (drawn - chance).abs() < 0.03,
            "level {index}: drawn {drawn:.3}, counted {chance:.3}"
        );
    }
}

/// Whatever the horse answers, whatever its story: 10,000 horses are gone through by
/// `bin/soak intake`.
#[test]
fn no_intake_breaks_the_order_of_safety() {
    let ladder = Ladder::shipped();
    for seed in 0..12 {
        for world in [World::Own, World::OneGoodSide] {
            let mut horse = IntakeHorse::new(world, ladder, seed);
            let trial = intake(ladder, &mut horse, &[40], Effort::LITTLE);
            assert_eq!(broken_order(ladder, &trial.asks), None, "{world:?} {seed}");
            assert!(trial.asks.len() > 2, "{world:?} {seed} asked nothing");
        }
    }
}

#[test]
fn what_breaks_the_order_is_found() {
    let ladder = Ladder::shipped();
    let ask = |level: &str, side: Side, soft: bool| IntakeAsk {
        level: level_of(level),
        side,
        soft: Some(soft),
        ride: 0,
    };
    let into_the_saddle = || {
        vec![
            ask("start.bend-ground/stand", Side::Left, true),
            ask("start.bend-ground/stand", Side::Right, true),
            ask("start.mount/stand", Side::Both, true),
        ]
    };
    for early in ["bend.flex/stand", "start.mount/stand"] {
        let asks = [ask(early, Side::Left, true)];
        assert!(broken_order(ladder, &asks).is_some(), "{early}");
    }
    let mut no_brake = into_the_saddle();
    no_brake.push(ask("bend.flex/stand", Side::Left, true));
    assert!(broken_order(ladder, &no_brake).is_some());
    let mut one_side = into_the_saddle();
    one_side.push(ask("start.brake/stand", Side::Left, true));
    one_side.push(ask("start.brake/walk", Side::Left, true));
    assert!(broken_order(ladder, &one_side).is_some());
    let mut right = into_the_saddle();
    for side in [Side::Left, Side::Right] {
        right.push(ask("start.brake/stand", side, true));
    }
    right.push(ask("start.brake/walk", Side::Left, true));
    assert_eq!(broken_order(ladder, &right), None);
}

fn level_of(name: &str) -> Level {
    let (skill, rung) = name.split_once('/').unwrap();
    Level::new(skill, rung)
}

fn run(input: Value) -> Value {
    (calc::find("intake").unwrap().run)(input).unwrap()
}

fn asked(names: &[(&str, &str, Option<bool>)]) -> Vec<Value> {
    let each = names.iter().map(|(level, side, soft)| {
        let (skill, rung) = level.split_once('/').unwrap();
        json!({"level": {"skill": skill, "rung": rung}, "side": side, "soft": soft})
    });
    each.collect()
}

/// A horse that is said to have been ridden half a year.
fn made() -> Value {
    json!({"days_ridden": 180, "age_years": 5, "helper": true, "at_hand": ["barrels", "obstacles"]})
}

#[test]
fn the_first_ask_is_from_the_ground() {
    let first = run(json!({"story": made()}));
    assert_eq!(first["next"]["level"]["skill"], "start.bend-ground");
    assert_eq!(first["next"]["why"], "Before anybody gets on.");
}

#[test]
fn in_the_saddle_the_brake_comes_first_and_on_both_sides() {
    let mut asks = asked(&[
        ("start.bend-ground/stand", "left", Some(true)),
        ("start.bend-ground/stand", "right", Some(true)),
        ("start.mount/stand", "both", Some(true)),
    ]);
    let brake = |asks: &Vec<Value>| run(json!({"story": made(), "asks": asks}))["next"].clone();
    let mounted = brake(&asks);
    assert_eq!(
        mounted["level"],
        json!({"skill": "start.brake", "rung": "stand"})
    );
    assert_eq!(
        mounted["why"],
        "The brake on both sides, before anything else mounted."
    );
    asks.extend(asked(&[("start.brake/stand", "left", Some(true))]));
    assert_eq!(brake(&asks)["side"], "right");
    // Not soft: asked again, and nothing else.
    asks.extend(asked(&[("start.brake/stand", "right", Some(false))]));
    assert_eq!(brake(&asks)["level"]["skill"], "start.brake");
    assert_eq!(brake(&asks)["side"], "right");
}

#[test]
fn a_brake_that_is_not_there_keeps_everybody_from_going_faster() {
    let mut asks = asked(&[
        ("start.bend-ground/stand", "left", Some(true)),
        ("start.bend-ground/stand", "right", Some(true)),
        ("start.mount/stand", "both", Some(true)),
        ("start.brake/stand", "left", Some(true)),
        ("start.brake/stand", "right", Some(true)),
    ]);
    for _ in 0..4 {
        asks.extend(asked(&[("start.brake/walk", "left", Some(false))]));
    }
    let next = run(json!({"story": made(), "asks": asks}));
    if let Some(level) = next["next"]["level"].as_object() {
        let ladder = Ladder::shipped();
        let at = ladder.at(&level_of(&format!(
            "{}/{}",
            level["skill"].as_str().unwrap(),
            level["rung"].as_str().unwrap()
        )));
        let at = at.unwrap();
        assert!(
            at.ground || at.gait == cavesson_base::Gait::Stand,
            "{}",
            at.name
        );
    }
    let levels = next["found"]["levels"].as_array().unwrap();
    let jog = levels
        .iter()
        .find(|level| level["level"] == json!({"skill": "frame.poll", "rung": "jog"}));
    assert_eq!(
        jog.unwrap()["unknown"],
        "The horse's brake was not soft on both sides at the walk."
    );
}

#[test]
fn first_rides_are_never_alone() {
    let alone = json!({"days_ridden": 4, "age_years": 2, "helper": false});
    let mut asks = Vec::new();
    for _ in 0..25 {
        let next = run(json!({"story": alone, "asks": asks}));
        let Some(level) = next["next"]["level"].as_object() else {
            break;
        };
        let (skill, rung) = (
            level["skill"].as_str().unwrap(),
            level["rung"].as_str().unwrap(),
        );
        let at = Ladder::shipped().at(&Level::new(skill, rung)).unwrap();
        assert!(at.ground, "{} with nobody there", at.name);
        asks.push(json!({"level": level, "side": next["next"]["side"], "soft": true}));
    }
    let found = run(json!({"story": alone, "asks": asks}));
    let levels = found["found"]["levels"].as_array().unwrap();
    let alone = "First rides are never alone: ask it with somebody there.";
    assert!(levels.iter().any(|level| level["unknown"] == alone));
}

#[test]
fn a_sign_of_pain_and_used_minutes_stop_it() {
    let hurting = run(json!({"story": made(), "hurting": true, "sex": "mare"}));
    assert_eq!(hurting["stop"], "pain");
    assert!(hurting["next"].is_null());
    assert!(
        hurting["text"]
            .as_str()
            .unwrap()
            .contains("Have her looked at")
    );
    assert_eq!(
        run(json!({"story": made(), "minutes_used": 45}))["stop"],
        "minutes"
    );
}

#[test]
fn an_ask_passed_over_tells_nothing_and_is_not_asked_again_today() {
    let untold = run(json!({"story": made()}));
    let passed =
        run(json!({"story": made(), "asks": asked(&[("start.touch/stand", "left", None)])}));
    assert_eq!(
        untold["found"]["levels"][0]["chance"],
        passed["found"]["levels"][0]["chance"]
    );
    let mut asks = asked(&[("start.mount/stand", "both", None)]);
    for _ in 0..6 {
        let next = run(json!({"story": made(), "asks": asks}));
        let Some(level) = next["next"]["level"].as_object() else {
            return;
        };
        assert_ne!(level["skill"], "start.mount");
        let skill = level["skill"].as_str().unwrap();
        let at = Ladder::shipped()
            .at(&Level::new(skill, level["rung"].as_str().unwrap()))
            .unwrap();
        assert!(at.ground, "nobody stood for on and off: {}", at.name);
        asks.push(json!({"level": level, "side": next["next"]["side"], "soft": true}));
    }
}

#[test]
fn another_ride_begins_on_the_ground_again_and_keeps_what_was_told() {
    let asks = asked(&[
        ("start.bend-ground/stand", "left", Some(true)),
        ("start.bend-ground/stand", "right", Some(true)),
        ("start.mount/stand", "both", Some(true)),
        ("start.brake/stand", "left", Some(false)),
    ]);
    let before = run(json!({"story": made(), "asks": asks}));
    let next = run(json!({"story": made(), "asks": asks, "ride": 1}));
    assert_eq!(next["next"]["level"]["skill"], "start.bend-ground");
    let chances = |found: &Value| -> Vec<f64> {
        let levels = found["found"]["levels"].as_array().unwrap().iter();
        levels
            .map(|level| level["chance"].as_f64().unwrap())
            .collect()
    };
    assert_eq!(chances(&before), chances(&next));
    let nothing = run(json!({"story": made()}));
    assert_ne!(chances(&nothing), chances(&next));
}

#[test]
fn softer_answers_make_a_level_and_what_is_under_it_likelier() {
    let chance = |soft: bool| {
        let asks = asked(&[
            ("stop.seat/jog", "both", Some(soft)),
            ("frame.poll/jog", "both", Some(soft)),
        ]);
        let found = run(json!({"story": made(), "asks": asks}));
        let levels = found["found"]["levels"].as_array().unwrap().clone();
        let of = |skill: &str| -> f64 {
            let level = levels.iter().find(|level| level["level"]["skill"] == skill);
            level.unwrap()["chance"].as_f64().unwrap()
        };
        (of("stop.seat"), of("frame.back"), of("bend.flex"))
    };
    let (soft, not) = (chance(true), chance(false));
    assert!(soft.0 > not.0 + 0.2 && soft.1 > not.1, "{soft:?} {not:?}");
    assert!(soft.2 >= not.2, "{soft:?} {not:?}");
}

/// Steps grow with the days; this barn's horses move what comes earlier here.
#[test]
fn a_barn_that_gets_somewhere_sooner_expects_it_sooner() {
    assert!(steps(60.0) > steps(30.0) && steps(0.0) == 0.0);
    let ladder = Ladder::shipped();
    let flex = ladder.position(&level_of("bend.flex/stand")).unwrap();
    let horse = |days_ridden: u32, holds: &[&str]| BarnHorse {
        days_ridden,
        holds: holds.iter().map(|name| level_of(name)).collect(),
    };
    let story = Story::default();
    let shipped = Model::new(ladder, &story, &[]).height[flex];
    let soon: Vec<BarnHorse> = (0..8)
        .map(|_| horse(5, &["start.bend-ground/stand", "bend.flex/stand"]))
        .collect();
    let late: Vec<BarnHorse> = (0..8)
        .map(|_| horse(60, &["start.bend-ground/stand"]))
        .collect();
    assert!(Model::new(ladder, &story, &soon).height[flex] < shipped - 0.1);
    assert!(Model::new(ladder, &story, &late).height[flex] > shipped + 0.1);
}

#[rstest]
#[case(json!({"story": {"minutes": 5}}), "/story/minutes", "10 to 180")]
#[case(json!({"story": {"worked_on": ["dressage"]}}), "/story/worked_on/0", "must be one of start")]
#[case(json!({"asks": [{"level": {"skill": "bend.fly", "rung": "stand"}, "side": "left"}]}), "/asks/0/level/skill", "no skill")]
#[case(json!({"asks": [{"level": {"skill": "bend.flex", "rung": "stand"}, "side": "both", "soft": true}]}), "/asks/0/side", "left or right")]
#[case(json!({"barn": [{"days_ridden": 9000, "holds": []}]}), "/barn/0/days_ridden", "0 to 5000")]
#[case(json!({"ride": 21}), "/ride", "0 to 20")]
fn what_does_not_fit_is_named(#[case] input: Value, #[case] field: &str, #[case] says: &str) {
    let error = (calc::find("intake").unwrap().run)(input).unwrap_err();
    assert_eq!(error.field, field);
    assert!(error.detail.contains(says), "{}", error.detail);
}
