//! The horse page beyond its levels: sides, season, another date, what owners see,
//! two servers that never disagree.

use crate::barn::{Server, TABLES, level, problem, ride, soft_rides};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

async fn page(server: &Server, who: &str, horse: Uuid, query: &str) -> Value {
    let person = server.person(who).await;
    person
        .json(&format!("/api/horses/{horse}/page{query}"))
        .await
}

/// A ride on which the right was braced all along.
fn right_braced(horse: Uuid, days_ago: i64) -> Value {
    let mut batch = ride(horse, days_ago, 6);
    for rep in batch["reps"].as_array_mut().unwrap() {
        if rep["side"] == "right" {
            rep["measure"] = json!({"kind": "give", "hand": "closed_hand", "time_s": 5.0, "answer": "did_not_give"});
        }
    }
    batch
}

#[sqlx::test(migrator = "TABLES")]
async fn the_stiff_side_is_named_level_by_level_and_over_all(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    for days in [3, 2, 1] {
        let sent = trainer.batch(&right_braced(server.oatcake, days)).await;
        assert_eq!(sent.status(), StatusCode::OK);
    }
    let page = page(&server, "trainer@home", server.oatcake, "").await;
    let flex = &page["sides"][0];
    assert_eq!(flex["left"], json!({"soft": 18, "asked": 18}));
    assert_eq!(flex["right"], json!({"soft": 0, "asked": 18}));
    assert_eq!(flex["evenness"]["lower_side"], "right");
    assert_eq!(flex["evenness"]["difference"], 1.0);
    assert!(flex["evenness"]["symmetry_index_pct"].as_f64().unwrap() < 0.0);
    assert!(flex["low"].as_f64().unwrap() > 0.7);
    let index = flex["level"].as_u64().unwrap() as usize;
    assert_eq!(page["levels"][index]["level"]["skill"], "bend.flex");
    assert_eq!(page["stiff_side"]["side"], "right");
    assert_eq!(page["stiff_side"]["neglected"], false);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_mares_rides_in_season_are_listed_and_held_against_the_others(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let mut in_season = ride(server.oatcake, 2, 6);
    in_season["rides"][0]["marks"] = json!(["in_season"]);
    for rep in in_season["reps"].as_array_mut().unwrap() {
        rep["measure"]["answer"] = json!("did_not_give");
    }
    for batch in [ride(server.oatcake, 9, 6), in_season.clone()] {
        assert_eq!(trainer.batch(&batch).await.status(), StatusCode::OK);
    }
    let mare = page(&server, "trainer@home", server.oatcake, "").await;
    let season = &mare["season"];
    assert_eq!(season["seen"].as_array().unwrap().len(), 1);
    assert_eq!(
        season["seen"][0]["ride_id"],
        in_season["rides"][0]["ride_id"]
    );
    let share = &season["share"];
    assert_eq!(share["in_season"], json!({"soft": 0, "asked": 12}));
    assert_eq!(share["out_of_season"], json!({"soft": 12, "asked": 12}));
    assert!(share["high"].as_f64().unwrap() < 0.0);
}

#[sqlx::test(migrator = "TABLES")]
async fn on_another_date_it_is_as_it_stood_then(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[40, 38, 36, 34]).await;
    let now = page(&server, "trainer@home", server.oatcake, "").await;
    assert_eq!(level(&now, "bend.flex", "stand")["state"], "rusty");
    let today: jiff::civil::Date = now["on"].as_str().unwrap().parse().unwrap();
    let then = today.saturating_sub(jiff::ToSpan::days(33));
    let back = page(
        &server,
        "trainer@home",
        server.oatcake,
        &format!("?on={then}"),
    )
    .await;
    assert_eq!(level(&back, "bend.flex", "stand")["state"], "held");
    let before = today.saturating_sub(jiff::ToSpan::days(60));
    let nothing = page(
        &server,
        "trainer@home",
        server.oatcake,
        &format!("?on={before}"),
    )
    .await;
    assert_eq!(level(&nothing, "bend.flex", "stand")["days"], 0);
    assert_eq!(nothing["first_asks"], json!([]));
    let (status, body) = problem(
        server
            .person("trainer@home")
            .await
            .get(&format!("/api/horses/{}/page?on=yesterday", server.oatcake))
            .await,
    )
    .await;
    assert_eq!(status, 422);
    assert!(body["detail"].as_str().unwrap().contains("on"), "{body}");
}

#[sqlx::test(migrator = "TABLES")]
async fn owners_see_their_own_horse_and_strangers_see_nothing(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[2, 1]).await;
    let owner = server.person("owner@home").await;
    let owned = owner.json("/api/horses").await[0]["horse_id"].clone();
    let own = owner
        .json(&format!("/api/horses/{}/page", owned.as_str().unwrap()))
        .await;
    assert_eq!(own["horse"]["horse_id"], owned);
    for (who, horse) in [
        ("owner@home", server.stranger),
        ("trainer@other", server.oatcake),
        ("trainer@home", Uuid::now_v7()),
    ] {
        let answer = server
            .person(who)
            .await
            .get(&format!("/api/horses/{horse}/page"))
            .await;
        let (status, _) = problem(answer).await;
        assert_eq!(status, 404, "{who}");
    }
    let unsigned = server
        .visitor()
        .get(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    assert_eq!(unsigned.status(), StatusCode::UNAUTHORIZED);
}

#[sqlx::test(migrator = "TABLES")]
async fn two_servers_over_one_database_never_disagree(pool: PgPool) {
    let one = Server::start(pool).await;
    let other = one.another().await;
    let (here, there) = (
        one.person("trainer@home").await,
        other.person("trainer@home").await,
    );
    let path = format!("/api/horses/{}/page", one.oatcake);
    for days in [7, 5, 3, 1] {
        // Both have the horse in memory; one of them is told of more.
        assert_eq!(here.json(&path).await, there.json(&path).await);
        let batch = ride(one.oatcake, days, 5);
        assert_eq!(here.batch(&batch).await.status(), StatusCode::OK);
        let (a, b) = (here.json(&path).await, there.json(&path).await);
        assert_eq!(a, b);
        // What was taken back is gone from both.
        let mut back = batch.clone();
        let reps = back["reps"].as_array_mut().unwrap();
        reps.truncate(1);
        reps[0]["undone"] = json!(true);
        assert_eq!(there.batch(&back).await.status(), StatusCode::OK);
        let asked = |page: &Value| {
            let sides = level(page, "bend.flex", "stand")["sides"].clone();
            sides[0]["asked"].as_u64().unwrap() + sides[1]["asked"].as_u64().unwrap()
        };
        let (c, d) = (here.json(&path).await, there.json(&path).await);
        assert_eq!(c, d);
        assert_eq!(asked(&c) + 1, asked(&a));
    }
}

/// The last ride comes first on the page: what was asked, and what it was said to be then
/// and before.
#[sqlx::test(migrator = "TABLES")]
async fn the_last_ride_tells_what_it_asked_and_what_it_changed(pool: PgPool) {
    let server = Server::start(pool).await;
    let never = page(&server, "trainer@home", server.oatcake, "").await;
    assert_eq!(never["last_ride"], Value::Null);

    soft_rides(&server, server.oatcake, &[4]).await;
    let first = page(&server, "trainer@home", server.oatcake, "").await;
    let asked = &first["last_ride"]["asked"];
    assert_eq!(asked.as_array().unwrap().len(), 1);
    let index = asked[0]["level"].as_u64().unwrap() as usize;
    assert_eq!(first["levels"][index]["level"]["skill"], "bend.flex");
    assert_eq!(asked[0]["before"], Value::Null, "asked for the first time");
    assert_eq!(asked[0]["now"], first["levels"][index]["verdict"]);

    let trainer = server.person("trainer@home").await;
    let braced = right_braced(server.oatcake, 1);
    assert_eq!(trainer.batch(&braced).await.status(), StatusCode::OK);
    let second = page(&server, "trainer@home", server.oatcake, "").await;
    let last = &second["last_ride"];
    assert_eq!(last["ride_id"], braced["rides"][0]["ride_id"]);
    assert_eq!(last["asked"][0]["asked"], 12);
    assert_eq!(last["asked"][0]["soft"], 6);
    assert_eq!(last["asked"][0]["before"], "stay");

    // On the day between the two it is the first that was last.
    let between = first["last_ride"]["day"].as_str().unwrap();
    let then = page(
        &server,
        "trainer@home",
        server.oatcake,
        &format!("?on={between}"),
    )
    .await;
    assert_eq!(then["last_ride"]["ride_id"], first["last_ride"]["ride_id"]);
}
