//! The demo's horses, and what each is there to show. A horse is cast: the
//! first seed whose rides lead the judge to the wanted verdict plays the part.

use std::collections::HashMap;

use anyhow::Context;
use cavesson_core::Side;
use cavesson_core::judge::{Overrule, Verdict};
use cavesson_core::ladder::Ladder;
use cavesson_core::sim_horse::Traits;
use cavesson_store::horse::{self, Horse};
use cavesson_store::program_day::{self, NewProgramDay};
use cavesson_store::{BarnTransaction, overrule};
use jiff::civil::time;
use jiff::{ToSpan, Zoned};
use uuid::Uuid;

use super::rides::{self, Part};

/// One horse of the demo.
pub struct DemoHorse {
    pub name: &'static str,
    pub sex: &'static str,
    pub age: i32,
    pub color: &'static str,
    pub rider: &'static str,
    pub owner: Option<&'static str>,
    /// Barn time, hour and minute.
    pub starts_at: (i8, i8),
    pub place: usize,
    /// The weekday it rests, 1 is Monday.
    pub rests: i32,
    /// What it is there to show; none for a horse not ridden yet.
    pub part: Option<Part>,
}

const EAGER: Traits = Traits {
    start: -1.0,
    plateau: 3.4,
    rate: 0.14,
    weaker_side: Side::Right,
    weaker_by: 0.25,
    day_sd: 0.3,
    ..Traits::PLAIN
};

pub const SALTGRASS: &[DemoHorse] = &[
    DemoHorse {
        name: "Oatcake",
        sex: "gelding",
        age: 4,
        color: "buckskin",
        rider: "wren",
        owner: Some("odell"),
        starts_at: (7, 30),
        place: 0,
        rests: 7,
        part: Some(Part {
            traits: EAGER,
            ride_days: 16,
            last_ride: 1,
            wanted: Verdict::Confirm,
            climbs: false,
        }),
    },
    DemoHorse {
        name: "Thimble",
        sex: "mare",
        age: 5,
        color: "red roan",
        rider: "wren",
        owner: None,
        starts_at: (8, 15),
        place: 0,
        rests: 7,
        part: Some(Part {
            traits: Traits {
                start: 0.2,
                ..EAGER
            },
            ride_days: 26,
            last_ride: 1,
            wanted: Verdict::Advance,
            climbs: true,
        }),
    },
    DemoHorse {
        name: "Kettle",
        sex: "gelding",
        age: 3,
        color: "grullo",
        rider: "wren",
        owner: None,
        starts_at: (9, 0),
        place: 1,
        rests: 7,
        part: Some(Part {
            traits: Traits {
                weaker_by: 2.0,
                plateau: 2.6,
                ..EAGER
            },
            ride_days: 18,
            last_ride: 1,
            wanted: Verdict::Stay,
            climbs: false,
        }),
    },
    DemoHorse {
        name: "Juniper Ash",
        sex: "mare",
        age: 2,
        color: "bay",
        rider: "tobin",
        owner: None,
        starts_at: (7, 30),
        place: 1,
        rests: 6,
        part: Some(Part {
            traits: Traits {
                start: -1.6,
                plateau: 0.9,
                rate: 0.06,
                day_sd: 0.7,
                ..EAGER
            },
            ride_days: 11,
            last_ride: 2,
            wanted: Verdict::EaseBack,
            climbs: false,
        }),
    },
    DemoHorse {
        name: "Pocketwatch",
        sex: "gelding",
        age: 7,
        color: "dun",
        rider: "tobin",
        owner: Some("odell"),
        starts_at: (8, 30),
        place: 1,
        rests: 6,
        part: Some(Part {
            traits: EAGER,
            ride_days: 24,
            last_ride: 27,
            wanted: Verdict::Refresh,
            climbs: false,
        }),
    },
    DemoHorse {
        name: "Marlow Fen",
        sex: "gelding",
        age: 2,
        color: "sorrel",
        rider: "tobin",
        owner: None,
        starts_at: (9, 30),
        place: 0,
        rests: 5,
        part: None,
    },
];

pub const TWO_CEDARS: &[DemoHorse] = &[DemoHorse {
    name: "Lanternfly",
    sex: "mare",
    age: 6,
    color: "palomino",
    rider: "ines",
    owner: None,
    starts_at: (8, 0),
    place: 0,
    rests: 7,
    part: Some(Part {
        traits: EAGER,
        ride_days: 12,
        last_ride: 1,
        wanted: Verdict::Stay,
        climbs: false,
    }),
}];

/// Adds a horse with its program and its rides until yesterday.
pub async fn add(
    barn: &mut BarnTransaction,
    demo: &DemoHorse,
    people: &HashMap<&'static str, Uuid>,
    places: &[Uuid],
    now: &Zoned,
) -> anyhow::Result<()> {
    let stored = Horse {
        horse_id: Uuid::now_v7(),
        name: demo.name.to_owned(),
        sex: demo.sex.to_owned(),
        foaled: i32::from(now.year()) - demo.age,
        color: demo.color.to_owned(),
        owner_id: demo.owner.and_then(|owner| people.get(owner).copied()),
        program_id: None,
    };
    horse::add(barn, &stored).await?;
    let rider_id = *people.get(demo.rider).context("a rider of the same barn")?;
    let place_id = *places.get(demo.place).context("a place of the same barn")?;
    let (hour, minute) = demo.starts_at;
    for weekday in (1..=7).filter(|weekday| *weekday != demo.rests) {
        let day = NewProgramDay {
            horse_id: stored.horse_id,
            weekday,
            starts_at: time(hour, minute, 0, 0),
            rider_id,
            place_id,
            level: rides::level(),
        };
        program_day::put(barn, &day).await?;
    }
    came_with_ground_work(barn, stored.horse_id, rider_id, now).await?;
    if let Some(part) = &demo.part {
        let ridden = rides::cast(part, now, demo.starts_at)?;
        rides::add(barn, stored.horse_id, rider_id, &ridden).await?;
    }
    Ok(())
}

/// The horses came with their ground work done: what the demo's level needs
/// counts as held by the trainer's word.
async fn came_with_ground_work(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    made_by: Uuid,
    now: &Zoned,
) -> anyhow::Result<()> {
    let ladder = Ladder::shipped();
    let asked = ladder
        .position(&rides::level())
        .context("the demo's level is on the ladder")?;
    for place in ladder.under(asked) {
        let came_with_it = Overrule {
            overrule_id: Uuid::now_v7(),
            level: ladder.levels[place].level.clone(),
            day: now.date().checked_sub(60.days())?,
            judge_said: Verdict::Stay,
            counts_as: Verdict::Advance,
            reason: "Came with it; shown on the first day.".to_owned(),
        };
        overrule::add(barn, horse_id, &came_with_it, made_by).await?;
    }
    Ok(())
}
