import type { NamedLevel, ShownLadder } from '../data/ladder';

export interface TrackLevels {
  track: string;
  levels: NamedLevel[];
}

/** The levels whose names have every typed word at the start of one of theirs, track by track. */
export function levelsNamed(ladder: ShownLadder, typed: string): TrackLevels[] {
  const wanted = words(typed);
  const isFound = ({ name, track }: NamedLevel) => {
    const own = words(`${name} ${trackName(ladder, track)}`);
    return wanted.every((start) => own.some((word) => word.startsWith(start)));
  };
  return ladder.tracks
    .map(({ id, name }) => ({
      track: name,
      levels: ladder.levels
        .map(({ level }) => level)
        .filter((level) => level.track === id && isFound(level)),
    }))
    .filter(({ levels }) => levels.length > 0);
}

const words = (text: string) =>
  text
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean);

const trackName = ({ tracks }: ShownLadder, id: string) =>
  tracks.find((track) => track.id === id)?.name ?? '';
