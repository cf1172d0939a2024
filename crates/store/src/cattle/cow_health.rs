//! Signs that cattle are not well, and what they were given.

use cavesson_core::cattle::health::{CowSign, SignSeen, Treatment};
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::stored::read_word;

/// A sign of a cow.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Sign {
    /// Its id, made where it was seen.
    pub sign_id: Uuid,
    /// The cow.
    pub cow_id: Uuid,
    /// What was seen.
    pub seen: SignSeen,
    /// The day it was cleared; none while it stands open.
    pub cleared_on: Option<Date>,
    /// Who saw it.
    pub by: String,
}

/// Something a cow was given.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Given {
    /// Its id.
    pub treatment_id: Uuid,
    /// The cow.
    pub cow_id: Uuid,
    /// What.
    pub treatment: Treatment,
}

/// Keeps a sign in the place of what was said of it; false when it is known of another cow.
///
/// # Errors
/// When the query fails.
pub async fn put_sign(
    barn: &mut BarnTransaction,
    (sign_id, cow_id): (Uuid, Uuid),
    seen: &SignSeen,
    cleared_on: Option<Date>,
    made_by: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into cow_sign (barn_id, sign_id, cow_id, sign, seen_on, cleared_on, note, made_by)
         values ($1, $2, $3, $4, $5, $6, $7, $8)
         on conflict (barn_id, sign_id) do update
           set sign = excluded.sign, seen_on = excluded.seen_on, cleared_on = excluded.cleared_on,
               note = excluded.note
         where cow_sign.cow_id = excluded.cow_id",
        barn_id,
        sign_id,
        cow_id,
        seen.sign.word(),
        seen.seen_on.to_sqlx() as _,
        cleared_on.map(|day| day.to_sqlx()) as _,
        seen.note.trim(),
        made_by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The signs of a cow, latest first; a sign of another version is left out.
///
/// # Errors
/// When the query fails.
pub async fn signs(barn: &mut BarnTransaction, cow_id: Uuid) -> StoreResult<Vec<Sign>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select s.sign_id, s.sign, s.seen_on as "seen_on: jiff_sqlx::Date",
                  s.cleared_on as "cleared_on: jiff_sqlx::Date", s.note, p.name as by
           from cow_sign s join person p on p.barn_id = s.barn_id and p.person_id = s.made_by
           where s.barn_id = $1 and s.cow_id = $2 order by s.seen_on desc, s.sign_id desc"#,
        barn_id,
        cow_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            let sign = read_word("cow_sign sign", &row.sign, CowSign::from_word)
                .inspect_err(|why| tracing::warn!(%why, "cow_sign"))
                .ok()?;
            Some(Sign {
                sign_id: row.sign_id,
                cow_id,
                seen: SignSeen {
                    sign,
                    seen_on: row.seen_on.to_jiff(),
                    note: row.note,
                },
                cleared_on: row.cleared_on.map(|day| day.to_jiff()),
                by: row.by,
            })
        })
        .collect())
}

/// Keeps what a cow was given in the place of what was said of it; false when it is known of
/// another cow.
///
/// # Errors
/// When the query fails.
pub async fn put_treatment(
    barn: &mut BarnTransaction,
    given: &Given,
    made_by: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let Treatment {
        given_on,
        what,
        by,
        withdrawal_days,
        note,
    } = &given.treatment;
    let done = sqlx::query!(
        "insert into cow_treatment
           (barn_id, treatment_id, cow_id, given_on, what, by_whom, withdrawal_days, note, made_by)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
         on conflict (barn_id, treatment_id) do update
           set given_on = excluded.given_on, what = excluded.what, by_whom = excluded.by_whom,
               withdrawal_days = excluded.withdrawal_days, note = excluded.note
         where cow_treatment.cow_id = excluded.cow_id",
        barn_id,
        given.treatment_id,
        given.cow_id,
        given_on.to_sqlx() as _,
        what.trim(),
        by.trim(),
        i32::from(*withdrawal_days),
        note.trim(),
        made_by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// What cattle were given, latest first: all of them, or one cow.
///
/// # Errors
/// When the query fails.
pub async fn treatments(
    barn: &mut BarnTransaction,
    cow_id: Option<Uuid>,
) -> StoreResult<Vec<Given>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select t.treatment_id, t.cow_id, t.given_on as "given_on: jiff_sqlx::Date", t.what,
                  t.by_whom, t.withdrawal_days, t.note
           from cow_treatment t
           where t.barn_id = $1 and ($2::uuid is null or t.cow_id = $2)
           order by t.given_on desc, t.treatment_id desc"#,
        barn_id,
        cow_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| Given {
            treatment_id: row.treatment_id,
            cow_id: row.cow_id,
            treatment: Treatment {
                given_on: row.given_on.to_jiff(),
                what: row.what,
                by: row.by_whom,
                withdrawal_days: row.withdrawal_days.try_into().unwrap_or(0),
                note: row.note,
            },
        })
        .collect())
}

/// Takes out what was written down wrongly; false when there is none.
///
/// # Errors
/// When the query fails.
pub async fn take_out_treatment(
    barn: &mut BarnTransaction,
    treatment_id: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "delete from cow_treatment where barn_id = $1 and treatment_id = $2",
        barn_id,
        treatment_id
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}
