import type { Rig } from '../../outbox/db';

/** As much of a name as a ride keeps. */
export const short = (name: string) => name.slice(0, 40).trim();

const kinds: readonly string[] = ['halter', 'snaffle', 'bosal', 'shank', 'two_rein'];

/** The rig a piece makes; a saddle makes none. */
export const rigKind = (kind: string): Rig['kind'] | undefined =>
  kinds.includes(kind) ? (kind as Rig['kind']) : undefined;
