//! What the lines of devices have in common: words, and a sum at the end.

/// Why a line is none.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum BadLine {
    /// It has not the words it should have.
    #[error("a line has the words of its kind and a sum; this has others")]
    Words,
    /// A word cannot be read.
    #[error("\"{0}\" is no {1}")]
    Word(String, &'static str),
    /// The sum is another.
    #[error("the sum is {found}, not {expected}: the line came through broken")]
    Sum {
        /// As it came.
        found: String,
        /// As it had to be.
        expected: String,
    },
}

/// A line with its sum: of all bytes, modulo 256, in two hexadecimal digits.
pub fn summed(text: &str) -> String {
    format!("{text} {}", sum_of(text))
}

/// The text of a line without its sum.
///
/// # Errors
/// A sum that is another, or none.
pub fn unsummed(line: &str) -> Result<&str, BadLine> {
    let line = line.trim_end_matches(['\r', '\n']);
    let (text, sum) = line.rsplit_once(' ').ok_or(BadLine::Words)?;
    let expected = sum_of(text);
    if sum == expected {
        return Ok(text);
    }
    let found = sum.chars().take(8).collect();
    Err(BadLine::Sum { found, expected })
}

fn sum_of(text: &str) -> String {
    let sum = text.bytes().fold(0_u8, u8::wrapping_add);
    format!("{sum:02x}")
}
