import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';

export type ShownLadder = Schemas['ShownLadder'];
/** A level by name, with how it is asked. */
export type NamedLevel = Schemas['LevelBrief'];

/** The ladder as it ships. */
export const ladderQuery = queryOptions({
  queryKey: ['ladder'],
  queryFn: () => answer(client.GET('/api/ladder')),
  staleTime: Infinity,
});

type Role = Schemas['LevelRole'];

/** The lowest level of the first skill that is that in the work. */
export const levelIn = (ladder: ShownLadder, role: Role) =>
  ladder.levels.find(({ level }) => level.roles.includes(role))?.level;
