import { describe, expect, test } from 'vitest';
import type { Schemas } from '../src/base/api/client';
import {
  changedGate,
  changeGate,
  chooseSchool,
  chosenSchool,
  resetGate,
  same,
  touchesLevel,
  valueIn,
} from '../src/ladder/program/changes';
import type { Program } from '../src/data/programs';
import {
  fieldsFor,
  groups,
  read,
  typed,
  valueAt,
  withValue,
} from '../src/ladder/program/gateFields';

const none: Program = { name: 'Ours', schools: {}, gates: [] };
const walk = { skill: 'stop.seat', rung: 'walk' };
const shipped = { soft_share: 0.8, soft: { lope_s: 3 } } as unknown as Schemas['Gate'];

describe('a program as a difference', () => {
  test('a change is written down, changed and taken back', () => {
    const once = changeGate(none, walk, 'soft_share', 0.9);
    expect(once.gates).toEqual([{ ...walk, gate: { soft_share: 0.9 } }]);
    const twice = changeGate(once, walk, 'soft.lope_s', 2.5);
    expect(changedGate(twice, walk)).toEqual({ soft_share: 0.9, soft: { lope_s: 2.5 } });
    expect(none.gates).toEqual([]);
    const back = changeGate(
      changeGate(twice, walk, 'soft.lope_s', undefined),
      walk,
      'soft_share',
      undefined,
    );
    expect(same(back, none)).toBe(true);
    expect(resetGate(twice, walk).gates).toEqual([]);
  });

  test('a change of the whole skill holds for each rung; a later one lies on top', () => {
    const whole = changeGate(none, { skill: 'stop.seat' }, 'soft_share', 0.7);
    expect(valueIn(whole, walk, 'soft_share', shipped)).toBe(0.7);
    const own = changeGate(whole, walk, 'soft_share', 0.95);
    expect(valueIn(own, walk, 'soft_share', shipped)).toBe(0.95);
    expect(valueIn(own, { skill: 'stop.seat', rung: 'jog' }, 'soft_share', shipped)).toBe(0.7);
    expect(valueIn(own, { skill: 'bend.flex', rung: 'stand' }, 'soft.lope_s', shipped)).toBe(3);
    expect(touchesLevel(own, { skill: 'stop.seat', rung: 'lope' })).toBe(true);
    expect(touchesLevel(own, { skill: 'bend.flex', rung: 'stand' })).toBe(false);
  });

  test('the default school is not written down', () => {
    const question: Schemas['Question'] = {
      id: 'spurs',
      asks: 'Spurs',
      choices: [
        { id: 'late', text: 'Late' },
        { id: 'never', text: 'Never' },
      ],
    };
    const never = chooseSchool(none, question, 'never');
    expect(never.schools).toEqual({ spurs: 'never' });
    expect(chosenSchool(never, question)).toBe('never');
    expect(chooseSchool(never, question, 'late').schools).toEqual({});
    expect(chosenSchool(none, question)).toBe('late');
  });

  test('two programs are the same whatever the order of their keys', () => {
    const a: Program = { name: 'A', schools: { x: '1', y: '2' }, gates: [] };
    expect(same(a, { gates: [], schools: { y: '2', x: '1' }, name: 'A' })).toBe(true);
    expect(same(a, { ...a, name: 'B' })).toBe(false);
  });
});

describe('the numbers of a gate', () => {
  const share = groups[0]!.fields.find(({ path }) => path === 'soft_share')!;
  const time = groups[2]!.fields.find(({ path }) => path === 'soft.lope_s')!;

  test('shares are typed in percent', () => {
    expect(typed(share, 0.825)).toBe('82.5');
    expect(read(share, '82,5')).toBe(0.825);
    expect(read(time, '2.5')).toBe(2.5);
    expect(read(share, '')).toBeUndefined();
    expect(read(share, 'much')).toBeUndefined();
    const ratio = { path: 'most_time_ratio', label: 'Slower side may take', optional: true };
    expect(read(ratio, '')).toBeNull();
    expect(typed(ratio, null)).toBe('');
  });

  test('only numbers that mean something to the measure are there', () => {
    const paths = (measure: Schemas['MeasureKind']) =>
      groups.flatMap((group) => fieldsFor(group, measure)).map(({ path }) => path);
    expect(paths('give')).toContain('most_time_ratio');
    expect(paths('stop')).not.toContain('most_time_ratio');
    expect(paths('stop')).toContain('soft.off_bridle_s');
    expect(paths('count')).toContain('least_count');
    expect(paths('give')).not.toContain('least_count');
  });

  test('a value is put in and taken out again', () => {
    const gate = withValue({}, 'soft.lope_s', 2);
    expect(gate).toEqual({ soft: { lope_s: 2 } });
    expect(valueAt(gate, 'soft.lope_s')).toBe(2);
    expect(withValue(gate, 'soft.lope_s', undefined)).toEqual({});
  });
});
