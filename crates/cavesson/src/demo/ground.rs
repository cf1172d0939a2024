//! The demo's ground: its places drawn to scale, a barrel course fitted between the ruts, a
//! smaller one, a drill and a trail course. Through the public API, as a user would.

use anyhow::Context;
use cavesson_client::Client;
use cavesson_core::calc;
use serde_json::{Value, json};

/// The big arena after a wet fall: not quite square, ruts on the far side, jumps by the fence.
fn big_arena() -> Value {
    json!({
        "outline": [[0, 0], [138, 0], [144, 238], [6, 246]],
        "fence": "pipe",
        "footing": "rutted",
        "gate": {"at": [58, 0], "width_ft": 14},
        "posts": [
            {"name": "left gate post", "at": [51, 0]},
            {"name": "right gate post", "at": [65, 0]},
            {"name": "announcer's post", "at": [140, 79.3]},
            {"name": "water post", "at": [3, 123]},
            {"name": "far corner", "at": [144, 238]},
        ],
        "keep_off": [
            {"kind": "ruts", "outline": [[104, 128], [121, 122], [126, 150], [111, 158]]},
            {"kind": "jumps", "outline": [[12, 196], [30, 194], [31, 206], [13, 208]]},
        ],
    })
}

fn round_pen() -> Value {
    let corner = |index: i32| {
        let angle = f64::from(index) / 24.0 * std::f64::consts::TAU;
        let tenth = |feet: f64| (feet * 10.0).round() / 10.0;
        json!([
            tenth(30.0 + 30.0 * angle.cos()),
            tenth(30.0 + 30.0 * angle.sin())
        ])
    };
    json!({
        "outline": (0..24).map(corner).collect::<Vec<Value>>(),
        "fence": "panels",
        "footing": "deep",
        "gate": {"at": [30, 0], "width_ft": 8},
    })
}

fn pockets() -> Value {
    json!([[5, 4, 3], [5, 4, 3], [5, 4, 3]])
}

/// The largest course between the fences and around the ruts, as the planner finds it.
fn fitted(lay: &Value) -> anyhow::Result<Value> {
    let areas = lay["keep_off"].as_array().into_iter().flatten();
    let keep_off: Vec<&Value> = areas.map(|area| &area["outline"]).collect();
    let fit = calc::find("fit-course").context("the calculator that fits courses")?;
    let asked = json!({"outline": lay["outline"], "keep_off": keep_off, "step_ft": 5});
    let found = (fit.run)(asked).map_err(|error| anyhow::anyhow!("{error}"))?;
    let mirrored = found["mirrored"] == true;
    Ok(course(
        &found["course"],
        &json!({"origin": found["origin"], "rotation_deg": found["rotation_deg"]}),
        if mirrored { "left" } else { "right" },
    ))
}

fn course(measures: &Value, placing: &Value, first: &str) -> Value {
    json!({
        "kind": "barrels", "measures": measures, "first": first, "pockets": pockets(),
        "placing": placing, "gait": "lope", "rate_strides": 2, "rides_up": "free",
    })
}

fn trail() -> Value {
    let obstacle = |obstacle: Value, at: [i32; 2], heading_deg: i32| json!({"obstacle": obstacle, "at": at, "heading_deg": heading_deg});
    json!({"kind": "trail", "obstacles": [
        obstacle(json!({"kind": "poles", "gait": "walk", "poles": 4, "spacing_ft": 1.75}), [30, 50], 90),
        obstacle(json!({"kind": "poles", "gait": "jog", "poles": 4, "spacing_ft": 3.25}), [34, 120], 80),
        obstacle(json!({"kind": "bridge", "width_in": 60, "length_ft": 8, "height_in": 6}), [80, 176], 0),
        obstacle(json!({"kind": "bridge", "width_in": 36, "length_ft": 8, "height_in": 10}), [118, 184], 350),
        obstacle(json!({"kind": "back_through", "width_in": 30, "length_ft": 12}), [96, 96], 270),
        obstacle(json!({"kind": "gate", "width_in": 60}), [70, 40], 180),
    ]})
}

/// Draws the places and sets out what lies in them.
pub async fn set_out(trainer: &Client) -> anyhow::Result<()> {
    let places: Value = trainer.get("/api/places").await?;
    let place = |name: &str| {
        let all = places.as_array().into_iter().flatten();
        let found = all.clone().find(|place| place["name"] == name);
        let id = found.and_then(|place| place["place_id"].as_str());
        id.map(str::to_owned).with_context(|| name.to_owned())
    };
    let (arena, pen) = (place("Big arena")?, place("Round pen")?);
    let lay = big_arena();
    trainer
        .put(&format!("/api/places/{arena}/lay"), &lay)
        .await?;
    trainer
        .put(&format!("/api/places/{pen}/lay"), &round_pen())
        .await?;
    let small = json!({"between_1_2_ft": 60, "between_1_3_ft": 70, "score_line_ft": 40});
    let drill = json!({"kind": "drill", "drill": "three_circles", "size_ft": 24, "first": "left", "laps": 3,
        "placing": {"origin": [30, 14], "rotation_deg": 0}});
    for (place_id, name, plan) in [
        (&arena, "Saturday pattern", fitted(&lay)?),
        (
            &arena,
            "Small, for young horses",
            course(&small, &json!({"origin": [66, 62]}), "right"),
        ),
        (&arena, "Fall trail", trail()),
        (&pen, "Three close barrels", drill),
    ] {
        let new = json!({"place_id": place_id, "name": name, "plan": plan});
        trainer.post("/api/courses", &new).await.context(name)?;
    }
    Ok(())
}
