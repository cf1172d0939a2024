//! Passwords, kept as argon2id hashes. Hashing takes long on purpose, so it runs
//! off the request threads.

use argon2::Argon2;
use argon2::password_hash::phc::PasswordHash;
use argon2::password_hash::{PasswordHasher, PasswordVerifier};
use tokio::task::{JoinError, spawn_blocking};

/// A hash nobody's password matches; checked when the sign-in is unknown, so
/// that an unknown sign-in takes as long as a wrong password.
static NOBODY: std::sync::LazyLock<String> =
    std::sync::LazyLock::new(|| hash_now("nobody has this password"));

/// The argon2id hash of a password, with a salt of its own.
///
/// # Errors
/// When the thread is lost.
pub async fn hash(password: String) -> Result<String, JoinError> {
    spawn_blocking(move || hash_now(&password)).await
}

/// Whether `password` belongs to `stored`; without `stored`, no, as slowly.
///
/// # Errors
/// When the thread is lost.
pub async fn matches(password: String, stored: Option<String>) -> Result<bool, JoinError> {
    spawn_blocking(move || {
        let known = stored.is_some();
        let stored = stored.unwrap_or_else(|| NOBODY.clone());
        let right = PasswordHash::new(&stored).is_ok_and(|hash| {
            Argon2::default()
                .verify_password(password.as_bytes(), &hash)
                .is_ok()
        });
        right && known
    })
    .await
}

fn hash_now(password: &str) -> String {
    Argon2::default()
        .hash_password(password.as_bytes())
        .expect("argon2 takes any password of our length")
        .to_string()
}
