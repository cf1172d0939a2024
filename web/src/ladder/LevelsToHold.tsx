import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import type { Schemas } from '../base/api/client';
import { ladderQuery } from '../data/ladder';

const LevelPicker = lazy(async () => ({
  default: (await import('./LevelPicker')).LevelPicker,
}));

type Level = Schemas['Level'];

interface Props {
  /** Whose levels they are, for those who do not see the heading. */
  of: string;
  levels: Level[];
  saving: boolean;
  onLevels: (levels: Level[]) => void;
}

/** Levels to hold: taken off one by one, added from the ladder. */
export function LevelsToHold({ of, levels, saving, onLevels }: Props) {
  const ladder = useQuery(ladderQuery);
  const [picking, setPicking] = useState(false);
  const same = (a: Level, b: Level) => a.skill === b.skill && a.rung === b.rung;
  const name = (level: Level) =>
    ladder.data?.levels.find((known) => same(known.level, level))?.level.name ??
    `${level.skill}, ${level.rung}`;
  return (
    <Box sx={{ pl: 2, borderLeft: '3px solid', borderColor: 'divider' }}>
      <Box component="ul" aria-label={`Levels of ${of}`} sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {levels.map((level) => (
          <Box
            component="li"
            key={`${level.skill}/${level.rung}`}
            sx={{ display: 'flex', alignItems: 'center', gap: 1 }}
          >
            <Typography sx={{ flex: 1 }}>{name(level)}</Typography>
            <Button
              size="small"
              variant="text"
              disabled={saving}
              aria-label={`Take off ${name(level)}`}
              onClick={() => onLevels(levels.filter((one) => !same(one, level)))}
              sx={{ minHeight: 48 }}
            >
              Take off
            </Button>
          </Box>
        ))}
      </Box>
      <Button
        size="small"
        disabled={saving}
        aria-label={`Add a level to ${of}`}
        onClick={() => setPicking(true)}
        sx={{ minHeight: 48, my: 0.5 }}
      >
        Add a level
      </Button>
      {picking && (
        <Suspense fallback={null}>
          <LevelPicker
            title="What is it to hold?"
            offers={(level) => !levels.some((one) => same(one, level))}
            onPick={({ skill, rung }) => {
              setPicking(false);
              onLevels([...levels, { skill, rung }]);
            }}
            onClose={() => setPicking(false)}
          />
        </Suspense>
      )}
    </Box>
  );
}
