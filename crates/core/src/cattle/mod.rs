//! Cattle: how honest a cow still is, which cow for which horse, when to leave the cattle, the
//! flag, and a cow to practise on.
//!
//! - [`honesty`]: a smoothed share of honest stops, with forgetting
//! - [`tempo`]: when a quicker or a slower cow is due
//! - [`leave`]: out of the pen to dry work
//! - [`matching`]: horses and cattle of a day, exactly
//! - [`flow`]: cheapest flow through pairs, used by it
//! - [`flag`]: moves of a mechanical cow, and where it is when
//! - [`round`]: a whole round on it, ridden again from its steering
//! - [`sense`]: a cow with a flight zone and a point of balance

pub mod flag;
pub mod flow;
pub mod honesty;
pub mod leave;
pub mod matching;
pub mod round;
pub mod sense;
pub mod tempo;
