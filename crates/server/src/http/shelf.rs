//! What a barn keeps under a name: places, tack, lots of cattle, courses. Each is changed, put
//! away and used again alike; only a trainer does it.

use axum::http::StatusCode;
use cavesson_store::{BarnTransaction, StoreResult};
use jiff::Timestamp;
use uuid::Uuid;

use super::problem::{Answer, Problem};
use super::signed_in::Signed;

/// One kind of what is kept.
pub trait OnShelf {
    /// What is written down of it.
    type Sheet: Send + Sync;
    /// What is said where the barn has none of that id.
    const NONE: &'static str;

    /// Puts a sheet in the place of the one there was; false when there is none.
    fn change(
        barn: &mut BarnTransaction,
        id: Uuid,
        sheet: &Self::Sheet,
    ) -> impl Future<Output = StoreResult<bool>> + Send;

    /// Puts it away at that time; none: it is in use again. False when there is none.
    fn put_away(
        barn: &mut BarnTransaction,
        id: Uuid,
        at: Option<Timestamp>,
    ) -> impl Future<Output = StoreResult<bool>> + Send;
}

/// Changes what is written down of one; the sheet was checked.
///
/// # Errors
/// When the barn has none of that id, or a query fails.
pub async fn change<T: OnShelf>(signed: &Signed, id: Uuid, sheet: &T::Sheet) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !T::change(&mut barn, id, sheet).await? {
        return Err(Problem::not_found(T::NONE));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Puts one away at that time; none: it is in use again.
///
/// # Errors
/// When the barn has none of that id, or a query fails.
pub async fn put_away<T: OnShelf>(
    signed: &Signed,
    id: Uuid,
    at: Option<Timestamp>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !T::put_away(&mut barn, id, at).await? {
        return Err(Problem::not_found(T::NONE));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// The kind of a module of the store: its sheet, and what is said where there is none.
macro_rules! on_shelf {
    ($kind:ident, $module:ident, $sheet:ty, $none:literal) => {
        struct $kind;

        impl $crate::http::shelf::OnShelf for $kind {
            type Sheet = $sheet;
            const NONE: &'static str = $none;

            async fn change(
                barn: &mut cavesson_store::BarnTransaction,
                id: uuid::Uuid,
                sheet: &$sheet,
            ) -> cavesson_store::StoreResult<bool> {
                $module::change(barn, id, sheet).await
            }

            async fn put_away(
                barn: &mut cavesson_store::BarnTransaction,
                id: uuid::Uuid,
                at: Option<jiff::Timestamp>,
            ) -> cavesson_store::StoreResult<bool> {
                $module::put_away(barn, id, at).await
            }
        }
    };
}
pub(crate) use on_shelf;
