//! Sheets as CSV, read back by a reader written here from RFC 4180 alone: a cell in quotes holds
//! anything, quotes in it doubled (2.5 to 2.7); lines end with CRLF (2.1).

use cavesson_files::exchange::sheet::{Sheet, SheetWriter};
use proptest::prelude::*;

/// The rows of a text as RFC 4180 has them.
fn read(text: &str) -> Vec<Vec<String>> {
    let (mut rows, mut row, mut cell) = (Vec::new(), Vec::new(), String::new());
    let mut letters = text.chars().peekable();
    let mut quoted = false;
    while let Some(letter) = letters.next() {
        match (letter, quoted) {
            ('"', true) if letters.peek() == Some(&'"') => {
                letters.next();
                cell.push('"');
            }
            ('"', _) => quoted = !quoted,
            (',', false) => row.push(std::mem::take(&mut cell)),
            ('\r', false) => {
                assert_eq!(letters.next(), Some('\n'), "CRLF");
                row.push(std::mem::take(&mut cell));
                rows.push(std::mem::take(&mut row));
            }
            (letter, _) => cell.push(letter),
        }
    }
    assert!(
        row.is_empty() && cell.is_empty() && !quoted,
        "ends with a line end"
    );
    rows
}

#[test]
fn every_sheet_names_its_columns_once() {
    for sheet in Sheet::ALL {
        assert_eq!(Sheet::from_word(sheet.word()), Some(sheet));
        let mut names: Vec<&str> = sheet.columns().iter().map(|(name, _)| *name).collect();
        names.sort_unstable();
        names.dedup();
        assert_eq!(names.len(), sheet.columns().len(), "{sheet:?}");
    }
}

#[test]
fn a_row_with_too_few_cells_is_refused() {
    let mut writer = SheetWriter::new(Sheet::Herd).unwrap();
    assert!(writer.row(["only one"]).is_err());
}

proptest! {
    /// Whatever stands in the cells, and however it is taken in parts.
    #[test]
    fn what_is_written_is_read_again(
        cells in proptest::collection::vec("[a-zé\",;\r\n ]{0,6}", 9..90),
        part in 1usize..200,
    ) {
        let wide = Sheet::Horses.columns().len();
        let rows: Vec<Vec<String>> = cells.chunks_exact(wide).map(<[String]>::to_vec).collect();
        let mut writer = SheetWriter::new(Sheet::Horses).unwrap();
        let mut written = Vec::new();
        for row in &rows {
            writer.row(row).unwrap();
            written.extend(writer.take(part).unwrap().into_iter().flatten());
        }
        written.extend(writer.take(0).unwrap().into_iter().flatten());
        let found = read(&String::from_utf8(written).unwrap());
        prop_assert_eq!(found[0][0].as_str(), "name");
        prop_assert_eq!(&found[1..], &rows[..]);
    }
}
