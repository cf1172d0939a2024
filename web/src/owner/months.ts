const name = new Intl.DateTimeFormat('en-US', { month: 'long', year: 'numeric', timeZone: 'UTC' });

/** The last months until a day, latest first: `2026-10` and October 2026. */
export function monthsUntil(day: string, many: number): [string, string][] {
  const [year, month] = day.split('-').map(Number) as [number, number];
  return Array.from({ length: many }, (_, before) => {
    const first = new Date(Date.UTC(year, month - 1 - before, 1));
    return [first.toISOString().slice(0, 7), name.format(first)];
  });
}
