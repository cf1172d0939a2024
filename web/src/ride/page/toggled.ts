const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** With the one, or without it where it was there. */
export function toggled<T>(all: T[], one: T): T[] {
  return all.some((known) => same(known, one))
    ? all.filter((known) => !same(known, one))
    : [...all, one];
}
