//! The calculators, held against what it says of itself, against published figures, and against readings
//! of the rules that know nothing of its code.
//!
//! - [`calculator_judge`]: the calculator `judge` takes what is known of a horse beside its reps: what the page takes along is judged by it
//! - [`calculators`]: the calculators: results, and the documented error for bad input

mod calculator_judge;
#[cfg(feature = "schema")]
mod calculators;
