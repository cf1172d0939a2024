//! What must hold of the history of levels, whatever happens to the horse.

use cavesson_base::Side;
use cavesson_judge::judge::held::Phase;
use cavesson_judge::judge::held::change::{Because, Moved};
use cavesson_judge::judge::{HorseFile, Standing, Verdict, judge_horse};
use proptest::prelude::*;

use crate::held::stories::any_held_story;
use cavesson_told::day;
use cavesson_told::horse_told::{Told, index, ladder, level};

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
    use cavesson_judge::judge::horse::carry_over;
    use cavesson_reps::ladder::{Gate, Ladder};
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
            .map(|change| (cavesson_told::horse_told::since(change.day), change.moved))
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
