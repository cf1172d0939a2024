//! Pieces by their measures, what a horse wears, who may ride in it.

use jiff::ToSpan;
use serde_json::json;
use sqlx::PgPool;
use uuid::Uuid;

use crate::barn::{Server, TABLES, delete, id, problem, put};
use crate::tack_api::{clear, fit, hang, piece, shank, snaffle, tack, today};

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
