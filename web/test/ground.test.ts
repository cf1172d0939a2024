import { describe, expect, test } from 'vitest';
import { begun, letGo, redone, slid, stepped, undone } from '../src/ground/history';
import { newBarrels, own, placed, withBarrel, withPocket } from '../src/ground/barrelDraft';
import { circle, closed, nothingDrawn, onFence, rectangle, tapped } from '../src/ground/layDraft';
import { apart, pathOf, planned, drawn, windowOf, zoomed } from '../src/ground/plan';
import { newDrill, type DrillBook } from '../src/ground/drillDraft';
import { asPlanned, knockedOf, measured } from '../src/ground/runDraft';
import { newTrail, spacingAt } from '../src/ground/trailDraft';
import { measureInWords } from '../src/base/words/measures';
import { tapeInWords } from '../src/base/words/ground';

describe('the plan', () => {
  test('up the plan is up the screen, and a spot comes back as it was', () => {
    expect(drawn([3, 10])).toEqual({ x: 3, y: -10 });
    expect(planned({ x: 3.04, y: -10 })).toEqual([3, 10]);
    expect(pathOf([[0, 0], [1, 2]], true)).toBe('M0.00 0.00 L1.00 -2.00 Z'); // prettier-ignore
  });

  test('it shows all points with room round them', () => {
    const view = windowOf([[0, 0], [100, 200]], 10); // prettier-ignore
    expect(view).toEqual({ x: -10, y: -210, width: 120, height: 220 });
  });

  test('nearer about a spot leaves that spot where it is, and stops where it makes no sense', () => {
    const view = { x: 0, y: -100, width: 100, height: 100 };
    const near = zoomed(view, 2, { x: 25, y: -50 });
    expect(near).toEqual({ x: 12.5, y: -75, width: 50, height: 50 });
    expect(zoomed(view, 1000, { x: 0, y: 0 }).width).toBe(12);
  });
});

describe('drawing a place', () => {
  const draft = { lay: { ...nothingDrawn, outline: rectangle(130, 240) }, open: [] };

  test('a rectangle and a round pen by their measures', () => {
    expect(rectangle(130, 240)).toEqual([[0, 0], [130, 0], [130, 240], [0, 240]]); // prettier-ignore
    const round = circle(60);
    for (const corner of round) expect(apart(corner, [30, 30])).toBeCloseTo(30, 0);
  });

  test('a tap does what the tool in the hand says', () => {
    const corner = tapped({ lay: nothingDrawn, open: [] }, 'corner', [5, 6], []);
    expect(corner.lay.outline).toEqual([[5, 6]]);
    const gate = tapped(draft, 'gate', [60, 8], []);
    expect(gate.lay.gate?.at).toEqual([60, 0]);
    const two = tapped(tapped(draft, 'post', [1, 1], []), 'post', [9, 1], []);
    expect(two.lay.posts?.map(({ name }) => name)).toEqual(['post 1', 'post 2']);
    expect(tapped(draft, 'move', [1, 1], [])).toEqual(draft);
  });

  test('an area is kept once it has three corners', () => {
    const open = [[10, 10], [20, 10], [15, 20]]; // prettier-ignore
    expect(closed({ ...draft, open }, 'jumps').lay.keep_off).toEqual([
      { kind: 'jumps', outline: open },
    ]);
    expect(closed({ ...draft, open: open.slice(0, 2) }, 'jumps').lay.keep_off).toEqual([]);
  });

  test('a gate goes to the fence that is nearest', () => {
    expect(onFence([128, 100], rectangle(130, 240))).toEqual([130, 100]);
    expect(onFence([65, 300], rectangle(130, 240))).toEqual([65, 240]);
  });

  test('undo and redo go back and forth, and a new step forgets what was taken back', () => {
    const three = stepped(stepped(begun(1), 2), 3);
    expect(undone(three).now).toBe(2);
    expect(redone(undone(three)).now).toBe(3);
    expect(stepped(undone(three), 9).next).toEqual([]);
    expect(undone(begun(1)).now).toBe(1);
  });

  test('a whole drag is one step', () => {
    const dragged = letGo(slid(slid(begun(1), 2), 3));
    expect(dragged.now).toBe(3);
    expect(undone(dragged).now).toBe(1);
    expect(letGo(begun(1))).toEqual(begun(1));
  });
});

describe('a barrel course', () => {
  const lay = { ...nothingDrawn, outline: rectangle(130, 240) };
  const turned = { ...newBarrels(lay), placing: { origin: [65, 45], rotation_deg: 30 } };

  test('begins as the published course in the middle of the place', () => {
    const { placing, measures } = newBarrels(lay);
    expect(placing.origin[0]).toBe(65);
    expect(measures).toEqual({ between_1_2_ft: 90, between_1_3_ft: 105, score_line_ft: 60 });
  });

  test('its own frame and that of the place lead to each other', () => {
    const there = placed(turned, [10, 20]);
    expect(own(turned, there)[0]).toBeCloseTo(10);
    expect(own(turned, there)[1]).toBeCloseTo(20);
  });

  test('a barrel that is dragged stands where it was dropped', () => {
    const measured = [0, 154.87];
    const moved = withBarrel(turned, 2, measured, [70, 200]);
    const way = moved.moved![2]!;
    const there = placed(moved, [measured[0]! + way[0]!, measured[1]! + way[1]!]);
    expect(there[0]).toBeCloseTo(70);
    expect(there[1]).toBeCloseTo(200);
    expect(moved.moved!.slice(0, 2)).toEqual([[0, 0], [0, 0]]); // prettier-ignore
  });

  test('a pocket is how far its spot is from the barrel, to the quarter foot, within bounds', () => {
    expect(withPocket(turned, 1, 0, [0, 0], [6.1, 0]).pockets[1]).toEqual([6, 4, 3]);
    expect(withPocket(turned, 1, 2, [0, 0], [90, 0]).pockets[1]).toEqual([5, 4, 20]);
    expect(withPocket(turned, 1, 2, [0, 0], [0, 0]).pockets[1]).toEqual([5, 4, 1]);
  });
});

test('a new trail course keeps the published spacing', () => {
  expect(spacingAt.walk * 12).toBeGreaterThanOrEqual(15);
  expect(spacingAt.jog).toBeLessThanOrEqual(3.5);
  expect(spacingAt.lope).toBeGreaterThanOrEqual(6);
  expect(newTrail(null).obstacles).toHaveLength(3);
});

test('a tape is read in feet and inches', () => {
  expect(tapeInWords(94.868)).toBe('94 ft 10 in');
  expect(tapeInWords(60)).toBe('60 ft');
  expect(tapeInWords(0.5)).toBe('6 in');
  expect(tapeInWords(11.999)).toBe('12 ft');
  expect(tapeInWords(-45)).toBe('-45 ft');
});

describe('a run', () => {
  const planned = [
    [6, 5, 4],
    [5, 4, 3],
    [5, 4, 3],
  ];
  const run = { barrels: [asPlanned, asPlanned, asPlanned], planned, timeS: 17.5 };

  test('as planned it says so, with the plan of each barrel', () => {
    const said = measured(run);
    expect(said.time_s).toBe(17.5);
    expect(said.barrels.map(({ planned_ft }) => planned_ft)).toEqual(planned);
    expect(said.barrels.map(({ pocket_ft }) => pocket_ft)).toEqual(planned);
    expect(said).not.toHaveProperty('broken');
    expect(said).not.toHaveProperty('course_id');
    expect(knockedOf(said)).toBe(0);
  });

  test('each spot is as far off the plan as was said, never below nothing', () => {
    const off = { ...asPlanned, off: [1, -2, -9], tipped: true };
    const said = measured({ ...run, barrels: [off, asPlanned, asPlanned] });
    expect(said.barrels[0]!.pocket_ft).toEqual([7, 3, 0]);
    expect(knockedOf(said)).toBe(1);
  });

  test('a clock that ran less than a run takes is no time, and splits are four or none', () => {
    expect(measured({ ...run, timeS: 2 })).not.toHaveProperty('time_s');
    expect(measured({ ...run, splits: [4, 4, 4] })).not.toHaveProperty('splits_s');
    expect(measured({ ...run, splits: [4, 4, 5, 4] }).splits_s).toEqual([4, 4, 5, 4]);
  });

  test('what was said of course, ground and pattern goes along', () => {
    const said = measured({
      ...run,
      courseId: 'c',
      pathFt: 473.5068,
      footing: 'deep',
      broken: true,
    });
    expect(said).toMatchObject({ course_id: 'c', path_ft: 473.5, footing: 'deep', broken: true });
    expect(measureInWords(said)).toContain('broke the pattern');
  });
});

test('a drill begins as large as it usually is, in the middle of the place', () => {
  const about = (kind: 'hip_line' | 'three_circles', usual: number) =>
    ({ kind, size_ft: [usual, 10, 200], laps: 2 }) as unknown as DrillBook[number];
  const book = [about('three_circles', 30), about('hip_line', 120)];
  const lay = { ...nothingDrawn, outline: rectangle(100, 200) };
  expect(newDrill(lay, book, 'hip_line')).toMatchObject({ size_ft: 120, laps: 2 });
  expect(newDrill(lay, book, 'hip_line').placing.origin).toEqual([50, 100]);
  expect(newDrill(null, book, 'no such').drill).toBe('three_circles');
});
