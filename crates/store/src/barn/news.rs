//! What the trainer is told once.

use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// What a piece of news is about.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum NewsKind {
    /// A level was lost.
    Lost,
    /// The history of a horse was told anew.
    Retold,
}

impl NewsKind {
    fn word(self) -> &'static str {
        match self {
            NewsKind::Lost => "lost",
            NewsKind::Retold => "retold",
        }
    }
}

/// News to be kept.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct NewNews {
    /// The horse.
    pub horse_id: Uuid,
    /// The day it came about.
    pub day: Date,
    /// What it is about.
    pub kind: NewsKind,
    /// The level, of one that was lost: skill and rung; empty of a whole horse.
    pub level: (String, String),
    /// In a sentence.
    pub says: String,
}

/// News that nobody has seen yet.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct News {
    /// Its id.
    pub news_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// What the horse is called.
    pub horse: String,
    /// The day.
    pub day: Date,
    /// Skill and rung; empty of a whole horse.
    pub skill: String,
    /// The rung.
    pub rung: String,
    /// In a sentence.
    pub says: String,
}

/// Keeps news; what was told of that day already is not told again.
///
/// # Errors
/// When a query fails.
pub async fn add(barn: &mut BarnTransaction, news: &[NewNews]) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    for one in news {
        sqlx::query!(
            "insert into news (barn_id, news_id, horse_id, day, kind, skill, rung, says)
             values ($1, $2, $3, $4, $5, $6, $7, $8)
             on conflict on constraint news_told_once do nothing",
            barn_id,
            Uuid::now_v7(),
            one.horse_id,
            one.day.to_sqlx() as _,
            one.kind.word(),
            one.level.0,
            one.level.1,
            one.says
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}

/// News of the barn's horses that nobody has seen yet, the latest first.
///
/// # Errors
/// When the query fails.
pub async fn unseen(barn: &mut BarnTransaction, most: i64) -> StoreResult<Vec<News>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select n.news_id, n.horse_id, h.name as horse, n.day as "day: jiff_sqlx::Date",
                  n.skill, n.rung, n.says
           from news n
           join horse h on h.barn_id = n.barn_id and h.horse_id = n.horse_id
           where n.barn_id = $1 and n.seen_at is null
           order by n.day desc, h.name, n.skill, n.rung limit $2"#,
        barn_id,
        most
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| News {
            news_id: row.news_id,
            horse_id: row.horse_id,
            horse: row.horse,
            day: row.day.to_jiff(),
            skill: row.skill,
            rung: row.rung,
            says: row.says,
        })
        .collect())
}

/// Notes that somebody has seen news; whether there was any to see.
///
/// # Errors
/// When the query fails.
pub async fn seen(barn: &mut BarnTransaction, news_id: Uuid, by: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update news set seen_by = coalesce(seen_by, $3), seen_at = coalesce(seen_at, now())
         where barn_id = $1 and news_id = $2",
        barn_id,
        news_id,
        by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// By which form of the rules the histories of the barn's horses were told last.
///
/// # Errors
/// When the query fails.
pub async fn told_form(barn: &mut BarnTransaction) -> StoreResult<Option<i16>> {
    let barn_id = barn.barn_id();
    Ok(
        sqlx::query_scalar!("select form from history_told where barn_id = $1", barn_id)
            .fetch_optional(barn.connection())
            .await?,
    )
}

/// Notes by which form they were told.
///
/// # Errors
/// When the query fails.
pub async fn told(barn: &mut BarnTransaction, form: i16) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into history_told (barn_id, form) values ($1, $2)
         on conflict (barn_id) do update set form = excluded.form, told_at = now()",
        barn_id,
        form
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
