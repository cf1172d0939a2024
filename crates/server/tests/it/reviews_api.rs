//! The trainer's review: rides against plans, hours, days, decisions, invoice lines.

use crate::barn::{Server, SetClock, TABLES, Visitor, problem, rep};
use jiff::{SignedDuration, Timestamp};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

const FRIDAY: &str = "2026-05-29T15:00:00Z";

async fn ridden(by: &Visitor, horse: Uuid, began: &str, minutes: i64) {
    let began: Timestamp = began.parse().unwrap();
    let ride_id = Uuid::now_v7();
    let after = |seconds: i64| began + SignedDuration::from_secs(seconds);
    let batch = json!({
        "sent_at": FRIDAY,
        "rides": [{
            "ride_id": ride_id, "horse_id": horse, "started_at": began,
            "finished_at": after(60 * minutes),
        }],
        "reps": (0..4).map(|at| rep(ride_id, if at % 2 == 0 { "left" } else { "right" }, after(60 * at)))
            .collect::<Vec<Value>>(),
    });
    assert_eq!(by.batch(&batch).await.status(), 200);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_month_over_the_barn_and_its_invoice_lines(pool: PgPool) {
    let clock = SetClock::at(FRIDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    for (began, minutes) in [("2026-05-04T15:00:00Z", 40), ("2026-05-06T15:00:00Z", 20)] {
        ridden(&trainer, server.oatcake, began, minutes).await;
    }
    ridden(&trainer, server.thimble, "2026-04-30T15:00:00Z", 60).await;
    // Looking at a day lays it out: Oatcake is down on every day of the week.
    for day in ["2026-05-29", "2026-05-30"] {
        trainer.json(&format!("/api/days/{day}")).await;
    }
    let level = json!({
        "overrule_id": Uuid::now_v7(), "skill": "bend.flex", "rung": "stand",
        "counts_as": "advance", "reason": "seen it",
    });
    let path = format!("/api/horses/{}/overrules", server.oatcake);
    let answer = trainer.post(&path, &level).await;
    assert_eq!(answer.status(), 201, "{}", answer.text().await.unwrap());

    let review = trainer.json("/api/review?month=2026-05").await;
    assert_eq!(
        (&review["month"], &review["to"]),
        (&json!("May 2026"), &json!("2026-05-29"))
    );
    let horses = review["horses"].as_array().unwrap();
    let of = |name: &str| horses.iter().find(|one| one["horse"] == name).unwrap();
    let oatcake = of("Oatcake");
    assert_eq!(oatcake["owner"], "The owner");
    assert_eq!(
        oatcake["planned"],
        json!({"planned": 0, "done": 0, "unplanned": 2})
    );
    assert_eq!(oatcake["ridden"]["minutes"], 60);
    assert_eq!(
        oatcake["hours"],
        json!([{"track": "bend", "name": "Bend", "minutes": 60}])
    );
    // Since its first ride.
    assert_eq!(
        oatcake["training"],
        json!({"days_here": 26, "ridden_days": 2, "program_days": 19})
    );
    assert_eq!(oatcake["moved"]["gained"][0]["by_trainer"], true);
    assert_eq!(of("Thimble")["ridden"]["rides"], 0);
    assert_eq!(of("Thimble")["training"]["days_here"], 29);
    let decisions = review["overrules"].as_array().unwrap();
    assert_eq!(decisions.len(), 1);
    assert_eq!(
        (&decisions[0]["outcome"], &decisions[0]["made_by"]),
        (&json!("too_early"), &json!("The trainer"))
    );

    let path = "/api/review/invoice?month=2026-05&day_rate=35.50&ride_rate=20";
    let answer = trainer.get(path).await;
    assert_eq!(answer.headers()["content-type"], "text/csv; charset=utf-8");
    let text = answer.text().await.unwrap();
    let rows: Vec<&str> = text.split("\r\n").collect();
    assert!(
        rows.contains(&"2026-05,The owner,Oatcake,\"Training, May 2026\",26,day,35.50,923.00"),
        "{text}"
    );
    assert!(
        rows.contains(&"2026-05,The owner,Oatcake,\"Rides, May 2026\",2,ride,20.00,40.00"),
        "{text}"
    );
    assert!(
        rows.contains(&"2026-05,,Thimble,\"Training, May 2026\",29,day,35.50,1029.50"),
        "{text}"
    );

    clock.put("2026-05-30T15:00:00Z");
    let review = trainer.json("/api/review?month=2026-05").await;
    let horses = review["horses"].as_array().unwrap();
    assert_eq!(horses[0]["planned"]["planned"], 1, "{review}");

    for (path, field) in [
        ("/api/review?month=2026-06", "/month"),
        ("/api/review?month=soon", "/month"),
        ("/api/review/invoice?day_rate=lots", "/day_rate"),
        ("/api/review/invoice?ride_rate=-3", "/ride_rate"),
    ] {
        let (status, said) = problem(trainer.get(path).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{path}"
        );
    }
}
