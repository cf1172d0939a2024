//! What is kept in memory of the horses, by version.

use std::collections::HashMap;
use std::sync::Arc;

use cavesson_core::evidence::riders_from::in_use;
use cavesson_store::BarnTransaction;
use cavesson_store::horse::known;
use cavesson_store::horse::known::KnownVersion;
use cavesson_store::horse::rider_offset;
use jiff::civil::Date;
use moka::sync::Cache;
use uuid::Uuid;

use super::horse_ladder::Ladders;
use super::judged::{Judged, ReadHorse};
use super::known::Known;
use super::read;
use super::rider_offsets::RidersOfBarn;
use crate::http::problem::{Answer, Problem};
use crate::http::work::Line;

/// Reps kept in memory over all horses; about 250 bytes each.
const MOST_REPS: u64 = 2_000_000;

/// A horse of a barn. Ids are made on devices: nothing says that another barn's
/// device did not make the same.
type HorseOfBarn = (Uuid, Uuid);

/// Barns whose riders are kept in memory.
const MOST_BARNS: u64 = 1000;

/// What has been read of the horses so far.
#[derive(Clone)]
pub struct KnownHorses {
    horses: Cache<HorseOfBarn, Arc<Known>>,
    judged: Cache<HorseOfBarn, Arc<Judged>>,
    /// By barn and the day of the last comparison.
    riders: Cache<(Uuid, Date), Arc<RidersOfBarn>>,
    /// The ladders of the programs.
    pub ladders: Ladders,
    judging: Line,
}

impl KnownHorses {
    /// Nothing yet; horses are judged in that line of work.
    pub fn new(judging: Line) -> KnownHorses {
        let weight = |count: usize| count.try_into().unwrap_or(u32::MAX);
        KnownHorses {
            horses: Cache::builder()
                .weigher(move |_: &HorseOfBarn, known: &Arc<Known>| weight(known.count))
                .max_capacity(MOST_REPS)
                .build(),
            judged: Cache::builder()
                .weigher(move |_: &HorseOfBarn, judged: &Arc<Judged>| weight(judged.known.count))
                .max_capacity(MOST_REPS)
                .build(),
            riders: Cache::new(MOST_BARNS),
            ladders: Ladders::default(),
            judging,
        }
    }

    /// What is known of horses, in the order of `horse_ids`, to be judged on `on`; one
    /// that is not in the barn is left out. `barn` is to see one state.
    pub async fn read(
        &self,
        barn: &mut BarnTransaction,
        horse_ids: &[Uuid],
        on: Date,
    ) -> Answer<Vec<ReadHorse>> {
        let versions: HashMap<Uuid, KnownVersion> = known::versions(barn, horse_ids)
            .await?
            .into_iter()
            .map(|version| (version.horse_id, version))
            .collect();
        let mut ladders = self.ladders.in_use(barn, versions.values(), on).await?;
        let riders = self.riders(barn, on).await?;
        let mut found = Vec::with_capacity(horse_ids.len());
        for version in horse_ids.iter().filter_map(|id| versions.get(id)) {
            found.push(ReadHorse {
                barn_id: barn.barn_id(),
                horse_id: version.horse_id,
                known: self.known(barn, version).await?,
                on_ladder: ladders
                    .remove(&version.horse_id)
                    .unwrap_or_else(|| self.ladders.standard()),
                riders: riders.clone(),
                judged_until: version.judged_until,
            });
        }
        Ok(found)
    }

    /// How the barn's riders differ, as far as that was known on a day.
    async fn riders(&self, barn: &mut BarnTransaction, on: Date) -> Answer<Arc<RidersOfBarn>> {
        let Some(last) = rider_offset::last_compared(barn, on).await? else {
            return Ok(Arc::default());
        };
        let key = (barn.barn_id(), last);
        if let Some(riders) = self.riders.get(&key) {
            return Ok(riders);
        }
        let comparisons = rider_offset::until(barn, last).await?;
        let riders = Arc::new(RidersOfBarn {
            latest: comparisons
                .last()
                .map(|last| last.riders.clone())
                .unwrap_or_default(),
            in_use: in_use(comparisons),
        });
        self.riders.insert(key, riders.clone());
        Ok(riders)
    }

    /// Judges horses that were read. No connection is held meanwhile.
    pub async fn judge(&self, read: Vec<ReadHorse>, on: Date) -> Answer<Vec<Arc<Judged>>> {
        let mut all = Vec::with_capacity(read.len());
        for horse in read {
            all.push(self.judge_one(horse, on).await?);
        }
        Ok(all)
    }

    /// Horses judged on `on`, in the order of `horse_ids`. The transaction ends when
    /// all is read.
    pub async fn judged(
        &self,
        mut barn: BarnTransaction,
        horse_ids: &[Uuid],
        on: Date,
    ) -> Answer<Vec<Arc<Judged>>> {
        let read = self.read(&mut barn, horse_ids, on).await?;
        drop(barn);
        self.judge(read, on).await
    }

    /// One horse judged on `on`. The transaction ends when all is read.
    pub async fn judged_horse(
        &self,
        barn: BarnTransaction,
        horse_id: Uuid,
        on: Date,
    ) -> Answer<Arc<Judged>> {
        self.judged(barn, &[horse_id], on)
            .await?
            .pop()
            .ok_or_else(|| Problem::not_found("no such horse in this barn"))
    }

    async fn judge_one(&self, read: ReadHorse, on: Date) -> Answer<Arc<Judged>> {
        let key = (read.barn_id, read.horse_id);
        let before = self.judged.get(&key);
        let same = before.as_ref().filter(|judged| {
            judged.known.version == read.known.version
                && judged.on == on
                && judged.on_ladder.is_same(&read.on_ladder)
                && judged.riders == read.riders
        });
        if let Some(judged) = same {
            return Ok(judged.clone());
        }
        let judge = move || Arc::new(read.judge_after(on, before.as_deref()));
        let judged = self.judging.run(judge).await?;
        let newer = |old: &Arc<Judged>| old.known.version > judged.known.version;
        self.judged.entry(key).and_upsert_with(|old| {
            let old = old.map(moka::Entry::into_value);
            old.filter(newer).unwrap_or_else(|| judged.clone())
        });
        Ok(judged)
    }

    /// What is known of a horse in this version: what was read before, and what
    /// came after it.
    async fn known(
        &self,
        barn: &mut BarnTransaction,
        version: &KnownVersion,
    ) -> Answer<Arc<Known>> {
        let key = (barn.barn_id(), version.horse_id);
        let before = self.horses.get(&key);
        if let Some(known) = before
            .as_ref()
            .filter(|known| known.version == version.version)
        {
            return Ok(known.clone());
        }
        // A version from before what is in memory: another request read on while
        // this one's transaction still sees the past. It reads all again.
        let before = before.filter(|known| {
            known.version < version.version && known.version >= version.forgotten_until
        });
        let known = Arc::new(read::known_of(barn, version, before.as_deref()).await?);
        self.horses.entry(key).and_upsert_with(|old| {
            let old = old.map(moka::Entry::into_value);
            old.filter(|old| old.version > known.version)
                .unwrap_or_else(|| known.clone())
        });
        Ok(known)
    }
}
