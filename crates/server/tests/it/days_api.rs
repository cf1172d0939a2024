//! Days and their bookings: laying out, booking, moving, swapping, skipping; what is
//! refused, by the rules and by PostgreSQL itself; days on which the clock is set.

use crate::barn::{self, Server, SetClock, TABLES, Visitor, delete, problem, put};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

const MONDAY: &str = "2026-05-04T15:00:00Z";
const DAY: &str = "/api/days/2026-05-05";

struct Day {
    clock: SetClock,
    server: Server,
    trainer: Visitor,
    rider: Uuid,
    pen: Uuid,
    arena: Uuid,
}

async fn day(pool: PgPool) -> Day {
    let clock = SetClock::at(MONDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    let rider = server.person("rider@home").await.person_id;
    let pen = barn::id(&trainer.json("/api/places").await[0]["place_id"]);
    let arena = json!({"name": "Big arena", "kind": "arena", "horses_at_once": 2});
    let answer = trainer.post("/api/places", &arena).await;
    let arena = barn::id(&answer.json::<Value>().await.unwrap()["id"]);
    Day {
        clock,
        server,
        trainer,
        rider,
        pen,
        arena,
    }
}

impl Day {
    fn ride(&self, horse: Uuid, person: Uuid, place: Uuid, from_min: u16) -> Value {
        json!({
            "booking_id": Uuid::now_v7(), "kind": "ride", "horse_id": horse, "person_id": person,
            "place_id": place, "from_min": from_min, "minutes": 45,
        })
    }

    async fn book(&self, booking: &Value) -> u16 {
        let answer = self.trainer.post(&format!("{DAY}/bookings"), booking).await;
        answer.status().as_u16()
    }

    async fn refused(&self, booking: &Value) -> String {
        let answer = self.trainer.post(&format!("{DAY}/bookings"), booking).await;
        let (status, said) = problem(answer).await;
        assert_eq!(
            (status, &said["type"]),
            (409, &json!("/problems/booked")),
            "{said}"
        );
        said["detail"].as_str().unwrap().to_owned()
    }

    async fn bookings(&self) -> Vec<Value> {
        let day = self.trainer.json(DAY).await;
        day["bookings"].as_array().unwrap().clone()
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_day_is_laid_out_once_from_the_week_and_stands_by_itself(pool: PgPool) {
    let day = day(pool).await;
    let bookings = day.bookings().await;
    assert_eq!(bookings.len(), 1, "Oatcake, by the week");
    let oatcake = &bookings[0]["booking"];
    assert_eq!(
        (&oatcake["from_min"], &oatcake["minutes"], &oatcake["kind"]),
        (&json!(450), &json!(45), &json!("ride"))
    );
    assert_eq!(bookings[0]["level_name"], "Flexes to a light rein");
    // Taken off, it does not come again by itself.
    let path = format!("/api/bookings/{}", oatcake["booking_id"].as_str().unwrap());
    assert_eq!(delete(&day.trainer, &path).await, 204);
    assert_eq!(day.bookings().await.len(), 0);
    assert_eq!(delete(&day.trainer, &path).await, 404);
    // A day that has passed is not made up afterwards.
    let past = day.trainer.json("/api/days/2026-04-30").await;
    assert_eq!(past["bookings"], json!([]));
}

#[sqlx::test(migrator = "TABLES")]
async fn many_who_look_at_once_lay_a_day_out_once(pool: PgPool) {
    let day = day(pool).await;
    let other = day.server.another_with(day.clock.settings()).await;
    let elsewhere = other.person("trainer@home").await;
    let both = [&day.trainer, &elsewhere];
    let looks = (0..6).map(|index| {
        let who = both[index % 2];
        async move {
            let far = "/api/days/2026-06-01";
            who.json(far).await["bookings"].as_array().unwrap().len()
        }
    });
    for found in futures_util::future::join_all(looks.collect::<Vec<_>>()).await {
        assert!(found <= 1, "never twice");
    }
    let after = day.trainer.json("/api/days/2026-06-01").await;
    assert_eq!(after["bookings"].as_array().unwrap().len(), 1);
}

#[sqlx::test(migrator = "TABLES")]
async fn what_a_rule_refuses_is_said_in_words_and_not_stored(pool: PgPool) {
    let day = day(pool).await;
    let (oatcake, thimble) = (day.server.oatcake, day.server.thimble);
    let trainer = day.trainer.person_id;
    // Oatcake is in the round pen with the trainer from 7:30 to 8:15.
    assert_eq!(
        day.refused(&day.ride(thimble, day.rider, day.pen, 480))
            .await,
        "Round pen holds one horse; at 8:00 AM it would have Oatcake, Thimble."
    );
    assert_eq!(
        day.refused(&day.ride(thimble, trainer, day.arena, 470))
            .await,
        "The trainer is booked for Oatcake from 7:30 AM to 8:15 AM and for Thimble from 7:50 AM to 8:35 AM."
    );
    let farrier = json!({
        "booking_id": Uuid::now_v7(), "kind": "farrier", "horse_id": oatcake, "from_min": 460, "minutes": 30,
    });
    assert_eq!(
        day.refused(&farrier).await,
        "Oatcake is ridden from 7:30 AM to 8:15 AM and with the farrier from 7:40 AM to 8:10 AM."
    );
    let helper = day.server.person("helper@home").await.person_id;
    assert_eq!(
        day.refused(&day.ride(thimble, helper, day.arena, 600))
            .await,
        "The helper doesn't ride here; give it to a rider."
    );
    assert_eq!(day.bookings().await.len(), 1, "nothing half stored");
    // One begins as the other ends; sending it again is the same booking.
    let next = day.ride(thimble, trainer, day.pen, 495);
    assert_eq!((day.book(&next).await, day.book(&next).await), (201, 201));
    let path = "/api/days/2026-05-06/bookings";
    let (status, said) = problem(day.trainer.post(path, &next).await).await;
    let at = &said["errors"][0]["field"];
    assert_eq!((status, at), (409, &json!("/booking_id")), "on another day");
    // A second ride a day is the trainer's call.
    assert_eq!(
        day.book(&day.ride(oatcake, day.rider, day.arena, 840))
            .await,
        201
    );
    let shown = day.trainer.json(DAY).await;
    assert_eq!(
        shown["broken"][0]["text"],
        "Oatcake would be ridden at 7:30 AM and 2:00 PM."
    );
    assert_eq!(shown["broken"][0]["hard"], false);
}

#[sqlx::test(migrator = "TABLES")]
async fn fields_that_do_not_fit_are_named(pool: PgPool) {
    let day = day(pool).await;
    let whole = day.ride(day.server.thimble, day.rider, day.arena, 600);
    for (field, value, status) in [
        ("from_min", json!(1440), 422),
        ("minutes", json!(4), 422),
        ("horse_id", json!(null), 422),
        ("person_id", json!(null), 422),
        ("place_id", json!(null), 422),
        ("note", json!("x".repeat(601)), 422),
        ("horse_id", json!(day.server.stranger), 404),
        ("person_id", json!(Uuid::now_v7()), 404),
        ("place_id", json!(Uuid::now_v7()), 404),
    ] {
        let mut changed = whole.clone();
        changed[field] = value;
        let answer = day.trainer.post(&format!("{DAY}/bookings"), &changed).await;
        let (found, said) = problem(answer).await;
        let at = &said["errors"][0]["field"];
        assert_eq!((found, at), (status, &json!(format!("/{field}"))), "{said}");
    }
    let past = day
        .trainer
        .post("/api/days/2026-05-03/bookings", &whole)
        .await;
    assert_eq!(problem(past).await.0, 422);
    let band = json!({
        "booking_id": Uuid::now_v7(), "kind": "barrels_set", "place_id": day.arena,
        "from_min": 540, "minutes": 120,
    });
    assert_eq!(
        day.book(&band).await,
        201,
        "a place made ready takes nobody"
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn bookings_are_moved_handed_on_swapped_skipped_and_brought_back(pool: PgPool) {
    let day = day(pool).await;
    let (oatcake, thimble) = (day.server.oatcake, day.server.thimble);
    assert_eq!(
        day.book(&day.ride(thimble, day.rider, day.arena, 600))
            .await,
        201
    );
    let bookings = day.bookings().await;
    let id = |index: usize| {
        bookings[index]["booking"]["booking_id"]
            .as_str()
            .unwrap()
            .to_owned()
    };
    let (first, second) = (id(0), id(1));
    let path = format!("/api/bookings/{first}");
    let moved =
        json!({"person_id": day.rider, "place_id": day.arena, "from_min": 540, "minutes": 30});
    assert_eq!(put(&day.trainer, &path, moved.clone()).await.status(), 204);
    let into =
        json!({"person_id": day.rider, "place_id": day.arena, "from_min": 590, "minutes": 30});
    let (status, said) = problem(put(&day.trainer, &path, into).await).await;
    assert_eq!(status, 409);
    assert!(
        said["detail"]
            .as_str()
            .unwrap()
            .starts_with("The rider is booked for"),
        "{said}"
    );

    // Times and people change; horse, place and length stay.
    let swap = |with: &str| json!({ "with": with });
    let answer = day
        .trainer
        .post(&format!("{path}/swap"), &swap(&second))
        .await;
    assert_eq!(answer.status(), 204);
    let seen = |bookings: &[Value]| -> Vec<(Value, u64, u64)> {
        let of = |one: &Value| {
            let one = &one["booking"];
            let number = |field: &str| one[field].as_u64().unwrap();
            (
                one["horse_id"].clone(),
                number("from_min"),
                number("minutes"),
            )
        };
        bookings.iter().map(of).collect()
    };
    assert_eq!(
        seen(&day.bookings().await),
        [(json!(thimble), 540, 45), (json!(oatcake), 600, 30)]
    );
    let with_itself = day
        .trainer
        .post(&format!("{path}/swap"), &swap(&first))
        .await;
    assert_eq!(problem(with_itself).await.0, 404);

    // Skipped with why, by whoever records; its time is free then.
    let rider = day.server.person("rider@home").await;
    let nothing = rider
        .post(&format!("{path}/skip"), &json!({"because": " "}))
        .await;
    assert_eq!(problem(nothing).await.1["errors"][0]["field"], "/because");
    let lame = json!({"because": "Off on the left front"});
    assert_eq!(
        rider.post(&format!("{path}/skip"), &lame).await.status(),
        204
    );
    assert_eq!(
        day.bookings().await[1]["skipped_because"],
        "Off on the left front"
    );
    assert_eq!(
        day.book(&day.ride(oatcake, day.rider, day.arena, 600))
            .await,
        201
    );
    let back = rider.post(&format!("{path}/bring-back"), &json!({})).await;
    assert_eq!(problem(back).await.0, 409, "its time is taken by now");
    let today = day.trainer.json("/api/today").await;
    assert_eq!(today["string"].as_array().unwrap().len(), 1, "another day");
}

#[sqlx::test(migrator = "TABLES")]
async fn two_who_book_the_same_at_once_get_it_once(pool: PgPool) {
    let day = day(pool).await;
    day.bookings().await;
    let other = day.server.another_with(day.clock.settings()).await;
    let elsewhere = other.person("trainer@home").await;
    for round in 0..8u16 {
        let from = 600 + round * 50;
        let one = day.ride(day.server.thimble, day.rider, day.arena, from);
        let same = day.ride(
            day.server.thimble,
            day.trainer.person_id,
            day.arena,
            from + 5,
        );
        let path = format!("{DAY}/bookings");
        let (a, b) = tokio::join!(day.trainer.post(&path, &one), elsewhere.post(&path, &same));
        let mut statuses = [a.status().as_u16(), b.status().as_u16()];
        statuses.sort_unstable();
        assert_eq!(statuses, [201, 409], "round {round}");
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn postgresql_itself_refuses_double_bookings(pool: PgPool) {
    let day = day(pool.clone()).await;
    day.bookings().await;
    // What no handler would do: a copy of a booking, with one thing apart.
    let copy = async |changes: &str| {
        let columns =
            "barn_id, booking_id, day, kind, horse_id, person_id, place_id, place_spot, during";
        let query = format!(
            "insert into booking ({columns})
             select barn_id, gen_random_uuid(), day, kind, {changes} from booking limit 1"
        );
        let done = sqlx::query(sqlx::AssertSqlSafe(query)).execute(&pool).await;
        done.err().map(|error| {
            let error = error.as_database_error().unwrap();
            error.constraint().unwrap_or_default().to_owned()
        })
    };
    let later = "tstzrange(upper(during), upper(during) + interval '30 minutes')";
    assert_eq!(
        copy("horse_id, null, null, null, during").await.as_deref(),
        Some("booking_horse_free")
    );
    let thimble = day.server.thimble;
    assert_eq!(
        copy(&format!("'{thimble}', person_id, null, null, during"))
            .await
            .as_deref(),
        Some("booking_person_free")
    );
    assert_eq!(
        copy(&format!("'{thimble}', null, place_id, place_spot, during"))
            .await
            .as_deref(),
        Some("booking_place_free")
    );
    assert_eq!(
        copy(&format!(
            "horse_id, person_id, place_id, place_spot, {later}"
        ))
        .await,
        None,
        "one begins as the other ends"
    );
}

/// Sources: IANA time zone database. America/Denver sets its clock forward on 2026-03-08
/// at 2:00, and back on 2026-11-01 at 2:00; Australia/Sydney back on 2026-04-05 at 3:00.
#[sqlx::test(migrator = "TABLES")]
async fn days_on_which_the_clock_is_set_have_their_own_hours(pool: PgPool) {
    for (zone, now, on, from_min, utc) in [
        (
            "America/Denver",
            "2026-03-01T18:00:00Z",
            "2026-03-08",
            450,
            "2026-03-08T13:30:00Z",
        ),
        (
            "America/Denver",
            "2026-03-01T18:00:00Z",
            "2026-03-07",
            450,
            "2026-03-07T14:30:00Z",
        ),
        // 2:30 does not come that day: the moment after.
        (
            "America/Denver",
            "2026-03-01T18:00:00Z",
            "2026-03-08",
            150,
            "2026-03-08T09:30:00Z",
        ),
        // 1:30 comes twice: the first.
        (
            "America/Denver",
            "2026-10-20T18:00:00Z",
            "2026-11-01",
            90,
            "2026-11-01T07:30:00Z",
        ),
        (
            "Australia/Sydney",
            "2026-04-01T18:00:00Z",
            "2026-04-05",
            450,
            "2026-04-04T21:30:00Z",
        ),
        (
            "Australia/Sydney",
            "2026-04-01T18:00:00Z",
            "2026-04-04",
            450,
            "2026-04-03T20:30:00Z",
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
        let vet = json!({
            "booking_id": Uuid::now_v7(), "kind": "vet", "horse_id": server.thimble,
            "from_min": from_min, "minutes": 30,
        });
        let answer = trainer
            .post(&format!("/api/days/{on}/bookings"), &vet)
            .await;
        assert_eq!(answer.status(), 201, "{zone} {on}");
        let at: String = sqlx::query_scalar(
            r#"select to_char(lower(during) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')
               from booking where kind = 'vet'"#,
        )
        .fetch_one(&pool)
        .await
        .unwrap();
        assert_eq!(at, utc, "{zone} {on}");
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_week_has_a_day_off_and_places_have_hours(pool: PgPool) {
    let day = day(pool).await;
    let (thimble, trainer) = (day.server.thimble, day.trainer.person_id);
    for date in 4..=9 {
        let path = format!("/api/days/2026-05-{date:02}/bookings");
        let ride = day.ride(thimble, trainer, day.arena, 16 * 60);
        assert_eq!(day.trainer.post(&path, &ride).await.status(), 201);
    }
    let of_thimble = |shown: &Value| {
        let horses = shown["plan"]["horses"].as_array().unwrap();
        let own = horses.iter().find(|one| one["horse_id"] == json!(thimble));
        own.unwrap().clone()
    };
    let sunday = day.trainer.json("/api/days/2026-05-10").await;
    assert_eq!(of_thimble(&sunday)["other_days"], 6);
    // Monday begins a week of its own.
    let monday = day.trainer.json("/api/days/2026-05-11").await;
    assert_eq!(of_thimble(&monday)["other_days"], 0);
    let haul = json!({
        "booking_id": Uuid::now_v7(), "kind": "haul", "horse_id": thimble, "from_min": 600, "minutes": 60,
    });
    let path = "/api/days/2026-05-11/bookings";
    assert_eq!(day.trainer.post(path, &haul).await.status(), 201);
    let sunday = day.trainer.json("/api/days/2026-05-10").await;
    assert_eq!(of_thimble(&sunday)["hard_next_to"], true);

    let place = format!("/api/places/{}", day.arena);
    let sheet = |opens: Value, closes: Value| json!({"name": "Big arena", "kind": "arena", "horses_at_once": 2, "opens": opens, "closes": closes});
    for (opens, closes, field) in [
        (json!("08:00:00"), json!(null), "/closes"),
        (json!(null), json!("20:00:00"), "/opens"),
        (json!("20:00:00"), json!("08:00:00"), "/closes"),
    ] {
        let (status, said) = problem(put(&day.trainer, &place, sheet(opens, closes)).await).await;
        assert_eq!((status, &said["errors"][0]["field"]), (422, &json!(field)));
    }
    let open = sheet(json!("08:00:00"), json!("20:00:00"));
    assert_eq!(put(&day.trainer, &place, open).await.status(), 204);
    let early = day.ride(thimble, trainer, day.arena, 6 * 60);
    assert_eq!(
        day.refused(&early).await,
        "Big arena is open 8:00 AM to 8:00 PM."
    );
}
