//! Turns at a glance. Eight of ten: common practice, no source; counted here by hand and, as a
//! property, once more.

use cavesson_base::Side;
use cavesson_cattle::cattle::summary::{ComesApartBy, summary};
use cavesson_reps::rep::turn::{Position, Tempo, Turn};
use proptest::prelude::*;

use super::work::{LEAKED, PAST, RIGHT, TOSSED};

fn at(tempo: Tempo, side: Side, turns: &[Turn]) -> Vec<(Side, Turn)> {
    turns
        .iter()
        .map(|turn| (side, Turn { tempo, ..*turn }))
        .collect()
}

#[test]
fn it_holds_up_to_the_tempo_where_both_sides_do_and_comes_apart_after() {
    let mut turns = Vec::new();
    for tempo in [Tempo::Slow, Tempo::Medium] {
        turns.extend(at(tempo, Side::Left, &[RIGHT; 5]));
    }
    turns.extend(at(
        Tempo::Slow,
        Side::Right,
        &[RIGHT, RIGHT, RIGHT, RIGHT, PAST],
    ));
    turns.extend(at(Tempo::Medium, Side::Right, &[RIGHT, PAST, PAST, LEAKED]));
    let found = summary(&turns);
    assert_eq!(
        found.holds_up_to,
        Some(Tempo::Slow),
        "four of five are eight of ten"
    );
    let apart = found.comes_apart.unwrap();
    assert_eq!(
        (apart.tempo, apart.side, apart.by),
        (Tempo::Medium, Side::Right, ComesApartBy::Past)
    );
    let cell = found.cells[1];
    assert_eq!(
        (cell.tempo, cell.side, cell.turns, cell.good),
        (Tempo::Slow, Side::Right, 5, 4)
    );
    assert_eq!(cell.by_position, [0, 4, 0, 1]);
}

#[test]
fn of_two_sides_the_worse_one_is_named() {
    let mut turns = at(Tempo::Medium, Side::Left, &[RIGHT, RIGHT, RIGHT, PAST]);
    turns.extend(at(
        Tempo::Medium,
        Side::Right,
        &[RIGHT, TOSSED, TOSSED, PAST],
    ));
    let apart = summary(&turns).comes_apart.unwrap();
    assert_eq!((apart.side, apart.by), (Side::Right, ComesApartBy::Tossed));
}

#[test]
fn few_turns_say_nothing() {
    let found = summary(&at(Tempo::Slow, Side::Left, &[TOSSED; 3]));
    assert_eq!((found.holds_up_to, found.comes_apart), (None, None));
    let told = summary(&at(Tempo::Slow, Side::Left, &[TOSSED; 4]));
    assert_eq!(
        told.comes_apart.map(|apart| apart.by),
        Some(ComesApartBy::Tossed)
    );
    let one_side = summary(&at(Tempo::Slow, Side::Left, &[RIGHT; 9]));
    assert_eq!(one_side.holds_up_to, None, "the other side is not known");
    assert!(summary(&[]).cells.is_empty());
}

proptest! {
    /// Every turn is in one cell, and in one place of it.
    #[test]
    fn nothing_is_lost(picked in prop::collection::vec((0..3_usize, any::<bool>(), 0..4_usize), 0..60)) {
        let turns: Vec<(Side, Turn)> = picked
            .iter()
            .map(|(tempo, left, position)| {
                let side = if *left { Side::Left } else { Side::Right };
                let turn = Turn {
                    tempo: [Tempo::Slow, Tempo::Medium, Tempo::Quick][*tempo],
                    position: [Position::Short, Position::Even, Position::Long, Position::Past][*position],
                    ..RIGHT
                };
                (side, turn)
            })
            .collect();
        let found = summary(&turns);
        let all: u32 = found.cells.iter().map(|cell| cell.turns).sum();
        prop_assert_eq!(all as usize, turns.len());
        for cell in &found.cells {
            prop_assert_eq!(cell.by_position.iter().sum::<u32>(), cell.turns);
            prop_assert_eq!(cell.good, cell.by_position[1] + cell.by_position[2]);
        }
    }
}
