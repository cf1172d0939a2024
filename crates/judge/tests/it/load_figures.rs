//! Load against numbers that follow from the published definitions: Williams et al. 2017
//! for the averages, Foster 1998 for monotony and strain, Foster et al. 2001 for a rated
//! session. Derived by hand beside each check; no table of the papers was at hand.

use cavesson_calc::calc;
use cavesson_judge::load::ride::weight_of;
use cavesson_judge::load::run::lambda;
use cavesson_judge::load::words::cautions;
use cavesson_judge::load::{WorkAsk, of_days, of_week, ride_load};
use cavesson_judge::ride::Exertion;
use cavesson_reps::ladder::{Ladder, Level};
use proptest::prelude::*;
use rstest::rstest;
use serde_json::json;

fn close(found: f64, wanted: f64) {
    assert!(
        (found - wanted).abs() < 1e-9 * wanted.abs().max(1.0),
        "{found} {wanted}"
    );
}

/// lambda = 2 / (N + 1): a quarter for seven days, 2/29 for twenty-eight.
#[test]
fn the_weights_are_those_of_williams() {
    close(lambda(7.0), 0.25);
    close(lambda(28.0), 2.0 / 29.0);
}

/// 100, then 200, then 0: acute 100, 125, 93.75; chronic 100, 100 + 100 * 2/29, and so on.
#[test]
fn three_days_by_hand() {
    let days = of_days(&[100.0, 200.0, 0.0]);
    close(days[0].acute, 100.0);
    close(days[1].acute, 125.0);
    close(days[2].acute, 93.75);
    close(days[1].chronic, 100.0 + 200.0 / 29.0);
    close(days[2].chronic, (100.0 + 200.0 / 29.0) * 27.0 / 29.0);
    close(
        days[2].ratio.unwrap(),
        93.75 / ((100.0 + 200.0 / 29.0) * 27.0 / 29.0),
    );
    assert_eq!(of_days(&[0.0])[0].ratio, None);
}

/// A week of 100, 200, 0, 100, 200, 0, 100: 700, mean 100. The squares are 0, 10,000,
/// 10,000, 0, 10,000, 10,000, 0; over six days 6,666.67, its root 81.65. Monotony 1.2247,
/// strain 857.3.
#[test]
fn a_week_by_hand() {
    let week = of_week(&[999.0, 100.0, 200.0, 0.0, 100.0, 200.0, 0.0, 100.0]).unwrap();
    close(week.load, 700.0);
    close(week.monotony.unwrap(), 100.0 / (40_000.0_f64 / 6.0).sqrt());
    close(
        week.strain.unwrap(),
        700.0 * 100.0 / (40_000.0_f64 / 6.0).sqrt(),
    );
    assert_eq!(of_week(&[1.0; 6]), None, "six days are no week");
    assert_eq!(
        of_week(&[50.0; 7]).unwrap().monotony,
        None,
        "all alike has no deviation"
    );
    assert_eq!(of_week(&[0.0; 7]).unwrap().strain, None);
}

/// Foster 2001: rating times minutes; here on the scale of the gaits, of which a run is
/// the top.
#[rstest]
#[case(Exertion::AllItHad, 30.0 * 5.0)]
#[case(Exertion::Moderate, 30.0 * 1.5)]
#[case(Exertion::VeryEasy, 30.0 * 0.5)]
fn a_rating_counts_instead_of_gaits(#[case] rated: Exertion, #[case] wanted: f64) {
    let ask = WorkAsk {
        after_min: 10.0,
        weight: 5.0,
    };
    close(ride_load(Some(30.0), &[ask], Some(rated)), wanted);
}

/// The weights of trade: walk 1, jog 2, trot 2.5, lope 3, cattle and rollbacks 4, run 5.
#[rstest]
#[case("bend.flex", "stand", 1.0)]
#[case("stop.seat", "walk", 1.0)]
#[case("stop.seat", "jog", 2.0)]
#[case("stop.seat", "lope", 3.0)]
fn a_gait_weighs_what_the_trade_says(#[case] skill: &str, #[case] rung: &str, #[case] wanted: f64) {
    let level = Ladder::shipped().at(&Level::new(skill, rung)).unwrap();
    close(weight_of(level), wanted);
}

#[test]
fn cattle_rollbacks_and_runs_weigh_more_than_their_gait() {
    let ladder = Ladder::shipped();
    for level in &ladder.levels {
        let weight = weight_of(level);
        match level.measure.word() {
            "run" => close(weight, 5.0),
            "roll" | "turn" => assert!(weight >= 4.0, "{}", level.name),
            _ if level.level.skill.0.starts_with("cow.") => {
                assert!(weight >= 4.0, "{}", level.name)
            }
            _ => assert!(weight <= 5.0),
        }
    }
}

/// A walk of 40 minutes is 40. One ask at the lope makes two of its minutes count three
/// times; two asks a minute apart share what lies between them: three minutes in all.
#[test]
fn minutes_around_an_ask_count_at_its_work() {
    let lope = |after_min| WorkAsk {
        after_min,
        weight: 3.0,
    };
    close(ride_load(Some(40.0), &[], None), 40.0);
    close(ride_load(Some(40.0), &[lope(10.0)], None), 40.0 + 2.0 * 2.0);
    close(
        ride_load(Some(40.0), &[lope(11.0), lope(10.0)], None),
        40.0 + 3.0 * 2.0,
    );
    close(ride_load(Some(40.0), &[lope(0.0)], None), 40.0 + 2.0);
    close(ride_load(None, &[lope(10.0)], None), 12.0 + 2.0 * 2.0);
    close(ride_load(None, &[], None), 0.0);
    close(ride_load(Some(4_000.0), &[], None), 180.0);
}

#[test]
fn cautions_wait_for_four_weeks_and_say_what_they_are_worth() {
    let said = |loads: &[f64]| cautions(&of_days(loads), of_week(loads), None);
    assert_eq!(said(&[]), [""; 0]);
    assert!(said(&[50.0; 10])[0].starts_with("10 days on record"));
    let mut jump = vec![20.0; 30];
    jump.extend([150.0; 4]);
    assert!(
        said(&jump)[0].contains("times the work"),
        "{:?}",
        said(&jump)
    );
    assert!(said(&jump)[0].contains("debated"));
    let mut alike = [50.0, 0.0, 60.0, 30.0].repeat(7);
    alike.extend([50.0, 51.0, 50.0, 49.0, 50.0, 51.0, 50.0]);
    assert!(said(&alike)[0].contains("much alike"), "{:?}", said(&alike));
    let usual = [50.0, 0.0, 60.0, 30.0].repeat(8);
    assert_eq!(said(&usual), [""; 0]);
}

#[test]
fn the_calculator_answers_and_refuses() {
    let run = calc::find("load").unwrap().run;
    let out = run(json!({"load": [100, 200, 0]})).unwrap();
    close(out["acute"].as_f64().unwrap(), 93.75);
    assert_eq!(out["monotony"], json!(null));
    assert_eq!(out["days"].as_array().unwrap().len(), 3);
    assert_eq!(run(json!({"load": [1, -1]})).unwrap_err().field, "/load/1");
    assert_eq!(run(json!({"load": []})).unwrap_err().field, "/load");
}

proptest! {
    /// Every average lies between the least and the most load so far, and more load never
    /// makes it less.
    #[test]
    fn averages_stay_within_the_loads(loads in prop::collection::vec(0.0f64..500.0, 1..80), more in 0.0f64..100.0) {
        let days = of_days(&loads);
        let (least, most) = loads.iter().fold((f64::MAX, 0.0f64), |(a, b), x| (a.min(*x), b.max(*x)));
        for day in &days {
            prop_assert!(day.acute >= least - 1e-9 && day.acute <= most + 1e-9);
            prop_assert!(day.chronic >= least - 1e-9 && day.chronic <= most + 1e-9);
        }
        let mut heavier = loads.clone();
        *heavier.last_mut().unwrap() += more;
        prop_assert!(of_days(&heavier).last().unwrap().acute >= days.last().unwrap().acute - 1e-9);
    }

    /// A ride counts at least as walked, and at most as its hardest work throughout.
    #[test]
    fn a_ride_lies_between_a_walk_and_its_hardest_work(
        minutes in 1.0f64..180.0,
        asks in prop::collection::vec((0.0f64..200.0, 1.0f64..5.0), 0..60)
    ) {
        let asks: Vec<WorkAsk> = asks.into_iter().map(|(after_min, weight)| WorkAsk { after_min, weight }).collect();
        let hardest = asks.iter().map(|ask| ask.weight).fold(1.0, f64::max);
        let load = ride_load(Some(minutes), &asks, None);
        prop_assert!(load >= minutes - 1e-9 && load <= minutes * hardest + 1e-9, "{load}");
    }
}
