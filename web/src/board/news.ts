import type { Schemas } from '../api/client';

type BoardHorse = Schemas['BoardHorse'];
type UnderWay = Schemas['UnderWay'];

/** One thing to know of one horse, and where it leads. */
export interface News {
  horse: Schemas['Horse'];
  says: string;
  /** The level it speaks of; the horse's own page when there is none. */
  level?: Schemas['Level'];
}

export interface BarnNews {
  ready: News[];
  stuck: News[];
  notWorked: News[];
  rusty: News[];
}

const working = (horse: BoardHorse): UnderWay[] =>
  horse.tracks.flatMap(({ under_way }) => under_way ?? []);

/** Who is ready, stuck and on what, not worked on the stiff side, rusty. */
export function newsOf(horses: BoardHorse[]): BarnNews {
  return {
    ready: horses.flatMap(({ horse, ready }) =>
      ready.map((level) => ({ horse, level, says: level.name })),
    ),
    stuck: horses.flatMap((one) =>
      working(one)
        .filter(({ stuck_days }) => stuck_days != null)
        .map((under) => ({
          horse: one.horse,
          level: under.level,
          says: `${under.name}, ${under.stuck_days} days`,
        })),
    ),
    notWorked: horses.flatMap(({ horse, stiff_side: stiff }) =>
      stiff?.neglected
        ? [
            {
              horse,
              says: `the ${stiff.side}: ${stiff.asked} asks in a week, ${stiff.other_asked} on the other`,
            },
          ]
        : [],
    ),
    rusty: horses.flatMap(({ horse, rusty }) =>
      rusty.length === 0
        ? []
        : [
            {
              horse,
              level: rusty.at(-1),
              says:
                rusty.length === 1
                  ? rusty[0]!.name
                  : `${rusty.length} levels, ${rusty.at(-1)!.name} among them`,
            },
          ],
    ),
  };
}
