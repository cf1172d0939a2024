import type { Schemas } from '../api/client';

export type Sex = Schemas['Horse']['sex'];

/** What to call a horse once the name has been said: never "it". */
export function pronouns(sex: Sex): { he: string; him: string } {
  if (sex === 'mare') return { he: 'she', him: 'her' };
  return sex ? { he: 'he', him: 'him' } : { he: 'the horse', him: 'the horse' };
}

export function horseLine(horse: Pick<Schemas['Horse'], 'age' | 'color' | 'sex'>): string {
  return `${horse.age}-year-old ${horse.color} ${horse.sex ?? 'horse'}`;
}
