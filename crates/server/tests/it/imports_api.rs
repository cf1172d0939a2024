//! CSV sheets brought in and taken back. That what goes out comes in again the same is the check
//! from outside: the sheet taken out of the second barn is that of the first, letter by letter.

use crate::barn::{self, Server, TABLES, Visitor, as_sent, delete, id, problem, ride};
use axum::http::Method;
use serde_json::{Value, json};
use sqlx::PgPool;

/// Sends a sheet with these columns.
async fn send(
    visitor: &Visitor,
    path: &str,
    sheet: &str,
    columns: &str,
    text: &[u8],
) -> reqwest::Response {
    let path = format!("/api/{path}?sheet={sheet}&columns={columns}&name=book.csv");
    visitor
        .send(Method::POST, &path, "text/csv", text.to_vec())
        .await
        .unwrap()
}

async fn brought(visitor: &Visitor, sheet: &str, columns: &str, text: &str) -> Value {
    let answer = send(visitor, "imports", sheet, columns, text.as_bytes()).await;
    let (status, said) = barn::answered(answer).await;
    assert_eq!(status, 200, "{said}");
    said
}

async fn asked(server: &Server, visitor: &Visitor) -> u64 {
    let page = visitor
        .json(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    let asked = page["last_ride"]["asked"].as_array().unwrap().iter();
    asked.filter_map(|one| one["asked"].as_u64()).sum()
}

const ASKS: &str = "day,horse,skill,rung,side,hand,time_s\n\
    2026-05-01,Oatcake,bend.flex,stand,left,fingertip,1.2\n\
    2026-05-01,Oatcake,bend.flex,stand,right,fingertip,1.4\n";
const COLUMNS: &str = "day,horse,skill,rung,side,hand,time_s";

#[sqlx::test(migrator = "TABLES")]
async fn a_sheet_is_looked_at_brought_in_and_taken_back_whole(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let before = server.stored().await;
    let checked = send(&trainer, "imports/check", "asks", COLUMNS, ASKS.as_bytes()).await;
    let (status, checked) = barn::answered(checked).await;
    assert_eq!((status, &checked["errors"]), (200, &json!([])));
    assert_eq!(
        checked["makes"],
        json!({"horses": 0, "cattle": 0, "rides": 1, "asks": 2})
    );
    assert_eq!(server.stored().await, before, "a check stores nothing");

    let made = brought(&trainer, "asks", COLUMNS, ASKS).await;
    assert_eq!(made["read"], checked);
    assert_eq!(server.stored().await, (before.0 + 2, before.1 + 1));
    let rows = trainer.json("/api/imports").await;
    assert_eq!(
        (&rows[0]["name"], &rows[0]["by"], &rows[0]["undone_at"]),
        (&json!("book.csv"), &json!("The trainer"), &Value::Null)
    );
    let path = format!("/api/imports/{}", id(&made["import_id"]));
    assert_eq!(delete(&trainer, &path).await, 204);
    assert_eq!(delete(&trainer, &path).await, 204, "it was");
    assert_eq!(server.stored().await, before);
    assert_ne!(
        trainer.json("/api/imports").await[0]["undone_at"],
        Value::Null
    );
    // Who brought it in and took it back is kept.
    let deeds = trainer.json("/api/deeds").await;
    let did: Vec<&Value> = deeds["deeds"]
        .as_array()
        .unwrap()
        .iter()
        .map(|one| &one["did"])
        .collect();
    // What was only looked at, and what was so already, is no change.
    assert_eq!(did, ["took a sheet back", "brought in a sheet"]);
    let unknown = format!("/api/imports/{}", uuid::Uuid::now_v7());
    assert_eq!(delete(&trainer, &unknown).await, 404);
    let stranger = server.person("trainer@other").await;
    assert_eq!(delete(&stranger, &path).await, 404);
}

#[sqlx::test(migrator = "TABLES")]
async fn where_one_row_does_not_fit_nothing_is_brought_in(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let before = server.stored().await;
    let text = format!("{ASKS}2026-05-01,Oatcake,bend.flex,stand,left,paw,1.2\n");
    let made = brought(&trainer, "asks", COLUMNS, &text).await;
    assert_eq!(made["import_id"], Value::Null);
    let error = &made["read"]["errors"][0];
    assert_eq!(
        (&error["line"], &error["column"]),
        (&json!(4), &json!("hand"))
    );
    assert_eq!(server.stored().await, before);
    assert_eq!(trainer.json("/api/imports").await, json!([]));
    assert_eq!(trainer.json("/api/deeds").await["deeds"], json!([]));
    let looked = json!({"text": "name,sex,foaled,color\nJuniper,mare,2021,bay", "add": false});
    assert_eq!(
        trainer.post("/api/horses/rows", &looked).await.status(),
        200
    );
    assert_eq!(trainer.json("/api/deeds").await["deeds"], json!([]));

    for (sheet, columns, text, field) in [
        ("asks", "day,horse", ASKS.as_bytes(), "/columns"),
        ("asks", "day,horse,hoof", ASKS.as_bytes(), "/columns"),
        ("asks", COLUMNS, b"PK\x03\x04", ""),
        ("hooves", COLUMNS, ASKS.as_bytes(), ""),
    ] {
        let answer = send(&trainer, "imports", sheet, columns, text).await;
        let (status, said) = problem(answer).await;
        assert_eq!((status, &said["errors"][0]["field"]), (422, &json!(field)));
    }
    let path = format!("/api/imports?sheet=asks&columns={COLUMNS}&name=a.csv");
    let as_json = trainer.post(&path, &json!({})).await;
    assert_eq!(problem(as_json).await.0, 415);
}

#[sqlx::test(migrator = "TABLES")]
async fn asks_of_a_ride_that_is_here_are_known_at_once_and_forgotten_at_once(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let batch = as_sent(&ride(server.oatcake, 1, 2), trainer.person_id);
    assert_eq!(trainer.batch(&batch).await.status(), 200);
    let before = asked(&server, &trainer).await;
    let stored = server.stored().await;
    let ride_id = id(&batch["rides"][0]["ride_id"]);
    let day = trainer.json(&format!("/api/rides/{ride_id}")).await["day"]
        .as_str()
        .unwrap()
        .to_owned();
    let text = format!(
        "ride_id,day,horse,skill,rung,side,hand,time_s\n\
         {ride_id},{day},Oatcake,bend.flex,stand,left,fingertip,1.2\n\
         {ride_id},{day},Oatcake,bend.flex,stand,right,fingertip,1.2\n"
    );
    let columns = format!("ride_id,{COLUMNS}");
    let made = brought(&trainer, "asks", &columns, &text).await;
    assert_eq!(made["read"]["makes"]["rides"], 0, "{made}");
    assert_eq!(asked(&server, &trainer).await, before + 2);
    let path = format!("/api/imports/{}", id(&made["import_id"]));
    assert_eq!(delete(&trainer, &path).await, 204);
    // What the server had read of the horse is read anew.
    assert_eq!(asked(&server, &trainer).await, before);
    assert_eq!(server.stored().await, stored);
}

#[sqlx::test(migrator = "TABLES")]
async fn what_was_recorded_since_is_not_lost_with_a_sheet(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let made = brought(
        &trainer,
        "horses",
        "name,sex,foaled,color",
        "Horse,Sex,Born,Coat\nJuniper,mare,2021,bay\nSorrel Sam,gelding,2018,sorrel\n",
    )
    .await;
    assert_eq!(made["read"]["makes"]["horses"], 2, "{made}");
    let horses = trainer.json("/api/horses").await;
    let juniper = horses
        .as_array()
        .unwrap()
        .iter()
        .find(|horse| horse["name"] == "Juniper")
        .unwrap();
    let batch = as_sent(&ride(id(&juniper["horse_id"]), 0, 1), trainer.person_id);
    assert_eq!(trainer.batch(&batch).await.status(), 200);
    let path = format!("/api/imports/{}", id(&made["import_id"]));
    let answer = trainer
        .send(Method::DELETE, &path, "application/json", Vec::new())
        .await
        .unwrap();
    let (status, said) = problem(answer).await;
    assert_eq!((status, &said["type"]), (409, &json!("/problems/in-use")));
    assert!(
        said["detail"]
            .as_str()
            .unwrap()
            .starts_with("rides that were"),
        "{said}"
    );
    assert_eq!(trainer.json("/api/horses").await, horses);
    // A sheet nothing rests on goes with all that was changed of it.
    let again = brought(
        &trainer,
        "horses",
        "name,sex,foaled,color",
        "Horse,Sex,Born,Coat\nWillow,mare,2021,grulla\n",
    )
    .await;
    let willow = trainer.json("/api/horses").await;
    let willow = willow.as_array().unwrap();
    let willow = willow
        .iter()
        .find(|horse| horse["name"] == "Willow")
        .unwrap();
    let traits = format!("/api/horses/{}/traits", id(&willow["horse_id"]));
    let answer = barn::put(&trainer, &traits, json!({"traits": ["hot"]})).await;
    assert_eq!(answer.status(), 204);
    let path = format!("/api/imports/{}", id(&again["import_id"]));
    assert_eq!(delete(&trainer, &path).await, 204);
    assert_eq!(trainer.json("/api/horses").await, horses);
}

#[sqlx::test(migrator = "TABLES")]
async fn the_herd_goes_to_its_lots(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let lot = json!({"name": "Blue tags", "kind": "steers", "head": 12});
    let lot = trainer.post("/api/cattle", &lot).await;
    let lot: Value = lot.json().await.unwrap();
    let text = "tag,weight\n14,640\n15,\n";
    let path = format!(
        "/api/imports?sheet=herd&columns=tag,weight&name=h.csv&lot_id={}",
        lot["id"].as_str().unwrap()
    );
    let answer = trainer
        .send(Method::POST, &path, "text/csv", text.into())
        .await
        .unwrap();
    let (status, made) = barn::answered(answer).await;
    assert_eq!((status, &made["read"]["makes"]["cattle"]), (200, &json!(2)));
    let named = brought(&trainer, "herd", "tag,lot", "tag,lot\n16,blue tags\n").await;
    assert_eq!(named["read"]["makes"]["cattle"], 1);
    let shown = trainer
        .json(&format!("/api/cattle/{}", lot["id"].as_str().unwrap()))
        .await;
    let tags: Vec<&str> = shown["cattle"]
        .as_array()
        .unwrap()
        .iter()
        .map(|cow| cow["sheet"]["tag"].as_str().unwrap())
        .collect();
    assert_eq!(tags, ["14", "15", "16"]);
    assert_eq!(shown["cattle"][0]["sheet"]["kind"], "steer");
    let path = format!("/api/imports/{}", id(&made["import_id"]));
    assert_eq!(delete(&trainer, &path).await, 204);
}

/// The columns of a sheet as it goes out, those left empty that it cannot be brought in with.
fn as_they_went_out(text: &str, sheet: &str) -> String {
    let known: &[&str] = match sheet {
        "rides" => &["asks"],
        "runs" => &["path_ft"],
        _ => &["sequence", "soft", "kind"],
    };
    let heads = text.lines().next().unwrap().split(',');
    let heads: Vec<&str> = heads
        .map(|head| if known.contains(&head) { "" } else { head })
        .collect();
    heads.join(",")
}

#[sqlx::test(migrator = "TABLES")]
async fn rides_asks_and_runs_that_went_out_come_in_the_same(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let mut batch = as_sent(&ride(server.oatcake, 1, 3), trainer.person_id);
    batch["rides"][0]["note"] = json!("Quiet, then \"hot\"");
    batch["rides"][0]["ended"] = json!("good_one");
    batch["reps"][0]["faults"] = json!(["head_up"]);
    let sent = trainer.batch(&batch).await;
    let (status, said) = barn::answered(sent).await;
    assert_eq!(status, 200, "{said}");
    let taken = async |visitor: &Visitor, sheet: &str| {
        let answer = visitor.get(&format!("/api/sheets/{sheet}")).await;
        answer.text().await.unwrap()
    };
    // In the other barn there are a horse and a rider of those names.
    let other = server.person("trainer@other").await;
    let horse = json!({"name": "Oatcake", "sex": "mare", "foaled": 2020, "color": "bay"});
    other.post("/api/horses", &horse).await;
    for sheet in ["rides", "asks"] {
        let text = taken(&trainer, sheet).await;
        let mine = text.replace(",The trainer,", ",,");
        let columns = as_they_went_out(&text, sheet);
        let made = brought(&other, sheet, &columns, &mine).await;
        assert_eq!(made["read"]["errors"], json!([]), "{sheet}");
        let name = other.json("/api/session").await["name"]
            .as_str()
            .unwrap()
            .to_owned();
        let again = taken(&other, sheet).await;
        if sheet == "asks" {
            assert_eq!(again.replace(&format!(",{name},"), ",The trainer,"), text);
        }
    }
    let text = taken(&trainer, "rides").await;
    let again = taken(&other, "rides").await;
    let cells = |text: &str| {
        text.lines()
            .nth(1)
            .unwrap()
            .replace("The trainer", "")
            .len()
    };
    assert!(
        cells(&again) > 40 && again.contains("\"Quiet, then \"\"hot\"\"\""),
        "{again}"
    );
    assert_eq!(
        again.lines().nth(1).unwrap().split(',').next(),
        text.lines().nth(1).unwrap().split(',').next(),
        "a ride keeps its id"
    );
}
