//! The ladder that ships with the product.

use std::sync::LazyLock;

use super::resolve::resolve;
use super::{Ladder, LadderFile};
use crate::school::Schools;

static SHIPPED_FILE: LazyLock<LadderFile> = LazyLock::new(|| {
    LadderFile::parse_json(include_str!(concat!(env!("OUT_DIR"), "/ladder.json")))
        .expect("the shipped ladder is valid; a test holds it")
});

static SHIPPED: LazyLock<Ladder> = LazyLock::new(|| {
    resolve(LadderFile::shipped(), &Schools::default())
        .expect("the shipped ladder resolves with the default schools; a test holds it")
});

static EVERY_LEVEL: LazyLock<Ladder> = LazyLock::new(|| LadderFile::shipped().all_levels());

impl LadderFile {
    /// The ladder file that ships with the product.
    pub fn shipped() -> &'static LadderFile {
        &SHIPPED_FILE
    }
}

impl Ladder {
    /// Every level of the shipped ladder, whatever the school.
    pub fn every_level() -> &'static Ladder {
        &EVERY_LEVEL
    }

    /// The shipped ladder with the default schools.
    pub fn shipped() -> &'static Ladder {
        &SHIPPED
    }
}
