//! Calendars that come in: the times of their events, each occurrence by itself.
//!
//! Source: RFC 5545. Read are DTSTART, DTEND or DURATION, RRULE, RDATE, EXDATE,
//! RECURRENCE-ID, STATUS, TRANSP, SUMMARY; times in UTC, with a TZID of the IANA names, or
//! without (the barn's own clock). An occurrence keeps its time of day when the clock is
//! set.

use cavesson_core::bounds::FieldError;
use icalendar::rrule::RRuleSet;
use icalendar::{Calendar, Component, Event, Property};
use jiff::civil::{Date, DateTime};
use jiff::tz::TimeZone;
use jiff::{SignedDuration, Span, Timestamp, ToSpan};

/// Most events of one file.
pub const MOST_EVENTS: usize = 5_000;
/// Most occurrences of all events.
pub const MOST_TIMES: usize = 5_000;
/// Most occurrences of one event that are looked through.
const MOST_STEPS: usize = 40_000;

/// An event's time.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Occurrence {
    /// When it begins.
    pub from: Timestamp,
    /// When it ends.
    pub to: Timestamp,
    /// What it says.
    pub summary: String,
    /// Whether somebody is busy then: neither cancelled nor marked as free.
    pub busy: bool,
}

/// The occurrences that touch the time from `from` to `to`, earliest first.
///
/// # Errors
/// Text that is no calendar, an event whose times cannot be read, or too many, at `/text`.
pub fn read(
    text: &str,
    zone: &TimeZone,
    from: Timestamp,
    to: Timestamp,
) -> Result<Vec<Occurrence>, FieldError> {
    let fail = |detail: String| FieldError::new("/text", detail);
    if !text
        .trim_start_matches('\u{FEFF}')
        .trim_start()
        .starts_with("BEGIN:VCALENDAR")
    {
        return Err(fail(
            "must be a calendar file: it begins with BEGIN:VCALENDAR".into(),
        ));
    }
    let calendar: Calendar = text
        .trim_start_matches('\u{FEFF}')
        .parse()
        .map_err(|_| fail("is no calendar that can be read (RFC 5545)".into()))?;
    let events: Vec<&Event> = calendar.events().collect();
    if events.len() > MOST_EVENTS {
        let found = events.len();
        return Err(fail(format!(
            "may hold {MOST_EVENTS} events, found {found}"
        )));
    }
    let moved = moved(&events, zone)?;
    let mut found = Vec::new();
    for event in &events {
        let times = Times::of(event, zone)?;
        for begins in times.begin(&moved, from, to)? {
            let from_at = times.zone.to_ambiguous_zoned(begins).compatible();
            let from_at = from_at.map_err(|_| times.fail("has a time that there is not"))?;
            let ends = times.end_of(&from_at)?;
            if from_at.timestamp() >= to || ends <= from {
                continue;
            }
            found.push(Occurrence {
                from: from_at.timestamp(),
                to: ends,
                summary: event.get_summary().unwrap_or_default().to_owned(),
                busy: is_busy(event),
            });
            if found.len() > MOST_TIMES {
                return Err(fail(format!("may hold {MOST_TIMES} times, found more")));
            }
        }
    }
    found.sort_by_key(|one| (one.from, one.to));
    Ok(found)
}

/// Whether the words of an event say that somebody is busy.
fn is_busy(event: &Event) -> bool {
    let is = |key: &str, value: &str| {
        event
            .property_value(key)
            .is_some_and(|found| found.trim().eq_ignore_ascii_case(value))
    };
    !is("STATUS", "CANCELLED") && !is("TRANSP", "TRANSPARENT")
}

/// Occurrences that an event of their own stands for: its series' UID, and when the
/// occurrence was to begin.
fn moved(events: &[&Event], zone: &TimeZone) -> Result<Vec<(String, DateTime)>, FieldError> {
    let mut found = Vec::new();
    for event in events {
        let Some(property) = event.properties().get("RECURRENCE-ID") else {
            continue;
        };
        let times = Times::of(event, zone)?;
        let at = times.clock(property, property.value())?;
        found.push((event.get_uid().unwrap_or_default().to_owned(), at));
    }
    Ok(found)
}

/// How long an occurrence takes.
enum Long {
    /// To the second, whatever the clock does.
    Exactly(SignedDuration),
    /// Until so much later by the clock: whole days.
    ByTheClock(Span),
}

/// The times of one event, on the clock of its own zone.
struct Times<'a> {
    event: &'a Event,
    name: String,
    zone: TimeZone,
    begins: DateTime,
    long: Long,
}

impl<'a> Times<'a> {
    fn of(event: &'a Event, barn: &TimeZone) -> Result<Times<'a>, FieldError> {
        let name = event.get_summary().unwrap_or("an event without a name");
        let name: String = name.chars().take(60).collect();
        let fail = |what: &str| FieldError::new("/text", format!("\"{name}\" {what}"));
        let start = event
            .properties()
            .get("DTSTART")
            .ok_or_else(|| fail("has no DTSTART"))?;
        let zone = zone_of(start, barn).ok_or_else(|| {
            fail("has a TZID that is no IANA time zone such as America/Denver; export it in UTC or with such names")
        })?;
        let mut times = Times {
            event,
            name: name.clone(),
            begins: DateTime::default(),
            long: Long::Exactly(SignedDuration::ZERO),
            zone,
        };
        times.begins = times.clock(start, start.value())?;
        times.long = times.read_long(start)?;
        Ok(times)
    }

    fn fail(&self, what: &str) -> FieldError {
        FieldError::new("/text", format!("\"{}\" {what}", self.name))
    }

    /// A time of a property on the clock of the event's zone.
    fn clock(&self, property: &Property, text: &str) -> Result<DateTime, FieldError> {
        let text = text.trim();
        let wrong = || self.fail(&format!("has a time that cannot be read: {text}"));
        if let Ok(day) = Date::strptime("%Y%m%d", text) {
            return Ok(day.to_datetime(jiff::civil::Time::midnight()));
        }
        let utc = text.strip_suffix('Z');
        let clock =
            DateTime::strptime("%Y%m%dT%H%M%S", utc.unwrap_or(text)).map_err(|_| wrong())?;
        let of = if utc.is_some() {
            TimeZone::UTC
        } else {
            zone_of(property, &self.zone).ok_or_else(wrong)?
        };
        let at = of
            .to_ambiguous_zoned(clock)
            .compatible()
            .map_err(|_| wrong())?;
        Ok(at.with_time_zone(self.zone.clone()).datetime())
    }

    fn read_long(&self, start: &Property) -> Result<Long, FieldError> {
        let whole_day = start.value().trim().len() == 8;
        if let Some(text) = self.event.property_value("DURATION") {
            let wrong = || self.fail(&format!("has a DURATION that cannot be read: {text}"));
            let span: Span = text.trim().parse().map_err(|_| wrong())?;
            if span.is_negative() {
                return Err(self.fail("ends before it begins"));
            }
            return Ok(Long::ByTheClock(span));
        }
        let Some(end) = self.event.properties().get("DTEND") else {
            // RFC 5545, 3.6.1: without an end a day lasts a day, a time no time.
            return Ok(if whole_day {
                Long::ByTheClock(1.day())
            } else {
                Long::Exactly(SignedDuration::ZERO)
            });
        };
        let end_of_zone = zone_of(end, &self.zone).is_some();
        if !end_of_zone {
            return Err(self.fail("has a DTEND in a time zone that is not known"));
        }
        let ends = self.clock(end, end.value())?;
        if ends < self.begins {
            return Err(self.fail("ends before it begins"));
        }
        if whole_day {
            let days = self.begins.date().until(ends.date());
            return Ok(Long::ByTheClock(
                days.map_err(|_| self.fail("is too long"))?,
            ));
        }
        let at = |clock| self.zone.to_ambiguous_timestamp(clock).compatible();
        let wrong = |_| self.fail("has a time that there is not");
        let (from, to) = (at(self.begins).map_err(wrong)?, at(ends).map_err(wrong)?);
        Ok(Long::Exactly(to.duration_since(from)))
    }

    fn end_of(&self, from: &jiff::Zoned) -> Result<Timestamp, FieldError> {
        let end = match self.long {
            Long::Exactly(long) => from.timestamp().checked_add(long),
            Long::ByTheClock(span) => from.checked_add(span).map(|end| end.timestamp()),
        };
        end.map_err(|_| self.fail("is too long"))
    }

    /// When its occurrences begin, those near the time that is looked at. The rule is
    /// followed on the clock, as if the clock was never set: each occurrence keeps its time
    /// of day.
    fn begin(
        &self,
        moved: &[(String, DateTime)],
        from: Timestamp,
        to: Timestamp,
    ) -> Result<Vec<DateTime>, FieldError> {
        let Some(rule) = self.event.property_value("RRULE") else {
            let mut all = vec![self.begins];
            all.extend(self.listed("RDATE")?);
            return Ok(all);
        };
        let rule = self.on_the_clock(rule)?;
        let spelled = format!(
            "DTSTART:{}Z\nRRULE:{rule}",
            self.begins.strftime("%Y%m%dT%H%M%S")
        );
        let set: RRuleSet = spelled
            .parse()
            .map_err(|_| self.fail(&format!("repeats in a way that cannot be read: {rule}")))?;
        let clock = |at: Timestamp| at.to_zoned(self.zone.clone()).datetime();
        let longest = match self.long {
            Long::Exactly(long) => long,
            Long::ByTheClock(_) => SignedDuration::from_hours(24 * 40),
        };
        let earliest = clock(from.saturating_sub(longest).unwrap_or(from)).saturating_sub(1.day());
        let latest = clock(to).saturating_add(1.day());
        let without = self.listed("EXDATE")?;
        let uid = self.event.get_uid().unwrap_or_default();
        let stays = |at: &DateTime| {
            !without.contains(at) && !moved.iter().any(|(of, was)| of == uid && was == at)
        };
        let mut all = Vec::new();
        for step in set.into_iter().take(MOST_STEPS) {
            let at: DateTime = step
                .format("%Y-%m-%dT%H:%M:%S")
                .to_string()
                .parse()
                .map_err(|_| self.fail("repeats too far ahead"))?;
            if at > latest {
                break;
            }
            if at >= earliest && stays(&at) {
                all.push(at);
            }
        }
        all.extend(self.listed("RDATE")?.into_iter().filter(stays));
        Ok(all)
    }

    /// The rule with its end on the event's own clock; rules by the hour and finer are no
    /// appointments.
    fn on_the_clock(&self, rule: &str) -> Result<String, FieldError> {
        let upper = rule.trim().to_uppercase();
        let mut parts = Vec::new();
        for part in upper.split(';').filter(|part| !part.is_empty()) {
            let part = match part.split_once('=') {
                Some(("FREQ", "SECONDLY" | "MINUTELY" | "HOURLY")) => {
                    return Err(self.fail("repeats by the hour or more often; days, weeks, months and years can be read"));
                }
                Some(("UNTIL", until)) => {
                    let start = self.event.properties().get("DTSTART");
                    let start = start.ok_or_else(|| self.fail("has no DTSTART"))?;
                    let day = until.len() == 8;
                    let mut until = self.clock(start, until)?;
                    if day {
                        // The whole of that day.
                        until = until.date().at(23, 59, 59, 0);
                    }
                    format!("UNTIL={}Z", until.strftime("%Y%m%dT%H%M%S"))
                }
                _ => part.to_owned(),
            };
            parts.push(part);
        }
        Ok(parts.join(";"))
    }

    /// The times of a property that may stand several times, each with several times.
    fn listed(&self, key: &str) -> Result<Vec<DateTime>, FieldError> {
        let several = self.event.multi_properties().get(key).into_iter().flatten();
        let one = self.event.properties().get(key);
        let mut found = Vec::new();
        for property in several.chain(one) {
            for text in property.value().split(',') {
                // A period names its begin first.
                let begins = text.split('/').next().unwrap_or(text);
                found.push(self.clock(property, begins)?);
            }
        }
        Ok(found)
    }
}

/// The zone of a property: UTC, an IANA name, or the barn's own; none for a name that is
/// not known.
fn zone_of(property: &Property, own: &TimeZone) -> Option<TimeZone> {
    if property.value().trim().ends_with('Z') {
        return Some(TimeZone::UTC);
    }
    match property.params().get("TZID") {
        None => Some(own.clone()),
        Some(name) => TimeZone::get(name.value().trim_matches('"')).ok(),
    }
}
