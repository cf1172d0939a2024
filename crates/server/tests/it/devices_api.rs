//! Devices of a barn: heard while they are plugged in, and not while they are not.

use crate::barn::{Server, TABLES, problem, put};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

fn time() -> Value {
    json!({"eyes": "Big arena", "at": jiff::Timestamp::now(), "time_s": 17.412, "faults": []})
}

fn flag() -> Value {
    json!({
        "name": "Long side", "width_ft": 60,
        "at": {"at_ms": 1000, "at_ft": 30, "speed_ft_s": 0, "state": "stands", "moves_left": 0},
    })
}

#[sqlx::test(migrator = "TABLES")]
async fn what_is_unplugged_is_not_heard_until_it_is_plugged_in_again(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let devices = async || trainer.json("/api/devices").await;
    let none = json!({"unplugged_at": null, "name": null, "heard_at": null});
    for (at, device) in ["eyes", "flag", "weather"].into_iter().enumerate() {
        let mut expected = none.clone();
        expected["device"] = json!(device);
        assert_eq!(devices().await[at], expected);
    }
    let eyes = format!("/api/timed-runs/{}", Uuid::now_v7());
    assert_eq!(put(&trainer, &eyes, time()).await.status(), 204);
    let heard = trainer.post("/api/flag/heard", &flag()).await;
    assert_eq!(heard.status(), 200);
    let shown = devices().await;
    assert_eq!(
        (&shown[0]["name"], &shown[1]["name"]),
        (&json!("Big arena"), &json!("Long side"))
    );
    assert_ne!(shown[1]["heard_at"], Value::Null);

    for device in ["eyes", "flag", "weather"] {
        let path = format!("/api/devices/{device}");
        for _ in 0..2 {
            assert_eq!(
                put(&trainer, &path, json!({"plugged_in": false}))
                    .await
                    .status(),
                204
            );
        }
    }
    let again = format!("/api/timed-runs/{}", Uuid::now_v7());
    let (status, said) = problem(put(&trainer, &again, time()).await).await;
    assert_eq!(
        (status, &said["type"]),
        (409, &json!("/problems/unplugged"))
    );
    let (status, _) = problem(trainer.post("/api/flag/heard", &flag()).await).await;
    assert_eq!(status, 409);
    assert_eq!(trainer.json("/api/flag").await["flag"], Value::Null);
    assert_ne!(devices().await[0]["unplugged_at"], Value::Null);
    // Another barn has devices of its own.
    let other = server.person("trainer@other").await;
    assert_eq!(put(&other, &again, time()).await.status(), 204);

    for device in ["eyes", "flag"] {
        let path = format!("/api/devices/{device}");
        assert_eq!(
            put(&trainer, &path, json!({"plugged_in": true}))
                .await
                .status(),
            204
        );
    }
    assert_eq!(put(&trainer, &again, time()).await.status(), 204);
    assert_eq!(trainer.post("/api/flag/heard", &flag()).await.status(), 200);
    assert_eq!(
        put(
            &trainer,
            "/api/devices/toaster",
            json!({"plugged_in": true})
        )
        .await
        .status(),
        404
    );
}
