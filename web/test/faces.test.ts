import { describe, expect, it } from 'vitest';
import { faceOf, type Asked, type Set } from '../src/ride/recorder/faces';
import { otherAnswers } from '../src/ride/recorder/choices';
import { howTo } from '../src/ride/recorder/howTo';
import { levelsNamed } from '../src/ladder/levelsNamed';
import type { ShownLadder } from '../src/data/ladder';
import { measureInWords, type MeasureKind } from '../src/base/words/measures';

const asked = (measure: MeasureKind, more: Partial<Asked> = {}) =>
  ({
    measure,
    sides: 'each',
    skill: 'bend.hip',
    rung: 'walk',
    roles: [],
    ...more,
  }) as Partial<Asked> as Asked;

const usual = (level: Asked): Set =>
  Object.fromEntries(
    faceOf(level)
      .settings(level)
      .map(({ id, usual }) => [id, usual]),
  );

const tapped = (level: Asked, set: Set = {}) => {
  const face = faceOf(level);
  if (face.how !== 'tap') throw new Error(`${level.measure} is not tapped`);
  return face.choices({ ...usual(level), ...set });
};

describe('a face that is tapped', () => {
  it('asks for as many steps as are set, and says how many were clean', () => {
    expect(tapped(asked('steps'), { asked: '4' }).map(({ measure }) => measureInWords(measure)))
      .toMatchInlineSnapshot(`
        [
          "4 of 4 steps clean",
          "3 of 4 steps clean",
          "2 of 4 steps clean",
          "0 of 4 steps clean",
          "0 of 4 steps clean, hurried",
        ]
      `);
    expect(tapped(asked('steps')).map(({ label }) => label)).toEqual([
      'Clean',
      'Not clean',
      'Hurried, not clean',
    ]);
  });

  it('knows what the level says: the tempo, what is rolled back against', () => {
    const tempo = (rung: string) => tapped(asked('turn', { rung }))[0]?.measure;
    expect(tempo('quick')).toMatchObject({ tempo: 'quick' });
    expect(tempo('leg')).toMatchObject({ tempo: 'slow' });
    const against = (roles: Asked['roles']) => tapped(asked('roll', { roles }))[0]?.measure;
    expect(against(['open_rollback'])).toMatchObject({ against: 'open' });
    expect(against(['barrel_rollback'])).toMatchObject({ against: 'barrel' });
    expect(against([])).toMatchObject({ against: 'fence' });
  });

  it('says each answer in words of its own', () => {
    for (const measure of ['roll', 'depart', 'change', 'obstacle', 'turn', 'count'] as const) {
      const labels = tapped(asked(measure)).map(({ label }) => label);
      expect(new Set(labels).size, measure).toBe(labels.length);
    }
  });
});

describe('an answer is changed afterwards', () => {
  it('to any that the face has, its hand and time kept', () => {
    const late = { kind: 'give', hand: 'two_fingers', time_s: 2.4, answer: 'late' } as const;
    const choices = otherAnswers(faceOf(asked('give')), { measure: late }, {});
    expect(choices).toHaveLength(10);
    for (const { measure } of choices)
      expect(measure).toMatchObject({ kind: 'give', hand: 'two_fingers', time_s: 2.4 });
  });

  it('a stop keeps its cue and strides', () => {
    const level = asked('stop', { sides: 'both' });
    const measure = {
      kind: 'stop',
      cue: 'voice',
      strides: 3,
      off_bridle_s: 1.2,
      head: 'quiet',
      crept: false,
    } as const;
    const found = otherAnswers(faceOf(level), { measure }, usual(level));
    expect(found.map(({ label }) => label)).toContain('Feet crept');
    for (const choice of found)
      expect(choice.measure).toMatchObject({ kind: 'stop', cue: 'voice', strides: 3 });
  });

  it('but not what ran', () => {
    expect(
      otherAnswers(faceOf(asked('carry')), { measure: { kind: 'count', count: 1 } }, {}),
    ).toEqual([]);
  });
});

it('every face says how it is used, and its keys are its own', () => {
  const kinds: MeasureKind[] = ['give', 'steps', 'circle', 'stop', 'roll', 'depart', 'change'];
  for (const measure of [...kinds, 'carry', 'obstacle', 'turn', 'run', 'calm', 'count'] as const) {
    const level = asked(measure);
    const face = faceOf(level);
    const sides = ['left', 'right'] as const;
    const { words, keys } = howTo({ face, sides: [...sides], set: usual(level), asked: level });
    expect(words.length, measure).toBeGreaterThan(20);
    const own = keys.map(([key]) => key);
    expect(new Set(own).size, `${measure}: ${own.join(' ')}`).toBe(own.length);
  }
});

describe('a level is found', () => {
  const level = (skill: string, name: string, track: string) => ({
    level: { ...asked('give'), skill, name, track },
  });
  const ladder = {
    tracks: [
      { id: 'stop', name: 'Stop' },
      { id: 'bend', name: 'Bend' },
    ],
    levels: [
      level('bend.hip', 'Moves the hip off one leg, at the walk', 'bend'),
      level('stop.seat', 'Stops off the seat, at the jog', 'stop'),
      level('stop.seat', 'Stops off the seat, at the lope', 'stop'),
    ],
  } as unknown as ShownLadder;
  const found = (typed: string) =>
    levelsNamed(ladder, typed).flatMap(({ track, levels }) =>
      levels.map(({ name }) => `${track}: ${name}`),
    );

  it('by the first letters of its words or its track', () => {
    expect(found('st lo')).toEqual(['Stop: Stops off the seat, at the lope']);
    expect(found('HIP')).toEqual(['Bend: Moves the hip off one leg, at the walk']);
    expect(found('bend')).toHaveLength(1);
    expect(found('ztop')).toEqual([]);
  });

  it('track by track while nothing is typed', () => {
    expect(found('')).toHaveLength(3);
  });
});
