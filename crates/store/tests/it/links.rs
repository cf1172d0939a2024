//! Secret links as somebody would have them who wants in: a link works until it ends, is taken
//! back or was used, and once only where it lets somebody in; its word stands nowhere; no barn
//! takes back another's.

use cavesson_store::MIGRATOR;
use cavesson_store::barn::access_link::{self, LinkKind, NewAccessLink};
use cavesson_store::barn::barns::BarnTransaction;
use cavesson_store::day::calendar_link::{self, CalendarLink};
use cavesson_store::owners::horse_link::{self, HorseLink};
use jiff::{SignedDuration, Timestamp};
use sqlx::PgPool;
use uuid::Uuid;

use crate::barn::barn_with_horse;

static TABLES: &sqlx::migrate::Migrator = &MIGRATOR;

fn noon() -> Timestamp {
    "2026-05-04T12:00:00Z".parse().unwrap()
}

fn hours(many: i64) -> Timestamp {
    noon() + SignedDuration::from_hours(many)
}

async fn person(barn: &mut BarnTransaction, name: &str) -> Uuid {
    let (barn_id, person_id) = (barn.barn_id(), Uuid::now_v7());
    sqlx::query(
        "insert into person (barn_id, person_id, sign_in, name, role, password_hash)
         values ($1, $2, $3, $3, 'trainer', '')",
    )
    .bind(barn_id)
    .bind(person_id)
    .bind(name)
    .execute(barn.connection())
    .await
    .unwrap();
    person_id
}

async fn let_in(barn: &mut BarnTransaction, person_id: Uuid, word: &[u8], kind: LinkKind) {
    let new = NewAccessLink {
        person_id,
        kind,
        word_hash: word,
        made_by: None,
        made_at: noon(),
        expires_at: hours(1),
    };
    access_link::add(barn, &new).await.unwrap();
}

#[sqlx::test(migrator = "TABLES")]
async fn a_link_lets_somebody_in_once_and_not_after_its_end(pool: PgPool) {
    let (barn_id, _) = barn_with_horse(&pool, "home", "Any").await;
    let mut barn = BarnTransaction::begin(&pool, barn_id).await.unwrap();
    let (one, other) = (
        person(&mut barn, "one").await,
        person(&mut barn, "other").await,
    );
    let_in(&mut barn, one, b"first", LinkKind::Invite).await;
    let_in(&mut barn, other, b"second", LinkKind::Reset).await;
    barn.commit().await.unwrap();

    assert!(access_link::find(&pool, b"guess").await.unwrap().is_none());
    assert!(access_link::find(&pool, b"").await.unwrap().is_none());
    let first = access_link::find(&pool, b"first").await.unwrap().unwrap();
    assert_eq!((first.barn_id, first.person_id), (barn_id, one));
    assert_eq!(first.kind, LinkKind::Invite);

    let mut barn = BarnTransaction::begin(&pool, barn_id).await.unwrap();
    assert_eq!(
        access_link::working(&mut barn, hours(0))
            .await
            .unwrap()
            .len(),
        2
    );
    assert!(
        access_link::make_use(&mut barn, first.link_id, hours(0))
            .await
            .unwrap()
    );
    assert!(
        !access_link::make_use(&mut barn, first.link_id, hours(0))
            .await
            .unwrap()
    );
    let second = access_link::find(&pool, b"second").await.unwrap().unwrap();
    // At its very end it has ended.
    assert!(
        !access_link::make_use(&mut barn, second.link_id, hours(1))
            .await
            .unwrap()
    );
    assert!(
        access_link::working(&mut barn, hours(1))
            .await
            .unwrap()
            .is_empty()
    );
    assert_eq!(
        access_link::working(&mut barn, hours(0))
            .await
            .unwrap()
            .len(),
        1
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_new_link_for_somebody_ends_the_one_before(pool: PgPool) {
    let (barn_id, _) = barn_with_horse(&pool, "home", "Any").await;
    let mut barn = BarnTransaction::begin(&pool, barn_id).await.unwrap();
    let (one, other) = (
        person(&mut barn, "one").await,
        person(&mut barn, "other").await,
    );
    let_in(&mut barn, one, b"first", LinkKind::Invite).await;
    let_in(&mut barn, other, b"not hers", LinkKind::Invite).await;
    let_in(&mut barn, one, b"second", LinkKind::Reset).await;
    barn.commit().await.unwrap();
    let found = |word: &'static [u8]| access_link::find(&pool, word);
    assert!(found(b"first").await.unwrap().unwrap().revoked_at.is_some());
    assert!(
        found(b"second")
            .await
            .unwrap()
            .unwrap()
            .revoked_at
            .is_none()
    );
    assert!(
        found(b"not hers")
            .await
            .unwrap()
            .unwrap()
            .revoked_at
            .is_none()
    );
    let mut barn = BarnTransaction::begin(&pool, barn_id).await.unwrap();
    let first = found(b"first").await.unwrap().unwrap();
    assert!(
        !access_link::make_use(&mut barn, first.link_id, hours(0))
            .await
            .unwrap()
    );
    assert_eq!(
        access_link::revoke(&mut barn, one, hours(0)).await.unwrap(),
        1
    );
    assert_eq!(
        access_link::revoke(&mut barn, one, hours(0)).await.unwrap(),
        0
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn another_barn_neither_uses_nor_takes_back_a_link(pool: PgPool) {
    let (own, horse_id) = barn_with_horse(&pool, "own", "Any").await;
    let (other, _) = barn_with_horse(&pool, "other", "Other").await;
    let mut barn = BarnTransaction::begin(&pool, own).await.unwrap();
    let somebody = person(&mut barn, "one").await;
    let_in(&mut barn, somebody, b"in", LinkKind::Invite).await;
    let horse = horse_link_of(own, horse_id);
    horse_link::add(&mut barn, &horse, b"horse", somebody)
        .await
        .unwrap();
    let calendar = calendar_of(own, horse_id);
    calendar_link::add(&mut barn, &calendar, b"calendar", somebody)
        .await
        .unwrap();
    barn.commit().await.unwrap();

    let access = access_link::find(&pool, b"in").await.unwrap().unwrap();
    let mut theirs = BarnTransaction::begin(&pool, other).await.unwrap();
    assert!(
        !access_link::make_use(&mut theirs, access.link_id, hours(0))
            .await
            .unwrap()
    );
    assert_eq!(
        access_link::revoke(&mut theirs, somebody, hours(0))
            .await
            .unwrap(),
        0
    );
    assert!(
        access_link::working(&mut theirs, hours(0))
            .await
            .unwrap()
            .is_empty()
    );
    assert!(
        !horse_link::revoke(&mut theirs, horse.link_id, hours(0))
            .await
            .unwrap()
    );
    assert!(
        horse_link::of_horse(&mut theirs, horse_id)
            .await
            .unwrap()
            .is_empty()
    );
    horse_link::opened(&mut theirs, horse.link_id, hours(0))
        .await
        .unwrap();
    assert!(
        !calendar_link::revoke(&mut theirs, calendar.link_id, hours(0))
            .await
            .unwrap()
    );
    assert!(
        calendar_link::working(&mut theirs)
            .await
            .unwrap()
            .is_empty()
    );
    theirs.commit().await.unwrap();
    let now = horse_link::find(&pool, b"horse").await.unwrap().unwrap();
    assert_eq!(now, horse, "neither taken back nor opened");
    assert_eq!(
        calendar_link::find(&pool, b"calendar").await.unwrap(),
        Some(calendar)
    );
}

fn horse_link_of(barn_id: Uuid, horse_id: Uuid) -> HorseLink {
    HorseLink {
        barn_id,
        link_id: Uuid::now_v7(),
        horse_id,
        for_whom: "Her owner".into(),
        made_at: noon(),
        expires_at: hours(24),
        revoked_at: None,
        opened_at: None,
    }
}

fn calendar_of(barn_id: Uuid, of_id: Uuid) -> CalendarLink {
    CalendarLink {
        barn_id,
        link_id: Uuid::now_v7(),
        kind: "horse".into(),
        of_id,
        made_at: noon(),
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_link_that_was_taken_back_is_shown_no_more_and_found_as_such(pool: PgPool) {
    let (barn_id, horse_id) = barn_with_horse(&pool, "home", "Any").await;
    let mut barn = BarnTransaction::begin(&pool, barn_id).await.unwrap();
    let somebody = person(&mut barn, "one").await;
    let links = [
        horse_link_of(barn_id, horse_id),
        horse_link_of(barn_id, horse_id),
    ];
    for (link, word) in links.iter().zip([&b"one"[..], b"two"]) {
        horse_link::add(&mut barn, link, word, somebody)
            .await
            .unwrap();
    }
    let calendar = calendar_of(barn_id, horse_id);
    calendar_link::add(&mut barn, &calendar, b"calendar", somebody)
        .await
        .unwrap();
    assert!(
        horse_link::revoke(&mut barn, links[0].link_id, hours(2))
            .await
            .unwrap()
    );
    assert!(
        !horse_link::revoke(&mut barn, links[0].link_id, hours(3))
            .await
            .unwrap()
    );
    horse_link::opened(&mut barn, links[1].link_id, hours(4))
        .await
        .unwrap();
    let shown = horse_link::of_horse(&mut barn, horse_id).await.unwrap();
    assert_eq!(shown.len(), 1);
    assert_eq!(
        (shown[0].link_id, shown[0].opened_at),
        (links[1].link_id, Some(hours(4)))
    );
    assert!(
        calendar_link::revoke(&mut barn, calendar.link_id, hours(2))
            .await
            .unwrap()
    );
    assert!(
        !calendar_link::revoke(&mut barn, calendar.link_id, hours(2))
            .await
            .unwrap()
    );
    barn.commit().await.unwrap();
    let first = horse_link::find(&pool, b"one").await.unwrap().unwrap();
    assert_eq!(first.revoked_at, Some(hours(2)), "the first time stands");
    assert_eq!(calendar_link::find(&pool, b"calendar").await.unwrap(), None);
}
