//! What answers take off a held level, against a count by hand.

use cavesson_judge::judge::held::change::{Because, Moved};
use cavesson_judge::judge::{State, Verdict};
use cavesson_reps::horse::RideMark;
use rstest::rstest;

use cavesson_told::day;
use cavesson_told::horse_told::Told;

const FLEX: &str = "bend.flex/stand";

fn held() -> Told {
    let told = Told::placed(0, &["start.bend-ground/stand"]).rides(1..=8, FLEX, "sssss", "sssss");
    assert_eq!(told.at(FLEX, 8).state, State::Held);
    told
}

/// Rides of the right side one after the other, and the points after them: three for a miss,
/// one off for a soft one, at most four a ride.
#[rstest]
#[case(&["sssss"], 0)]
#[case(&["ssssm"], 3)]
#[case(&["mssss"], 0)]
#[case(&["ssmsm"], 4)]
#[case(&["mmsss"], 1)]
#[case(&["smmsm"], 4)]
#[case(&["ssssm", "ssssm"], 3)]
#[case(&["sssmm", "sssmm"], 7)]
#[case(&["ssmsm", "smsmm"], 8)]
fn points_are_counted_as_a_trainer_would(#[case] rides: &[&str], #[case] points: u32) {
    let mut told = held();
    for (number, ride) in rides.iter().enumerate() {
        told = told.ride(9 + number as i64, FLEX, "sssss", ride);
    }
    let hold = told.at(FLEX, 30).history.hold;
    assert_eq!(hold.points(), [0, points]);
}

#[test]
fn from_seven_on_it_is_in_doubt_and_at_fourteen_lost_with_the_asks_named() {
    let told = held()
        .ride(9, FLEX, "ssssss", "ssmsm")
        .ride(10, FLEX, "ssssss", "ssssm");
    // 4, then nothing, then 3: watched, not in doubt.
    assert_eq!(told.at(FLEX, 10).state, State::Held);
    let doubt = told.ride(11, FLEX, "ssssss", "mmsmm");
    assert_eq!(doubt.at(FLEX, 11).state, State::InDoubt);
    let open = doubt.at("bend.forward-circle/walk", 11);
    assert!(!open.doubtful.is_empty(), "nothing above it advances");
    let cleared = doubt.clone().ride(12, FLEX, "sssss", "sssss");
    assert_eq!(cleared.at(FLEX, 12).state, State::Held);
    let lost = doubt
        .ride(12, FLEX, "ssssss", "mmsmm")
        .ride(13, FLEX, "ssssss", "mmsmm");
    let standing = lost.at(FLEX, 13);
    assert_eq!(standing.state, State::Lost);
    let change = standing.history.hold.lost.clone().unwrap();
    let Because::Missed(missed) = change.because else {
        panic!("{change:?}")
    };
    // Of the last ten: two rides of four in five.
    assert_eq!((missed.missed, missed.asked), (8, 10));
    assert_eq!(
        (missed.side, missed.from),
        (cavesson_base::Side::Right, day(12))
    );
}

/// What is lost is worked again: it is not a held level that wants a cold test.
#[test]
fn a_lost_level_is_worked_and_not_refreshed() {
    let mut told = held();
    for after in 9..14 {
        told = told.ride(after, FLEX, "ssssss", "mmmmmm");
    }
    for after in 14..18 {
        told = told.ride(after, FLEX, "sssm", "sssm");
        let standing = told.at(FLEX, after + 1);
        assert_eq!(standing.state, State::Lost, "{after}");
        assert_ne!(standing.verdict, Verdict::Refresh, "{after}");
    }
}

/// A ride of one ask a side: six of the last ten not soft, on two days; five are not enough.
#[test]
fn rides_of_one_ask_a_side_lose_it_by_six_of_ten() {
    let mut told = held();
    for after in 9..14 {
        told = told.ride(after, FLEX, "s", "m");
        assert_ne!(told.at(FLEX, after).state, State::Lost, "{after}");
    }
    assert_eq!(
        told.clone().ride(14, FLEX, "s", "m").at(FLEX, 14).state,
        State::Lost
    );
    // Every second one missed: five of ten, for as long as it goes on.
    let mut even = held();
    for after in 9..60 {
        even = even.ride(after, FLEX, "s", if after % 2 == 0 { "s" } else { "m" });
        assert_ne!(even.at(FLEX, after).state, State::Lost, "{after}");
    }
}

#[test]
fn what_disturbed_a_ride_scores_nothing_and_is_shown_all_the_same() {
    let mut told = held();
    for after in 9..20 {
        told = told.ride(after, FLEX, "mmmmm", "mmmmm");
        told.rides.last_mut().unwrap().marks.push(RideMark::Wind);
    }
    let standing = told.at(FLEX, 20);
    assert_eq!(standing.history.hold.points(), [0, 0]);
    assert!(standing.history.hold.is_held());
    assert_eq!(standing.history.soft_days.last().unwrap().share(), 0.0);
}

#[test]
fn one_of_ten_eases_it_and_time_does_not_bring_it_back() {
    let told = held().ride(9, FLEX, "smmmm", "smmmm");
    let eased = told.at(FLEX, 9);
    assert_eq!(eased.state, State::Eased);
    assert!(!eased.counts_as_held());
    for after in [10, 30, 60, 400] {
        let later = told.at(FLEX, after);
        assert_eq!(later.state, State::Eased, "{after} days after");
        assert!(!later.counts_as_held());
    }
    // A ride of four the next day, one of them soft, neither.
    let more = told.clone().ride(10, FLEX, "sm", "mm");
    assert!(!more.at(FLEX, 10).counts_as_held());
    // First asks soft on two of three days, and what it went back to soft: it counts again.
    let ground = "start.bend-ground/stand";
    let back = told
        .ride(10, ground, "sss", "sss")
        .ride(11, FLEX, "sss", "sss");
    assert_eq!(back.at(FLEX, 11).state, State::Eased);
    let back = back.ride(12, FLEX, "sss", "sss");
    assert!(back.at(FLEX, 12).counts_as_held());
    assert_eq!(back.moves(FLEX, 12).last(), Some(&(12, Moved::EaseEnded)));
}

#[test]
fn regained_only_by_the_whole_gate_on_rides_since() {
    let mut told = held();
    for after in 9..=13 {
        told = told.ride(after, FLEX, "sssss", "mmsmm");
    }
    assert_eq!(told.at(FLEX, 13).state, State::Lost);
    for after in [14, 40, 400] {
        assert!(
            !told.at(FLEX, after).counts_as_held(),
            "time never restores: {after}"
        );
    }
    // Two soft days are not three, whatever was soft before.
    let two = told.clone().rides([14, 15], FLEX, "ssssssss", "ssssssss");
    assert_eq!(two.at(FLEX, 15).state, State::Lost);
    let mut back = told;
    let mut regained = None;
    for after in 14..60 {
        back = back.ride(after, FLEX, "sssss", "sssss");
        if back.at(FLEX, after).counts_as_held() {
            regained = Some(after);
            break;
        }
    }
    let regained = regained.expect("a horse that is soft for weeks gets it back");
    assert!(regained >= 16, "three days at least: {regained}");
    assert_eq!(
        back.moves(FLEX, regained).last(),
        Some(&(regained, Moved::Regained))
    );
}
