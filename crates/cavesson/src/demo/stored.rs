//! What a barn has before its first ride, put into the tables: people set a barn up
//! in their own way, and there is no call of the API for that yet.

use std::collections::HashMap;

use anyhow::Context;
use cavesson_core::horse::{HorseSheet, Sex};
use cavesson_core::ladder::Level;
use cavesson_core::yard::{PlaceKind, PlaceSheet};
use cavesson_store::BarnTransaction;
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use cavesson_store::barn::place;
use cavesson_store::day::program_day;
use cavesson_store::day::program_day::NewProgramDay;
use cavesson_store::horse::horses;
use jiff::civil::time;
use sqlx::PgPool;
use uuid::Uuid;

use super::TIME_ZONE;
use super::horse::DemoHorse;
use super::people::{self, DemoBarn};

/// What a barn has when its horses come.
struct BarnIds {
    people: HashMap<&'static str, Uuid>,
    places: Vec<Uuid>,
}

/// Adds a barn with its people, places, horses and their week.
pub async fn add(pool: &PgPool, demo: &DemoBarn, year: i16) -> anyhow::Result<()> {
    let stored = Barn {
        barn_id: Uuid::now_v7(),
        handle: demo.handle.to_owned(),
        name: demo.name.to_owned(),
        time_zone: TIME_ZONE.to_owned(),
        units: "us".into(),
        quiet_outings_pct: 25,
    };
    barns::add(pool, &stored).await?;
    let mut barn = BarnTransaction::begin(pool, stored.barn_id).await?;
    let people = people::add(&mut barn, demo).await?;
    let mut places = Vec::new();
    for (name, kind) in demo.places {
        let place_id = Uuid::now_v7();
        let place = PlaceSheet {
            name: (*name).to_owned(),
            kind: *kind,
            // Two in a round pen work each other's horse.
            horses_at_once: if *kind == PlaceKind::RoundPen { 1 } else { 4 },
            opens: None,
            closes: None,
        };
        place::add(&mut barn, place_id, &place).await?;
        places.push(place_id);
    }
    let ids = BarnIds { people, places };
    for horse in demo.horses {
        add_horse(&mut barn, horse, &ids, year)
            .await
            .with_context(|| format!("bringing {}", horse.name))?;
    }
    barn.commit().await?;
    Ok(())
}

async fn add_horse(
    barn: &mut BarnTransaction,
    demo: &DemoHorse,
    ids: &BarnIds,
    year: i16,
) -> anyhow::Result<()> {
    let horse_id = Uuid::now_v7();
    let rider_id = *ids.people.get(demo.rider).context("a rider of the barn")?;
    let sheet = HorseSheet {
        name: demo.name.to_owned(),
        sex: Sex::of_word(demo.sex).context("mare, gelding or stallion")?,
        foaled: year - i16::try_from(demo.age)?,
        color: demo.color.to_owned(),
        markings: String::new(),
        note: String::new(),
        owner_id: demo.owner.and_then(|owner| ids.people.get(owner).copied()),
        program_id: None,
    };
    horses::add(barn, horse_id, &sheet).await?;
    put_week(barn, demo, ids, horse_id, rider_id).await
}

async fn put_week(
    barn: &mut BarnTransaction,
    demo: &DemoHorse,
    ids: &BarnIds,
    horse_id: Uuid,
    rider_id: Uuid,
) -> anyhow::Result<()> {
    let place_id = *ids.places.get(demo.place).context("a place of the barn")?;
    let (hour, minute) = demo.starts_at;
    for weekday in (1..=7).filter(|weekday| *weekday != demo.rests) {
        let day = NewProgramDay {
            horse_id,
            weekday,
            starts_at: time(hour, minute, 0, 0),
            rider_id,
            place_id,
            level: Level::new(demo.aim.0, demo.aim.1),
        };
        program_day::put(barn, &day).await?;
    }
    Ok(())
}
