//! A row of the sheet of the herd.

use std::collections::BTreeMap;

use uuid::Uuid;

use super::known::Known;
use crate::bounds::CATTLE_OF_LOT;
use crate::cattle::cow::CowSheet;
use crate::cattle::rows::{CowRows, Usual, take_in};
use crate::rows::{Row, RowError};

pub(super) struct Lots<'a> {
    known: &'a Known<'a>,
    /// The cattle of each lot, by its place in the list of lots.
    found: BTreeMap<usize, CowRows>,
}

impl<'a> Lots<'a> {
    pub fn of(known: &'a Known<'a>) -> Lots<'a> {
        Lots {
            known,
            found: BTreeMap::new(),
        }
    }

    pub fn row(&mut self, row: &Row) -> Vec<RowError> {
        let at = match self.lot(row.cell("lot")) {
            Ok(at) => at,
            Err(detail) => return vec![RowError::new(row.line, "lot", detail)],
        };
        let lot = &self.known.lots[at];
        let found = self.found.entry(at).or_default();
        let after = lot.tags.len() + found.cattle.len() + 1;
        if let Err(error) = CATTLE_OF_LOT.check_count("", after) {
            let detail = format!("{}: {}", lot.name, error.detail);
            return vec![RowError::new(row.line, "lot", detail)];
        }
        let usual = Usual {
            kind: lot.kind,
            today: self.known.today,
            taken: &lot.tags,
        };
        take_in(row, &usual, found);
        std::mem::take(&mut found.errors)
    }

    fn lot(&self, name: &str) -> Result<usize, String> {
        let lots = self.known.lots;
        let all = || {
            let names: Vec<&str> = lots.iter().map(|lot| lot.name.as_str()).collect();
            if names.is_empty() {
                "there is none here yet; add it under Cattle first".to_owned()
            } else {
                format!("they are {}", names.join(", "))
            }
        };
        let found = if name.is_empty() {
            lots.iter()
                .position(|lot| Some(lot.lot_id) == self.known.lot_id)
        } else {
            let asked = name.to_lowercase();
            lots.iter().position(|lot| lot.name.to_lowercase() == asked)
        };
        found.ok_or_else(|| match name {
            "" => format!("must name a lot, or choose one for all rows; {}", all()),
            _ => format!("there is no lot called {name}; {}", all()),
        })
    }

    pub fn whole(self) -> Vec<(Uuid, CowSheet)> {
        let lots = self.known.lots;
        let found = self.found.into_iter();
        found
            .flat_map(|(at, rows)| {
                let cattle = rows.cattle.into_iter();
                cattle.map(move |cow| (lots[at].lot_id, cow))
            })
            .collect()
    }
}
