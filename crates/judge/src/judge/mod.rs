//! The judge: from the asks of a horse, its program and a date to a verdict for
//! every level, with every reason and what it would take. Pure: the same input
//! gives the same verdict, whatever order the reps arrived in.
//!
//! | module | holds |
//! |---|---|
//! | [`window`], [`item`] | the asks a gate looks at; the rails by what they ask for |
//! | [`reason`] | every reason of a verdict, with its place |
//! | [`rails`], [`gate_check`] | each rail, found against needed; the gate with all figures |
//! | [`risk`](mod@risk) | how often a gate like this one was wrong |
//! | [`history`] | a level day by day |
//! | `coming_days` | days put behind the known ones, to see whether the gate passes then |
//! | [`what_it_takes`] | the least that would fill the gate |
//! | [`forecast`] | rides until it is filled, as a range |
//! | [`held`], [`held_words`] | gained, in doubt, lost, regained: where a level stands; how it is said |
//! | [`by_day`] | what is known of a horse, laid out by its days |
//! | [`brake`] | how fast the horse may be ridden |
//! | [`caution`] | who should look first |
//! | [`verdict`] | verdicts and states, in the given order |
//! | [`horse_file`], [`standing`] | what is known of a horse; where a level of it stands |
//! | [`horse`] | every level of a horse in one walk |
//! | [`judged_before`] | an earlier judgement, and how much of it still holds |
//! | [`level`] | one level with everything that is said of it |
//! | [`hole`] | the missing piece under the faults |
//! | [`intake`] | levels shown at intake, until first asks confirm them |
//! | [`overrule`], [`outcome`](mod@outcome) | the trainer's last word, and how it turned out |
//! | [`next`] | the one thing to do next |
//! | [`track`] | a horse's tracks at a glance, for the barn board |
//! | [`sides`] | left against right, level by level |
//! | [`soft_map`] | where it is soft, now against before |
//! | [`words`] | how it is said |

pub mod brake;
pub mod by_day;
pub mod caution;
mod coming_days;
pub mod forecast;
pub mod gate_check;
pub mod held;
pub mod held_words;
pub mod history;
pub mod hole;
pub mod horse;
pub mod horse_file;
pub mod intake;
pub mod item;
pub mod judged_before;
pub mod level;
pub mod next;
pub mod outcome;
pub mod overrule;
pub mod rails;
pub mod reason;
pub mod risk;
pub mod sides;
pub mod soft_map;
pub mod standing;
pub mod track;
pub mod verdict;
pub mod what_it_takes;
pub mod window;
pub mod words;

pub use brake::{BrakeChain, BrakeLimit};
pub use caution::Caution;
pub use forecast::{Forecast, forecast};
pub use gate_check::GateCheck;
pub use held::drop::DropAnswer;
pub use held::placing::Placing;
pub use history::DayVerdict;
pub use hole::{FaultEvidence, FoundHole, faults_seen, holes};
pub use horse::judge_horse;
pub use horse_file::{Carried, CarriedLevel, HorseFile, RideFacts};
pub use intake::{KeptIntake, ShownAtIntake};
pub use item::{Item, ItemKind};
pub use level::{Judgement, judge_level, judge_reps};
pub use outcome::Outcome;
pub use overrule::Overrule;
pub use reason::Reason;
pub use risk::Risk;
pub use standing::{SideCount, Standing};
pub use verdict::{State, Verdict};
pub use what_it_takes::{StillNeeded, WhatItTakes};
