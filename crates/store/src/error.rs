//! What can go wrong in the store.

/// The result of a query.
pub type StoreResult<T> = Result<T, StoreError>;

/// A failed query. Errors that a person can mend are named; the rest are the
/// database's own.
#[derive(Debug, thiserror::Error)]
pub enum StoreError {
    /// A name or username that is taken in this barn.
    #[error("{what} is taken")]
    Taken {
        /// The field it was sent in.
        field: &'static str,
        /// What it is.
        what: &'static str,
    },
    /// A horse, a person or a place that is booked at that time.
    #[error("the {0} is booked then")]
    Booked(&'static str),
    /// A stored word the core does not know: the database is newer than this program.
    #[error("stored {what} \"{found}\" is not known to this version")]
    Unknown {
        /// What it is.
        what: &'static str,
        /// What was found.
        found: String,
    },
    /// A row of an archive that breaks a rule of its table.
    #[error("a row of {table} is refused: {why}")]
    RowRefused {
        /// The table.
        table: &'static str,
        /// The rule, as the table names it.
        why: String,
    },
    /// Something that cannot be taken out, as other records rest on it.
    #[error("rows of {0} rest on it")]
    InUse(String),
    /// Something that cannot be written as JSON.
    #[error("cannot be stored: {0}")]
    Unstorable(serde_json::Error),
    /// A task of the store that was lost.
    #[error("a task was lost: {0}")]
    Lost(#[from] tokio::task::JoinError),
    /// PostgreSQL is not there, or ended the session: a restart, a crash, too many
    /// connections. Nothing is wrong with what was asked.
    #[error("the database is away: {0}")]
    Away(sqlx::Error),
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
            "booking_horse_free" => StoreError::Booked("horse"),
            "booking_person_free" => StoreError::Booked("person"),
            "booking_place_free" => StoreError::Booked("place"),
            "barn_handle_taken" => taken("/handle", "this short name"),
            "person_sign_in_taken" => taken("/sign_in", "this username"),
            "horse_name_taken" => taken("/name", "this horse's name"),
            "place_name_taken" => taken("/name", "this place's name"),
            "gear_name_taken" => taken("/name", "this name"),
            "course_name_taken" => taken("/name", "this course's name"),
            "cattle_lot_name_taken" => taken("/name", "this name"),
            "cow_tag_taken" => taken("/sheet/tag", "this tag, in this lot,"),
            _ if is_away(&error) => StoreError::Away(error),
            _ => StoreError::Database(error),
        }
    }
}

impl StoreError {
    /// An error of storing rows of a table: what is wrong with the row is told with it.
    pub(crate) fn of_rows(table: &'static str, error: sqlx::Error) -> StoreError {
        let said = error.as_database_error();
        // Data exceptions and integrity constraint violations.
        let of_row = said.filter(|said| {
            let code = said.code().unwrap_or_default();
            code.starts_with("22") || code.starts_with("23")
        });
        match of_row {
            Some(said) => StoreError::RowRefused {
                table,
                why: said.constraint().unwrap_or(said.message()).to_owned(),
            },
            None => StoreError::from(error),
        }
    }
}

impl StoreError {
    /// An error of taking something out: what rests on it is told.
    pub(crate) fn of_use(error: sqlx::Error) -> StoreError {
        let said = error.as_database_error();
        match said.filter(|said| said.is_foreign_key_violation()) {
            Some(said) => StoreError::InUse(said.table().unwrap_or_default().to_owned()),
            None => StoreError::from(error),
        }
    }
}

fn taken(field: &'static str, what: &'static str) -> StoreError {
    StoreError::Taken { field, what }
}

/// Whether the connection is at fault. Error codes: PostgreSQL 15 manual, appendix A.
fn is_away(error: &sqlx::Error) -> bool {
    match error {
        sqlx::Error::Io(_)
        | sqlx::Error::PoolTimedOut
        | sqlx::Error::PoolClosed
        | sqlx::Error::WorkerCrashed
        | sqlx::Error::Protocol(_) => true,
        sqlx::Error::Database(said) => said.code().is_some_and(|code| {
            // Connection exceptions; operator intervention; too many connections.
            code.starts_with("08") || code.starts_with("57P") || code == "53300"
        }),
        _ => false,
    }
}
