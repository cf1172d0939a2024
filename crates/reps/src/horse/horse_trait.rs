//! Traits of a horse that steer its card, each with its effect spelled out.
//!
//! Source: common practice of the trade, no source; the figures are product defaults.

use serde::{Deserialize, Serialize};

macro_rules! traits {
    ($($(#[doc = $about:literal])* $horse_trait:ident = $word:literal, $name:literal, $effect:literal;)*) => {
        /// One trait of a horse.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(rename_all = "snake_case")]
        pub enum HorseTrait {
            $($(#[doc = $about])* $horse_trait,)*
        }

        impl HorseTrait {
            /// All of them.
            pub const ALL: &[HorseTrait] = &[$(HorseTrait::$horse_trait,)*];

            /// The word as it is stored and sent.
            pub fn word(self) -> &'static str {
                match self { $(HorseTrait::$horse_trait => $word,)* }
            }

            /// The trait of that word, if there is one.
            pub fn from_word(word: &str) -> Option<HorseTrait> {
                HorseTrait::ALL.iter().copied().find(|one| one.word() == word)
            }

            /// What a trainer says.
            pub fn name(self) -> &'static str {
                match self { $(HorseTrait::$horse_trait => $name,)* }
            }

            /// What it changes on the card.
            pub fn effect(self) -> &'static str {
                match self { $(HorseTrait::$horse_trait => $effect,)* }
            }
        }
    };
}

traits! {
    /// Looks about.
    LooksAbout = "looks_about", "Looks about",
        "No block is longer than four minutes; the subject changes in between.";
    /// Squirms from side to side.
    Squirms = "squirms", "Squirms",
        "Straightness between two even reins comes up more often.";
    /// Pops up behind.
    PopsUpBehind = "pops_up_behind", "Pops up behind",
        "Soft backing comes up more often.";
    /// Comes behind the vertical.
    OverBridles = "over_bridles", "Over-bridles",
        "Less two-rein work; going forward on a loose rein comes up more often.";
    /// Has to be asked twice to go.
    Lazy = "lazy", "Lazy",
        "No block is longer than six minutes; going forward comes up more often.";
    /// Wants to go.
    Hot = "hot", "Hot",
        "Three more minutes to loosen, two more to walk out.";
    /// Sensitive to the leg.
    SensitiveToLeg = "sensitive_to_leg", "Sensitive to the leg",
        "Sets up for the lope and walks on; no departs and no changes on the card.";
    /// Pushes on the hand.
    PushesOnTheHand = "pushes_on_the_hand", "Pushes on the hand",
        "One-rein work comes up more often than two.";
    /// Grows up late.
    LateDeveloper = "late_developer", "Late developer",
        "Counts as a year younger wherever age limits the card.";
    /// Cold-backed.
    ColdBacked = "cold_backed", "Cold-backed",
        "Three more minutes in hand before mounting, two more to loosen at the walk.";
    /// One side is much better than the other.
    OneSided = "one_sided", "One-sided",
        "The stiff side gets at least three asks for two on the good one.";
}
