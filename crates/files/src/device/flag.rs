//! A mechanical flag: what it is told and what it says, line by line.
//!
//! Told: `clear`, `move <feet> <feet a second> <feet a second squared> <seconds>` (goes there and
//! then stands so long; added to what it is to do), `start`, `stop`, `speed <percent>`. Says: `flag
//! <feet>` (how far it can go) once, then `at <milliseconds> <feet> <feet a second> <state>
//! <moves left>` while somebody listens; the state is `stands`, `runs` or `stopped`. Each line ends
//! with a blank and the sum of all bytes before it, modulo 256, in two hexadecimal digits.
//!
//! # Source
//! The protocol is this product's own, for the simulated flag that ships with it.

use serde::{Deserialize, Serialize};

use super::line::{BadLine, summed, unsummed};
use crate::bounds::{FLAG_AT_FT, FLAG_FT, FLAG_FT_S, FLAG_SPEED_PCT, FieldError};
use crate::cattle::flag::{FlagMove, FlagWanted, Move, pace, program};
use crate::word_enum::word_enum;

word_enum! {
    /// What the flag does.
    FlagState {
        /// Stands, and goes on when its pause is over or something is told.
        Stands = "stands",
        /// Moves.
        Runs = "runs",
        /// Was stopped: it stands until it is started.
        Stopped = "stopped",
    }
}

/// What the flag says.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum FlagLine {
    /// How far it can go, in feet.
    Flag(f64),
    /// Where it is.
    At(FlagAt),
}

/// Where the flag is.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct FlagAt {
    /// Milliseconds of its own clock.
    pub at_ms: u64,
    /// Feet along its line.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
    pub at_ft: f64,
    /// Its speed in feet a second; below 0 goes back.
    #[cfg_attr(feature = "schema", schema(minimum = -40, maximum = 40))]
    pub speed_ft_s: f64,
    /// What it does.
    pub state: FlagState,
    /// Moves it has still to do.
    pub moves_left: u32,
}

impl FlagAt {
    /// Checks what comes from outside.
    ///
    /// # Errors
    /// A number that no flag has.
    pub fn check(&self) -> Result<(), FieldError> {
        FLAG_AT_FT.check("/at_ft", self.at_ft)?;
        FLAG_FT_S.check("/speed_ft_s", self.speed_ft_s).map(|_| ())
    }
}

impl FlagLine {
    /// Reads a line.
    ///
    /// # Errors
    /// Why it is none.
    pub fn read(line: &str) -> Result<FlagLine, BadLine> {
        let text = unsummed(line)?;
        let words: Vec<&str> = text.split(' ').collect();
        match words[..] {
            ["flag", feet] => Ok(FlagLine::Flag(number(feet, "feet")?)),
            ["at", ms, feet, speed, state, left] => Ok(FlagLine::At(FlagAt {
                at_ms: number(ms, "milliseconds")?,
                at_ft: number(feet, "feet")?,
                speed_ft_s: number(speed, "speed")?,
                state: FlagState::from_word(state)
                    .ok_or_else(|| BadLine::Word(state.to_owned(), "state"))?,
                moves_left: number(left, "number of moves")?,
            })),
            _ => Err(BadLine::Words),
        }
    }
}

fn number<N: std::str::FromStr>(word: &str, what: &'static str) -> Result<N, BadLine> {
    word.parse()
        .map_err(|_| BadLine::Word(word.chars().take(20).collect(), what))
}

/// What the flag is to do.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "order", rename_all = "snake_case", deny_unknown_fields)]
pub enum FlagOrder {
    /// Runs a program from where it stands, its first move from the middle.
    Program(FlagWanted),
    /// Goes to a place and stands there.
    Go {
        /// Feet along its line.
        #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
        to_ft: f64,
        /// How quick.
        level: crate::rep::turn::Tempo,
    },
    /// Stops as quickly as it can.
    Stop,
    /// Goes on with what it was to do.
    Start,
    /// All of its moves so much slower.
    Speed {
        /// Percent of the speed it was told.
        #[cfg_attr(feature = "schema", schema(minimum = 25, maximum = 100))]
        percent: u32,
    },
}

/// Seconds it stands in the middle before a program begins.
const READY_S: f64 = 2.0;
/// How it goes to where a program begins.
const TO_BEGIN: (f64, f64) = (4.0, 4.0);

impl FlagOrder {
    /// The lines that tell it.
    ///
    /// # Errors
    /// A number out of bounds.
    pub fn lines(&self) -> Result<Vec<String>, FieldError> {
        let plain = |words: &[&str]| words.iter().map(|word| summed(word)).collect();
        Ok(match self {
            FlagOrder::Stop => plain(&["stop"]),
            FlagOrder::Start => plain(&["start"]),
            FlagOrder::Speed { percent } => {
                FLAG_SPEED_PCT.check("/percent", f64::from(*percent))?;
                vec![summed(&format!("speed {percent}"))]
            }
            FlagOrder::Go { to_ft, level } => {
                FLAG_AT_FT.check("/to_ft", *to_ft)?;
                let pace = pace(*level);
                told(&[(*to_ft, (pace.speed_ft_s, pace.acceleration_ft_s2), 0.0)])
            }
            FlagOrder::Program(wanted) => {
                FLAG_FT.check("/width_ft", wanted.width_ft)?;
                told(&steps(wanted, &program(wanted)?))
            }
        })
    }
}

type Step = (f64, (f64, f64), f64);

/// A program as the flag is told it: each move with the pause after it.
fn steps(wanted: &FlagWanted, moves: &[Move]) -> Vec<Step> {
    let mut steps: Vec<Step> = vec![(wanted.width_ft / 2.0, TO_BEGIN, READY_S)];
    for one in moves {
        if one.kind == FlagMove::Pause {
            if let Some(before) = steps.last_mut() {
                before.2 += one.lasts_s;
            }
            continue;
        }
        let pace = one.pace(wanted.level);
        steps.push((one.to_ft, (pace.speed_ft_s, pace.acceleration_ft_s2), 0.0));
    }
    steps
}

fn told(steps: &[Step]) -> Vec<String> {
    let mut lines = vec![summed("clear")];
    lines.extend(steps.iter().map(|(to_ft, (speed, acceleration), waits_s)| {
        summed(&format!(
            "move {to_ft:.3} {speed:.3} {acceleration:.3} {waits_s:.3}"
        ))
    }));
    lines.push(summed("start"));
    lines
}
