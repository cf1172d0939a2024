//! How old a horse is: by the year it was foaled, as the trade counts.

use jiff::civil::Date;

/// A horse is young up to this age. Product default.
const YOUNG_YEARS: i32 = 3;

/// Its age in years on a day; a horse has its birthday on the first of January.
///
/// Source: common practice of the breed registries, from memory.
pub fn age_years(foaled: i32, on: Date) -> i32 {
    i32::from(on.year()) - foaled
}

/// Whether a horse is young: ridden early, not pushed.
pub fn is_young(foaled: i32, on: Date) -> bool {
    age_years(foaled, on) <= YOUNG_YEARS
}
