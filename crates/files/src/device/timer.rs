//! Timing eyes: a pair of beams at the score line that say, line by line, when something
//! crossed them.
//!
//! A line is `<number> <event> <milliseconds> <sum>`: the number counts up from line to line,
//! the event is `start`, `finish` or `ready`, the milliseconds are the eyes' own clock, and the
//! sum is the sum of all bytes before its blank, modulo 256, in two hexadecimal digits.
//!
//! # Source
//! The protocol is this product's own, for the simulated eyes that ship with it. That a second
//! crossing within a second is the same horse, and that nobody runs a pattern in under 5 s:
//! product defaults.

use serde::{Deserialize, Serialize};

use super::line::{BadLine, summed, unsummed};
use crate::bounds::RUN_S;
use crate::word_enum::word_enum;

/// What an eye saw.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum EyeEvent {
    /// Something crossed the line going in.
    Start,
    /// Something crossed it coming home.
    Finish,
    /// The eyes see each other and wait.
    Ready,
}

impl EyeEvent {
    const ALL: [(EyeEvent, &'static str); 3] = [
        (EyeEvent::Start, "start"),
        (EyeEvent::Finish, "finish"),
        (EyeEvent::Ready, "ready"),
    ];

    fn word(self) -> &'static str {
        let found = EyeEvent::ALL.iter().find(|(event, _)| *event == self);
        found.map_or("ready", |(_, word)| word)
    }
}

/// A line of the eyes.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct EyeLine {
    /// Counts up from line to line.
    pub number: u32,
    /// What they saw.
    pub event: EyeEvent,
    /// Milliseconds of their own clock.
    pub at_ms: u64,
}

impl EyeLine {
    /// As the eyes write it, without the end of the line.
    pub fn written(&self) -> String {
        summed(&format!(
            "{} {} {}",
            self.number,
            self.event.word(),
            self.at_ms
        ))
    }

    /// Reads a line.
    ///
    /// # Errors
    /// Why it is none.
    pub fn read(line: &str) -> Result<EyeLine, BadLine> {
        let words: Vec<&str> = line.split_whitespace().collect();
        if words.len() != 4 {
            return Err(BadLine::Words);
        }
        let text = unsummed(line)?;
        let [number, event, at_ms] = text.split(' ').collect::<Vec<_>>()[..] else {
            return Err(BadLine::Words);
        };
        let bad = |word: &str, what| BadLine::Word(word.to_owned(), what);
        let known = EyeEvent::ALL.into_iter().find(|(_, word)| *word == event);
        Ok(EyeLine {
            number: number.parse().map_err(|_| bad(number, "number"))?,
            event: known.ok_or_else(|| bad(event, "event"))?.0,
            at_ms: at_ms.parse().map_err(|_| bad(at_ms, "time"))?,
        })
    }
}

word_enum! {
    /// What can go wrong at the eyes.
    EyeFault {
        /// The same horse broke the beam twice: the second is left out.
        DoubleTrigger = "double_trigger",
        /// A start while a run was under way: the run before has no time.
        StartedAgain = "started_again",
        /// A finish without a start.
        NoStart = "no_start",
        /// So soon after the start that it was no run.
        TooSoon = "too_soon",
        /// So late that it was no run.
        TooLate = "too_late",
        /// Lines are missing: a start or finish may be among them.
        LinesMissing = "lines_missing",
    }
}

/// A run that the eyes timed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct EyeRun {
    /// Seconds, to the thousandth.
    pub time_s: f64,
    /// What went wrong on the way; none for a clean run.
    pub faults: Vec<EyeFault>,
}

/// Makes runs of lines.
#[derive(Debug, Clone, Default)]
pub struct Eyes {
    last_number: Option<u32>,
    started_ms: Option<u64>,
    last_ms: Option<u64>,
    faults: Vec<EyeFault>,
}

/// A crossing so soon after another is the same horse.
pub const SAME_HORSE_MS: u64 = 1_000;

/// What a line led to.
#[derive(Debug, Clone, PartialEq)]
pub enum EyeSaid {
    /// Nothing to say.
    Nothing,
    /// A run is under way.
    UnderWay,
    /// A run is over.
    Timed(EyeRun),
    /// Something went wrong.
    Fault(EyeFault),
}

impl Eyes {
    /// Takes the next line.
    pub fn take(&mut self, line: EyeLine) -> EyeSaid {
        let missing = self
            .last_number
            .is_some_and(|last| line.number > last.wrapping_add(1));
        self.last_number = Some(line.number);
        if missing {
            self.faults.push(EyeFault::LinesMissing);
        }
        if line.event == EyeEvent::Ready {
            return if missing {
                EyeSaid::Fault(EyeFault::LinesMissing)
            } else {
                EyeSaid::Nothing
            };
        }
        let same = self
            .last_ms
            .is_some_and(|last| line.at_ms.saturating_sub(last) < SAME_HORSE_MS);
        if same {
            self.faults.push(EyeFault::DoubleTrigger);
            return EyeSaid::Fault(EyeFault::DoubleTrigger);
        }
        self.last_ms = Some(line.at_ms);
        match (line.event, self.started_ms) {
            (EyeEvent::Start, before) => {
                self.started_ms = Some(line.at_ms);
                self.faults.clear();
                if before.is_some() {
                    EyeSaid::Fault(EyeFault::StartedAgain)
                } else {
                    EyeSaid::UnderWay
                }
            }
            (_, None) => EyeSaid::Fault(EyeFault::NoStart),
            (_, Some(started)) => self.finished(line.at_ms.saturating_sub(started)),
        }
    }

    fn finished(&mut self, took_ms: u64) -> EyeSaid {
        let time_s = took_ms as f64 / 1000.0;
        if time_s < RUN_S.least {
            // A dog, a hat, the tractor: the run goes on.
            self.faults.push(EyeFault::TooSoon);
            return EyeSaid::Fault(EyeFault::TooSoon);
        }
        self.started_ms = None;
        let faults = std::mem::take(&mut self.faults);
        if time_s > RUN_S.most {
            return EyeSaid::Fault(EyeFault::TooLate);
        }
        EyeSaid::Timed(EyeRun { time_s, faults })
    }
}
