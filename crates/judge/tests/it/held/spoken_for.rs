//! Somebody who wants a failing brake to count: the trainer's word after every ride, the
//! horse placed by hand again, an intake anew, a level kept back and let go. The chain of
//! the brake is held against a plain count of the answers that hears none of it.
//!
//! Source: `held::safety` says the rule; common practice, no source.

use std::ops::RangeInclusive;

use cavesson_base::Gait;
use cavesson_judge::judge::{BrakeChain, Overrule, Placing, Verdict};
use proptest::prelude::*;
use uuid::Uuid;

use cavesson_told::day;
use cavesson_told::horse_told::BRAKES;

use crate::held::brake::{made, said_to_count};
use cavesson_told::horse_told::{Told, ladder, level};

fn chain(told: &Told, after: i64) -> Option<Gait> {
    BrakeChain::of(ladder(), &told.on(after)).held
}

fn word(told: Told, on: i64) -> Told {
    said_to_count(told, on, &BRAKES)
}

fn placed_again(mut told: Told, on: i64) -> Told {
    told.placings.push(Placing {
        day: day(on),
        levels: BRAKES.map(level).to_vec(),
    });
    told
}

fn kept_back(mut told: Told, on: i64) -> Told {
    told.file.overrules.push(Overrule {
        overrule_id: Uuid::from_u128(90_000 + on as u128),
        level: level(BRAKES[0]),
        day: day(on),
        judge_said: Verdict::Advance,
        counts_as: Verdict::Stay,
        reason: "not today".into(),
    });
    told
}

fn failing(days: RangeInclusive<i64>, say: impl Fn(Told, i64) -> Told) -> Told {
    days.fold(made(), |told, on| {
        say(told.ride(on, BRAKES[0], "ms", "sm"), on)
    })
}

#[test]
fn a_word_after_every_ride_hides_no_miss() {
    assert_eq!(chain(&failing(11..=20, word), 20), None);
}

#[test]
fn a_horse_placed_again_after_every_ride_goes_no_faster() {
    assert_eq!(chain(&failing(11..=20, placed_again), 20), None);
}

#[test]
fn a_brake_kept_back_and_placed_again_goes_no_faster() {
    let around = |told, on| placed_again(kept_back(told, on), on + 1);
    assert_eq!(chain(&failing(11..=20, around), 20), None);
}

#[test]
fn a_lost_brake_that_was_spoken_for_comes_back_by_its_own_way() {
    let lost = made().ride(11, BRAKES[0], "ss", "mm");
    for say in [word as fn(Told, i64) -> Told, placed_again] {
        let said = say(lost.clone(), 11);
        let two_days = said.clone().rides(12..=13, BRAKES[0], "sssss", "sssss");
        assert_eq!(chain(&two_days, 13), None);
        let three_days = two_days.ride(14, BRAKES[0], "ss", "ss");
        assert!(chain(&three_days, 14) >= Some(Gait::Stand));
        // A miss after the word begins it anew.
        let missed =
            said.ride(12, BRAKES[0], "ss", "sm")
                .rides(13..=14, BRAKES[0], "sssss", "sssss");
        assert_eq!(chain(&missed, 14), None);
    }
}

/// One day: answers left and right, and what somebody says of it in the evening.
type Day = (Vec<bool>, Vec<bool>, usize);

/// Whether the brake counts at the stand after each of some days, by a plain count; held
/// before the first.
fn by_count(days: &[Day]) -> Vec<bool> {
    let (mut held, mut all) = (true, Vec::<(usize, bool)>::new());
    let (mut in_a_row, mut clean) = ([0, 0], 0);
    let mut told = Vec::new();
    for (left, right, _) in days {
        let asks = left.iter().map(|soft| (0, *soft));
        let asks = asks.chain(right.iter().map(|soft| (1, *soft)));
        let mut missed = false;
        for (side, soft) in asks {
            all.push((side, soft));
            missed |= !soft;
            let of_side = all.iter().rev().filter(|one| one.0 == side).take(5);
            let of_side = of_side.filter(|one| !one.1).count();
            let of_all = all.iter().rev().take(20).filter(|one| !one.1).count();
            if held && !soft && (of_side >= 2 || of_all >= 3) {
                held = false;
            }
        }
        if !held && missed {
            (in_a_row, clean) = ([0, 0], 0);
        } else if !held {
            in_a_row = [in_a_row[0] + left.len(), in_a_row[1] + right.len()];
            clean += u32::from(!left.is_empty() || !right.is_empty());
            if in_a_row[0] >= 10 && in_a_row[1] >= 10 && clean >= 3 {
                (held, in_a_row, clean) = (true, [0, 0], 0);
                all.clear();
            }
        }
        told.push(held);
    }
    told
}

fn any_day() -> impl Strategy<Value = Day> {
    let answers = || prop::collection::vec(prop::bool::weighted(0.9), 0..7);
    (answers(), answers(), 0usize..8)
}

fn text(answers: &[bool]) -> String {
    let letter = |soft: &bool| if *soft { 's' } else { 'm' };
    answers.iter().map(letter).collect()
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 300, ..ProptestConfig::default() })]

    #[test]
    fn nothing_that_is_said_makes_a_brake_count_that_does_not(
        days in prop::collection::vec(any_day(), 1..30),
    ) {
        let told = days.iter().zip(11..).fold(made(), |told, ((left, right, say), on)| {
            let told = told.ride(on, BRAKES[0], &text(left), &text(right));
            match say {
                0 => word(told, on),
                1 => placed_again(told, on),
                2 => kept_back(told, on),
                _ => told,
            }
        });
        for (held, on) in by_count(&days).into_iter().zip(11..) {
            let stands = chain(&told, on).is_some();
            prop_assert!(held || !stands, "day {}: {:?}", on, days);
        }
    }
}
