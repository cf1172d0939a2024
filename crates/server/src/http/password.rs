//! Passwords, kept as argon2id hashes. Hashing takes long on purpose: whoever asks
//! for it does so in the line of work for passwords.

use argon2::Argon2;
use argon2::password_hash::phc::PasswordHash;
use argon2::password_hash::{PasswordHasher, PasswordVerifier};

/// A hash nobody's password matches; checked when the sign-in is unknown, so
/// that an unknown sign-in takes as long as a wrong password.
static NOBODY: std::sync::LazyLock<String> =
    std::sync::LazyLock::new(|| hash("nobody has this password"));

/// The argon2id hash of a password, with a salt of its own. Slow on purpose.
pub fn hash(password: &str) -> String {
    Argon2::default()
        .hash_password(password.as_bytes())
        .expect("argon2 takes any password of our length")
        .to_string()
}

/// Whether `password` belongs to `stored`; without `stored`, no, as slowly.
pub fn matches(password: &str, stored: Option<String>) -> bool {
    let known = stored.is_some();
    let stored = stored.unwrap_or_else(|| NOBODY.clone());
    let right = PasswordHash::new(&stored).is_ok_and(|hash| {
        Argon2::default()
            .verify_password(password.as_bytes(), &hash)
            .is_ok()
    });
    right && known
}

/// Makes what the first unknown sign-in needs, so that it takes no longer than the
/// others.
pub fn warm_up() {
    std::sync::LazyLock::force(&NOBODY);
}
