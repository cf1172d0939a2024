import { dayIn, minutesNow } from './days';

/** Seconds of a day at a time such as 13:05 or 13:05:20; null while it is none. */
export function secondsOfDay(time: string): number | null {
  const found = /^(\d{1,2}):(\d{2})(?::(\d{2}))?$/.exec(time.trim());
  if (!found) return null;
  const [hour, minute, second] = found.slice(1).map((part) => Number(part ?? 0));
  if (hour! > 23 || minute! > 59 || (second ?? 0) > 59) return null;
  return (hour! * 60 + minute!) * 60 + (second ?? 0);
}

/** The moment of a day and a time of day in a time zone. A time that a change of clocks leaves out is an hour later. */
export function instantOf(timeZone: string, day: string, seconds: number): Date {
  const wanted = Date.parse(`${day}T00:00:00Z`) + seconds * 1000;
  // The zone's own offset, found at the moment itself: twice, as it may change on that day.
  const offset = (at: number) => {
    const date = new Date(at);
    const shown =
      Date.parse(`${dayIn(timeZone, date)}T00:00:00Z`) + minutesNow(timeZone, date) * 60_000;
    return shown - Math.floor(at / 60_000) * 60_000;
  };
  const first = wanted - offset(wanted);
  return new Date(wanted - offset(first));
}

/** When something of a day was over whose hour nobody said: noon, or now on the day itself. */
export function endOf(timeZone: string, day: string): Date {
  const noon = instantOf(timeZone, day, 12 * 3600);
  return day >= dayIn(timeZone) || noon.getTime() > Date.now() ? new Date() : noon;
}
