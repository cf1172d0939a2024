//! What every request passes: who asks, the body, errors, the document, the audit.
//!
//! - [`audit`]: who changed what: kept for every change that came about, and searched
//! - [`body`]: the JSON body of a request, read strictly; what does not fit is named
//! - [`clock`]: what time it is
//! - [`openapi_errors`]: what a route may refuse follows from what its handler takes: who is asked for, a body, parts of the address
//! - [`password`]: passwords, kept as argon2id hashes
//! - [`problem`]: every error as problem+json (RFC 9457): what happened, and which field to mend
//! - `secret_word`: the word in a secret link
//! - [`session_store`]: keeps sessions in PostgreSQL
//! - `shelf`: what a barn keeps under a name: changed, put away and used again alike
//! - [`signed_in`]: who asks, and what they may do
//! - [`url`]: what stands in an address: path and query, with problems for what does not fit
//! - [`web`]: the web application's files
//! - [`work`]: work of more than a few milliseconds runs on threads of its own, a few at a time

pub mod audit;
pub(crate) mod body;
pub mod clock;
pub mod openapi_errors;
pub mod password;
pub mod problem;
pub(crate) mod secret_word;
pub(crate) mod session_store;
pub(crate) mod shelf;
pub mod signed_in;
pub(crate) mod url;
pub mod web;
pub mod work;
