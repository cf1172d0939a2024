//! What is known of the horses, kept in memory by version, and judged.
//!
//! The database is the record. A horse's row carries the version of what is
//! known of it; here stands what was read until some version, and only what came
//! after it is read again. A verdict is made from exactly the version that the
//! request's own transaction sees, so it is never stale.

pub mod keep;

use std::collections::HashMap;
use std::sync::Arc;

use cavesson_core::horse::CareNote;
use cavesson_core::judge::{HorseFile, Overrule, RideFacts, Standing, judge_horse};
use cavesson_core::ladder::{Ladder, LadderFile, Level};
use cavesson_core::program::Program;
use cavesson_core::rep::Rep;
use cavesson_store::known::{self, BlockFault, KnownVersion};
use cavesson_store::{BarnTransaction, program};
use jiff::civil::Date;
use moka::sync::Cache;
use uuid::Uuid;

use crate::problem::{Answer, Problem};

/// Reps kept in memory over all horses; about 250 bytes each.
const MOST_REPS: u64 = 2_000_000;
/// A version before the first.
const BEFORE_ALL: i64 = -1;
/// Ladders of programs kept in memory.
const MOST_LADDERS: u64 = 500;

/// What has been read of the horses so far.
#[derive(Clone)]
pub struct KnownHorses {
    horses: Cache<Uuid, Arc<Known>>,
    judged: Cache<Uuid, Arc<Judged>>,
    ladders: Cache<(Uuid, i32), Arc<Ladder>>,
    shipped: Arc<Ladder>,
}

impl Default for KnownHorses {
    fn default() -> KnownHorses {
        let weigh = |_: &Uuid, known: &Arc<Known>| known.count.try_into().unwrap_or(u32::MAX);
        KnownHorses {
            horses: Cache::builder()
                .weigher(weigh)
                .max_capacity(MOST_REPS)
                .build(),
            judged: Cache::builder()
                .weigher(|_: &Uuid, judged: &Arc<Judged>| {
                    judged.known.count.try_into().unwrap_or(u32::MAX)
                })
                .max_capacity(MOST_REPS)
                .build(),
            ladders: Cache::new(MOST_LADDERS),
            shipped: Arc::new(Ladder::shipped().clone()),
        }
    }
}

/// What is known of one horse.
pub struct Known {
    version: i64,
    /// Its reps that were not taken back, level by level. Shared with the version
    /// before where nothing was added.
    pub reps: HashMap<Level, Arc<Vec<Rep>>>,
    count: usize,
    /// Its rides, oldest first.
    pub rides: Vec<RideFacts>,
    /// Faults seen in parts of its rides.
    pub faults: Vec<BlockFault>,
    /// Notes of care.
    pub care: Vec<CareNote>,
    overrules: Vec<Overrule>,
}

/// The ladder a horse stands on, and the program it comes from.
#[derive(Clone)]
pub struct HorseLadder {
    /// The ladder.
    pub ladder: Arc<Ladder>,
    /// Program and version; none for the ladder as it ships.
    pub program: Option<(Uuid, i32)>,
}

/// A horse, judged on one date.
pub struct Judged {
    /// The horse.
    pub horse_id: Uuid,
    /// What is known of it.
    pub known: Arc<Known>,
    /// Its ladder.
    pub on_ladder: HorseLadder,
    /// The same, laid along the ladder.
    pub file: HorseFile,
    /// The date.
    pub on: Date,
    /// Every level.
    pub standings: Vec<Standing>,
}

impl Judged {
    /// Its ladder.
    pub fn ladder(&self) -> &Ladder {
        &self.on_ladder.ladder
    }

    /// The version of what is known of the horse.
    pub fn version(&self) -> i64 {
        self.known.version
    }
}

impl KnownHorses {
    /// Horses judged on `on`, in the order of `horse_ids`; one that is not in the
    /// barn is left out.
    pub async fn judged(
        &self,
        barn: &mut BarnTransaction,
        horse_ids: &[Uuid],
        on: Date,
    ) -> Answer<Vec<Arc<Judged>>> {
        let versions: HashMap<Uuid, KnownVersion> = known::versions(barn, horse_ids)
            .await?
            .into_iter()
            .map(|version| (version.horse_id, version))
            .collect();
        let ladders = self.ladders_in_use(barn, versions.values()).await?;
        let mut found = Vec::with_capacity(horse_ids.len());
        for version in horse_ids.iter().filter_map(|id| versions.get(id)) {
            let on_ladder = version
                .program_id
                .and_then(|id| ladders.get(&id).cloned())
                .unwrap_or_else(|| self.as_shipped());
            found.push(self.judge(barn, version, on_ladder, on).await?);
        }
        Ok(found)
    }

    /// One horse judged on `on`.
    pub async fn judged_horse(
        &self,
        barn: &mut BarnTransaction,
        horse_id: Uuid,
        on: Date,
    ) -> Answer<Arc<Judged>> {
        self.judged(barn, &[horse_id], on)
            .await?
            .pop()
            .ok_or_else(|| Problem::not_found("no such horse in this barn"))
    }

    /// The ladder as it ships.
    pub fn as_shipped(&self) -> HorseLadder {
        HorseLadder {
            ladder: self.shipped.clone(),
            program: None,
        }
    }

    async fn judge(
        &self,
        barn: &mut BarnTransaction,
        version: &KnownVersion,
        on_ladder: HorseLadder,
        on: Date,
    ) -> Answer<Arc<Judged>> {
        let before = self.judged.get(&version.horse_id).filter(|judged| {
            judged.known.version == version.version
                && judged.on == on
                && judged.on_ladder.program == on_ladder.program
        });
        if let Some(judged) = before {
            return Ok(judged);
        }
        let known = self.known(barn, version).await?;
        let horse_id = version.horse_id;
        let judged =
            tokio::task::spawn_blocking(move || judge(horse_id, known, on_ladder, on)).await?;
        let judged = Arc::new(judged);
        self.judged.insert(horse_id, judged.clone());
        Ok(judged)
    }

    /// What is known of a horse in this version: what was read before, and what
    /// came after it.
    async fn known(
        &self,
        barn: &mut BarnTransaction,
        version: &KnownVersion,
    ) -> Answer<Arc<Known>> {
        let before = self.horses.get(&version.horse_id);
        if let Some(known) = before
            .as_ref()
            .filter(|known| known.version == version.version)
        {
            return Ok(known.clone());
        }
        // A version from before what is in memory: another request read on while
        // this one's transaction still sees the past. It reads all again.
        let before = before.filter(|known| known.version < version.version);
        let horse_id = version.horse_id;
        let from = before.as_ref().map_or(BEFORE_ALL, |known| known.version);
        let newly = known::reps_after(barn, horse_id, from).await?;
        let mut reps = before.map(|known| known.reps.clone()).unwrap_or_default();
        for new in newly {
            let of_level = Arc::make_mut(reps.entry(new.rep.level()).or_default());
            // What was known before and came again was taken back.
            if from > BEFORE_ALL && new.undone {
                of_level.retain(|rep| rep.rep_id != new.rep.rep_id);
            } else if !new.undone {
                of_level.push(new.rep);
            }
        }
        let known = Arc::new(Known {
            version: version.version,
            count: reps.values().map(|of_level| of_level.len()).sum::<usize>() + 1,
            reps,
            rides: known::rides(barn, horse_id).await?,
            faults: known::block_faults(barn, horse_id).await?,
            care: known::care(barn, horse_id).await?,
            overrules: known::overrules(barn, horse_id).await?,
        });
        self.horses.insert(horse_id, known.clone());
        Ok(known)
    }

    /// The ladders of the programs these horses are on.
    async fn ladders_in_use(
        &self,
        barn: &mut BarnTransaction,
        versions: impl Iterator<Item = &KnownVersion>,
    ) -> Answer<HashMap<Uuid, HorseLadder>> {
        if !versions
            .into_iter()
            .any(|version| version.program_id.is_some())
        {
            return Ok(HashMap::new());
        }
        let mut ladders = HashMap::new();
        for version in program::in_use(barn).await? {
            let ladder = self.ladder_of(version.program_id, version.version, &version.content);
            ladders.insert(version.program_id, ladder);
        }
        Ok(ladders)
    }

    /// The ladder of one version of a program. A program that does not fit the
    /// ladder any more (it was made on an older one) leaves the ladder as it ships.
    pub fn ladder_of(&self, program_id: Uuid, version: i32, content: &Program) -> HorseLadder {
        let ladder = self.ladders.get_with((program_id, version), || {
            match Ladder::of(LadderFile::shipped(), content) {
                Ok(ladder) => Arc::new(ladder),
                Err(error) => {
                    tracing::error!(%error, %program_id, version, "program does not fit the ladder");
                    self.shipped.clone()
                }
            }
        });
        HorseLadder {
            ladder,
            program: Some((program_id, version)),
        }
    }
}

impl Known {
    /// The same laid along a ladder.
    pub fn file(&self, ladder: &Ladder) -> HorseFile {
        let mut file = HorseFile::of_reps(
            ladder,
            self.reps.values().flat_map(|of_level| of_level.iter()),
        );
        for chip in &self.faults {
            let place = ladder.position(&chip.level);
            if let Some((place, fault)) = place.zip(ladder.fault(&chip.fault)) {
                file.add_fault(place, chip.ride_id, fault);
            }
        }
        file.rides = self.rides.clone();
        file.care = self.care.clone();
        file.overrules = self.overrules.clone();
        file
    }
}

/// Judges what is known of a horse.
pub fn judge(horse_id: Uuid, known: Arc<Known>, on_ladder: HorseLadder, on: Date) -> Judged {
    let file = known.file(&on_ladder.ladder);
    let standings = judge_horse(&on_ladder.ladder, &file, on);
    Judged {
        horse_id,
        known,
        on_ladder,
        file,
        on,
        standings,
    }
}
