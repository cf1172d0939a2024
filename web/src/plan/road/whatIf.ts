import type { Schemas } from '../../base/api/client';
import { dayAfter } from '../../base/words/days';
import type { RoadInput } from '../../data/road';

/** What is assumed otherwise than planned. It stands in the address of the page. */
export interface WhatIf {
  ridesAWeek: number;
  /** Per cent of the planned rides that come about. */
  keptPct: number;
  /** Every date so many weeks later. */
  weeksLater: number;
  /** The level worked on before all others. */
  first: string;
  /** Levels of goals that are dropped. */
  without: string[];
}

export const mostLater = 12;

export const levelKey = ({ skill, rung }: Schemas['Level']) => `${skill}/${rung}`;

export const planned = ({ road }: RoadInput): WhatIf => ({
  ridesAWeek: road.rides_a_week,
  keptPct: Math.round((road.kept ?? 0.9) * 100),
  weeksLater: 0,
  first: '',
  without: [],
});

/** The what-if of an address; what does not fit is as planned. */
export function readWhatIf(search: URLSearchParams, input: RoadInput): WhatIf {
  const usual = planned(input);
  const within = (name: string, least: number, most: number, otherwise: number) => {
    const text = search.get(name);
    const value = text === null || text === '' ? NaN : Number(text);
    return value >= least && value <= most ? value : otherwise;
  };
  const known = new Set(input.road.goals.flatMap(({ levels }) => levels.map(levelKey)));
  return {
    ridesAWeek: within('rides', 0.5, 6, usual.ridesAWeek),
    keptPct: within('kept', 10, 100, usual.keptPct),
    weeksLater: Math.round(within('later', 0, mostLater, 0)),
    first: search.get('first') ?? '',
    without: search.getAll('without').filter((key) => known.has(key)),
  };
}

/** The same as an address has it: only what is otherwise than planned. */
export function writeWhatIf(whatIf: WhatIf, input: RoadInput): URLSearchParams {
  const usual = planned(input);
  const search = new URLSearchParams();
  if (whatIf.ridesAWeek !== usual.ridesAWeek) search.set('rides', String(whatIf.ridesAWeek));
  if (whatIf.keptPct !== usual.keptPct) search.set('kept', String(whatIf.keptPct));
  if (whatIf.weeksLater > 0) search.set('later', String(whatIf.weeksLater));
  if (whatIf.first) search.set('first', whatIf.first);
  for (const key of whatIf.without) search.append('without', key);
  return search;
}

export const isPlanned = (whatIf: WhatIf, input: RoadInput) =>
  writeWhatIf(whatIf, input).size === 0;

const levelOf = (key: string): Schemas['Level'] => {
  const [skill = '', rung = ''] = key.split('/');
  return { skill, rung };
};

/** What the core is asked: the road with that changed. A goal of which nothing is left goes. */
export function withWhatIf(input: RoadInput, whatIf: WhatIf): RoadInput {
  const { road } = input;
  const goals = road.goals
    .map((goal) => ({
      ...goal,
      day: dayAfter(goal.day, 7 * whatIf.weeksLater),
      levels: goal.levels.filter((level) => !whatIf.without.includes(levelKey(level))),
    }))
    .filter(({ levels }) => levels.length > 0);
  const usual = planned(input);
  return {
    ...input,
    road: {
      ...road,
      goals,
      rides_a_week: whatIf.ridesAWeek,
      kept: whatIf.keptPct === usual.keptPct ? road.kept : whatIf.keptPct / 100,
      first: whatIf.first ? levelOf(whatIf.first) : null,
    },
  };
}

/** The what-if with what would help taken up. */
export function taken(help: Schemas['RoadHelp'], whatIf: WhatIf): WhatIf {
  switch (help.kind) {
    case 'ride_more':
      return { ...whatIf, ridesAWeek: Math.min(6, whatIf.ridesAWeek + 1) };
    case 'month_later':
      return { ...whatIf, weeksLater: Math.min(mostLater, whatIf.weeksLater + 4) };
    case 'work_first':
      return { ...whatIf, first: help.level ? levelKey(help.level) : '' };
    case 'drop':
      return help.level
        ? { ...whatIf, without: [...whatIf.without, levelKey(help.level)] }
        : whatIf;
  }
}
