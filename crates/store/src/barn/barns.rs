//! The barn, and the transaction that sees only its rows.

use sqlx::{PgConnection, PgPool, Postgres, Transaction};
use uuid::Uuid;

use crate::StoreResult;

/// A barn.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Barn {
    /// Its id.
    pub barn_id: Uuid,
    /// The part after the @ of a sign-in.
    pub handle: String,
    /// What people call it.
    pub name: String,
    /// IANA time zone; days are counted there.
    pub time_zone: String,
    /// us or metric: what the pages speak in.
    pub units: String,
    /// Of the trips a horse makes, the percentage on which nothing is to be asked.
    pub quiet_outings_pct: i32,
}

impl Barn {
    /// The percentage of trips on which nothing is to be asked.
    pub fn quiet_pct(&self) -> u8 {
        self.quiet_outings_pct.clamp(0, 100) as u8
    }
}

/// A transaction inside one barn: it runs as the role `cavesson_barn` with the
/// barn set, so row-level security hides every other barn whatever the query.
pub struct BarnTransaction {
    transaction: Transaction<'static, Postgres>,
    barn_id: Uuid,
}

impl BarnTransaction {
    /// Begins a transaction inside `barn_id`, to write.
    ///
    /// # Errors
    /// When the database cannot be reached.
    pub async fn begin(pool: &PgPool, barn_id: Uuid) -> StoreResult<BarnTransaction> {
        BarnTransaction::start(pool, barn_id, "begin").await
    }

    /// Begins a transaction inside `barn_id`, to look: all its queries see the one
    /// state that the first of them saw, and none can write.
    ///
    /// # Errors
    /// When the database cannot be reached.
    pub async fn look(pool: &PgPool, barn_id: Uuid) -> StoreResult<BarnTransaction> {
        let one_state = "begin isolation level repeatable read, read only";
        BarnTransaction::start(pool, barn_id, one_state).await
    }

    /// In a task of its own: a request that is dropped while BEGIN is on its way
    /// would leave the connection in a transaction that nobody counts, and the next
    /// statements of others would run inside it.
    async fn start(
        pool: &PgPool,
        barn_id: Uuid,
        begin: &'static str,
    ) -> StoreResult<BarnTransaction> {
        let pool = pool.clone();
        tokio::spawn(async move {
            let mut transaction = pool.begin_with(begin).await?;
            sqlx::query!(
                "select set_config('role', 'cavesson_barn', true) as role,
                        set_config('cavesson.barn_id', $1, true) as barn",
                barn_id.to_string()
            )
            .fetch_one(&mut *transaction)
            .await?;
            Ok(BarnTransaction {
                transaction,
                barn_id,
            })
        })
        .await?
    }

    /// The barn.
    pub fn barn_id(&self) -> Uuid {
        self.barn_id
    }

    /// The connection, for the queries of this crate's modules.
    pub fn connection(&mut self) -> &mut PgConnection {
        &mut self.transaction
    }

    /// Commits; what was written is on disk when this returns. In a task of its own,
    /// for the same reason as the beginning.
    ///
    /// # Errors
    /// When the database cannot be reached; whether it was stored is not known then.
    pub async fn commit(self) -> StoreResult<()> {
        Ok(tokio::spawn(self.transaction.commit()).await??)
    }
}

/// The barn of a transaction.
///
/// # Errors
/// When the query fails.
pub async fn own(barn: &mut BarnTransaction) -> StoreResult<Barn> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_as!(
        Barn,
        "select barn_id, handle, name, time_zone, units, quiet_outings_pct from barn where barn_id = $1",
        barn_id
    )
    .fetch_one(barn.connection())
    .await?)
}

/// The barn of that handle: the one look-up that starts outside any barn.
///
/// # Errors
/// When the query fails.
pub async fn by_handle(pool: &PgPool, handle: &str) -> StoreResult<Option<Barn>> {
    Ok(sqlx::query_as!(
        Barn,
        "select barn_id, handle, name, time_zone, units, quiet_outings_pct from barn where handle = $1",
        handle
    )
    .fetch_optional(pool)
    .await?)
}

/// All barns, for what the server does by itself.
///
/// # Errors
/// When the query fails.
pub async fn list(pool: &PgPool) -> StoreResult<Vec<Barn>> {
    Ok(sqlx::query_as!(
        Barn,
        "select barn_id, handle, name, time_zone, units, quiet_outings_pct from barn order by barn_id"
    )
    .fetch_all(pool)
    .await?)
}

/// Gives a barn another name, handle, time zone or units.
///
/// # Errors
/// [`crate::StoreError::Taken`] when the handle is.
pub async fn change(barn: &mut BarnTransaction, changed: &Barn) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update barn set handle = $2, name = $3, time_zone = $4, units = $5, quiet_outings_pct = $6
         where barn_id = $1",
        barn_id,
        changed.handle,
        changed.name,
        changed.time_zone,
        changed.units,
        changed.quiet_outings_pct
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Takes a barn away that nothing was stored in.
///
/// # Errors
/// When something was.
pub async fn remove_empty(pool: &PgPool, barn_id: Uuid) -> StoreResult<()> {
    sqlx::query!("delete from barn where barn_id = $1", barn_id)
        .execute(pool)
        .await?;
    Ok(())
}

/// Adds a barn.
///
/// # Errors
/// [`crate::StoreError::Taken`] when the handle is.
pub async fn add(pool: &PgPool, barn: &Barn) -> StoreResult<()> {
    sqlx::query!(
        "insert into barn (barn_id, handle, name, time_zone, units, quiet_outings_pct)
         values ($1, $2, $3, $4, $5, $6)",
        barn.barn_id,
        barn.handle,
        barn.name,
        barn.time_zone,
        barn.units,
        barn.quiet_outings_pct
    )
    .execute(pool)
    .await?;
    Ok(())
}
