//! No input that a calculator takes makes it hold more than the server can spare:
//! the largest of each, with the memory it takes counted by the allocator.

use cavesson_core::calc::{ALL, Cost, find};
use jiff::ToSpan;
use jiff::civil::{Date, date};
use peak_alloc::PeakAlloc;
use serde_json::{Value, json};
use uuid::Uuid;

#[global_allocator]
static MEMORY: PeakAlloc = PeakAlloc;

/// What one request may hold, in MB.
const MOST_MB: f32 = 64.0;
/// What the server takes of one request, in bytes.
const MOST_BYTES: usize = 2_000_000;

const FIRST: Date = date(2020, 1, 1);

/// 5,000 reps of one level, each on a day and in a ride of its own.
fn reps(count: usize) -> Vec<Value> {
    (0..count)
        .map(|index| {
            let day = FIRST.saturating_add(i64::try_from(index).unwrap().days());
            json!({
                "rep_id": Uuid::from_u128(index as u128), "ride_id": Uuid::from_u128(index as u128),
                "skill": "bend.flex", "rung": "stand", "side": if index % 2 == 0 { "left" } else { "right" },
                "day": day, "asked_at": format!("{day}T15:00:00Z"),
                "measure": {"kind": "give", "hand": "fingertip", "time_s": 1.0 + (index % 7) as f64, "answer": "gave"}
            })
        })
        .collect()
}

/// A gate that looks at as much as it can and hardly ever passes.
fn hostile_gate() -> Value {
    json!({
        "window_rides": 200, "window_days": 400, "least_reps": 500, "least_days": 60,
        "soft_share": 1.0, "low_share": 1.0, "confidence": 0.9999, "first_ask_soft": 30,
        "first_ask_days": 30, "no_miss_reps": 500, "most_difference": 0.0, "most_time_ratio": 1.0
    })
}

/// The largest input of each calculator.
fn largest(name: &str) -> Value {
    let days: Vec<f64> = (0..2_000).map(f64::from).collect();
    let figures: Vec<f64> = (0..100_000).map(|n| f64::from(n % 17)).collect();
    let times: Vec<Value> = (0..5_000).map(|n| json!([n % 90, n % 3 == 0])).collect();
    match name {
        "share" => {
            json!({"soft": 400_000, "asked": 500_000, "days": vec![[4, 5]; 100_000], "prior_icc": 0.5})
        }
        "give-times" => json!({"left": times, "right": times, "horizon_s": 60}),
        "quit" => {
            let ask = json!({"side": "left", "soft": true});
            json!({"asks": vec![ask; 5_000]})
        }
        "evenness" => json!({"left": 1e9, "right": 1e-9}),
        "curb" => json!({
            "curb": {"purchase_in": 6, "shank_in": 12, "jaw_in": 6, "pull_lbf": 100,
                     "pull_angle_deg": 175, "rotation_deg": 80},
            "strap": {"half_length_in": 12, "hole_spacing_in": 0.125,
                      "holes_shorter": 20, "holes_longer": 20},
            "take_hold_deg": 80,
        }),
        "snaffle" => json!({
            "snaffle": {"mouthpiece_in": 8, "mouth_in": 3},
            "hands": {"pull_lbf": 100, "apart_in": 60, "high_in": 30, "behind_in": 60},
        }),
        "show-rules" => json!({
            "piece": {"kind": "curb", "shank_overall_in": 20, "port_in": 20, "strap_width_in": 20,
                      "strap_flat": true},
            "class": {"age_years": 60, "hands": "one", "reins": "split", "fingers_between": 4},
        }),
        "bit-change" => {
            // Twelve steps, then bothered until it ends: the longest log there is.
            let note = "x".repeat(600);
            let step =
                |step: &str, answer: &str| json!({"step": step, "answer": answer, "note": note});
            let mut steps: Vec<Value> = Vec::new();
            for name in [
                "mouth",
                "strap_out",
                "fitted",
                "strap_set",
                "by_hand",
                "hand_left",
                "hand_right",
                "jog_circle",
                "poll",
                "stop_walk",
                "stop_jog",
                "lope",
            ] {
                steps.push(step(name, "ok"));
            }
            for answer in ["bothered", "bothered", "adjusted", "bothered", "bothered"] {
                steps.push(step("look", answer));
            }
            json!({"steps": steps})
        }
        "two-rein" => {
            let segments: Vec<Value> = (0..200)
                .map(|minute| json!({"start_min": minute, "bosal_pct": 50}))
                .collect();
            let events: Vec<Value> = (0..100)
                .map(|minute| {
                    let ask = if minute % 2 == 0 {
                        "for_bridle"
                    } else {
                        "back"
                    };
                    json!({"at_min": minute, "ask": ask})
                })
                .collect();
            let ride = json!({"segments": segments, "events": events, "end_min": 600});
            json!({"rides": vec![ride; 60], "start_bosal_pct": 90})
        }
        "trend" => {
            json!({"day": days, "value": days.iter().map(|n| n % 13.0).collect::<Vec<f64>>()})
        }
        "ewma" => json!({"value": figures, "target": 8, "sd": 5, "lambda": 0.2, "width": 3}),
        "cusum" => json!({"value": figures, "target": 8, "k": 0.5, "h": 5}),
        "soft" => {
            let run = [1.5, 2.5, 3.5];
            let barrel = json!({"planned_ft": run, "pocket_ft": run, "rate_strides": 2, "right_lead": true,
                "shape_held": true, "tipped": false});
            json!({"measure": {"kind": "run", "time_s": 19.4, "barrels": vec![barrel; 3]}, "gait": "gallop"})
        }
        "gate" => json!({"reps": reps(5_000), "gate": hostile_gate(), "date": "2033-09-10"}),
        "judge" => {
            let gates = json!([{"skill": "bend.flex", "gate": hostile_gate()}]);
            json!({"reps": reps(5_000), "program": {"gates": gates}, "date": "2033-09-10"})
        }
        "card" => {
            let gates = json!([{"skill": "bend.flex", "gate": hostile_gate()}]);
            let horse =
                json!({"reps": reps(5_000), "program": {"gates": gates}, "date": "2033-09-10"});
            json!({"horse": horse, "day": {"minutes": 180, "helper": true}})
        }
        "intake" => {
            let level = json!({"skill": "bend.flex", "rung": "stand"});
            let ask = json!({"level": level, "side": "left", "soft": true, "ride": 0});
            let horse = json!({"days_ridden": 400, "holds": vec![level; 20]});
            json!({"asks": vec![ask; 5_000], "barn": vec![horse; 700]})
        }
        "pace" => {
            let history = |number: u128| {
                json!({"horse_id": uuid::Uuid::from_u128(number), "level": {"skill": "bend.flex", "rung": "stand"},
                    "rides": 1 + number % 900, "held": number.is_multiple_of(2)})
            };
            json!({"histories": (0..5_000).map(history).collect::<Vec<Value>>()})
        }
        // The whole ladder, from nothing, in as many futures as there may be.
        "road" => {
            let ladder = cavesson_core::ladder::Ladder::shipped();
            let levels: Vec<Value> = ladder
                .levels
                .iter()
                .map(|level| json!(level.level))
                .collect();
            let stands: Vec<Value> = levels
                .iter()
                .map(|level| json!({"level": level, "asked_rides": 3, "rides_left": vec![json!(null); 200]}))
                .collect();
            let goal = |number: usize| json!({"name": "x".repeat(80), "day": "2027-06-01", "levels": levels[number..number + 60]});
            json!({"with_helps": true, "road": {
                "today": "2026-06-01", "levels": stands, "goals": (0..20).map(goal).collect::<Vec<Value>>(),
                "rides_a_week": 5, "futures": 5000,
            }})
        }
        // A week as full as it may be, everything at the same time.
        "week-rules" => {
            let id = |kind: u128, number: u128| uuid::Uuid::from_u128(kind * 100_000 + number);
            let work = json!({"kind": "cattle", "minutes": 480, "place_ids": [id(3, 0)], "lot_id": id(4, 0),
                "at_most": 1, "helper": true});
            let horse = |number| {
                json!({"horse_id": id(1, number), "name": "x".repeat(80), "wanted": 12, "most_rides_a_day": 1,
                    "most_days": 6, "priority": 1, "first_rides": true, "works": [work, work]})
            };
            let rider = |number| {
                let days: Vec<Value> = (0..7)
                    .map(|day| json!({"day": day, "from_min": 0, "to_min": 1440, "most_horses": 1}))
                    .collect();
                json!({"person_id": id(2, number), "name": "x".repeat(80), "role": "rider",
                    "clearance": {"only_horses": [], "rigs": [], "cattle": false, "first_rides": false},
                    "days": days})
            };
            let place = |number| json!({"place_id": id(3, number), "name": "x".repeat(80), "horses_at_once": 1});
            let ride = |number: u128| {
                json!({"day": number % 7, "from_min": 600, "horse_id": id(1, number % 200), "work": 0,
                    "person_id": id(2, 0), "place_id": id(3, 0)})
            };
            let days: Vec<Value> = (1..=7)
                .map(|day| json!({"date": format!("2026-06-{day:02}")}))
                .collect();
            let rides: Vec<Value> = (0..240).map(ride).collect();
            json!({
                "instance": {
                    "days": days,
                    "horses": (0..200).map(horse).collect::<Vec<Value>>(),
                    "riders": (0..60).map(rider).collect::<Vec<Value>>(),
                    "places": (0..40).map(place).collect::<Vec<Value>>(),
                    "cattle": [{"lot_id": id(4, 0), "name": "Lot", "works_left": 0}],
                },
                "plan": rides,
                "other": rides,
            })
        }
        // Everything at once, on one horse, under one person, in one place.
        "day-rules" => {
            let id = |kind: u128, number: u128| uuid::Uuid::from_u128(kind * 1000 + number);
            let bookings: Vec<Value> = (0..120)
                .map(|number| {
                    json!({"booking_id": id(1, number), "kind": "ride", "horse_id": id(2, 0),
                        "person_id": id(3, 0), "place_id": id(4, 0), "from_min": number, "minutes": 1440,
                        "cattle": true})
                })
                .collect();
            let person = |number| {
                json!({"person_id": id(3, number), "name": "x".repeat(80), "role": "rider",
                    "clearance": {"only_horses": [], "rigs": [], "cattle": false, "first_rides": false},
                    "hours": null, "sets_hours": true, "busy": vec![json!({"from_min": 0, "to_min": 1440}); 50]})
            };
            let horse = |number| {
                json!({"horse_id": id(2, number), "name": "x".repeat(80), "rig": "shank",
                    "first_rides": true, "most_rides": 1, "check_first": true})
            };
            let place = |number| json!({"place_id": id(4, number), "name": "x".repeat(80), "horses_at_once": 1});
            json!({"day": {
                "bookings": bookings,
                "people": (0..200).map(person).collect::<Vec<Value>>(),
                "horses": (0..200).map(horse).collect::<Vec<Value>>(),
                "places": (0..200).map(place).collect::<Vec<Value>>(),
                "heat": (0..24).map(|hour| json!({"from_min": hour * 60, "temperature_f": 120, "humidity_pct": 90}))
                    .collect::<Vec<Value>>(),
            }})
        }
        "lay" => json!({"lay": largest_lay(60)}),
        "cloverleaf" => json!({"between_1_2_ft": 90, "between_1_3_ft": 105, "score_line_ft": 60,
            "first": "left", "pockets": [[5, 4, 3], [5, 4, 3], [5, 4, 3]], "gait": "lope",
            "placing": {"origin": [0, -80]}, "lay": largest_lay(60)}),
        "fit-course" => {
            let lay = largest_lay(15);
            let rings: Vec<&Value> = lay["keep_off"]
                .as_array()
                .unwrap()
                .iter()
                .map(|area| &area["outline"])
                .collect();
            json!({"outline": lay["outline"], "keep_off": rings})
        }
        "setting-out" => {
            json!({"course": {"between_1_2_ft": 90, "between_1_3_ft": 105, "score_line_ft": 60},
                "first": "right", "placing": {"origin": [0, 0]}, "lay": largest_lay(60), "tape_ft": 400})
        }
        "drill" => {
            json!({"plan": {"drill": "three_rollbacks", "size_ft": 60, "first": "left", "laps": 20,
            "placing": {"origin": [0, 0]}}, "lay": largest_lay(60)})
        }
        "trail-check" => {
            let obstacle = |number: usize| {
                json!({"obstacle": {"kind": "poles", "gait": "lope", "poles": 12,
                "spacing_ft": 6.5, "height_in": 6}, "at": [number * 20, number % 3 * 50], "heading_deg": number * 12})
            };
            json!({"course": (0..30).map(obstacle).collect::<Vec<Value>>()})
        }
        "runs" => {
            let run = |number: usize| {
                json!({"day": format!("2026-{:02}-{:02}", number / 28 % 12 + 1, number % 28 + 1),
                "time_s": 16.0 + number as f64 / 100.0, "path_ft": 470, "splits_s": [4, 4, 4, 4], "knocked": 1})
            };
            json!({"runs": (0..500).map(run).collect::<Vec<Value>>()})
        }
        "homography" => {
            let pair = |number: usize| {
                let (x, y) = ((number % 8) as f64, (number / 8) as f64);
                json!({"film": [x * 100.0, y * 60.0], "ground": [x * 10.0, y * 11.0 + x * 0.1]})
            };
            json!({"pairs": (0..40).map(pair).collect::<Vec<Value>>(), "film": vec![json!([500.0, 120.0]); 20_000]})
        }
        "tape" => {
            let film = |name| json!({"name": name, "length_s": 14_400, "frame_s": 0.001, "width_px": 20_000, "height_px": 20_000});
            let mark = |n: usize| json!({"film": n % 2, "at_s": n, "mark": {"kind": "hoof_beat"}});
            let known = |n: usize| {
                let (x, y) = ((n / 2 % 8) as f64, (n / 16) as f64);
                json!({"film": n % 2, "name": "post", "seen": [x * 100.0, y * 60.0], "ground": [x * 10.0, y * 11.0]})
            };
            let track =
                |n: usize| json!({"film": 0, "at_s": n as f64 / 2.0, "seen": [500.0, 120.0]});
            json!({
                "tape": {
                    "name": "x".repeat(80), "day": "2026-05-05", "films": [film("a"), film("b")],
                    "tie": {"first_s": 3, "second_s": 1},
                    "marks": (0..4_000).map(mark).collect::<Vec<Value>>(),
                    "known": (0..80).map(known).collect::<Vec<Value>>(),
                    "track": (0..20_000).map(track).collect::<Vec<Value>>(),
                },
                "barrels": [[110, 105], [20, 105], [65, 200]],
            })
        }
        "ride-track" => {
            let point = |n: usize| {
                let angle = n as f64 * 0.01;
                format!(
                    "<trkpt lat=\"{:.6}\" lon=\"{:.6}\"><time>2026-05-04T{:02}:{:02}:{:02}Z</time></trkpt>",
                    39.7 + 0.0003 * angle.cos(),
                    -104.9 + 0.0003 * angle.sin(),
                    8 + n / 3_600,
                    n / 60 % 60,
                    n % 60
                )
            };
            let points: String = (0..20_000).map(point).collect();
            json!({"gpx": format!("<gpx version=\"1.1\" creator=\"x\" xmlns=\"http://www.topografix.com/GPX/1/1\"><trk><trkseg>{points}</trkseg></trk></gpx>")})
        }
        "gauge-asks" => {
            let row = |n: usize| {
                let pull = if n % 200 < 60 { 14.0 } else { 3.0 };
                format!("{:.2},{pull},3\n", n as f64 * 0.02)
            };
            json!({"csv": (0..100_000).map(row).collect::<String>()})
        }
        "gauge-hold" => {
            let ask = |n: usize| {
                json!({
                    "side": "left", "onset_s": n, "peak_s": n, "release_s": n + 1,
                    "time_to_give_s": 1, "peak_n": 12, "hand": "closed_hand",
                })
            };
            json!({
                "asks": (0..1_000).map(ask).collect::<Vec<Value>>(),
                "heard": (0..1_000).map(|n| [n, n + 5]).collect::<Vec<[usize; 2]>>(),
                "hold": {"side": "left", "pressed_s": 505, "released_s": 506},
            })
        }
        "sheet-look" => json!({
            "sheet": "asks",
            "bytes": "day,horse,skill,\"a, b\"\n".repeat(2_849).into_bytes(),
            "whole": false,
        }),
        "gauge-live" => json!({"lines": vec!["1 20 3.00 3.00 00"; 1_000]}),
        "honesty" => json!({"stopped": (0..10_000).map(|n| n % 3 > 0).collect::<Vec<bool>>()}),
        "match-cattle" => {
            let id = |n: usize| Uuid::from_u128(n as u128 + 1);
            let horse = |n: usize| json!({"horse_id": id(n), "tempo": "quick", "works": 6});
            let cow = |n: usize| {
                json!({"cow_id": id(1_000 + n), "tempo": "medium", "honesty": 0.5 + 0.001 * (n % 400) as f64,
                    "works_left": 6, "worked": n % 12})
            };
            json!({
                "horses": (0..100).map(horse).collect::<Vec<Value>>(),
                "cattle": (0..300).map(cow).collect::<Vec<Value>>(),
            })
        }
        "next-cow" => {
            let id = |n: usize| Uuid::from_u128(n as u128 + 1);
            let turn = json!({"tempo": "medium", "position": "even", "shoulders": "swept_across",
                "weight": "behind", "waited": true, "result": "turned"});
            let cow = |n: usize| json!({"cow_id": id(n), "tempo": "medium", "honesty": 0.7, "works_left": 6, "worked": n});
            let turns = vec![turn; 2_000];
            json!({
                "horse_id": id(0), "tempo": "quick", "lately": turns, "today": turns, "left": true,
                "dry": vec![json!({"skill": "frame.back", "rung": "stand"}); 2_000],
                "worked": (0..60).map(id).collect::<Vec<Uuid>>(),
                "cattle": (0..300).map(cow).collect::<Vec<Value>>(),
            })
        }
        "flag-program" => {
            json!({"level": "quick", "width_ft": 20, "seed": 7, "minutes": 10, "runs_ahead": true})
        }
        "cow-step" => json!({
            "round": {"seed": 7, "level": "hard"}, "steer": vec![json!([0.25, -0.5]); 3_600],
        }),
        "load" => json!({"load": (0..4_000).map(|n| n % 300).collect::<Vec<i32>>()}),
        "heat" => json!({"temperature_f": 140, "humidity_pct": 100}),
        "cool-out" => {
            let reading = |minute| json!({"minute": minute, "pulse": 200, "breaths": 100, "temperature_f": 106});
            json!({"readings": (0..24).map(reading).collect::<Vec<Value>>(), "sex": "mare"})
        }
        "simulate-horse" => {
            let asks = json!({"skill": "bend.flex", "rung": "stand", "left": 25, "right": 25});
            json!({"rides": {"count": 200, "first_day": "2024-01-01", "asks": [asks]}, "seed": 7})
        }
        other => panic!("{other} has no largest input here; add one"),
    }
}

/// An arena with as many corners, posts and areas to keep off as there may be; each area with
/// so many corners.
fn largest_lay(corners: usize) -> Value {
    let round = |middle: (f64, f64), far: f64, corners: usize| -> Vec<Value> {
        let corner = |index: usize| {
            let turn = index as f64 / corners as f64 * std::f64::consts::TAU;
            json!([
                middle.0 + far * turn.cos(),
                middle.1 + 1.6 * far * turn.sin()
            ])
        };
        (0..corners).map(corner).collect()
    };
    let area = |index: usize| {
        let (x, y) = (
            (index * 37 % 100) as f64 - 50.0,
            (index * 53 % 160) as f64 - 80.0,
        );
        json!({"kind": "ruts", "outline": round((x, y), 3.0, corners)})
    };
    let post =
        |index: usize| json!({"name": format!("post {index}"), "at": [index * 9, index % 7 * 40]});
    json!({
        "outline": round((0.0, 0.0), 75.0, 60),
        "fence": "pipe", "footing": "rutted",
        "posts": (0..40).map(post).collect::<Vec<Value>>(),
        "keep_off": (0..20).map(area).collect::<Vec<Value>>(),
    })
}

#[test]
fn the_largest_input_of_every_calculator_stays_small() {
    for calculator in ALL {
        let body = serde_json::to_string(&largest(calculator.name)).unwrap();
        assert!(
            body.len() <= MOST_BYTES,
            "{}: {} bytes",
            calculator.name,
            body.len()
        );
        let before = MEMORY.current_usage_as_mb();
        MEMORY.reset_peak_usage();
        // As the server does: read, run, written.
        let input: Value = serde_json::from_str(&body).unwrap();
        let output =
            (calculator.run)(input).unwrap_or_else(|error| panic!("{}: {error}", calculator.name));
        let answer = serde_json::to_string(&output).unwrap();
        drop(output);
        let held = MEMORY.peak_usage_as_mb() - before + body.len() as f32 / 1e6;
        println!(
            "{}: {held:.1} MB held, {} bytes answered",
            calculator.name,
            answer.len()
        );
        assert!(held < MOST_MB, "{} holds {held:.1} MB", calculator.name);
    }
}

/// What made a server hold 3 GB: rides times levels times asks.
#[test]
fn a_product_of_large_numbers_is_refused() {
    let asks = json!({"skill": "bend.flex", "rung": "stand", "left": 60, "right": 60});
    let input = json!({"rides": {"count": 200, "first_day": "2024-01-01", "asks": vec![asks; 60]}, "seed": 1});
    let error = (find("simulate-horse").unwrap().run)(input).unwrap_err();
    assert_eq!(error.field, "/rides");
    assert!(
        error
            .detail
            .contains("must be 0 to 10000 reps, found 1440000; ask for fewer rides or asks"),
        "{error}"
    );
}

#[test]
fn what_takes_long_is_heavy() {
    let heavy: Vec<&str> = ALL
        .iter()
        .filter(|calculator| calculator.cost == Cost::Heavy)
        .map(|calculator| calculator.name)
        .collect();
    assert_eq!(
        heavy,
        [
            "gate",
            "judge",
            "card",
            "intake",
            "road",
            "fit-course",
            "match-cattle",
            "simulate-horse"
        ]
    );
}
