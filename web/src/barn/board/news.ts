import type { Schemas } from '../../base/api/client';
import { count } from '../../base/words/plain';

type BoardHorse = Schemas['BoardHorse'];
type UnderWay = Schemas['UnderWay'];

/** One thing to know of one horse, and where it leads. */
export interface News {
  horse: Schemas['Horse'];
  text: string;
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
      ready.map((level) => ({ horse, level, text: level.name })),
    ),
    stuck: horses
      .flatMap((one) => working(one).map((under) => ({ horse: one.horse, under })))
      .filter(({ under }) => under.stuck_days != null)
      .sort((a, b) => (b.under.stuck_days ?? 0) - (a.under.stuck_days ?? 0))
      .map(({ horse, under }) => ({
        horse,
        level: under.level,
        text: `${under.name}, ${count(under.stuck_days ?? 0, 'day')}`,
      })),
    notWorked: horses.flatMap(({ horse, stiff_side: stiff }) =>
      stiff?.neglected
        ? [
            {
              horse,
              text: `the ${stiff.side}: ${stiff.asked} asks in a week, ${stiff.other_asked} on the other`,
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
              text:
                rusty.length === 1
                  ? rusty[0]!.name
                  : `${rusty.length} levels, ${rusty.at(-1)!.name} among them`,
            },
          ],
    ),
  };
}
