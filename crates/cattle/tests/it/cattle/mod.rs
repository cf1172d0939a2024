//! Cattle: honesty against its closed form and scipy, matching against brute force and scipy, the
//! flag against the kinematics of even acceleration, the cow against what its model promises.

mod flag;
mod herd;
mod honesty;
mod matching;
mod pen;
mod rows;
mod sense;
mod settle;
mod summary;
mod work;

/// Worked out with scipy: `linear_sum_assignment` and `stats.beta.ppf`.
fn golden() -> serde_json::Value {
    serde_json::from_str(include_str!("golden.json")).unwrap()
}
