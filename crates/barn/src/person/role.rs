//! What a person is to the barn, and what each may do.

use serde::{Deserialize, Serialize};

/// What a person is to the barn.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Role {
    /// Answers for all horses.
    Trainer,
    /// Rides what they are given.
    Rider,
    /// Turns cattle back, counts, films, taps what happened.
    Helper,
    /// Owns a horse; sees only their own.
    Owner,
}

impl Role {
    /// All roles.
    pub const ALL: [Role; 4] = [Role::Trainer, Role::Rider, Role::Helper, Role::Owner];

    /// The word as it is stored.
    pub fn word(self) -> &'static str {
        match self {
            Role::Trainer => "trainer",
            Role::Rider => "rider",
            Role::Helper => "helper",
            Role::Owner => "owner",
        }
    }

    /// The role of that word.
    pub fn from_word(word: &str) -> Option<Role> {
        Role::ALL.into_iter().find(|role| role.word() == word)
    }

    /// Whether they record rides and reps.
    pub fn records(self) -> bool {
        self != Role::Owner
    }

    /// Whether they have the last word: overrule the judge, change programs.
    pub fn decides(self) -> bool {
        self == Role::Trainer
    }

    /// Whether they see every horse of the barn, or only those they own.
    pub fn sees_all_horses(self) -> bool {
        self != Role::Owner
    }
}
