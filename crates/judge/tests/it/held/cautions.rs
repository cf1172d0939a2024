//! A one-sided drop stays open, whatever the next rides hold, until that side is soft again
//! as before or a trainer says who looked.

use cavesson_base::Side;
use cavesson_judge::judge::{Caution, DropAnswer, Verdict};
use uuid::Uuid;

use cavesson_told::day;
use cavesson_told::horse_told::{Told, level};

const FLEX: &str = "bend.flex/stand";

fn soft() -> Told {
    Told::placed(0, &["start.bend-ground/stand"]).rides(1..=8, FLEX, "sssss", "sssss")
}

fn dropped(told: &Told, after: i64) -> Option<Side> {
    let standing = told.at(FLEX, after);
    let drop = standing.cautions.iter().find_map(|caution| match caution {
        Caution::SideDrop(drop) => Some(drop.side),
        _ => None,
    });
    assert_eq!(drop.is_some(), standing.verdict == Verdict::CheckFirst);
    drop
}

#[test]
fn the_second_bad_ride_does_not_clear_it() {
    let mut told = soft().ride(9, FLEX, "sssss", "smmmm");
    assert_eq!(dropped(&told, 9), Some(Side::Right));
    for after in 10..=30 {
        told = told.ride(
            after,
            FLEX,
            "sssss",
            if after % 2 == 0 { "smmmm" } else { "ssmmm" },
        );
        assert_eq!(dropped(&told, after), Some(Side::Right), "day {after}");
    }
    // Nor do days on which nobody asks.
    assert_eq!(dropped(&told, 300), Some(Side::Right));
}

#[test]
fn rides_of_two_or_three_asks_a_side_are_looked_at_too() {
    assert_eq!(
        dropped(&soft().ride(9, FLEX, "sss", "mmm"), 9),
        Some(Side::Right)
    );
    let in_two = soft().ride(9, FLEX, "ss", "mm").ride(10, FLEX, "ss", "ms");
    assert_eq!(dropped(&in_two, 10), Some(Side::Right));
    assert_eq!(dropped(&soft().ride(9, FLEX, "sss", "mss"), 9), None);
    // Both sides at once are no one-sided drop.
    assert_eq!(dropped(&soft().ride(9, FLEX, "mmmm", "mmmm"), 9), None);
}

#[test]
fn ten_soft_asks_on_two_days_close_it_and_nine_do_not() {
    let bad = soft().ride(9, FLEX, "sssss", "smmmm");
    let nine = bad
        .clone()
        .ride(10, FLEX, "sssss", "sssss")
        .ride(11, FLEX, "ssss", "ssss");
    assert_eq!(dropped(&nine, 11), Some(Side::Right));
    let ten = nine.ride(12, FLEX, "s", "s");
    assert_eq!(dropped(&ten, 12), None);
    let one_day = bad.clone().ride(10, FLEX, "sssss", "ssssssssssss");
    assert_eq!(
        dropped(&one_day, 10),
        Some(Side::Right),
        "one day is not two"
    );
    // Ten points under the share before (all of them soft) is nine of ten.
    let eight_of_ten = bad.clone().rides([10, 11], FLEX, "sssss", "ssssm");
    assert_eq!(dropped(&eight_of_ten, 11), Some(Side::Right));
    let nine_of_ten = bad
        .ride(10, FLEX, "sssss", "sssss")
        .ride(11, FLEX, "sssss", "sssms");
    assert_eq!(dropped(&nine_of_ten, 11), None);
}

#[test]
fn a_trainers_answer_closes_it_for_that_side_and_from_that_day_on() {
    let bad = soft().ride(9, FLEX, "sssss", "smmmm");
    let answered = |side: Side, on: i64, path: &str| {
        let mut told = bad.clone();
        told.file.answers = vec![DropAnswer {
            answer_id: Uuid::nil(),
            level: level(path),
            side,
            day: day(on),
            text: "The dentist looked: a sharp tooth, floated.".into(),
        }];
        told
    };
    let told = answered(Side::Right, 12, FLEX);
    assert_eq!(
        dropped(&told, 11),
        Some(Side::Right),
        "nobody had looked yet"
    );
    assert_eq!(dropped(&told, 12), None);
    assert_eq!(
        dropped(&answered(Side::Left, 12, FLEX), 13),
        Some(Side::Right)
    );
    assert_eq!(
        dropped(&answered(Side::Right, 5, FLEX), 13),
        Some(Side::Right),
        "before it dropped"
    );
    assert_eq!(
        dropped(&answered(Side::Right, 12, "bend.hip/walk"), 13),
        Some(Side::Right),
        "another level"
    );
}

/// The share to compare with is from before the drop, not diluted by the rides after it.
#[test]
fn the_share_before_is_from_before() {
    let told = soft()
        .ride(9, FLEX, "sssss", "smmmm")
        .rides(10..=20, FLEX, "sssss", "smmmm");
    let standing = told.at(FLEX, 20);
    let Some(Caution::SideDrop(drop)) = standing.cautions.first() else {
        panic!("{:?}", standing.cautions)
    };
    assert_eq!((drop.share_before, drop.since), (1.0, day(9)));
}
