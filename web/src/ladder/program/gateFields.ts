import type { Schemas } from '../../base/api/client';

export type Gate = Schemas['Gate'];
export type MeasureKind = Schemas['MeasureKind'];

/** A number of a gate as the editor shows it. */
export interface GateField {
  /** Its way into the gate, such as `soft.lope_s`. */
  path: string;
  label: string;
  unit?: string;
  /** Shares are typed in percent. */
  percent?: boolean;
  choice?: 'yes_no' | 'hand';
  /** May be left empty: the gate is without that rail. */
  optional?: boolean;
  /** Only for these measures; for all when left out. */
  measures?: MeasureKind[];
}

export interface FieldGroup {
  title: string;
  fields: GateField[];
}

const timed: MeasureKind[] = ['give'];

/** The numbers of a gate in the order a trainer thinks of them. */
export const groups: FieldGroup[] = [
  {
    title: 'What opens it',
    fields: [
      { path: 'least_count', label: 'Number to reach', measures: ['count'] },
      { path: 'soft_share', label: 'Soft share on each side', unit: '%', percent: true },
      { path: 'low_share', label: 'Proven above', unit: '%', percent: true },
      { path: 'confidence', label: 'How sure that is', unit: '%', percent: true },
      { path: 'least_reps', label: 'Asks on each side' },
      { path: 'least_days', label: 'Days asked' },
      { path: 'first_ask_soft', label: 'First asks soft' },
      { path: 'first_ask_days', label: 'out of the last', unit: 'days' },
      { path: 'no_miss_reps', label: 'Soft in a row, none missed' },
      {
        path: 'most_difference',
        label: 'Sides may differ by',
        unit: 'points',
        percent: true,
        optional: true,
      },
      {
        path: 'most_time_ratio',
        label: 'Slower side may take',
        unit: 'times',
        measures: timed,
        optional: true,
      },
      { path: 'level_below', label: 'Level below soft on its last day', choice: 'yes_no' },
    ],
  },
  {
    title: 'What is looked at',
    fields: [
      { path: 'window_rides', label: 'The last rides', unit: 'rides' },
      { path: 'window_days', label: 'not older than', unit: 'days' },
    ],
  },
  {
    title: 'When an answer is soft',
    fields: [
      { path: 'soft.most_hand', label: 'Most hand', choice: 'hand', measures: timed },
      { path: 'soft.stand_walk_s', label: 'Time, standing and walk', unit: 's', measures: timed },
      { path: 'soft.jog_trot_s', label: 'Time, jog and trot', unit: 's', measures: timed },
      { path: 'soft.lope_s', label: 'Time, lope', unit: 's', measures: timed },
      { path: 'soft.most_bumps', label: 'Most bumps', measures: timed },
      { path: 'soft.most_nose_ups', label: 'Most nose-ups in a circle', measures: ['circle'] },
      {
        path: 'soft.most_strides',
        label: 'Feet quit within, walk and jog',
        unit: 'strides',
        measures: ['stop'],
      },
      {
        path: 'soft.most_strides_lope',
        label: 'Feet quit within, lope',
        unit: 'strides',
        measures: ['stop'],
      },
      { path: 'soft.off_bridle_s', label: 'Off the bridle within', unit: 's', measures: ['stop'] },
      { path: 'soft.most_leaves', label: 'Times out of the frame', measures: ['carry'] },
      { path: 'soft.most_tries', label: 'Tries to cross', measures: ['obstacle'] },
      { path: 'soft.pocket_ft', label: 'Pockets within', unit: 'ft of plan', measures: ['run'] },
    ],
  },
  {
    title: 'When it goes back, when it is rusty',
    fields: [
      { path: 'ease_reps', label: 'A ride counts from', unit: 'asks' },
      { path: 'ease_share', label: 'Goes back below', unit: '% soft', percent: true },
      { path: 'ease_rides', label: 'on so many rides in a row', unit: 'rides' },
      { path: 'rusty_days', label: 'Rusty after', unit: 'days' },
      { path: 'rusty_days_firm', label: 'when firm, after', unit: 'days' },
      { path: 'firm_on_days', label: 'Firm once passed on', unit: 'days' },
    ],
  },
];

export const fieldsFor = (group: FieldGroup, measure: MeasureKind) =>
  group.fields.filter(({ measures }) => !measures || measures.includes(measure));

export type Value = number | boolean | string | null;

/** A value of a gate, or of a part of one, by its way. */
export function valueAt(gate: object, path: string): Value | undefined {
  return path
    .split('.')
    .reduce<unknown>((at, step) => (at as Record<string, unknown> | undefined)?.[step], gate) as
    Value | undefined;
}

/** The same with one value changed; undefined takes it out. */
export function withValue(
  gate: Record<string, unknown>,
  path: string,
  value: Value | undefined,
): Record<string, unknown> {
  const [step = '', ...rest] = path.split('.');
  const next = { ...gate };
  const below =
    rest.length === 0
      ? value
      : withValue((gate[step] as Record<string, unknown>) ?? {}, rest.join('.'), value);
  const empty =
    below === undefined ||
    (typeof below === 'object' && below !== null && Object.keys(below).length === 0);
  if (empty) delete next[step];
  else next[step] = below;
  return next;
}

/** What stands in the field: percent as whole numbers, tenths where needed. */
export function typed(field: GateField, value: Value | undefined): string {
  if (value == null) return '';
  if (field.percent && typeof value === 'number') return String(Math.round(value * 1000) / 10);
  return String(value);
}

/** What was typed, as the gate has it: null where an optional field is empty, undefined when it is no number. */
export function read(field: GateField, text: string): number | null | undefined {
  const number = Number(text.replace(',', '.'));
  if (text.trim() === '') return field.optional ? null : undefined;
  if (!Number.isFinite(number)) return undefined;
  return field.percent ? Math.round(number * 10) / 1000 : number;
}
