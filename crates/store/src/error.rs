//! What can go wrong in the store.

/// The result of a query.
pub type StoreResult<T> = Result<T, StoreError>;

/// A failed query. Errors that a person can mend are named; the rest are the
/// database's own.
#[derive(Debug, thiserror::Error)]
pub enum StoreError {
    /// A name or sign-in that is taken in this barn.
    #[error("{0} is taken")]
    Taken(&'static str),
    /// A stored word the core does not know: the database is newer than this program.
    #[error("stored {what} \"{found}\" is not known to this version")]
    Unknown {
        /// What it is.
        what: &'static str,
        /// What was found.
        found: String,
    },
    /// Anything else.
    #[error(transparent)]
    Database(sqlx::Error),
}

impl From<sqlx::Error> for StoreError {
    fn from(error: sqlx::Error) -> StoreError {
        let constraint = error
            .as_database_error()
            .and_then(|e| e.constraint())
            .unwrap_or_default();
        match constraint {
            "barn_handle_taken" => StoreError::Taken("the barn's handle"),
            "person_sign_in_taken" => StoreError::Taken("the sign-in"),
            "horse_name_taken" => StoreError::Taken("the horse's name"),
            "place_name_taken" => StoreError::Taken("the place's name"),
            _ => StoreError::Database(error),
        }
    }
}
