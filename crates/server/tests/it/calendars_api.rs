//! Calendars under secret links, read by another parser than the one that wrote them (the
//! published crate `ical`). Sources: RFC 5545, sections 3.1 (lines folded at 75 octets),
//! 3.3.5 (UTC times), 3.3.11 (escaped texts), 3.6.1 (what an event must have).

use crate::barn::{self, Server, SetClock, TABLES, Visitor, calendar_link, delete, problem, put};
use ical::parser::ical::component::IcalEvent;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

/// The calendar as it came over the wire, and its events.
async fn read(server: &Server, path: &str) -> (String, Vec<IcalEvent>) {
    let answer = server.visitor().get(path).await;
    assert_eq!(answer.status(), 200);
    assert_eq!(
        answer.headers()["content-type"],
        "text/calendar; charset=utf-8"
    );
    let text = answer.text().await.unwrap();
    let mut calendars = ical::IcalParser::new(text.as_bytes());
    let calendar = calendars.next().unwrap().unwrap();
    assert!(calendars.next().is_none(), "one calendar");
    (text, calendar.events)
}

fn value(event: &IcalEvent, name: &str) -> Option<String> {
    let found = event
        .properties
        .iter()
        .find(|property| property.name == name);
    found.and_then(|property| property.value.clone())
}

async fn book(trainer: &Visitor, day: &str, booking: Value) {
    let mut whole = booking;
    whole["booking_id"] = json!(Uuid::now_v7());
    let answer = trainer
        .post(&format!("/api/days/{day}/bookings"), &whole)
        .await;
    let status = answer.status();
    assert_eq!(status, 201, "{}", answer.text().await.unwrap());
}

#[sqlx::test(migrator = "TABLES")]
async fn a_horse_a_person_and_a_place_have_calendars(pool: PgPool) {
    let clock = SetClock::at("2026-05-04T15:00:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    let pen = barn::id(&trainer.json("/api/places").await[0]["place_id"]);
    let long = "Big arena, north; with \"lights\" \\ and a name longer than a line holds";
    let sheet = json!({"name": long, "kind": "arena", "horses_at_once": 4});
    let added = trainer.post("/api/places", &sheet).await;
    let arena = barn::id(&added.json::<Value>().await.unwrap()["id"]);
    // The day is laid out by the look: Oatcake at 7:30 in the round pen.
    trainer.json("/api/days/2026-05-05").await;
    book(
        &trainer,
        "2026-05-05",
        json!({
            "kind": "ride", "horse_id": server.thimble, "person_id": trainer.person_id,
            "place_id": arena, "from_min": 600, "minutes": 60, "note": "between us",
        }),
    )
    .await;
    book(
        &trainer,
        "2026-05-05",
        json!({
            "kind": "farrier", "horse_id": server.oatcake, "from_min": 900, "minutes": 30,
        }),
    )
    .await;

    let (path, _) = calendar_link(&trainer, "horse", server.oatcake).await;
    let (text, events) = read(&server, &path).await;
    let summaries: Vec<Option<String>> = events.iter().map(|one| value(one, "SUMMARY")).collect();
    assert_eq!(
        summaries,
        [Some("Ride: The trainer".into()), Some("Farrier".into())]
    );
    assert_eq!(
        value(&events[0], "DTSTART").as_deref(),
        Some("20260505T133000Z")
    );
    assert_eq!(
        value(&events[0], "DTEND").as_deref(),
        Some("20260505T141500Z")
    );
    assert_eq!(value(&events[0], "LOCATION").as_deref(), Some("Round pen"));
    for event in &events {
        for must in ["UID", "DTSTAMP"] {
            assert!(value(event, must).is_some(), "{must}");
        }
    }
    assert!(
        text.lines().all(|line| line.len() <= 75),
        "lines are folded:\n{text}"
    );
    assert!(text.contains("\r\n"));

    let (path, _) = calendar_link(&trainer, "person", trainer.person_id).await;
    let (text, events) = read(&server, &path).await;
    assert_eq!(
        value(&events[1], "SUMMARY").as_deref(),
        Some("Ride: Thimble")
    );
    let escaped = long
        .replace('\\', "\\\\")
        .replace(',', "\\,")
        .replace(';', "\\;");
    assert_eq!(value(&events[1], "LOCATION"), Some(escaped));
    assert!(!text.contains("between us"), "notes stay in the barn");

    let (path, _) = calendar_link(&trainer, "place", pen).await;
    let (_, events) = read(&server, &path).await;
    assert_eq!(events.len(), 1);
    assert_eq!(
        value(&events[0], "SUMMARY").as_deref(),
        Some("Ride: Oatcake\\, The trainer")
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_link_is_secret_and_can_be_taken_back(pool: PgPool) {
    let server = Server::start(pool.clone()).await;
    let trainer = server.person("trainer@home").await;
    let (path, link_id) = calendar_link(&trainer, "horse", server.oatcake).await;
    read(&server, &path).await;
    let word = path
        .rsplit('/')
        .next()
        .unwrap()
        .trim_end_matches(".ics")
        .to_owned();
    let hashes: Vec<Vec<u8>> = sqlx::query_scalar("select word_hash from calendar_link")
        .fetch_all(&pool)
        .await
        .unwrap();
    assert!(
        hashes
            .iter()
            .all(|hash| hash.len() == 32 && hash != word.as_bytes())
    );
    let links = trainer.json("/api/calendar-links").await;
    assert_eq!(
        (&links[0]["name"], &links[0]["kind"]),
        (&json!("Oatcake"), &json!("horse"))
    );
    assert!(!links.to_string().contains(&word), "shown once");
    // Another barn neither sees it nor takes it back, nor makes one of what is not its own.
    let other = server.person("trainer@other").await;
    assert_eq!(other.json("/api/calendar-links").await, json!([]));
    let own = format!("/api/calendar-links/{link_id}");
    assert_eq!(delete(&other, &own).await, 404);
    let stolen = json!({"kind": "horse", "of_id": server.oatcake});
    let (status, said) = problem(other.post("/api/calendar-links", &stolen).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (404, &json!("/of_id"))
    );
    assert_eq!(delete(&trainer, &own).await, 204);
    assert_eq!(problem(server.visitor().get(&path).await).await.0, 404);
    assert_eq!(delete(&trainer, &own).await, 404);
    assert_eq!(
        problem(server.visitor().get("/api/calendars/guessed").await)
            .await
            .0,
        404
    );
}

/// Sources: IANA time zone database, the days on which the clock is set.
#[sqlx::test(migrator = "TABLES")]
async fn half_past_seven_stays_half_past_seven_over_the_day_the_clock_is_set(pool: PgPool) {
    for (zone, now, expected) in [
        (
            "America/Denver",
            "2026-03-06T18:00:00Z",
            [
                ("2026-03-07", "20260307T143000Z"),
                ("2026-03-08", "20260308T133000Z"),
            ],
        ),
        (
            "Australia/Sydney",
            "2026-04-02T18:00:00Z",
            [
                ("2026-04-04", "20260403T203000Z"),
                ("2026-04-05", "20260404T213000Z"),
            ],
        ),
    ] {
        sqlx::query("truncate barn cascade")
            .execute(&pool)
            .await
            .unwrap();
        let clock = SetClock::at(now);
        let server = Server::start_with(pool.clone(), clock.settings()).await;
        let trainer = server.person("trainer@home").await;
        let sheet = json!({"name": "Home", "time_zone": zone, "units": "us"});
        assert_eq!(put(&trainer, "/api/barn", sheet).await.status(), 204);
        let (path, _) = calendar_link(&trainer, "horse", server.thimble).await;
        for (day, _) in expected {
            book(
                &trainer,
                day,
                json!({
                    "kind": "vet", "horse_id": server.thimble, "from_min": 450, "minutes": 30,
                }),
            )
            .await;
        }
        let (_, events) = read(&server, &path).await;
        let starts: Vec<Option<String>> = events.iter().map(|one| value(one, "DTSTART")).collect();
        let expected: Vec<Option<String>> = expected
            .iter()
            .map(|(_, utc)| Some((*utc).to_owned()))
            .collect();
        assert_eq!(starts, expected, "{zone}");
    }
}
