import type { KeptRep } from '../../outbox/db';
import { answerWords } from '../../base/words/answers';
import type { Choice, Face, Set } from './faces';

/** Every answer that an ask could have had, to choose from afterwards; none for what ran. */
export function otherAnswers(
  face: Face,
  { measure }: Pick<KeptRep, 'measure'>,
  set: Set,
): Choice[] {
  if (face.how === 'tap') return face.choices(set);
  if (face.how === 'run') return [];
  const all = [...face.more, ...face.zones];
  return all
    .map(({ id, label }) => ({ label, measure: asAnswered(face, measure, id, set) }))
    .map(named);
}

/** The same ask, its time and hand kept, with another answer. */
function asAnswered(
  face: Extract<Face, { how: 'hold' }>,
  measure: KeptRep['measure'],
  answer: string,
  set: Set,
) {
  if (measure.kind === 'give') return { ...measure, answer: answer as (typeof measure)['answer'] };
  const off = measure.kind === 'stop' ? (measure.off_bridle_s ?? 0) : 0;
  const now = face.measure(answer, off, set);
  return measure.kind === 'stop' && now.kind === 'stop'
    ? { ...now, cue: measure.cue, strides: measure.strides }
    : now;
}

/** The answers of a give have their own words. */
function named({ label, measure }: Choice): Choice {
  return { measure, label: measure.kind === 'give' ? answerWords[measure.answer] : label };
}
