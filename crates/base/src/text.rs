//! Texts that people type: notes, reasons, names. Trimmed before they are kept;
//! the same bounds hold on the wire, in the tables and in the forms.

use crate::bounds::{Bound, FieldError};

/// Whether a letter can be seen or is plain white space. Line breaks are left to
/// the caller; marks that turn the direction of writing hide what a text says.
fn is_printable(letter: char) -> bool {
    !letter.is_control()
        && !matches!(letter,
            '\u{200B}'..='\u{200F}' | '\u{2028}'..='\u{202E}' | '\u{2060}'..='\u{2069}'
            | '\u{FEFF}' | '\u{FFF9}'..='\u{FFFD}')
}

/// Checks a text: printable letters and line breaks, and how many once trimmed.
///
/// # Errors
/// A letter that cannot be printed, with its place; too few or too many letters.
pub fn check_text(letters: Bound, field: &str, text: &str) -> Result<(), FieldError> {
    let text = text.trim();
    if let Some(place) = text
        .chars()
        .position(|letter| letter != '\n' && !is_printable(letter))
    {
        return Err(FieldError::new(
            field,
            format!(
                "must hold letters, figures, signs and line breaks only; letter {} cannot be printed",
                place + 1
            ),
        ));
    }
    letters.check_count(field, text.chars().count()).map(|_| ())
}

/// The same for a text that may be left empty.
///
/// # Errors
/// As [`check_text`], but for an empty text.
pub fn check_optional_text(letters: Bound, field: &str, text: &str) -> Result<(), FieldError> {
    if text.trim().is_empty() {
        return Ok(());
    }
    check_text(letters, field, text)
}

/// What parts the first line: a tab where it has one, else whatever it has more of.
pub fn delimiter(text: &str) -> u8 {
    let first = text
        .lines()
        .find(|line| !line.trim().is_empty())
        .unwrap_or_default();
    let count = |sign: char| first.matches(sign).count();
    if count('\t') > 0 {
        b'\t'
    } else if count(';') > count(',') {
        b';'
    } else {
        b','
    }
}
