//! Blocks put on the card of a coming day.

use cavesson_core::Side;
use cavesson_core::ladder::{FaultId, Level, RungId, SkillId};
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A block on the card of a day.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct CardBlock {
    /// Its id, made on the device.
    pub block_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// The day.
    pub day: Date,
    /// What is asked.
    pub level: Level,
    /// The side to ask more.
    pub side: Option<Side>,
    /// What to do.
    pub text: String,
    /// The fault it mends.
    pub fault: Option<FaultId>,
}

/// Puts a block on a card; false when its id is known with other content.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    block: &CardBlock,
    made_by: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into card_block (barn_id, block_id, horse_id, day, skill, rung, side, text, fault, made_by)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
         on conflict (barn_id, block_id) do update set text = excluded.text
         where card_block.horse_id = excluded.horse_id and card_block.day = excluded.day
           and card_block.skill = excluded.skill and card_block.rung = excluded.rung
           and card_block.text = excluded.text
           and card_block.side is not distinct from excluded.side
           and card_block.fault is not distinct from excluded.fault",
        barn_id,
        block.block_id,
        block.horse_id,
        block.day.to_sqlx() as _,
        block.level.skill.0,
        block.level.rung.0,
        block.side.map(Side::word),
        block.text.trim(),
        block.fault.as_ref().map(|fault| fault.0.as_str()),
        made_by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// Takes a block off its card; whether there was one.
///
/// # Errors
/// When the query fails.
pub async fn remove(barn: &mut BarnTransaction, block_id: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update card_block set removed_at = now()
         where barn_id = $1 and block_id = $2 and removed_at is null",
        barn_id,
        block_id
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

struct Row {
    block_id: Uuid,
    horse_id: Uuid,
    day: jiff_sqlx::Date,
    skill: String,
    rung: String,
    side: Option<String>,
    text: String,
    fault: Option<String>,
}

impl From<Row> for CardBlock {
    fn from(row: Row) -> CardBlock {
        CardBlock {
            block_id: row.block_id,
            horse_id: row.horse_id,
            day: row.day.to_jiff(),
            level: Level {
                skill: SkillId(row.skill),
                rung: RungId(row.rung),
            },
            side: row.side.as_deref().and_then(Side::from_word),
            text: row.text,
            fault: row.fault.map(FaultId),
        }
    }
}

/// The blocks on a horse's cards of a day and later, in the order they were put
/// there.
///
/// # Errors
/// When the query fails.
pub async fn of_horse_from(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    day: Date,
) -> StoreResult<Vec<CardBlock>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select block_id, horse_id, day as "day: jiff_sqlx::Date", skill, rung, side, text, fault
           from card_block
           where barn_id = $1 and horse_id = $2 and day >= $3 and removed_at is null
           order by day, made_at, block_id"#,
        barn_id,
        horse_id,
        day.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows.into_iter().map(CardBlock::from).collect())
}

/// The blocks on all cards of one day, in the order they were put there.
///
/// # Errors
/// When the query fails.
pub async fn on_day(barn: &mut BarnTransaction, day: Date) -> StoreResult<Vec<CardBlock>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select block_id, horse_id, day as "day: jiff_sqlx::Date", skill, rung, side, text, fault
           from card_block
           where barn_id = $1 and day = $2 and removed_at is null
           order by made_at, block_id"#,
        barn_id,
        day.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows.into_iter().map(CardBlock::from).collect())
}
