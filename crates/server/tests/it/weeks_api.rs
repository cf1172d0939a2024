//! Weeks: what there is, a plan that is looked for and stopped, a plan that is taken; what
//! came up on a day.

use crate::barn::{Server, SetClock, TABLES, Visitor, answered, delete, problem, put, until};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

/// A Monday morning, barn time.
const MONDAY: &str = "2026-05-04T13:00:00Z";
const WEEK: &str = "/api/weeks/2026-05-06";

async fn week(pool: PgPool) -> (Server, Visitor) {
    let clock = SetClock::at(MONDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    let arena = json!({"name": "Big arena", "kind": "arena", "horses_at_once": 2});
    assert_eq!(trainer.post("/api/places", &arena).await.status(), 201);
    (server, trainer)
}

/// Asks until the search has ended.
async fn found(trainer: &Visitor, asked: &Value) -> Value {
    let (status, begun) = answered(trainer.post(&format!("{WEEK}/solves"), asked).await).await;
    assert_eq!(status, 201, "{begun}");
    let path = format!("/api/solves/{}", begun["solve_id"].as_str().unwrap());
    ended(trainer, &path).await
}

/// The search once it has ended.
async fn ended(trainer: &Visitor, path: &str) -> Value {
    let has_ended = |shown: &Value| !shown["found"].is_null() || shown["refused"] != json!([]);
    until(|| trainer.json(path), has_ended).await
}

fn rides(plan: &Value) -> Vec<Value> {
    let rides = plan.as_array().unwrap().iter();
    rides.map(|ride| json!({"ride": ride})).collect()
}

#[sqlx::test(migrator = "TABLES")]
async fn a_week_shows_what_there_is_and_what_stands(pool: PgPool) {
    let (server, trainer) = week(pool).await;
    let shown = trainer.json(WEEK).await;
    assert_eq!(shown["monday"], "2026-05-04");
    let instance = &shown["instance"];
    assert_eq!(instance["days"].as_array().unwrap().len(), 7);
    let oatcake = instance["horses"]
        .as_array()
        .unwrap()
        .iter()
        .find(|horse| horse["horse_id"] == json!(server.oatcake))
        .unwrap();
    assert_eq!(
        (&oatcake["wanted"], &oatcake["most_days"]),
        (&json!(5), &json!(6))
    );
    assert!(!oatcake["works"].as_array().unwrap().is_empty());
    // The week's plan has Oatcake on some days: they stand.
    assert!(!shown["stood"].as_array().unwrap().is_empty());
    let left = shown["rules"]["left_out"].as_array().unwrap();
    assert!(left.iter().any(|one| one["name"] == "Thimble"), "{left:?}");
    // A week that has passed is not planned; a day that is none is no week.
    let (status, said) = answered(trainer.get("/api/weeks/2026-04-27").await).await;
    assert_eq!(status, 404, "{said}");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_plan_is_looked_for_and_taken(pool: PgPool) {
    let (_server, trainer) = week(pool).await;
    let before = trainer.json(WEEK).await;
    let shown = found(&trainer, &json!({"seconds": 2.0})).await;
    let plan = &shown["found"];
    assert!(plan["score"]["total"].as_f64() > before["rules"]["score"]["total"].as_f64());
    assert!(plan["gap"].as_f64().unwrap() < 0.2, "{}", plan["gap"]);
    assert!(!plan["changes"].as_array().unwrap().is_empty());
    let mut taken = rides(&plan["plan"]);
    taken[0]["pinned"] = json!(true);
    let (status, said) = answered(put(&trainer, WEEK, json!({"rides": taken})).await).await;
    assert_eq!(status, 204, "{said}");
    let after = trainer.json(WEEK).await;
    let stood: Vec<&Value> = after["stood"]
        .as_array()
        .unwrap()
        .iter()
        .map(|one| &one["ride"])
        .collect();
    // The works are read anew; who, when and where stand as they were taken.
    let place = |ride: &Value| {
        ["day", "from_min", "horse_id", "person_id", "place_id"].map(|field| ride[field].clone())
    };
    let found: Vec<_> = plan["plan"].as_array().unwrap().iter().map(place).collect();
    assert_eq!(
        stood.iter().map(|ride| place(ride)).collect::<Vec<_>>(),
        found
    );
    assert_eq!(
        after["stood"]
            .as_array()
            .unwrap()
            .iter()
            .filter(|one| one["pinned"] == true)
            .count(),
        1
    );
    // The same plan once more changes nothing.
    let again: Vec<Value> = after["stood"]
        .as_array()
        .unwrap()
        .iter()
        .map(|one| json!({"ride": one["ride"], "pinned": one["pinned"]}))
        .collect();
    let (status, said) = answered(put(&trainer, WEEK, json!({"rides": again})).await).await;
    assert_eq!(status, 204, "{said}");
    assert_eq!(trainer.json(WEEK).await["stood"], after["stood"]);
    // Planned again with nothing new, nearly nothing moves, and the pin not at all.
    let shown = self::found(&trainer, &json!({"seconds": 2.0})).await;
    let pinned = after["stood"]
        .as_array()
        .unwrap()
        .iter()
        .find(|one| one["pinned"] == true)
        .unwrap();
    assert!(
        shown["found"]["plan"]
            .as_array()
            .unwrap()
            .contains(&pinned["ride"])
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn what_cannot_be_is_refused_and_nothing_is_stored(pool: PgPool) {
    let (server, trainer) = week(pool).await;
    let before = trainer.json(WEEK).await;
    let ride = before["stood"][0]["ride"].clone();
    let mut other = ride.clone();
    other["horse_id"] = json!(server.thimble);
    other["work"] = json!(0);
    let both = json!({"rides": [{"ride": ride}, {"ride": other}]});
    let (status, said) = answered(put(&trainer, WEEK, both.clone()).await).await;
    assert_eq!(status, 409);
    assert!(said.to_string().contains("is booked for"), "{said}");
    // The same pinned: the search says which rides cannot be, and finds nothing.
    let pinned = json!({"plan": [{"ride": ride, "pinned": true}, {"ride": other, "pinned": true}], "seconds": 1.0});
    let shown = found(&trainer, &pinned).await;
    assert!(
        shown["refused"][0]
            .as_str()
            .unwrap()
            .contains("is booked for")
    );
    let mut nowhere = ride.clone();
    nowhere["day"] = json!(9);
    let (status, said) =
        answered(put(&trainer, WEEK, json!({"rides": [{"ride": nowhere}]})).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/rides/0/day")),
        "{said}"
    );
    assert_eq!(trainer.json(WEEK).await["stood"], before["stood"]);
    for (asked, field) in [
        (json!({"seconds": 0}), "/seconds"),
        (json!({"too_hot_from_min": 2000}), "/too_hot_from_min"),
    ] {
        let (status, said) = answered(trainer.post(&format!("{WEEK}/solves"), &asked).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_search_is_stopped_and_is_the_barns_own(pool: PgPool) {
    let (server, trainer) = week(pool).await;
    let (_, begun) = answered(
        trainer
            .post(
                &format!("{WEEK}/solves"),
                &json!({"seconds": 60.0, "anew": true}),
            )
            .await,
    )
    .await;
    let path = format!("/api/solves/{}", begun["solve_id"].as_str().unwrap());
    let other = server.person("trainer@other").await;
    assert_eq!(answered(other.get(&path).await).await.0, 404);
    assert_eq!(delete(&other, &path).await, 404);
    assert_eq!(delete(&trainer, &path).await, 204);
    let shown = ended(&trainer, &path).await;
    assert!(shown["found"]["seconds"].as_f64().unwrap() < 30.0);
}

#[sqlx::test(migrator = "TABLES")]
async fn the_rest_of_a_day_is_planned_around_a_lame_horse(pool: PgPool) {
    let (server, trainer) = week(pool).await;
    let day = "/api/weeks/2026-05-05";
    let before = trainer.json("/api/days/2026-05-05").await;
    assert_eq!(
        before["bookings"].as_array().unwrap().len(),
        1,
        "Oatcake, by the week"
    );
    let asked = json!({"without_horses": [server.oatcake], "only_day": true, "seconds": 1.0});
    let (_, begun) = answered(trainer.post(&format!("{day}/solves"), &asked).await).await;
    let path = format!("/api/solves/{}", begun["solve_id"].as_str().unwrap());
    let shown = ended(&trainer, &path).await;
    let plan = &shown["found"];
    assert!(
        plan["seconds"].as_f64().unwrap() < 2.0,
        "{}",
        plan["seconds"]
    );
    let oatcakes = plan["plan"].as_array().unwrap().iter();
    assert_eq!(
        oatcakes
            .filter(|ride| ride["horse_id"] == json!(server.oatcake))
            .count(),
        0
    );
    let gone = plan["changes"].as_array().unwrap().iter();
    let gone = gone.filter(|one| one["is"].is_null() && one["horse_id"] == json!(server.oatcake));
    assert_eq!(gone.count(), 1, "{}", plan["changes"]);
    let taken = json!({"rides": rides(&plan["plan"]), "only_day": true, "because": "Came up lame"});
    let (status, said) = answered(put(&trainer, day, taken.clone()).await).await;
    assert_eq!(status, 204, "{said}");
    let after = trainer.json("/api/days/2026-05-05").await;
    let skipped: Vec<&Value> = after["bookings"]
        .as_array()
        .unwrap()
        .iter()
        .filter(|one| one["skipped_because"] == "Came up lame")
        .collect();
    assert_eq!(skipped.len(), 1);
    // The other days stand as they did.
    assert_eq!(
        trainer.json("/api/days/2026-05-12").await["bookings"]
            .as_array()
            .unwrap()
            .len(),
        1
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_program_says_how_many_rides_a_week_it_wants(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let id = Uuid::now_v7();
    let new = json!({"program_id": id, "content": {"name": "Cutters"}});
    assert_eq!(trainer.post("/api/programs", &new).await.status(), 201);
    let rides = async || trainer.json("/api/programs").await[0]["rides_a_week"].clone();
    assert_eq!(rides().await, 5, "where nobody said");
    let path = format!("/api/programs/{id}/rides-a-week");
    assert_eq!(
        put(&trainer, &path, json!({"rides_a_week": 4}))
            .await
            .status(),
        204
    );
    assert_eq!(rides().await, 4);
    let (status, said) = problem(put(&trainer, &path, json!({"rides_a_week": 13})).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/rides_a_week"))
    );
    let none = format!("/api/programs/{}/rides-a-week", Uuid::now_v7());
    assert_eq!(
        put(&trainer, &none, json!({"rides_a_week": 4}))
            .await
            .status(),
        404
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn who_likes_to_be_home_is_home_where_it_can_be(pool: PgPool) {
    let (_server, trainer) = week(pool).await;
    let people = trainer.json("/api/people").await;
    let people = people.as_array().unwrap().iter();
    let rider = people.clone().find(|one| one["role"] == "rider").unwrap();
    assert_eq!(rider["home_by"], Value::Null);
    let person_id = rider["person_id"].as_str().unwrap();
    let path = format!("/api/people/{person_id}");
    let sheet = |home_by: Value| {
        json!({
            "name": rider["name"], "sign_in": rider["sign_in"], "role": "rider",
            "clearance": rider["clearance"], "home_by": home_by,
            "hours": [{"weekday": 3, "from": "07:00:00", "to": "18:00:00", "most_horses": 6}],
        })
    };
    let (status, said) = problem(put(&trainer, &path, sheet(json!("late"))).await).await;
    assert_eq!(status, 422, "{said}");
    assert_eq!(
        put(&trainer, &path, sheet(json!("12:00:00")))
            .await
            .status(),
        204
    );
    let of_person = async || {
        let shown = trainer.json(WEEK).await;
        let riders = shown["instance"]["riders"].as_array().unwrap().clone();
        let mut riders = riders.into_iter();
        riders.find(|one| one["person_id"] == person_id).unwrap()
    };
    assert_eq!(of_person().await["home_by_min"], json!(12 * 60));
    let plan = found(&trainer, &json!({"seconds": 1.0})).await;
    let late = plan["found"]["plan"]
        .as_array()
        .unwrap()
        .iter()
        .filter(|ride| {
            ride["person_id"] == person_id && ride["from_min"].as_u64().unwrap() > 11 * 60
        });
    assert_eq!(late.count(), 0, "{plan}");
    // Left out it does not matter any more.
    assert_eq!(put(&trainer, &path, sheet(Value::Null)).await.status(), 204);
    assert_eq!(of_person().await["home_by_min"], Value::Null);
}

/// The herd book says how many rides on cattle a week has, and on which lot a horse goes.
#[sqlx::test(migrator = "TABLES")]
async fn cattle_that_can_be_worked_are_what_the_week_has(pool: PgPool) {
    let (_server, trainer) = week(pool).await;
    let lot = async |name: &str| {
        let sheet = json!({"name": name, "kind": "heifers", "head": 9, "works_a_day": 3});
        let (status, added) = answered(trainer.post("/api/cattle", &sheet).await).await;
        assert_eq!(status, 201, "{added}");
        added["id"].clone()
    };
    let (counted, loose) = (lot("Blue tags").await, lot("Yellow tags").await);
    for (tag, done) in [("12", false), ("14", false), ("15", true)] {
        let sheet = json!({"tag": tag, "kind": "heifer", "came": "2026-01-05", "tempo": "slow",
            "handling": "well", "done": done});
        let body = json!({"lot_id": counted, "sheet": sheet});
        assert_eq!(trainer.post("/api/cows", &body).await.status(), 201);
    }
    let shown = trainer.json(WEEK).await;
    let of = |lot_id: &Value| {
        let lots = shown["instance"]["cattle"].as_array().unwrap();
        lots.iter()
            .find(|lot| lot["lot_id"] == *lot_id)
            .unwrap()
            .clone()
    };
    // Two that can be worked, three works each a day, two works a ride: three rides a day.
    assert_eq!(
        (&of(&counted)["works_a_day"], &of(&counted)["works_left"]),
        (&json!(3), &json!(21))
    );
    assert_eq!(
        of(&loose)["works_a_day"],
        Value::Null,
        "nothing is written down of it"
    );
}
