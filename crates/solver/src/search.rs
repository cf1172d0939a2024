//! Both steps side by side, until nothing gets better or the time is up.

use std::collections::HashSet;
use std::time::{Duration, Instant};

use cavesson_core::bounds::FieldError;
use cavesson_core::week::plan::score::unspread;
use cavesson_core::week::plan::stretches::stretches;
use cavesson_core::week::plan::{
    LeftOutRide, PlannedRide, Score, WeekInstance, WorkKind, broken, left_out, score,
};
use rand::SeedableRng;
use rand::seq::SliceRandom;
use rand_chacha::ChaCha8Rng;
use serde::Serialize;

use crate::milp::Until;
use crate::options::{Choice, choices};
use crate::parts::Group;
use crate::refill::{ByHorse, fill, improve};
use crate::room::Room;
use crate::together::Together;
use crate::week::{FirstStep, first_step};

/// Share of the time that the first step may take.
const FIRST_SHARE: f64 = 0.45;
/// Share of the time that is left after it for setting the times of what it chose.
const CHOSEN_SHARE: f64 = 0.25;
/// Choices up to which all of them are solved at once.
const EXACT_CHOICES: usize = 800;
/// Choices that are worth a second of search; a small week is planned sooner.
const CHOICES_A_SECOND: f64 = 5000.0;
/// The least time that is taken, where there is as much.
const LEAST_S: f64 = 0.5;
/// How often whoever waits is told.
const TELL_EVERY: Duration = Duration::from_millis(40);
/// Where the first step stops: this share of the worth from its bound.
const FIRST_GAP: f64 = 0.001;

/// Where a search is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, utoipa::ToSchema)]
#[serde(rename_all = "snake_case")]
#[schema(as = WeekSolveStage)]
pub enum Stage {
    /// Days and riders; a first plan besides.
    Days,
    /// Making it better.
    Better,
}

/// How far a search has come.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, utoipa::ToSchema)]
#[schema(as = WeekSolveProgress)]
pub struct Progress {
    /// Where it is.
    pub stage: Stage,
    /// Seconds since it began.
    pub seconds: f64,
    /// What the best plan so far is worth; null before there is one.
    pub objective: Option<f64>,
    /// No plan is worth more; null before that is known.
    pub bound: Option<f64>,
}

/// What came of a search.
#[derive(Debug, Clone)]
pub struct Solved {
    /// The rides, those that were pinned among them, earliest first.
    pub rides: Vec<PlannedRide>,
    /// What they are worth.
    pub score: Score,
    /// No plan is worth more.
    pub bound: f64,
    /// The horses that get fewer rides than wanted.
    pub left_out: Vec<LeftOutRide>,
    /// Seconds it took.
    pub seconds: f64,
    /// It was stopped by whoever waits for it.
    pub stopped: bool,
}

impl Solved {
    /// How far the plan may be from the best, as a share of the bound.
    pub fn gap(&self) -> f64 {
        let away = (self.bound - self.score.total).max(0.0);
        away / self.bound.abs().max(1.0)
    }
}

/// Why nothing can be planned.
#[derive(Debug, Clone, PartialEq)]
pub enum Unsolvable {
    /// A field does not fit.
    Field(FieldError),
    /// What is pinned or stands already breaks rules that are never broken.
    Pins(Vec<String>),
    /// The plan found is worth more than the bound that was proven: the bound is wrong, and
    /// with it what would be said of how good the plan is.
    BoundBeaten {
        /// What the plan is worth.
        worth: f64,
        /// What was proven to be the most.
        bound: f64,
    },
}

impl Unsolvable {
    /// That the bound is wrong, in words.
    pub fn beaten(worth: f64, bound: f64) -> String {
        format!(
            "the plan found is worth {worth:.3}, more than the {bound:.3} that was proven to be \
             the most: a fault of the search. Nothing was changed; plan fewer days at once, and \
             tell whoever keeps Cavesson running"
        )
    }
}

/// How far rounding may carry a plan over its bound, as a part of it.
const ROUNDING: f64 = 1e-6;

struct Search<'a> {
    instance: &'a WeekInstance,
    began: Instant,
    seconds: f64,
    all: Vec<Choice>,
    bound: f64,
    best: Vec<PlannedRide>,
    worth: f64,
}

/// Plans a week in at most so many seconds. `go_on` is told how far it is, and says whether
/// to go on; when it does not, the best plan so far is taken.
///
/// # Errors
/// [`Unsolvable`] with the reason.
pub fn solve(
    instance: &WeekInstance,
    seconds: f64,
    go_on: &(dyn Fn(&Progress) -> bool + Sync),
) -> Result<Solved, Unsolvable> {
    let began = Instant::now();
    instance.check().map_err(Unsolvable::Field)?;
    let refused: Vec<String> = broken(instance, &instance.pins, false)
        .into_iter()
        .filter(|one| one.broken.hard)
        .map(|one| one.broken.text)
        .collect();
    if !refused.is_empty() {
        return Err(Unsolvable::Pins(refused));
    }
    let pins = &instance.pins;
    let all = choices(instance, pins, &|_, _| true);
    let enough = (all.len() as f64 / CHOICES_A_SECOND).max(LEAST_S);
    let mut search = Search {
        instance,
        began,
        seconds: seconds.min(enough),
        all,
        bound: f64::INFINITY,
        best: pins.clone(),
        worth: score(instance, pins).total,
    };
    let stopped = !search.run(go_on);
    let mut rides = search.best;
    rides.sort_unstable();
    let score = score(instance, &rides);
    let (worth, bound) = (score.total, search.bound);
    if worth > bound + ROUNDING * (1.0 + bound.abs()) {
        return Err(Unsolvable::BoundBeaten { worth, bound });
    }
    Ok(Solved {
        left_out: left_out(instance, &rides),
        // Within rounding.
        bound: bound.max(worth),
        score,
        rides,
        seconds: began.elapsed().as_secs_f64(),
        stopped,
    })
}

impl Search<'_> {
    fn tell(&self, stage: Stage, go_on: &(dyn Fn(&Progress) -> bool + Sync)) -> bool {
        go_on(&Progress {
            stage,
            seconds: self.began.elapsed().as_secs_f64(),
            objective: (!self.best.is_empty()).then_some(self.worth),
            bound: self.bound.is_finite().then_some(self.bound),
        })
    }

    /// The first step on one thread, filling in on another; then both fill in. False when
    /// it was stopped.
    fn run(&mut self, go_on: &(dyn Fn(&Progress) -> bool + Sync)) -> bool {
        if !self.tell(Stage::Days, go_on) {
            return false;
        }
        if self.all.is_empty() {
            self.bound = self.worth;
            return true;
        }
        let instance = self.instance;
        let (start, offset) = (self.worth, self.offset());
        let together = Together::new(
            Room::new(instance, &instance.pins),
            self.worth + self.most_added(),
            self.began + Duration::from_secs_f64(self.seconds),
            2,
        );
        let horses = instance.horses.len();
        let all = ByHorse::new(horses, self.all.iter().copied());
        let choices = &std::mem::take(&mut self.all);
        let first_until = Until {
            seconds: self.seconds * FIRST_SHARE,
            gap: FIRST_GAP,
        };
        let mut went_on = true;
        std::thread::scope(|scope| {
            let shared = &together;
            let all = &all;
            scope.spawn(move || {
                let first = first_step(instance, &instance.pins, choices, first_until);
                let mut rng = ChaCha8Rng::seed_from_u64(1);
                let mut room = Room::new(instance, &instance.pins);
                if let Some(first) = first {
                    shared.bound_is(offset + first.bound, start);
                    if choices.len() <= EXACT_CHOICES {
                        shared.exactly(instance, choices, start);
                    }
                    let chosen = chosen_by(&first, choices, horses);
                    let mut order: Vec<usize> = (0..horses).collect();
                    order.shuffle(&mut rng);
                    fill(&mut room, &chosen, &order, None, &mut rng);
                    let soon = Duration::from_secs_f64(shared.left() * CHOSEN_SHARE);
                    room = improve(room, &chosen, shared, Instant::now() + soon, &mut rng);
                }
                improve(room, all, shared, shared.until, &mut rng);
                shared.has_ended();
            });
            scope.spawn(move || {
                let mut rng = ChaCha8Rng::seed_from_u64(2);
                let mut room = Room::new(instance, &instance.pins);
                let mut order: Vec<usize> = (0..horses).collect();
                order.shuffle(&mut rng);
                fill(&mut room, all, &order, None, &mut rng);
                shared.offer(&room);
                improve(room, all, shared, shared.until, &mut rng);
                shared.has_ended();
            });
            while shared.is_running() {
                std::thread::sleep(TELL_EVERY);
                self.look(shared);
                let stage = if shared.has_bound() {
                    Stage::Better
                } else {
                    Stage::Days
                };
                if went_on && !self.tell(stage, go_on) {
                    went_on = false;
                    shared.stop();
                }
            }
        });
        self.look(&together);
        went_on
    }

    /// Takes what the threads have found by now.
    fn look(&mut self, together: &Together<'_>) {
        self.bound = together.bound();
        let mut rides = self.instance.pins.clone();
        rides.extend(together.best().rides.iter().map(|one| one.ride));
        self.take(rides);
    }

    /// More than this no plan adds, whatever the rules: every wanted ride at its best.
    fn most_added(&self) -> f64 {
        let instance = self.instance;
        let horses = instance.horses.iter().enumerate();
        let rides = horses.map(|(number, horse)| {
            let own = self.all.iter().filter(|one| one.horse == number);
            let best = own.map(|one| one.worth).fold(0.0, f64::max);
            (0..horse.wanted)
                .map(|nth| horse.ride_worth(nth, &instance.weights) + best)
                .sum::<f64>()
        });
        // Two idle days running no more, and stretches that stay joined.
        let spread = instance.weights.spread * (7 * instance.horses.len()) as f64;
        let ready = (instance.weights.herd + instance.weights.barrels) * instance.pins.len() as f64;
        rides.sum::<f64>() + spread + ready
    }

    /// What lies between a plan's worth and what the first step counts of it.
    fn offset(&self) -> f64 {
        let instance = self.instance;
        let pins = &instance.pins;
        let with_choices = |number: usize| self.all.iter().any(|one| one.horse == number);
        let counted: u32 = instance
            .horses
            .iter()
            .enumerate()
            .filter(|(number, _)| with_choices(*number))
            .map(|(_, horse)| unspread(instance, horse, pins))
            .sum();
        // Rides put between two stretches that stay may join them.
        let mut joined = 0.0;
        for (kind, weight) in [
            (WorkKind::Cattle, instance.weights.herd),
            (WorkKind::Pattern, instance.weights.barrels),
        ] {
            for day in 0..instance.days.len() as u8 {
                for place in &instance.places {
                    let times = stretches(instance, pins, kind, day, place.place_id);
                    joined += weight * f64::from(times.saturating_sub(1));
                }
            }
        }
        self.worth + instance.weights.spread * f64::from(counted) + joined
    }

    /// Takes a plan when it is worth more and breaks nothing that the pins do not.
    fn take(&mut self, rides: Vec<PlannedRide>) -> bool {
        let worth = score(self.instance, &rides).total;
        if worth <= self.worth + 1e-6 {
            return false;
        }
        let breaks = |rides: &[PlannedRide]| broken(self.instance, rides, false).len();
        if breaks(&rides) > breaks(&self.instance.pins) {
            return false;
        }
        self.best = rides;
        self.worth = worth;
        true
    }
}

/// The choices that the first step took: its horses, works, days and riders, at any time.
fn chosen_by(first: &FirstStep, choices: &[Choice], horses: usize) -> ByHorse {
    let key = |group: &Group| (group.horse, group.work, group.day, group.rider);
    let wanted: HashSet<_> = first.groups.iter().map(key).collect();
    let chosen = choices
        .iter()
        .filter(|one| wanted.contains(&(one.horse, one.ride.work, one.ride.day, one.rider)));
    ByHorse::new(horses, chosen.copied())
}
