//! What the ground is like that is ridden on.

use crate::word_enum::word_enum;

word_enum! {
    /// What the ground is like.
    Footing {
        /// Good.
        Good = "good",
        /// Deep.
        Deep = "deep",
        /// Hard.
        Hard = "hard",
        /// Wet.
        Wet = "wet",
        /// Rutted.
        Rutted = "rutted",
    }
}
