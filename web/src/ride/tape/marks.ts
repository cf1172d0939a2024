import type { Schemas } from '../../base/api/client';

export type TapeSheet = Schemas['TapeSheet'];
export type TapeMark = Schemas['TapeMark'];
export type Mark = Schemas['Mark'];

/** What can be marked, with the key that marks it. */
export interface MarkKey {
  key: string;
  name: string;
  mark: Exclude<Mark['kind'], 'spot'> | 1 | 2 | 3;
  /** How much of a row it takes, of six. */
  wide: 2 | 3 | 6;
}

export const markKeys: MarkKey[] = [
  { key: 's', name: 'Score line, going in', mark: 'line_in', wide: 3 },
  { key: 'e', name: 'Score line, coming home', mark: 'line_home', wide: 3 },
  { key: '1', name: 'Spot 1, in', mark: 1, wide: 2 },
  { key: '2', name: 'Spot 2, back', mark: 2, wide: 2 },
  { key: '3', name: 'Spot 3, out', mark: 3, wide: 2 },
  { key: 'i', name: 'Turn, in', mark: 'turn_in', wide: 2 },
  { key: 'b', name: 'Turn, back', mark: 'turn_back', wide: 2 },
  { key: 'o', name: 'Turn, out', mark: 'turn_out', wide: 2 },
  { key: 'h', name: 'Hoof beat', mark: 'hoof_beat', wide: 6 },
];

const single = ({ kind }: Mark) => kind === 'line_in' || kind === 'line_home' || kind === 'spot';

const same = (a: Mark, b: Mark) =>
  a.kind === b.kind &&
  (a.kind !== 'spot' || (b.kind === 'spot' && a.barrel === b.barrel && a.spot === b.spot));

/** With one more mark. What there is one of is moved; the same beat twice is one. */
export function withMark(marks: TapeMark[], made: TapeMark): TapeMark[] {
  const others = marks.filter(
    (one) =>
      !same(one.mark, made.mark) ||
      !(single(made.mark) || (one.film === made.film && one.at_s === made.at_s)),
  );
  return [...others, made];
}

/** The barrel whose spots are marked next: after spot 3 it is the next one. */
export function nextBarrel(marks: TapeMark[]): number {
  const done = (barrel: number) =>
    marks.some(({ mark }) => mark.kind === 'spot' && mark.barrel === barrel && mark.spot === 3);
  return [1, 2, 3].find((barrel) => !done(barrel)) ?? 3;
}

export const markOf = ({ mark }: MarkKey, barrel: number): Mark =>
  typeof mark === 'number' ? { kind: 'spot', barrel, spot: mark } : { kind: mark };

const names = Object.fromEntries(
  markKeys
    .filter(({ mark }) => typeof mark === 'string')
    .map(({ mark, name }): [string, string] => [mark as string, name]),
);
const spotNames = ['in', 'back', 'out'];

export const markInWords = (mark: Mark): string =>
  mark.kind === 'spot'
    ? `Barrel ${mark.barrel}, ${spotNames[mark.spot - 1]}`
    : (names[mark.kind] ?? mark.kind);

/** A tape that was just opened. */
export const newTape = (day: string): TapeSheet => ({
  name: '',
  day,
  films: [],
  tie: null,
  marks: [],
  known: [],
  track: [],
  course_id: null,
  ride_id: null,
});

/** Where the feet are in a frame; a frame has one such place. */
export const withTrack = (
  track: Schemas['TrackPoint'][],
  made: Schemas['TrackPoint'],
): Schemas['TrackPoint'][] =>
  [...track.filter((one) => one.film !== made.film || one.at_s !== made.at_s), made].sort(
    (a, b) => a.film - b.film || a.at_s - b.at_s,
  );

/** A known point that was found in a film; found again, it is moved. */
export const withKnown = (
  known: Schemas['KnownPoint'][],
  made: Schemas['KnownPoint'],
): Schemas['KnownPoint'][] => [
  ...known.filter((one) => one.film !== made.film || one.name !== made.name),
  made,
];
