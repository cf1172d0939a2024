//! Times by hand: differences of the marks.

use cavesson_ground::tape::times::times;
use cavesson_ground::tape::{Mark, Tie};

use super::{film, mark, run, spot, tape};

#[test]
fn splits_end_at_the_backs_and_add_up_to_the_time() {
    let found = times(&tape(run()));
    assert_eq!(found.time_s, Some(17.25));
    assert_eq!(found.splits_s, [4.0, 3.0, 4.5, 5.75]);
    assert_eq!(found.splits_s.iter().sum::<f64>(), 17.25);
    assert_eq!(found.barrels[0].in_to_back_s, Some(0.5));
    assert_eq!(found.barrels[0].back_to_out_s, Some(0.75));
    assert!(found.to_mend.is_empty(), "{:?}", found.to_mend);
}

#[test]
fn what_is_missing_is_named_and_no_split_is_made_up() {
    let mut marks = run();
    marks.retain(|one| one.mark != Mark::Spot { barrel: 2, spot: 2 });
    let found = times(&tape(marks));
    assert_eq!(found.time_s, Some(17.25), "both lines are there");
    assert!(found.splits_s.is_empty());
    assert_eq!(found.to_mend, ["Mark spot 2 of barrel 2."]);
    assert!(times(&tape(Vec::new())).to_mend.is_empty(), "not begun");
}

#[test]
fn marks_out_of_order_are_said() {
    let mut marks = run();
    for one in &mut marks {
        if one.mark == (Mark::Spot { barrel: 1, spot: 1 }) {
            one.at_s = 6.5;
        }
    }
    let found = times(&tape(marks));
    assert_eq!(
        found.to_mend,
        ["In time, spot 1 of barrel 1 comes after spot 2 of barrel 1: the wrong way round."]
    );
    assert_eq!(found.barrels[0].in_to_back_s, None, "not below zero");
}

#[test]
fn other_turns_go_in_back_and_out() {
    let found = times(&tape(vec![
        mark(1.0, Mark::TurnIn),
        mark(1.5, Mark::TurnBack),
        mark(2.25, Mark::TurnOut),
        mark(4.0, Mark::TurnIn),
        mark(5.0, Mark::TurnOut),
    ]));
    assert_eq!(found.turns.len(), 2);
    assert_eq!(
        (found.turns[0].in_to_back_s, found.turns[0].back_to_out_s),
        (Some(0.5), Some(0.75))
    );
    assert_eq!(found.turns[1].in_to_back_s, None);
    assert_eq!(found.turns[1].back_to_out_s, None, "its back is not marked");
}

/// The second film runs 3 s behind: what it shows at 9 s is 12 s of the first.
#[test]
fn a_second_film_counts_in_the_first_ones_time_once_it_is_tied() {
    let mut both = tape(run());
    both.films.push(film());
    both.marks.retain(|one| one.mark != Mark::LineHome);
    let mut home = mark(16.25, Mark::LineHome);
    home.film = 1;
    both.marks.push(home);
    let loose = times(&both);
    assert_eq!(loose.time_s, None);
    assert!(
        loose
            .to_mend
            .iter()
            .any(|said| said.starts_with("Tie the two films"))
    );
    both.tie = Some(Tie {
        first_s: 12.0,
        second_s: 9.0,
    });
    assert_eq!(times(&both).time_s, Some(17.25));
}

#[test]
fn the_order_of_marking_does_not_matter() {
    let mut backward = run();
    backward.reverse();
    assert_eq!(times(&tape(backward)), times(&tape(run())));
    assert_eq!(times(&tape(vec![spot(1.0, 1, 2)])).splits_s, [0.0; 0]);
}
