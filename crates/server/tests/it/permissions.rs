//! Who may do what: every route, for every role, another barn and nobody signed in.
//! The routes are those of the OpenAPI document, so that none is forgotten.

use std::collections::BTreeSet;

use crate::barn::{Server, TABLES, Visitor, ride};
use reqwest::Method;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

use May::{Anybody, Everybody, Recorders, Trainers};

/// Who may use a route.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum May {
    /// Also who is not signed in.
    Anybody,
    /// Whoever is signed in.
    Everybody,
    /// Trainer, rider, helper.
    Recorders,
    /// Trainers.
    Trainers,
}

/// Every route but `listen`, which answers as long as somebody listens.
const ROUTES: &[(&str, May)] = &[
    ("add_booking", Trainers),
    ("add_busy_calendar", Recorders),
    ("add_card_block", Recorders),
    ("add_care", Recorders),
    ("add_cattle_lot", Trainers),
    ("add_course", Trainers),
    ("add_cow", Trainers),
    ("add_cow_rows", Trainers),
    ("add_gear", Trainers),
    ("add_horse", Trainers),
    ("add_horse_rows", Trainers),
    ("add_overrule", Trainers),
    ("add_owner_note", Trainers),
    ("add_person", Trainers),
    ("add_place", Trainers),
    ("add_program", Trainers),
    ("answer_drop", Trainers),
    ("begin_solve", Trainers),
    ("bring_back_booking", Recorders),
    ("bring_back_owner_note", Trainers),
    ("bring_barn_in", Trainers),
    ("build_card", Everybody),
    ("change_barn", Trainers),
    ("change_cattle_lot", Trainers),
    ("change_course", Trainers),
    ("change_cow", Trainers),
    ("change_gear", Trainers),
    ("change_horse", Trainers),
    ("change_password", Everybody),
    ("change_person", Trainers),
    ("change_place", Trainers),
    ("change_program", Trainers),
    ("change_report", Trainers),
    ("check_sheet", Trainers),
    ("clear_care", Recorders),
    ("count_devices", Everybody),
    ("draw_lay", Trainers),
    ("end_other_devices", Everybody),
    ("end_restore", Trainers),
    ("fit_tack", Recorders),
    ("follow_flag", Recorders),
    ("hear_flag", Recorders),
    ("horse_comes_back", Trainers),
    ("import_sheet", Trainers),
    ("list_best_cow_rounds", Recorders),
    ("list_bit_changes", Everybody),
    ("list_busy_calendars", Recorders),
    ("list_calculators", Anybody),
    ("list_calendar_links", Recorders),
    ("list_care_due", Everybody),
    ("list_cattle_lots", Everybody),
    ("list_cool_outs", Everybody),
    ("list_courses", Everybody),
    ("list_dates_at_risk", Everybody),
    ("list_deeds", Trainers),
    ("list_devices", Recorders),
    ("list_fittings", Recorders),
    ("list_gears", Everybody),
    ("list_horse_links", Trainers),
    ("list_horses", Everybody),
    ("list_horses_everyone", Everybody),
    ("list_imports", Trainers),
    ("list_invoice_lines", Trainers),
    ("list_news", Trainers),
    ("list_people", Recorders),
    ("list_places", Everybody),
    ("list_programs", Everybody),
    ("list_reports", Everybody),
    ("list_restores", Everybody),
    ("list_ride_horses", Everybody),
    ("list_runs", Everybody),
    ("list_sheets", Trainers),
    ("list_tapes", Everybody),
    ("list_time_zones", Anybody),
    ("list_timed_runs", Recorders),
    ("list_traits", Everybody),
    ("list_trips", Everybody),
    ("list_works", Everybody),
    ("list_written_words", Trainers),
    ("look_at_link", Anybody),
    ("look_into_archive", Trainers),
    ("make_calendar_link", Recorders),
    ("make_horse_link", Trainers),
    ("make_link", Trainers),
    ("make_report_draft", Trainers),
    ("match_cattle", Recorders),
    ("move_booking", Trainers),
    ("open_horse_link", Anybody),
    ("open_report_by_link", Anybody),
    ("order_flag", Recorders),
    ("person_comes_back", Trainers),
    ("person_leaves", Trainers),
    ("place_horse", Trainers),
    ("plan_restore", Trainers),
    ("plug_device", Recorders),
    ("preview_program", Trainers),
    ("put_away_cattle_lot", Trainers),
    ("put_away_course", Trainers),
    ("put_away_cow", Trainers),
    ("put_away_gear", Trainers),
    ("put_away_place", Trainers),
    ("put_bit_change", Recorders),
    ("put_cool_out", Recorders),
    ("put_cow_round", Recorders),
    ("put_cow_sign", Recorders),
    ("put_cow_treatment", Recorders),
    ("put_horse_program", Trainers),
    ("put_ride_horse", Recorders),
    ("put_settling", Recorders),
    ("put_tape", Recorders),
    ("put_timed_run", Recorders),
    ("put_weather", Trainers),
    ("read_calendar", Anybody),
    ("remove_booking", Trainers),
    ("remove_busy_calendar", Recorders),
    ("remove_card_block", Recorders),
    ("revoke_calendar_link", Recorders),
    ("revoke_horse_link", Trainers),
    ("revoke_link", Trainers),
    ("run_calculator", Anybody),
    ("see_news", Trainers),
    ("send_horse_home", Trainers),
    ("send_report", Trainers),
    ("set_care_again", Recorders),
    ("set_goals", Trainers),
    ("set_leads_to", Trainers),
    ("set_rides_a_week", Trainers),
    ("set_traits", Recorders),
    ("show_barn", Everybody),
    ("show_board", Everybody),
    ("show_cattle_lot", Recorders),
    ("show_cow", Recorders),
    ("show_day", Recorders),
    ("show_flag", Recorders),
    ("show_hands", Recorders),
    ("show_health", Anybody),
    ("show_horse", Everybody),
    ("show_horse_page", Everybody),
    ("show_horse_sheet", Everybody),
    ("show_intake", Everybody),
    ("show_ladder", Everybody),
    ("show_lay", Everybody),
    ("show_level", Everybody),
    ("show_load", Everybody),
    ("show_outcomes", Everybody),
    ("show_owners_view", Everybody),
    ("show_pack", Everybody),
    ("show_pen", Recorders),
    ("show_program", Everybody),
    ("show_report", Everybody),
    ("show_review", Trainers),
    ("show_ride", Everybody),
    ("show_rigs", Everybody),
    ("show_road", Everybody),
    ("show_solve", Trainers),
    ("show_strips", Everybody),
    ("show_tack", Everybody),
    ("show_trail", Everybody),
    ("show_two_rein", Everybody),
    ("show_week", Recorders),
    ("sign_in", Anybody),
    ("sign_out", Anybody),
    ("skip_booking", Recorders),
    ("stop_solve", Trainers),
    ("store_batch", Recorders),
    ("swap_bookings", Trainers),
    ("take_back_owner_note", Trainers),
    ("take_back_report", Trainers),
    ("take_barn_out", Trainers),
    ("take_lay_away", Trainers),
    ("take_link", Anybody),
    ("take_off_tack", Recorders),
    ("take_out_cattle_lot", Trainers),
    ("take_out_course", Trainers),
    ("take_out_cow", Trainers),
    ("take_out_cow_treatment", Trainers),
    ("take_out_gear", Trainers),
    ("take_out_place", Trainers),
    ("take_out_settling", Recorders),
    ("take_out_tape", Recorders),
    ("take_sheet", Trainers),
    ("take_week", Trainers),
    ("today", Everybody),
    ("undo_import", Trainers),
    ("who", Everybody),
    ("withdraw_overrule", Trainers),
    ("withdraw_placing", Trainers),
    ("write_report", Trainers),
];

/// A body that fits, for routes whose address names something of the barn.
fn body(operation: &str, horse: Uuid) -> Value {
    match operation {
        "change_person" => json!({"name": "The helper", "sign_in": "helper", "role": "helper"}),
        "add_booking" => json!({
            "booking_id": Uuid::now_v7(), "kind": "vet", "horse_id": horse, "from_min": 900, "minutes": 30,
        }),
        "move_booking" => {
            json!({"person_id": null, "place_id": null, "from_min": 600, "minutes": 30})
        }
        "make_calendar_link" => json!({"kind": "horse", "of_id": horse}),
        "make_horse_link" => json!({"for_whom": "Mom", "days": 30}),
        "add_owner_note" => {
            json!({"note_id": Uuid::now_v7(), "day": "2026-05-04", "text": "Quiet."})
        }
        "open_horse_link" => json!({"word": "nothing"}),
        "open_report_by_link" => json!({"word": "nothing", "report_id": Uuid::now_v7()}),
        "change_report" => json!({"sections": []}),
        "swap_bookings" => json!({"with": Uuid::now_v7()}),
        "skip_booking" => json!({"because": "lame"}),
        "change_place" => json!({"name": "Round pen", "kind": "round_pen", "horses_at_once": 1}),
        "change_gear" => json!({"name": "Ring snaffle", "kind": "snaffle"}),
        "draw_lay" => json!({
            "outline": [[0, 0], [130, 0], [130, 240], [0, 240]], "fence": "pipe", "footing": "good",
        }),
        "change_course" => json!({"name": "Gate line", "plan": trail()}),
        "change_cattle_lot" => json!({"name": "Blue tags", "kind": "heifers", "head": 12}),
        "change_horse" => {
            json!({"name": "Oatcake", "sex": "mare", "foaled": 2020, "color": "bay"})
        }
        "put_cool_out" => json!({
            "horse_id": horse, "started_at": "2026-05-04T14:00:00Z", "readings": [],
        }),
        "add_cow_rows" => json!({"text": "tag\n12", "add": false}),
        "change_cow" => json!({
            "lot_id": Uuid::now_v7(),
            "sheet": {"tag": "12", "kind": "heifer", "came": "2026-01-05", "tempo": "slow", "handling": "well"},
        }),
        "put_cow_round" => json!({
            "round": {"seed": 1, "level": "easy"}, "steered": [{"steps": 3600, "across": 0, "up": 0}],
        }),
        "put_tape" => json!({
            "horse_id": horse,
            "sheet": {
                "name": "Rail", "day": "2026-05-04",
                "films": [{"name": "a.webm", "length_s": 9, "frame_s": 0.04, "width_px": 640, "height_px": 360}],
            },
        }),
        "put_timed_run" => json!({"eyes": "Eyes", "at": "2026-05-04T14:00:00Z", "time_s": 17.4}),
        "plan_restore" => json!({
            "gear_id": Uuid::now_v7(), "weeks": 8, "riders": [Uuid::now_v7()],
        }),
        "fit_tack" => json!({"worn": false}),
        "set_goals" => json!([]),
        "set_leads_to" => json!({"levels": []}),
        "set_traits" => json!({"traits": []}),
        "put_ride_horse" => json!({ "horse_id": horse }),
        "plug_device" => json!({"plugged_in": true}),
        "build_card" => json!({}),
        "put_horse_program" => json!({"program_id": null}),
        "add_care" => json!({"care_id": Uuid::now_v7(), "kind": "teeth", "day": "2026-05-04"}),
        "add_card_block" => json!({
            "block_id": Uuid::now_v7(), "day": "2026-05-05", "side": null, "fault": null,
            "skill": "bend.flex", "rung": "stand", "text": "Both sides.",
        }),
        "add_overrule" => json!({
            "overrule_id": Uuid::now_v7(), "skill": "bend.flex", "rung": "stand",
            "counts_as": "advance", "reason": "seen it",
        }),
        "answer_drop" => json!({
            "answer_id": Uuid::now_v7(), "level": {"skill": "bend.flex", "rung": "stand"},
            "side": "right", "text": "The vet looked at him.",
        }),
        "place_horse" => json!({
            "placing_id": Uuid::now_v7(), "levels": [{"skill": "bend.flex", "rung": "stand"}],
        }),
        _ => json!({}),
    }
}

fn trail() -> Value {
    let gate =
        json!({"obstacle": {"kind": "gate", "width_in": 60}, "at": [20, 20], "heading_deg": 90});
    json!({"kind": "trail", "obstacles": [gate]})
}

struct Route {
    operation: String,
    method: Method,
    path: String,
    may: May,
}

/// The routes of the document; every one of them stands in the table and the other way
/// round.
fn routes() -> Vec<Route> {
    let document = cavesson_server::openapi();
    let mut found = Vec::new();
    for (path, operations) in document["paths"].as_object().unwrap() {
        for (method, operation) in operations.as_object().unwrap() {
            let id = operation["operationId"].as_str().unwrap();
            if id == "listen" {
                continue;
            }
            let (_, may) = ROUTES
                .iter()
                .find(|(known, _)| *known == id)
                .unwrap_or_else(|| panic!("{id} does not stand in the table of permissions"));
            found.push(Route {
                operation: id.to_owned(),
                method: method.to_uppercase().parse().unwrap(),
                path: path.clone(),
                may: *may,
            });
        }
    }
    let served: BTreeSet<&str> = found.iter().map(|route| route.operation.as_str()).collect();
    let listed: BTreeSet<&str> = ROUTES.iter().map(|(id, _)| *id).collect();
    assert_eq!(served, listed);
    found
}

async fn status(visitor: &Visitor, route: &Route, path: &str, body: &Value) -> u16 {
    let body = serde_json::to_vec(body).unwrap();
    let answer = visitor
        .send(route.method.clone(), path, "application/json", body)
        .await
        .unwrap();
    answer.status().as_u16()
}

/// What the addresses name, all of the home barn.
async fn named(server: &Server, trainer: &Visitor) -> Vec<(&'static str, String)> {
    let batch = ride(server.oatcake, 3, 2);
    assert_eq!(trainer.batch(&batch).await.status(), 200);
    let added = async |path: &str, sheet: Value| {
        let answer = trainer.post(path, &sheet).await;
        assert_eq!(answer.status(), 201, "{path}");
        let added: Value = answer.json().await.unwrap();
        added["id"].as_str().unwrap().to_owned()
    };
    let people = trainer.json("/api/people").await;
    let helper = people
        .as_array()
        .unwrap()
        .iter()
        .find(|person| person["role"] == "helper")
        .unwrap();
    let places = trainer.json("/api/places").await;
    let today = trainer.json("/api/today").await;
    let day = today["day"].as_str().unwrap().to_owned();
    let booking_id = today["string"][0]["booking_id"]
        .as_str()
        .unwrap()
        .to_owned();
    let place_id = places[0]["place_id"].as_str().unwrap().to_owned();
    let course = json!({"place_id": place_id, "name": "Gate line", "plan": trail()});
    let answer = trainer.post("/api/courses", &course).await;
    let course: Value = answer.json().await.unwrap();
    let lot_id = added(
        "/api/cattle",
        json!({"name": "Blue tags", "kind": "heifers", "head": 12}),
    )
    .await;
    let cow = json!({
        "lot_id": lot_id,
        "sheet": {"tag": "12", "kind": "heifer", "came": "2026-01-05", "tempo": "slow", "handling": "well"},
    });
    let answer = trainer.post("/api/cows", &cow).await;
    let cow: Value = answer.json().await.unwrap();
    vec![
        ("{horse_id}", server.oatcake.to_string()),
        ("{cow_id}", cow["cow_id"].as_str().unwrap().into()),
        ("{course_id}", course["course_id"].as_str().unwrap().into()),
        (
            "{ride_id}",
            batch["rides"][0]["ride_id"].as_str().unwrap().into(),
        ),
        ("{person_id}", helper["person_id"].as_str().unwrap().into()),
        ("{place_id}", place_id),
        (
            "{gear_id}",
            added(
                "/api/gear",
                json!({"name": "Ring snaffle", "kind": "snaffle"}),
            )
            .await,
        ),
        ("{lot_id}", lot_id),
        ("{day}", day),
        ("{booking_id}", booking_id),
        ("{skill}", "bend.flex".into()),
        ("{rung}", "stand".into()),
        ("{name}", "share".into()),
    ]
}

#[sqlx::test(migrator = "TABLES")]
async fn every_route_is_for_those_it_is_for(pool: PgPool) {
    let server = Server::start_with(
        pool,
        cavesson_server::Settings {
            sign_in_tries: 1_000,
            ..Default::default()
        },
    )
    .await;
    let trainer = server.person("trainer@home").await;
    let names = named(&server, &trainer).await;
    let filled = |path: &str| {
        let path = names
            .iter()
            .fold(path.to_owned(), |path, (part, id)| path.replace(part, id));
        // What else is named is not there, for nobody.
        let parts = path.split('/').map(|part| match part.starts_with('{') {
            true => Uuid::now_v7().to_string(),
            false => part.to_owned(),
        });
        parts.collect::<Vec<_>>().join("/")
    };
    for route in routes() {
        let path = filled(&route.path);
        let body = body(&route.operation, server.thimble);
        let at = format!("{} {}", route.operation, path);
        let signed_out = status(&server.visitor(), &route, &path, &body).await;
        let who_is_not = matches!(route.may, Anybody);
        // A calculator or a sign-in may say that this input does not fit; who asks is
        // never its matter.
        assert_eq!(
            signed_out != 401 || route.operation == "sign_in",
            who_is_not,
            "{at}: nobody: {signed_out}"
        );
        if route.may == Anybody {
            continue;
        }
        for (role, may) in [
            ("owner", route.may == Everybody),
            ("helper", route.may != Trainers),
            ("rider", route.may != Trainers),
            ("trainer", true),
        ] {
            // Some routes sign out, or end others: each asks on a device of its own.
            let visitor = server.person(&format!("{role}@home")).await;
            let answered = status(&visitor, &route, &path, &body).await;
            assert!(answered < 500, "{at}: {role}: {answered}");
            assert_eq!(
                ![401, 403].contains(&answered),
                may,
                "{at}: {role}: {answered}"
            );
        }
        let of_barn = names
            .iter()
            .any(|(part, _)| part.ends_with("_id}") && route.path.contains(part));
        if of_barn {
            let other = server.person("trainer@other").await;
            let answered = status(&other, &route, &path, &body).await;
            assert_eq!(answered, 404, "{at}: another barn's trainer");
        }
        if route.operation == "person_leaves" {
            let back = path.replace("/leave", "/come-back");
            let trainer = server.person("trainer@home").await;
            assert_eq!(trainer.post(&back, &json!({})).await.status(), 204);
        }
    }
}
