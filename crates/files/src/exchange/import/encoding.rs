//! Bytes of a file to its text, whatever program wrote it.
//!
//! Source: WHATWG Encoding Standard for windows-1252; Unicode for UTF-8, UTF-16 and their marks.

use std::borrow::Cow;

use crate::bounds::FieldError;
use crate::word_enum::word_enum;

word_enum! {
    /// How the letters of a file are written.
    Encoding {
        /// UTF-8, with a mark or without.
        Utf8 = "utf8",
        /// UTF-16, with its mark.
        Utf16 = "utf16",
        /// Not UTF-8, so it is taken for the Western letters of older programs.
        Windows1252 = "windows1252",
    }
}

/// Bytes 80 to 9F of windows-1252; all others are their own number.
const HIGH: [char; 32] = [
    '\u{20AC}', '\u{81}', '\u{201A}', '\u{192}', '\u{201E}', '\u{2026}', '\u{2020}', '\u{2021}',
    '\u{2C6}', '\u{2030}', '\u{160}', '\u{2039}', '\u{152}', '\u{8D}', '\u{17D}', '\u{8F}',
    '\u{90}', '\u{2018}', '\u{2019}', '\u{201C}', '\u{201D}', '\u{2022}', '\u{2013}', '\u{2014}',
    '\u{2DC}', '\u{2122}', '\u{161}', '\u{203A}', '\u{153}', '\u{9D}', '\u{17E}', '\u{178}',
];

/// The text of a file.
///
/// # Errors
/// Bytes that are no text: a spreadsheet's own file, a zero byte, half a letter of UTF-16; at
/// `field`, with the place.
pub fn decode<'a>(field: &str, bytes: &'a [u8]) -> Result<(Cow<'a, str>, Encoding), FieldError> {
    let refuse = |detail: String| Err(FieldError::new(field, detail));
    if bytes.starts_with(b"PK\x03\x04") || bytes.starts_with(b"\xD0\xCF\x11\xE0") {
        return refuse("is a spreadsheet's own file; save it as CSV there, then take that".into());
    }
    if let Some(rest) = bytes.strip_prefix(b"\xFF\xFE") {
        return utf16(field, rest, u16::from_le_bytes);
    }
    if let Some(rest) = bytes.strip_prefix(b"\xFE\xFF") {
        return utf16(field, rest, u16::from_be_bytes);
    }
    if let Some(place) = bytes.iter().position(|byte| *byte == 0) {
        return refuse(format!(
            "byte {} is a zero, so this is no text; save it as CSV, UTF-8",
            place + 1
        ));
    }
    let bytes = bytes.strip_prefix(b"\xEF\xBB\xBF").unwrap_or(bytes);
    match std::str::from_utf8(bytes) {
        Ok(text) => Ok((Cow::Borrowed(text), Encoding::Utf8)),
        Err(_) => {
            let letter = |byte: &u8| match byte {
                0x80..=0x9F => HIGH[usize::from(byte - 0x80)],
                other => char::from(*other),
            };
            let text: String = bytes.iter().map(letter).collect();
            Ok((Cow::Owned(text), Encoding::Windows1252))
        }
    }
}

fn utf16<'a>(
    field: &str,
    bytes: &[u8],
    unit: fn([u8; 2]) -> u16,
) -> Result<(Cow<'a, str>, Encoding), FieldError> {
    let (pairs, rest) = bytes.as_chunks::<2>();
    let text: Result<String, _> =
        char::decode_utf16(pairs.iter().map(|pair| unit(*pair))).collect();
    match text {
        Ok(text) if rest.is_empty() => Ok((Cow::Owned(text), Encoding::Utf16)),
        _ => Err(FieldError::new(
            field,
            "begins as UTF-16 and is none; save it as CSV, UTF-8",
        )),
    }
}
