//! What a file looks like before it is read: its columns, what stands in them, and which column of
//! the sheet each of them is.

use serde::Serialize;

use super::columns::{known_of, names_of};
use super::encoding::{Encoding, decode};
use crate::bounds::FieldError;
use crate::exchange::sheet::Sheet;
use crate::rows;
use crate::text::delimiter;
use crate::word_enum::word_enum;

/// Rows that are shown.
const SHOWN: usize = 3;
/// Letters of a cell that are shown.
const LETTERS: usize = 60;

word_enum! {
    /// What parts the cells of a row.
    Delimiter {
        /// A comma.
        Comma = "comma",
        /// A semicolon.
        Semicolon = "semicolon",
        /// A tab.
        Tab = "tab",
    }
}

/// What a file looks like.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SheetLook {
    /// How its letters are written.
    pub encoding: Encoding,
    /// What parts its cells.
    pub delimiter: Delimiter,
    /// Its first row names the columns: at least one of the names is known.
    pub heads: bool,
    /// Its columns.
    pub columns: Vec<FileColumn>,
    /// The columns that the sheet can have.
    pub known: Vec<KnownColumn>,
}

/// A column of a file.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FileColumn {
    /// What the first row calls it; empty without such a row.
    pub head: String,
    /// What stands in its first rows.
    pub cells: Vec<String>,
    /// Which column of the sheet it seems to be; empty for none.
    pub seems: String,
}

/// A column that the sheet can have.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct KnownColumn {
    /// Its name.
    pub name: &'static str,
    /// What is to stand in it.
    pub says: &'static str,
    /// It has to be there.
    pub needed: bool,
}

/// Looks at the start of a file. Where it is not the `whole` file, the last line may be cut off
/// and is left out.
///
/// # Errors
/// Bytes that are no text; no row at all.
pub fn look(sheet: Sheet, bytes: &[u8], whole: bool) -> Result<SheetLook, FieldError> {
    let bytes = if whole { bytes } else { whole_lines(bytes) };
    let (text, encoding) = decode("/bytes", bytes)?;
    let known = names_of(sheet);
    let rows: Vec<csv::StringRecord> = rows::reader(&text)
        .records()
        .filter_map(Result::ok)
        .filter(|record| !record.iter().all(str::is_empty))
        .take(SHOWN + 1)
        .collect();
    let Some(first) = rows.first() else {
        return Err(FieldError::new("/bytes", "there is no row in this file"));
    };
    let heads = first
        .iter()
        .any(|head| rows::column_of(head, &known).is_some());
    let shown = if heads {
        &rows[1..]
    } else {
        &rows[..rows.len().min(SHOWN)]
    };
    let width = rows.iter().map(csv::StringRecord::len).max().unwrap_or(0);
    let mut seen: Vec<&str> = Vec::new();
    let columns = (0..width).map(|at| {
        let head = first.get(at).filter(|_| heads).unwrap_or_default();
        let seems = rows::column_of(head, &known).filter(|name| !seen.contains(name));
        seen.extend(seems);
        let cells = shown.iter().map(|row| row.get(at).unwrap_or_default());
        FileColumn {
            head: cut(head),
            cells: cells.map(cut).collect(),
            seems: seems.unwrap_or_default().to_owned(),
        }
    });
    Ok(SheetLook {
        encoding,
        delimiter: match delimiter(&text) {
            b';' => Delimiter::Semicolon,
            b'\t' => Delimiter::Tab,
            _ => Delimiter::Comma,
        },
        heads,
        columns: columns.collect(),
        known: known_of(sheet)
            .iter()
            .map(|one| KnownColumn {
                name: one.column.0,
                says: one.says,
                needed: one.needed,
            })
            .collect(),
    })
}

fn cut(text: &str) -> String {
    text.chars().take(LETTERS).collect()
}

/// Up to the last line that is whole; in UTF-16 a line ends with two bytes.
fn whole_lines(bytes: &[u8]) -> &[u8] {
    let little = bytes.starts_with(b"\xFF\xFE");
    let big = bytes.starts_with(b"\xFE\xFF");
    let end = match (little, big) {
        (true, _) => bytes[..bytes.len() & !1]
            .chunks(2)
            .rposition(|pair| pair == b"\n\0" || pair == b"\r\0")
            .map(|at| (at + 1) * 2),
        (_, true) => bytes[..bytes.len() & !1]
            .chunks(2)
            .rposition(|pair| pair == b"\0\n" || pair == b"\0\r")
            .map(|at| (at + 1) * 2),
        _ => bytes
            .iter()
            .rposition(|byte| matches!(byte, b'\n' | b'\r'))
            .map(|at| at + 1),
    };
    end.map_or(bytes, |end| &bytes[..end])
}
