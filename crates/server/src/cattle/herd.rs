//! Cattle with how they stand today.

use cavesson_core::cattle::heading::{heading, heading_at_end};
use cavesson_core::cattle::herd::{Caps, CowPast, CowStanding, standing};
use cavesson_core::cattle::lots::{lots_for, rides_of_lot};
use cavesson_core::cattle::matching::{Cow as ToMatch, Horse};
use cavesson_core::cattle::settle::{Settled, Settling, settled};
use cavesson_core::week::plan::WeekLot;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::cattle_lot;
use cavesson_store::barn::cattle_lot::CattleLot;
use cavesson_store::cattle::cow;
use cavesson_store::cattle::cow::Cow;
use cavesson_store::cattle::ride_work;
use cavesson_store::cattle::ride_work::Wanted;
use cavesson_store::cattle::ride_work::Work;
use cavesson_store::cattle::settling;
use jiff::civil::Date;
use uuid::Uuid;

use crate::http::problem::{Answer, Problem};

/// A cow and how it stands.
pub struct CowNow {
    /// The cow.
    pub cow: Cow,
    /// How it stands.
    pub standing: CowStanding,
}

/// A lot and whether it stands settled.
pub struct LotNow {
    /// The lot.
    pub lot: CattleLot,
    /// Whether it stands settled.
    pub settled: Settled,
}

/// Lots and their cattle on a day.
pub struct Herd {
    /// The lots.
    pub lots: Vec<LotNow>,
    /// Their cattle, those of a lot together.
    pub cattle: Vec<CowNow>,
}

/// The latest settlings of a lot say whether it stands settled.
const SETTLINGS: i64 = 20;

/// The lots that are in use with the cattle that are there.
pub async fn in_use(barn: &mut BarnTransaction, today: Date) -> Answer<Herd> {
    let mut lots = cattle_lot::list(barn).await?;
    lots.retain(|lot| lot.put_away_at.is_none());
    read(barn, lots, None, today).await
}

/// One lot with all cattle that ever were in it; none where there is no such lot.
pub async fn of_lot(barn: &mut BarnTransaction, lot_id: Uuid, today: Date) -> Answer<Option<Herd>> {
    let mut lots = cattle_lot::list(barn).await?;
    lots.retain(|lot| lot.lot_id == lot_id);
    if lots.is_empty() {
        return Ok(None);
    }
    read(barn, lots, Some(lot_id), today).await.map(Some)
}

async fn read(
    barn: &mut BarnTransaction,
    lots: Vec<CattleLot>,
    lot_id: Option<Uuid>,
    today: Date,
) -> Answer<Herd> {
    let cattle = cow::list(barn, lot_id).await?;
    let ids: Vec<Uuid> = cattle.iter().map(|cow| cow.cow_id).collect();
    let wanted = Wanted {
        cattle: Some(&ids),
        ..Wanted::default()
    };
    let works = ride_work::list(barn, wanted).await?;
    let settlings = settling::list(barn, lot_id, SETTLINGS).await?;
    let stands = |lot: &CattleLot| {
        let own = settlings.iter().filter(|one| one.lot_id == lot.lot_id);
        let own: Vec<&Settling> = own.map(|one| &one.settling).collect();
        let here = cattle
            .iter()
            .filter(|cow| cow.lot_id == lot.lot_id && cow.put_away_at.is_none());
        settled(own, here.map(|cow| cow.sheet.came).max(), today)
    };
    let lots: Vec<LotNow> = lots
        .into_iter()
        .map(|lot| LotNow {
            settled: stands(&lot),
            lot,
        })
        .collect();
    let cattle = cattle
        .into_iter()
        .map(|cow| {
            let lot = lots.iter().find(|now| now.lot.lot_id == cow.lot_id);
            let own: Vec<&Work> = works
                .iter()
                .filter(|work| work.said.cow_id == Some(cow.cow_id))
                .collect();
            now(cow, lot.map(|now| &now.lot), &own, today)
        })
        .collect::<Answer<_>>()?;
    Ok(Herd { lots, cattle })
}

/// How a cow stands by its works, oldest first.
pub fn now(cow: Cow, lot: Option<&CattleLot>, works: &[&Work], today: Date) -> Answer<CowNow> {
    let caps = lot.map_or(
        Caps {
            works: 1,
            minutes: 1,
        },
        |lot| Caps {
            works: lot.sheet.works_a_day,
            minutes: lot.sheet.minutes_a_day,
        },
    );
    let on_day = || works.iter().filter(|work| work.day == today);
    let past = CowPast {
        stopped: works.iter().flat_map(|work| headings(work)).collect(),
        works: works.len() as u32,
        worked_on: works.iter().map(|work| work.day).max(),
        works_today: on_day().count() as u32,
        minutes_today: on_day().filter_map(|work| work.said.minutes()).sum(),
        not_well: cow.not_well,
    };
    let standing = standing(&cow.sheet, &past, caps).map_err(Problem::field)?;
    Ok(CowNow { cow, standing })
}

/// Each time its cow was headed in a work: it stopped, or went through.
pub fn headings(work: &Work) -> Vec<bool> {
    let turns = work.turns.iter().filter_map(|(_, turn)| heading(turn));
    let end = work.said.ended.and_then(|end| heading_at_end(end.how));
    turns.chain(end).collect()
}

impl Herd {
    /// The lot of a cow.
    pub fn lot_of(&self, cow: &Cow) -> Option<&LotNow> {
        self.lots.iter().find(|now| now.lot.lot_id == cow.lot_id)
    }

    /// The cattle as a day is matched by them.
    pub fn to_match(&self) -> Vec<ToMatch> {
        let to_match = |now: &CowNow| {
            let settled = self
                .lot_of(&now.cow)
                .is_some_and(|lot| lot.settled == Settled::Yes);
            now.standing
                .to_match(now.cow.cow_id, &now.cow.sheet, settled)
        };
        self.cattle.iter().map(to_match).collect()
    }

    /// The lots for a horse, the one with the best cow for it first.
    pub fn lots_for(&self, horse: &Horse) -> Vec<Uuid> {
        let cattle: Vec<(Uuid, ToMatch)> = self
            .cattle
            .iter()
            .map(|now| now.cow.lot_id)
            .zip(self.to_match())
            .collect();
        let with_cattle = |now: &LotNow| {
            let own = cattle.iter().filter(|(of, _)| *of == now.lot.lot_id);
            (now.lot.lot_id, own.map(|(_, cow)| cow.clone()).collect())
        };
        let lots: Vec<(Uuid, Vec<ToMatch>)> = self.lots.iter().map(with_cattle).collect();
        lots_for(horse, &lots)
    }

    /// How many rides on cattle each lot has for so many days, by the cattle that can be worked.
    pub fn week_lots(&self, days: usize) -> Vec<WeekLot> {
        self.lots
            .iter()
            .map(|now| {
                let lot = &now.lot;
                let mut own = self
                    .cattle
                    .iter()
                    .filter(|cow| cow.cow.lot_id == lot.lot_id)
                    .peekable();
                let is_counted = own.peek().is_some();
                let can_work = own.filter(|cow| cow.standing.can_work()).count();
                let rides =
                    rides_of_lot(is_counted.then_some(can_work), lot.sheet.works_a_day, days);
                WeekLot {
                    lot_id: lot.lot_id,
                    name: lot.sheet.name.clone(),
                    works_left: rides.in_all,
                    works_a_day: rides.a_day,
                }
            })
            .collect()
    }

    /// A cow by its id.
    pub fn cow(&self, cow_id: Uuid) -> Option<&CowNow> {
        self.cattle.iter().find(|now| now.cow.cow_id == cow_id)
    }
}
