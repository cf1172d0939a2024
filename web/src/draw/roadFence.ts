import type { Schemas } from '../base/api/client';
import { dayAfter, daysBetween } from '../base/words/days';

/** Where things stand along a fence line that is time. */
export interface FenceLayout {
  from: string;
  to: string;
  today: number;
  months: { x: number; day: string }[];
  /** Days on which levels came to be held, and how many. */
  posts: { x: number; day: string; levels: string[] }[];
  goals: FenceGoal[];
  /** The deciding chain in the order in which its levels come to be held. */
  chain: FenceRail[];
}

export interface FenceGoal {
  name: string;
  day: string;
  x: number;
  /** The range: from one in ten to nine in ten; open where it lies beyond. */
  left: number;
  right: number;
  median: number | null;
  open: boolean;
  atRisk: boolean;
  chance: number;
}

export interface FenceRail {
  name: string;
  left: number;
  right: number;
  /** Where its numbered nail is: at the right end, or beside the nail before. */
  nail: number;
  share: number;
  median: string | null;
}

/** Nails do not cover each other. */
const nailStep = 24;
/** A level that decides less often than this is not on the rail. */
const leastShare = 0.05;
const behindDays = 56;
const aheadDays = 21;

export interface FenceAsked {
  on: string;
  width: number;
  road: Schemas['Road'];
  behind: { name: string; day: string }[];
}

/** Lays a road along a line of that width. */
export function fenceLayout({ on, width, road, behind }: FenceAsked): FenceLayout {
  const days = road.goals.flatMap(({ day, to, median }) => [day, to ?? median ?? day]);
  const last = days.reduce((latest, day) => (day > latest ? day : latest), on);
  // A range far beyond the date does not squeeze what lies before it.
  const date = road.goals.reduce((latest, { day }) => (day > latest ? day : latest), on);
  const most = dayAfter(date, Math.max(84, daysBetween(on, date)));
  const to = dayAfter(last < most ? last : most, aheadDays);
  const from = dayAfter(on, -behindDays);
  const all = daysBetween(from, to);
  const x = (day: string) => {
    const share = daysBetween(from, day) / all;
    return Math.max(0, Math.min(1, share)) * width;
  };
  const held = new Map<string, string[]>();
  for (const { name, day } of behind)
    if (day >= from) held.set(day, [...(held.get(day) ?? []), name]);
  return {
    from,
    to,
    today: x(on),
    months: monthsBetween(from, to).map((day) => ({ x: x(day), day })),
    posts: [...held].map(([day, levels]) => ({ x: x(day), day, levels })),
    goals: road.goals.map((goal) => ({
      name: goal.name,
      day: goal.day,
      x: x(goal.day),
      left: goal.from ? x(goal.from) : width,
      right: goal.to && goal.to <= to ? x(goal.to) : width,
      median: goal.median && goal.median <= to ? x(goal.median) : null,
      open: !goal.to || goal.to > to,
      atRisk: goal.at_risk,
      chance: goal.chance,
    })),
    chain: rails(road.chain, x(on), width, x, to),
  };
}

/** The levels that decide, in the order in which they come to be held. */
export function deciding(chain: Schemas['OnChain'][]): Schemas['OnChain'][] {
  const far = '9999-12-31';
  return chain
    .filter(({ share }) => share >= leastShare)
    .sort((a, b) => ((a.median ?? far) < (b.median ?? far) ? -1 : 1));
}

function rails(
  chain: Schemas['OnChain'][],
  today: number,
  width: number,
  x: (day: string) => number,
  to: string,
): FenceRail[] {
  const order = deciding(chain);
  let left = today;
  const laid = order.map(({ name, share, median }) => {
    const right = median && median <= to ? Math.max(left, x(median)) : width;
    const rail = { name, share, median: median ?? null, left, right, nail: right };
    left = right;
    return rail;
  });
  // From the left each beside the one before, then back from the right edge.
  let before = today;
  for (const rail of laid) before = rail.nail = Math.max(rail.nail, before + nailStep);
  let after = width + nailStep;
  for (const rail of [...laid].reverse()) after = rail.nail = Math.min(rail.nail, after - nailStep);
  return laid;
}

function monthsBetween(from: string, to: string): string[] {
  const months: string[] = [];
  let [year = 0, month = 1] = from.split('-').map(Number);
  for (;;) {
    month += 1;
    if (month > 12) [year, month] = [year + 1, 1];
    const day = `${year}-${String(month).padStart(2, '0')}-01`;
    if (day > to) return months;
    months.push(day);
  }
}
