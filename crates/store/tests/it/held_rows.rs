//! What stands beside the asks, as somebody would have it who wants it lost, doubled or seen by
//! the wrong barn: programs by their days, comparisons of riders, news, placings.

use crate::barn::{a_horse, barn_with_horse};
use cavesson_core::evidence::rider::RiderOffset;
use cavesson_core::horse::HorseSheet;
use cavesson_core::judge::Placing;
use cavesson_core::ladder::Level;
use cavesson_core::program::Program;
use cavesson_store::MIGRATOR;
use cavesson_store::barn::barns::BarnTransaction;
use cavesson_store::barn::news;
use cavesson_store::barn::news::NewNews;
use cavesson_store::barn::news::NewsKind;
use cavesson_store::horse::horse_program;
use cavesson_store::horse::horse_program::OnProgram;
use cavesson_store::horse::horse_program::SINCE_EVER;
use cavesson_store::horse::horses;
use cavesson_store::horse::placing;
use cavesson_store::horse::program;
use cavesson_store::horse::program::Made;
use cavesson_store::horse::rider_offset;
use jiff::civil::{Date, date};
use sqlx::PgPool;
use uuid::Uuid;

static TABLES: &sqlx::migrate::Migrator = &MIGRATOR;

struct Home {
    barn_id: Uuid,
    horse_id: Uuid,
    trainer: Uuid,
}

fn on_program(name: &str, program_id: Uuid) -> HorseSheet {
    HorseSheet {
        program_id: Some(program_id),
        ..a_horse(name)
    }
}

async fn home(pool: &PgPool, handle: &str) -> Home {
    let (barn_id, horse_id) = barn_with_horse(pool, handle, "Oatcake").await;
    let mut barn = BarnTransaction::begin(pool, barn_id).await.unwrap();
    let trainer = Uuid::now_v7();
    sqlx::query(
        "insert into person (barn_id, person_id, sign_in, name, role, password_hash)
         values ($1, $2, 'wren', 'Wren', 'trainer', '')",
    )
    .bind(barn_id)
    .bind(trainer)
    .execute(barn.connection())
    .await
    .unwrap();
    barn.commit().await.unwrap();
    Home {
        barn_id,
        horse_id,
        trainer,
    }
}

impl Home {
    async fn barn(&self, pool: &PgPool) -> BarnTransaction {
        BarnTransaction::begin(pool, self.barn_id).await.unwrap()
    }

    async fn program(&self, barn: &mut BarnTransaction, day: Date) -> Uuid {
        let program_id = Uuid::now_v7();
        let content = Program {
            name: "Of its own".into(),
            ..Program::default()
        };
        let made = Made {
            by: self.trainer,
            day,
        };
        program::add(barn, program_id, &content, 3, made)
            .await
            .unwrap();
        program_id
    }

    async fn stands_on(&self, barn: &mut BarnTransaction) -> Vec<(Date, Option<Uuid>)> {
        let rows = horse_program::of_horses(barn, &[self.horse_id])
            .await
            .unwrap();
        rows.iter().map(|one| (one.from, one.program_id)).collect()
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_horse_keeps_every_program_it_was_on_with_its_first_day(pool: PgPool) {
    let home = home(&pool, "home").await;
    let mut barn = home.barn(&pool).await;
    let [one, other] = [
        home.program(&mut barn, date(2026, 3, 1)).await,
        home.program(&mut barn, date(2026, 3, 1)).await,
    ];
    // Nothing is written of a horse that never changed.
    assert!(home.stands_on(&mut barn).await.is_empty());
    for (program, from) in [
        (Some(one), date(2026, 4, 1)),
        (Some(other), date(2026, 5, 1)),
        (None, date(2026, 6, 1)),
    ] {
        horse_program::put(&mut barn, home.horse_id, program, from)
            .await
            .unwrap();
    }
    let all = [
        (SINCE_EVER, None),
        (date(2026, 4, 1), Some(one)),
        (date(2026, 5, 1), Some(other)),
        (date(2026, 6, 1), None),
    ];
    assert_eq!(home.stands_on(&mut barn).await, all);
    // Said again of the same day it stands once; said of an earlier day, later words are gone.
    horse_program::put(&mut barn, home.horse_id, None, date(2026, 6, 1))
        .await
        .unwrap();
    assert_eq!(home.stands_on(&mut barn).await, all);
    horse_program::put(&mut barn, home.horse_id, Some(one), date(2026, 4, 20))
        .await
        .unwrap();
    let shorter = [all[0], all[1], (date(2026, 4, 20), Some(one))];
    assert_eq!(home.stands_on(&mut barn).await, shorter);
    horse_program::put(&mut barn, home.horse_id, Some(other), SINCE_EVER)
        .await
        .unwrap();
    assert_eq!(home.stands_on(&mut barn).await, [(SINCE_EVER, Some(other))]);
    let now = horses::find(&mut barn, home.horse_id, None)
        .await
        .unwrap()
        .unwrap();
    assert_eq!(now.program_id, Some(other));
}

#[sqlx::test(migrator = "TABLES")]
async fn a_sheet_that_names_another_program_puts_the_horse_on_it_that_day(pool: PgPool) {
    let home = home(&pool, "home").await;
    let mut barn = home.barn(&pool).await;
    let program = home.program(&mut barn, date(2026, 3, 1)).await;
    let today = date(2026, 5, 4);
    horses::change(&mut barn, home.horse_id, &a_horse("Oatcake"), today)
        .await
        .unwrap();
    assert!(
        home.stands_on(&mut barn).await.is_empty(),
        "the same program"
    );
    let on = on_program("Oat Cake", program);
    horses::change(&mut barn, home.horse_id, &on, today)
        .await
        .unwrap();
    let stands = [(SINCE_EVER, None), (today, Some(program))];
    assert_eq!(home.stands_on(&mut barn).await, stands);
    // Another word of the sheet a week later leaves the day as it was.
    let renamed = on_program("Oatcake", program);
    let later = date(2026, 5, 11);
    horses::change(&mut barn, home.horse_id, &renamed, later)
        .await
        .unwrap();
    assert_eq!(home.stands_on(&mut barn).await, stands);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_version_holds_from_the_day_it_was_made_on_or_said_to(pool: PgPool) {
    let home = home(&pool, "home").await;
    let mut barn = home.barn(&pool).await;
    let program = home.program(&mut barn, date(2026, 3, 1)).await;
    let content = Program {
        name: "Of its own".into(),
        ..Program::default()
    };
    let made = Made {
        by: home.trainer,
        day: date(2026, 3, 9),
    };
    program::add_version(&mut barn, program, 2, &content, 3, made)
        .await
        .unwrap();
    // As an older Cavesson left them: no day, and made late in the evening of the barn's day.
    sqlx::query(
        "update program_version set from_day = null, made_at = '2026-03-02 05:30:00+00'
         where version = 1",
    )
    .execute(barn.connection())
    .await
    .unwrap();
    let versions = horse_program::versions(&mut barn, &[program])
        .await
        .unwrap();
    let days: Vec<(i32, Date)> = versions.iter().map(|one| (one.version, one.from)).collect();
    assert_eq!(days, [(1, date(2026, 3, 1)), (2, date(2026, 3, 9))]);
    let some = program::some_versions(&mut barn, &[(program, 2), (Uuid::now_v7(), 1)])
        .await
        .unwrap();
    assert_eq!(some.iter().map(|one| one.version).collect::<Vec<_>>(), [2]);
}

#[sqlx::test(migrator = "TABLES")]
async fn programs_of_a_horse_are_behind_the_wall_between_barns(pool: PgPool) {
    let (home, other) = (home(&pool, "home").await, home(&pool, "other").await);
    let mut barn = home.barn(&pool).await;
    let program = home.program(&mut barn, date(2026, 3, 1)).await;
    horse_program::put(&mut barn, home.horse_id, Some(program), date(2026, 4, 1))
        .await
        .unwrap();
    barn.commit().await.unwrap();
    let mut theirs = other.barn(&pool).await;
    let seen: Vec<OnProgram> = horse_program::of_horses(&mut theirs, &[home.horse_id])
        .await
        .unwrap();
    assert!(seen.is_empty());
    // A program of another barn cannot be put on a horse: it is not there.
    let put = horse_program::put(&mut theirs, other.horse_id, Some(program), date(2026, 4, 1));
    assert!(put.await.is_err());
}

fn offset(rider_id: Uuid, offset: f64) -> RiderOffset {
    RiderOffset {
        rider_id,
        offset,
        sd: 0.2,
        asks: 80,
        horses: 3,
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn every_night_of_riders_is_read_until_the_day_that_is_asked_for(pool: PgPool) {
    let home = home(&pool, "home").await;
    let mut barn = home.barn(&pool).await;
    let day = |of| date(2026, 5, of);
    assert_eq!(
        rider_offset::last_compared(&mut barn, day(9))
            .await
            .unwrap(),
        None
    );
    let mut keep = Vec::new();
    for (of, offsets) in [
        (4, vec![]),
        (5, vec![offset(home.trainer, 0.5)]),
        (7, vec![offset(home.trainer, 0.6)]),
    ] {
        keep.push(
            rider_offset::keep(&mut barn, day(of), &offsets)
                .await
                .unwrap(),
        );
    }
    assert_eq!(keep, [true; 3]);
    // The night was compared: another server's figures change nothing.
    let other = [offset(home.trainer, 9.0)];
    let again = rider_offset::keep(&mut barn, day(5), &other);
    assert!(!again.await.unwrap());
    assert_eq!(
        rider_offset::last_compared(&mut barn, day(6))
            .await
            .unwrap(),
        Some(day(5))
    );
    let until: Vec<(Date, Vec<f64>)> = rider_offset::until(&mut barn, day(6))
        .await
        .unwrap()
        .into_iter()
        .map(|one| (one.from, one.riders.iter().map(|one| one.offset).collect()))
        .collect();
    assert_eq!(until, [(day(4), vec![]), (day(5), vec![0.5])]);
}

#[sqlx::test(migrator = "TABLES")]
async fn news_is_told_once_and_seen_by_the_first_who_looks(pool: PgPool) {
    let home = home(&pool, "home").await;
    let mut barn = home.barn(&pool).await;
    let lost = |of: i8, says: &str| NewNews {
        horse_id: home.horse_id,
        day: date(2026, 5, of),
        kind: NewsKind::Lost,
        level: ("start.brake".into(), "lope".into()),
        says: says.into(),
    };
    // Two servers find the same loss, and one of them again the next night.
    for _ in 0..3 {
        news::add(&mut barn, &[lost(4, "The brake: lost.")])
            .await
            .unwrap();
    }
    news::add(&mut barn, &[lost(9, "Lost again.")])
        .await
        .unwrap();
    let unseen = news::unseen(&mut barn, 10).await.unwrap();
    assert_eq!(
        unseen
            .iter()
            .map(|one| one.says.as_str())
            .collect::<Vec<_>>(),
        ["Lost again.", "The brake: lost."]
    );
    let first = unseen[1].news_id;
    assert!(news::seen(&mut barn, first, home.trainer).await.unwrap());
    // A lost answer: seen again, by whoever saw it first.
    assert!(news::seen(&mut barn, first, home.trainer).await.unwrap());
    assert!(
        !news::seen(&mut barn, Uuid::now_v7(), home.trainer)
            .await
            .unwrap()
    );
    news::add(&mut barn, &[lost(4, "The brake: lost.")])
        .await
        .unwrap();
    let unseen = news::unseen(&mut barn, 10).await.unwrap();
    assert_eq!(unseen.len(), 1, "what was seen is not told again");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_placing_sent_twice_is_one_and_taken_back_is_kept(pool: PgPool) {
    let home = home(&pool, "home").await;
    let mut barn = home.barn(&pool).await;
    let placed = |levels: &[(&str, &str)]| Placing {
        day: date(2026, 5, 4),
        levels: levels
            .iter()
            .map(|(skill, rung)| Level::new(skill, rung))
            .collect(),
    };
    let id = Uuid::now_v7();
    let first = placed(&[("start.brake", "jog")]);
    for _ in 0..2 {
        assert!(
            placing::add(&mut barn, home.horse_id, id, &first, home.trainer)
                .await
                .unwrap()
        );
    }
    let other = placed(&[("start.brake", "lope")]);
    assert!(
        !placing::add(&mut barn, home.horse_id, id, &other, home.trainer)
            .await
            .unwrap()
    );
    let of_horse = placing::of_horse(&mut barn, home.horse_id).await.unwrap();
    assert_eq!((of_horse.read, of_horse.unreadable), (vec![first], 0));
    assert!(placing::withdraw(&mut barn, id).await.unwrap());
    assert!(!placing::withdraw(&mut barn, id).await.unwrap());
    let of_horse = placing::of_horse(&mut barn, home.horse_id).await.unwrap();
    assert!(of_horse.read.is_empty());
    let rows: i64 = sqlx::query_scalar("select count(*) from horse_placing")
        .fetch_one(barn.connection())
        .await
        .unwrap();
    assert_eq!(rows, 1, "withdrawn, never deleted");
}
