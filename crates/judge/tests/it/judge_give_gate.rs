//! The judge on a gate for gives: one horse for each verdict, each rail alone.
//!
//! The gate's numbers and the order of the verdicts are common practice of the
//! trade put into figures, no source; the defaults are the product's own.

use cavesson_base::Side::{Left, Right};
use cavesson_base::{Gait, Side};
use cavesson_judge::judge::{ItemKind, Judgement, State, Verdict};
use cavesson_reps::rep::{Answer, Give, HandWeight, Recorded, Rep, SoftRule};
use cavesson_told::{
    BRACED, HEAD_UP, LATE, SOFT, cold_ride, day, give, judged, ride, ride_of, soft_days,
};
use rstest::rstest;

fn failing(judgement: &Judgement) -> Vec<(ItemKind, Option<Side>)> {
    judgement
        .gate
        .failing()
        .map(|item| (item.item, item.side))
        .collect()
}

fn rides(all: &[Vec<Rep>]) -> Vec<Rep> {
    all.concat()
}

#[rstest]
#[case::a_horse_never_asked(vec![], 0, Verdict::Stay, State::Open)]
#[case::one_good_day(soft_days([0]), 0, Verdict::Stay, State::Working)]
#[case::good_but_on_two_days_only(
    rides(&[ride_of(0, (8, 8), (8, 8)), ride_of(1, (8, 8), (8, 8))]), 1, Verdict::Confirm, State::Confirming
)]
#[case::good_but_for_cold_first_asks(
    rides(&[0, 1, 2, 3, 4, 5].map(|after| cold_ride(after, 9))), 5, Verdict::Confirm, State::Confirming
)]
#[case::four_soft_days(soft_days([0, 1, 3, 4]), 4, Verdict::Advance, State::Held)]
#[case::the_right_side_lags(
    (0..5).flat_map(|d| ride_of(d, (5, 5), (3, 5))).collect(), 4, Verdict::Stay, State::Working
)]
#[case::a_bad_last_ride(
    rides(&[soft_days([0, 1]), ride_of(3, (1, 4), (1, 4))]), 3, Verdict::EaseBack, State::Eased
)]
#[case::one_side_gone_at_once(
    rides(&[soft_days([0, 1, 3]), ride_of(4, (5, 5), (1, 5))]), 4, Verdict::CheckFirst, State::Held
)]
#[case::held_and_not_shown_for_a_month(soft_days([0, 1, 3, 4]), 34, Verdict::Refresh, State::Rusty)]
#[case::held_firmly_and_not_shown_for_a_month(soft_days(0..12), 41, Verdict::Stay, State::Held)]
#[case::held_firmly_and_not_shown_for_a_season(soft_days(0..12), 80, Verdict::Refresh, State::Rusty)]
fn each_verdict_has_its_horse(
    #[case] reps: Vec<Rep>,
    #[case] after: i64,
    #[case] verdict: Verdict,
    #[case] state: State,
) {
    let judgement = judged(&reps, after);
    assert_eq!(
        (judgement.verdict, judgement.state),
        (verdict, state),
        "{:#?}",
        judgement.reasons
    );
}

#[test]
fn every_rail_that_fails_is_a_reason_with_its_place() {
    let reps: Vec<Rep> = (0..5).flat_map(|d| ride_of(d, (5, 5), (2, 5))).collect();
    let judgement = judged(&reps, 4);
    let reasons: Vec<_> = judgement
        .reasons
        .iter()
        .filter(|reason| reason.holds_back)
        .filter_map(|reason| reason.item.map(|item| (item, reason.side)))
        .collect();
    assert_eq!(reasons, failing(&judgement));
    assert_eq!(
        reasons,
        [
            (ItemKind::SoftShare, Some(Right)),
            (ItemKind::LowShare, Some(Right)),
            (ItemKind::Difference, None),
            (ItemKind::TimeRatio, None),
        ]
    );
    assert_eq!(judgement.reasons.len(), judgement.gate.items.len());
}

#[test]
fn the_window_is_six_rides_and_twenty_one_days() {
    let many = soft_days(0..15);
    assert_eq!(judged(&many, 14).gate.window.rides, 6);
    let spread = soft_days([0, 5, 10, 20, 22]);
    let judgement = judged(&spread, 22);
    assert_eq!(
        judgement.gate.window.rides, 4,
        "the ride of day 0 is 22 days back, that of day 5 is 17"
    );
    assert_eq!(judgement.gate.window.from, Some(day(5)));
}

#[test]
fn what_comes_after_the_date_is_not_looked_at() {
    let reps = rides(&[soft_days([0, 1, 3]), ride_of(4, (0, 5), (0, 5))]);
    let then = judged(&reps, 3);
    assert_eq!(then, judged(&soft_days([0, 1, 3]), 3));
}

#[rstest]
#[case::light_and_soon(Gait::Stand, give(2.0, Answer::Gave), true)]
#[case::a_tenth_too_late(Gait::Stand, give(2.1, Answer::Gave), false)]
#[case::the_same_at_the_jog(Gait::Jog, give(2.1, Answer::Gave), true)]
#[case::three_seconds_at_the_lope(Gait::Lope, give(3.0, Answer::Gave), true)]
#[case::two_fingers(Gait::Walk, Give { hand: HandWeight::TwoFingers, ..SOFT }, true)]
#[case::a_closed_hand(Gait::Walk, Give { hand: HandWeight::ClosedHand, ..SOFT }, false)]
#[case::called_late_by_the_rider(Gait::Walk, give(1.0, Answer::Late), false)]
#[case::late(Gait::Stand, LATE, false)]
#[case::braced(Gait::Stand, BRACED, false)]
#[case::head_up(Gait::Stand, HEAD_UP, false)]
fn what_soft_means(#[case] gait: Gait, #[case] give: Give, #[case] soft: bool) {
    assert_eq!(give.is_soft(&SoftRule::default(), gait), soft);
}

#[rstest]
#[case(1.9, HandWeight::Feather)]
#[case(2.0, HandWeight::Fingertip)]
#[case(9.9, HandWeight::TwoFingers)]
#[case(19.9, HandWeight::ClosedHand)]
#[case(40.0, HandWeight::Pull)]
fn a_rein_gauge_fills_in_the_hand_weight(#[case] force_n: f64, #[case] hand: HandWeight) {
    assert_eq!(HandWeight::from_newtons(force_n), hand);
}

#[test]
fn the_first_ask_of_a_day_is_the_one_that_counts() {
    let mut reps = Vec::new();
    for after in [0, 1, 2] {
        let cold = after != 1;
        let first = if cold { LATE } else { SOFT };
        reps.extend(ride(
            after,
            &[(Left, first), (Left, SOFT), (Right, SOFT), (Right, SOFT)],
        ));
    }
    let judgement = judged(&reps, 2);
    let firsts: Vec<bool> = judgement
        .gate
        .figures(Left)
        .unwrap()
        .first_asks
        .iter()
        .map(|first| first.soft)
        .collect();
    assert_eq!(firsts, [false, true, false]);
    assert!(failing(&judgement).contains(&(ItemKind::FirstAsk, Some(Left))));
    assert!(!failing(&judgement).contains(&(ItemKind::FirstAsk, Some(Right))));
}

#[test]
fn what_it_takes_names_the_fewest_days_and_reps() {
    let takes = judged(&soft_days([0, 1]), 1).what_it_takes;
    let further = takes.if_all_soft.unwrap();
    assert_eq!(further.days, 1, "the third day is all that is missing");
    assert_eq!(
        (further.left_reps, further.right_reps),
        (2, 2),
        "12 a side, 10 known"
    );
}

#[test]
fn when_it_may_be_is_answered_once() {
    let reps: Vec<Rep> = (0..8).flat_map(|d| ride_of(d, (3, 6), (3, 6))).collect();
    let said = judged(&reps, 7);
    assert!(said.what_it_takes.if_all_soft.is_some());
    // What it would take counts soft asks; a range in rides is the forecast's.
    assert!(
        said.takes.starts_with("At least ") && !said.takes.contains("about"),
        "{}",
        said.takes
    );
}

#[test]
fn the_verdict_climbs_day_by_day() {
    let reps: Vec<Rep> = rides(&[
        ride_of(0, (2, 5), (3, 5)),
        ride_of(2, (4, 6), (4, 6)),
        ride_of(4, (6, 6), (6, 6)),
        ride_of(5, (6, 6), (6, 6)),
        ride_of(7, (6, 6), (6, 6)),
        ride_of(9, (6, 6), (6, 6)),
    ]);
    let said: Vec<Verdict> = judged(&reps, 9)
        .days
        .iter()
        .map(|day| day.verdict)
        .collect();
    assert_eq!(said[0], Verdict::Stay);
    assert_eq!(said.last(), Some(&Verdict::Advance));
}

#[test]
fn how_it_is_said() {
    let stiff: Vec<Rep> = (0..5).flat_map(|d| ride_of(d, (5, 5), (3, 5))).collect();
    let mut told = String::new();
    for (horse, reps, after) in [
        ("never asked", vec![], 0),
        ("two good days", soft_days([0, 1]), 1),
        ("stiff on the right", stiff, 4),
        (
            "bad last ride",
            rides(&[soft_days([0, 1]), ride_of(3, (1, 4), (1, 4))]),
            3,
        ),
        (
            "right side gone",
            rides(&[soft_days([0, 1, 3]), ride_of(4, (5, 5), (1, 5))]),
            4,
        ),
        ("four soft days", soft_days([0, 1, 3, 4]), 4),
        ("rusty", soft_days([0, 1, 3, 4]), 34),
    ] {
        let judgement = judged(&reps, after);
        told += &format!("{horse}: {}\n  {}\n", judgement.text, judgement.takes);
        for reason in &judgement.reasons {
            let mark = if reason.holds_back { '-' } else { '+' };
            told += &format!("  {mark} {}\n", reason.text);
        }
    }
    insta::assert_snapshot!(told);
}
