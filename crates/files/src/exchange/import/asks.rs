//! A row of the sheet of asks.

use uuid::Uuid;

use super::book::{AskOfRow, Book, measure};
use super::cells::{Cells, moment, yes};
use crate::Side;
use crate::id::{FaultId, Level, RungId, SkillId};
use crate::rep::{Answer, Give, HandWeight, Measure};
use crate::rows::{Row, RowError};

pub(super) fn row(row: &Row, book: &mut Book<'_>, id: &mut dyn FnMut() -> Uuid) -> Vec<RowError> {
    let mut cells = Cells::of(row);
    let of = book.ride_of_row(&mut cells);
    let at = moment(cells.text("asked_at"), book.known.now);
    let at = cells.keep("asked_at", at);
    let side = cells.kind("side", &Side::ALL, Side::word);
    let taken_back = yes(cells.text("taken_back"));
    let taken_back = cells.keep("taken_back", taken_back);
    let measured = match measure(row) {
        Ok(None) => give(&mut cells).map(Measure::Give),
        read => cells.keep("measure", read).flatten(),
    };
    let level = Level {
        skill: SkillId(cells.text("skill").to_owned()),
        rung: RungId(cells.text("rung").to_lowercase().replace(' ', "_")),
    };
    let faults = cells.text("faults").split_whitespace();
    let faults = faults.map(|fault| FaultId(fault.to_owned())).collect();
    if let Some(of) = of.filter(|_| cells.is_whole())
        && let Some(measure) = measured
    {
        let asked = AskOfRow {
            level,
            side: side.unwrap_or(Side::Both),
            measure,
            faults,
            at: at.flatten(),
            taken_back: taken_back.unwrap_or_default(),
        };
        book.ask(&of, asked, &mut cells, id);
    }
    cells.errors()
}

const HANDS: [(&str, HandWeight); 6] = [
    ("feather", HandWeight::Feather),
    ("fingertip", HandWeight::Fingertip),
    ("two_fingers", HandWeight::TwoFingers),
    ("closed_hand", HandWeight::ClosedHand),
    ("forearm", HandWeight::Forearm),
    ("pull", HandWeight::Pull),
];

const ANSWERS: [(&str, Answer); 10] = [
    ("gave", Answer::Gave),
    ("late", Answer::Late),
    ("did_not_give", Answer::DidNotGive),
    ("evaded_up", Answer::EvadedUp),
    ("evaded_down", Answer::EvadedDown),
    ("evaded_out", Answer::EvadedOut),
    ("evaded_behind", Answer::EvadedBehind),
    ("evaded_shoulder", Answer::EvadedShoulder),
    ("evaded_sideways", Answer::EvadedSideways),
    ("evaded_backed_off", Answer::EvadedBackedOff),
];

/// A give of its own cells.
fn give(cells: &mut Cells<'_>) -> Option<Give> {
    let hand = cells.word("hand", &HANDS);
    let answer = cells.word("answer", &ANSWERS).unwrap_or(Answer::Gave);
    let time_s = cells.number("time_s");
    if cells.text("hand").is_empty() {
        cells.say(
            "hand",
            "must be how much was in the hand, such as fingertip".into(),
        );
    }
    if cells.text("time_s").is_empty() {
        cells.say("time_s", "must be the seconds from ask to give".into());
    }
    Some(Give::new(hand?, time_s?, answer))
}
