//! Numbers, plurals, days and pronouns as a western trainer says them. The only
//! place of the core where they are spelled.

use jiff::civil::Date;

use crate::sex::Sex;

/// A share, rounded: 80%.
pub fn percent(share: f64) -> String {
    format!("{:.0}%", share * 100.0)
}

/// A share, rounded down: what was found is never rounded up to what is needed.
pub fn percent_down(share: f64) -> String {
    format!("{:.0}%", (share * 100.0 + 1e-9).floor())
}

/// A number of things: 1 ask, 2 asks.
pub fn count(number: u32, thing: &str) -> String {
    format!("{number} {thing}{}", if number == 1 { "" } else { "s" })
}

/// A number of days.
pub fn days(number: u32) -> String {
    count(number, "day")
}

/// A day with its weekday: Monday, July 6, 2026.
pub fn on_weekday(day: Date) -> String {
    day.strftime("%A, %B %-d, %Y").to_string()
}

/// A day without its year: October 3.
pub fn on_day(day: Date) -> String {
    day.strftime("%B %-d").to_string()
}

/// The day of the week: Monday.
pub fn weekday(day: Date) -> String {
    day.strftime("%A").to_string()
}

/// A time of day, told in minutes from midnight: 1:30 PM, or 13:30.
pub fn clock_of_minutes(minutes: u16, hours24: bool) -> String {
    let (hour, minute) = (minutes / 60 % 24, minutes % 60);
    if hours24 {
        return format!("{hour:02}:{minute:02}");
    }
    let half = if hour < 12 { "AM" } else { "PM" };
    let hour = match hour % 12 {
        0 => 12,
        hour => hour,
    };
    format!("{hour}:{minute:02} {half}")
}

/// With a capital first letter.
pub fn capital(words: &str) -> String {
    first_letter(words, |letter| letter.to_uppercase().collect())
}

/// With a small first letter.
pub fn lower(words: &str) -> String {
    first_letter(words, |letter| letter.to_lowercase().collect())
}

fn first_letter(words: &str, change: impl Fn(char) -> String) -> String {
    let mut letters = words.chars();
    letters
        .next()
        .map_or_else(String::new, |first| change(first) + letters.as_str())
}

/// What to call a horse after its name has been said.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Pronouns {
    /// he, she, the horse.
    pub he: &'static str,
    /// him, her, the horse.
    pub him: &'static str,
    /// his, her, the horse's.
    pub his: &'static str,
}

/// The pronouns of a mare, a gelding or stallion, or a horse of unknown sex: never "it".
pub fn pronouns(sex: Option<Sex>) -> Pronouns {
    match sex {
        Some(Sex::Mare) => Pronouns {
            he: "she",
            him: "her",
            his: "her",
        },
        Some(Sex::Gelding | Sex::Stallion) => Pronouns {
            he: "he",
            him: "him",
            his: "his",
        },
        None => Pronouns {
            he: "the horse",
            him: "the horse",
            his: "the horse's",
        },
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn numbers_days_and_pronouns_are_plain_american() {
        assert_eq!(percent(0.8), "80%");
        assert_eq!(percent_down(0.7999), "79%");
        assert_eq!(percent_down(12.0 / 15.0), "80%");
        assert_eq!(
            (count(1, "ask"), count(0, "ask")),
            ("1 ask".into(), "0 asks".into())
        );
        assert_eq!(
            on_weekday(Date::constant(2026, 7, 6)),
            "Monday, July 6, 2026"
        );
        assert_eq!(capital("left"), "Left");
        assert_eq!(lower(""), "");
        assert_eq!(pronouns(Some(Sex::Mare)).him, "her");
        assert_eq!(pronouns(None).he, "the horse");
    }
}
