//! Reports of a month for a horse's owner.

use jiff::Timestamp;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A report.
#[derive(Debug, Clone, PartialEq)]
pub struct OwnerReport {
    /// Its id.
    pub report_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// The first day of its month.
    pub month: Date,
    /// Figures and what its pictures are drawn from, as they stood when it was written.
    pub told: Value,
    /// Its words, part by part.
    pub sections: Value,
    /// When it was written.
    pub written_at: Timestamp,
    /// When it was sent; none for a draft.
    pub sent_at: Option<Timestamp>,
}

struct Row {
    report_id: Uuid,
    horse_id: Uuid,
    month: jiff_sqlx::Date,
    told: Value,
    sections: Value,
    written_at: jiff_sqlx::Timestamp,
    sent_at: Option<jiff_sqlx::Timestamp>,
}

impl From<Row> for OwnerReport {
    fn from(row: Row) -> OwnerReport {
        OwnerReport {
            report_id: row.report_id,
            horse_id: row.horse_id,
            month: row.month.to_jiff(),
            told: row.told,
            sections: row.sections,
            written_at: row.written_at.to_jiff(),
            sent_at: row.sent_at.map(|at| at.to_jiff()),
        }
    }
}

/// A report in short.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct ReportBrief {
    /// Its id.
    pub report_id: Uuid,
    /// The first day of its month.
    pub month: Date,
    /// When it was written.
    pub written_at: Timestamp,
    /// When it was sent; none for a draft.
    pub sent_at: Option<Timestamp>,
}

/// Adds a report.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    report: &OwnerReport,
    written_by: Uuid,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into owner_report
             (barn_id, report_id, horse_id, month, told, sections, written_by, written_at)
         values ($1, $2, $3, $4, $5, $6, $7, $8)",
        barn_id,
        report.report_id,
        report.horse_id,
        report.month.to_sqlx() as _,
        report.told,
        report.sections,
        written_by,
        report.written_at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// The report of that id that was not taken back.
///
/// # Errors
/// When the query fails.
pub async fn find(barn: &mut BarnTransaction, report_id: Uuid) -> StoreResult<Option<OwnerReport>> {
    let barn_id = barn.barn_id();
    let row = sqlx::query_as!(
        Row,
        "select report_id, horse_id, month, told, sections, written_at, sent_at
         from owner_report where barn_id = $1 and report_id = $2 and taken_back_at is null",
        barn_id,
        report_id
    )
    .fetch_optional(barn.connection())
    .await?;
    Ok(row.map(OwnerReport::from))
}

/// The reports of a horse that were not taken back, latest month first.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<ReportBrief>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select report_id, month as "month: jiff_sqlx::Date",
                  written_at as "written_at: jiff_sqlx::Timestamp",
                  sent_at as "sent_at: jiff_sqlx::Timestamp"
           from owner_report where barn_id = $1 and horse_id = $2 and taken_back_at is null
           order by month desc, written_at desc, report_id"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    let briefs = rows.into_iter().map(|row| ReportBrief {
        report_id: row.report_id,
        month: row.month.to_jiff(),
        written_at: row.written_at.to_jiff(),
        sent_at: row.sent_at.map(|at| at.to_jiff()),
    });
    Ok(briefs.collect())
}

/// Gives a report other words.
///
/// # Errors
/// When the query fails.
pub async fn change(
    barn: &mut BarnTransaction,
    report_id: Uuid,
    sections: &Value,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update owner_report set sections = $3 where barn_id = $1 and report_id = $2",
        barn_id,
        report_id,
        sections
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Sends a report, or makes a draft of it again.
///
/// # Errors
/// When the query fails.
pub async fn send(
    barn: &mut BarnTransaction,
    report_id: Uuid,
    at: Option<Timestamp>,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update owner_report set sent_at = $3 where barn_id = $1 and report_id = $2",
        barn_id,
        report_id,
        at.map(|at| at.to_sqlx()) as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Takes a report back.
///
/// # Errors
/// When the query fails.
pub async fn take_back(
    barn: &mut BarnTransaction,
    report_id: Uuid,
    at: Timestamp,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update owner_report set taken_back_at = $3 where barn_id = $1 and report_id = $2",
        barn_id,
        report_id,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
