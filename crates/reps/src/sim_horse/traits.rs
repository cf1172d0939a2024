//! What makes one horse differ from another.

use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal};
use serde::{Deserialize, Serialize};

use crate::Side;
use crate::bounds::{CHANCE, FieldError, LOGIT, RATE};

/// The traits of a horse. Readiness is on the logit scale; what is left out is
/// as in the reference population, where the richer traits are zero.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct Traits {
    /// Readiness before the first ride.
    pub start: f64,
    /// Readiness it comes to in the end.
    pub plateau: f64,
    /// Share of the way to the plateau made good in a ride.
    pub rate: f64,
    /// The weaker side.
    pub weaker_side: Side,
    /// How far the weaker side lies below the other.
    pub weaker_by: f64,
    /// Standard deviation of the day effect.
    pub day_sd: f64,
    /// How much lower the first ask of a ride lies.
    pub first_ask_drop: f64,
    /// How much higher the last ask of a ride lies.
    pub warm_up: f64,
    /// Share of what was learned that an idle day takes away.
    pub forget: f64,
    /// How much lower each ask lies after the twelfth of a ride.
    pub tire: f64,
    /// Asks of a level in a ride from which on it is drilled.
    pub over_drill_from: u32,
    /// Share of the way lost with each ask beyond that.
    pub over_drill: f64,
    /// How often a day is a bad one.
    pub bad_days: f64,
    /// How much lower a bad day lies.
    pub bad_day_drop: f64,
    /// How much a level is lifted when the one below it is fully learned.
    pub carry_over: f64,
    /// The ride from which the weaker side gets worse.
    pub worsens_from: u32,
    /// How much it gets worse with each ride from then on.
    pub worsens_by: f64,
    /// The ride from which on it is where it comes to in the end, all at once; null for
    /// a horse that learns a little with each ride.
    pub insight_at: Option<u32>,
    /// Whether days are now and then far off: the day effect is Student's t with three
    /// degrees of freedom, times its standard deviation.
    pub heavy_days: bool,
    /// Standard deviation of what lasts for days: ground, weather, a sore back; 0 for a
    /// horse whose days are each their own.
    pub spell_sd: f64,
    /// What is left of a spell a calendar day later.
    pub spell_left: f64,
    /// The ride from which on the weaker side is hurt; null for a horse that stays sound.
    pub hurt_at: Option<u32>,
    /// How much lower the hurt side lies.
    pub hurt_by: f64,
    /// The ride from which on both sides answer at this readiness; null for a horse that
    /// goes on as it learned. It is how a brake that fails is simulated.
    pub falls_at: Option<u32>,
    /// The readiness it falls to.
    pub falls_to: f64,
}

impl Default for Traits {
    fn default() -> Traits {
        Traits::PLAIN
    }
}

impl Traits {
    /// The middle of the reference population, with none of the richer traits.
    pub const PLAIN: Traits = Traits {
        start: -1.25,
        plateau: 2.0,
        rate: 0.085,
        weaker_side: Side::Right,
        weaker_by: 0.4,
        day_sd: 0.5,
        first_ask_drop: 0.4,
        warm_up: 0.4,
        forget: 0.0,
        tire: 0.0,
        over_drill_from: 30,
        over_drill: 0.0,
        bad_days: 0.0,
        bad_day_drop: 1.5,
        carry_over: 0.0,
        worsens_from: 0,
        worsens_by: 0.0,
        insight_at: None,
        heavy_days: false,
        spell_sd: 0.0,
        spell_left: 0.8,
        hurt_at: None,
        hurt_by: 2.0,
        falls_at: None,
        falls_to: 0.0,
    };

    /// A horse of the reference population.
    pub fn reference(seed: u64) -> Traits {
        let mut rng = ChaCha8Rng::seed_from_u64(seed);
        Traits {
            start: rng.random_range(-2.5..0.0),
            plateau: normal(2.0, 1.0).sample(&mut rng),
            rate: rng.random_range(0.02..0.15),
            weaker_side: if rng.random_bool(0.5) {
                Side::Left
            } else {
                Side::Right
            },
            weaker_by: normal(0.0, 0.6).sample(&mut rng).abs(),
            ..Traits::default()
        }
    }

    /// A richer horse: one of the reference population that also forgets, tires,
    /// sours from drilling and has bad days.
    pub fn richer(seed: u64) -> Traits {
        let mut rng = ChaCha8Rng::seed_from_u64(seed ^ 0x5eed);
        Traits {
            forget: rng.random_range(0.0..0.03),
            tire: rng.random_range(0.0..0.12),
            over_drill_from: 16,
            over_drill: rng.random_range(0.0..0.01),
            bad_days: rng.random_range(0.0..0.12),
            carry_over: rng.random_range(0.0..0.8),
            ..Traits::reference(seed)
        }
    }

    /// The true chance of a soft answer on `side` after `rides` rides of a horse
    /// with none of the richer traits, day effects aside.
    pub fn readiness(&self, side: Side, rides: u32) -> f64 {
        let made_good = 1.0 - (-self.rate * f64::from(rides)).exp();
        1.0 / (1.0 + (-self.logit(side, made_good, rides)).exp())
    }

    /// The logit of a side when `progress` of the way is made good.
    pub(super) fn logit(&self, side: Side, progress: f64, ridden: u32) -> f64 {
        if self.falls_at.is_some_and(|ride| ridden >= ride) {
            return self.falls_to;
        }
        let level = self.start + (self.plateau - self.start) * progress;
        if side == self.weaker_side {
            let worse = f64::from(ridden.saturating_sub(self.worsens_from)) * self.worsens_by;
            let hurt = self.hurt_at.is_some_and(|ride| ridden >= ride);
            level - self.weaker_by - worse - if hurt { self.hurt_by } else { 0.0 }
        } else {
            level
        }
    }

    /// The first ask lies lower, the last higher, evenly in between.
    pub(super) fn within_ride(&self, index: u32, of: u32) -> f64 {
        if of < 2 {
            return -self.first_ask_drop;
        }
        let done = f64::from(index) / f64::from(of - 1);
        -self.first_ask_drop + done * (self.first_ask_drop + self.warm_up)
    }

    /// Checks every number.
    ///
    /// # Errors
    /// The first number out of bounds; a weaker side that is both.
    pub fn check(&self) -> Result<(), FieldError> {
        for (field, bound, value) in [
            ("/start", LOGIT, self.start),
            ("/plateau", LOGIT, self.plateau),
            ("/rate", RATE, self.rate),
            ("/weaker_by", RATE, self.weaker_by),
            ("/day_sd", RATE, self.day_sd),
            ("/first_ask_drop", RATE, self.first_ask_drop),
            ("/warm_up", RATE, self.warm_up),
            ("/forget", CHANCE, self.forget),
            ("/tire", RATE, self.tire),
            ("/over_drill", CHANCE, self.over_drill),
            ("/bad_days", CHANCE, self.bad_days),
            ("/bad_day_drop", RATE, self.bad_day_drop),
            ("/carry_over", RATE, self.carry_over),
            ("/worsens_by", RATE, self.worsens_by),
            ("/spell_sd", RATE, self.spell_sd),
            ("/spell_left", CHANCE, self.spell_left),
            ("/hurt_by", RATE, self.hurt_by),
            ("/falls_to", LOGIT, self.falls_to),
        ] {
            bound.check(field, value)?;
        }
        if self.weaker_side == Side::Both {
            return Err(FieldError::new(
                "/weaker_side",
                "must be left or right, found both",
            ));
        }
        Ok(())
    }
}

fn normal(mean: f64, sd: f64) -> Normal<f64> {
    Normal::new(mean, sd).expect("a standard deviation that is not below zero")
}
