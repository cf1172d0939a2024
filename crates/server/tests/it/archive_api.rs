//! The whole barn out and in: byte for byte the same, every column of every table, nothing of a
//! secret, nothing half stored. The document is checked against its published JSON Schema by
//! another implementation (the crate `jsonschema`, draft 2020-12).

use std::collections::{BTreeMap, BTreeSet};

use crate::barn::{self, Server, TABLES, Visitor, answered, problem, ride};
use cavesson_core::bench::barn::season;
use cavesson_core::exchange::archive::{Kind, tables};
use cavesson_core::ladder::Ladder;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::barns::Barn;
use cavesson_store::barn::barns::add;
use cavesson_store::barn::person;
use cavesson_store::barn::person::Person;
use jiff::SignedDuration;
use reqwest::Method;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

/// Tables that are never taken along, and columns.
const LEFT_OUT: &[&str] = &[
    "access_link",
    "calendar_link",
    "history_told",
    "horse_link",
    "news",
    "session",
];
const SECRET: &[(&str, &str)] = &[("person", "password_hash"), ("barn", "handle")];

fn stored_as(kind: Kind) -> &'static [&'static str] {
    match kind {
        Kind::Id => &["uuid"],
        Kind::Text => &["text"],
        Kind::Integer => &["int2", "int4", "int8"],
        Kind::Number => &["float8"],
        Kind::Flag => &["bool"],
        Kind::Day => &["date"],
        Kind::Instant => &["timestamptz"],
        Kind::Time => &["time"],
        Kind::Span => &["tstzrange"],
        Kind::Json => &["jsonb"],
        Kind::Texts => &["_text"],
        Kind::Ids => &["_uuid"],
    }
}

/// A column that a migration adds is in the archive, or this says so.
#[sqlx::test(migrator = "TABLES")]
async fn an_archive_has_every_column_of_the_database(pool: PgPool) {
    let found: Vec<(String, String, String, String)> = sqlx::query_as(
        "select table_name::text, column_name::text, udt_name::text, is_nullable::text
         from information_schema.columns
         where table_schema = 'public' and table_name <> '_sqlx_migrations'",
    )
    .fetch_all(&pool)
    .await
    .unwrap();
    let mut seen = BTreeSet::new();
    for (table, column, kind, nullable) in &found {
        let secret = SECRET.contains(&(table.as_str(), column.as_str()));
        if LEFT_OUT.contains(&table.as_str()) || column == "barn_id" || secret {
            continue;
        }
        let of = tables().iter().find(|one| one.name == table);
        let of = of.unwrap_or_else(|| panic!("{table} is in no archive"));
        let own = of.columns.iter().find(|one| one.name == column);
        let own = own.unwrap_or_else(|| panic!("{table}.{column} is in no archive"));
        assert!(
            stored_as(own.kind).contains(&kind.as_str()),
            "{table}.{column}: {kind}"
        );
        assert_eq!(own.nullable, nullable == "YES", "{table}.{column}");
        seen.insert((of.name, own.name));
    }
    let all: usize = tables().iter().map(|table| table.columns.len()).sum();
    assert_eq!(
        seen.len(),
        all,
        "a column of the archive is not in the database"
    );
}

async fn taken_out(trainer: &Visitor) -> String {
    let answer = trainer.get("/api/barn/archive").await;
    assert_eq!(answer.status(), 200);
    answer.text().await.unwrap()
}

async fn sent(by: &Visitor, path: &str, archive: &str) -> (u16, Value) {
    let bytes = archive.as_bytes().to_vec();
    answered(
        by.send(Method::POST, path, "application/json", bytes)
            .await
            .unwrap(),
    )
    .await
}

fn trainer_of(archive: &str) -> Uuid {
    let document: Value = serde_json::from_str(archive).unwrap();
    let people = document["tables"]["person"].as_array().unwrap().iter();
    let trainer = people
        .clone()
        .find(|person| person["role"] == "trainer")
        .unwrap();
    barn::id(&trainer["person_id"])
}

/// An empty barn with a trainer who signs in as `new@empty`.
async fn empty(server: &Server) -> Visitor {
    let stored = Barn {
        barn_id: Uuid::now_v7(),
        handle: "empty".into(),
        name: "Nothing yet".into(),
        time_zone: "UTC".into(),
        units: "metric".into(),
        quiet_outings_pct: 0,
    };
    add(&server.pool, &stored).await.unwrap();
    let mut barn = BarnTransaction::begin(&server.pool, stored.barn_id)
        .await
        .unwrap();
    let person = Person {
        person_id: Uuid::now_v7(),
        sign_in: "new".into(),
        name: "Somebody new".into(),
        role: cavesson_core::person::Role::Trainer,
    };
    let hash = cavesson_server::http::password::hash(barn::PASSWORD);
    let all = cavesson_core::person::Clearance::all();
    person::add(&mut barn, &person, Some(&hash), &all)
        .await
        .unwrap();
    barn.commit().await.unwrap();
    server.person("new@empty").await
}

/// A horse's simulated season, recorded.
async fn ridden(trainer: &Visitor, horse: Uuid, seed: u64) {
    let reps = season(Ladder::shipped(), seed, 6);
    // It ended yesterday.
    let last = reps.last().unwrap().asked_at;
    let shift = jiff::Timestamp::now().duration_since(last) - SignedDuration::from_hours(24);
    let mut rides: BTreeMap<Uuid, Vec<Value>> = BTreeMap::new();
    let mut began: BTreeMap<Uuid, jiff::Timestamp> = BTreeMap::new();
    for rep in &reps {
        let ride_id = Uuid::from_u128(rep.ride_id.as_u128() ^ u128::from(seed) << 64);
        let asked_at = rep.asked_at + shift;
        began.entry(ride_id).or_insert(asked_at);
        rides.entry(ride_id).or_default().push(json!({
            "rep_id": Uuid::now_v7(), "ride_id": ride_id, "skill": rep.skill, "rung": rep.rung,
            "side": rep.side, "asked_at": asked_at, "measure": rep.measure, "faults": rep.faults,
        }));
    }
    for (ride_id, reps) in rides {
        let batch = json!({
            "rides": [{"ride_id": ride_id, "horse_id": horse, "started_at": began[&ride_id],
                "finished_at": null, "note": "With \"quotes\", ümlaut & \\ slash"}],
            "reps": reps,
        });
        let answer = trainer.batch(&batch).await;
        let status = answer.status();
        assert_eq!(status, 200, "{}", answer.text().await.unwrap());
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_barn_goes_out_and_comes_in_byte_for_byte(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    for (horse, seed) in [(server.oatcake, 3), (server.thimble, 4)] {
        ridden(&trainer, horse, seed).await;
    }
    let care =
        json!({"care_id": Uuid::now_v7(), "kind": "feet", "day": "2026-05-04", "text": "Shod."});
    let horse = format!("/api/horses/{}", server.oatcake);
    assert_eq!(
        trainer.post(&format!("{horse}/care"), &care).await.status(),
        201
    );
    trainer.json("/api/today").await;
    assert_eq!(
        trainer
            .post(&format!("{horse}/reports"), &json!({}))
            .await
            .status(),
        201
    );
    let hers = trainer.json(&format!("{horse}/page")).await;

    let archive = taken_out(&trainer).await;
    let document: Value = serde_json::from_str(&archive).unwrap();
    let path = concat!(
        env!("CARGO_MANIFEST_DIR"),
        "/../../docs/archive.schema.json"
    );
    let schema: Value = serde_json::from_str(&std::fs::read_to_string(path).unwrap()).unwrap();
    let schema = jsonschema::draft202012::new(&schema).unwrap();
    let wrong: Vec<String> = schema
        .iter_errors(&document)
        .map(|one| one.to_string())
        .collect();
    assert_eq!(wrong, Vec::<String>::new());
    for secret in ["argon2", "password", "word_hash", "Stranger"] {
        assert!(!archive.contains(secret), "{secret}");
    }

    let newcomer = empty(&server).await;
    let looked = sent(&newcomer, "/api/barn/archive/look", &archive).await;
    assert_eq!(looked.0, 200, "{}", looked.1);
    assert_eq!(looked.1["barn_is_empty"], true);
    assert_eq!(looked.1["archive"]["barn"], "The home barn");
    let person_id = trainer_of(&archive);
    let path = format!("/api/barn/archive?person_id={person_id}");
    let (status, who) = sent(&newcomer, &path, &archive).await;
    assert_eq!(status, 200, "{who}");
    assert_eq!(taken_out(&newcomer).await, archive);

    // Who brought it in goes on as that trainer, here and with the password of before.
    assert_eq!(
        barn::id(&newcomer.json("/api/session").await["person_id"]),
        person_id
    );
    let again = server.person("trainer@empty").await;
    let mut theirs = again.json(&format!("{horse}/page")).await;
    theirs["riders"] = hers["riders"].clone();
    assert_eq!(theirs, hers);
    let others = server
        .visitor()
        .sign_in("rider@empty", barn::PASSWORD)
        .await;
    assert_eq!(others.status(), 401, "passwords do not come along");
    // The barn it came from goes its own way.
    assert_eq!(
        trainer.batch(&ride(server.thimble, 0, 2)).await.status(),
        200
    );
    assert_eq!(taken_out(&again).await, archive);
}

#[sqlx::test(migrator = "TABLES")]
async fn what_does_not_fit_leaves_the_barn_as_it_was(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    assert_eq!(
        trainer.batch(&ride(server.oatcake, 1, 2)).await.status(),
        200
    );
    let archive = taken_out(&trainer).await;
    let person_id = trainer_of(&archive);
    let path = format!("/api/barn/archive?person_id={person_id}");
    // A barn that holds something.
    assert_eq!(sent(&trainer, &path, &archive).await.0, 409);

    let newcomer = empty(&server).await;
    let before = taken_out(&newcomer).await;
    let changed = |pointer: &str, value: Value| {
        let mut document: Value = serde_json::from_str(&archive).unwrap();
        *document.pointer_mut(pointer).unwrap() = value;
        document.to_string()
    };
    for (broken, field) in [
        // By the reader.
        (
            changed("/tables/rep/0/side", json!(7)),
            "/tables/rep/0/side",
        ),
        // By a rule of the table, in the last row of all: what came before it is not kept.
        (
            changed("/tables/rep/3/side", json!("upside")),
            "/tables/rep",
        ),
        (changed("/tables/horse/0/name", json!("")), "/tables/horse"),
    ] {
        let (status, said) = sent(&newcomer, &path, &broken).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
        assert_eq!(taken_out(&newcomer).await, before);
    }
    let nobody = format!("/api/barn/archive?person_id={}", Uuid::now_v7());
    let (status, said) = sent(&newcomer, &nobody, &archive).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/person_id"))
    );
    let rider = server.person("rider@home").await;
    assert_eq!(problem(rider.get("/api/barn/archive").await).await.0, 403);
}
