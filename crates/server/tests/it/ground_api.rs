//! The ground over HTTP: how places lie, courses, tomorrow's trail course.

use crate::barn::{Server, TABLES, Visitor, answered, delete, id, problem, put, ride};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

async fn place(visitor: &Visitor) -> Uuid {
    id(&visitor.json("/api/places").await[0]["place_id"])
}

fn lay() -> Value {
    json!({
        "outline": [[0.0, 0.0], [130.0, 0.0], [130.0, 240.0], [0.0, 240.0]],
        "fence": "boards",
        "footing": "rutted",
        "gate": {"at": [65.0, 0.0], "width_ft": 14.0},
        "posts": [{"name": "gate post", "at": [58.0, 0.0]}],
        "keep_off": [{"kind": "ruts", "outline": [[20.0, 20.0], [40.0, 20.0], [30.0, 44.0]]}],
    })
}

fn barrels() -> Value {
    json!({
        "kind": "barrels",
        "measures": {"between_1_2_ft": 90.0, "between_1_3_ft": 105.0, "score_line_ft": 60.0},
        "first": "right",
        "pockets": [[5.0, 4.0, 3.0], [5.0, 4.0, 3.0], [5.0, 4.0, 3.0]],
        "placing": {"origin": [65.0, 45.0], "rotation_deg": 0.0},
        "moved": [[0.0, 0.0], [0.0, 0.0], [0.0, 0.0]],
        "gait": "lope",
        "stride_ft": null,
        "rate_strides": 2.0,
        "rides_up": "free",
        "clearances": {"side_ft": 18.0, "behind_ft": 36.0, "end_ft": 45.0, "track_ft": 3.0, "keep_off_ft": 3.0},
    })
}

fn obstacle(kind: Value, x: f64) -> Value {
    json!({"obstacle": kind, "at": [x, 20.0], "heading_deg": 90.0})
}

fn bridge(width_in: f64) -> Value {
    json!({"kind": "bridge", "width_in": width_in, "length_ft": 8.0, "height_in": 6.0})
}

#[sqlx::test(migrator = "TABLES")]
async fn a_place_lies_as_it_was_drawn_until_it_is_taken_away(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/places/{}/lay", place(&trainer).await);
    assert_eq!(trainer.json(&path).await["lay"], Value::Null);
    assert_eq!(put(&trainer, &path, lay()).await.status(), 204);
    assert_eq!(trainer.json(&path).await["lay"], lay());
    let rider = server.person("rider@home").await;
    assert_eq!(rider.json(&path).await["lay"]["fence"], "boards");
    assert_eq!(delete(&trainer, &path).await, 204);
    assert_eq!(trainer.json(&path).await["lay"], Value::Null);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_drawing_that_cannot_be_is_refused_by_field_and_nothing_is_kept(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/places/{}/lay", place(&trainer).await);
    let cases = [
        ("/outline", json!([[0, 0], [10, 0]]), "/outline"),
        (
            "/outline",
            json!([[0, 0], [10, 10], [10, 0], [0, 10]]),
            "/outline/2",
        ),
        (
            "/gate",
            json!({"at": [65.0, 90.0], "width_ft": 14.0}),
            "/gate/at",
        ),
        (
            "/gate",
            json!({"at": [65.0, 0.0], "width_ft": 0.5}),
            "/gate/width_ft",
        ),
        (
            "/posts",
            json!([{"name": "", "at": [0, 0]}]),
            "/posts/0/name",
        ),
        (
            "/posts",
            json!([{"name": "A", "at": [0, 0]}, {"name": "A", "at": [9, 0]}]),
            "/posts/1/name",
        ),
        (
            "/keep_off",
            json!([{"kind": "ruts", "outline": [[0, 0]]}]),
            "/keep_off/0/outline",
        ),
        (
            "/on_earth",
            json!({"longitude_deg": 0, "latitude_deg": 89}),
            "/on_earth/latitude_deg",
        ),
    ];
    for (at, value, field) in cases {
        let mut wrong = lay();
        wrong[&at[1..]] = value;
        let (status, said) = problem(put(&trainer, &path, wrong).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    assert_eq!(trainer.json(&path).await["lay"], Value::Null);
    let other = server.person("trainer@other").await;
    assert_eq!(put(&other, &path, lay()).await.status(), 404);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_course_is_added_changed_put_away_and_used_again(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let place_id = place(&trainer).await;
    let new = json!({"place_id": place_id, "name": "Full course", "plan": barrels()});
    let (status, added) = answered(trainer.post("/api/courses", &new).await).await;
    assert_eq!(status, 201, "{added}");
    let course = id(&added["course_id"]);
    let kept = trainer.json("/api/courses").await[0].clone();
    assert_eq!(
        (id(&kept["place_id"]), &kept["plan"]),
        (place_id, &barrels())
    );
    let (status, said) = problem(trainer.post("/api/courses", &new).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (409, &json!("/name")),
        "{said}"
    );
    let path = format!("/api/courses/{course}");
    let mut smaller = barrels();
    smaller["measures"]["between_1_2_ft"] = json!(80.0);
    let sheet = json!({"name": "Smaller", "plan": smaller});
    assert_eq!(put(&trainer, &path, sheet).await.status(), 204);
    let kept = trainer.json("/api/courses").await[0].clone();
    assert_eq!(
        (&kept["name"], &kept["plan"]["measures"]["between_1_2_ft"]),
        (&json!("Smaller"), &json!(80.0))
    );
    for (way, away) in [("put-away", true), ("take-out", false)] {
        let answer = trainer.post(&format!("{path}/{way}"), &json!({})).await;
        assert_eq!(answer.status(), 204);
        assert_eq!(
            trainer.json("/api/courses").await[0]["put_away_at"].is_null(),
            !away
        );
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn every_kind_of_course_comes_back_as_it_was_sent(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let place_id = place(&trainer).await;
    let drill = json!({"kind": "drill", "drill": "d_shape", "size_ft": 30.0, "first": "left", "laps": 4,
        "placing": {"origin": [10.0, 20.0], "rotation_deg": 45.0}});
    let all = [
        json!({"kind": "poles", "gait": "jog", "poles": 4, "spacing_ft": 3.25, "height_in": 0.0}),
        json!({"kind": "back_through", "width_in": 30.0, "length_ft": 12.0, "height_in": 0.0}),
        bridge(40.0),
        json!({"kind": "plank", "width_in": 16.0, "length_ft": 10.0}),
        json!({"kind": "step", "height_in": 8.0}),
        json!({"kind": "water", "width_in": 96.0, "length_ft": 8.0}),
        json!({"kind": "sidepass", "length_ft": 12.0}),
        json!({"kind": "gate", "width_in": 60.0}),
        json!({"kind": "serpentine", "gait": "jog", "poles": 5, "spacing_ft": 8.0}),
    ];
    let obstacles: Vec<Value> = all.into_iter().map(|kind| obstacle(kind, 20.0)).collect();
    let trail = json!({"kind": "trail", "obstacles": obstacles});
    for (name, plan) in [("Drill", drill), ("Trail", trail), ("Barrels", barrels())] {
        let new = json!({"place_id": place_id, "name": name, "plan": plan});
        let (status, said) = answered(trainer.post("/api/courses", &new).await).await;
        assert_eq!(status, 201, "{said}");
        let kept = trainer.json("/api/courses").await;
        let kept = kept
            .as_array()
            .unwrap()
            .iter()
            .find(|one| one["name"] == name)
            .cloned();
        assert_eq!(kept.unwrap()["plan"], plan);
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_plan_that_cannot_be_is_refused_by_field(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let place_id = place(&trainer).await;
    let with = |pointer: &str, value: Value| {
        let mut plan = barrels();
        *plan.pointer_mut(pointer).unwrap() = value;
        plan
    };
    let cases = [
        (
            with("/measures/between_1_2_ft", json!(5)),
            "/plan/measures/between_1_2_ft",
        ),
        (
            with("/measures/between_1_3_ft", json!(40)),
            "/plan/measures/between_1_3_ft",
        ),
        (with("/first", json!("both")), "/plan/first"),
        (with("/pockets/1/2", json!(0)), "/plan/pockets/1/2"),
        (
            with("/placing/rotation_deg", json!(500)),
            "/plan/placing/rotation_deg",
        ),
        (with("/moved/2/1", json!(400)), "/plan/moved/2/1"),
        (with("/rate_strides", json!(9)), "/plan/rate_strides"),
        (
            with("/clearances/side_ft", json!(-1)),
            "/plan/clearances/side_ft",
        ),
        (
            json!({"kind": "drill", "drill": "d_shape", "size_ft": 300, "first": "left", "laps": 4,
                "placing": {"origin": [0, 0]}}),
            "/plan/size_ft",
        ),
        (json!({"kind": "trail", "obstacles": []}), "/plan/obstacles"),
        (
            json!({"kind": "trail", "obstacles": [obstacle(json!({"kind": "gate", "width_in": 1}), 0.0)]}),
            "/plan/obstacles/0/obstacle/width_in",
        ),
    ];
    for (plan, field) in cases {
        let new = json!({"place_id": place_id, "name": "Wrong", "plan": plan});
        let (status, said) = problem(trainer.post("/api/courses", &new).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    let nowhere = json!({"place_id": Uuid::now_v7(), "name": "Nowhere", "plan": barrels()});
    let (status, said) = problem(trainer.post("/api/courses", &nowhere).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (404, &json!("/place_id")),
        "{said}"
    );
    assert_eq!(trainer.json("/api/courses").await, json!([]));
}

/// The whole way from the ladder: nothing is held, then poles are, by the trainer's word.
#[sqlx::test(migrator = "TABLES")]
async fn tomorrows_trail_course_goes_by_the_ladder_of_the_horse(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let obstacles = [
        obstacle(
            json!({"kind": "poles", "gait": "walk", "poles": 4, "spacing_ft": 1.5}),
            10.0,
        ),
        obstacle(bridge(60.0), 30.0),
        obstacle(
            json!({"kind": "water", "width_in": 96.0, "length_ft": 8.0}),
            50.0,
        ),
    ];
    let plan = json!({"kind": "trail", "obstacles": obstacles});
    let new = json!({"place_id": place(&trainer).await, "name": "North trail", "plan": plan});
    let (_, added) = answered(trainer.post("/api/courses", &new).await).await;
    let path = format!(
        "/api/horses/{}/trail/{}",
        server.oatcake,
        id(&added["course_id"])
    );
    let before = trainer.json(&path).await;
    assert_eq!(before["tomorrow"]["ride"], json!([]));
    assert_eq!(before["tomorrow"]["left_out"].as_array().unwrap().len(), 3);
    assert!(before["caution"].as_str().unwrap().contains("sharp"));
    for (skill, rung) in [
        ("bend.hip", "walk"),
        ("start.follow-hand", "walk"),
        ("trail.poles", "walk"),
    ] {
        let word = json!({"overrule_id": Uuid::now_v7(), "skill": skill, "rung": rung,
            "counts_as": "advance", "reason": "seen it"});
        let path = format!("/api/horses/{}/overrules", server.oatcake);
        let (status, said) = answered(trainer.post(&path, &word).await).await;
        assert!(status < 300, "{said}");
    }
    let now = trainer.json(&path).await["tomorrow"].clone();
    let ride: Vec<(u64, bool)> = now["ride"]
        .as_array()
        .unwrap()
        .iter()
        .map(|ride| (ride["obstacle"].as_u64().unwrap(), ride["is_new"] == true))
        .collect();
    assert_eq!(ride, [(0, false), (1, true), (0, false)], "{now}");
    assert_eq!(now["left_out"][0]["obstacle"], 2);
    let barrels = json!({"place_id": place(&trainer).await, "name": "Barrels", "plan": barrels()});
    let (_, added) = answered(trainer.post("/api/courses", &barrels).await).await;
    let other = format!(
        "/api/horses/{}/trail/{}",
        server.oatcake,
        id(&added["course_id"])
    );
    assert_eq!(
        trainer.get(&other).await.status(),
        404,
        "a barrel course is no trail"
    );
    assert_eq!(trainer.batch(&ride_of(&server)).await.status(), 200);
}

fn ride_of(server: &Server) -> Value {
    ride(server.oatcake, 1, 2)
}

#[sqlx::test(migrator = "TABLES")]
async fn the_calculators_of_the_ground_answer_over_http(pool: PgPool) {
    let server = Server::start(pool).await;
    let visitor = server.visitor();
    let mut input = barrels();
    let measures = input["measures"].take();
    let asked = json!({
        "between_1_2_ft": measures["between_1_2_ft"], "between_1_3_ft": measures["between_1_3_ft"],
        "score_line_ft": measures["score_line_ft"], "first": "right", "pockets": input["pockets"],
        "gait": "lope", "lay": lay(), "placing": input["placing"],
    });
    let (status, said) = answered(visitor.post("/api/calc/cloverleaf", &asked).await).await;
    assert_eq!(status, 200, "{said}");
    assert!(said["length_ft"].as_f64().unwrap() > 470.0);
    assert!(said["room"]["barrels_ft"][0].as_f64().unwrap() > 19.0);
    let (status, said) = problem(
        visitor
            .post(
                "/api/calc/fit-course",
                &json!({"outline": lay()["outline"]}),
            )
            .await,
    )
    .await;
    assert_eq!(status, 401, "the search is for who is signed in: {said}");
    let trainer = server.person("trainer@home").await;
    let (status, said) = answered(
        trainer
            .post(
                "/api/calc/fit-course",
                &json!({"outline": lay()["outline"]}),
            )
            .await,
    )
    .await;
    assert_eq!((status, &said["scale"]), (200, &json!(1.0)), "{said}");
}

/// A run of the pattern so many days ago.
fn run_of(server: &Server, days_ago: i64, rung: &str, measure: &Value) -> Value {
    let mut batch = ride(server.oatcake, days_ago, 1);
    let reps = batch["reps"].as_array_mut().unwrap();
    reps.truncate(1);
    reps[0]["skill"] = json!("barrel.pattern");
    reps[0]["rung"] = json!(rung);
    reps[0]["side"] = json!("both");
    reps[0]["measure"] = measure.clone();
    batch
}

fn run(time_s: f64, path_ft: f64, tipped: bool) -> Value {
    let barrel = |tipped: bool| {
        json!({"planned_ft": [5.0, 4.0, 3.0], "pocket_ft": [5.0, 4.0, 3.0], "rate_strides": 2,
            "right_lead": true, "shape_held": true, "tipped": tipped, "stepped_off": false})
    };
    json!({"kind": "run", "time_s": time_s, "path_ft": path_ft, "footing": "deep",
        "barrels": [barrel(false), barrel(tipped), barrel(false)]})
}

#[sqlx::test(migrator = "TABLES")]
async fn runs_stand_side_by_side_with_what_barrels_cost_and_how_many_are_enough(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/runs", server.oatcake);
    let none = trainer.json(&path).await;
    assert_eq!((&none["runs"], &none["said"]), (&json!([]), &Value::Null));
    let mut broken = run(15.0, 470.0, false);
    broken["broken"] = json!(true);
    let with_splits = {
        let mut run = run(18.4, 474.0, false);
        run["splits_s"] = json!([4.2, 4.6, 5.2, 4.4]);
        run
    };
    for (days_ago, rung, measure) in [
        (20, "run", with_splits),
        (2, "run", run(17.9, 470.0, true)),
        (1, "three_quarter", run(16.0, 400.0, false)),
        (1, "lope", broken),
    ] {
        let batch = run_of(&server, days_ago, rung, &measure);
        let (status, said) = answered(trainer.batch(&batch).await).await;
        assert_eq!(status, 200, "{said}");
    }
    let shown = trainer.json(&path).await;
    let runs = shown["runs"].as_array().unwrap();
    assert_eq!(runs.len(), 4);
    assert_eq!(runs[3]["run"]["splits_s"], json!([4.2, 4.6, 5.2, 4.4]));
    assert_eq!(runs[0]["run"]["footing"], "deep");
    assert!(!runs[0]["rider"].as_str().unwrap().is_empty());
    let said = &shown["said"];
    let index = |time: f64| {
        runs.iter()
            .position(|one| one["run"]["time_s"] == time)
            .unwrap()
    };
    let official = |time: f64| said["runs"][index(time)]["official_s"].clone();
    assert_eq!(official(17.9), 22.9);
    assert_eq!(official(15.0), Value::Null);
    assert_eq!(said["best"], index(16.0));
    assert_eq!(said["best_splits_sum_s"], 18.4);
    // The run of 20 days ago and the lope do not count.
    assert_eq!(
        shown["quota"],
        json!({"ridden": 2, "enough": 1, "finished": false})
    );
    let owner = server.person("owner@home").await;
    assert_eq!(owner.get(&path).await.status(), 200);
    let other = server.person("trainer@other").await;
    assert_eq!(other.get(&path).await.status(), 404);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_run_that_cannot_be_is_refused_by_field(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let with = |field: &str, value: Value| {
        let mut run = run(18.0, 470.0, false);
        run[field] = value;
        run
    };
    for (measure, field) in [
        (with("splits_s", json!([4.0, 4.0])), "splits_s"),
        (with("splits_s", json!([4.0, 4.0, 0.0, 4.0])), "splits_s/2"),
        (with("path_ft", json!(20)), "path_ft"),
        (with("time_s", json!(1)), "time_s"),
    ] {
        let batch = run_of(&server, 1, "run", &measure);
        let (status, said) = problem(trainer.batch(&batch).await).await;
        assert_eq!(status, 422, "{said}");
        let at = said["errors"][0]["field"].as_str().unwrap().to_owned();
        assert!(at.ends_with(&format!("/measure/{field}")), "{said}");
    }
}
