//! Care that comes again, load, cooling out, weather, trips: through the API, stored in
//! PostgreSQL. The rules themselves are checked in the core.

use crate::barn::{
    self, Server, SetClock, TABLES, Visitor, answered, horse_calendar, problem, put, ride,
};
use cavesson_standin::faults::Faults;
use cavesson_standin::service::{Weather, listen, serve};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

const MONDAY: &str = "2026-05-04T15:00:00Z";

async fn barn_on_monday(pool: PgPool) -> (SetClock, Server, Visitor) {
    let clock = SetClock::at(MONDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    (clock, server, trainer)
}

async fn note(visitor: &Visitor, horse: Uuid, care: Value) -> (u16, Value) {
    let mut whole = care;
    whole["care_id"] = json!(Uuid::now_v7());
    let path = format!("/api/horses/{horse}/care");
    let (status, said) = answered(visitor.post(&path, &whole).await).await;
    (
        status,
        if status == 201 {
            whole["care_id"].clone()
        } else {
            said
        },
    )
}

#[sqlx::test(migrator = "TABLES")]
async fn care_comes_again_as_often_as_the_horse_needs_it(pool: PgPool) {
    let (_clock, server, trainer) = barn_on_monday(pool).await;
    let due = async || trainer.json("/api/care/due").await;
    assert_eq!(due().await, json!([]));
    let (_, feet) = note(
        &trainer,
        server.oatcake,
        json!({"kind": "feet", "day": "2026-03-15"}),
    )
    .await;
    note(
        &trainer,
        server.thimble,
        json!({"kind": "teeth", "day": "2025-11-15", "again_days": 180}),
    )
    .await;
    note(
        &trainer,
        server.thimble,
        json!({"kind": "vet", "day": "2026-01-20"}),
    )
    .await;
    let found = due().await;
    let short: Vec<(&Value, &Value, &Value)> = found
        .as_array()
        .unwrap()
        .iter()
        .map(|one| (&one["horse"], &one["care"]["kind"], &one["care"]["overdue"]))
        .collect();
    // Six weeks after March 15; half a year after November 15; the vet comes next January.
    assert_eq!(
        short,
        [
            (&json!("Oatcake"), &json!("feet"), &json!(true)),
            (&json!("Thimble"), &json!("teeth"), &json!(false))
        ]
    );
    assert_eq!(found[0]["care"]["due"], "2026-04-26");
    assert_eq!(found[1]["care"]["due"], "2026-05-14");
    let path = format!("/api/care/{}/again", feet.as_str().unwrap());
    let every_sixty = put(&trainer, &path, json!({"again_days": 60})).await;
    assert_eq!(every_sixty.status(), 204);
    assert_eq!(due().await[0]["care"]["due"], "2026-05-14");
    // An owner is told of their own horses alone.
    let owner = server.person("owner@home").await;
    let seen = owner.json("/api/care/due").await;
    assert!(seen.as_array().unwrap().len() < 2, "{seen}");
}

#[sqlx::test(migrator = "TABLES")]
async fn what_comes_again_has_its_bounds_and_what_was_flagged_does_not_come_again(pool: PgPool) {
    let (_clock, server, trainer) = barn_on_monday(pool).await;
    let (_, feet) = note(
        &trainer,
        server.oatcake,
        json!({"kind": "feet", "day": "2026-03-15"}),
    )
    .await;
    let path = format!("/api/care/{}/again", feet.as_str().unwrap());
    let (status, said) = problem(put(&trainer, &path, json!({"again_days": 3})).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/again_days"))
    );
    let (status, said) = note(
        &trainer,
        server.oatcake,
        json!({"kind": "pain", "day": "2026-05-04", "again_days": 30}),
    )
    .await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/again_days"))
    );
    let (_, pain) = note(
        &trainer,
        server.oatcake,
        json!({"kind": "pain", "day": "2026-05-04"}),
    )
    .await;
    let path = format!("/api/care/{}/again", pain.as_str().unwrap());
    assert_eq!(
        put(&trainer, &path, json!({"again_days": 30}))
            .await
            .status(),
        422
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_mares_next_season_is_the_same_day_wherever_it_stands(pool: PgPool) {
    let (_clock, server, trainer) = barn_on_monday(pool).await;
    let noted = json!({"kind": "in_season", "day": "2026-04-03", "again_days": 20});
    note(&trainer, server.oatcake, noted).await;
    // Ridden in season since: the next is counted on from there.
    let mut batch = ride(server.oatcake, 0, 1);
    let started = "2026-04-25T15:00:00Z";
    batch["sent_at"] = json!(MONDAY);
    batch["rides"][0]["started_at"] = json!(started);
    batch["rides"][0]["marks"] = json!(["in_season"]);
    for rep in batch["reps"].as_array_mut().unwrap() {
        rep["asked_at"] = json!(started);
    }
    assert_eq!(trainer.batch(&batch).await.status(), 200);
    let next = json!("2026-05-15");
    let page = trainer
        .json(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    assert_eq!(page["season"]["expected"][0]["from"], next);
    assert_eq!(page["care_due"][0]["due"], next);
    assert_eq!(page["care_due"][0]["last"], "2026-04-25");
    let listed = trainer.json("/api/care/due").await;
    assert_eq!(listed[0]["care"], page["care_due"][0]);
    let calendar = horse_calendar(&server, &trainer, server.oatcake).await;
    assert!(calendar.contains("20260515"), "{calendar}");
    assert!(!calendar.contains("20260513"), "{calendar}");
}

#[sqlx::test(migrator = "TABLES")]
async fn overdue_care_holds_the_work_it_is_about(pool: PgPool) {
    let (_clock, server, trainer) = barn_on_monday(pool).await;
    barn::soft_rides(&server, server.oatcake, &[3, 2, 1]).await;
    let verdict = async || {
        let path = format!("/api/horses/{}/page", server.oatcake);
        let page = trainer.json(&path).await;
        let level = barn::level(&page, "bend.flex", "stand")["verdict"].clone();
        (level, page["cautions"].clone())
    };
    let before = verdict().await;
    note(
        &trainer,
        server.oatcake,
        json!({"kind": "teeth", "day": "2025-11-01", "again_days": 90}),
    )
    .await;
    let after = verdict().await;
    assert_ne!(before.0, "check_first");
    assert_eq!(after.0, "check_first");
    assert!(
        after.1[0]
            .as_str()
            .unwrap()
            .starts_with("Teeth last checked"),
        "{}",
        after.1
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn what_is_due_stands_in_the_horses_calendar(pool: PgPool) {
    let (_clock, server, trainer) = barn_on_monday(pool).await;
    note(
        &trainer,
        server.oatcake,
        json!({"kind": "feet", "day": "2026-03-15"}),
    )
    .await;
    note(
        &trainer,
        server.oatcake,
        json!({"kind": "teeth", "day": "2025-11-20", "again_days": 180}),
    )
    .await;
    let text = horse_calendar(&server, &trainer, server.oatcake).await;
    let calendar = ical::IcalParser::new(text.as_bytes())
        .next()
        .unwrap()
        .unwrap();
    let mut days: Vec<(String, String)> = calendar
        .events
        .iter()
        .filter_map(|event| {
            let value = |name: &str| {
                let found = event.properties.iter().find(|one| one.name == name)?;
                found.value.clone()
            };
            let start = event.properties.iter().find(|one| one.name == "DTSTART")?;
            start.params.as_ref()?;
            Some((value("DTSTART")?, value("SUMMARY")?))
        })
        .collect();
    days.sort();
    assert_eq!(
        days,
        [
            (
                "20260504".to_owned(),
                "Feet overdue since 2026-04-26".to_owned()
            ),
            ("20260519".to_owned(), "Teeth due".to_owned())
        ]
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn load_is_what_was_ridden_and_what_was_said_of_it(pool: PgPool) {
    let (_clock, server, trainer) = barn_on_monday(pool).await;
    let path = format!("/api/horses/{}/load", server.oatcake);
    assert_eq!(trainer.json(&path).await["days"], json!([]));
    let mut batch = ride(server.oatcake, 2, 3);
    batch["rides"][0]["finished_after_ms"] = json!(1_800_000);
    assert_eq!(trainer.batch(&batch).await.status(), 200);
    let found = trainer.json(&path).await;
    let days = found["days"].as_array().unwrap();
    assert_eq!(days.len(), 3, "since the first ride");
    // Half an hour, all of it standing and walking.
    assert!(
        (days[0]["load"].as_f64().unwrap() - 30.0).abs() < 1e-6,
        "{}",
        days[0]
    );
    assert_eq!(
        (&days[0]["rated"], &days[1]["load"]),
        (&json!(false), &json!(0.0))
    );
    assert!(
        found["says"][0]
            .as_str()
            .unwrap()
            .starts_with("3 days on record")
    );
    // Very hard is 7 of 10, on the scale of the gaits half of it.
    batch["rides"][0]["exertion"] = json!("very_hard");
    assert_eq!(trainer.batch(&batch).await.status(), 200);
    let found = trainer.json(&path).await;
    assert!((found["days"][0]["load"].as_f64().unwrap() - 30.0 * 3.5).abs() < 1e-6);
    assert_eq!(found["days"][0]["rated"], true);
    batch["rides"][0]["exertion"] = json!("a bit");
    assert_eq!(trainer.batch(&batch).await.status(), 422);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_cool_out_grows_by_readings_and_says_when_to_call(pool: PgPool) {
    let (_clock, server, trainer) = barn_on_monday(pool).await;
    let id = Uuid::now_v7();
    let path = format!("/api/cool-outs/{id}");
    let sheet = |readings: Value| json!({"horse_id": server.oatcake, "started_at": "2026-05-04T14:30:00Z", "readings": readings});
    let first = json!({"minute": 0, "pulse": 120, "breaths": 60});
    let last = json!({"minute": 20, "pulse": 72, "breaths": 30, "temperature_f": 102.5});
    assert_eq!(
        put(&trainer, &path, sheet(json!([first]))).await.status(),
        204
    );
    // Two people took one each: both stay.
    let helper = server.person("helper@home").await;
    assert_eq!(
        put(&helper, &path, sheet(json!([last]))).await.status(),
        204
    );
    let shown = trainer
        .json(&format!("/api/horses/{}/cool-outs", server.oatcake))
        .await;
    assert_eq!(shown[0]["readings"].as_array().unwrap().len(), 2);
    assert_eq!(shown[0]["said"]["call_vet"], true);
    let other =
        json!({"horse_id": server.thimble, "started_at": "2026-05-04T14:30:00Z", "readings": []});
    assert_eq!(put(&trainer, &path, other).await.status(), 409);
    let wrong = sheet(json!([{"minute": 0, "pulse": 4, "breaths": 60}]));
    let (status, said) = problem(put(&trainer, &path, wrong).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/readings/0/pulse"))
    );
    let mut ahead = sheet(json!([]));
    ahead["started_at"] = json!("2026-05-09T14:30:00Z");
    let (status, said) = problem(put(&trainer, &path, ahead).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/started_at"))
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn heat_comes_from_rows_and_calendars_and_rules_know_it(pool: PgPool) {
    let (_clock, server, trainer) = barn_on_monday(pool).await;
    // Laid out before anybody knew of the heat.
    trainer.json("/api/days/2026-05-05").await;
    let rows = "time,temperature_f,humidity_pct\n2026-05-05T07:00,80,60\n2026-05-05T08:00,100,90\n2026-05-05T15:00:00Z,90,30\n";
    let read: Value = put(&trainer, "/api/weather", json!({"text": rows}))
        .await
        .json()
        .await
        .unwrap();
    assert_eq!(read["hours"], 3);
    let day = trainer.json("/api/days/2026-05-05").await;
    let heat: Vec<&Value> = day["plan"]["heat"]
        .as_array()
        .unwrap()
        .iter()
        .map(|hour| &hour["from_min"])
        .collect();
    assert_eq!(heat, [&json!(420), &json!(480), &json!(540)]);
    // Oatcake is down from 7:30 to 8:15, into the hour that is too hot.
    let said = day["broken"].as_array().unwrap();
    assert!(
        said.iter()
            .any(|one| one["rule"] == "too_hot" && one["hard"] == true),
        "{said:?}"
    );
    let pen = trainer.json("/api/places").await[0]["place_id"].clone();
    let booking = json!({
        "booking_id": Uuid::now_v7(), "kind": "ride", "horse_id": server.thimble,
        "person_id": trainer.person_id, "place_id": pen, "from_min": 500, "minutes": 30,
    });
    let (status, said) = problem(
        trainer
            .post("/api/days/2026-05-05/bookings", &booking)
            .await,
    )
    .await;
    assert_eq!(status, 409);
    assert!(
        said["detail"]
            .as_str()
            .unwrap()
            .contains("too hot to ride Thimble"),
        "{said}"
    );
    // The card of that hour is short.
    let calendar = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART;TZID=America/Denver:20260505T080000\r\nDTEND;TZID=America/Denver:20260505T100000\r\nSUMMARY:20 °C\\, 30 %\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
    let read: Value = put(&trainer, "/api/weather", json!({"text": calendar}))
        .await
        .json()
        .await
        .unwrap();
    assert_eq!(read["hours"], 2, "{read}");
    let day = trainer.json("/api/days/2026-05-05").await;
    assert_eq!(day["plan"]["heat"][1]["temperature_f"], 68.0);
    assert!(
        day["broken"]
            .as_array()
            .unwrap()
            .iter()
            .all(|one| one["rule"] != "too_hot")
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn weather_that_cannot_be_read_says_the_line_and_what_is_wrong(pool: PgPool) {
    let (_clock, _server, trainer) = barn_on_monday(pool).await;
    for (text, wanted) in [
        ("hot", "the first row must name"),
        (
            "time,temperature_f,humidity_pct\nnoon,80,40",
            "line 2: time",
        ),
        (
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20260505T080000Z\r\nSUMMARY:Farrier\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
            "holds no event",
        ),
    ] {
        let (status, said) =
            problem(put(&trainer, "/api/weather", json!({"text": text})).await).await;
        let detail = said["errors"][0]["detail"].as_str().unwrap_or_default();
        assert!(status == 422 && detail.contains(wanted), "{said}");
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn heat_comes_from_a_service_by_itself_and_shows_on_today(pool: PgPool) {
    let listener = listen("127.0.0.1:0".parse().unwrap()).await.unwrap();
    let address = format!("http://{}", listener.local_addr().unwrap());
    // A heat wave, so that it cannot be missed.
    let weather = Weather {
        seed: 26,
        warmer_f: 60.0,
        faults: Faults::default(),
    };
    let service = tokio::spawn(serve(weather, listener));
    let clock = SetClock::at("2026-05-04T12:00:00Z");
    let settings = cavesson_server::Settings {
        weather_service: Some(address.clone()),
        ..clock.settings()
    };
    let server = Server::start_with(pool, settings).await;
    let trainer = server.person("trainer@home").await;
    let hours = |day: &Value| day["plan"]["heat"].as_array().unwrap().len();
    let look = async || trainer.json("/api/days/2026-05-04").await;
    let day = barn::until(look, |day| hours(day) > 10).await;
    let hours = day["plan"]["heat"].as_array().unwrap();
    assert!(
        hours
            .iter()
            .all(|hour| hour["temperature_f"].as_f64().unwrap() > 80.0),
        "{hours:?}"
    );
    let today = trainer.json("/api/today").await;
    assert_ne!(today["string"][0]["heat"]["band"], "usual", "{today}");
    // As rows and as a calendar the service says the same.
    let query = "place=x&from=2026-07-01T00:00:00Z&hours=48";
    let get = async |path: &str| {
        reqwest::get(format!("{address}{path}?{query}"))
            .await
            .unwrap()
            .text()
            .await
            .unwrap()
    };
    let zone = jiff::tz::TimeZone::UTC;
    let now = "2026-07-01T00:00:00Z".parse().unwrap();
    let rows = cavesson_server::day::weather::read(&get("/weather.csv").await, &zone, now).unwrap();
    let calendar =
        cavesson_server::day::weather::read(&get("/weather.ics").await, &zone, now).unwrap();
    assert_eq!(rows.len(), 48);
    assert_eq!(rows, calendar);
    service.abort();
}

#[sqlx::test(migrator = "TABLES")]
async fn trips_on_which_nothing_is_asked_have_their_share(pool: PgPool) {
    let (_clock, server, trainer) = barn_on_monday(pool).await;
    assert_eq!(trainer.json("/api/trips").await, json!([]));
    let pen = trainer.json("/api/places").await[0]["place_id"].clone();
    for (day, kind) in [
        ("2026-05-05", "haul"),
        ("2026-05-06", "haul"),
        ("2026-05-07", "haul"),
        ("2026-05-08", "outing"),
    ] {
        let booking = json!({
            "booking_id": Uuid::now_v7(), "kind": kind, "horse_id": server.thimble, "from_min": 600, "minutes": 60,
            "person_id": trainer.person_id, "place_id": pen,
        });
        let path = format!("/api/days/{day}/bookings");
        assert_eq!(trainer.post(&path, &booking).await.status(), 201);
    }
    let trips = trainer.json("/api/trips").await;
    assert_eq!(trips[0]["trips"], json!({"trips": 4, "quiet": 1}));
    assert_eq!(trips[0]["wanting"], 0);
    let mut sheet = trainer.json("/api/barn").await;
    assert_eq!(sheet["quiet_outings_pct"], 25);
    sheet["quiet_outings_pct"] = json!(50);
    assert_eq!(
        put(&trainer, "/api/barn", sheet.clone()).await.status(),
        204
    );
    let trips = trainer.json("/api/trips").await;
    assert_eq!(
        trips[0]["text"],
        "1 of 4 trips asked nothing; you want 50%. 2 quiet outings would do."
    );
    sheet["quiet_outings_pct"] = json!(101);
    let (status, said) = problem(put(&trainer, "/api/barn", sheet).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/quiet_outings_pct"))
    );
}
