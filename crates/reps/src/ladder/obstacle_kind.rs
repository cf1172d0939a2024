//! What a level is asked on, where it is asked on an obstacle.

use crate::word_enum::word_enum;

word_enum! {
    /// What kind of obstacle. Which skill is asked on it stands in the ladder file.
    ObstacleKind {
        /// Poles on the ground or raised.
        Poles = "poles",
        /// A line of cones, in and out.
        Serpentine = "serpentine",
        /// A bridge, wide and low.
        LowBridge = "low_bridge",
        /// A bridge, narrower or higher.
        Bridge = "bridge",
        /// A plank.
        Plank = "plank",
        /// A step down.
        Step = "step",
        /// Water.
        Water = "water",
        /// Backed through.
        BackThrough = "back_through",
        /// Gone along sideways.
        Sidepass = "sidepass",
        /// Opened and closed from the saddle.
        Gate = "gate",
    }
}
