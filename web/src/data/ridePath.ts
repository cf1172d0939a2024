/** Where a level of a horse is ridden. */
export const ridePath = (horseId: string, { skill, rung }: { skill: string; rung: string }) =>
  `/horses/${horseId}/ride/${skill}/${rung}`;
