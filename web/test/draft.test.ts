import { describe, expect, test } from 'vitest';
import {
  begun,
  canRedo,
  canUndo,
  changed,
  contentOf,
  mostSteps,
  readDraft,
  stepped,
} from '../src/ladder/program/draft';
import type { Program } from '../src/data/programs';

const named = (name: string): Program => ({ name, schools: {}, gates: [] });
const start = begun(3, named('Ours'));

describe('a draft of a program', () => {
  test('goes back and on again, as far as there are steps', () => {
    const two = changed(changed(start, named('A')), named('B'));
    expect(contentOf(two).name).toBe('B');
    const back = stepped(two, -1);
    expect(contentOf(back).name).toBe('A');
    expect(canRedo(back)).toBe(true);
    expect(contentOf(stepped(back, 1)).name).toBe('B');
    const first = stepped(two, -9);
    expect(contentOf(first).name).toBe('Ours');
    expect(canUndo(first)).toBe(false);
    expect(canRedo(stepped(two, 9))).toBe(false);
  });

  test('a change after going back leaves behind what was undone', () => {
    const two = changed(changed(start, named('A')), named('B'));
    const other = changed(stepped(two, -1), named('C'));
    expect(other.steps.map(({ name }) => name)).toEqual(['Ours', 'A', 'C']);
    expect(canRedo(other)).toBe(false);
  });

  test('the letters typed in one field are one step', () => {
    const typed = ['H', 'Ha', 'Hac'].reduce(
      (draft, name) => changed(draft, named(name), 'name'),
      start,
    );
    expect(typed.steps.map(({ name }) => name)).toEqual(['Ours', 'Hac']);
    const elsewhere = changed(typed, named('Hack'), 'other');
    expect(elsewhere.steps).toHaveLength(3);
    // After going back, typing on begins a step of its own.
    const again = changed(stepped(typed, -1), named('X'), 'name');
    expect(contentOf(stepped(again, -1)).name).toBe('Ours');
  });

  test('only so many steps are kept', () => {
    let draft = start;
    for (let step = 0; step < mostSteps + 20; step += 1) draft = changed(draft, named(`${step}`));
    expect(draft.steps).toHaveLength(mostSteps);
    expect(contentOf(draft).name).toBe(`${mostSteps + 19}`);
  });

  test('what was kept goes on only from the version it was begun on', () => {
    const text = JSON.stringify(changed(start, named('A')));
    expect(contentOf(readDraft(text, 3)!).name).toBe('A');
    expect(readDraft(text, 4)).toBeNull();
    expect(readDraft(null, 3)).toBeNull();
    expect(readDraft('{"from": 3}', 3)).toBeNull();
    expect(readDraft('not JSON', 3)).toBeNull();
  });
});
