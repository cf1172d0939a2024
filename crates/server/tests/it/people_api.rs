//! People: coming by a link, changing, clearances and hours, passwords, leaving.

use crate::barn::{self, PASSWORD, Server, SetClock, TABLES, delete, problem, put};
use serde_json::{Value, json};
use sqlx::PgPool;

const MONDAY: &str = "2026-05-04T15:00:00Z";

async fn added(server: &Server, sheet: Value) -> (String, String) {
    let trainer = server.person("trainer@home").await;
    let answer = trainer.post("/api/people", &sheet).await;
    assert_eq!(answer.status(), 201);
    let added: Value = answer.json().await.unwrap();
    let text = |value: &Value| value.as_str().unwrap().to_owned();
    (text(&added["person_id"]), text(&added["link"]["word"]))
}

fn somebody() -> Value {
    json!({"name": "  Juna Weatherby ", "sign_in": "juna", "role": "rider"})
}

async fn person(server: &Server, name: &str) -> Value {
    let people = server
        .person("trainer@home")
        .await
        .json("/api/people")
        .await;
    let found = people.as_array().unwrap().iter();
    found
        .clone()
        .find(|person| person["name"] == name)
        .unwrap()
        .clone()
}

#[sqlx::test(migrator = "TABLES")]
async fn somebody_new_comes_by_a_link_and_sets_their_own_password(pool: PgPool) {
    let clock = SetClock::at(MONDAY);
    let server = Server::start_with(pool.clone(), clock.settings()).await;
    let (_, word) = added(&server, somebody()).await;
    let seen = person(&server, "Juna Weatherby").await;
    assert_eq!(seen["has_password"], false);
    assert_eq!(seen["link_until"], "2026-05-11T15:00:00Z");
    // Cautious until the trainer says more.
    assert_eq!(
        seen["clearance"],
        json!({"only_horses": null, "rigs": ["halter", "snaffle", "bosal"], "cattle": false, "first_rides": false, "quiet_hands": false})
    );
    let nobody = server.visitor();
    assert_eq!(nobody.sign_in("juna@home", PASSWORD).await.status(), 401);

    let shown: Value = nobody
        .post("/api/links/look", &json!({ "word": word }))
        .await
        .json()
        .await
        .unwrap();
    assert_eq!(
        (
            &shown["purpose"],
            &shown["name"],
            &shown["sign_in"],
            &shown["barn"]
        ),
        (
            &json!("invite"),
            &json!("Juna Weatherby"),
            &json!("juna"),
            &json!("The home barn")
        )
    );
    let short = json!({"word": word, "password": "short"});
    let (status, said) = problem(nobody.post("/api/links/take", &short).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/password"))
    );
    let taken = json!({"word": word, "password": "a steady hand", "sign_in": "juna.w"});
    let answer = nobody.post("/api/links/take", &taken).await;
    assert_eq!(answer.status(), 200);
    assert_eq!(nobody.json("/api/session").await["name"], "Juna Weatherby");

    // It works once, and the password works from anywhere.
    let again = server.visitor().post("/api/links/take", &taken).await;
    assert_eq!(problem(again).await.0, 410);
    let elsewhere = server.visitor();
    assert_eq!(
        elsewhere
            .sign_in("juna.w@home", "a steady hand")
            .await
            .status(),
        200
    );
    // Of the word only its hash is stored.
    let stored: Vec<Vec<u8>> = sqlx::query_scalar("select word_hash from access_link")
        .fetch_all(&pool)
        .await
        .unwrap();
    assert!(
        stored
            .iter()
            .all(|hash| hash.len() == 32 && hash != word.as_bytes())
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_link_expires_is_taken_back_and_gives_way_to_a_newer_one(pool: PgPool) {
    let clock = SetClock::at(MONDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let (person_id, first) = added(&server, somebody()).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/people/{person_id}/link");
    let second: Value = trainer.post(&path, &json!({})).await.json().await.unwrap();
    let look = async |word: &str| {
        let answer = server.visitor();
        let answer = answer
            .post("/api/links/look", &json!({ "word": word }))
            .await;
        answer.status().as_u16()
    };
    let second = second["word"].as_str().unwrap();
    assert_eq!((look(&first).await, look(second).await), (410, 200));
    clock.put("2026-05-11T15:00:00Z");
    assert_eq!(look(second).await, 410, "a week later");
    clock.put(MONDAY);
    assert_eq!(delete(&trainer, &path).await, 204);
    assert_eq!(look(second).await, 410, "taken back");
    assert_eq!(look("no such word").await, 410);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_new_password_by_link_signs_out_every_device(pool: PgPool) {
    let clock = SetClock::at(MONDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let rider = server.person("rider@home").await;
    let rider_id = rider.person_id;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/people/{rider_id}/link");
    let made: Value = trainer.post(&path, &json!({})).await.json().await.unwrap();
    // A day, not a week: somebody who is here asks for it.
    assert_eq!(made["expires_at"], "2026-05-05T15:00:00Z");
    let phone = server.visitor();
    let taken = json!({"word": made["word"], "password": "another long rein"});
    assert_eq!(phone.post("/api/links/take", &taken).await.status(), 200);
    assert_eq!(rider.get("/api/session").await.status(), 401);
    assert_eq!(
        server
            .visitor()
            .sign_in("rider@home", PASSWORD)
            .await
            .status(),
        401
    );
    // A link that begins no barn takes no barn.
    let made: Value = trainer.post(&path, &json!({})).await.json().await.unwrap();
    let barn = json!({"name": "Mine", "handle": "mine", "time_zone": "UTC", "units": "us", "trainer": "Me"});
    let taken = json!({"word": made["word"], "password": "another long rein", "barn": barn});
    let (status, said) = problem(phone.post("/api/links/take", &taken).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/barn"))
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn everybody_changes_their_own_password_and_ends_their_other_devices(pool: PgPool) {
    let server = Server::start(pool).await;
    let phone = server.person("helper@home").await;
    let laptop = server.person("helper@home").await;
    assert_eq!(phone.json("/api/account/devices").await["signed_in"], 2);
    let path = "/api/account/password";
    let wrong = json!({"now": "not this", "new": "a longer rein"});
    let (status, said) = problem(put(&phone, path, wrong).await).await;
    assert_eq!((status, &said["errors"][0]["field"]), (422, &json!("/now")));
    let short = json!({"now": PASSWORD, "new": "short"});
    let (status, said) = problem(put(&phone, path, short).await).await;
    assert_eq!((status, &said["errors"][0]["field"]), (422, &json!("/new")));
    let right = json!({"now": PASSWORD, "new": "a longer rein"});
    assert_eq!(put(&phone, path, right).await.status(), 204);
    assert_eq!(laptop.get("/api/session").await.status(), 401, "signed out");
    assert_eq!(phone.json("/api/account/devices").await["signed_in"], 1);
    let laptop = server.visitor();
    assert_eq!(
        laptop
            .sign_in("helper@home", "a longer rein")
            .await
            .status(),
        200
    );
    assert_eq!(delete(&laptop, "/api/account/devices").await, 204);
    assert_eq!(phone.get("/api/session").await.status(), 401);
    assert_eq!(laptop.get("/api/session").await.status(), 200);
}

#[sqlx::test(migrator = "TABLES")]
async fn who_leaves_is_kept_and_cannot_sign_in_until_they_come_back(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let batch = barn::ride(server.oatcake, 0, 2);
    assert_eq!(rider.batch(&batch).await.status(), 200);
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/people/{}", rider.person_id);
    assert_eq!(
        trainer
            .post(&format!("{path}/leave"), &json!({}))
            .await
            .status(),
        204
    );
    assert_eq!(rider.get("/api/today").await.status(), 401);
    assert_eq!(
        server
            .visitor()
            .sign_in("rider@home", PASSWORD)
            .await
            .status(),
        401
    );
    let ride_id = batch["rides"][0]["ride_id"].as_str().unwrap();
    let ride = trainer.json(&format!("/api/rides/{ride_id}")).await;
    assert_eq!(ride["rider"], "The rider", "the records keep them");
    let people = trainer.json("/api/people").await;
    let last = people.as_array().unwrap().last().unwrap();
    assert_eq!(last["name"], "The rider");
    assert!(last["left_at"].is_string());
    // No link lets in who left.
    let link = trainer.post(&format!("{path}/link"), &json!({})).await;
    assert_eq!(problem(link).await.0, 404);
    assert_eq!(
        trainer
            .post(&format!("{path}/come-back"), &json!({}))
            .await
            .status(),
        204
    );
    assert_eq!(
        server
            .visitor()
            .sign_in("rider@home", PASSWORD)
            .await
            .status(),
        200
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn the_last_trainer_cannot_be_removed(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let own = format!("/api/people/{}", trainer.person_id);
    let as_rider = json!({"name": "The trainer", "sign_in": "trainer", "role": "rider"});
    let (status, said) = problem(trainer.post(&format!("{own}/leave"), &json!({})).await).await;
    assert_eq!(
        (status, &said["type"]),
        (409, &json!("/problems/keeps-the-barn"))
    );
    assert_eq!(
        problem(put(&trainer, &own, as_rider.clone()).await).await.0,
        409
    );
    // Somebody invited cannot sign in yet, so they do not count.
    let sheet = json!({"name": "Second", "sign_in": "second", "role": "trainer"});
    let (_, word) = added(&server, sheet).await;
    assert_eq!(
        problem(put(&trainer, &own, as_rider.clone()).await).await.0,
        409
    );
    let taken = json!({"word": word, "password": "a steady hand"});
    let second = server.visitor();
    assert_eq!(second.post("/api/links/take", &taken).await.status(), 200);
    assert_eq!(put(&trainer, &own, as_rider).await.status(), 204);
    assert_eq!(
        trainer.get("/api/people").await.status(),
        200,
        "a rider sees who is here"
    );
    assert_eq!(
        trainer.post("/api/people", &somebody()).await.status(),
        403,
        "and adds nobody"
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn two_trainers_cannot_remove_each_other_at_once(pool: PgPool) {
    let server = Server::start(pool).await;
    let sheet = json!({"name": "Second", "sign_in": "second", "role": "trainer"});
    let (second_id, word) = added(&server, sheet).await;
    let second = server.visitor();
    let taken = json!({"word": word, "password": "a steady hand"});
    assert_eq!(second.post("/api/links/take", &taken).await.status(), 200);
    let first = server.person("trainer@home").await;
    let (first_leaves, second_leaves) = (
        format!("/api/people/{}/leave", first.person_id),
        format!("/api/people/{second_id}/leave"),
    );
    let nothing = json!({});
    let (one, other) = tokio::join!(
        first.post(&second_leaves, &nothing),
        second.post(&first_leaves, &nothing)
    );
    let mut statuses = [one.status().as_u16(), other.status().as_u16()];
    statuses.sort_unstable();
    // The later one finds itself the last, or gone already.
    assert_eq!(statuses[0], 204, "{statuses:?}");
    assert!([401, 409].contains(&statuses[1]), "{statuses:?}");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_person_is_changed_with_clearance_and_hours(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let rider = server.person("rider@home").await;
    let path = format!("/api/people/{}", rider.person_id);
    let clearance = json!({
        "only_horses": [server.thimble], "rigs": ["snaffle"], "cattle": true, "first_rides": false, "quiet_hands": true,
    });
    let hours = json!([
        {"weekday": 1, "from": "07:00:00", "to": "15:30:00", "most_horses": 6},
        {"weekday": 6, "from": "08:00:00", "to": "12:00:00", "most_horses": 3},
    ]);
    let sheet = json!({
        "name": "Tally", "sign_in": "tally", "role": "rider", "clearance": clearance, "hours": hours,
    });
    assert_eq!(put(&trainer, &path, sheet.clone()).await.status(), 204);
    let seen = person(&server, "Tally").await;
    assert_eq!((&seen["clearance"], &seen["hours"]), (&clearance, &hours));
    let with = |field: &str, value: Value| {
        let mut changed = sheet.clone();
        changed[field] = value;
        changed
    };
    let stranger = json!({"only_horses": [server.stranger], "rigs": [], "cattle": false, "first_rides": false});
    for (changed, status, field) in [
        (with("name", json!(" ")), 422, "/name"),
        (with("sign_in", json!("Tally Ho")), 422, "/sign_in"),
        (with("sign_in", json!("helper")), 409, "/sign_in"),
        (with("clearance", stranger), 404, "/clearance/only_horses/0"),
        (
            with(
                "hours",
                json!([{"weekday": 8, "from": "07:00:00", "to": "08:00:00", "most_horses": 1}]),
            ),
            422,
            "/hours/0/weekday",
        ),
        (
            with(
                "hours",
                json!([{"weekday": 2, "from": "09:00:00", "to": "08:00:00", "most_horses": 1}]),
            ),
            422,
            "/hours/0/to",
        ),
    ] {
        let (found, said) = problem(put(&trainer, &path, changed).await).await;
        assert_eq!(
            (found, &said["errors"][0]["field"]),
            (status, &json!(field)),
            "{said}"
        );
    }
    // Nothing of it was half stored.
    assert_eq!(person(&server, "Tally").await["hours"], hours);
}
