//! How a cow stands on a day. Common practice, no source; the numbers by hand.

use cavesson_cattle::cattle::cow::{CowKind, CowSheet, Handling};
use cavesson_cattle::cattle::heading::{heading, heading_at_end};
use cavesson_cattle::cattle::health::{CowSign, SignSeen, Treatment, withdrawn_until};
use cavesson_cattle::cattle::herd::{Caps, CowPast, standing};
use cavesson_cattle::cattle::honesty::Freshness;
use cavesson_judge::ride::{HowEnded, WorkEnd, WorkSaid};
use cavesson_reps::rep::turn::{Position, Tempo, Turn, TurnResult};
use jiff::civil::{Date, date};
use uuid::Uuid;

use super::work::RIGHT;

const TODAY: Date = date(2026, 5, 4);
const CAPS: Caps = Caps {
    works: 2,
    minutes: 12,
};

pub fn sheet() -> CowSheet {
    CowSheet {
        tag: "214".into(),
        kind: CowKind::Heifer,
        weight_lb: Some(520),
        came: TODAY,
        tempo: Tempo::Medium,
        handling: Handling::Well,
        done: false,
        note: String::new(),
    }
}

#[test]
fn works_and_minutes_of_the_day_are_used_up_apart() {
    let left = |works_today, minutes_today| {
        let past = CowPast {
            works_today,
            minutes_today,
            ..CowPast::default()
        };
        standing(&sheet(), &past, CAPS).unwrap().works_left
    };
    assert_eq!(left(0, 0.0), 2);
    assert_eq!(left(1, 4.0), 1);
    assert_eq!(left(2, 4.0), 0);
    assert_eq!(left(3, 4.0), 0, "once more than it was to");
    assert_eq!(left(1, 12.0), 0, "its minutes are used up");
}

#[test]
fn it_is_done_by_its_share_or_by_your_word() {
    let went_through = CowPast {
        stopped: vec![false; 4],
        works: 4,
        ..CowPast::default()
    };
    let by_share = standing(&sheet(), &went_through, CAPS).unwrap();
    assert!(by_share.done && !by_share.can_work());
    assert_eq!(by_share.honesty.freshness, Freshness::Done);
    let word = CowSheet {
        done: true,
        ..sheet()
    };
    let by_word = standing(&word, &CowPast::default(), CAPS).unwrap();
    assert!(by_word.done);
    assert_eq!(by_word.honesty.freshness, Freshness::Fresh);
    assert_eq!(by_word.to_match(Uuid::nil(), &word, true).honesty, 0.0);
    let ill = CowPast {
        not_well: true,
        ..CowPast::default()
    };
    let ill = standing(&sheet(), &ill, CAPS).unwrap();
    assert!(ill.sorted_off && !ill.can_work() && !ill.done);
}

/// A cow that a horse out of position lets through has not shown that it would not stop.
#[test]
fn what_a_turn_says_of_the_cow() {
    let turn = |position, result, waited| Turn {
        position,
        result,
        waited,
        ..RIGHT
    };
    assert_eq!(heading(&RIGHT), Some(true));
    for position in [Position::Short, Position::Past] {
        assert_eq!(
            heading(&turn(position, TurnResult::Turned, true)),
            Some(true)
        );
        assert_eq!(heading(&turn(position, TurnResult::Lost, true)), None);
    }
    for position in [Position::Even, Position::Long] {
        assert_eq!(
            heading(&turn(position, TurnResult::Lost, true)),
            Some(false)
        );
        assert_eq!(
            heading(&turn(position, TurnResult::Lost, false)),
            None,
            "the horse panicked"
        );
    }
    assert_eq!(heading_at_end(HowEnded::RanThrough), Some(false));
    for how in HowEnded::ALL
        .iter()
        .filter(|how| **how != HowEnded::RanThrough)
    {
        assert_eq!(heading_at_end(*how), None);
    }
}

#[test]
fn a_sheet_that_cannot_be_says_each_field() {
    assert_eq!(sheet().check(TODAY), Ok(()));
    let wrong = CowSheet {
        tag: "123456789".into(),
        weight_lb: Some(20),
        came: date(2026, 5, 5),
        note: "a\u{0007}".into(),
        ..sheet()
    };
    let fields: Vec<String> = wrong
        .check(TODAY)
        .unwrap_err()
        .into_iter()
        .map(|e| e.field)
        .collect();
    assert_eq!(fields, ["/tag", "/weight_lb", "/came", "/note"]);
}

#[test]
fn a_withdrawal_lasts_to_its_last_day_and_the_longest_counts() {
    let given = |given_on, withdrawal_days| Treatment {
        given_on,
        what: "On the vet's word".into(),
        by: String::new(),
        withdrawal_days,
        note: String::new(),
    };
    let long = given(date(2026, 4, 1), 33);
    assert_eq!(long.withdrawn_until(), Some(TODAY));
    assert_eq!(
        withdrawn_until([&long, &given(date(2026, 5, 1), 2)], TODAY),
        Some(TODAY)
    );
    assert_eq!(withdrawn_until([&long], date(2026, 5, 5)), None, "over");
    assert_eq!(given(TODAY, 0).withdrawn_until(), None);
    assert!(given(TODAY, 366).check(TODAY).is_err());
}

#[test]
fn another_sign_has_to_be_said() {
    let sign = |sign, note: &str| SignSeen {
        sign,
        seen_on: TODAY,
        note: note.into(),
    };
    assert!(sign(CowSign::Lame, "").check(TODAY).is_ok());
    let errors = sign(CowSign::Other, " ").check(TODAY).unwrap_err();
    assert_eq!(errors[0].field, "/note");
    assert!(sign(CowSign::Other, "Swollen jaw").check(TODAY).is_ok());
}

#[test]
fn a_work_ends_no_earlier_than_it_began() {
    let work = |after_ms, end| WorkSaid {
        work_id: Uuid::nil(),
        cow_id: None,
        after_ms,
        ended: Some(WorkEnd {
            after_ms: end,
            how: HowEnded::GoodTurn,
        }),
    };
    assert_eq!(work(60_000, 240_000).check(), Ok(()));
    assert_eq!(work(60_000, 240_000).minutes(), Some(3.0));
    assert_eq!(
        work(60_000, 59_999).check().unwrap_err().field,
        "/ended/after_ms"
    );
}
