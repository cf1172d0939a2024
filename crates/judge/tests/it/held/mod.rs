//! Held is a state: gained, in doubt, lost, regained; the brake first.
//!
//! - [`brake`]: the brake that fails, its chain, its way back
//! - [`cautions`]: a side that dropped, until somebody answers
//! - [`forbidden`]: a checker that knows the rules of safety and nothing of the code
//! - [`judged_on`]: judged on from an earlier judgement, the same as judged whole
//! - [`machine`]: what must hold whatever happens
//! - [`naive`]: the history of a level told anew by a plain reading of the rules
//! - [`no_faster`]: road and intake go no faster than the brake
//! - [`points`]: what answers take off a held level, against a count by hand
//! - [`spoken_for`]: somebody who wants a failing brake to count, and says so every day
//! - [`steady`]: no alarm and no name without a reason
//! - [`stays`]: figures of what becomes of a level after it was gained
//! - [`stories`]: horses to which anything happens
//!
//! The rules are common practice of the trade, no source; the figures are product defaults.

mod brake;
mod cautions;
mod forbidden;
mod judged_on;
mod machine;
mod naive;
mod no_faster;
mod points;
mod spoken_for;
mod stays;
mod steady;
mod stories;
