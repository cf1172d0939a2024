//! What a week is planned under, for once.

use jiff::civil::Date;
use uuid::Uuid;

/// What is assumed for once.
#[derive(Debug, Clone, Default)]
pub struct WhatIf {
    /// Horses that are not ridden.
    pub without_horses: Vec<Uuid>,
    /// People who went home, from now on.
    pub without_people: Vec<Uuid>,
    /// On the first day it is too hot to ride from this minute on.
    pub too_hot_from_min: Option<u16>,
    /// Only this day is planned anew.
    pub only_day: Option<Date>,
}
