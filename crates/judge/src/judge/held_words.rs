//! How it is said that a level was gained, is in doubt, was lost, is back.

use super::held::change::{Because, Change, Moved};
use super::held::hold::{Hold, Phase};
use super::held::safety::{CLEAN_DAYS, IN_A_ROW};
use super::held::saying::HeldBy;
use super::held::score::{AgainstSide, LOST_AT, Missed};
use super::standing::Standing;
use crate::Side;
use crate::horse::Sex;
use crate::ladder::{Ladder, Level};
use crate::wording::{capital, count, days, lower, on_weekday, pronouns};

/// What a level's own state makes of its verdict; none where its gate says it all.
pub fn verdict(standing: &Standing, ladder: &Ladder, sex: Option<Sex>) -> Option<String> {
    let hold = &standing.history.hold;
    if hold.lighter.is_some() {
        return Some(
            "Too much for its first days: shorter, lighter, quit on the first good one.".to_owned(),
        );
    }
    if hold.phase == Phase::Lost {
        return Some(lost(hold));
    }
    if !hold.is_held() {
        return None;
    }
    if let Some((_, need)) = &hold.waiting {
        let need = name(ladder, need);
        return Some(format!(
            "Waits for {need}. Don't ask it faster until that is back."
        ));
    }
    if hold.retest.is_some() {
        let he = capital(pronouns(sex).he);
        return Some(format!(
            "{he} has back what it rests on. Test it cold: the first ask on each side."
        ));
    }
    if hold.eased.is_some() {
        return Some(
            "On the way back up: it counts again once first asks are soft on two of three days."
                .to_owned(),
        );
    }
    let missed = hold.in_doubt?;
    Some(format!(
        "In doubt: {}. Nothing above it moves up until it's soft again.",
        not_soft(&missed)
    ))
}

/// That a level is lost, and what brings it back.
fn lost(hold: &Hold) -> String {
    let why = hold.lost.as_ref().map_or_else(
        || "Lost".to_owned(),
        |change| {
            format!(
                "Lost {}: {}",
                on_weekday(change.day),
                because(&change.because, None)
            )
        },
    );
    if hold.is_safety() {
        format!(
            "{why}. Back at {IN_A_ROW} soft in a row on each side and {} without a miss.",
            days(CLEAN_DAYS)
        )
    } else {
        format!("{why}. Working again: the whole gate, from here on.")
    }
}

/// Answers that were not soft: "4 of the last 6 on the right weren't soft".
pub fn not_soft(missed: &Missed) -> String {
    let side = match missed.side {
        Side::Both => String::new(),
        side => format!(" on the {}", side.word()),
    };
    let were = if missed.missed == 1 {
        "wasn't"
    } else {
        "weren't"
    };
    format!(
        "{} of the last {}{side} {were} soft",
        missed.missed, missed.asked
    )
}

/// What stands against a side, as a trainer can count it.
pub fn against(side: &AgainstSide) -> String {
    let way = match side.side {
        Side::Both => String::new(),
        side => format!("{}: ", capital(side.word())),
    };
    let points = count(side.points, "point");
    let rest = side.lost_at.saturating_sub(side.points);
    let misses = count(rest.div_ceil(super::held::score::FOR_A_MISS), "more miss")
        .replace("misss", "misses");
    if side.points >= side.in_doubt_from {
        format!(
            "{way}{points} against it, in doubt. {} and it's lost.",
            capital(&misses)
        )
    } else {
        format!(
            "{way}{points} against it; in doubt from {}, lost at {LOST_AT}.",
            side.in_doubt_from
        )
    }
}

/// What a level rests on, where that is not its gate.
pub fn held_by(hold: &Hold, ladder: &Ladder) -> Option<String> {
    if let Some(above) = &hold.covered_by {
        let above = name(ladder, above);
        return Some(match hold.by {
            HeldBy::Word => {
                format!("Counts as held, trainer's call on what stands on it: {above}.")
            }
            _ => format!("Counts as held with what stands on it: {above}."),
        });
    }
    (hold.held_by()? == HeldBy::Placed)
        .then(|| "Placed by hand: the first ask on each side confirms it.".to_owned())
}

/// One change in a sentence.
pub fn change(change: &Change, ladder: &Ladder) -> String {
    let because = because(&change.because, Some(ladder));
    match change.moved {
        Moved::Gained => format!("Gained: {because}."),
        Moved::Regained => format!("Held again: {because}."),
        Moved::InDoubt => format!("In doubt: {because}."),
        Moved::Cleared => format!("No longer in doubt: {because}."),
        Moved::Lost => format!("Lost: {because}."),
        Moved::Eased => format!("Eased back: {because}."),
        Moved::EaseEnded => "Counts again: soft since.".to_owned(),
        Moved::Waiting => format!("Waiting: {because} isn't held."),
        Moved::Retest => format!("To be tested cold: {because} is back."),
        Moved::Retested if change.because == Because::Word => format!("Counts again: {because}."),
        Moved::Retested => "Counts again: soft when tested cold.".to_owned(),
        Moved::KeptBack => "Kept back, trainer's call.".to_owned(),
    }
}

fn because(because: &Because, ladder: Option<&Ladder>) -> String {
    let named =
        |level: &Level| ladder.map_or_else(|| level.to_string(), |ladder| name(ladder, level));
    match because {
        Because::Gate => "every rail was filled".to_owned(),
        Because::InARow => format!(
            "{IN_A_ROW} soft in a row on each side, {} without a miss",
            days(CLEAN_DAYS)
        ),
        Because::Word => "trainer's call".to_owned(),
        Because::Placed => "placed by hand".to_owned(),
        Because::Intake => "shown at intake".to_owned(),
        Because::Above { level } => format!("goes with {}", named(level)),
        Because::Missed(missed) => not_soft(missed),
        Because::Contradicted { missed, asked } => {
            format!(
                "{missed} of {} since weren't soft",
                count(*asked, "first ask")
            )
        }
        Because::Soft => "soft since".to_owned(),
        Because::Poor => "a poor ride".to_owned(),
        Because::Need { level } => named(level),
    }
}

fn name(ladder: &Ladder, level: &Level) -> String {
    ladder
        .at(level)
        .map_or_else(|| level.to_string(), |known| lower(&known.name))
}
