//! What stands in a day. PostgreSQL itself refuses to book a horse, a person or a place
//! twice; a place that holds several horses has as many spots.

use cavesson_core::ladder::Level;
use cavesson_core::week::{BookingKind, Trips};
use jiff::Timestamp;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;

/// A booking.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Booking {
    /// Its id.
    pub booking_id: Uuid,
    /// The barn's calendar day of its start.
    pub day: Date,
    /// What is booked.
    pub kind: BookingKind,
    /// The horse.
    pub horse_id: Option<Uuid>,
    /// Who rides, or is there.
    pub person_id: Option<Uuid>,
    /// Where.
    pub place_id: Option<Uuid>,
    /// When it begins.
    pub from: Timestamp,
    /// When it ends.
    pub to: Timestamp,
    /// What the ride is for.
    pub level: Option<Level>,
    /// In your words.
    pub note: String,
    /// Why it was skipped; none while it stands.
    pub skipped_because: Option<String>,
    /// It stays where it stands when the week is planned anew.
    pub pinned: bool,
}

struct Row {
    booking_id: Uuid,
    day: jiff_sqlx::Date,
    kind: String,
    horse_id: Option<Uuid>,
    person_id: Option<Uuid>,
    place_id: Option<Uuid>,
    from_at: jiff_sqlx::Timestamp,
    to_at: jiff_sqlx::Timestamp,
    skill: Option<String>,
    rung: Option<String>,
    note: String,
    skipped_because: Option<String>,
    pinned: bool,
}

impl TryFrom<Row> for Booking {
    type Error = StoreError;

    fn try_from(row: Row) -> StoreResult<Booking> {
        let kind = BookingKind::from_word(&row.kind).ok_or(StoreError::Unknown {
            what: "kind of booking",
            found: row.kind,
        })?;
        Ok(Booking {
            booking_id: row.booking_id,
            day: row.day.to_jiff(),
            kind,
            horse_id: row.horse_id,
            person_id: row.person_id,
            place_id: row.place_id,
            from: row.from_at.to_jiff(),
            to: row.to_at.to_jiff(),
            level: row
                .skill
                .zip(row.rung)
                .map(|(skill, rung)| Level::new(&skill, &rung)),
            note: row.note,
            skipped_because: row.skipped_because,
            pinned: row.pinned,
        })
    }
}

/// The bookings of these days, earliest first; those of a kind that another version made
/// are left out.
///
/// # Errors
/// When the query fails.
pub async fn on_days(
    barn: &mut BarnTransaction,
    from: Date,
    to: Date,
) -> StoreResult<Vec<Booking>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select booking_id, day as "day: jiff_sqlx::Date", kind, horse_id, person_id, place_id,
                  lower(during) as "from_at!: jiff_sqlx::Timestamp",
                  upper(during) as "to_at!: jiff_sqlx::Timestamp", skill, rung, note, skipped_because, pinned
           from booking where barn_id = $1 and day between $2 and $3
           order by lower(during), booking_id"#,
        barn_id,
        from.to_sqlx() as _,
        to.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            Booking::try_from(row)
                .inspect_err(|why| tracing::warn!(%why, "booking"))
                .ok()
        })
        .collect())
}

/// The booking of that id.
///
/// # Errors
/// When the query fails.
pub async fn find(barn: &mut BarnTransaction, booking_id: Uuid) -> StoreResult<Option<Booking>> {
    let barn_id = barn.barn_id();
    sqlx::query_as!(
        Row,
        r#"select booking_id, day as "day: jiff_sqlx::Date", kind, horse_id, person_id, place_id,
                  lower(during) as "from_at!: jiff_sqlx::Timestamp",
                  upper(during) as "to_at!: jiff_sqlx::Timestamp", skill, rung, note, skipped_because, pinned
           from booking where barn_id = $1 and booking_id = $2"#,
        barn_id,
        booking_id
    )
    .fetch_optional(barn.connection())
    .await?
    .map(Booking::try_from)
    .transpose()
}

/// Adds a booking.
///
/// # Errors
/// [`StoreError::Booked`] when the horse, the person or the place is taken then.
pub async fn add(
    barn: &mut BarnTransaction,
    booking: &Booking,
    made_by: Option<Uuid>,
) -> StoreResult<()> {
    let spot = spot(barn, booking).await?;
    let barn_id = barn.barn_id();
    let level = booking.level.as_ref();
    sqlx::query!(
        "insert into booking (barn_id, booking_id, day, kind, horse_id, person_id, place_id, place_spot,
                              during, skill, rung, note, skipped_because, made_by, pinned)
         values ($1, $2, $3, $4, $5, $6, $7, $8, tstzrange($9, $10), $11, $12, $13, $14, $15, $16)",
        barn_id,
        booking.booking_id,
        booking.day.to_sqlx() as _,
        booking.kind.word(),
        booking.horse_id,
        booking.person_id,
        booking.place_id,
        spot,
        booking.from.to_sqlx() as _,
        booking.to.to_sqlx() as _,
        level.map(|level| level.skill.0.as_str()),
        level.map(|level| level.rung.0.as_str()),
        booking.note.trim(),
        booking.skipped_because,
        made_by,
        booking.pinned
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Puts bookings in the place of what they were: all of them are taken out of the way
/// first, so that two can change places.
///
/// # Errors
/// [`StoreError::Booked`] when a horse, a person or a place is taken then.
pub async fn change(barn: &mut BarnTransaction, bookings: &[Booking]) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    let ids: Vec<Uuid> = bookings.iter().map(|booking| booking.booking_id).collect();
    sqlx::query!(
        "update booking set skipped_because = 'moving' where barn_id = $1 and booking_id = any($2)",
        barn_id,
        &ids
    )
    .execute(barn.connection())
    .await?;
    for booking in bookings {
        let spot = spot(barn, booking).await?;
        sqlx::query!(
            "update booking set day = $3, person_id = $4, place_id = $5, place_spot = $6,
                    during = tstzrange($7, $8), note = $9, skipped_because = $10, pinned = $11,
                    skill = $12, rung = $13
             where barn_id = $1 and booking_id = $2",
            barn_id,
            booking.booking_id,
            booking.day.to_sqlx() as _,
            booking.person_id,
            booking.place_id,
            spot,
            booking.from.to_sqlx() as _,
            booking.to.to_sqlx() as _,
            booking.note.trim(),
            booking.skipped_because,
            booking.pinned,
            booking.level.as_ref().map(|level| level.skill.0.as_str()),
            booking.level.as_ref().map(|level| level.rung.0.as_str())
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}

/// Takes a booking off the day; false when there is none.
///
/// # Errors
/// When the query fails.
pub async fn remove(barn: &mut BarnTransaction, booking_id: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "delete from booking where barn_id = $1 and booking_id = $2",
        barn_id,
        booking_id
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The spot of the place that a booking takes; none where no place or no horse is booked. The
/// place is held until the transaction ends, so that two who look for a spot do so in turn.
async fn spot(barn: &mut BarnTransaction, booking: &Booking) -> StoreResult<Option<i32>> {
    let (Some(place_id), Some(_)) = (booking.place_id, booking.horse_id) else {
        return Ok(None);
    };
    let barn_id = barn.barn_id();
    let holds = sqlx::query_scalar!(
        "select horses_at_once from place where barn_id = $1 and place_id = $2 for no key update",
        barn_id,
        place_id
    )
    .fetch_optional(barn.connection())
    .await?
    .ok_or(StoreError::Booked("place"))?;
    if booking.skipped_because.is_some() {
        return Ok(Some(0));
    }
    let seated = seated_near(barn, place_id, booking).await?;
    let during = (booking.from, booking.to);
    let taken = |spot: &i32| {
        seated
            .iter()
            .any(|one| one.spot == *spot && overlap(one.during, during))
    };
    if let Some(free) = (0..holds).find(|spot| !taken(spot)) {
        return Ok(Some(free));
    }
    let (anew, own) = seat_anew(&seated, during);
    if anew
        .iter()
        .map(|one| one.spot)
        .chain([own])
        .any(|spot| spot >= holds)
    {
        return Err(StoreError::Booked("place"));
    }
    take_seats(barn, &anew).await?;
    Ok(Some(own))
}

/// From when until when.
type During = (Timestamp, Timestamp);

fn overlap(one: During, other: During) -> bool {
    one.0 < other.1 && other.0 < one.1
}

/// A booking on one of the spots of its place.
#[derive(Debug, Clone, Copy)]
struct Seated {
    booking_id: Uuid,
    during: During,
    spot: i32,
}

/// The bookings of a place that lie in one row with this one, each over the next.
async fn seated_near(
    barn: &mut BarnTransaction,
    place_id: Uuid,
    booking: &Booking,
) -> StoreResult<Vec<Seated>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"with recursive near as (
             select tstzrange($3, $4) as during
             union
             select booking.during from booking join near on booking.during && near.during
             where barn_id = $1 and place_id = $2 and place_spot is not null
               and skipped_because is null and booking_id <> $5
           )
           select booking_id, lower(during) as "from_at!: jiff_sqlx::Timestamp",
                  upper(during) as "to_at!: jiff_sqlx::Timestamp", place_spot as "spot!"
           from booking
           where barn_id = $1 and place_id = $2 and place_spot is not null
             and skipped_because is null and booking_id <> $5
             and during in (select during from near)
           order by lower(during), booking_id"#,
        barn_id,
        place_id,
        booking.from.to_sqlx() as _,
        booking.to.to_sqlx() as _,
        booking.booking_id
    )
    .fetch_all(barn.connection())
    .await?;
    let seated = rows.into_iter().map(|row| Seated {
        booking_id: row.booking_id,
        during: (row.from_at.to_jiff(), row.to_at.to_jiff()),
        spot: row.spot,
    });
    Ok(seated.collect())
}

/// All of them and one more from the first on, each on the lowest spot that is free by then:
/// that takes no more spots than horses are ever there at once (colouring of an interval graph
/// in the order of the starts; Golumbic, Algorithmic Graph Theory and Perfect Graphs, 1980).
/// Which spot a booking has says nothing to anybody.
fn seat_anew(seated: &[Seated], own: During) -> (Vec<Seated>, i32) {
    let mut all: Vec<(During, Option<Uuid>)> = seated
        .iter()
        .map(|one| (one.during, Some(one.booking_id)))
        .collect();
    all.push((own, None));
    all.sort_by_key(|(during, id)| (during.0, *id));
    let mut until: Vec<Timestamp> = Vec::new();
    let (mut anew, mut own_spot) = (Vec::new(), 0);
    for (during, booking_id) in all {
        let free = until.iter().position(|until| *until <= during.0);
        let at = free.unwrap_or(until.len());
        if at == until.len() {
            until.push(during.1);
        } else {
            until[at] = during.1;
        }
        let spot = i32::try_from(at).unwrap_or(i32::MAX);
        match booking_id {
            Some(booking_id) => anew.push(Seated {
                booking_id,
                during,
                spot,
            }),
            None => own_spot = spot,
        }
    }
    (anew, own_spot)
}

/// Out of each other's way first, so that two can change spots.
async fn take_seats(barn: &mut BarnTransaction, seats: &[Seated]) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    let ids: Vec<Uuid> = seats.iter().map(|one| one.booking_id).collect();
    let spots: Vec<i32> = seats.iter().map(|one| one.spot).collect();
    let apart: Vec<i32> = (1..).take(ids.len()).map(|number: i32| -number).collect();
    for spots in [apart, spots] {
        sqlx::query!(
            "update booking set place_spot = seat.spot
             from unnest($2::uuid[], $3::int[]) as seat (booking_id, spot)
             where booking.barn_id = $1 and booking.booking_id = seat.booking_id",
            barn_id,
            &ids,
            &spots
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}

/// Marks a day as laid out; false when it was.
///
/// # Errors
/// When the query fails.
pub async fn lay_out(barn: &mut BarnTransaction, day: Date) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into day_laid_out (barn_id, day) values ($1, $2) on conflict do nothing",
        barn_id,
        day.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// Whether a day was laid out.
///
/// # Errors
/// When the query fails.
pub async fn is_laid_out(barn: &mut BarnTransaction, day: Date) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        r#"select exists(select from day_laid_out where barn_id = $1 and day = $2) as "laid_out!""#,
        barn_id,
        day.to_sqlx() as _
    )
    .fetch_one(barn.connection())
    .await?)
}

/// The trips of each horse on these days: hauls and outings that were not skipped.
///
/// # Errors
/// When the query fails.
pub async fn trips(
    barn: &mut BarnTransaction,
    from: Date,
    to: Date,
) -> StoreResult<Vec<(Uuid, Trips)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select horse_id as "horse_id!", count(*) as "trips!",
                  count(*) filter (where kind = 'outing') as "quiet!"
           from booking
           where barn_id = $1 and day between $2 and $3 and kind in ('outing', 'haul')
             and skipped_because is null and horse_id is not null
           group by horse_id"#,
        barn_id,
        from.to_sqlx() as _,
        to.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    let small = |count: i64| u32::try_from(count).unwrap_or(u32::MAX);
    Ok(rows
        .into_iter()
        .map(|row| {
            let trips = Trips {
                trips: small(row.trips),
                quiet: small(row.quiet),
            };
            (row.horse_id, trips)
        })
        .collect())
}
