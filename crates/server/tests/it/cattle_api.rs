//! The herd book over HTTP, works of a ride, which cow for which horse.

use crate::barn::{self, Server, TABLES, Visitor, answered, delete, problem, put};
use jiff::civil::Date;
use jiff::tz::TimeZone;
use jiff::{SignedDuration, Timestamp, ToSpan};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

/// The barn's day; its clock is not the one of this machine.
fn here() -> Date {
    let zone = TimeZone::get("America/Denver").unwrap();
    Timestamp::now().to_zoned(zone).date()
}

fn today() -> String {
    here().to_string()
}

fn sheet(tag: &str, tempo: &str) -> Value {
    json!({"tag": tag, "kind": "heifer", "weight_lb": 510, "came": "2026-01-05", "tempo": tempo,
           "handling": "well", "done": false, "note": ""})
}

async fn lot(trainer: &Visitor, name: &str) -> Uuid {
    let sheet = json!({"name": name, "kind": "heifers", "head": 12});
    let (status, added) = answered(trainer.post("/api/cattle", &sheet).await).await;
    assert_eq!(status, 201, "{added}");
    barn::id(&added["id"])
}

async fn cow(trainer: &Visitor, lot: Uuid, sheet: Value) -> Uuid {
    let body = json!({"lot_id": lot, "sheet": sheet});
    let (status, added) = answered(trainer.post("/api/cows", &body).await).await;
    assert_eq!(status, 201, "{added}");
    barn::id(&added["cow_id"])
}

/// A turn with its work, so many seconds after the start.
fn turn(ride_id: Uuid, started: Timestamp, seconds: i64, work: Uuid, change: Value) -> Value {
    let mut measure = json!({"kind": "turn", "tempo": "slow", "position": "even",
        "shoulders": "swept_across", "weight": "behind", "waited": true, "result": "turned",
        "work_id": work});
    for (name, value) in change.as_object().unwrap() {
        measure[name] = value.clone();
    }
    json!({"rep_id": Uuid::now_v7(), "ride_id": ride_id, "skill": "cow.turn", "rung": "slow",
           "side": if seconds % 20 == 0 { "left" } else { "right" },
           "asked_at": started + SignedDuration::from_secs(seconds), "measure": measure})
}

/// A ride with one work on a cow and these turns, ten seconds apart.
fn worked(horse: Uuid, cow: Uuid, how: &str, turns: &[Value]) -> Value {
    worked_before(30, horse, cow, how, turns)
}

fn worked_before(minutes: i64, horse: Uuid, cow: Uuid, how: &str, turns: &[Value]) -> Value {
    let started = Timestamp::now() - SignedDuration::from_mins(minutes);
    let (ride_id, work) = (Uuid::now_v7(), Uuid::now_v7());
    let reps: Vec<Value> = turns
        .iter()
        .zip(1..)
        .map(|(change, number)| turn(ride_id, started, 10 * number, work, change.clone()))
        .collect();
    json!({
        "rides": [{"ride_id": ride_id, "horse_id": horse, "started_at": started, "finished_at": null,
            "works": [{"work_id": work, "cow_id": cow, "after_ms": 5_000,
                       "ended": {"after_ms": 185_000, "how": how}}]}],
        "reps": reps
    })
}

async fn stored(visitor: &Visitor, batch: &Value) {
    let (status, said) = answered(visitor.batch(batch).await).await;
    assert_eq!(status, 200, "{said}");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_herd_is_written_down_cow_by_cow_and_from_a_file(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let blue = lot(&trainer, "Blue tags").await;
    let first = cow(&trainer, blue, sheet("12", "slow")).await;
    let again = json!({"lot_id": blue, "sheet": sheet("12", "quick")});
    let (status, said) = problem(trainer.post("/api/cows", &again).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (409, &json!("/sheet/tag")),
        "{said}"
    );

    let rows = format!("/api/cattle/{blue}/rows");
    let text = "tag,tempo\n12,slow\n14,hops\n15,runs";
    let found = answered(
        trainer
            .post(&rows, &json!({"text": text, "add": true}))
            .await,
    )
    .await
    .1;
    assert_eq!(found["errors"].as_array().unwrap().len(), 2, "{found}");
    let page = trainer.json(&format!("/api/cattle/{blue}")).await;
    assert_eq!(
        page["cattle"].as_array().unwrap().len(),
        1,
        "nothing half added"
    );
    let text = "tag,tempo,handling\n14,trots,well\n15,runs,wild";
    let found = answered(
        trainer
            .post(&rows, &json!({"text": text, "add": true}))
            .await,
    )
    .await
    .1;
    assert_eq!(found["errors"], json!([]));
    let page = trainer.json(&format!("/api/cattle/{blue}")).await;
    let tags: Vec<&str> = page["cattle"]
        .as_array()
        .unwrap()
        .iter()
        .map(|c| c["sheet"]["tag"].as_str().unwrap())
        .collect();
    assert_eq!(tags, ["12", "14", "15"]);
    assert_eq!(page["settled"], "never");
    assert_eq!(page["cattle"][0]["standing"]["works_left"], 2);

    // It goes; its tag is free again, and it cannot come back under it.
    assert_eq!(
        trainer
            .post(&format!("/api/cows/{first}/put-away"), &json!({}))
            .await
            .status(),
        204
    );
    cow(&trainer, blue, sheet("12", "medium")).await;
    let (status, _) = problem(
        trainer
            .post(&format!("/api/cows/{first}/take-out"), &json!({}))
            .await,
    )
    .await;
    assert_eq!(status, 409);

    let yellow = lot(&trainer, "Yellow tags").await;
    let moved = json!({"lot_id": yellow, "sheet": sheet("12", "slow")});
    assert_eq!(
        put(&trainer, &format!("/api/cows/{first}"), moved)
            .await
            .status(),
        204
    );
    assert_eq!(
        trainer.json(&format!("/api/cows/{first}")).await["lot"],
        "Yellow tags"
    );
    let stranger = server.person("trainer@other").await;
    assert_eq!(
        stranger.get(&format!("/api/cows/{first}")).await.status(),
        404
    );
    assert_eq!(
        stranger.get(&format!("/api/cattle/{blue}")).await.status(),
        404
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_sign_sorts_it_off_until_it_is_cleared(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let helper = server.person("helper@home").await;
    let blue = lot(&trainer, "Blue tags").await;
    let id = cow(&trainer, blue, sheet("12", "slow")).await;
    let path = format!("/api/cow-signs/{}", Uuid::now_v7());
    let seen = json!({"cow_id": id, "seen": {"sign": "runny_eye", "seen_on": today()}});
    assert_eq!(put(&helper, &path, seen.clone()).await.status(), 204);
    let page = helper.json(&format!("/api/cows/{id}")).await;
    assert_eq!(page["standing"]["sorted_off"], true);
    assert_eq!(page["signs"][0]["cleared_on"], Value::Null);
    let mut cleared = seen.clone();
    cleared["cleared_on"] = json!("2020-02-02");
    let (status, said) = problem(put(&helper, &path, cleared.clone()).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/cleared_on"))
    );
    cleared["cleared_on"] = json!(today());
    assert_eq!(put(&helper, &path, cleared).await.status(), 204);
    let page = helper.json(&format!("/api/cows/{id}")).await;
    assert_eq!(page["standing"]["sorted_off"], false);

    let path = format!("/api/cow-treatments/{}", Uuid::now_v7());
    let given = json!({"cow_id": id, "treatment":
        {"given_on": today(), "what": "Eye powder", "by": "The vet", "withdrawal_days": 10}});
    assert_eq!(put(&helper, &path, given.clone()).await.status(), 204);
    let until = here().saturating_add(10.days()).to_string();
    let page = helper.json(&format!("/api/cows/{id}")).await;
    assert_eq!(page["withdrawn_until"], until.as_str());
    let of_lot = helper.json(&format!("/api/cattle/{blue}")).await;
    assert_eq!(of_lot["cattle"][0]["withdrawn_until"], until.as_str());
    let mut wrong = given;
    wrong["treatment"]["what"] = json!("");
    let (status, said) = problem(put(&helper, &path, wrong).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/treatment/what"))
    );
    assert_eq!(delete(&helper, &path).await, 403, "trainers take it out");
    assert_eq!(delete(&trainer, &path).await, 204);
    assert_eq!(
        trainer.json(&format!("/api/cows/{id}")).await["treatments"],
        json!([])
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_herd_that_stood_is_settled_until_one_more_comes(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let blue = lot(&trainer, "Blue tags").await;
    let path = format!("/api/settlings/{}", Uuid::now_v7());
    let settled = json!({"lot_id": blue,
        "settling": {"day": today(), "minutes": 25, "put_back": 4, "stands": true}});
    let page = format!("/api/cattle/{blue}");
    assert_eq!(put(&trainer, &path, settled.clone()).await.status(), 204);
    assert_eq!(
        put(&trainer, &path, settled.clone()).await.status(),
        204,
        "sent again"
    );
    let found = trainer.json(&page).await;
    assert_eq!(
        (
            &found["settled"],
            found["settlings"].as_array().unwrap().len()
        ),
        (&json!("yes"), 1)
    );
    let mut wrong = settled;
    wrong["settling"]["minutes"] = json!(0);
    let (status, said) = problem(put(&trainer, &path, wrong).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/settling/minutes"))
    );
    assert_eq!(delete(&trainer, &path).await, 204);
    assert_eq!(trainer.json(&page).await["settled"], "never");
}

#[sqlx::test(migrator = "TABLES")]
async fn works_make_a_cow_stale_and_show_where_turns_come_apart(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let blue = lot(&trainer, "Blue tags").await;
    let id = cow(&trainer, blue, sheet("12", "slow")).await;
    let through = json!({"result": "lost"});
    let not_there = json!({"position": "short", "result": "lost"});
    let batch = worked(
        server.oatcake,
        id,
        "ran_through",
        &[json!({}), through.clone(), not_there, through],
    );
    stored(&trainer, &batch).await;
    stored(&trainer, &batch).await;
    let page = trainer.json(&format!("/api/cows/{id}")).await;
    assert_eq!(
        page["stopped"],
        json!([true, false, false, false]),
        "{page}"
    );
    let standing = &page["standing"];
    assert_eq!(
        (&standing["works"], &standing["works_left"]),
        (&json!(1), &json!(1))
    );
    assert_eq!(page["works"][0]["minutes"], 3.0);
    assert_eq!(page["works"][0]["turns"].as_array().unwrap().len(), 4);
    // By hand: stopped 0.9^3 = 0.729; gone through 1 + 0.9 + 0.81 = 2.71;
    // (4 + 0.729) / (5 + 0.729 + 2.71) = 0.5604.
    let share = standing["honesty"]["share"].as_f64().unwrap();
    assert!((share - 4.729 / 8.439).abs() < 1e-9, "{share}");
    assert_eq!(standing["honesty"]["freshness"], "going_stale");

    let works = trainer
        .json(&format!("/api/horses/{}/works", server.oatcake))
        .await;
    assert_eq!(works["rides"][0]["works"][0]["tag"], "12");
    let cells = works["summary"]["cells"].as_array().unwrap();
    let turns: u64 = cells
        .iter()
        .map(|cell| cell["turns"].as_u64().unwrap())
        .sum();
    assert_eq!(turns, 4);
}

#[sqlx::test(migrator = "TABLES")]
async fn an_end_that_was_said_stays_and_works_are_of_their_own_ride(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let blue = lot(&trainer, "Blue tags").await;
    let id = cow(&trainer, blue, sheet("12", "slow")).await;
    let mut batch = worked(server.oatcake, id, "good_turn", &[json!({})]);
    let ended = batch["rides"][0]["works"][0]["ended"].take();
    stored(&trainer, &batch).await;
    let page = format!("/api/cows/{id}");
    assert_eq!(trainer.json(&page).await["works"][0]["how"], Value::Null);
    batch["rides"][0]["works"][0]["ended"] = ended;
    stored(&trainer, &batch).await;
    batch["rides"][0]["works"][0]["ended"]["how"] = json!("lost");
    stored(&trainer, &batch).await;
    assert_eq!(trainer.json(&page).await["works"][0]["how"], "good_turn");

    let mut nobodys = worked(server.oatcake, Uuid::now_v7(), "lost", &[]);
    let (status, said) = problem(trainer.batch(&nobodys).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (404, &json!("/rides/0/works/0/cow_id"))
    );
    nobodys["rides"][0]["works"][0]["cow_id"] = json!(id);
    nobodys["rides"][0]["works"][0]["ended"]["after_ms"] = json!(10);
    let (status, said) = problem(trainer.batch(&nobodys).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/rides/0/works/0/ended/after_ms"))
    );

    // A turn that names the work of another ride.
    let mut other = worked(server.oatcake, id, "lost", &[json!({})]);
    other["reps"][0]["measure"]["work_id"] = batch["rides"][0]["works"][0]["work_id"].clone();
    let (status, said) = problem(trainer.batch(&other).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (404, &json!("/reps/0/measure/work_id"))
    );
    assert_eq!(
        trainer.json(&page).await["works"].as_array().unwrap().len(),
        1,
        "nothing half stored"
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn the_pen_knows_the_last_turns_and_whether_it_had_to_leave(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let trainer = server.person("trainer@home").await;
    let blue = lot(&trainer, "Blue tags").await;
    let id = cow(&trainer, blue, sheet("12", "slow")).await;
    let path = format!("/api/horses/{}/pen", server.oatcake);
    let before = rider.json(&path).await;
    assert_eq!(
        (&before["first"], &before["lately"]),
        (&json!(true), &json!([]))
    );
    assert_eq!(before["cattle"][0]["tag"], "12");
    assert_eq!(before["cattle"][0]["cow"]["settled"], false);
    let leaked = json!({"shoulders": "leaked"});
    let batch = worked_before(
        90,
        server.oatcake,
        id,
        "left_cattle",
        &[leaked.clone(), leaked, json!({})],
    );
    stored(&rider, &batch).await;
    let after = rider.json(&path).await;
    assert_eq!(
        (&after["first"], &after["corrected"]),
        (&json!(false), &json!(true))
    );
    assert_eq!(after["lately"].as_array().unwrap().len(), 3);
    assert_eq!(after["lately"][0]["ride_id"], batch["rides"][0]["ride_id"]);
    // The next card carries it: cattle are off it until what lies under the leak is right.
    let card_path = format!("/api/horses/{}/card", server.oatcake);
    let card: Value = rider
        .post(&card_path, &json!({}))
        .await
        .json()
        .await
        .unwrap();
    let left_out = card["left_out"].as_array().unwrap();
    let turn = left_out
        .iter()
        .find(|one| one["level"]["skill"] == "cow.turn");
    let why = turn.unwrap()["why"].as_str().unwrap();
    assert!(why.starts_with("Moved back"), "{why}");
    let blocks = card["blocks"].as_array().unwrap();
    let carries = |block: &&Value| {
        let why = block["why"].as_str().unwrap();
        why.contains("turns with a cow, slow was moved back")
    };
    assert_eq!(blocks.iter().filter(carries).count(), 1, "{card}");
    // A ride without trouble after it.
    stored(
        &rider,
        &worked(server.oatcake, id, "good_turn", &[json!({}), json!({})]),
    )
    .await;
    assert_eq!(rider.json(&path).await["corrected"], false);
}

/// Books a horse tomorrow for that level.
async fn down(trainer: &Visitor, horse: Uuid, place: &Value, level: Value) {
    let people = trainer.json("/api/people").await;
    let rider = people
        .as_array()
        .unwrap()
        .iter()
        .find(|person| person["role"] == "rider")
        .unwrap();
    let day = here().saturating_add(1.day());
    let booking = json!({
        "booking_id": Uuid::now_v7(), "kind": "ride", "horse_id": horse,
        "person_id": rider["person_id"], "place_id": place, "from_min": 540, "minutes": 45,
        "skill": level["skill"], "rung": level["rung"]
    });
    let path = format!("/api/days/{day}/bookings");
    let (status, said) = answered(trainer.post(&path, &booking).await).await;
    assert!(status < 300, "{status} {said}");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_day_is_matched_for_all_horses_together_with_reasons(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let (_, place) = answered(
        trainer
            .post(
                "/api/places",
                &json!({"name": "Cattle pen", "kind": "cattle_pen", "horses_at_once": 3}),
            )
            .await,
    )
    .await;
    let blue = lot(&trainer, "Blue tags").await;
    let slow = cow(&trainer, blue, sheet("12", "slow")).await;
    cow(&trainer, blue, sheet("15", "quick")).await;
    let level = json!({"skill": "cow.drive", "rung": "walk"});
    down(&trainer, server.thimble, &place["id"], level).await;
    let day = here().saturating_add(1.day());
    let path = format!("/api/cattle-match?day={day}");
    let found = trainer.json(&path).await;
    let horses = found["horses"].as_array().unwrap();
    assert_eq!(horses.len(), 1, "only what is down for cattle: {found}");
    let of_horse = &horses[0];
    assert_eq!(
        (&of_horse["first"], &of_horse["due"]),
        (&json!(true), &json!("slow"))
    );
    assert_eq!(of_horse["cows"], json!([]), "the herd is not settled");
    let why = |found: &Value| -> Vec<(String, u64)> {
        found["horses"][0]["because"]
            .as_array()
            .unwrap()
            .iter()
            .map(|one| {
                (
                    one["why"].as_str().unwrap().to_owned(),
                    one["cattle"].as_u64().unwrap(),
                )
            })
            .collect()
    };
    assert_eq!(why(&found), [("not_settled".to_owned(), 2)]);
    let settled = json!({"lot_id": blue, "settling": {"day": today(), "minutes": 20, "put_back": 2, "stands": true}});
    put(
        &trainer,
        &format!("/api/settlings/{}", Uuid::now_v7()),
        settled,
    )
    .await;
    let found = trainer.json(&path).await;
    assert_eq!(found["horses"][0]["cows"][0]["cow_id"], json!(slow));
    assert_eq!(found["horses"][0]["left_out"], 1, "two works, one cow fits");
    assert_eq!(why(&found), [("too_quick".to_owned(), 1)]);
    let (status, _) = problem(trainer.get("/api/cattle-match?day=2020-01-01").await).await;
    assert_eq!(status, 422);
}
