//! A database filled by an earlier version is brought up to date without loss.

use cavesson_store::MIGRATOR;
use cavesson_store::barn::barns::BarnTransaction;
use cavesson_store::horse::known;
use cavesson_store::ride::ride_block;
use sqlx::PgPool;
use sqlx::migrate::Migrator;
use uuid::Uuid;

/// The tables as the version before rides had blocks left them.
const BEFORE_BLOCKS: i64 = 8;

async fn migrate_until(pool: &PgPool, last: i64) {
    let migrations: Vec<_> = MIGRATOR
        .iter()
        .filter(|migration| migration.version <= last)
        .cloned()
        .collect();
    let mut until = Migrator::new(std::path::Path::new("migrations"))
        .await
        .unwrap();
    until.migrations = migrations.into();
    until.run(pool).await.unwrap();
}

const OLD_ROWS: &str = "
    insert into barn (barn_id, handle, name, time_zone) values
        ('00000000-0000-0000-0000-0000000000aa', 'home', 'Home', 'America/Denver');
    insert into person (barn_id, person_id, sign_in, name, role, password_hash) values
        ('00000000-0000-0000-0000-0000000000aa', '00000000-0000-0000-0000-0000000000b1', 'wren', 'Wren', 'trainer', '');
    insert into horse (barn_id, horse_id, name, sex, foaled, color, known_version) values
        ('00000000-0000-0000-0000-0000000000aa', '00000000-0000-0000-0000-0000000000c1', 'Oatcake', 'mare', 2020, 'bay', 7);
    insert into ride (barn_id, ride_id, horse_id, rider_id, day, started_at, note) values
        ('00000000-0000-0000-0000-0000000000aa', '00000000-0000-0000-0000-0000000000d1',
         '00000000-0000-0000-0000-0000000000c1', '00000000-0000-0000-0000-0000000000b1', '2026-05-04',
         '2026-05-04 15:00:00+00', E'  bell\\x07 rang ');
    insert into rep (barn_id, rep_id, ride_id, horse_id, skill, rung, side, asked_at, measure, undone_at, recorded_by, known_version)
    select '00000000-0000-0000-0000-0000000000aa', ('00000000-0000-0000-0000-00000000e0' || lpad(n::text, 2, '0'))::uuid,
           '00000000-0000-0000-0000-0000000000d1', '00000000-0000-0000-0000-0000000000c1',
           case when n % 2 = 0 then 'bend.flex' else 'bend.ribs' end, case when n % 2 = 0 then 'stand' else 'walk' end,
           'left', timestamptz '2026-05-04 15:01:00+00' + n * interval '20 seconds',
           '{\"kind\": \"give\", \"hand\": \"fingertip\", \"time_s\": 1.2, \"answer\": \"gave\"}',
           case when n = 3 then now() end, '00000000-0000-0000-0000-0000000000b1', 7
    from generate_series(0, 5) n;
    insert into care (barn_id, care_id, horse_id, kind, day, says, made_by) values
        ('00000000-0000-0000-0000-0000000000aa', '00000000-0000-0000-0000-0000000000f1',
         '00000000-0000-0000-0000-0000000000c1', 'pain', '0559-03-01', E'old\\x0b', '00000000-0000-0000-0000-0000000000b1');
    insert into kept_verdict (barn_id, horse_id, skill, rung, known_version, day, verdict, state, ladder_version) values
        ('00000000-0000-0000-0000-0000000000aa', '00000000-0000-0000-0000-0000000000c1', 'bend.flex', 'stand', 7,
         '2026-05-04', 'stay', 'working', 1);
";

#[sqlx::test(migrations = false)]
async fn old_rides_get_blocks_order_and_offsets(pool: PgPool) {
    migrate_until(&pool, BEFORE_BLOCKS).await;
    sqlx::raw_sql(OLD_ROWS).execute(&pool).await.unwrap();
    MIGRATOR.run(&pool).await.unwrap();

    let (barn_id, horse_id) = (Uuid::from_u128(0xaa), Uuid::from_u128(0xc1));
    let mut barn = BarnTransaction::look(&pool, barn_id).await.unwrap();
    let ride_id = Uuid::from_u128(0xd1);
    let blocks = ride_block::of_rides(&mut barn, &[ride_id]).await.unwrap();
    let levels: Vec<String> = blocks.iter().map(|block| block.level.to_string()).collect();
    assert_eq!(
        levels,
        ["bend.flex/stand", "bend.ribs/walk"],
        "in the order of asking"
    );
    let reps = known::reps_between(&mut barn, horse_id, -1, 7)
        .await
        .unwrap();
    assert_eq!(reps.len(), 6);
    assert_eq!(
        reps.iter().filter(|rep| rep.rep.is_ok()).count(),
        5,
        "one was taken back"
    );
    let order: Vec<(i32, i32, bool)> = sqlx::query_as(
        "select rep.sequence, rep.asked_after_ms, rep.device_asked_at = rep.asked_at
         from rep join ride_block b using (barn_id, ride_id, block_id, skill, rung) order by rep.rep_id",
    )
    .fetch_all(barn.connection())
    .await
    .unwrap();
    let expected: Vec<(i32, i32, bool)> = (0..6).map(|n| (n, 60_000 + 20_000 * n, true)).collect();
    assert_eq!(order, expected);
    drop(barn);
    let (note, says, day, until): (String, String, String, String) = sqlx::query_as(
        "select ride.note, care.text, care.day::text, horse.judged_until::text from ride, care, horse",
    )
    .fetch_one(&pool)
    .await
    .unwrap();
    assert_eq!((note.as_str(), says.as_str()), ("bell rang", "old"));
    assert_eq!((day.as_str(), until.as_str()), ("2000-01-01", "2026-05-04"));
}

#[sqlx::test(migrator = "MIGRATOR")]
async fn a_text_that_cannot_be_printed_is_refused_by_the_table(pool: PgPool) {
    for (text, fits) in [
        ("Zwei Zügel", true),
        ("two\nlines", true),
        ("bell \u{7}", false),
        ("tab\tinside", false),
        ("turned\u{202e}over", false),
        (" not trimmed", false),
    ] {
        let found: bool = sqlx::query_scalar("select printable($1)")
            .bind(text)
            .fetch_one(&pool)
            .await
            .unwrap();
        assert_eq!(found, fits, "{text:?}");
        // The core says the same of what was trimmed.
        let checked =
            cavesson_core::text::check_text(cavesson_core::bounds::NOTE_LETTERS, "/text", text);
        assert_eq!(checked.is_ok(), fits || text.starts_with(' '), "{text:?}");
    }
}

/// A barn that ran the build in which 34 to 36 stood one number lower, and 20 otherwise.
#[sqlx::test(migrations = false)]
async fn a_barn_of_a_build_in_between_goes_on(pool: PgPool) {
    cavesson_store::renumbered::put_right(&pool).await.unwrap();
    MIGRATOR.run(&pool).await.unwrap();
    for as_it_was in [
        "delete from _sqlx_migrations where version = 34",
        "update _sqlx_migrations set version = version - 1 where version = 35",
        "update _sqlx_migrations set version = version - 1 where version = 36",
        "update _sqlx_migrations set version = version - 1 where version = 37",
        "update _sqlx_migrations set checksum = '\\x00' where version = 20",
    ] {
        sqlx::query(as_it_was).execute(&pool).await.unwrap();
    }
    assert!(
        MIGRATOR.run(&pool).await.is_err(),
        "as it is, it would not start"
    );
    for _ in 0..2 {
        cavesson_store::renumbered::put_right(&pool).await.unwrap();
        MIGRATOR.run(&pool).await.unwrap();
    }
}
