//! The barn's own pace, from what its horses were asked until yesterday: today's rides move
//! no other horse's road under the eyes of who looks at it.

use std::sync::Arc;

use cavesson_core::ladder::Ladder;
use cavesson_core::road::{LevelHistory, Pace, gathered, pace};
use jiff::ToSpan;
use moka::sync::Cache;
use uuid::Uuid;

use crate::horse_record::{HorseLadder, Judged};

/// Paces kept in memory.
const MOST_PACES: u64 = 500;

/// A barn and the program whose ladder it is.
type Of = (Uuid, Option<(Uuid, i32)>);

/// Paces by barn and ladder, with what they were made of.
#[derive(Clone)]
pub struct Paces(Cache<Of, Arc<(Vec<LevelHistory>, Pace)>>);

impl Default for Paces {
    fn default() -> Paces {
        Paces(Cache::new(MOST_PACES))
    }
}

impl Paces {
    /// The pace of a barn's horses on a ladder.
    pub fn of(
        &self,
        barn_id: Uuid,
        histories: &[LevelHistory],
        on: &HorseLadder,
    ) -> Arc<(Vec<LevelHistory>, Pace)> {
        let key = (barn_id, on.program);
        if let Some(kept) = self.0.get(&key).filter(|kept| kept.0 == histories) {
            return kept;
        }
        let found = Arc::new((histories.to_vec(), on_ladder(&on.ladder, histories)));
        self.0.insert(key, found.clone());
        found
    }
}

/// Levels that other ladders have and this one does not say nothing here.
fn on_ladder(ladder: &Ladder, histories: &[LevelHistory]) -> Pace {
    let known: Vec<LevelHistory> = histories
        .iter()
        .filter(|one| ladder.position(&one.level).is_some())
        .cloned()
        .collect();
    pace(ladder, &known)
}

/// How these horses came along with their levels until the day before they were judged.
pub fn histories(judged: &[Arc<Judged>]) -> Vec<LevelHistory> {
    let of = |horse: &Arc<Judged>| {
        let until = horse.on.saturating_sub(1.day());
        gathered::histories(
            horse.horse_id,
            horse.ladder(),
            &horse.file,
            &horse.standings,
            until,
        )
    };
    judged.iter().flat_map(of).collect()
}
