//! Which piece is fitted on which horse, and what each horse wears on its head.

use cavesson_core::gear::Fitting;
use cavesson_core::rig::RigKind;
use cavesson_core::yard::GearKind;
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;
use crate::stored::lenient_value;

/// A piece on a horse.
#[derive(Debug, Clone, PartialEq)]
pub struct Fitted {
    /// The horse.
    pub horse_id: Uuid,
    /// The piece.
    pub gear_id: Uuid,
    /// What it is.
    pub kind: GearKind,
    /// It is what the horse wears.
    pub worn: bool,
    /// How it sits.
    pub fitting: Fitting,
    /// Since when.
    pub fitted_at: Timestamp,
}

/// What is fitted on the barn's horses; with `horse_id`, on that one.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction, horse_id: Option<Uuid>) -> StoreResult<Vec<Fitted>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select f.horse_id, f.gear_id, g.kind, f.worn, f.fitting,
                  f.fitted_at as "fitted_at: jiff_sqlx::Timestamp"
           from fitting f join gear g on g.barn_id = f.barn_id and g.gear_id = f.gear_id
           where f.barn_id = $1 and ($2::uuid is null or f.horse_id = $2)
           order by f.worn desc, f.fitted_at desc, f.gear_id"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            Some(Fitted {
                horse_id: row.horse_id,
                gear_id: row.gear_id,
                kind: GearKind::from_word(&row.kind)?,
                worn: row.worn,
                fitting: lenient_value(row.fitting).unwrap_or_default(),
                fitted_at: row.fitted_at.to_jiff(),
            })
        })
        .collect())
}

/// Keeps how a piece sits on a horse. What goes on the head takes the place of what was worn
/// there.
///
/// # Errors
/// When a query fails.
pub async fn put(barn: &mut BarnTransaction, fitted: &Fitted, by: Uuid) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    let on_head = fitted.kind.rig().is_some();
    let fitting: Value = serde_json::to_value(&fitted.fitting).map_err(StoreError::Unstorable)?;
    if fitted.worn && on_head {
        sqlx::query!(
            "update fitting set worn = false
             where barn_id = $1 and horse_id = $2 and gear_id <> $3 and on_head",
            barn_id,
            fitted.horse_id,
            fitted.gear_id
        )
        .execute(barn.connection())
        .await?;
    }
    sqlx::query!(
        "insert into fitting (barn_id, horse_id, gear_id, on_head, worn, fitting, fitted_at, fitted_by)
         values ($1, $2, $3, $4, $5, $6, $7, $8)
         on conflict (barn_id, horse_id, gear_id) do update
           set on_head = excluded.on_head, worn = excluded.worn, fitting = excluded.fitting,
               fitted_at = excluded.fitted_at, fitted_by = excluded.fitted_by",
        barn_id,
        fitted.horse_id,
        fitted.gear_id,
        on_head,
        fitted.worn,
        fitting,
        fitted.fitted_at.to_sqlx() as _,
        by
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Takes a piece off a horse's list; false when it was not on it.
///
/// # Errors
/// When the query fails.
pub async fn remove(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    gear_id: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "delete from fitting where barn_id = $1 and horse_id = $2 and gear_id = $3",
        barn_id,
        horse_id,
        gear_id
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// What a horse is ridden in, as far as that is known, and for whom.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct HorseRig {
    /// The horse.
    pub horse_id: Uuid,
    /// The headgear; none where nobody said.
    pub kind: Option<RigKind>,
    /// It is kept for quiet hands.
    pub quiet_hands: bool,
    /// The only riders named for the horse for now; none for all.
    pub only_riders: Option<Vec<Uuid>>,
}

/// What each horse of the barn is ridden in: what it wears, else what it wore last. Horses of
/// which nothing is known are left out.
///
/// # Errors
/// When the query fails.
pub async fn rigs(barn: &mut BarnTransaction) -> StoreResult<Vec<HorseRig>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"with last as
             (select distinct on (r.horse_id) r.horse_id, g.kind, g.gear_id
              from ride_rig g join ride r on r.barn_id = g.barn_id and r.ride_id = g.ride_id
              where g.barn_id = $1
              order by r.horse_id, r.started_at desc, g.after_ms desc)
           select h.horse_id, coalesce(w.kind, last.kind) as kind,
                  coalesce(w.quiet_hands, p.quiet_hands, false) as "quiet_hands!", t.riders as "riders?"
           from horse h
           left join fitting f on f.barn_id = h.barn_id and f.horse_id = h.horse_id and f.worn and f.on_head
           left join gear w on w.barn_id = f.barn_id and w.gear_id = f.gear_id
           left join last on last.horse_id = h.horse_id
           left join gear p on p.barn_id = h.barn_id and p.gear_id = last.gear_id
           left join restore t on t.barn_id = h.barn_id and t.horse_id = h.horse_id and t.ended is null
           where h.barn_id = $1 and (w.kind is not null or last.kind is not null or t.riders is not null)"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| HorseRig {
            horse_id: row.horse_id,
            kind: row.kind.as_deref().and_then(RigKind::from_word),
            quiet_hands: row.quiet_hands,
            only_riders: row.riders,
        })
        .collect())
}
