//! Cattle, held against what it says of itself, against published figures, and against readings
//! of the rules that know nothing of its code.
//!
//! - [`cattle`]: cattle: honesty against its closed form and scipy, matching against brute force and scipy, the flag against the kinematics of even acceleration, the cow against what its model promises

mod cattle;
