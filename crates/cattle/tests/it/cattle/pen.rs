//! At the pen: leave, dry work, back to a slow cow, the next cow. Common practice, no source.

use cavesson_cattle::cattle::leave::dry_work;
use cavesson_cattle::cattle::matching::{Cow, NotForIt, TempoAgainstDue};
use cavesson_cattle::cattle::pen::{Pen, advise};
use cavesson_cattle::cattle::tempo::NextTempo;
use cavesson_reps::ladder::Ladder;
use cavesson_reps::rep::turn::{Tempo, Turn};
use uuid::Uuid;

use super::work::{LEAKED, PAST, RIGHT};

fn cow(number: u128, tempo: Tempo) -> Cow {
    Cow {
        cow_id: Uuid::from_u128(number),
        tempo,
        honesty: 0.8,
        wild: false,
        sorted_off: false,
        settled: true,
        works_left: 2,
        worked: 0,
    }
}

fn pen() -> Pen {
    Pen {
        horse_id: Uuid::nil(),
        tempo: Tempo::Slow,
        first: false,
        corrected: false,
        lately: Vec::new(),
        today: Vec::new(),
        left: false,
        dry: Vec::new(),
        worked: Vec::new(),
        cattle: vec![
            cow(3, Tempo::Quick),
            cow(2, Tempo::Medium),
            cow(1, Tempo::Slow),
        ],
    }
}

fn medium(turn: Turn) -> Turn {
    Turn {
        tempo: Tempo::Medium,
        ..turn
    }
}

fn ids(pen: &Pen) -> Vec<(u128, Option<NotForIt>)> {
    let said = advise(pen).unwrap();
    said.cows
        .iter()
        .map(|one| (one.cow_id.as_u128(), one.not))
        .collect()
}

#[test]
fn the_best_cow_comes_first_and_those_that_are_not_for_it_last() {
    assert_eq!(
        ids(&pen()),
        [(1, None), (2, None), (3, Some(NotForIt::TooQuick))]
    );
    let once = Pen {
        worked: vec![Uuid::from_u128(1)],
        ..pen()
    };
    assert_eq!(ids(&once)[0], (2, None));
    assert!(ids(&once).contains(&(1, Some(NotForIt::WorkedAlready))));
}

#[test]
fn leave_the_cattle_dry_work_and_back_to_a_slow_cow() {
    let on_medium = Pen {
        tempo: Tempo::Medium,
        today: vec![medium(RIGHT), medium(LEAKED)],
        ..pen()
    };
    let going_on = advise(&on_medium).unwrap();
    assert_eq!((going_on.leave, going_on.tempo), (None, Tempo::Medium));
    assert!(going_on.dry_left.is_empty());

    let leaked = Pen {
        today: vec![medium(LEAKED), medium(RIGHT), medium(LEAKED)],
        // The same level, asked before the cattle.
        dry: vec![dry_work()[0].clone()],
        ..on_medium.clone()
    };
    let out = advise(&leaked).unwrap();
    let leave = out.leave.unwrap();
    assert_eq!(leave.says, "The shoulder leaked in 2 of the last 3 turns.");
    assert_eq!(out.next_says, "", "that is said by the leaving");
    assert_eq!(out.dry_left, dry_work(), "what came before does not count");
    assert_eq!(out.cows[0].cow_id.as_u128(), 1, "the slow one is next");

    let away = |dry: &[usize]| Pen {
        today: Vec::new(),
        left: true,
        dry: dry.iter().map(|index| dry_work()[*index].clone()).collect(),
        ..on_medium.clone()
    };
    assert_eq!(advise(&away(&[])).unwrap().dry_left, dry_work());
    assert_eq!(advise(&away(&[0, 2])).unwrap().dry_left, dry_work()[1..2]);
    let back = advise(&away(&[2, 1, 0])).unwrap();
    assert!(back.dry_left.is_empty());
    assert_eq!(
        (back.tempo, back.cows[0].cow_id.as_u128()),
        (Tempo::Slow, 1)
    );
    let turning = Pen {
        today: vec![RIGHT],
        ..away(&[])
    };
    assert!(
        advise(&turning).unwrap().dry_left.is_empty(),
        "it is back on a cow"
    );
}

#[test]
fn tempo_goes_by_the_turns_at_the_last_one() {
    let up = Pen {
        lately: vec![RIGHT; 6],
        today: vec![RIGHT; 4],
        ..pen()
    };
    let said = advise(&up).unwrap();
    assert_eq!((said.next, said.tempo), (NextTempo::Quicker, Tempo::Medium));
    assert_eq!(said.next_says, "8 of the last 10 good: a medium cow next.");
    assert_eq!(said.cows[0].cow_id.as_u128(), 2);
    assert_eq!(said.cows[0].tempo, Some(TempoAgainstDue::AsDue));
    let down = Pen {
        lately: vec![medium(RIGHT); 6],
        today: vec![medium(PAST); 3],
        ..pen()
    };
    let said = advise(&down).unwrap();
    assert_eq!((said.next, said.tempo), (NextTempo::Slower, Tempo::Slow));
    assert_eq!(
        said.next_says,
        "Out of place 3 of the last 4: a slow cow next."
    );
}

#[test]
fn a_first_time_is_on_quiet_cattle_of_a_settled_herd() {
    let first = |change: fn(&mut Cow)| {
        let mut cattle = vec![cow(1, Tempo::Slow)];
        change(&mut cattle[0]);
        let pen = Pen {
            first: true,
            cattle,
            ..pen()
        };
        ids(&pen)[0].1
    };
    assert_eq!(first(|_| ()), None);
    assert_eq!(first(|cow| cow.wild = true), Some(NotForIt::TooWild));
    assert_eq!(first(|cow| cow.settled = false), Some(NotForIt::NotSettled));
    assert_eq!(
        first(|cow| cow.tempo = Tempo::Medium),
        Some(NotForIt::TooQuick)
    );
    let used_to_it = Pen {
        cattle: vec![Cow {
            settled: false,
            ..cow(1, Tempo::Slow)
        }],
        ..pen()
    };
    assert_eq!(
        ids(&used_to_it)[0].1,
        None,
        "only a first time needs it settled"
    );
}

#[test]
fn the_dry_work_is_levels_of_the_ladder_whatever_the_school() {
    for level in dry_work() {
        assert!(Ladder::every_level().at(&level).is_some(), "{level}");
    }
}

#[test]
fn what_cannot_be_is_named() {
    let wrong = Pen {
        cattle: vec![Cow {
            honesty: 1.5,
            ..cow(1, Tempo::Slow)
        }],
        ..pen()
    };
    assert_eq!(advise(&wrong).unwrap_err().field, "/cattle/0/honesty");
}
