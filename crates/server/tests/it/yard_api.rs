//! The yard and the barn itself: adding, changing, putting away; name, zone and units.

use crate::barn::{Server, TABLES, problem, put};
use serde_json::{Value, json};
use sqlx::PgPool;

#[sqlx::test(migrator = "TABLES")]
async fn places_gear_and_cattle_are_added_changed_and_put_away(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    for (path, id, sheet, field, value) in [
        (
            "/api/places",
            "place_id",
            json!({"name": " Big arena ", "kind": "arena", "horses_at_once": 4}),
            "horses_at_once",
            json!(41),
        ),
        (
            "/api/gear",
            "gear_id",
            json!({"name": "Ring snaffle", "kind": "snaffle", "note": "Five inches"}),
            "name",
            json!(""),
        ),
        (
            "/api/cattle",
            "lot_id",
            json!({"name": "Blue tags", "kind": "heifers", "head": 14, "note": ""}),
            "head",
            json!(0),
        ),
    ] {
        let answer = trainer.post(path, &sheet).await;
        assert_eq!(answer.status(), 201, "{path}");
        let (status, said) = problem(trainer.post(path, &sheet).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (409, &json!("/name")),
            "{path}"
        );
        let mut wrong = sheet.clone();
        wrong[field] = value;
        let (status, said) = problem(trainer.post(path, &wrong).await).await;
        let at = json!(format!("/{field}"));
        assert_eq!((status, &said["errors"][0]["field"]), (422, &at), "{path}");

        let added: Value = answer.json().await.unwrap();
        let own = format!("{path}/{}", added["id"].as_str().unwrap());
        let mut renamed = sheet.clone();
        renamed["name"] = json!("Another name");
        assert_eq!(put(&trainer, &own, renamed).await.status(), 204);
        let put_away = trainer.post(&format!("{own}/put-away"), &json!({})).await;
        assert_eq!(put_away.status(), 204);
        let all = trainer.json(path).await;
        let last = all.as_array().unwrap().last().unwrap().clone();
        assert_eq!(
            (&last[id], &last["name"]),
            (&added["id"], &json!("Another name"))
        );
        assert!(last["put_away_at"].is_string(), "{path}");
        let out = trainer.post(&format!("{own}/take-out"), &json!({})).await;
        assert_eq!(out.status(), 204);
        let rider = server.person("rider@home").await;
        let all = rider.json(path).await;
        assert!(
            all.as_array()
                .unwrap()
                .iter()
                .all(|one| one["put_away_at"].is_null())
        );
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn the_barn_has_a_name_a_zone_and_units(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let sheet = json!({"name": "Dry Fork", "time_zone": "Australia/Sydney", "units": "metric"});
    assert_eq!(
        put(&trainer, "/api/barn", sheet.clone()).await.status(),
        204
    );
    let mut kept = sheet.clone();
    // Where nobody said otherwise, a quarter of the trips ask nothing.
    kept["quiet_outings_pct"] = json!(25);
    assert_eq!(trainer.json("/api/barn").await, kept);
    let who = trainer.json("/api/session").await;
    assert_eq!(
        (&who["barn"], &who["units"]),
        (&json!("Dry Fork"), &json!("metric"))
    );
    let nowhere = json!({"name": "Dry Fork", "time_zone": "Mars/Olympus", "units": "us"});
    let (status, said) = problem(put(&trainer, "/api/barn", nowhere).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/time_zone"))
    );
    let zones = trainer.json("/api/time-zones").await;
    let zones = zones.as_array().unwrap();
    for zone in ["America/Denver", "Australia/Sydney", "UTC"] {
        assert!(zones.contains(&json!(zone)), "{zone}");
    }
}
