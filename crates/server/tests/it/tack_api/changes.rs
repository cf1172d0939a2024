//! Changing the bit, and the way back.

use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

use crate::barn::{Server, TABLES, id, problem, put};
use crate::tack_api::{clear, hang, shank, snaffle, steps, tack};

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
