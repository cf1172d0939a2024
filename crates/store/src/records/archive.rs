//! A whole barn as rows of JSON, out and in. Tables and columns are those of the archive's form,
//! so the queries are made of its names; nothing in them comes from outside.

use cavesson_core::exchange::archive::{Archive, Kind, Table, tables};
use jiff_sqlx::ToSqlx;
use serde::Deserialize;
use sqlx::AssertSqlSafe;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;

/// Rows stored with one statement.
const ROWS_AT_ONCE: usize = 2000;

fn columns(table: &Table) -> String {
    let names: Vec<&str> = table.columns.iter().map(|column| column.name).collect();
    names.join(", ")
}

/// Makes moments be written in UTC for the rest of a transaction.
///
/// # Errors
/// When the query fails.
pub async fn in_utc(barn: &mut BarnTransaction) -> StoreResult<()> {
    sqlx::query!("select set_config('timezone', 'UTC', true) as zone")
        .fetch_one(barn.connection())
        .await?;
    Ok(())
}

/// The rows of a table, each as a JSON object, by their key.
///
/// # Errors
/// When the query fails.
pub async fn rows(barn: &mut BarnTransaction, table: &Table) -> StoreResult<Vec<String>> {
    let key = table.key.iter().map(|name| {
        let column = table.columns.iter().find(|column| column.name == *name);
        match column.map(|column| column.kind) {
            // Whatever the language of the database.
            Some(Kind::Text) => format!("{name} collate \"C\""),
            _ => (*name).to_owned(),
        }
    });
    let key: Vec<String> = key.collect();
    let order = if key.is_empty() {
        String::new()
    } else {
        format!("order by {}", key.join(", "))
    };
    let sql = format!(
        "select to_jsonb(row)::text from (select {} from {} where barn_id = $1) row {order}",
        columns(table),
        table.name
    );
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar(AssertSqlSafe(sql))
        .bind(barn_id)
        .fetch_all(barn.connection())
        .await?)
}

/// Whether a barn holds nothing yet but one person.
///
/// # Errors
/// When the query fails.
pub async fn is_empty(barn: &mut BarnTransaction) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    for table in tables() {
        let most = match table.name {
            // What was done to get this far is no record of a barn.
            "barn" | "deed" | "import" => continue,
            "person" => 1,
            _ => 0,
        };
        let sql = format!(
            "select count(*) from (select from {} where barn_id = $1 limit 2) row",
            table.name
        );
        let found: i64 = sqlx::query_scalar(AssertSqlSafe(sql))
            .bind(barn_id)
            .fetch_one(barn.connection())
            .await?;
        if found > most {
            return Ok(false);
        }
    }
    Ok(true)
}

#[derive(Deserialize)]
struct BarnRow {
    name: String,
    time_zone: String,
    made_at: jiff::Timestamp,
    units: String,
    quiet_outings_pct: i32,
}

/// Stores an archive in an empty barn.
///
/// # Errors
/// [`StoreError::RowRefused`] when a row breaks a rule of its table; nothing is to be committed
/// then.
pub async fn put(barn: &mut BarnTransaction, archive: &Archive<'_>) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    for (table, rows) in &archive.tables {
        if table.key.is_empty() {
            for row in rows {
                let row: BarnRow =
                    serde_json::from_str(row.get()).map_err(StoreError::Unstorable)?;
                sqlx::query!(
                    "update barn set name = $2, time_zone = $3, made_at = $4, units = $5,
                            quiet_outings_pct = $6
                     where barn_id = $1",
                    barn_id,
                    row.name,
                    row.time_zone,
                    row.made_at.to_sqlx() as _,
                    row.units,
                    row.quiet_outings_pct
                )
                .execute(barn.connection())
                .await
                .map_err(|error| StoreError::of_rows(table.name, error))?;
            }
            continue;
        }
        let columns = columns(table);
        let sql = format!(
            "insert into {name} (barn_id, {columns})
             select $1, {columns} from jsonb_populate_recordset(null::{name}, $2::text::jsonb)",
            name = table.name,
        );
        for rows in rows.chunks(ROWS_AT_ONCE) {
            let texts: Vec<&str> = rows.iter().map(|row| row.get()).collect();
            sqlx::query(AssertSqlSafe(sql.clone()))
                .bind(barn_id)
                .bind(format!("[{}]", texts.join(",")))
                .execute(barn.connection())
                .await
                .map_err(|error| StoreError::of_rows(table.name, error))?;
        }
    }
    Ok(())
}

/// Takes the one person out of an empty barn, with their devices and links, to make room for
/// those of an archive; the hash of their password.
///
/// # Errors
/// When the query fails.
pub async fn make_room(barn: &mut BarnTransaction, person_id: Uuid) -> StoreResult<Option<String>> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "delete from session where barn_id = $1 and person_id = $2",
        barn_id,
        person_id
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "delete from access_link where barn_id = $1 and (person_id = $2 or made_by = $2)",
        barn_id,
        person_id
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!("delete from deed where barn_id = $1", barn_id)
        .execute(barn.connection())
        .await?;
    sqlx::query!("delete from import where barn_id = $1", barn_id)
        .execute(barn.connection())
        .await?;
    let hash = sqlx::query_scalar!(
        "delete from person where barn_id = $1 and person_id = $2 returning password_hash",
        barn_id,
        person_id
    )
    .fetch_one(barn.connection())
    .await?;
    Ok(hash)
}
