//! What people sign in with: `name@barn`, and a password.
//!
//! Source for the least length of a password: NIST SP 800-63B, section 5.1.1.2 (eight
//! letters at least, and no rule on which ones), from memory.

use crate::bounds::{Bound, FieldError, NEW_PASSWORD_LETTERS};

/// The most letters of each half of a username.
pub const MOST_LETTERS: usize = 40;

/// Checks the half of a username before the `@`: small letters, figures, points and
/// dashes, beginning with a letter or a figure.
///
/// # Errors
/// What is allowed, at `field`.
pub fn check_username(field: &str, name: &str) -> Result<(), FieldError> {
    check(field, name, 1, |letter| matches!(letter, '.' | '-'))
}

/// Checks the half behind the `@`, which names the barn.
///
/// # Errors
/// What is allowed, at `field`.
pub fn check_handle(field: &str, handle: &str) -> Result<(), FieldError> {
    check(field, handle, 2, |letter| letter == '-')
}

fn check(
    field: &str,
    word: &str,
    least: usize,
    joins: impl Fn(char) -> bool,
) -> Result<(), FieldError> {
    let plain = |letter: char| letter.is_ascii_lowercase() || letter.is_ascii_digit();
    let fits = (least..=MOST_LETTERS).contains(&word.len())
        && word.starts_with(plain)
        && word.chars().all(|letter| plain(letter) || joins(letter));
    if fits {
        return Ok(());
    }
    let joined = if joins('.') {
        "points and dashes"
    } else {
        "dashes"
    };
    Err(FieldError::new(
        field,
        format!(
            "must be {least} to {MOST_LETTERS} small letters, figures, {joined}, beginning with a letter or a figure"
        ),
    ))
}

/// The handle a barn's name suggests: `Saltgrass Bench` gives `saltgrass-bench`.
pub fn suggested_handle(barn_name: &str) -> String {
    let mut handle = String::new();
    for letter in barn_name.to_lowercase().chars() {
        if letter.is_ascii_lowercase() || letter.is_ascii_digit() {
            handle.push(letter);
        } else if !handle.is_empty() && !handle.ends_with('-') {
            handle.push('-');
        }
    }
    handle.truncate(MOST_LETTERS);
    let handle = handle.trim_end_matches('-');
    if handle.len() < 2 {
        "barn".into()
    } else {
        handle.into()
    }
}

/// Checks a new password.
///
/// # Errors
/// Too short or too long, at `field`.
pub fn check_new_password(field: &str, password: &str) -> Result<(), FieldError> {
    let letters: Bound = NEW_PASSWORD_LETTERS;
    letters
        .check_count(field, password.chars().count())
        .map(|_| ())
}
