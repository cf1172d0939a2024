//! What must hold of the history of levels, whatever happens to the horse.

use cavesson_core::Side;
use cavesson_core::horse::{CareKind, CareNote};
use cavesson_core::judge::held::Phase;
use cavesson_core::judge::held::change::{Because, Moved};
use cavesson_core::judge::horse::{JudgedBefore, judge_horse_after};
use cavesson_core::judge::{HorseFile, Overrule, Standing, Verdict, judge_horse};
use proptest::prelude::*;
use uuid::Uuid;

use crate::barn::day;
use crate::told::{Told, index, ladder, level};

/// Levels that stand on each other, the brake among them.
const LEVELS: [&str; 10] = [
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
fn any_held_story() -> impl Strategy<Value = Told> {
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

fn counting(standings: &[Standing]) -> Vec<bool> {
    standings.iter().map(Standing::counts_as_held).collect()
}

/// All that an evening says of a level, but for figures.
fn said(standing: &Standing) -> String {
    format!(
        "{:?} {:?} {:?} {:?} {:?}",
        standing.verdict,
        standing.state,
        standing.retention,
        standing.history.changes,
        standing.history.days
    )
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 96, ..ProptestConfig::default() })]

    #[test]
    fn what_counts_as_held_stands_on_what_counts_as_held(told in any_held_story(), after in 0i64..60) {
        let standings = told.on(after);
        let counts = counting(&standings);
        for (_, level) in ladder().levels.iter().enumerate().filter(|(at, _)| counts[*at]) {
            prop_assert!(level.below.is_none_or(|below| counts[below]), "{} without what is below", level.name);
            for need in &level.needs {
                prop_assert!(need.iter().any(|one| counts[*one]), "{} without a need", level.name);
            }
        }
    }

    #[test]
    fn time_alone_makes_nothing_better(told in any_held_story(), days in prop::sample::select(vec![1i64, 3, 8, 21, 22, 61, 400])) {
        let (then, later) = (told.on(60), told.on(60 + days));
        for (before, after) in then.iter().zip(&later) {
            let name = &ladder().levels[before.index].name;
            prop_assert!(before.counts_as_held() || !after.counts_as_held(), "{name} came back by itself");
            prop_assert!(before.verdict == Verdict::Advance || after.verdict != Verdict::Advance, "{name} advances by itself");
            prop_assert_eq!(before.history.hold.phase, after.history.hold.phase);
            prop_assert_eq!(&before.history.changes, &after.history.changes, "{} moved", name);
        }
    }

    /// Whoever is told to move on holds the level, unless the trainer keeps it back.
    #[test]
    fn an_advance_is_held(told in any_held_story(), after in 0i64..60) {
        for standing in told.on(after) {
            if standing.verdict == Verdict::Advance {
                let phase = standing.history.hold.phase;
                prop_assert!(phase == Phase::Held || phase == Phase::KeptBack, "{phase:?}");
            }
        }
    }

    #[test]
    fn a_loss_names_asks_that_are_there(told in any_held_story()) {
        let file = told.file();
        for standing in told.on(60) {
            let asks = &file.asks[standing.index];
            for change in standing.history.changes.iter().filter(|change| change.moved == Moved::Lost) {
                match &change.because {
                    Because::Missed(missed) => {
                        let of_side = asks.iter().filter(|ask| missed.side == Side::Both || ask.side == missed.side);
                        let named = of_side.filter(|ask| (missed.from..=change.day).contains(&ask.day));
                        let bad = named.filter(|ask| !ask.soft).count() as u32;
                        prop_assert!(missed.missed >= 2 && bad >= missed.missed, "{missed:?} of {bad}");
                    }
                    Because::Contradicted { missed, asked } => prop_assert!(*missed >= 1 && asked >= missed),
                    other => prop_assert!(false, "lost because {other:?}"),
                }
                prop_assert!(asks.iter().any(|ask| ask.day == change.day && !ask.soft), "on the day itself");
            }
        }
    }

    /// What happens later changes nothing of what was told before.
    #[test]
    fn nothing_is_dated_back(told in any_held_story(), after in 0i64..50) {
        let (then, now) = (told.on(after), told.on(60));
        for (before, later) in then.iter().zip(&now) {
            let until: Vec<_> = later.history.changes.iter().filter(|change| change.day <= day(after)).collect();
            prop_assert_eq!(before.history.changes.iter().collect::<Vec<_>>(), until);
        }
    }

    /// A further ask costs what it adds, and says the same as all of it judged anew: asks come
    /// late, are changed and taken back.
    #[test]
    fn judged_on_from_before_is_judged_whole(
        told in any_held_story(), more in (0i64..50, 0..LEVELS.len()), drop in 0usize..400, turn in 0usize..400, on in 40i64..60,
    ) {
        let before = told.file();
        let before_on = day(on - 3);
        let judged = judge_horse(ladder(), &before, before_on);
        let mut changed = told.clone().ride(more.0, LEVELS[more.1], "sms", "ssm");
        let reps = changed.reps.len();
        changed.reps.remove(drop % reps);
        let turned = turn % changed.reps.len();
        let path = changed.reps[turned].level().to_string();
        changed.reps[turned].measure = crate::told::answer(&path, turn % 2 == 0);
        let file = changed.file();
        let known = JudgedBefore { file: &before, standings: &judged, on: before_on };
        let on_from = judge_horse_after(ladder(), &file, day(on), Some(known));
        let whole = judge_horse(ladder(), &file, day(on));
        for (one, other) in on_from.iter().zip(&whole) {
            prop_assert_eq!(said(one), said(other));
            prop_assert_eq!(one.history.readiness, other.history.readiness);
            prop_assert_eq!(&one.history.hold, &other.history.hold);
        }
    }

    #[test]
    fn the_order_in_which_asks_arrive_does_not_matter(told in any_held_story(), turn in 0usize..400) {
        let mut turned = told.clone();
        let by = turn % turned.reps.len();
        turned.reps.rotate_left(by);
        for (one, other) in told.on(60).iter().zip(&turned.on(60)) {
            prop_assert_eq!(said(one), said(other));
        }
    }
}

/// A new program from a day on: what was gained stays, what opens by it is gained on that day,
/// and not before.
#[test]
fn a_new_reading_of_old_asks_carries_the_day_of_the_change() {
    use cavesson_core::judge::horse::carry_over;
    use cavesson_core::ladder::{Gate, Ladder};
    let flex = "bend.flex/stand";
    let told = Told::placed(0, &["start.bend-ground/stand"]).rides(1..=8, flex, "sssms", "sssms");
    let with = |soft_share: f64| -> Ladder {
        let mut other = ladder().clone();
        let gate = Gate {
            soft_share,
            low_share: 0.0,
            ..other.levels[index(flex)].gate
        };
        other.set_gate(&level(flex), gate);
        other
    };
    let (strict, easy) = (with(0.95), with(0.75));
    let moves = |of: &Ladder, file: &HorseFile| -> Vec<(i64, Moved)> {
        let standing = judge_horse(of, file, day(20)).remove(index(flex));
        let changes = standing.history.changes.iter();
        changes
            .map(|change| (crate::told::since(change.day), change.moved))
            .collect()
    };
    assert_eq!(moves(&strict, &told.file()), []);
    let mut eased = told.file();
    eased.carried = Some(carry_over(&strict, &eased, day(15)));
    assert_eq!(moves(&easy, &eased), [(15, Moved::Gained)]);
    let mut harder = told.file();
    harder.carried = Some(carry_over(&easy, &harder, day(15)));
    let gained = moves(&strict, &harder);
    assert_eq!(gained.len(), 1);
    assert!(
        gained[0].0 < 15 && gained[0].1 == Moved::Gained,
        "it stays gained: {gained:?}"
    );
}
