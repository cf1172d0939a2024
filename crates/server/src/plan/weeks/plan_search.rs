//! Plans that are looked for: one of a barn at a time, with progress, stopped when asked.

use std::collections::HashMap;
use std::sync::atomic::{AtomicBool, Ordering};
use std::sync::{Arc, Mutex, PoisonError};
use std::time::{Duration, Instant};

use cavesson_core::week::plan::{LeftOutRide, PlannedRide, Score};
use cavesson_core::week::plan::{PlanChange, WeekInstance, changes, words};
use cavesson_solver::{Progress, Solved, Unsolvable, solve};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::http::work::Line;

/// How long a plan that was found is kept for whoever asked.
const KEPT: Duration = Duration::from_secs(15 * 60);

/// Plans that are looked for, and those that were found.
#[derive(Clone, Default)]
pub struct Solves(Arc<Mutex<HashMap<(Uuid, Uuid), Solve>>>);

struct Solve {
    began: Instant,
    stop: Arc<AtomicBool>,
    progress: Option<Progress>,
    ended: Option<Ended>,
}

enum Ended {
    Found(Box<PlanFound>),
    Refused(Vec<String>),
}

/// A plan that was found.
#[derive(Clone, Serialize, ToSchema)]
pub struct PlanFound {
    /// What there was.
    instance: WeekInstance,
    /// The rides, those that stay among them, earliest first.
    plan: Vec<PlannedRide>,
    /// What they are worth.
    score: Score,
    /// No plan is worth more.
    bound: f64,
    /// How far the plan may be from the best, as a share.
    gap: f64,
    /// Every soft rule that was given up, in sentences.
    given_up: Vec<String>,
    /// Horses that get fewer rides than wanted, with the reasons.
    left_out: Vec<LeftOutRide>,
    /// What it does otherwise than the plan before.
    changes: Vec<PlanChange>,
    /// Seconds it took.
    seconds: f64,
    /// It was stopped.
    stopped: bool,
}

/// How far a search is.
#[derive(Serialize, ToSchema)]
pub struct SolveShown {
    /// Where it is; null before it began.
    progress: Option<Progress>,
    /// The plan, once the search has ended.
    found: Option<PlanFound>,
    /// Why there is none: what is pinned or stands breaks rules that are never broken.
    refused: Vec<String>,
}

impl Solves {
    fn all(&self) -> std::sync::MutexGuard<'_, HashMap<(Uuid, Uuid), Solve>> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// Begins to look for a plan; one that the barn still looks for is stopped. Its turn
    /// comes in the line of the heavy calculators.
    pub fn begin(&self, line: &Line, barn_id: Uuid, instance: WeekInstance, seconds: f64) -> Uuid {
        let id = Uuid::now_v7();
        let stop = Arc::new(AtomicBool::new(false));
        {
            let mut all = self.all();
            all.retain(|_, one| one.began.elapsed() < KEPT);
            for ((barn, _), one) in all.iter() {
                if *barn == barn_id {
                    one.stop.store(true, Ordering::Relaxed);
                }
            }
            let solve = Solve {
                began: Instant::now(),
                stop: stop.clone(),
                progress: None,
                ended: None,
            };
            all.insert((barn_id, id), solve);
        }
        let (solves, line) = (self.clone(), line.clone());
        tokio::spawn(async move {
            let telling = solves.clone();
            let done = line
                .run(move || {
                    let go_on = |progress: &Progress| {
                        if let Some(one) = telling.all().get_mut(&(barn_id, id)) {
                            one.progress = Some(*progress);
                        }
                        !stop.load(Ordering::Relaxed)
                    };
                    let solved = solve(&instance, seconds, &go_on);
                    (instance, solved)
                })
                .await;
            let ended = match done {
                Ok((instance, Ok(solved))) => Ended::Found(Box::new(found(instance, solved))),
                Ok((_, Err(Unsolvable::Pins(texts)))) => Ended::Refused(texts),
                Ok((_, Err(Unsolvable::Field(error)))) => Ended::Refused(vec![error.to_string()]),
                Ok((_, Err(Unsolvable::BoundBeaten { worth, bound }))) => {
                    let text = Unsolvable::beaten(worth, bound);
                    tracing::error!(%text, "a bound that a plan beats");
                    Ended::Refused(vec![text])
                }
                Err(_) => Ended::Refused(vec!["The search was cut off; try again.".into()]),
            };
            if let Some(one) = solves.all().get_mut(&(barn_id, id)) {
                one.ended = Some(ended);
            }
        });
        id
    }

    /// How far a search of a barn is; none where there is no such.
    pub fn show(&self, barn_id: Uuid, id: Uuid) -> Option<SolveShown> {
        let all = self.all();
        let one = all.get(&(barn_id, id))?;
        let (found, refused) = match &one.ended {
            None => (None, Vec::new()),
            Some(Ended::Found(found)) => (Some(PlanFound::clone(found)), Vec::new()),
            Some(Ended::Refused(texts)) => (None, texts.clone()),
        };
        Some(SolveShown {
            progress: one.progress,
            found,
            refused,
        })
    }

    /// Stops a search: the best plan so far is what it finds. False where there is none.
    pub fn stop(&self, barn_id: Uuid, id: Uuid) -> bool {
        let all = self.all();
        let found = all.get(&(barn_id, id));
        found.is_some_and(|one| {
            one.stop.store(true, Ordering::Relaxed);
            true
        })
    }
}

fn found(instance: WeekInstance, solved: Solved) -> PlanFound {
    let terms = solved.score.terms.iter();
    PlanFound {
        given_up: terms
            .map(|term| words::given_up(&instance, term))
            .filter(|text| !text.is_empty())
            .collect(),
        changes: changes(&instance.before, &solved.rides),
        bound: solved.bound,
        gap: solved.gap(),
        plan: solved.rides,
        score: solved.score,
        left_out: solved.left_out,
        seconds: solved.seconds,
        stopped: solved.stopped,
        instance,
    }
}
