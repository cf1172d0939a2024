//! What a barn keeps under a name: places, tack, lots of cattle, courses. All four keep to the
//! same rules: by name, those put away last; a name is there once; what was put away can be
//! used again; no barn touches what is another's.

use cavesson_core::ground::course_plan::CourseSheet;
use cavesson_core::yard::{CattleLotSheet, GearSheet, PlaceSheet};
use cavesson_store::barn::barns::BarnTransaction;
use cavesson_store::barn::{cattle_lot, gear, place};
use cavesson_store::ground::course;
use cavesson_store::{MIGRATOR, StoreError, StoreResult};
use jiff::Timestamp;
use serde_json::json;
use sqlx::PgPool;
use uuid::Uuid;

use crate::barn::barn_with_horse;

static TABLES: &sqlx::migrate::Migrator = &MIGRATOR;

#[derive(Debug, Clone, Copy, PartialEq)]
enum Kind {
    Place,
    Gear,
    Lot,
    Course,
}

const KINDS: [Kind; 4] = [Kind::Place, Kind::Gear, Kind::Lot, Kind::Course];

fn a_place(name: &str) -> PlaceSheet {
    serde_json::from_value(json!({"name": name, "kind": "arena", "horses_at_once": 3})).unwrap()
}

fn a_piece(name: &str) -> GearSheet {
    serde_json::from_value(json!({"name": name, "kind": "snaffle"})).unwrap()
}

fn a_lot(name: &str) -> CattleLotSheet {
    let sheet = json!({"name": name, "kind": "steers", "head": 10, "note": "",
        "works_a_day": 3, "minutes_a_day": 30});
    serde_json::from_value(sheet).unwrap()
}

fn a_course(name: &str) -> CourseSheet {
    let plan = json!({"kind": "drill", "drill": "serpentine", "size_ft": 18.0, "first": "left",
        "laps": 2, "placing": {"origin": [50.0, 50.0], "rotation_deg": 0.0}});
    serde_json::from_value(json!({"name": name, "plan": plan})).unwrap()
}

/// The yard of one barn, with the place its courses lie in.
struct Yard<'a> {
    barn: &'a mut BarnTransaction,
    lies_in: Uuid,
}

impl Yard<'_> {
    async fn add(&mut self, kind: Kind, id: Uuid, name: &str) -> StoreResult<()> {
        let barn = &mut *self.barn;
        match kind {
            Kind::Place => place::add(barn, id, &a_place(name)).await,
            Kind::Gear => gear::add(barn, id, &a_piece(name)).await,
            Kind::Lot => cattle_lot::add(barn, id, &a_lot(name)).await,
            Kind::Course => course::add(barn, id, self.lies_in, &a_course(name)).await,
        }
    }

    async fn change(&mut self, kind: Kind, id: Uuid, name: &str) -> StoreResult<bool> {
        let barn = &mut *self.barn;
        match kind {
            Kind::Place => place::change(barn, id, &a_place(name)).await,
            Kind::Gear => gear::change(barn, id, &a_piece(name)).await,
            Kind::Lot => cattle_lot::change(barn, id, &a_lot(name)).await,
            Kind::Course => course::change(barn, id, &a_course(name)).await,
        }
    }

    async fn put_away(&mut self, kind: Kind, id: Uuid, at: Option<Timestamp>) -> bool {
        let barn = &mut *self.barn;
        match kind {
            Kind::Place => place::put_away(barn, id, at).await,
            Kind::Gear => gear::put_away(barn, id, at).await,
            Kind::Lot => cattle_lot::put_away(barn, id, at).await,
            Kind::Course => course::put_away(barn, id, at).await,
        }
        .unwrap()
    }

    /// Names and when each was put away, in the order they are shown.
    async fn shown(&mut self, kind: Kind) -> Vec<(String, Option<Timestamp>)> {
        let barn = &mut *self.barn;
        let lies_in = self.lies_in;
        match kind {
            Kind::Place => {
                let all = place::list(barn).await.unwrap().into_iter();
                let own = all.filter(|one| one.place_id != lies_in);
                own.map(|one| (one.sheet.name, one.put_away_at)).collect()
            }
            Kind::Gear => {
                let all = gear::list(barn).await.unwrap().into_iter();
                all.map(|one| (one.sheet.name, one.put_away_at)).collect()
            }
            Kind::Lot => {
                let all = cattle_lot::list(barn).await.unwrap().into_iter();
                all.map(|one| (one.sheet.name, one.put_away_at)).collect()
            }
            Kind::Course => {
                let all = course::list(barn).await.unwrap().into_iter();
                all.map(|one| (one.sheet.name, one.put_away_at)).collect()
            }
        }
    }
}

async fn begun(pool: &PgPool, handle: &str) -> (BarnTransaction, Uuid) {
    let (barn_id, _) = barn_with_horse(pool, handle, "Any").await;
    let mut barn = BarnTransaction::begin(pool, barn_id).await.unwrap();
    let lies_in = Uuid::now_v7();
    place::add(&mut barn, lies_in, &a_place("Where courses lie"))
        .await
        .unwrap();
    (barn, lies_in)
}

#[sqlx::test(migrator = "TABLES")]
async fn by_name_and_those_put_away_last_and_back_again(pool: PgPool) {
    let (mut barn, lies_in) = begun(&pool, "home").await;
    let mut yard = Yard {
        barn: &mut barn,
        lies_in,
    };
    let at: Timestamp = "2026-05-04T12:00:00Z".parse().unwrap();
    for kind in KINDS {
        let ids = [Uuid::now_v7(), Uuid::now_v7(), Uuid::now_v7()];
        for (id, name) in ids.iter().zip(["Cedar", " Alder ", "Birch"]) {
            yard.add(kind, *id, name).await.unwrap();
        }
        let names = |shown: &[(String, Option<Timestamp>)]| -> Vec<String> {
            shown.iter().map(|(name, _)| name.clone()).collect()
        };
        assert_eq!(
            names(&yard.shown(kind).await),
            ["Alder", "Birch", "Cedar"],
            "{kind:?}"
        );
        assert!(yard.put_away(kind, ids[1], Some(at)).await);
        let shown = yard.shown(kind).await;
        assert_eq!(names(&shown), ["Birch", "Cedar", "Alder"], "{kind:?}");
        assert_eq!(shown[2].1, Some(at));
        // Put away again it has the later time; taken out it is in use, and stands by its name.
        let later = at + jiff::SignedDuration::from_hours(1);
        assert!(yard.put_away(kind, ids[1], Some(later)).await);
        assert_eq!(yard.shown(kind).await[2].1, Some(later));
        assert!(yard.put_away(kind, ids[1], None).await);
        let shown = yard.shown(kind).await;
        assert_eq!(names(&shown), ["Alder", "Birch", "Cedar"], "{kind:?}");
        assert!(shown.iter().all(|(_, away)| away.is_none()));
        assert!(yard.change(kind, ids[0], "Aspen").await.unwrap());
        assert_eq!(
            names(&yard.shown(kind).await),
            ["Alder", "Aspen", "Birch"],
            "{kind:?}"
        );
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn what_is_not_there_is_neither_changed_nor_put_away(pool: PgPool) {
    let (mut barn, lies_in) = begun(&pool, "home").await;
    let mut yard = Yard {
        barn: &mut barn,
        lies_in,
    };
    for kind in KINDS {
        let nobody = Uuid::now_v7();
        assert!(!yard.change(kind, nobody, "Any").await.unwrap(), "{kind:?}");
        assert!(
            !yard
                .put_away(kind, nobody, Some(Timestamp::UNIX_EPOCH))
                .await,
            "{kind:?}"
        );
        assert_eq!(yard.shown(kind).await, []);
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_name_is_there_once_whether_put_away_or_not(pool: PgPool) {
    for kind in KINDS {
        for away in [false, true] {
            let handle = format!("home{}{away}", kind as u8);
            let (mut barn, lies_in) = begun(&pool, &handle).await;
            let mut yard = Yard {
                barn: &mut barn,
                lies_in,
            };
            let first = Uuid::now_v7();
            yard.add(kind, first, "Cedar").await.unwrap();
            if away {
                yard.put_away(kind, first, Some(Timestamp::UNIX_EPOCH))
                    .await;
            }
            let again = yard.add(kind, Uuid::now_v7(), "Cedar").await;
            assert!(
                matches!(again, Err(StoreError::Taken { .. })),
                "{kind:?}: {again:?}"
            );
        }
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn another_barn_sees_changes_and_puts_away_nothing_of_it(pool: PgPool) {
    let at = Some(Timestamp::UNIX_EPOCH);
    for kind in KINDS {
        let (mut own, lies_in) = begun(&pool, &format!("own{}", kind as u8)).await;
        let id = Uuid::now_v7();
        let mut yard = Yard {
            barn: &mut own,
            lies_in,
        };
        yard.add(kind, id, "Cedar").await.unwrap();
        own.commit().await.unwrap();
        let (mut other, other_place) = begun(&pool, &format!("other{}", kind as u8)).await;
        let mut theirs = Yard {
            barn: &mut other,
            lies_in: other_place,
        };
        assert_eq!(theirs.shown(kind).await, [], "{kind:?}");
        assert!(
            !theirs.change(kind, id, "Mine now").await.unwrap(),
            "{kind:?}"
        );
        assert!(!theirs.put_away(kind, id, at).await, "{kind:?}");
        // The same name is free there.
        theirs.add(kind, Uuid::now_v7(), "Cedar").await.unwrap();
    }
}
