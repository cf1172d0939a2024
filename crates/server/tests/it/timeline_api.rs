//! The timeline of a ride: every ask, what was taken back, who recorded and changed it.

use crate::barn::{Server, TABLES, ride};
use serde_json::{Value, json};
use sqlx::PgPool;

#[sqlx::test(migrator = "TABLES")]
async fn an_ask_taken_back_and_brought_back_keeps_its_history(pool: PgPool) {
    let server = Server::start(pool).await;
    let tobin = server.person("rider@home").await;
    let mut batch = ride(server.oatcake, 1, 2);
    assert_eq!(tobin.batch(&batch).await.status(), 200);
    let path = format!(
        "/api/rides/{}",
        batch["rides"][0]["ride_id"].as_str().unwrap()
    );
    let before = tobin.json(&path).await;
    let asks = before["timeline"].as_array().unwrap();
    assert_eq!(asks.len(), 4);
    assert_eq!(asks[0]["history"], json!([]));
    assert_eq!(asks[0]["soft"], json!(true));
    assert_eq!(asks[0]["name"], "Flexes to a light rein");
    let rider = before["rider"].clone();
    assert_eq!(asks[0]["recorded_by"], rider);
    // Another takes it back; the rider brings it back.
    let wren = server.person("trainer@home").await;
    batch["reps"][0]["undone"] = json!(true);
    batch["reps"][0]["changes"] = json!(1);
    assert_eq!(wren.batch(&batch).await.status(), 200);
    assert_eq!(wren.batch(&batch).await.status(), 200, "sent again");
    let taken = wren.json(&path).await;
    assert_eq!(taken["timeline"][0]["undone"], true);
    assert_eq!(
        taken["blocks"][0]["strip"]["reps"]
            .as_array()
            .unwrap()
            .len(),
        3
    );
    batch["reps"][0]["undone"] = json!(false);
    batch["reps"][0]["changes"] = json!(2);
    assert_eq!(tobin.batch(&batch).await.status(), 200);
    let back = tobin.json(&path).await;
    let ask = &back["timeline"][0];
    assert_eq!(
        (&ask["undone"], &ask["changes"]),
        (&json!(false), &json!(2))
    );
    assert_eq!(ask["recorded_by"], rider, "it stays whose it was");
    let history: Vec<(bool, &Value)> = ask["history"]
        .as_array()
        .unwrap()
        .iter()
        .map(|change| (change["taken_back"].as_bool().unwrap(), &change["by"]))
        .collect();
    assert_eq!(history.len(), 2);
    assert!(history[0].0 && !history[1].0);
    assert_ne!(history[0].1, history[1].1);
}
