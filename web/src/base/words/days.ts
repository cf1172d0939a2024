import { hours24 } from './clockSetting';

/** Days as people say them. A day is a date such as 2026-05-04, where the barn is. */

const weekday = new Intl.DateTimeFormat('en-US', { weekday: 'long', timeZone: 'UTC' });
const short = new Intl.DateTimeFormat('en-US', { month: 'short', day: 'numeric', timeZone: 'UTC' });
const long = new Intl.DateTimeFormat('en-US', {
  weekday: 'long',
  month: 'long',
  day: 'numeric',
  timeZone: 'UTC',
});

const noon = (day: string) => new Date(`${day}T12:00:00Z`);

export const shortDay = (day: string) => short.format(noon(day));
export const longDay = (day: string) => long.format(noon(day));

export function daysBetween(from: string, to: string): number {
  return Math.round((noon(to).getTime() - noon(from).getTime()) / 86_400_000);
}

/** The calendar day it is now in a time zone. */
export function dayIn(timeZone: string, at: Date = new Date()): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone }).format(at);
}

export function saidDay(day: string, today: string): string {
  const ago = daysBetween(day, today);
  if (ago === 0) return 'today';
  if (ago === 1) return 'yesterday';
  if (ago > 1 && ago < 7) return weekday.format(noon(day));
  // So long ago the same day of another year is as near.
  return ago > 300 ? `${shortDay(day)}, ${day.slice(0, 4)}` : shortDay(day);
}

/** A time of day such as 13:30:00: 1:30 PM, or 13:30 by the 24-hour setting. */
export const clock = (time: string) => clockIn('UTC', `1970-01-01T${time}Z`);

export function clockIn(timeZone: string, at: string): string {
  const hours = hours24() ? ({ hourCycle: 'h23' } as const) : { hour12: true };
  return new Intl.DateTimeFormat('en-US', {
    hour: 'numeric',
    minute: '2-digit',
    timeZone,
    ...hours,
  }).format(new Date(at));
}

/** Minutes from midnight by now in a time zone. */
export function minutesNow(timeZone: string, at: Date = new Date()): number {
  const [hour = 0, minute = 0] = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  })
    .format(at)
    .split(':')
    .map(Number);
  return hour * 60 + minute;
}

/** Monday, May 4, 9:00 AM. */
export const dayAndClockIn = (timeZone: string, at: string) =>
  `${longDay(dayIn(timeZone, new Date(at)))}, ${clockIn(timeZone, at)}`;

export function dayAfter(day: string, days = 1): string {
  return new Date(noon(day).getTime() + days * 86_400_000).toISOString().slice(0, 10);
}

/** The first and the last of days in a row. */
export type Span = [string, string];

/** Days in a row, a day or two between them allowed. */
export function spans(days: string[]): Span[] {
  const found: Span[] = [];
  for (const day of days) {
    const last = found.at(-1);
    if (last && daysBetween(last[1], day) <= 3) last[1] = day;
    else found.push([day, day]);
  }
  return found;
}
