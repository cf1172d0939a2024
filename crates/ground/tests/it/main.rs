//! The ground, held against what it says of itself, against published figures, and against readings
//! of the rules that know nothing of its code.
//!
//! - [`ground`]: the ground: the way round a barrel course, what fits where, setting out, drills, trail, runs, the film, and the devices and files that belong to it
//! - [`tape`]: films as marks: splits and strides against values worked out by hand, the way on the plan against a camera whose place is known

mod ground;
mod tape;
