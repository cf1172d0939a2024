import type { Face, Set, Side } from './faces';
import { answerKey, commonKeys, holdKeys, type KeyHelp } from './keys';
import type { MeasureKind } from '../../base/words/measures';

interface Shown {
  face: Face;
  sides: Side[];
  set: Set;
  asked: { measure: MeasureKind } | undefined;
}

/** How asks of this face are recorded, by thumb and by key. */
export function howTo({ face, sides, set, asked }: Shown): { words: string; keys: KeyHelp } {
  const apart = sides.length > 1;
  if (face.how === 'hold') {
    const words = apart
      ? 'Press and hold the left or right half when you take that rein. Let go when the horse gives: the hold is the time. Slide to the other half to say what the horse did instead; slide off the halves if it was not an ask.'
      : `${face.begin}. The hold is the time. Slide up to say what the horse did instead; slide off if it was not an ask.`;
    return { words, keys: [...holdKeys(sides, face.zones), ...commonKeys] };
  }
  if (face.how === 'tap') {
    const choices = face.choices(set);
    const keys = sides.flatMap((side) =>
      choices.map(({ label }, index): [string, string] => [
        (answerKey(side, index) ?? '').toUpperCase(),
        side === 'both' ? label : `${side}: ${label.toLowerCase()}`,
      ]),
    );
    return {
      words:
        'Tap what the horse did: one touch is one ask. The bars below hold until you change them.',
      keys: [...keys, ...commonKeys],
    };
  }
  return running[asked?.measure ?? 'run'] ?? { words: '', keys: commonKeys };
}

const running: Partial<Record<MeasureKind, { words: string; keys: KeyHelp }>> = {
  circle: {
    words:
      'Tap Nose up each time it comes up. Tap Circle done when the circle is finished; what went wrong on it is a tap before.',
    keys: [
      ['1 and Q', 'circle done, left and right'],
      ['2 and W', 'nose up, left and right'],
      ...commonKeys,
    ],
  },
  carry: {
    words:
      'Start the clock when you ask. It ends by itself when the time is carried. Tap Left it each time the horse leaves the frame; end it early if it was no use.',
    keys: [
      ['B, or F and J', 'start; left and right'],
      ['L', 'left it'],
      ['E', 'end it here'],
      ...commonKeys,
    ],
  },
  calm: {
    words:
      'Tap the signs as you see them, then say whether the horse was relaxed through. The minutes run by themselves.',
    keys: [
      ['1 and Q', 'relaxed through; left and right'],
      ['2 and W', 'not relaxed; left and right'],
      ...commonKeys,
    ],
  },
  run: {
    words:
      'Save the run when it went as planned. Before that, mark at each barrel what went otherwise. The clock is there if you want a time.',
    keys: [['T', 'start and stop the clock'], ['S', 'save the run'], ...commonKeys],
  },
};
