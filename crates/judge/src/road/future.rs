//! One future: the horse is ridden day by day, each ride has room for a few levels, what is
//! not asked goes rusty, what its needs are held for opens.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use rand_distr::StandardNormal;

use super::asked::RoadAsked;
use super::needed::RoadLevels;
use super::usual::SPREAD;

/// Rides that a level takes which the forecast sees no end of.
const BEYOND: u32 = 80;
/// Never more rides than this, whatever is drawn.
const MOST: f64 = 400.0;
/// Days between two looks at what went rusty.
const LOOK_DAYS: u32 = 7;

/// What is the same in all futures.
pub struct Ahead<'a> {
    /// The levels on the road.
    pub road: &'a RoadLevels,
    /// What was asked.
    pub asked: &'a RoadAsked,
    /// Days, counted from tomorrow as 1, on which a ride is planned.
    pub ride_days: &'a [u32],
    /// Of what is open, the longest way first: the rank of each place on the road.
    pub rank: &'a [usize],
}

/// What a future came to.
#[derive(Debug, Clone, Default)]
pub struct Future {
    /// The day each level of the road was held: 0 for those held today; none within what is
    /// looked ahead.
    pub held: Vec<Option<u32>>,
    left: Vec<u32>,
    shown: Vec<u32>,
    fresh: Vec<u32>,
    rusty: Vec<usize>,
    begun: Vec<bool>,
    /// What can be worked on, the longest way first.
    open: Vec<usize>,
    done: Vec<usize>,
}

impl Future {
    /// Draws one. What a level takes is drawn in the order of the road before anything else,
    /// so that the same seed meets the same horse whatever is changed about the rides.
    pub fn draw(&mut self, ahead: &Ahead<'_>, rng: &mut ChaCha8Rng) {
        self.begin(ahead, rng);
        let mut looked = 0;
        for day in ahead.ride_days {
            // Nothing is left to come to hold.
            if self.open.is_empty() {
                break;
            }
            if rng.random::<f64>() >= ahead.asked.kept {
                continue;
            }
            if *day >= looked + LOOK_DAYS {
                looked = *day;
                self.look_for_rust(ahead, *day);
            }
            self.ride(ahead, *day);
        }
    }

    fn begin(&mut self, ahead: &Ahead<'_>, rng: &mut ChaCha8Rng) {
        let levels = &ahead.road.levels;
        let horse = &ahead.asked.horse;
        let quick = horse.factor.ln() + horse.spread * rng.sample::<f64, _>(StandardNormal);
        self.held.clear();
        self.left.clear();
        self.shown.clear();
        self.shown.resize(levels.len(), 0);
        self.begun.clear();
        self.rusty.clear();
        self.open.clear();
        for one in levels {
            let normal: f64 = rng.sample(StandardNormal);
            let uniform: f64 = rng.random();
            self.held.push(one.stands.held.then_some(0));
            self.begun
                .push(one.stands.held || one.stands.asked_rides > 0);
            self.left.push(if one.stands.held {
                0
            } else if one.stands.rides_left.is_empty() {
                let whole = one.median * (quick + SPREAD * normal).exp();
                rides_after(whole, one.stands.asked_rides, one.least_days, uniform)
            } else {
                let many = one.stands.rides_left.len();
                let at = ((uniform * many as f64) as usize).min(many - 1);
                one.stands.rides_left[at].unwrap_or(BEYOND)
            });
        }
        for at in 0..levels.len() {
            if self.is_open(ahead, at) {
                self.opens(ahead, at);
            }
        }
    }

    /// What is not held, and all it needs is.
    fn is_open(&self, ahead: &Ahead<'_>, at: usize) -> bool {
        let mut needs = ahead.road.levels[at].needs.iter();
        self.held[at].is_none() && needs.all(|need| self.held[*need].is_some())
    }

    fn opens(&mut self, ahead: &Ahead<'_>, at: usize) {
        let rank = ahead.rank[at];
        let place = self.open.partition_point(|one| ahead.rank[*one] < rank);
        if self.open.get(place) != Some(&at) {
            self.open.insert(place, at);
        }
    }

    /// What was held and has not been shown for too long has to be shown again.
    fn look_for_rust(&mut self, ahead: &Ahead<'_>, day: u32) {
        let levels = &ahead.road.levels;
        self.rusty.clear();
        self.fresh.clone_from(&self.shown);
        for (at, one) in levels.iter().enumerate().rev() {
            // Who shows what is built on it has kept it.
            let fresh = self.fresh[at];
            for need in &one.needs {
                self.fresh[*need] = self.fresh[*need].max(fresh);
            }
            let Some(held) = self.held[at] else { continue };
            let idle = if fresh == 0 && held == 0 {
                day + one.stands.idle_days
            } else {
                day - fresh.max(held)
            };
            if idle > one.rusty_days {
                self.rusty.push(at);
            }
        }
    }

    fn ride(&mut self, ahead: &Ahead<'_>, day: u32) {
        let mut room = ahead.asked.blocks_a_ride;
        // One block to refresh, so that the work goes on.
        if let Some(at) = self.rusty.pop() {
            self.shown[at] = day;
            room -= 1;
        }
        let mut may_begin = true;
        for at in &self.open {
            let at = *at;
            if room == 0 {
                break;
            }
            // One new thing a ride.
            if !self.begun[at] && !may_begin {
                continue;
            }
            may_begin &= self.begun[at];
            self.begun[at] = true;
            room -= 1;
            self.left[at] = self.left[at].saturating_sub(1);
            self.shown[at] = day;
            if self.left[at] == 0 {
                self.held[at] = Some(day);
                self.done.push(at);
            }
        }
        while let Some(at) = self.done.pop() {
            self.open.retain(|one| *one != at);
            for next in &ahead.road.levels[at].opens {
                if self.is_open(ahead, *next) {
                    self.opens(ahead, *next);
                }
            }
        }
    }

    /// The day on which all of these were held; none within what is looked ahead.
    pub fn all_held(&self, levels: &[usize]) -> Option<u32> {
        levels
            .iter()
            .map(|at| self.held[*at])
            .try_fold(0, |latest, held| held.map(|day| latest.max(day)))
    }
}

/// Rides still to come of a level that takes `whole`, after so many: no fewer than its gate
/// needs days; one that took longer than was drawn goes on for a while.
fn rides_after(whole: f64, asked: u32, least_days: u32, uniform: f64) -> u32 {
    let whole = whole.clamp(1.0, MOST).round() as u32;
    let left = if whole > asked {
        whole - asked
    } else {
        // It is under way longer than was drawn: about a third more, every second time.
        1 + (f64::from(asked) * 0.33 * -(1.0 - uniform).max(1e-9).ln()) as u32
    };
    left.max(least_days.saturating_sub(asked)).max(1)
}
