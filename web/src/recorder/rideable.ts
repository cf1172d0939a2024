import type { Schemas } from '../api/client';

type Asked = Pick<Schemas['LevelBrief'], 'measure' | 'sides'>;

/** Whether the recorder has a face for what a level measures. */
export const hasFace = ({ measure, sides }: Asked) => measure === 'give' && sides === 'each';

/** Where a level is ridden; null where the recorder has no face for it. */
export function ridePath(horseId: string, level: Schemas['LevelBrief']): string | null {
  return hasFace(level) ? `/horses/${horseId}/ride/${level.skill}/${level.rung}` : null;
}
