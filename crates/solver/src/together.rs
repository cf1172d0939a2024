//! What the threads of a search share: the best plan by now, its bound, and whether to go on.

use std::sync::atomic::{AtomicBool, AtomicUsize, Ordering};
use std::sync::{Mutex, MutexGuard, PoisonError};
use std::time::Instant;

use cavesson_core::week::plan::WeekInstance;

use crate::milp::Until;
use crate::options::{Choice, SLOT_MIN};
use crate::place::Placing;
use crate::room::Room;

/// The gap at which a plan is good enough. Product default.
const GOOD_ENOUGH: f64 = 0.0005;

/// What the threads of a search share.
pub struct Together<'a> {
    best: Mutex<Room<'a>>,
    bound: Mutex<f64>,
    enough: Mutex<f64>,
    has_bound: AtomicBool,
    stopped: AtomicBool,
    running: AtomicUsize,
    /// When it ends at the latest.
    pub until: Instant,
}

impl<'a> Together<'a> {
    /// At the beginning: nothing beside what stays, and a bound that needs no search.
    pub fn new(begin: Room<'a>, bound: f64, until: Instant, threads: usize) -> Together<'a> {
        Together {
            best: Mutex::new(begin),
            bound: Mutex::new(bound),
            enough: Mutex::new(f64::INFINITY),
            has_bound: AtomicBool::new(false),
            stopped: AtomicBool::new(false),
            running: AtomicUsize::new(threads),
            until,
        }
    }

    /// The best plan by now.
    pub fn best(&self) -> Room<'a> {
        locked(&self.best).clone()
    }

    /// No plan is worth more.
    pub fn bound(&self) -> f64 {
        *locked(&self.bound)
    }

    /// Whether the first step has found its bound.
    pub fn has_bound(&self) -> bool {
        self.has_bound.load(Ordering::Relaxed)
    }

    /// Ends the search.
    pub fn stop(&self) {
        self.stopped.store(true, Ordering::Relaxed);
    }

    /// Whether a thread is still at it.
    pub fn is_running(&self) -> bool {
        self.running.load(Ordering::Relaxed) > 0
    }

    /// A thread has done its part.
    pub fn has_ended(&self) {
        self.running.fetch_sub(1, Ordering::Relaxed);
    }

    /// Offers a plan: it is kept where it is the best by now.
    pub fn offer(&self, room: &Room<'a>) {
        let mut best = locked(&self.best);
        if room.worth > best.worth + 1e-9 {
            *best = room.clone();
        }
    }

    /// Whether the search is over: stopped, out of time, or good enough.
    pub fn is_over(&self) -> bool {
        self.stopped.load(Ordering::Relaxed)
            || Instant::now() >= self.until
            || locked(&self.best).worth >= *locked(&self.enough)
    }

    /// A bound that was found, beside what the rides that stay are worth.
    pub fn bound_is(&self, bound: f64, start: f64) {
        if bound > self.bound() {
            return;
        }
        self.has_bound.store(true, Ordering::Relaxed);
        *locked(&self.bound) = bound;
        *locked(&self.enough) = bound - start - GOOD_ENOUGH * bound.abs();
    }

    /// All at once, where that is few: the best there is, and its bound.
    pub fn exactly(&self, instance: &'a WeekInstance, choices: &[Choice], start: f64) {
        let until = Until {
            seconds: self.left(),
            gap: 0.0,
        };
        let Some((rides, found)) =
            Placing::new(instance, &instance.pins, choices).solve(until, &[])
        else {
            return;
        };
        let mut room = Room::new(instance, &instance.pins);
        for one in choices.iter().filter(|one| rides.contains(&one.ride)) {
            room.put(*one);
        }
        self.offer(&room);
        // Cut short, it holds the best it found to be the best there is.
        if !found.is_proven || !is_on_the_grid(instance) {
            return;
        }
        let bound = start + room.worth + (found.bound - found.worth).max(0.0);
        self.bound_is(bound, start);
    }

    /// Seconds left.
    pub fn left(&self) -> f64 {
        let left = self.until.saturating_duration_since(Instant::now());
        left.as_secs_f64()
    }
}

/// A lock whose holder panicked is as good as before: what it guards is whole.
fn locked<T>(mutex: &Mutex<T>) -> MutexGuard<'_, T> {
    mutex.lock().unwrap_or_else(PoisonError::into_inner)
}

/// Whether what stands begins and ends on slots of places. Otherwise the exact model may miss
/// a ride that just fits beside it: its plan is good, its bound is none.
fn is_on_the_grid(instance: &WeekInstance) -> bool {
    let on = |minutes: u16| minutes.is_multiple_of(SLOT_MIN);
    let fixed = instance.fixed.iter().map(|one| &one.booking);
    let mut fixed = fixed.filter(|one| one.horse_id.is_some() && one.place_id.is_some());
    let mut pins = instance.pins.iter();
    fixed.all(|one| on(one.from_min) && on(one.to_min()))
        && pins.all(|one| on(one.from_min) && on(instance.to_min(one)))
}
