//! What is stored by another version stays readable, or is said to be unreadable;
//! it never takes a barn, a horse or a program with it.

use crate::barn::{Server, TABLES, level, put, soft_rides};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

async fn change(server: &Server, statement: &'static str) {
    let changed = sqlx::query(statement).execute(&server.pool).await.unwrap();
    assert!(changed.rows_affected() > 0, "{statement}");
}

fn asked(page: &Value) -> u64 {
    let sides = &level(page, "bend.flex", "stand")["sides"];
    sides[0]["asked"].as_u64().unwrap() + sides[1]["asked"].as_u64().unwrap()
}

#[sqlx::test(migrator = "TABLES")]
async fn a_rep_of_another_version_is_read_as_far_as_it_can_be(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[5, 3, 1]).await;
    // A field that a newer version added, and a word of a field that can be done without.
    change(
        &server,
        "update rep set measure = measure || '{\"ears\": \"forward\", \"mouth\": \"whistles\"}'",
    )
    .await;
    let fresh = server.another().await;
    let trainer = fresh.person("trainer@home").await;
    let path = format!("/api/horses/{}/page", server.oatcake);
    let page = trainer.json(&path).await;
    assert_eq!((asked(&page), &page["unreadable"]), (30, &json!(0)));
    // A measure, an answer and a form that are not known here.
    for (index, broken) in [
        "measure = '{\"kind\": \"piaffe\", \"steps\": 9}'",
        "measure = jsonb_set(measure, '{answer}', '\"winked\"')",
        "measure_form = 9",
    ]
    .into_iter()
    .enumerate()
    {
        sqlx::query(sqlx::AssertSqlSafe(format!(
            "update rep set {broken} where rep_id in (select rep_id from rep order by asked_at limit 1 offset {index})"
        )))
        .execute(&server.pool)
        .await
        .unwrap();
    }
    let fresh = server.another().await;
    let trainer = fresh.person("trainer@home").await;
    let page = trainer.json(&path).await;
    assert_eq!((asked(&page), &page["unreadable"]), (27, &json!(3)));
    // The rest of the barn goes on.
    assert_eq!(trainer.get("/api/board").await.status(), StatusCode::OK);
    assert_eq!(trainer.get("/api/today").await.status(), StatusCode::OK);
    soft_rides(&fresh, server.oatcake, &[0]).await;
    let page = trainer.json(&path).await;
    assert_eq!((asked(&page), &page["unreadable"]), (37, &json!(3)));
}

#[sqlx::test(migrator = "TABLES")]
async fn a_program_that_no_longer_fits_leaves_the_standard_ladder_and_says_so(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let program_id = Uuid::now_v7();
    let strict = json!({"name": "Slow and sure", "schools": {"spurs": "never"},
        "gates": [{"skill": "bend.flex", "gate": {"least_days": 6}}]});
    let made = json!({"program_id": program_id, "content": strict});
    assert_eq!(
        trainer.post("/api/programs", &made).await.status(),
        StatusCode::CREATED
    );
    let on = format!("/api/horses/{}/program", server.oatcake);
    put(&trainer, &on, json!({"program_id": program_id})).await;
    // The school was renamed since.
    change(&server, "update program_version set content = jsonb_set(content, '{schools}', '{\"spurs\": \"rowels_only\"}')").await;
    let fresh = server.another().await;
    soft_rides(&fresh, server.oatcake, &[5, 4, 3, 1]).await;
    let trainer = fresh.person("trainer@home").await;
    let page = trainer
        .json(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    let unfit = page["program_unfit"].as_str().unwrap();
    assert!(
        unfit.contains("\"Slow and sure\" no longer fits") && unfit.contains("rowels_only"),
        "{unfit}"
    );
    assert!(unfit.contains("the standard ladder judges"), "{unfit}");
    assert_eq!(page["program_version"], json!(null));
    assert_eq!(
        level(&page, "bend.flex", "stand")["verdict"],
        "advance",
        "by four days, not six"
    );
    let kept: Vec<(Option<Uuid>, Option<i32>)> =
        sqlx::query_as("select program_id, program_version from kept_verdict")
            .fetch_all(&server.pool)
            .await
            .unwrap();
    assert!(
        !kept.is_empty() && kept.iter().all(|by| *by == (None, None)),
        "{kept:?}"
    );
    // It is listed, shown and can be put right.
    assert_eq!(
        trainer.json("/api/programs").await[0]["name"],
        "Slow and sure"
    );
    let path = format!("/api/programs/{program_id}");
    let shown = trainer.json(&path).await;
    assert!(shown["unfit"].as_str().unwrap().contains("rowels_only"));
    assert_eq!(shown["versions"][0]["content"], json!(null));
    let mended = put(
        &trainer,
        &path,
        json!({"from_version": 1, "content": strict}),
    )
    .await;
    assert_eq!(mended.status(), StatusCode::NO_CONTENT);
    let page = trainer
        .json(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    assert_eq!(
        (&page["program_unfit"], &page["program_version"]),
        (&json!(null), &json!(2))
    );
    assert_eq!(level(&page, "bend.flex", "stand")["verdict"], "confirm");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_note_of_another_version_is_passed_over(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[3, 1]).await;
    sqlx::raw_sql(
        "alter table care drop constraint care_kind_known;
         alter table overrule drop constraint overrule_verdicts_known;
         insert into care (barn_id, care_id, horse_id, kind, day, made_by)
         select barn_id, gen_random_uuid(), horse_id, 'massage', '2026-01-05', made_by from overrule;
         update overrule set judge_said = 'applaud';",
    )
    .execute(&server.pool)
    .await
    .unwrap();
    let fresh = server.another().await;
    let trainer = fresh.person("trainer@home").await;
    let page = trainer
        .json(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    assert_eq!(page["unreadable"], 2);
    assert_eq!(trainer.json("/api/outcomes").await["overrules"], json!([]));
}
