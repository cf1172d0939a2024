//! What is said of a ride when it is over: how it ended, the horse's mood, how hard it was
//! on the horse.

use serde::{Deserialize, Serialize};

macro_rules! said {
    ($(#[doc = $about:literal])* $name:ident { $($(#[doc = $of:literal])* $one:ident = $word:literal,)* }) => {
        $(#[doc = $about])*
        #[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(rename_all = "snake_case")]
        pub enum $name {
            $($(#[doc = $of])* $one,)*
        }

        impl $name {
            /// All of them.
            pub const ALL: &[$name] = &[$($name::$one,)*];

            /// The word as it is stored and sent.
            pub fn word(self) -> &'static str {
                match self { $($name::$one => $word,)* }
            }

            /// The one of that word, if there is one.
            pub fn from_word(word: &str) -> Option<$name> {
                $name::ALL.iter().copied().find(|one| one.word() == word)
            }
        }
    };
}

said! {
    /// How a ride ended.
    RideEnd {
        /// On a good one.
        GoodOne = "good_one",
        /// On something easy.
        Easy = "easy",
        /// Because the horse was tired.
        Tired = "tired",
        /// On an argument.
        Argument = "argument",
        /// Sooner than was meant.
        CutShort = "cut_short",
    }
}

said! {
    /// The horse's mood on a ride.
    Mood {
        /// Willing.
        Willing = "willing",
        /// Quiet.
        Quiet = "quiet",
        /// Fresh.
        Fresh = "fresh",
        /// Worried.
        Worried = "worried",
        /// Dull.
        Dull = "dull",
        /// Sour.
        Sour = "sour",
    }
}

said! {
    /// How hard a ride was on the horse, on the scale of Foster et al. 2001.
    Exertion {
        /// 1 of 10.
        VeryEasy = "very_easy",
        /// 2 of 10.
        Easy = "easy",
        /// 3 of 10.
        Moderate = "moderate",
        /// 5 of 10.
        Hard = "hard",
        /// 7 of 10.
        VeryHard = "very_hard",
        /// 10 of 10.
        AllItHad = "all_it_had",
    }
}
