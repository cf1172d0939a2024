//! Bookings as PostgreSQL takes and refuses them, against counting by hand: a booking stands if
//! and only if its horse and its person are free, and the place never holds more horses at once
//! than it can. Whoever books in whatever order is told the same.

use cavesson_core::week::BookingKind;
use cavesson_core::yard::{PlaceKind, PlaceSheet};
use cavesson_store::MIGRATOR;
use cavesson_store::StoreError;
use cavesson_store::barn::barns::BarnTransaction;
use cavesson_store::barn::place;
use cavesson_store::day::booking;
use cavesson_store::day::booking::Booking;
use cavesson_store::horse::horses;
use jiff::civil::date;
use jiff::{SignedDuration, Timestamp};
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use sqlx::PgPool;
use uuid::Uuid;

use crate::barn::{a_horse, barn_with_horse};

static TABLES: &sqlx::migrate::Migrator = &MIGRATOR;

const SLOTS: i64 = 16;

struct Yard {
    barn_id: Uuid,
    horses: Vec<Uuid>,
    people: Vec<Uuid>,
    /// Each with the horses it holds at once.
    places: Vec<(Uuid, usize)>,
}

async fn yard(pool: &PgPool, horses: usize, holds: &[usize]) -> Yard {
    let (barn_id, first) = barn_with_horse(pool, "home", "Horse 0").await;
    let mut barn = BarnTransaction::begin(pool, barn_id).await.unwrap();
    let mut all = vec![first];
    for number in 1..horses {
        let horse_id = Uuid::now_v7();
        let sheet = a_horse(&format!("Horse {number}"));
        horses::add(&mut barn, horse_id, &sheet).await.unwrap();
        all.push(horse_id);
    }
    let mut people = Vec::new();
    for number in 0..horses {
        let person_id = Uuid::now_v7();
        sqlx::query(
            "insert into person (barn_id, person_id, sign_in, name, role, password_hash)
             values ($1, $2, $3, $3, 'rider', '')",
        )
        .bind(barn_id)
        .bind(person_id)
        .bind(format!("rider{number}"))
        .execute(barn.connection())
        .await
        .unwrap();
        people.push(person_id);
    }
    let mut places = Vec::new();
    for (number, holds) in holds.iter().enumerate() {
        let place_id = Uuid::now_v7();
        let sheet = PlaceSheet {
            name: format!("Pen {number}"),
            kind: PlaceKind::Arena,
            horses_at_once: u8::try_from(*holds).unwrap(),
            opens: None,
            closes: None,
        };
        place::add(&mut barn, place_id, &sheet).await.unwrap();
        places.push((place_id, *holds));
    }
    barn.commit().await.unwrap();
    Yard {
        barn_id,
        horses: all,
        people,
        places,
    }
}

fn at(slot: i64) -> Timestamp {
    let first: Timestamp = "2026-05-04T14:00:00Z".parse().unwrap();
    first + SignedDuration::from_mins(30 * slot)
}

fn ride(horse: Uuid, person: Uuid, place: Uuid, slots: (i64, i64)) -> Booking {
    Booking {
        booking_id: Uuid::now_v7(),
        day: date(2026, 5, 4),
        kind: BookingKind::Ride,
        horse_id: Some(horse),
        person_id: Some(person),
        place_id: Some(place),
        from: at(slots.0),
        to: at(slots.1),
        level: None,
        note: String::new(),
        skipped_because: None,
        pinned: false,
    }
}

/// What is wrong with all of these standing at once, half hour by half hour.
fn wrong(yard: &Yard, bookings: &[Booking]) -> Vec<&'static str> {
    let mut found = Vec::new();
    for slot in 0..SLOTS {
        let there: Vec<&Booking> = bookings
            .iter()
            .filter(|one| one.skipped_because.is_none())
            .filter(|one| one.from <= at(slot) && at(slot) < one.to)
            .collect();
        for (number, one) in there.iter().enumerate() {
            for other in &there[..number] {
                if one.horse_id == other.horse_id {
                    found.push("horse");
                }
                if one.person_id == other.person_id {
                    found.push("person");
                }
            }
        }
        for (place_id, holds) in &yard.places {
            let horses = there.iter().filter(|one| one.place_id == Some(*place_id));
            if horses.count() > *holds {
                found.push("place");
            }
        }
    }
    found
}

async fn stored(pool: &PgPool, yard: &Yard) -> Vec<Booking> {
    let mut barn = BarnTransaction::begin(pool, yard.barn_id).await.unwrap();
    let day = date(2026, 5, 4);
    let mut found = booking::on_days(&mut barn, day, day).await.unwrap();
    found.sort_by_key(|one| one.booking_id);
    found
}

/// Held against the rule, one answer after the other; returns how many were taken and refused.
async fn held_to_the_rule(pool: &PgPool, yard: &Yard, seed: u64, tries: usize) -> (usize, usize) {
    let mut rng = ChaCha8Rng::seed_from_u64(seed);
    let mut standing: Vec<Booking> = Vec::new();
    let (mut taken, mut refused) = (0, 0);
    for _ in 0..tries {
        let from = rng.random_range(0..SLOTS - 1);
        let to = rng.random_range(from + 1..=(from + 6).min(SLOTS));
        let any = |rng: &mut ChaCha8Rng, ids: &[Uuid]| ids[rng.random_range(0..ids.len())];
        let place = yard.places[rng.random_range(0..yard.places.len())].0;
        let new = ride(
            any(&mut rng, &yard.horses),
            any(&mut rng, &yard.people),
            place,
            (from, to),
        );
        let mut after = standing.clone();
        let is_move = !standing.is_empty() && rng.random_bool(0.3);
        if is_move {
            let moved = rng.random_range(0..after.len());
            after[moved] = Booking {
                booking_id: after[moved].booking_id,
                horse_id: after[moved].horse_id,
                skipped_because: rng.random_bool(0.4).then(|| "lame".to_owned()),
                ..new
            };
        } else {
            after.push(new);
        }
        let wrong = wrong(yard, &after);
        let mut barn = BarnTransaction::begin(pool, yard.barn_id).await.unwrap();
        let changed: Vec<Booking> = after
            .iter()
            .filter(|one| !standing.contains(one))
            .cloned()
            .collect();
        let answer = if is_move {
            booking::change(&mut barn, &changed).await
        } else {
            booking::add(&mut barn, &changed[0], None).await
        };
        match answer {
            Ok(()) => {
                assert_eq!(wrong, [""; 0], "taken: {changed:?}");
                barn.commit().await.unwrap();
                standing = after;
                taken += 1;
            }
            Err(StoreError::Booked(what)) => {
                assert!(wrong.contains(&what), "refused for the {what}: {wrong:?}");
                refused += 1;
            }
            Err(other) => panic!("{other}"),
        }
    }
    standing.sort_by_key(|one| one.booking_id);
    assert_eq!(stored(pool, yard).await, standing);
    (taken, refused)
}

#[sqlx::test(migrator = "TABLES")]
async fn a_booking_stands_if_and_only_if_all_are_free(pool: PgPool) {
    let yard = yard(&pool, 6, &[1, 2, 3]).await;
    let (taken, refused) = held_to_the_rule(&pool, &yard, 41, 160).await;
    assert!(
        taken > 40 && refused > 40,
        "{taken} taken, {refused} refused"
    );
}

/// Enough horses and riders that only the place is ever short.
#[sqlx::test(migrator = "TABLES")]
async fn a_place_is_full_when_it_is_full_and_not_before(pool: PgPool) {
    let yard = yard(&pool, 40, &[3]).await;
    let (taken, refused) = held_to_the_rule(&pool, &yard, 42, 120).await;
    assert!(
        taken > 20 && refused > 20,
        "{taken} taken, {refused} refused"
    );
}

/// Two who were never there together had both spots: a third between them found none.
#[sqlx::test(migrator = "TABLES")]
async fn spots_are_given_anew_where_that_makes_room(pool: PgPool) {
    let yard = yard(&pool, 4, &[2]).await;
    let place = yard.places[0].0;
    let of = |number: usize, slots| ride(yard.horses[number], yard.people[number], place, slots);
    let mut barn = BarnTransaction::begin(&pool, yard.barn_id).await.unwrap();
    let (early, middle, late) = (of(0, (0, 4)), of(1, (6, 10)), of(2, (8, 14)));
    for one in [&early, &middle, &late] {
        booking::add(&mut barn, one, None).await.unwrap();
    }
    assert!(booking::remove(&mut barn, middle.booking_id).await.unwrap());
    let between = of(3, (2, 10));
    booking::add(&mut barn, &between, None).await.unwrap();
    barn.commit().await.unwrap();
    assert_eq!(stored(&pool, &yard).await.len(), 3);
}

/// Two devices at once want the last spot: one has it, the other is told so.
#[sqlx::test(migrator = "TABLES")]
async fn two_at_once_do_not_both_get_the_last_spot(pool: PgPool) {
    let yard = yard(&pool, 3, &[2]).await;
    let place = yard.places[0].0;
    let of = |number: usize| ride(yard.horses[number], yard.people[number], place, (0, 4));
    let mut barn = BarnTransaction::begin(&pool, yard.barn_id).await.unwrap();
    booking::add(&mut barn, &of(0), None).await.unwrap();
    barn.commit().await.unwrap();
    let book = async |one: Booking| -> Result<(), StoreError> {
        let mut barn = BarnTransaction::begin(&pool, yard.barn_id).await?;
        booking::add(&mut barn, &one, None).await?;
        barn.commit().await
    };
    let (one, other) = tokio::join!(book(of(1)), book(of(2)));
    let refused = [one, other].into_iter().filter_map(Result::err);
    let refused: Vec<StoreError> = refused.collect();
    assert!(
        matches!(refused[..], [StoreError::Booked("place")]),
        "{refused:?}"
    );
    assert_eq!(stored(&pool, &yard).await.len(), 2);
}
