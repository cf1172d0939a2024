//! The intake in sentences: why an ask comes now, why something is still unknown, why
//! nothing more is asked.

use super::choice::{Chosen, NextAsk, Stop};
use super::safe::{Barrier, Known};
use super::unknown::Unknown;
use crate::horse::Sex;
use crate::wording::{capital, count, pronouns};

/// The next ask with its reason.
pub fn next(known: &Known<'_>, chosen: Chosen, sex: Option<Sex>) -> NextAsk {
    let level = &known.ladder.levels[chosen.index];
    NextAsk {
        level: level.level.clone(),
        name: level.name.clone(),
        side: chosen.side,
        gait: level.gait,
        soft_means: level.measure.soft_means(&level.gate.soft, level.gait),
        why: why(known, chosen, sex),
    }
}

fn why(known: &Known<'_>, chosen: Chosen, sex: Option<Sex>) -> String {
    let him = pronouns(sex);
    match chosen.clears {
        Some(Barrier::NotInTheSaddle) => "Before anybody gets on.".into(),
        Some(Barrier::NoBrake(gait)) => format!(
            "The brake on both sides, before anything else {}.",
            at_the(gait)
        ),
        Some(Barrier::NotLoose) => "Something slower first, to loosen, before the lope.".into(),
        _ if known.asked.answers[chosen.index].iter().all(Vec::is_empty) => {
            let waits = known.ladder.levels[chosen.index].opens.len();
            let hang = match waits {
                0 => String::new(),
                1 => ", and one level waits for it".into(),
                many => format!(", and {} wait for it", count(many as u32, "level")),
            };
            format!("{} may have it or not{hang}.", capital(him.he))
        }
        _ => "The other answer left it open.".into(),
    }
}

fn at_the(gait: crate::Gait) -> String {
    match gait {
        crate::Gait::Stand => "mounted".into(),
        gait => format!("at the {}", gait.word()),
    }
}

/// Why a level is still unknown.
pub fn unknown(known: &Known<'_>, unknown: Unknown, sex: Option<Sex>) -> String {
    let him = pronouns(sex);
    match unknown {
        Unknown::Barred(Barrier::BrakeLost) => known
            .brake
            .map_or_else(String::new, |brake| brake.text.clone()),
        Unknown::Barred(Barrier::PassedOver) => "Passed over.".into(),
        Unknown::Barred(Barrier::AskedEnough) => {
            "Asked, and the answers leave it open; ask again another day.".into()
        }
        Unknown::Barred(Barrier::NotAtHand(with)) => format!("Needs {}.", with.text()),
        Unknown::Barred(Barrier::Alone) => {
            "First rides are never alone: ask it with somebody there.".into()
        }
        Unknown::Barred(_) => "What it stands on is likely not there.".into(),
        Unknown::Waits(Barrier::NoBrake(gait)) => format!(
            "{} brake was not soft on both sides {}.",
            capital(him.his),
            at_the(gait)
        ),
        Unknown::Waits(_) => "Nobody got on.".into(),
        Unknown::NotAsked => "Not asked: there was no time, or other asks told more.".into(),
    }
}

/// Why nothing more is asked.
pub fn stop(stop: Stop, sex: Option<Sex>) -> String {
    let him = pronouns(sex);
    match stop {
        Stop::Pain => format!(
            "Stop here: that may be pain. Have {} looked at before anything more is asked; \
             a vet, dentist, farrier or saddle fitter answers that.",
            him.him
        ),
        Stop::Minutes => "The minutes are used. What is still open waits for another ride.".into(),
        Stop::Sure => format!(
            "All that can be asked of {} today is known. Finish on something easy.",
            him.him
        ),
        Stop::NothingTells => {
            "Nothing more that can be asked today would tell much. Finish on something easy.".into()
        }
    }
}

/// A hole: what is shown past it, and how much waits for it.
pub fn hole(past: &str, waits: usize, sex: Option<Sex>) -> String {
    let him = pronouns(sex);
    let waiting = match waits {
        0 => String::new(),
        1 => " One level waits for it.".into(),
        many => format!(" {} wait for it.", capital(&count(many as u32, "level"))),
    };
    format!(
        "{} shows \"{past}\", but this is missing under it.{waiting}",
        capital(him.he)
    )
}
