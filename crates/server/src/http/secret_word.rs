//! The word in a secret link: drawn here, given away once, kept as a hash alone. Links that let
//! somebody in, links to one horse and links of calendars have such words.

use std::fmt;

use sha2::{Digest, Sha256};
use uuid::Uuid;

/// A word that was drawn. It is not shown by logs.
pub struct SecretWord(String);

impl SecretWord {
    /// A word drawn at random from 2^122.
    pub fn draw() -> SecretWord {
        SecretWord(Uuid::new_v4().simple().to_string())
    }

    /// The hash under which it is kept.
    pub fn hash(&self) -> Vec<u8> {
        word_hash(&self.0)
    }

    /// The word itself, for the one who is given the link.
    pub fn give_away(self) -> String {
        self.0
    }
}

impl fmt::Debug for SecretWord {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str("SecretWord")
    }
}

/// The hash of a word that somebody sends. It was drawn from so many that it needs neither
/// salt nor time.
pub fn word_hash(word: &str) -> Vec<u8> {
    Sha256::digest(word.trim().as_bytes()).to_vec()
}
