//! Tack over HTTP: pieces by their measures, what a horse wears, who may ride in it, changing
//! the bit, the way back, rides in the two-rein, hands.

mod changes;
mod rides;
mod shelf;

use crate::barn::{Server, Visitor, answered, id, put, ride};
use jiff::civil::Date;
use serde_json::{Value, json};
use uuid::Uuid;

fn snaffle(name: &str) -> Value {
    json!({"name": name, "kind": "snaffle",
           "measures": {"mouthpiece": "jointed", "mouth_in": 5, "bar_in": 0.4375, "cheek": "ring", "ring_in": 3}})
}

fn shank(name: &str) -> Value {
    json!({"name": name, "kind": "shank", "quiet_hands": true,
           "measures": {"mouthpiece": "ported", "port_in": 1, "mouth_in": 5, "cheek": "loose_shank",
                        "purchase_in": 1.5, "shank_in": 4.5}})
}

async fn hang(trainer: &Visitor, sheet: &Value) -> Uuid {
    let (status, added) = answered(trainer.post("/api/gear", sheet).await).await;
    assert_eq!(status, 201, "{added}");
    id(&added["id"])
}

async fn tack(visitor: &Visitor, horse: Uuid) -> Value {
    visitor.json(&format!("/api/horses/{horse}/tack")).await
}

fn piece(tack: &Value, gear: Uuid) -> Value {
    let pieces = tack["pieces"].as_array().unwrap().iter();
    let found = pieces.clone().find(|piece| id(&piece["gear_id"]) == gear);
    found.unwrap().clone()
}

async fn fit(visitor: &Visitor, horse: Uuid, gear: Uuid, body: Value) -> (u16, Value) {
    answered(put(visitor, &format!("/api/horses/{horse}/tack/{gear}"), body).await).await
}

async fn today(visitor: &Visitor) -> Date {
    let shown = visitor.json("/api/today").await;
    shown["day"].as_str().unwrap().parse().unwrap()
}

/// Clears a person for everything but what `change` says.
async fn clear(server: &Server, name: &str, change: Value) {
    let trainer = server.person("trainer@home").await;
    let people = trainer.json("/api/people").await;
    let people = people.as_array().unwrap().iter();
    let person = people.clone().find(|one| one["sign_in"] == name).unwrap();
    let mut clearance = json!({"only_horses": null, "rigs": ["halter", "snaffle", "bosal", "shank", "two_rein"],
                               "cattle": true, "first_rides": true, "quiet_hands": false});
    for (field, value) in change.as_object().unwrap() {
        clearance[field] = value.clone();
    }
    let sheet = json!({"name": person["name"], "sign_in": name, "role": person["role"],
                       "clearance": clearance, "hours": person["hours"]});
    let path = format!("/api/people/{}", person["person_id"].as_str().unwrap());
    let (status, said) = answered(put(&trainer, &path, sheet).await).await;
    assert_eq!(status, 204, "{said}");
}

fn steps(all: &[(&str, &str)]) -> Value {
    all.iter()
        .map(|(step, answer)| json!({"step": step, "answer": answer}))
        .collect()
}

/// A ride of `days_ago` in a rig, with four asks a side, `hand` in the hand.
fn ridden(server: &Server, days_ago: i64, rig: &Value, hand: &str, soft: usize) -> Value {
    let mut batch = ride(server.oatcake, days_ago, soft);
    batch["rides"][0]["rigs"] = json!([rig]);
    for rep in batch["reps"].as_array_mut().unwrap() {
        rep["measure"]["hand"] = json!(hand);
    }
    batch
}
