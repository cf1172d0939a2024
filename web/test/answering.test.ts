import { afterEach, beforeEach, expect, test } from 'vitest';
import { Answering } from '../src/base/core/answering';

/** One section of a WebAssembly module (core specification 2.0, section 5.5). */
const section = (id: number, ...content: number[]) => [id, content.length, ...content];
const named = (name: string, kind: number, index: number) => [
  name.length,
  ...Array.from(name, (letter) => letter.charCodeAt(0)),
  kind,
  index,
];

const [i32, i64] = [0x7f, 0x7e];
const end = 0x0b;

/** A core whose `calculate` runs `code`, of the same interface as the real one. */
function core(...code: number[]): Promise<WebAssembly.Module> {
  const bodies = [[0x41, 8], [], code, []].map((body) => [body.length + 2, 0, ...body, end]);
  const exported = [
    named('memory', 2, 0),
    named('allocate', 0, 0),
    named('release', 0, 1),
    named('calculate', 0, 2),
    named('tell_panics', 0, 3),
  ];
  return WebAssembly.compile(
    new Uint8Array([
      ...[0x00, 0x61, 0x73, 0x6d, 0x01, 0x00, 0x00, 0x00],
      ...section(
        1,
        ...[4, 0x60, 1, i32, 1, i32, 0x60, 2, i32, i32, 0],
        ...[0x60, 4, i32, i32, i32, i32, 1, i64, 0x60, 0, 0],
      ),
      ...section(3, 4, 0, 1, 2, 3),
      ...section(5, 1, 0, 1),
      ...section(7, exported.length, ...exported.flat()),
      ...section(10, 4, ...bodies.flat()),
    ]),
  );
}

const unreachable = 0x00;
const call = { name: 'share', input: {} };

const { Instance } = WebAssembly;
let started = 0;

beforeEach(() => {
  started = 0;
  WebAssembly.Instance = class extends Instance {
    constructor(...given: ConstructorParameters<typeof Instance>) {
      super(...given);
      started += 1;
    }
  };
});
afterEach(() => {
  WebAssembly.Instance = Instance;
});

test('a core that breaks breaks one call; the next gets a fresh instance', async () => {
  const answering = new Answering(core(unreachable));
  const first = await answering.answer({ id: 1, ...call });
  expect(first).toMatchObject({ id: 1, broke: expect.stringContaining('unreachable') as string });
  expect(await answering.answer({ id: 2, ...call })).toMatchObject({ id: 2 });
  expect(started).toBe(2);
});

test('a core that cannot be had is said with every call', async () => {
  const gone = Promise.reject(new Error('no signal'));
  const answering = new Answering(gone);
  expect(await answering.answer({ id: 1, ...call })).toEqual({ id: 1, broke: 'no signal' });
  expect(await answering.answer({ id: 2, ...call })).toEqual({ id: 2, broke: 'no signal' });
});

test('an instance that answers is kept', async () => {
  // The bytes "{}" at address 8, which the input was written to: i64.const 8 << 32 | 2.
  const answering = new Answering(core(0x42, 0x82, 0x80, 0x80, 0x80, 0x80, 0x01));
  for (const id of [1, 2])
    expect(await answering.answer({ id, ...call })).toEqual({ id, outcome: {} });
  expect(started).toBe(1);
});
