//! A horse: what is written down of it, what it is meant for, what judge and trainer said.
//!
//! - [`horses`]: the horses of a barn
//! - [`goal`]: what they are meant for
//! - [`program`]: schools and changed gates
//! - [`horse_program`]: which horse is on them since when
//! - [`known`]: what is known of a horse, by version
//! - [`kept_verdict`]: what the judge said
//! - [`overrule`]: what the trainer said
//! - [`placing`]: where a horse was placed by hand
//! - [`drop_answer`]: who looked at a side that dropped
//! - [`care`]: notes of care
//! - [`card_block`]: blocks for a coming day
//! - [`load`]: what the load of rides is made of
//! - [`rider_offset`]: how riders differ

pub mod card_block;
pub mod care;
pub mod drop_answer;
pub mod goal;
pub mod horse_program;
pub mod horses;
pub mod kept_verdict;
pub mod known;
pub mod load;
pub mod overrule;
pub mod placing;
pub mod program;
pub mod rider_offset;
