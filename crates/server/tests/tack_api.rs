//! Tack over HTTP: pieces by their measures, what a horse wears, who may ride in it, changing
//! the bit, the way back, rides in the two-rein, hands.

mod barn;

use barn::{Server, TABLES, Visitor, answered, delete, id, problem, put, ride};
use jiff::ToSpan;
use jiff::civil::Date;
use serde_json::{Value, json};
use sqlx::PgPool;
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

#[sqlx::test(migrator = "TABLES")]
async fn a_piece_keeps_its_measures_and_says_what_cannot_be(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let gear = hang(&trainer, &shank("Short shank")).await;
    let shelf = trainer.json("/api/gear").await;
    let kept = &shelf[0];
    assert_eq!(kept["measures"]["purchase_in"], 1.5);
    assert_eq!(kept["allows"], "two_fingers");
    assert_eq!(kept["for_show"]["shank_overall_in"], 6.0);
    assert_eq!(kept["quiet_hands"], true);
    for (measures, field) in [
        (json!({"purchase_in": 0}), "/measures/purchase_in"),
        (
            json!({"purchase_in": 2, "shank_in": 5, "overall_in": 6}),
            "/measures/overall_in",
        ),
        (
            json!({"mouthpiece": "plain", "port_in": 1}),
            "/measures/port_in",
        ),
    ] {
        let sheet = json!({"name": "Other", "kind": "shank", "measures": measures});
        let (status, said) = problem(trainer.post("/api/gear", &sheet).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    let path = format!("/api/gear/{gear}");
    let mut changed = shank("Short shank");
    changed["most_hand"] = json!("fingertip");
    assert_eq!(put(&trainer, &path, changed).await.status(), 204);
    assert_eq!(trainer.json("/api/gear").await[0]["allows"], "fingertip");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_horse_wears_one_headgear_and_its_strap_is_looked_at(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let ring = hang(&trainer, &snaffle("Ring")).await;
    let bit = hang(&trainer, &shank("Short")).await;
    let horse = server.oatcake;
    assert_eq!(
        fit(&trainer, horse, ring, json!({"worn": true})).await.0,
        204
    );
    let strap = json!({"half_length_in": 2.75, "hole_spacing_in": 0.5, "holes_shorter": 3, "holes_longer": 3});
    let fitting = json!({"jaw_in": 2, "strap": strap});
    let (status, said) = fit(
        &trainer,
        horse,
        bit,
        json!({"worn": true, "fitting": fitting}),
    )
    .await;
    assert_eq!(status, 204, "{said}");
    let now = tack(&trainer, horse).await;
    assert_eq!(id(&now["pieces"][0]["gear_id"]), bit, "what it wears first");
    assert_eq!(piece(&now, ring)["worn"], false);
    let says = piece(&now, bit)["said"]["says"].to_string();
    assert!(
        says.contains("at once") && says.contains("longer"),
        "{says}"
    );
    for (fitting, field) in [
        (json!({"jaw_in": -1}), "/fitting/jaw_in"),
        (json!({"strap": strap}), "/fitting/jaw_in"),
        (
            json!({"jaw_in": 3, "strap": {"half_length_in": 1, "hole_spacing_in": 0.5}}),
            "/fitting/strap/half_length_in",
        ),
    ] {
        let (status, said) = fit(
            &trainer,
            horse,
            bit,
            json!({"worn": true, "fitting": fitting}),
        )
        .await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    assert_eq!(
        trainer
            .json("/api/fittings")
            .await
            .as_array()
            .unwrap()
            .len(),
        2
    );
    let own = format!("/api/horses/{horse}/tack/{bit}");
    assert_eq!(delete(&trainer, &own).await, 204);
    assert_eq!(delete(&trainer, &own).await, 404);
    let none = Uuid::from_u128(9);
    assert_eq!(
        fit(&trainer, horse, none, json!({"worn": true})).await.0,
        404
    );
    let other = server.person("trainer@other").await;
    assert_eq!(fit(&other, horse, ring, json!({"worn": true})).await.0, 404);
}

#[sqlx::test(migrator = "TABLES")]
async fn who_is_not_cleared_is_told_why_and_is_not_planned(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    clear(&server, "rider", json!({})).await;
    let bit = hang(&trainer, &shank("Short")).await;
    let horse = server.oatcake;
    assert_eq!(
        fit(&trainer, horse, bit, json!({"worn": true})).await.0,
        204
    );
    let rider = server.person("rider@home").await;
    let stopped = piece(&tack(&rider, horse).await, bit)["stopped"].clone();
    assert!(
        stopped[0].as_str().unwrap().contains("quiet hands"),
        "{stopped}"
    );
    let (status, said) = fit(&rider, horse, bit, json!({"worn": true})).await;
    assert_eq!(status, 403, "{said}");
    let day = today(&trainer).await.saturating_add(1.day());
    let people = trainer.json("/api/people").await;
    let person = people
        .as_array()
        .unwrap()
        .iter()
        .find(|one| one["sign_in"] == "rider")
        .unwrap()["person_id"]
        .clone();
    let place = trainer.json("/api/places").await[0]["place_id"].clone();
    let booking = |horse: Uuid| {
        json!({"booking_id": Uuid::now_v7(), "kind": "ride", "horse_id": horse, "person_id": person,
               "place_id": place, "from_min": 600, "minutes": 45})
    };
    let path = format!("/api/days/{day}/bookings");
    let (status, said) = problem(trainer.post(&path, &booking(horse)).await).await;
    assert_eq!(status, 409, "{said}");
    assert!(
        said.to_string()
            .contains("isn't cleared for tack that is kept for quiet hands"),
        "{said}"
    );
    clear(&server, "rider", json!({"quiet_hands": true})).await;
    assert_eq!(trainer.post(&path, &booking(horse)).await.status(), 201);
    assert_eq!(piece(&tack(&rider, horse).await, bit)["stopped"], json!([]));
}

/// The sibling of the above: whoever is not cleared for cattle is not booked on a level of the
/// track "cow".
#[sqlx::test(migrator = "TABLES")]
async fn who_is_not_cleared_for_cattle_is_not_booked_on_a_cow(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    clear(&server, "rider", json!({"cattle": false})).await;
    let people = trainer.json("/api/people").await;
    let person = people
        .as_array()
        .unwrap()
        .iter()
        .find(|one| one["sign_in"] == "rider")
        .unwrap()["person_id"]
        .clone();
    let place = trainer.json("/api/places").await[0]["place_id"].clone();
    let day = today(&trainer).await.saturating_add(1.day());
    let booking = json!({"booking_id": Uuid::now_v7(), "kind": "ride", "horse_id": server.oatcake,
                         "person_id": person, "place_id": place, "from_min": 600, "minutes": 45,
                         "skill": "cow.curious", "rung": "walk"});
    let (status, said) = problem(
        trainer
            .post(&format!("/api/days/{day}/bookings"), &booking)
            .await,
    )
    .await;
    assert_eq!(status, 409, "{said}");
    assert!(
        said.to_string().contains("isn't cleared for cattle"),
        "{said}"
    );
}

fn steps(all: &[(&str, &str)]) -> Value {
    all.iter()
        .map(|(step, answer)| json!({"step": step, "answer": answer}))
        .collect()
}

#[sqlx::test(migrator = "TABLES")]
async fn a_change_of_bit_grows_step_by_step_and_leads_on(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let ring = hang(&trainer, &snaffle("Ring")).await;
    let bit = hang(&trainer, &shank("Short")).await;
    let (change, horse) = (Uuid::now_v7(), server.oatcake);
    let now = jiff::Timestamp::now();
    let sent = |steps: Value| json!({"horse_id": horse, "gear_id": bit, "from_gear_id": ring, "started_at": now, "steps": steps});
    let path = format!("/api/bit-changes/{change}");
    let begun = [("mouth", "ok"), ("strap_out", "bothered")];
    assert_eq!(
        put(&trainer, &path, sent(steps(&begun))).await.status(),
        204
    );
    let twice = [
        ("mouth", "ok"),
        ("strap_out", "bothered"),
        ("strap_out", "bothered"),
    ];
    assert_eq!(
        put(&trainer, &path, sent(steps(&twice))).await.status(),
        204
    );
    // An older look of another device takes nothing away.
    assert_eq!(
        put(&trainer, &path, sent(steps(&begun))).await.status(),
        204
    );
    let shown = trainer
        .json(&format!("/api/horses/{horse}/bit-changes"))
        .await;
    let own = &shown["changes"][0];
    assert_eq!(own["steps"].as_array().unwrap().len(), 3);
    assert_eq!(own["next"], json!({"what": "adjust", "step": "strap_out"}));
    assert_eq!(id(&own["milder_gear_id"]), ring);
    let missing = shown["missing"].to_string();
    assert!(
        missing.contains("bend.flex") && missing.contains("stop.seat"),
        "{missing}"
    );
    assert!(shown["bridle"].as_array().unwrap().len() > 4);
    let (status, said) = problem(put(&trainer, &path, sent(steps(&[("lope", "ok")]))).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/steps/0/step"))
    );
    let mut other = sent(steps(&begun));
    other["gear_id"] = json!(ring);
    assert_eq!(put(&trainer, &path, other).await.status(), 409);
    let mut nothing = sent(steps(&begun));
    nothing["gear_id"] = json!(Uuid::from_u128(4));
    assert_eq!(
        put(
            &trainer,
            &format!("/api/bit-changes/{}", Uuid::now_v7()),
            nothing
        )
        .await
        .status(),
        404
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn the_way_back_names_its_riders_and_wants_something_mild(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    clear(&server, "rider", json!({"quiet_hands": true})).await;
    let ring = hang(&trainer, &snaffle("Ring")).await;
    let bit = hang(&trainer, &shank("Short")).await;
    let horse = server.oatcake;
    let people = trainer.json("/api/people").await;
    let person = |name: &str| {
        let all = people.as_array().unwrap().iter();
        all.clone().find(|one| one["sign_in"] == name).unwrap()["person_id"].clone()
    };
    let path = format!("/api/horses/{horse}/restore");
    let plan = |gear: Uuid, weeks: u8, riders: Value| json!({"gear_id": gear, "weeks": weeks, "riders": riders});
    for (body, status, field) in [
        (plan(bit, 8, json!([person("trainer")])), 422, "/gear_id"),
        (plan(ring, 1, json!([person("trainer")])), 422, "/weeks"),
        (plan(ring, 8, json!([])), 422, "/riders"),
        (plan(ring, 8, json!([person("owner")])), 404, "/riders/0"),
    ] {
        let (found, said) = problem(put(&trainer, &path, body).await).await;
        assert_eq!(
            (found, &said["errors"][0]["field"]),
            (status, &json!(field)),
            "{said}"
        );
    }
    assert_eq!(
        put(&trainer, &path, plan(ring, 8, json!([person("trainer")])))
            .await
            .status(),
        204
    );
    let rider = server.person("rider@home").await;
    let stopped = tack(&rider, horse).await["stopped"].clone();
    assert!(
        stopped[0].as_str().unwrap().contains("riders named"),
        "{stopped}"
    );
    // Planned anew, it is the same way.
    let both = json!([person("trainer"), person("rider")]);
    assert_eq!(
        put(&trainer, &path, plan(ring, 10, both)).await.status(),
        204
    );
    assert_eq!(tack(&rider, horse).await["stopped"], json!([]));
    let ways = trainer.json(&format!("/api/horses/{horse}/restores")).await;
    assert_eq!(ways["ways"].as_array().unwrap().len(), 1);
    assert_eq!(ways["ways"][0]["restored"]["week"], 1);
    assert_eq!(ways["ways"][0]["restored"]["two_reins"], false);
    assert_eq!(
        trainer
            .post(&format!("{path}/end"), &json!({}))
            .await
            .status(),
        204
    );
    assert_eq!(
        trainer
            .post(&format!("{path}/end"), &json!({}))
            .await
            .status(),
        404
    );
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

#[sqlx::test(migrator = "TABLES")]
async fn rigs_stand_in_the_history_in_the_verdict_and_mark_their_first_ride(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let ring = hang(&trainer, &snaffle("Ring")).await;
    let bit = hang(&trainer, &shank("Short")).await;
    let worn = |gear: Uuid, kind: &str, name: &str| json!({"after_ms": 0, "kind": kind, "gear_id": gear, "name": name});
    for days_ago in [9, 7, 5, 3] {
        let rig = if days_ago == 5 {
            worn(bit, "shank", "Short")
        } else {
            worn(ring, "snaffle", "Ring")
        };
        let stored = trainer
            .batch(&ridden(&server, days_ago, &rig, "two_fingers", 6))
            .await;
        assert_eq!(stored.status(), 200);
    }
    let horse = server.oatcake;
    let rigs = trainer.json(&format!("/api/horses/{horse}/rigs")).await;
    let history = rigs["history"].as_array().unwrap();
    assert_eq!(history.len(), 3, "{rigs}");
    assert_eq!(
        (&history[1]["rig"]["name"], &history[1]["new"]),
        (&json!("Short"), &json!(true))
    );
    assert_eq!(
        (&history[2]["rides"], &history[0]["new"]),
        (&json!(2), &json!(false))
    );
    let shares = rigs["shares"].as_array().unwrap();
    assert_eq!(shares.len(), 2);
    let level = trainer
        .json(&format!("/api/horses/{horse}/levels/bend.flex/stand"))
        .await;
    let by_rig = level["judgement"]["rigs"].as_array().unwrap();
    let asked: u64 = by_rig
        .iter()
        .map(|one| one["asked"].as_u64().unwrap())
        .sum();
    assert_eq!(by_rig.len(), 2);
    assert_eq!(level["rigs_say"].as_array().unwrap().len(), 2);
    assert_eq!(
        asked,
        shares
            .iter()
            .map(|one| one["share"]["asked"].as_u64().unwrap())
            .sum::<u64>()
    );
    // Offline the page judges by the same rigs.
    let pack = trainer.json(&format!("/api/horses/{horse}/pack")).await;
    assert_eq!(pack["context"]["rides"][2]["rigs"][0]["name"], "Short");
    // A piece of another barn is named at its field; nothing is stored.
    let foreign = worn(Uuid::from_u128(5), "snaffle", "");
    let (status, said) = problem(
        trainer
            .batch(&ridden(&server, 1, &foreign, "feather", 2))
            .await,
    )
    .await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (404, &json!("/rides/0/rigs/0/gear_id"))
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_ride_in_the_two_rein_keeps_its_ribbon_and_says_how_the_next_starts(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horse = server.oatcake;
    let path = format!("/api/horses/{horse}/two-rein");
    let empty = trainer.json(&path).await;
    assert_eq!(empty["next"]["bosal_pct"], 90.0);
    for days_ago in [8, 6, 4, 2] {
        let mut batch = ridden(
            &server,
            days_ago,
            &json!({"after_ms": 0, "kind": "two_rein"}),
            "feather",
            2,
        );
        let ride = &mut batch["rides"][0];
        ride["finished_after_ms"] = json!(30 * 60_000);
        ride["shares"] =
            json!([{"after_ms": 0, "bosal_pct": 80}, {"after_ms": 15 * 60_000, "bosal_pct": 40}]);
        let back = (days_ago == 8)
            .then(|| json!({"ask_id": Uuid::now_v7(), "after_ms": 1_200_000, "ask": "back"}));
        let mut asked =
            vec![json!({"ask_id": Uuid::now_v7(), "after_ms": 600_000, "ask": "for_bridle"})];
        asked.extend(back);
        ride["horse_asked"] = Value::Array(asked);
        assert_eq!(trainer.batch(&batch).await.status(), 200);
        // The same again, the ask taken back and sent late by another device: nothing doubles.
        assert_eq!(trainer.batch(&batch).await.status(), 200);
    }
    let shown = trainer.json(&path).await;
    let one = trainer
        .json(&format!(
            "/api/rides/{}",
            shown["rides"][0]["ride_id"].as_str().unwrap()
        ))
        .await;
    assert_eq!(one["two_rein"], shown["rides"][0]["ride"]);
    let rides = shown["rides"].as_array().unwrap();
    assert_eq!(rides.len(), 4);
    assert_eq!(rides[0]["said"]["mean_bosal_pct"], 60.0);
    assert_eq!(rides[0]["said"]["asks"][0]["sustained"], false);
    assert_eq!(rides[0]["said"]["asks"][0]["held_min"], 10.0);
    assert_eq!(rides[1]["said"]["asks"][0]["sustained"], true);
    assert_eq!(rides[3]["planned_bosal_pct"], 90.0 - 80.0 * 6.0 / 365.0);
    // Sustained on three of the last four days: ten points to the bridle.
    assert_eq!(
        (&shown["next"]["bosal_pct"], &shown["next"]["because"]),
        (&json!(70.0), &json!("sustained"))
    );
    let mut bad = ridden(
        &server,
        1,
        &json!({"after_ms": 0, "kind": "two_rein"}),
        "feather",
        1,
    );
    bad["rides"][0]["shares"] = json!([{"after_ms": 0, "bosal_pct": 101}]);
    let (status, said) = problem(trainer.batch(&bad).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/rides/0/shares/0/bosal_pct"))
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn hands_heavier_than_the_tack_allows_are_said_to_the_trainer_alone(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    clear(&server, "rider", json!({})).await;
    let rider = server.person("rider@home").await;
    let bit = hang(&trainer, &shank("Short")).await;
    let rig = json!({"after_ms": 0, "kind": "shank", "gear_id": bit});
    assert_eq!(
        rider
            .batch(&ridden(&server, 2, &rig, "forearm", 6))
            .await
            .status(),
        200
    );
    assert_eq!(
        trainer
            .batch(&ridden(&server, 3, &rig, "feather", 6))
            .await
            .status(),
        200
    );
    // The rider is not cleared for such tack: the ride is kept, and the trainer is told.
    let heavy = ridden(&server, 1, &rig, "two_fingers", 1);
    assert_eq!(rider.batch(&heavy).await.status(), 200);
    let path = format!(
        "/api/rides/{}",
        heavy["rides"][0]["ride_id"].as_str().unwrap()
    );
    let told = trainer.json(&path).await["not_cleared"].to_string();
    assert!(told.contains("quiet hands"), "{told}");
    assert_eq!(rider.json(&path).await["not_cleared"], json!([]));
    let hands = trainer.json("/api/hands").await;
    let hands = hands.as_array().unwrap();
    assert_eq!(hands.len(), 2);
    let of = |worth: bool| {
        hands
            .iter()
            .find(|one| one["worth_a_word"] == worth)
            .unwrap()
    };
    assert!(
        of(true)["says"]
            .as_str()
            .unwrap()
            .contains("more in the hand than the tack allows")
    );
    assert_eq!(of(false)["says"], Value::Null);
    assert_eq!(of(true)["weeks"][0]["heavy"], "forearm");
    let own = rider.json("/api/hands").await;
    assert_eq!(
        own.as_array().unwrap().len(),
        1,
        "others' hands are not the rider's"
    );
    assert_eq!(own[0]["says"], Value::Null);
    let owner = server.person("owner@home").await;
    assert_eq!(owner.get("/api/hands").await.status(), 403);
}
