//! What a trainer sets up beside the horses: hours, clearances, goals, and
//! what stands in the day beside the rides. Through the public API, as a user would.

use anyhow::Context;
use cavesson_client::Client;
use jiff::{ToSpan, Zoned};
use serde_json::{Value, json};
use uuid::Uuid;

/// Whom the barn pays for which days, from when to when, for how many horses; and what
/// they are not cleared for.
const HOURS: &[(&str, &[u8], &str, &str, u8)] = &[
    (
        "Wren Aldecott",
        &[1, 2, 3, 4, 5, 6, 7],
        "06:30:00",
        "16:00:00",
        8,
    ),
    (
        "Tobin Marrash",
        &[1, 2, 3, 4, 5, 6, 7],
        "07:00:00",
        "14:30:00",
        8,
    ),
    (
        "Pia Lundgard",
        &[1, 2, 3, 4, 5, 6, 7],
        "06:30:00",
        "12:00:00",
        0,
    ),
];

/// A goal of a horse.
struct DemoGoal {
    horse: &'static str,
    kind: &'static str,
    name: &'static str,
    days_ahead: i64,
    /// Skill and rung of what it is to hold by then.
    levels: &'static [(&'static str, &'static str)],
}

const GOALS: &[DemoGoal] = &[
    DemoGoal {
        horse: "Quill",
        kind: "show",
        name: "Spring futurity",
        days_ahead: 118,
        levels: &[
            ("stop.seat", "lope"),
            ("lead.setup", "walk"),
            ("turn.haunches", "full"),
        ],
    },
    DemoGoal {
        horse: "Thimble",
        kind: "sale",
        name: "Ranch horse sale",
        days_ahead: 74,
        levels: &[
            ("start.brake", "lope"),
            ("bend.hip", "walk"),
            ("frame.poll", "walk"),
            ("stop.seat", "walk"),
        ],
    },
    DemoGoal {
        horse: "Copperline",
        kind: "go_home",
        name: "Goes home",
        days_ahead: 60,
        levels: &[
            ("bend.forward-circle", "jog"),
            ("frame.topline", "walk"),
            ("stop.seat", "jog"),
        ],
    },
    DemoGoal {
        horse: "Kettle",
        kind: "sale",
        name: "Summer sale",
        days_ahead: 200,
        levels: &[],
    },
];

/// Sets the barn up.
pub async fn set_up(trainer: &Client, now: &Zoned) -> anyhow::Result<()> {
    people(trainer).await?;
    let horses = trainer.horses().await?;
    for goal in GOALS {
        if let Some(horse) = horses.iter().find(|horse| horse.name == goal.horse) {
            let day = now.date().checked_add(goal.days_ahead.days())?;
            let levels: Vec<Value> = goal
                .levels
                .iter()
                .map(|(skill, rung)| json!({"skill": skill, "rung": rung}))
                .collect();
            let goals =
                json!([{"kind": goal.kind, "name": goal.name, "day": day, "levels": levels}]);
            let path = format!("/api/horses/{}/goals", horse.horse_id);
            trainer.put(&path, &goals).await?;
        }
    }
    let horse = |name: &str| {
        let found = horses.iter().find(|horse| horse.name == name);
        found.map(|horse| horse.horse_id)
    };
    appointments(trainer, now, horse).await?;
    on_cattle(trainer, now, horse("Harrow")).await?;
    trips(trainer, now, horse).await
}

async fn people(trainer: &Client) -> anyhow::Result<()> {
    let people: Value = trainer.get("/api/people").await?;
    for (name, days, from, to, most) in HOURS {
        let of_barn = people.as_array().context("a list of people")?.iter();
        let Some(person) = of_barn.clone().find(|person| person["name"] == *name) else {
            continue;
        };
        let hours: Vec<Value> = days
            .iter()
            .map(|weekday| json!({"weekday": weekday, "from": from, "to": to, "most_horses": most}))
            .collect();
        let sheet = json!({
            "name": name, "sign_in": person["sign_in"], "role": person["role"],
            "clearance": person["clearance"], "hours": hours,
        });
        let person_id = person["person_id"].as_str().context("an id")?;
        trainer
            .put(&format!("/api/people/{person_id}"), &sheet)
            .await?;
    }
    Ok(())
}

/// What stands in today beside the rides: the farrier, ground that is dragged, the herd.
async fn appointments(
    trainer: &Client,
    now: &Zoned,
    horse: impl Fn(&str) -> Option<Uuid>,
) -> anyhow::Result<()> {
    let places: Value = trainer.get("/api/places").await?;
    let place = |name: &str| {
        let all = places.as_array().into_iter().flatten();
        let found = all.clone().find(|place| place["name"] == name);
        found.map(|place| place["place_id"].clone())
    };
    let path = format!("/api/days/{}/bookings", now.date());
    for (kind, name, in_place, from_min, minutes, note) in [
        ("farrier", "Kettle", None, 13 * 60, 45, "Front shoes"),
        ("ground_dragged", "", Some("Big arena"), 6 * 60 + 45, 30, ""),
        (
            "herd_gathered",
            "",
            Some("Cattle pen"),
            10 * 60,
            120,
            "Yellow tags",
        ),
    ] {
        let booking = json!({
            "booking_id": Uuid::now_v7(), "kind": kind, "horse_id": horse(name),
            "place_id": in_place.and_then(place), "from_min": from_min, "minutes": minutes,
            "note": note,
        });
        trainer.post(&path, &booking).await?;
    }
    Ok(())
}

/// The cow horse is down for the cattle tomorrow, in the place of what the week has for it.
async fn on_cattle(trainer: &Client, now: &Zoned, horse: Option<Uuid>) -> anyhow::Result<()> {
    let day = now.date().checked_add(1.days())?;
    let path = format!("/api/days/{day}/bookings");
    let stands: Value = trainer.get(&format!("/api/days/{day}")).await?;
    let bookings = stands["bookings"].as_array().context("bookings")?;
    let own = bookings.iter().find(|one| {
        let horse_id = one["booking"]["horse_id"]
            .as_str()
            .and_then(|id| id.parse().ok());
        horse_id.is_some() && horse_id == horse
    });
    let Some(own) = own.map(|one| &one["booking"]) else {
        return Ok(());
    };
    let of = own["booking_id"].as_str().context("an id")?;
    trainer.delete(&format!("/api/bookings/{of}")).await?;
    let booking = json!({
        "booking_id": Uuid::now_v7(), "kind": "ride", "horse_id": horse,
        "person_id": own["person_id"], "place_id": own["place_id"],
        "from_min": own["from_min"], "minutes": own["minutes"],
        "skill": "cow.turn", "rung": "slow",
    });
    trainer.post(&path, &booking).await?;
    Ok(())
}

/// Trips of the coming days: work away, and one on which nothing is asked.
async fn trips(
    trainer: &Client,
    now: &Zoned,
    horse: impl Fn(&str) -> Option<Uuid>,
) -> anyhow::Result<()> {
    for (ahead, kind, name) in [
        (2, "haul", "Thimble"),
        (6, "haul", "Thimble"),
        (9, "haul", "Thimble"),
        (4, "outing", "Quill"),
    ] {
        let day = now.date().checked_add(ahead.days())?;
        let place = trainer.get::<Value>("/api/places").await?[0]["place_id"].clone();
        let people: Value = trainer.get("/api/people").await?;
        let mut people = people.as_array().context("a list of people")?.iter();
        let rider = people
            .find(|one| one["role"] == "trainer")
            .context("a trainer")?;
        let booking = json!({
            "booking_id": Uuid::now_v7(), "kind": kind, "horse_id": horse(name),
            "person_id": (kind == "outing").then(|| rider["person_id"].clone()),
            "place_id": (kind == "outing").then_some(place),
            "from_min": 18 * 60, "minutes": 90,
        });
        let path = format!("/api/days/{day}/bookings");
        trainer.post(&path, &booking).await?;
    }
    Ok(())
}
