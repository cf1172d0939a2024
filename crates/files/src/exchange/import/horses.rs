//! A row of the sheet of horses.

use std::collections::HashSet;

use super::known::Known;
use crate::bounds::HORSES_OF_SHEET;
use crate::horse::HorseSheet;
use crate::horse::rows::{HorseRows, Named, take_in};
use crate::rows::{Row, RowError};

pub(super) struct Horses<'a> {
    known: &'a Known<'a>,
    taken: Vec<String>,
    found: HorseRows,
}

impl<'a> Horses<'a> {
    pub fn of(known: &'a Known<'a>) -> Horses<'a> {
        let names: HashSet<&str> = known.horses.iter().map(|(_, name)| name.as_str()).collect();
        Horses {
            known,
            taken: names.into_iter().map(str::to_owned).collect(),
            found: HorseRows::default(),
        }
    }

    pub fn row(&mut self, row: &Row) -> Vec<RowError> {
        let after = self.found.horses.len() + 1;
        if let Err(error) = HORSES_OF_SHEET.check_count("", after) {
            return vec![RowError::new(row.line, "", error.detail)];
        }
        let named = Named {
            owners: self.known.owners,
            programs: self.known.programs,
            taken: &self.taken,
            year: self.known.today.year(),
        };
        take_in(row, &named, &mut self.found);
        std::mem::take(&mut self.found.errors)
    }

    pub fn whole(self) -> Vec<HorseSheet> {
        self.found.horses
    }
}
