//! Calendars that come in: busy times of people. Sources: RFC 5545, sections 3.3.10
//! (recurrence), 3.6.1 (events), 3.8.2.7 (TRANSP), 3.8.5.1 (EXDATE); the rules of the
//! American clock (set forward on the second Sunday of March, back on the first of
//! November) and the European one (last Sundays of March and October).

use crate::barn::{Server, SetClock, TABLES, Visitor, answered, delete, horse_calendar};
use serde_json::{Value, json};
use sqlx::PgPool;

/// A calendar of events, each a list of lines.
fn calendar(events: &[&[&str]]) -> String {
    let mut text = String::from("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n");
    for (index, lines) in events.iter().enumerate() {
        text.push_str("BEGIN:VEVENT\r\nDTSTAMP:20260101T000000Z\r\n");
        if !lines.iter().any(|line| line.starts_with("UID")) {
            text.push_str(&format!("UID:{index}@test\r\n"));
        }
        for line in *lines {
            text.push_str(line);
            text.push_str("\r\n");
        }
        text.push_str("END:VEVENT\r\n");
    }
    text + "END:VCALENDAR\r\n"
}

async fn read(visitor: &Visitor, text: &str) -> (u16, Value) {
    let new = json!({"person_id": visitor.person_id, "name": "Own", "text": text});
    answered(visitor.post("/api/busy-calendars", &new).await).await
}

/// When somebody is busy on a day, in minutes from midnight.
async fn busy(visitor: &Visitor, day: &str) -> Vec<(u64, u64)> {
    let day = visitor.json(&format!("/api/days/{day}")).await;
    let people = day["plan"]["people"].as_array().unwrap();
    let own = people
        .iter()
        .find(|one| one["person_id"] == json!(visitor.person_id));
    let minutes = |one: &Value| {
        (
            one["from_min"].as_u64().unwrap(),
            one["to_min"].as_u64().unwrap(),
        )
    };
    own.unwrap()["busy"]
        .as_array()
        .unwrap()
        .iter()
        .map(minutes)
        .collect()
}

#[sqlx::test(migrator = "TABLES")]
async fn times_come_in_and_the_rules_of_the_day_know_them(pool: PgPool) {
    let clock = SetClock::at("2026-05-04T15:00:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let rider = server.person("rider@home").await;
    let text = calendar(&[
        &[
            "SUMMARY:Dentist, my own",
            "DTSTART;TZID=America/Denver:20260505T080000",
            "DTEND;TZID=America/Denver:20260505T093000",
        ],
        &["SUMMARY:UTC", "DTSTART:20260505T200000Z", "DURATION:PT45M"],
        &[
            "SUMMARY:Floating",
            "DTSTART:20260506T070000",
            "DTEND:20260506T073000",
        ],
        &["SUMMARY:All day", "DTSTART;VALUE=DATE:20260507"],
        &[
            "SUMMARY:Free",
            "DTSTART:20260506T180000Z",
            "DTEND:20260506T190000Z",
            "TRANSP:TRANSPARENT",
        ],
        &[
            "SUMMARY:Off",
            "DTSTART:20260506T180000Z",
            "DTEND:20260506T190000Z",
            "STATUS:CANCELLED",
        ],
        &[
            "SUMMARY:Over",
            "DTSTART:20240506T180000Z",
            "DTEND:20240506T190000Z",
        ],
    ]);
    let (status, made) = read(&rider, &text).await;
    assert_eq!((status, &made["times"]), (201, &json!(4)), "{made}");
    assert_eq!(busy(&rider, "2026-05-05").await, [(480, 570), (840, 885)]);
    assert_eq!(busy(&rider, "2026-05-06").await, [(420, 450)]);
    assert_eq!(busy(&rider, "2026-05-07").await, [(0, 1440)]);

    let trainer = server.person("trainer@home").await;
    let pen = trainer.json("/api/places").await[0]["place_id"].clone();
    let booking = json!({
        "booking_id": uuid::Uuid::now_v7(), "kind": "ride", "horse_id": server.thimble,
        "person_id": rider.person_id, "place_id": pen, "from_min": 540, "minutes": 45,
    });
    let answer = trainer
        .post("/api/days/2026-05-05/bookings", &booking)
        .await;
    assert_eq!(answer.status(), 201, "the trainer decides");
    let day = trainer.json("/api/days/2026-05-05").await;
    let said: Vec<&Value> = day["broken"].as_array().unwrap().iter().collect();
    assert!(
        said.iter()
            .any(|one| one["text"] == "The rider is busy from 8:00 AM to 9:30 AM."),
        "{said:?}"
    );
    // What it is for is not kept.
    assert!(
        !trainer
            .get("/api/days/2026-05-05")
            .await
            .text()
            .await
            .unwrap()
            .contains("my own")
    );

    // The same name again takes its place; taken out, nobody is held.
    let (_, made) = read(
        &rider,
        &calendar(&[&["DTSTART:20260505T200000Z", "DTEND:20260505T210000Z"]]),
    )
    .await;
    assert_eq!(busy(&rider, "2026-05-05").await, [(840, 900)]);
    assert_eq!(
        rider
            .json("/api/busy-calendars")
            .await
            .as_array()
            .unwrap()
            .len(),
        1
    );
    let path = format!(
        "/api/busy-calendars/{}",
        made["calendar_id"].as_str().unwrap()
    );
    let helper = server.person("helper@home").await;
    assert_eq!(delete(&helper, &path).await, 403, "everybody their own");
    assert_eq!(delete(&rider, &path).await, 204);
    assert_eq!(busy(&rider, "2026-05-05").await, []);
}

#[sqlx::test(migrator = "TABLES")]
async fn what_repeats_keeps_its_time_of_day_when_the_clock_is_set(pool: PgPool) {
    let clock = SetClock::at("2026-10-20T15:00:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let rider = server.person("rider@home").await;
    // Mondays and Thursdays at seven in Denver until the end of November, not on the 26th;
    // the lesson of November 9 is moved to ten; and one on a Sunday of its own.
    let text = calendar(&[
        &[
            "UID:lesson",
            "DTSTART;TZID=America/Denver:20260105T070000",
            "DTEND;TZID=America/Denver:20260105T080000",
            "RRULE:FREQ=WEEKLY;BYDAY=MO,TH;UNTIL=20261130T235959Z",
            "EXDATE;TZID=America/Denver:20261026T070000",
            "RDATE;TZID=America/Denver:20261101T070000",
        ],
        &[
            "UID:lesson",
            "RECURRENCE-ID;TZID=America/Denver:20261109T070000",
            "DTSTART;TZID=America/Denver:20261109T100000",
            "DTEND;TZID=America/Denver:20261109T110000",
        ],
        // Every day at eight in Berlin: midnight in Denver, an hour later between the two
        // Sundays on which the clocks are set.
        &[
            "DTSTART;TZID=Europe/Berlin:20261020T080000",
            "DTEND;TZID=Europe/Berlin:20261020T081500",
            "RRULE:FREQ=DAILY;COUNT=20",
        ],
    ]);
    let (status, made) = read(&rider, &text).await;
    assert_eq!(status, 201, "{made}");
    let at_seven = (420, 480);
    assert_eq!(
        busy(&rider, "2026-10-22").await,
        [(0, 15), at_seven],
        "summer time"
    );
    assert_eq!(
        busy(&rider, "2026-10-26").await,
        [(60, 75)],
        "left out; Berlin was set back"
    );
    assert_eq!(busy(&rider, "2026-10-29").await, [(60, 75), at_seven]);
    assert_eq!(
        busy(&rider, "2026-11-01").await,
        [(60, 75), at_seven],
        "on a day with 25 hours"
    );
    assert_eq!(
        busy(&rider, "2026-11-02").await,
        [(0, 15), at_seven],
        "winter time"
    );
    assert_eq!(busy(&rider, "2026-11-09").await, [(600, 660)], "moved");
    assert_eq!(busy(&rider, "2026-12-03").await, [], "over");
}

#[sqlx::test(migrator = "TABLES")]
async fn the_barns_own_calendar_is_read_back_as_it_was_written(pool: PgPool) {
    let clock = SetClock::at("2026-05-04T15:00:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    trainer.json("/api/days/2026-05-05").await;
    let text = horse_calendar(&server, &trainer, server.oatcake).await;
    assert_eq!(read(&trainer, &text).await.0, 201);
    assert_eq!(busy(&trainer, "2026-05-05").await, [(450, 495)]);
}

#[sqlx::test(migrator = "TABLES")]
async fn what_cannot_be_read_is_said_and_nothing_is_kept(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let one = |lines: &[&str]| calendar(&[lines]);
    for (text, wanted) in [
        ("hello".to_owned(), "BEGIN:VCALENDAR"),
        (
            "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n".to_owned(),
            "no calendar that can be read",
        ),
        (
            one(&[
                "SUMMARY:X",
                "DTSTART;TZID=Mountain Standard Time:20260505T070000",
            ]),
            "IANA",
        ),
        (
            one(&["SUMMARY:X", "DTSTART:20261350T070000Z"]),
            "cannot be read",
        ),
        (one(&["SUMMARY:X"]), "no DTSTART"),
        (
            one(&[
                "SUMMARY:X",
                "DTSTART:20260505T070000Z",
                "DTEND:20260505T060000Z",
            ]),
            "ends before it begins",
        ),
        (
            one(&[
                "SUMMARY:X",
                "DTSTART:20260505T070000Z",
                "RRULE:FREQ=SECONDLY",
            ]),
            "by the hour or more often",
        ),
        (
            one(&[
                "SUMMARY:X",
                "DTSTART:20260505T070000Z",
                "RRULE:FREQ=SOMETIMES",
            ]),
            "repeats in a way",
        ),
        (
            one(&["SUMMARY:X", "DTSTART:20260505T070000Z", "DURATION:soon"]),
            "DURATION",
        ),
    ] {
        let (status, said) = read(&rider, &text).await;
        assert_eq!(status, 422, "{text}: {said}");
        let error = &said["errors"][0];
        assert_eq!(error["field"], "/text");
        assert!(error["detail"].as_str().unwrap().contains(wanted), "{said}");
    }
    assert_eq!(rider.json("/api/busy-calendars").await, json!([]));
    // Without a name of one's own kind the trainer brings it in.
    let helper = server.person("helper@home").await;
    let text = calendar(&[&["DTSTART:20260505T070000Z", "DTEND:20260505T080000Z"]]);
    let of_rider = json!({"person_id": rider.person_id, "name": "x", "text": text});
    let answer = helper.post("/api/busy-calendars", &of_rider).await;
    assert_eq!(answer.status(), 403);
    let trainer = server.person("trainer@home").await;
    assert_eq!(
        trainer
            .post("/api/busy-calendars", &of_rider)
            .await
            .status(),
        201
    );
}
