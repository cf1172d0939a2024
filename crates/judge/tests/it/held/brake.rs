//! The brake that fails is lost, the chain is cut, and the card goes no faster.

use cavesson_base::Gait;
use cavesson_judge::card::{Day, Horse, Limits, card};
use cavesson_judge::judge::held::change::Moved;
use cavesson_judge::judge::{BrakeChain, Overrule, State, Verdict, holes};
use uuid::Uuid;

use cavesson_told::day;
use cavesson_told::horse_told::{BRAKES, Told, index, ladder, level};

/// Held at all four gaits: placed by hand, and confirmed soft on ten days.
pub fn made() -> Told {
    let mut told = Told::placed(0, &["start.brake/lope", "stop.seat/lope"]);
    for brake in BRAKES {
        told = told.rides(1..=10, brake, "ss", "ss");
    }
    told
}

fn chain(told: &Told, after: i64) -> Option<Gait> {
    BrakeChain::of(ladder(), &told.on(after)).held
}

fn fastest_on_card(told: &Told, after: i64, day_of: &Day) -> Option<Gait> {
    let (file, standings) = (told.file(), told.on(after));
    let holes = holes(ladder(), &file, &standings, day(after));
    let horse = Horse {
        ladder: ladder(),
        file: &file,
        standings: &standings,
        holes: &holes,
        on: day(after),
    };
    let card = card(horse, day_of);
    let asked = card.blocks.iter().flat_map(|block| &block.levels);
    let mounted = asked.map(|named| ladder().at(&named.level).unwrap());
    mounted
        .filter(|level| !level.ground)
        .map(|level| level.gait)
        .max()
}

#[test]
fn a_brake_that_fails_for_thirty_rides_is_lost_and_the_horse_stands() {
    let mut told = made();
    assert_eq!(chain(&told, 10), Some(Gait::Lope));
    for brake in BRAKES {
        told = told.rides(11..=40, brake, "m", "m");
    }
    for brake in BRAKES {
        let standing = told.at(brake, 40);
        assert!(!standing.counts_as_held(), "{brake}: {:?}", standing.state);
    }
    assert_eq!(told.at(BRAKES[0], 40).state, State::Lost);
    assert_eq!(chain(&told, 40), None);
    // Two misses a side: gone on the second day.
    assert_eq!(told.moves(BRAKES[0], 40).last(), Some(&(12, Moved::Lost)));
    let fastest = fastest_on_card(&told, 41, &Day::default());
    assert!(
        fastest.is_none_or(|gait| gait <= Gait::Stand),
        "{fastest:?}"
    );
}

#[test]
fn a_brake_is_lost_at_two_misses_of_a_sides_last_five_or_three_of_twenty() {
    let lost = |told: &Told, after| told.at(BRAKES[0], after).state == State::Lost;
    // One miss is watched, and forgotten after five more.
    let once = made().ride(11, BRAKES[0], "ss", "sm");
    assert!(!lost(&once, 11));
    assert!(
        once.at(BRAKES[0], 11)
            .watched(&ladder().levels[index(BRAKES[0])])
            .is_some()
    );
    let clean = once.clone().rides(12..=14, BRAKES[0], "ss", "ss");
    assert!(
        clean
            .at(BRAKES[0], 14)
            .watched(&ladder().levels[index(BRAKES[0])])
            .is_none()
    );
    // Four soft in between: two of the last five. Five: not.
    assert!(lost(&once.clone().ride(12, BRAKES[0], "", "sssm"), 12));
    assert!(!lost(&once.clone().ride(12, BRAKES[0], "", "ssssm"), 12));
    // One left, one right, one left with five between: three of twenty, no side twice in five.
    let spread = made()
        .ride(11, BRAKES[0], "sssssm", "ssssss")
        .ride(12, BRAKES[0], "ss", "ssssm");
    assert!(!lost(&spread, 12));
    assert!(lost(&spread.clone().ride(13, BRAKES[0], "sssm", "s"), 13));
}

#[test]
fn it_is_back_at_ten_in_a_row_and_three_clean_days_and_not_before() {
    let lost = made().ride(11, BRAKES[0], "ss", "mm");
    assert_eq!(lost.at(BRAKES[0], 11).state, State::Lost);
    let four_a_side = |days: std::ops::RangeInclusive<i64>| {
        let days = days.collect::<Vec<i64>>();
        lost.clone().rides(days, BRAKES[0], "ssss", "ssss")
    };
    assert_eq!(four_a_side(12..=13).at(BRAKES[0], 13).state, State::Lost);
    let back = four_a_side(12..=14);
    assert_eq!(
        back.moves(BRAKES[0], 14).last(),
        Some(&(14, Moved::Regained))
    );
    // Many on one day are not three days.
    let one_day = lost
        .clone()
        .ride(12, BRAKES[0], "ssssssssssssssss", "ssssssssssssssss");
    assert_eq!(one_day.at(BRAKES[0], 30).state, State::Lost);
    // A miss on the way begins it anew.
    let missed = lost
        .rides([12, 13], BRAKES[0], "ssss", "ssss")
        .ride(14, BRAKES[0], "sssm", "ssss")
        .rides([15, 16], BRAKES[0], "sssss", "sssss");
    assert_eq!(missed.at(BRAKES[0], 16).state, State::Lost);
    assert_eq!(
        missed
            .ride(17, BRAKES[0], "ssss", "ssss")
            .at(BRAKES[0], 17)
            .state,
        State::Held
    );
}

#[test]
fn the_brake_at_the_lope_is_not_held_while_slower_gaits_were_never_asked() {
    let lope_only = Told::placed(0, &["start.mount/stand"]).rides(1..=20, BRAKES[3], "sss", "sss");
    assert!(!lope_only.at(BRAKES[3], 20).counts_as_held());
    assert_eq!(chain(&lope_only, 20), None);
}

#[test]
fn what_rests_on_a_lost_brake_waits_and_is_tested_cold_when_it_is_back() {
    let told = made().ride(11, BRAKES[1], "mm", "ss");
    assert_eq!(chain(&told, 11), Some(Gait::Stand));
    for waits in [BRAKES[2], BRAKES[3]] {
        assert_eq!(told.at(waits, 11).state, State::Waiting, "{waits}");
    }
    let back = told.rides(12..=14, BRAKES[1], "ssss", "ssss");
    assert_eq!(back.at(BRAKES[2], 14).state, State::Retest);
    assert_eq!(
        chain(&back, 14),
        Some(Gait::Walk),
        "until it was tested cold"
    );
    let tested = back.clone().ride(15, BRAKES[2], "s", "s");
    assert_eq!(chain(&tested, 15), Some(Gait::Jog));
    assert_eq!(tested.at(BRAKES[3], 15).state, State::Retest);
    let cold_miss = back.ride(15, BRAKES[2], "ms", "ss");
    assert_eq!(chain(&cold_miss, 15), Some(Gait::Walk));
}

/// The trainer says on a day that these levels count.
pub fn said_to_count(mut told: Told, on: i64, levels: &[&str]) -> Told {
    for (number, path) in levels.iter().enumerate() {
        told.file.overrules.push(Overrule {
            overrule_id: Uuid::from_u128(100 * on as u128 + number as u128),
            level: level(path),
            day: day(on),
            judge_said: Verdict::Stay,
            counts_as: Verdict::Advance,
            reason: "I know him".into(),
        });
    }
    told
}

#[test]
fn a_word_on_all_of_it_asks_for_no_cold_test_and_a_word_before_or_on_less_does() {
    let lost = made().ride(11, BRAKES[1], "mm", "ss");
    let all = said_to_count(lost.clone(), 12, &BRAKES[1..]);
    for path in &BRAKES[1..] {
        assert!(all.at(path, 12).counts_as_held(), "{path}");
        assert_eq!(all.at(path, 13).history.hold.retest, None, "{path}");
    }
    assert_eq!(
        all.moves(BRAKES[2], 12).last(),
        Some(&(12, Moved::Retested))
    );
    let only_under = said_to_count(lost.clone(), 12, &BRAKES[1..2]);
    assert_eq!(only_under.at(BRAKES[2], 12).state, State::Retest);
    let day_before = said_to_count(said_to_count(lost, 11, &BRAKES[2..]), 12, &BRAKES[1..2]);
    assert_eq!(day_before.at(BRAKES[2], 12).state, State::Retest);
    assert!(!day_before.at(BRAKES[3], 12).counts_as_held());
}

#[test]
fn nobody_talks_the_chain_up() {
    let told = Told::placed(0, &["start.brake/stand"]).rides(1..=6, BRAKES[0], "ss", "ss");
    let told = said_to_count(told, 7, &BRAKES);
    assert!(
        told.at(BRAKES[3], 8).counts_as_held(),
        "for what needs it, the trainer's word counts"
    );
    assert_eq!(
        chain(&told, 8),
        Some(Gait::Stand),
        "for how fast he goes it does not"
    );
    let planned = Day {
        planned: vec![cavesson_judge::card::PlannedBlock {
            level: level("stop.seat/lope"),
            side: None,
            text: "lope him".into(),
        }],
        ..Day::default()
    };
    // The brake alone goes one gait above the chain.
    assert!(fastest_on_card(&told, 8, &planned) <= Some(Gait::Walk));
}

#[test]
fn the_card_says_why_it_goes_no_faster() {
    let told = made().ride(11, BRAKES[1], "ss", "mm");
    let (file, standings) = (told.file(), told.on(11));
    let horse = Horse {
        ladder: ladder(),
        file: &file,
        standings: &standings,
        holes: &[],
        on: day(12),
    };
    let limits = Limits::of(horse, &Day::default());
    assert_eq!(limits.fastest, Gait::Stand);
    let said = "Standing only: the brake missed twice on the right since March 13.";
    assert!(limits.text.contains(&said.to_owned()), "{:?}", limits.text);
}
