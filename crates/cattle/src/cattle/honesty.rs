//! How honest a cow still is: does it stop when it is headed?
//!
//! # Formula
//! Each time a cow is headed it stops or does not. A stop that lies k headings back weighs
//! `KEEP^k`. With a and b the weights of those that stopped and did not, the share is
//! (`PRIOR_STOPPED` + a) / (`PRIOR_STOPPED` + `PRIOR_NOT` + a + b); the range is that of the beta
//! distribution with the same two numbers, from 5 to 95 percent. A cow that nobody has worked has
//! the share of the prior.
//!
//! # Source
//! Exponential forgetting of a beta-Bernoulli share: Jøsang and Ismail, The Beta Reputation
//! System, 2002, from memory. The prior (4 of 5), 0.9 a heading, below one half is done: product
//! defaults. That a cow which has been used stops honouring the horse: common practice, no
//! source.

use serde::{Deserialize, Serialize};
use statrs::distribution::{Beta, ContinuousCDF};

use crate::bounds::{FieldError, HEADINGS};

/// A fresh cow counts as if it had stopped so often.
pub const PRIOR_STOPPED: f64 = 4.0;
/// And gone through so often.
pub const PRIOR_NOT: f64 = 1.0;
/// What a heading weighs once another one came after it.
pub const KEEP: f64 = 0.9;
/// Below this share a cow is done for training.
pub const DONE_BELOW: f64 = 0.5;
/// From this share on it is fresh.
pub const FRESH_FROM: f64 = 0.7;

/// How a cow stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Freshness {
    /// Honours the horse.
    Fresh,
    /// Begins to go through.
    GoingStale,
    /// Teaches a horse that it is no use to stop a cow.
    Done,
}

/// How honest a cow is.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Honesty {
    /// The share of honest stops that is to be expected of it.
    pub share: f64,
    /// It lies above this with 95 percent.
    pub low: f64,
    /// It lies below this with 95 percent.
    pub high: f64,
    /// How it stands.
    pub freshness: Freshness,
    /// How often it was headed.
    pub headed: u32,
    /// As many headings in a row that it goes through and it is done; 0 when it is.
    pub until_done: u32,
}

/// What a cow did each time it was headed, first to last: it stopped, or it went through.
///
/// # Errors
/// More headings than anybody counts of a cow.
pub fn honesty(stopped: &[bool]) -> Result<Honesty, FieldError> {
    HEADINGS.check_count("/stopped", stopped.len())?;
    let (mut yes, mut no) = (0.0, 0.0);
    for one in stopped {
        yes = yes * KEEP + f64::from(u8::from(*one));
        no = no * KEEP + f64::from(u8::from(!*one));
    }
    let share = share_of(yes, no);
    let range = Beta::new(PRIOR_STOPPED + yes, PRIOR_NOT + no).ok();
    let at = |p: f64| range.map_or(share, |range| range.inverse_cdf(p));
    Ok(Honesty {
        share,
        low: at(0.05),
        high: at(0.95),
        freshness: freshness(share),
        headed: stopped.len() as u32,
        until_done: until_done(yes, no),
    })
}

fn share_of(yes: f64, no: f64) -> f64 {
    (PRIOR_STOPPED + yes) / (PRIOR_STOPPED + PRIOR_NOT + yes + no)
}

/// How a cow of that share stands.
pub fn freshness(share: f64) -> Freshness {
    if share < DONE_BELOW {
        Freshness::Done
    } else if share < FRESH_FROM {
        Freshness::GoingStale
    } else {
        Freshness::Fresh
    }
}

fn until_done(mut yes: f64, mut no: f64) -> u32 {
    let mut count = 0;
    while share_of(yes, no) >= DONE_BELOW {
        yes *= KEEP;
        no = no * KEEP + 1.0;
        count += 1;
    }
    count
}
