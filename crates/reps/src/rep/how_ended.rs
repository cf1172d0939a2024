//! How a work on a cow, or on the flag, ended.

use crate::word_enum::word_enum;

word_enum! {
    /// How a work ended.
    HowEnded {
        /// On a good turn.
        GoodTurn = "good_turn",
        /// The cow was lost: another one.
        Lost = "lost",
        /// It ran through a horse in position: the cow's doing.
        RanThrough = "ran_through",
        /// The horse was taken out of the pen to dry work.
        LeftCattle = "left_cattle",
        /// For any other reason.
        Rest = "rest",
    }
}
