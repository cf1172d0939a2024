//! How riders differ is found once a day, kept, shown to those who decide, and judged by.

use crate::barn::{Server, SetClock, TABLES, Visitor, ride, until};
use jiff::{SignedDuration, Timestamp};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

/// A ride at noon in Denver of that day in May 2026: eight asks a side, so many of four
/// given.
fn ridden(horse: Uuid, day: i8, gave_of_four: usize) -> Value {
    let noon: Timestamp = format!("2026-05-{day:02}T18:00:00Z").parse().unwrap();
    let mut batch = ride(horse, 0, 8);
    batch["sent_at"] = json!(noon + SignedDuration::from_mins(40));
    batch["rides"][0]["started_at"] = json!(noon);
    for (index, rep) in batch["reps"].as_array_mut().unwrap().iter_mut().enumerate() {
        rep["asked_at"] = json!(noon + SignedDuration::from_secs(20 * index as i64));
        if (index / 2) % 4 >= gave_of_four {
            rep["measure"]["answer"] = json!("evaded_up");
        }
    }
    batch
}

async fn page(who: &Visitor, horse: Uuid) -> Value {
    who.json(&format!("/api/horses/{horse}/page")).await
}

#[sqlx::test(migrator = "TABLES")]
async fn riders_are_compared_overnight_and_only_who_decides_is_told(pool: PgPool) {
    let clock = SetClock::at("2026-05-01T18:40:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    let rider = server.person("rider@home").await;
    for day in 1..=14 {
        clock.put(&format!("2026-05-{day:02}T18:45:00Z"));
        for horse in [server.oatcake, server.thimble] {
            let (who, gave) = if day % 2 == 0 {
                (&rider, 4)
            } else {
                (&trainer, 2)
            };
            assert_eq!(
                who.batch(&ridden(horse, day, gave)).await.status(),
                StatusCode::OK
            );
        }
    }
    let before = page(&trainer, server.oatcake).await;
    assert_eq!(
        before["riders"][0]["difference"],
        Value::Null,
        "not compared yet today"
    );

    clock.put("2026-05-15T12:00:00Z");
    let later = server.another_with(clock.settings()).await;
    let compared = || async {
        sqlx::query_scalar::<_, i64>("select count(*) from rider_offset where day = '2026-05-15'")
            .fetch_one(&server.pool)
            .await
            .unwrap()
    };
    assert_eq!(until(compared, |count| *count > 0).await, 2);

    // Both servers judge by it, and say the same.
    let mut says = Vec::new();
    for server in [&server, &later] {
        let trainer = server.person("trainer@home").await;
        let riders = page(&trainer, server.oatcake).await["riders"].clone();
        for one in riders.as_array().unwrap() {
            assert_eq!(one["rides"], 7);
            assert!(one["difference"]["sd"].as_f64().unwrap() > 0.0);
        }
        says.push(riders);
    }
    assert_eq!(says[0], says[1]);
    let real = says[0].as_array().unwrap().iter().filter(|one| {
        one["text"]
            .as_str()
            .unwrap()
            .ends_with("Cavesson adjusts for it.")
    });
    assert_eq!(real.count(), 2, "{says:?}");
    let rider = later.person("rider@home").await;
    assert_eq!(page(&rider, server.oatcake).await["riders"], json!([]));

    // The device takes the same along.
    let pack = rider
        .json(&format!("/api/horses/{}/pack", server.oatcake))
        .await;
    assert_eq!(pack["context"]["riders"].as_array().unwrap().len(), 2);
    assert!(pack["context"]["rides"][0]["rider_id"].is_string());
}

#[sqlx::test(migrator = "TABLES")]
async fn a_comparison_is_made_once_a_day_and_stays(pool: PgPool) {
    let clock = SetClock::at("2026-05-01T18:40:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let made = || async {
        sqlx::query_as::<_, (i64, Option<String>)>(
            "select count(*), max(made_at)::text from rider_comparison",
        )
        .fetch_one(&server.pool)
        .await
        .unwrap()
    };
    let first = until(made, |(count, _)| *count == 2).await;
    let _another = server.another_with(clock.settings()).await;
    clock.put("2026-05-02T18:40:00Z");
    let _next_day = server.another_with(clock.settings()).await;
    let (count, last) = until(made, |(count, _)| *count == 4).await;
    assert_eq!(count, 4, "two barns, two days");
    assert!(last > first.1);
}
