//! Heat by the hour, as a weather service or a file said it.

use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// How hot an hour is.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct WeatherHour {
    /// When it begins.
    pub at: Timestamp,
    /// Temperature, in degrees Fahrenheit.
    pub temperature_f: f64,
    /// Relative humidity, in percent.
    pub humidity_pct: f64,
}

/// Keeps these hours; what was known of one is replaced.
///
/// # Errors
/// When the query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    hours: &[WeatherHour],
    read_at: Timestamp,
) -> StoreResult<()> {
    let barn_id: Uuid = barn.barn_id();
    let at: Vec<jiff_sqlx::Timestamp> = hours.iter().map(|hour| hour.at.to_sqlx()).collect();
    let temperature: Vec<f64> = hours.iter().map(|hour| hour.temperature_f).collect();
    let humidity: Vec<f64> = hours.iter().map(|hour| hour.humidity_pct).collect();
    sqlx::query!(
        r#"insert into weather_hour (barn_id, at, temperature_f, humidity_pct, read_at)
           select distinct on (at) $1, at, temperature_f, humidity_pct, $5
           from unnest($2::timestamptz[], $3::float8[], $4::float8[])
                with ordinality as hours(at, temperature_f, humidity_pct, place)
           order by at, place desc
           on conflict (barn_id, at) do update
             set temperature_f = excluded.temperature_f, humidity_pct = excluded.humidity_pct,
                 read_at = excluded.read_at"#,
        barn_id,
        &at as _,
        &temperature,
        &humidity,
        read_at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// The hours that begin from `from` to before `to`, earliest first.
///
/// # Errors
/// When the query fails.
pub async fn between(
    barn: &mut BarnTransaction,
    from: Timestamp,
    to: Timestamp,
) -> StoreResult<Vec<WeatherHour>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select at as "at: jiff_sqlx::Timestamp", temperature_f, humidity_pct from weather_hour
           where barn_id = $1 and at >= $2 and at < $3 order by at"#,
        barn_id,
        from.to_sqlx() as _,
        to.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| WeatherHour {
            at: row.at.to_jiff(),
            temperature_f: row.temperature_f,
            humidity_pct: row.humidity_pct,
        })
        .collect())
}
