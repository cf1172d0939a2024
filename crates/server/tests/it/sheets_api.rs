//! Sheets of a barn as CSV. Source: RFC 4180, sections 2.1 (CRLF), 2.3 (a header line), 2.6 and 2.7
//! (quotes round commas, quotes and line breaks; quotes doubled), checked letter by letter.

use crate::barn::{Server, TABLES, Visitor, as_sent, problem, put, ride};
use serde_json::{Value, json};
use sqlx::PgPool;

async fn taken(visitor: &Visitor, sheet: &str) -> String {
    let answer = visitor.get(&format!("/api/sheets/{sheet}")).await;
    assert_eq!(answer.status(), 200);
    assert_eq!(answer.headers()["content-type"], "text/csv; charset=utf-8");
    answer.text().await.unwrap()
}

#[sqlx::test(migrator = "TABLES")]
async fn horses_are_written_as_rfc_4180_says_and_read_again(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/sheet", server.thimble);
    let sheet = json!({
        "name": "Thimble, \"the\" mare", "sex": "mare", "foaled": 2019, "color": "grulla",
        "markings": "Star\nand snip", "note": "Straße",
    });
    assert_eq!(put(&trainer, &path, sheet).await.status(), 204);
    let home = format!("/api/horses/{}/send-home", server.oatcake);
    assert_eq!(trainer.post(&home, &json!({})).await.status(), 204);
    let today = trainer.json("/api/today").await["day"]
        .as_str()
        .unwrap()
        .to_owned();
    assert_eq!(
        taken(&trainer, "horses").await,
        format!(
            "name,sex,foaled,color,markings,note,owner,program,sent_home\r\n\
             Oatcake,mare,2020,bay,,,The owner,,{today}\r\n\
             \"Thimble, \"\"the\"\" mare\",mare,2019,grulla,\"Star\nand snip\",Straße,,,\r\n"
        )
    );
    // What goes out comes in again.
    let other = server.person("trainer@other").await;
    let text = taken(&trainer, "horses").await.replace(",The owner,", ",,");
    let rows = json!({"text": text.replace(",sent_home", "").replace(&format!(",{today}"), "")
        .replace(",Straße,,,", ",Straße,,"), "add": true});
    let answer = other.post("/api/horses/rows", &rows).await;
    let read: Value = answer.json().await.unwrap();
    assert_eq!(read["errors"], json!([]));
    assert_eq!(read["horses"][1]["name"], "Thimble, \"the\" mare");
}

#[sqlx::test(migrator = "TABLES")]
async fn asks_rides_and_the_herd_have_their_sheets(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let mut batch = as_sent(&ride(server.oatcake, 1, 2), trainer.person_id);
    batch["reps"][3]["undone"] = json!(true);
    batch["reps"][3]["changes"] = json!(1);
    batch["reps"][2]["measure"]["time_s"] = json!(9.5);
    assert_eq!(trainer.batch(&batch).await.status(), 200);
    let asks = taken(&trainer, "asks").await;
    let rows: Vec<&str> = asks.split("\r\n").collect();
    assert_eq!((rows.len(), rows[5]), (6, ""));
    assert!(rows[0].starts_with(
        "rep_id,ride_id,day,asked_at,horse,rider,skill,rung,side,sequence,soft,kind,"
    ));
    assert!(
        rows[1]
            .contains(",Oatcake,The trainer,bend.flex,stand,left,0,yes,give,fingertip,1.2,gave,"),
        "{}",
        rows[1]
    );
    assert!(
        rows[3].contains(",left,2,no,give,fingertip,9.5,gave,"),
        "{}",
        rows[3]
    );
    assert!(rows[4].ends_with(",yes") && rows[3].ends_with(','));
    let rides = taken(&trainer, "rides").await;
    let rows: Vec<&str> = rides.split("\r\n").collect();
    assert!(rows[1].contains(",Oatcake,The trainer,3,"), "{}", rows[1]);
    assert_eq!(taken(&trainer, "runs").await.lines().count(), 1);

    let lot = trainer
        .post(
            "/api/cattle",
            &json!({"name": "Blue tags", "kind": "heifers", "head": 12}),
        )
        .await;
    let lot: Value = lot.json().await.unwrap();
    let cow = json!({
        "lot_id": lot["id"],
        "sheet": {"tag": "12", "kind": "heifer", "came": "2026-01-05", "tempo": "slow", "handling": "well", "weight_lb": 410},
    });
    assert_eq!(trainer.post("/api/cows", &cow).await.status(), 201);
    assert_eq!(
        taken(&trainer, "herd").await,
        "lot,tag,kind,weight,came,tempo,handling,note,done,put_away\r\n\
         Blue tags,12,heifer,410,2026-01-05,slow,well,,,\r\n"
    );
    let (status, said) = problem(trainer.get("/api/sheets/ponies").await).await;
    assert_eq!(status, 404);
    assert!(
        said["detail"]
            .as_str()
            .unwrap()
            .contains("horses, herd, rides, runs, asks")
    );
    let stranger = server.person("trainer@other").await;
    assert!(!taken(&stranger, "asks").await.contains("Oatcake"));
}
