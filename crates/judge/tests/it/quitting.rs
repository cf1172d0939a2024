//! A good place to quit. Common practice of the trade, no source: quit on a good one,
//! leave it wanting more.

use cavesson_base::Side;
use cavesson_calc::calc::find;
use cavesson_judge::ride::quit::{Before, BlockAsk, Quit, budget_used_at, quit, words};
use cavesson_reps::evidence::SoftCount;
use cavesson_reps::horse::Sex;
use proptest::prelude::*;
use rstest::rstest;
use serde_json::json;

/// `L` and `R` are soft answers on a side, `B` of both; small letters are not soft.
fn asks(said: &str) -> Vec<BlockAsk> {
    said.chars()
        .map(|letter| BlockAsk {
            side: match letter.to_ascii_uppercase() {
                'L' => Side::Left,
                'R' => Side::Right,
                _ => Side::Both,
            },
            soft: letter.is_ascii_uppercase(),
            after_ms: None,
        })
        .collect()
}

const HELD: Before = Before {
    brand_new: false,
    green: false,
    last_ride: SoftCount { soft: 0, asked: 0 },
    budget_used_at: None,
};

#[rstest]
#[case::both_sides_in_the_row("lrLRL", Some(Quit::SoftInARow))]
#[case::one_side_alone("LLLL", None)]
#[case::both_at_once("bBBB", Some(Quit::SoftInARow))]
#[case::broken("LRlRL", None)]
#[case::said_once("LRLR", None)]
#[case::said_again_after_a_miss("LRLrLRL", Some(Quit::SoftInARow))]
#[case::the_last_four_are_worse("LRLRlrlr", Some(Quit::Tiring))]
#[case::tiring_is_said_once("LRLRlrlrl", None)]
#[case::as_good_as_it_began("LrLrLrLr", None)]
#[case::nothing_asked("", None)]
fn after_the_last_ask(#[case] said: &str, #[case] signal: Option<Quit>) {
    assert_eq!(quit(&asks(said), &HELD), signal);
}

#[test]
fn the_first_good_try_of_something_new() {
    let brand_new = Before {
        brand_new: true,
        ..HELD
    };
    assert_eq!(quit(&asks("llL"), &brand_new), Some(Quit::FirstGoodTry));
    assert_eq!(quit(&asks("llLl"), &brand_new), None);
    assert_eq!(quit(&asks("llL"), &HELD), None);
}

#[test]
fn softer_than_last_ride_while_it_is_not_held() {
    let green = Before {
        green: true,
        last_ride: SoftCount { soft: 3, asked: 10 },
        ..HELD
    };
    // 3 of 6 is one half: 20 points above 30%.
    let today = asks("lrlLrLlR");
    assert_eq!(quit(&today[..5], &green), None, "too few asks");
    assert_eq!(quit(&asks("lrLlrR"), &green), None, "2 of 6");
    assert_eq!(quit(&asks("lrLlRL"), &green), Some(Quit::BetterThanLast));
    let held = Before {
        green: false,
        ..green
    };
    assert_eq!(quit(&asks("lrLlRL"), &held), None);
    let first = Before {
        last_ride: SoftCount::default(),
        ..green
    };
    assert_eq!(quit(&asks("lrLlRL"), &first), None);
}

#[test]
fn when_the_minutes_are_used_up() {
    let used = Before {
        budget_used_at: Some(3),
        ..HELD
    };
    assert_eq!(quit(&asks("lr"), &used), None);
    assert_eq!(quit(&asks("lrl"), &used), Some(Quit::BudgetUsed));
    assert_eq!(quit(&asks("lrlr"), &used), None);
}

#[test]
fn in_words() {
    let green = Before {
        green: true,
        last_ride: SoftCount { soft: 3, asked: 10 },
        ..HELD
    };
    let said = |signal, sex| words(signal, &asks("lrLlRL"), &green, sex);
    assert_eq!(
        said(Quit::BetterThanLast, None),
        "Good place to quit: 50% soft today, 30% last ride."
    );
    assert_eq!(
        said(Quit::Tiring, Some(Sex::Mare)),
        "She may be tiring. Finish on something easy."
    );
}

#[test]
fn the_calculator_takes_what_it_documents() {
    let run = find("quit").unwrap().run;
    let row = json!({"asks": [{"side": "both", "soft": true}, {"side": "both", "soft": true}, {"side": "both", "soft": true}]});
    let found = run(row).unwrap();
    assert_eq!(found["signal"], "soft_in_a_row");
    assert_eq!(found["text"], "Good place to quit: three soft in a row.");
    let error = run(json!({"asks": [], "last_ride": {"soft": 4, "asked": 3}})).unwrap_err();
    assert_eq!(error.field, "/last_ride/soft");
}

fn any_asks() -> impl Strategy<Value = Vec<BlockAsk>> {
    let side = prop_oneof![Just(Side::Left), Just(Side::Right)];
    prop::collection::vec(
        (side, any::<bool>()).prop_map(|(side, soft)| BlockAsk {
            side,
            soft,
            after_ms: None,
        }),
        0..30,
    )
}

proptest! {
    /// Between two signals of one kind something else was asked, or it was not so.
    #[test]
    fn nobody_is_nagged(all in any_asks()) {
        let mut last = None;
        for until in 1..=all.len() {
            let signal = quit(&all[..until], &HELD);
            if signal.is_some() {
                prop_assert!(signal != last, "{until}");
            }
            last = signal;
        }
    }

    /// A good place is never named on an answer that was not soft; tiring never on a soft one
    /// that keeps the last four as good as they were.
    #[test]
    fn quit_on_a_good_one(all in any_asks(), brand_new in any::<bool>()) {
        let before = Before { brand_new, ..HELD };
        if let Some(Quit::FirstGoodTry | Quit::SoftInARow | Quit::BetterThanLast) = quit(&all, &before) {
            prop_assert!(all.last().unwrap().soft);
        }
    }
}

/// Asks a minute apart; after the third, ten minutes of something else.
#[test]
fn the_minutes_of_a_block_are_those_spent_in_it() {
    let at = |minutes: &[u32]| -> Vec<BlockAsk> {
        minutes
            .iter()
            .map(|minute| BlockAsk {
                side: Side::Left,
                soft: false,
                after_ms: Some(minute * 60_000),
            })
            .collect()
    };
    assert_eq!(budget_used_at(&at(&[4, 5, 6, 7, 8]), 4.0), Some(5));
    assert_eq!(budget_used_at(&at(&[4, 5, 6, 7]), 4.0), None);
    // Ten minutes elsewhere count as three.
    assert_eq!(budget_used_at(&at(&[4, 5, 6, 16, 17]), 6.0), Some(5));
    assert_eq!(
        budget_used_at(&asks("LRLRLR"), 0.0),
        None,
        "no times, no minutes"
    );
    let run = find("quit").unwrap().run;
    let said = run(json!({"asks": at(&[0, 1, 2, 3]), "budget_min": 3.0})).unwrap();
    assert_eq!(said["signal"], "budget_used");
    let refused = run(json!({"asks": [], "budget_min": -1.0})).unwrap_err();
    assert_eq!(refused.field, "/budget_min");
}
