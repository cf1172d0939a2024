//! Tracks and reins: circles against a published example and circles whose truth is known, gaits
//! against speeds that are, asks against pulls that are, files.

mod circles;
mod files;
mod gauge;
mod pace;
