//! Left against right, the faults that were seen, and the comparison of two
//! shares, against a published table.

use cavesson_base::Side;
use cavesson_judge::judge::faults_seen;
use cavesson_judge::judge::sides::sides;
use cavesson_reps::evidence::SoftCount;
use cavesson_reps::evidence::share::{difference, quantile};
use cavesson_reps::rep::{Answer, Give, HandWeight, Measure};
use cavesson_told::day;
use cavesson_told::horse::{Horse, index_of, ladder};
use rstest::rstest;

fn gave(seconds: f64) -> Measure {
    Measure::Give(Give::new(HandWeight::Fingertip, seconds, Answer::Gave))
}

fn braced() -> Measure {
    Measure::Give(Give::new(HandWeight::ClosedHand, 6.0, Answer::DidNotGive))
}

/// Newcombe, Statistics in Medicine 17 (1998) 873-890, Table II, method 10
/// (printed digits from memory).
#[rstest]
#[case((56, 70), (48, 80), 0.0524, 0.3339)]
#[case((9, 10), (3, 10), 0.1705, 0.8090)]
#[case((5, 56), (0, 29), -0.0381, 0.1926)]
#[case((10, 10), (0, 20), 0.6791, 1.0000)]
fn two_shares_are_compared_as_newcombe_does(
    #[case] (soft, asked): (u32, u32),
    #[case] (other_soft, other_asked): (u32, u32),
    #[case] low: f64,
    #[case] high: f64,
) {
    let one = SoftCount { soft, asked };
    let other = SoftCount {
        soft: other_soft,
        asked: other_asked,
    };
    let found = difference(one, other, quantile(0.95, true)).unwrap();
    assert!((found.low - low).abs() < 5e-5, "{found:?}");
    assert!((found.high - high).abs() < 5e-5, "{found:?}");
}

#[test]
fn the_sides_of_a_level_are_held_against_each_other() {
    // Left soft at a second, right braced every other time.
    let answers: Vec<Measure> = (0..12)
        .flat_map(|ask| {
            let right = if ask % 2 == 0 { braced() } else { gave(1.8) };
            [gave(1.0), right]
        })
        .collect();
    let horse = Horse::new().ride("bend.flex/stand", 0, &answers);
    let found = sides(ladder(), &horse.file(), day(1));
    assert_eq!(found.len(), 1);
    let flex = &found[0];
    assert_eq!(flex.level, index_of("bend.flex/stand"));
    assert_eq!((flex.left.soft, flex.left.asked), (12, 12));
    assert_eq!((flex.right.soft, flex.right.asked), (6, 12));
    assert_eq!(flex.evenness.lower_side, Some(Side::Right));
    assert!(flex.low > 0.0, "{flex:?}");
    assert!(
        flex.evenness.symmetry_index_pct.unwrap() < 0.0,
        "the right is slower"
    );
    assert!(flex.evenness.p.unwrap() < 0.01);
}

#[test]
fn the_mirror_horse_has_the_mirror_sides() {
    let mirrored = |left_first: bool| {
        let answers: Vec<Measure> = (0..10)
            .flat_map(|ask| {
                let stiff = if ask % 3 == 0 { braced() } else { gave(1.9) };
                if left_first {
                    [gave(0.9), stiff]
                } else {
                    [stiff, gave(0.9)]
                }
            })
            .collect();
        let horse = Horse::new().ride("bend.flex/stand", 0, &answers);
        sides(ladder(), &horse.file(), day(1)).remove(0)
    };
    let (one, mirror) = (mirrored(true), mirrored(false));
    assert_eq!((one.left, one.right), (mirror.right, mirror.left));
    assert!((one.low + mirror.high).abs() < 1e-12);
    assert!((one.evenness.difference + mirror.evenness.difference).abs() < 1e-12);
}

#[test]
fn what_was_asked_of_both_sides_at_once_or_long_ago_has_no_sides() {
    let both = Horse::new().ride("frame.poll/stand", 0, &[gave(1.0), gave(1.0)]);
    assert!(sides(ladder(), &both.file(), day(1)).is_empty());
    let old = Horse::new().ride("bend.flex/stand", 0, &[gave(1.0), gave(1.0)]);
    assert!(sides(ladder(), &old.file(), day(40)).is_empty());
    let one_side = Horse::new().ride("bend.flex/stand", 0, &[gave(1.0)]);
    assert!(sides(ladder(), &one_side.file(), day(1)).is_empty());
}

#[test]
fn every_fault_seen_is_there_the_most_frequent_first() {
    let up = Measure::Give(Give::new(HandWeight::Fingertip, 1.0, Answer::EvadedUp));
    let down = Measure::Give(Give::new(HandWeight::Fingertip, 1.0, Answer::EvadedDown));
    let horse = Horse::new().ride(
        "bend.flex/stand",
        0,
        &[up.clone(), gave(1.0), up, down, gave(1.0), gave(1.0)],
    );
    let found = faults_seen(ladder(), &horse.file(), day(1));
    let said: Vec<(&str, u32)> = found
        .iter()
        .map(|fault| (fault.fault.0.as_str(), fault.times))
        .collect();
    assert_eq!(said, [("head_up", 2), ("roots_down", 1)]);
    assert_eq!(found[0].side, Some(Side::Left));
    assert_eq!(found[0].reps.len(), 2);
    assert!(faults_seen(ladder(), &horse.file(), day(60)).is_empty());
}
