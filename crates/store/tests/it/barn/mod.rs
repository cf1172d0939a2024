//! A barn with a horse, for tests of the store.

use cavesson_core::horse::{HorseSheet, Sex};
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use cavesson_store::barn::barns::BarnTransaction;
use cavesson_store::horse::horses;
use sqlx::PgPool;
use uuid::Uuid;

/// A barn and its one horse.
pub async fn barn_with_horse(pool: &PgPool, handle: &str, name: &str) -> (Uuid, Uuid) {
    let stored = Barn {
        barn_id: Uuid::now_v7(),
        handle: handle.into(),
        name: handle.into(),
        time_zone: "America/Denver".into(),
        units: "us".into(),
        quiet_outings_pct: 25,
    };
    barns::add(pool, &stored).await.unwrap();
    let mut transaction = BarnTransaction::begin(pool, stored.barn_id).await.unwrap();
    let horse_id = Uuid::now_v7();
    horses::add(&mut transaction, horse_id, &a_horse(name))
        .await
        .unwrap();
    transaction.commit().await.unwrap();
    (stored.barn_id, horse_id)
}

pub fn a_horse(name: &str) -> HorseSheet {
    HorseSheet {
        name: name.into(),
        sex: Sex::Mare,
        foaled: 2021,
        color: "bay".into(),
        markings: String::new(),
        note: String::new(),
        owner_id: None,
        program_id: None,
    }
}
