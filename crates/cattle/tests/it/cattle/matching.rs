//! Matching: every way tried on small days, scipy on large ones, and what may never be.

use cavesson_cattle::cattle::flow::{Pair, cheapest_pairs};
use cavesson_cattle::cattle::matching::{Cow, Horse, NotForIt, TempoAgainstDue, cost, match_day};
use cavesson_reps::rep::turn::Tempo;
use proptest::prelude::*;
use uuid::Uuid;

fn horse(number: u128) -> Horse {
    Horse {
        horse_id: Uuid::from_u128(number),
        tempo: Tempo::Medium,
        first: false,
        corrected: false,
        works: 1,
    }
}

fn cow(number: u128) -> Cow {
    Cow {
        cow_id: Uuid::from_u128(1000 + number),
        tempo: Tempo::Medium,
        honesty: 0.8,
        wild: false,
        sorted_off: false,
        settled: true,
        works_left: 2,
        worked: 0,
    }
}

#[test]
fn totals_are_those_of_scipy() {
    for case in super::golden()["assignment"].as_array().unwrap() {
        let costs: Vec<Vec<u32>> = serde_json::from_value(case["cost"].clone()).unwrap();
        let takes = case["takes"].as_u64().unwrap_or(1) as u32;
        let pairs: Vec<Pair> = costs
            .iter()
            .enumerate()
            .flat_map(|(left, row)| {
                let row = row.iter().enumerate();
                row.map(move |(right, cost)| Pair {
                    left,
                    right,
                    cost: *cost,
                })
            })
            .collect();
        let wants = vec![1; costs.len()];
        let found = cheapest_pairs(&wants, &vec![takes; costs[0].len()], &pairs);
        assert_eq!(found.len(), costs.len());
        let total: u64 = found.iter().map(|pair| u64::from(pair.cost)).sum();
        assert_eq!(total, case["total"].as_u64().unwrap());
    }
}

/// Every set of pairs, tried: the most pairs, and the least cost among those.
fn by_trying(wants: &[u32], takes: &[u32], pairs: &[Pair]) -> (usize, u32) {
    let mut best = (0, 0);
    for set in 0..1_u32 << pairs.len() {
        let picked: Vec<&Pair> = pairs
            .iter()
            .enumerate()
            .filter(|(index, _)| set >> index & 1 == 1)
            .map(|(_, pair)| pair)
            .collect();
        let count = |wanted: &dyn Fn(&Pair) -> bool| {
            picked.iter().filter(|pair| wanted(pair)).count() as u32
        };
        let fits = (0..wants.len()).all(|left| count(&|pair| pair.left == left) <= wants[left])
            && (0..takes.len()).all(|right| count(&|pair| pair.right == right) <= takes[right]);
        let cost: u32 = picked.iter().map(|pair| pair.cost).sum();
        if fits && (picked.len() > best.0 || (picked.len() == best.0 && cost < best.1)) {
            best = (picked.len(), cost);
        }
    }
    best
}

proptest! {
    #[test]
    fn no_other_set_of_pairs_is_larger_or_cheaper(
        wants in prop::collection::vec(0..3_u32, 3),
        takes in prop::collection::vec(0..3_u32, 4),
        costs in prop::collection::vec(prop::option::of(0..9_u32), 12),
    ) {
        let pairs: Vec<Pair> = costs
            .iter()
            .enumerate()
            .filter_map(|(index, cost)| Some(Pair { left: index / 4, right: index % 4, cost: (*cost)? }))
            .collect();
        let found = cheapest_pairs(&wants, &takes, &pairs);
        let total = found.iter().map(|pair| pair.cost).sum::<u32>();
        prop_assert_eq!((found.len(), total), by_trying(&wants, &takes, &pairs));
    }
}

#[test]
fn what_may_not_be_says_why() {
    let quick = Cow {
        tempo: Tempo::Quick,
        ..cow(1)
    };
    let slow_horse = Horse {
        tempo: Tempo::Slow,
        ..horse(1)
    };
    assert_eq!(
        cost(&slow_horse, &quick),
        Err(NotForIt::TooQuick),
        "two steps"
    );
    assert!(cost(&horse(1), &quick).is_ok(), "one step");
    let corrected = Horse {
        corrected: true,
        ..horse(1)
    };
    assert_eq!(
        cost(&corrected, &cow(1)),
        Err(NotForIt::TooQuick),
        "the slow one"
    );
    let slow = Cow {
        tempo: Tempo::Slow,
        ..cow(1)
    };
    assert_eq!(cost(&corrected, &slow).unwrap().1, TempoAgainstDue::AsDue);
    assert_eq!(
        cost(
            &horse(1),
            &Cow {
                honesty: 0.49,
                ..cow(1)
            }
        ),
        Err(NotForIt::Done)
    );
    assert_eq!(
        cost(
            &horse(1),
            &Cow {
                sorted_off: true,
                ..cow(1)
            }
        ),
        Err(NotForIt::SortedOff)
    );
    assert_eq!(
        cost(
            &horse(1),
            &Cow {
                works_left: 0,
                ..cow(1)
            }
        ),
        Err(NotForIt::AtItsCap)
    );
    let first = Horse {
        first: true,
        ..horse(1)
    };
    assert_eq!(
        cost(
            &first,
            &Cow {
                wild: true,
                ..slow.clone()
            }
        ),
        Err(NotForIt::TooWild)
    );
    assert!(cost(&first, &slow).is_ok());
}

#[test]
fn a_day_gives_each_horse_other_cows_and_no_cow_too_many() {
    let horses: Vec<Horse> = (0..8)
        .map(|n| Horse {
            works: 2,
            ..horse(n)
        })
        .collect();
    let cattle: Vec<Cow> = (0..9).map(cow).collect();
    let day = match_day(&horses, &cattle).unwrap();
    assert_eq!(day.pairs.len(), 16);
    assert!(day.left_out.is_empty());
    for one in &horses {
        let mut own: Vec<Uuid> = day
            .pairs
            .iter()
            .filter(|pair| pair.horse_id == one.horse_id)
            .map(|pair| pair.cow_id)
            .collect();
        own.dedup();
        assert_eq!(own.len(), 2, "no cow twice");
    }
    for one in &cattle {
        assert!(
            day.pairs
                .iter()
                .filter(|pair| pair.cow_id == one.cow_id)
                .count()
                <= 2
        );
    }
    assert_eq!(match_day(&horses, &cattle).unwrap(), day, "always the same");
}

#[test]
fn who_is_left_out_is_told_why() {
    let horses = [
        Horse {
            corrected: true,
            tempo: Tempo::Slow,
            works: 2,
            ..horse(1)
        },
        horse(2),
    ];
    let slow = Cow {
        tempo: Tempo::Slow,
        works_left: 1,
        ..cow(1)
    };
    let cattle = [
        slow,
        Cow {
            honesty: 0.3,
            ..cow(2)
        },
        Cow {
            sorted_off: true,
            ..cow(3)
        },
    ];
    let day = match_day(&horses, &cattle).unwrap();
    assert_eq!(day.pairs.len(), 1);
    let left: u32 = day.left_out.iter().map(|one| one.works).sum();
    assert_eq!(left, 2);
    let first = &day.left_out[0];
    assert!(
        first.because.contains(&(NotForIt::SortedOff, 1)),
        "{first:?}"
    );
    assert!(first.because.contains(&(NotForIt::Done, 1)));
    let twice = match_day(&[horse(1), horse(1)], &[]).unwrap_err();
    assert_eq!(twice.field, "/horses/1/horse_id");
    let wrong = match_day(
        &[],
        &[Cow {
            honesty: 1.5,
            ..cow(1)
        }],
    )
    .unwrap_err();
    assert_eq!(wrong.field, "/cattle/0/honesty");
}
