//! How much was in the hand, by rider and rig.

use cavesson_core::rep::HandWeight;
use cavesson_core::rig::RigKind;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// An ask whose hand was said.
#[derive(Debug, Clone, PartialEq)]
pub struct HandOfAsk {
    /// Who rode.
    pub rider_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// The day.
    pub day: Date,
    /// How much was in the hand.
    pub hand: HandWeight,
    /// What the horse wore then; none where nobody said.
    pub rig: Option<RigKind>,
    /// The piece, where one was named.
    pub gear_id: Option<Uuid>,
}

/// The asks of the barn whose hand was said, from one day to another.
///
/// # Errors
/// When the query fails.
pub async fn between(
    barn: &mut BarnTransaction,
    from: Date,
    to: Date,
) -> StoreResult<Vec<HandOfAsk>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select ride.rider_id, ride.horse_id, ride.day as "day: jiff_sqlx::Date",
                  rep.measure ->> 'hand' as hand, rig.kind as "kind?", rig.gear_id as "gear_id?"
           from rep
           join ride on ride.barn_id = rep.barn_id and ride.ride_id = rep.ride_id
           left join lateral
             (select g.kind, g.gear_id from ride_rig g
              where g.barn_id = rep.barn_id and g.ride_id = rep.ride_id
              order by g.after_ms > rep.asked_after_ms,
                       case when g.after_ms <= rep.asked_after_ms then -g.after_ms else g.after_ms end
              limit 1) rig on true
           where rep.barn_id = $1 and rep.undone_at is null and ride.day between $2 and $3
             and rep.measure ->> 'hand' is not null"#,
        barn_id,
        from.to_sqlx() as _,
        to.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            Some(HandOfAsk {
                rider_id: row.rider_id,
                horse_id: row.horse_id,
                day: row.day.to_jiff(),
                hand: serde_json::from_value(Value::String(row.hand?)).ok()?,
                rig: row.kind.as_deref().and_then(RigKind::from_word),
                gear_id: row.gear_id,
            })
        })
        .collect())
}
