//! Horses to which anything happens, for what must hold of all of them.

use cavesson_judge::judge::{Overrule, Verdict};
use cavesson_reps::horse::{CareKind, CareNote};
use proptest::prelude::*;
use uuid::Uuid;

use cavesson_told::day;
use cavesson_told::horse_told::{Told, level};

/// Levels that stand on each other, the brake among them.
pub const LEVELS: [&str; 10] = [
    "start.bend-ground/stand",
    "start.brake/stand",
    "start.brake/walk",
    "start.brake/jog",
    "bend.flex/stand",
    "bend.forward-circle/walk",
    "bend.forward-circle/jog",
    "bend.hip/stand",
    "bend.hip/walk",
    "frame.poll/stand",
];

/// A horse to which anything happens in any order: rides on any of the levels with any
/// answers, words, flags of pain.
fn any_story() -> impl Strategy<Value = Told> {
    let ride = (
        0i64..50,
        0..LEVELS.len(),
        0u32..256,
        0u32..256,
        1usize..8,
        0.3..1.0f64,
    );
    let word = (0i64..50, 0..LEVELS.len(), any::<bool>());
    let flag = (0i64..50, 1i64..8);
    (
        prop::collection::vec(ride, 5..60),
        prop::collection::vec(word, 0..4),
        prop::collection::vec(flag, 0..2),
        prop::option::of(0..LEVELS.len()),
    )
        .prop_map(|(rides, words, flags, placed)| {
            let placed = placed.map(|at| LEVELS[at]);
            let mut told = placed.map_or_else(Told::default, |path| Told::placed(0, &[path]));
            for (after, at, left, right, asks, share) in rides {
                // Mostly as soft as the horse is, from the bits.
                let answers = |bits: u32| -> String {
                    let soft = |ask: usize| f64::from((bits >> ask) & 1) < share || ask % 3 == 1;
                    (0..asks)
                        .map(|ask| if soft(ask) { 's' } else { 'm' })
                        .collect()
                };
                told = told.ride(after, LEVELS[at], &answers(left), &answers(right));
            }
            for (number, (after, at, counts)) in words.into_iter().enumerate() {
                told.file.overrules.push(Overrule {
                    overrule_id: Uuid::from_u128(number as u128),
                    level: level(LEVELS[at]),
                    day: day(after),
                    judge_said: Verdict::Confirm,
                    counts_as: if counts {
                        Verdict::Advance
                    } else {
                        Verdict::Stay
                    },
                    reason: "seen it".into(),
                });
            }
            told.file.overrules.sort_by_key(|overrule| overrule.day);
            for (number, (after, days)) in flags.into_iter().enumerate() {
                told.file.care.push(CareNote {
                    care_id: Uuid::from_u128(number as u128),
                    kind: CareKind::Pain,
                    day: day(after),
                    cleared_on: Some(day(after + days)),
                    text: String::new(),
                    again_days: None,
                });
            }
            told
        })
}

/// Solidly soft rides up a chain of levels, so that much is held before things go wrong.
pub fn any_held_story() -> impl Strategy<Value = Told> {
    (any_story(), 0usize..LEVELS.len()).prop_map(|(story, up_to)| {
        let mut told = story;
        for (number, path) in LEVELS[..=up_to].iter().enumerate() {
            let from = number as i64 * 2;
            told = told.rides(
                (from..from + 12).map(|day| day - 40),
                path,
                "sssss",
                "sssss",
            );
        }
        told
    })
}
