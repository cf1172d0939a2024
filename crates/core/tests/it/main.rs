//! The core, held against what it says of itself, against published figures, and against
//! readings of the rules that know nothing of its code.
//!
//! - [`bounds_as_documented`]: the least and the most that the API document names for a number or a text are taken, and what lies beyond is refused: the document and the table of bounds are one
//! - [`named_by_role`]: rules name roles, never the id of a skill; what is data names skills that are there
//! - [`no_circles`]: the modules of core and store form no circle, neither file by file nor folder by folder: in the core ids and plain values lie at the bottom, then reps, ladder, programs, evidence, judge, rides, and what uses them on top

mod bounds_as_documented;
mod named_by_role;
mod no_circles;
