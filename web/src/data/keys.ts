/**
 * What queries are about, and which of them a change of one horse makes others: none, that of
 * the horse whose id stands second in the key, or any.
 */
const nouns = {
  session: 'none',
  barn: 'none',
  people: 'none',
  devices: 'none',
  link: 'none',
  linkReport: 'none',
  linkView: 'none',
  calendarLinks: 'none',
  timeZones: 'none',

  today: 'any',
  news: 'any',
  board: 'any',
  careDue: 'any',
  trips: 'any',
  datesAtRisk: 'any',
  outcomes: 'any',
  review: 'any',
  deeds: 'any',

  horses: 'any',
  horse: 'one',
  level: 'one',
  pack: 'one',
  judgedHere: 'one',
  intake: 'one',
  intakeHere: 'none',
  card: 'one',
  traits: 'none',
  report: 'none',
  roadHelps: 'any',

  ride: 'any',
  brakeHere: 'one',
  quitHere: 'none',
  coolOutSays: 'none',

  day: 'any',
  week: 'any',
  solve: 'none',
  busyCalendars: 'any',

  ladder: 'none',
  programs: 'none',
  program: 'none',
  preview: 'any',
  programJudgedHere: 'one',

  tack: 'one',
  twoRein: 'one',
  rigs: 'one',
  bitChanges: 'one',
  bitChangeHere: 'none',
  restores: 'one',
  fittings: 'any',
  hands: 'any',
  showRules: 'none',

  places: 'none',
  gear: 'none',
  lay: 'none',
  courses: 'none',
  trail: 'one',
  runs: 'one',
  tapes: 'one',
  timedRuns: 'any',

  cattle: 'any',
  cow: 'any',
  cowRounds: 'any',
  cattleMatch: 'any',
  pen: 'one',
  works: 'one',
  nextCow: 'none',
  flag: 'any',
  flagProgram: 'none',

  sheets: 'any',
  imports: 'any',
  barnDevices: 'any',
} as const satisfies Record<string, 'none' | 'one' | 'any'>;

type About<Horses> = {
  [N in keyof typeof nouns]: (typeof nouns)[N] extends Horses ? N : never;
}[keyof typeof nouns];

/** What a query is kept under: its noun, the horse's id where it is of one, and what else it asks. */
export type Key =
  readonly [About<'none' | 'any'>, ...unknown[]] | readonly [About<'one'>, string, ...unknown[]];

declare module '@tanstack/react-query' {
  interface Register {
    queryKey: Key;
  }
}

/** Whether what a query brought may be other now that more is known of a horse. */
export function touches(key: Key, horseId: string): boolean {
  const horses = nouns[key[0]];
  return horses === 'any' || (horses === 'one' && key[1] === horseId);
}
