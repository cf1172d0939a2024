//! Roads that were found, kept until something they rest on changes.

use std::sync::Arc;

use cavesson_core::calc::road::{Input, Output, calculate};
use cavesson_core::road::priority::priority;
use moka::sync::Cache;
use uuid::Uuid;

use super::barn_pace::Paces;
use super::road_input::{HorseOnRoad, RoadsRead};
use crate::App;
use crate::horse_record::Judged;
use crate::http::problem::{Answer, Problem};

/// Roads kept in memory.
const MOST_ROADS: u64 = 5000;

/// A road that was found.
pub struct KeptRoad {
    /// What it was asked.
    pub input: Input,
    /// What it said.
    pub found: Output,
    /// How much more a ride of the horse counts in the week's plan.
    pub priority: f64,
}

/// Roads and paces kept in memory.
#[derive(Clone)]
pub struct Roads {
    /// The barns' paces.
    pub paces: Paces,
    roads: Cache<(Uuid, Uuid), Arc<KeptRoad>>,
}

impl Default for Roads {
    fn default() -> Roads {
        Roads {
            paces: Paces::default(),
            roads: Cache::new(MOST_ROADS),
        }
    }
}

/// The road of every horse that has one and that this owner may see.
///
/// # Errors
/// When the thread is lost.
pub async fn all(
    app: &App,
    barn_id: Uuid,
    read: Arc<RoadsRead>,
    owner: Option<Uuid>,
) -> Answer<Vec<(Uuid, String, Arc<KeptRoad>)>> {
    let horses: Vec<(Uuid, String)> = read
        .horses(owner)
        .map(|one| (one.horse.horse_id, one.horse.name.clone()))
        .collect();
    let mut found = Vec::new();
    for (horse_id, name) in horses {
        if let Some(road) = of_horse(app, barn_id, read.clone(), horse_id).await? {
            found.push((horse_id, name, road));
        }
    }
    Ok(found)
}

/// The road of a horse; none while no goal says what it is to hold. Each is looked for on
/// its own, so that many of them hold nobody up.
///
/// # Errors
/// When the thread is lost.
pub async fn of_horse(
    app: &App,
    barn_id: Uuid,
    read: Arc<RoadsRead>,
    horse_id: Uuid,
) -> Answer<Option<Arc<KeptRoad>>> {
    let for_work = app.clone();
    let work = move || {
        let mut horses = read.horses(None);
        let one = horses.find(|one| one.horse.horse_id == horse_id);
        one.map_or(Ok(None), |one| look(&for_work, barn_id, &one))
    };
    app.work.judging.run(work).await?
}

fn look(app: &App, barn_id: Uuid, one: &HorseOnRoad<'_>) -> Answer<Option<Arc<KeptRoad>>> {
    let pace = one.pace(app);
    let Some(input) = one.input(&pace.1) else {
        return Ok(None);
    };
    let key = (barn_id, one.horse.horse_id);
    let roads = &app.roads.roads;
    if let Some(kept) = roads.get(&key).filter(|kept| kept.input == input) {
        return Ok(Some(kept));
    }
    let judged: &Judged = one.judged;
    let road = Arc::new(KeptRoad {
        found: calculate(input.clone()).map_err(Problem::field)?,
        priority: priority(judged.ladder(), &input.road),
        input,
    });
    roads.insert(key, road.clone());
    Ok(Some(road))
}
