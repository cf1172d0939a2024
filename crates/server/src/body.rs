//! The JSON body of a request, read strictly; what does not fit is named.

use std::time::Duration;

use axum::body::Bytes;
use axum::extract::rejection::BytesRejection;
use axum::extract::{FromRequest, Request};
use axum::http::header::CONTENT_TYPE;
use axum::response::IntoResponse;
use cavesson_core::bounds::FieldError;
use serde::de::DeserializeOwned;
use tokio::time::timeout;

use crate::problem::Problem;

/// The most a request may hold. 5,000 reps take about 1.6 MB.
pub const MOST_BYTES: usize = 2_000_000;

/// How long a body may take to come. A phone at the edge of its signal is slow; what
/// it recorded goes out with the next try.
const MOST_WAIT: Duration = Duration::from_secs(15);

/// A strictly read JSON body.
pub struct Body<T>(pub T);

impl<T: DeserializeOwned, S: Send + Sync> FromRequest<S> for Body<T> {
    type Rejection = Problem;

    async fn from_request(request: Request, state: &S) -> Result<Body<T>, Problem> {
        if !is_json(&request) {
            return Err(Problem::media_type());
        }
        let bytes = timeout(MOST_WAIT, Bytes::from_request(request, state))
            .await
            .map_err(|_| Problem::slow_body())?
            .map_err(unread)?;
        read(&bytes).map(Body)
    }
}

fn is_json(request: &Request) -> bool {
    request
        .headers()
        .get(CONTENT_TYPE)
        .and_then(|value| value.to_str().ok())
        .and_then(|value| value.split(';').next())
        .is_some_and(|kind| kind.trim().eq_ignore_ascii_case("application/json"))
}

fn unread(rejection: BytesRejection) -> Problem {
    if rejection.into_response().status() == axum::http::StatusCode::PAYLOAD_TOO_LARGE {
        Problem::too_large(MOST_BYTES)
    } else {
        Problem::json("the body broke off; send it again")
    }
}

fn read<T: DeserializeOwned>(bytes: &[u8]) -> Result<T, Problem> {
    let mut reader = serde_json::Deserializer::from_slice(bytes);
    let value = serde_path_to_error::deserialize(&mut reader).map_err(|error| {
        let inner = error.inner();
        if inner.is_data() {
            let field = cavesson_core::json::pointer(error.path());
            Problem::field(FieldError::new(field, inner.to_string()))
        } else {
            Problem::json(format!("the body is not JSON: {inner}"))
        }
    })?;
    reader
        .end()
        .map_err(|error| Problem::json(format!("the body is not JSON: {error}")))?;
    Ok(value)
}
