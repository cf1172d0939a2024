//! Care that comes again. How often is common practice, no source; the days of a mare's
//! cycle (about 21) are those of veterinary handbooks on equine reproduction (from memory).

use cavesson_judge::judge::caution::{of_fast_work, of_horse, of_mouth};
use cavesson_reps::horse::care::due;
use cavesson_reps::horse::{CareKind, CareNote};
use jiff::ToSpan;
use jiff::civil::{Date, date};
use proptest::prelude::*;
use uuid::Uuid;

const TODAY: Date = date(2026, 6, 15);

fn note(kind: CareKind, days_ago: i64, again_days: Option<u16>) -> CareNote {
    CareNote {
        care_id: Uuid::nil(),
        kind,
        day: TODAY.checked_sub(days_ago.days()).unwrap(),
        cleared_on: None,
        text: String::new(),
        again_days,
    }
}

#[test]
fn it_is_due_when_the_horse_needs_it_and_overdue_the_day_after() {
    let feet = |days_ago, again| due(&[note(CareKind::Feet, days_ago, again)], &[], TODAY)[0];
    assert_eq!(feet(42, None).due, TODAY);
    assert!(!feet(42, None).overdue);
    assert!(feet(43, None).overdue);
    assert!(!feet(43, Some(56)).overdue);
    assert!(feet(29, Some(28)).overdue);
}

#[test]
fn the_last_note_counts_and_flags_do_not_come_again() {
    let notes = [
        note(CareKind::Teeth, 400, None),
        note(CareKind::Teeth, 30, Some(180)),
        note(CareKind::Pain, 400, None),
        note(CareKind::Feet, 10, None),
    ];
    let found = due(&notes, &[], TODAY);
    assert_eq!(
        found.iter().map(|one| one.kind).collect::<Vec<_>>(),
        [CareKind::Feet, CareKind::Teeth]
    );
    assert_eq!(found[1].due, TODAY.checked_add(150.days()).unwrap());
}

#[test]
fn a_season_comes_round_and_is_never_overdue() {
    let notes = [note(CareKind::InSeason, 50, None)];
    let found = due(&notes, &[], TODAY)[0];
    assert_eq!(found.due, TODAY.checked_add(13.days()).unwrap());
    assert!(!found.overdue);
    // Ridden in season since: the next is counted on from there.
    let ridden = [7, 6].map(|ago: i64| TODAY.checked_sub(ago.days()).unwrap());
    let found = due(&notes, &ridden, TODAY)[0];
    assert_eq!(found.due, TODAY.checked_add(14.days()).unwrap());
    assert_eq!(found.last, ridden[1]);
}

#[test]
fn overdue_teeth_hold_the_mouth_and_overdue_feet_hold_fast_work() {
    let notes = [
        note(CareKind::Teeth, 366, None),
        note(CareKind::Feet, 43, None),
        note(CareKind::Vet, 500, None),
    ];
    assert_eq!(of_mouth(&notes, TODAY).len(), 1);
    assert_eq!(of_fast_work(&notes, TODAY).len(), 1);
    assert_eq!(
        of_horse(&notes, &[], TODAY).len(),
        0,
        "a yearly look holds nothing"
    );
    let sooner = [note(CareKind::Teeth, 200, Some(180))];
    assert_eq!(of_mouth(&sooner, TODAY).len(), 1);
}

proptest! {
    /// What is due lies a whole number of intervals after the note, and never before it.
    #[test]
    fn due_lies_after_the_note(days_ago in 0i64..900, again in prop::option::of(7u16..1100), kind in 0usize..8) {
        let kind = CareKind::ALL[kind];
        let one = note(kind, days_ago, again);
        let found = one.due(&[], TODAY);
        let step = i64::from(again.or(kind.usual_days()).unwrap_or(1));
        let next = one.day.saturating_add((((days_ago.max(1) + step - 1) / step) * step).days());
        // None is reckoned with over the winter.
        if kind != CareKind::InSeason || (3..=10).contains(&next.month()) {
            prop_assert_eq!(found.is_some(), !kind.is_flag());
        }
        if let Some(found) = found {
            let apart = i64::from((found.due - one.day).get_days());
            prop_assert!(apart > 0 && apart % step == 0);
            prop_assert!(found.overdue == (found.due < TODAY));
        }
    }
}
