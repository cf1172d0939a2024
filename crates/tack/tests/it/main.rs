//! Tack, held against what it says of itself, against published figures, and against readings
//! of the rules that know nothing of its code.
//!
//! - [`gear_rules`]: rules of the show ring row by row, and rides in the two-rein on days made by hand
//! - [`gear_statics`]: statics of bits: a table worked by hand (the algebra stands in each module), an independent solve of the same plane, and what holds for every bit
//! - [`gear_tack`]: pieces by their measures, how they sit on a horse, changing the bit, the way back, hands

mod gear_rules;
mod gear_statics;
mod gear_tack;
