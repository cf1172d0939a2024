//! What a barn keeps under a name and can put away: places, tack, lots of cattle, courses. What
//! it was used for stays, and it can be used again.

/// Puts something of a table away, by its id.
macro_rules! put_away {
    ($table:literal, $id:literal) => {
        /// Puts it away at that time; none: it is in use again. False when there is none.
        ///
        /// # Errors
        /// When the query fails.
        pub async fn put_away(
            barn: &mut $crate::BarnTransaction,
            id: uuid::Uuid,
            at: Option<jiff::Timestamp>,
        ) -> $crate::StoreResult<bool> {
            let barn_id = barn.barn_id();
            let done = sqlx::query!(
                "update "
                    + $table
                    + " set put_away_at = $3 where barn_id = $1 and "
                    + $id
                    + " = $2",
                barn_id,
                id,
                at.map(|at| jiff_sqlx::ToSqlx::to_sqlx(at)) as _
            )
            .execute(barn.connection())
            .await?;
            Ok(done.rows_affected() == 1)
        }
    };
}
pub(crate) use put_away;
