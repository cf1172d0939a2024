import type { Schemas } from '../base/api/client';
import type { State } from '../base/words/states';

/** A level as the ladder draws it. */
export interface DrawnLevel {
  level: Schemas['LevelBrief'];
  /** Places of what it needs; of each need the alternatives. */
  needs: number[][];
  state?: State;
  /** Whether it counts as held, by its own gate or by the trainer's word. */
  held?: boolean;
  /** Its gate is not the one that ships. */
  changed?: boolean;
}

export interface RungPlace {
  place: number;
  x: number;
  y: number;
}

export interface TrackColumn {
  track: string;
  name: string;
  /** Where its uprights stand, and how high they go. */
  from: number;
  to: number;
  top: number;
  rungs: RungPlace[];
}

export interface LadderLayout {
  columns: TrackColumn[];
  width: number;
  /** Where the ground is. */
  ground: number;
  at: Map<number, RungPlace>;
}

const pitch = 20;
const skillGap = 10;
const narrowest = 66;

/**
 * Tracks as uprights side by side, their levels as rungs from the ground up, a gap
 * between skills. Levels come needs first, so a skill's rungs come in their order.
 */
export function layOut(
  levels: DrawnLevel[],
  tracks: { id: string; name: string }[],
  width: number,
): LadderLayout {
  const own = tracks
    .map(({ id, name }) => ({ id, name, skills: skillsOf(levels, id) }))
    .filter(({ skills }) => skills.length > 0);
  const columnWidth = Math.max(narrowest, width / Math.max(1, own.length));
  const heights = own.map(({ skills }) => skills.flat().length * pitch + skills.length * skillGap);
  const ground = Math.max(0, ...heights) + 16;
  const at = new Map<number, RungPlace>();
  const columns = own.map(({ id, name, skills }, index) => {
    const from = index * columnWidth + 12;
    const to = (index + 1) * columnWidth - 12;
    let y = ground;
    const rungs: RungPlace[] = [];
    for (const skill of skills) {
      y -= skillGap;
      for (const place of skill) {
        y -= pitch;
        const rung = { place, x: (from + to) / 2, y: y + pitch / 2 };
        rungs.push(rung);
        at.set(place, rung);
      }
    }
    return { track: id, name, from, to, top: y - 4, rungs };
  });
  return { columns, width: columnWidth * own.length, ground, at };
}

/** The places of a track's levels, skill by skill. */
function skillsOf(levels: DrawnLevel[], track: string): number[][] {
  const skills = new Map<string, number[]>();
  levels.forEach(({ level }, place) => {
    if (level.track !== track) return;
    skills.set(level.skill, [...(skills.get(level.skill) ?? []), place]);
  });
  return [...skills.values()];
}

/** A label in lines of at most so many letters, broken between words. */
export function inLines(label: string, letters: number): string[] {
  const lines: string[] = [];
  for (const word of label.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < letters) {
      lines[lines.length - 1] = `${last} ${word}`;
    } else lines.push(word);
  }
  return lines;
}
