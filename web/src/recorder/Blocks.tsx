import Box from '@mui/material/Box';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { ladderQuery } from '../ladder/queries';
import type { KeptDatabase } from '../queue/db';
import { useQueue } from '../queue/queue';
import { ridePath } from './ridePath';
import type { Recorder } from './useRecorder';

const LevelPicker = lazy(async () => ({ default: (await import('./LevelPicker')).LevelPicker }));

const targetSx = {
  minHeight: 56,
  flex: '0 0 auto',
  maxWidth: 180,
  px: 1.25,
  display: 'grid',
  alignContent: 'center',
  textAlign: 'left',
  font: 'inherit',
  fontSize: '0.95rem',
  lineHeight: 1.15,
  color: 'text.primary',
  bgcolor: 'background.paper',
  border: '1px solid',
  borderColor: 'text.primary',
  textDecoration: 'none',
} as const;

/** The parts of the ride so far: one touch goes back to one, another opens any level. */
export function Blocks({ recorder }: { recorder: Recorder }) {
  const { horseId, rideId, level } = recorder;
  const { db } = useQueue();
  const navigate = useNavigate();
  const [picking, setPicking] = useState(false);
  const ladder = useQuery(ladderQuery);
  const blocks = useLiveQuery(() => blocksOf(db, rideId), [db, rideId]) ?? [];
  const nameOf = ({ skill, rung }: { skill: string; rung: string }) =>
    ladder.data?.levels.find((known) => known.level.skill === skill && known.level.rung === rung)
      ?.level.name ?? `${skill}, ${rung}`;
  const isThis = (block: { skill: string; rung: string }) =>
    block.skill === level.skill && block.rung === level.rung;
  return (
    <Box
      component="nav"
      aria-label="Parts of the ride"
      sx={{ display: 'flex', overflowX: 'auto', px: 1, gap: 0.5, pb: 0.5 }}
    >
      {blocks
        .filter((block) => !isThis(block))
        .map((block) => (
          <Box
            key={block.blockId}
            component={Link}
            replace
            to={ridePath(horseId, block)}
            sx={targetSx}
          >
            <span>{nameOf(block)}</span>
            <strong>{block.asked} asked</strong>
          </Box>
        ))}
      <Box
        component="button"
        type="button"
        onClick={() => setPicking(true)}
        sx={{ ...targetSx, fontWeight: 700 }}
      >
        Ask something else
      </Box>
      {picking && (
        <Suspense fallback={null}>
          <LevelPicker
            onClose={() => setPicking(false)}
            onPick={(picked) => {
              setPicking(false);
              void navigate(ridePath(horseId, picked), { replace: true });
            }}
          />
        </Suspense>
      )}
    </Box>
  );
}

async function blocksOf(db: KeptDatabase, rideId: string | undefined) {
  if (!rideId) return [];
  const blocks = await db.blocks.where('rideId').equals(rideId).sortBy('position');
  const reps = await db.reps.where('rideId').equals(rideId).toArray();
  return blocks.map((block) => ({
    ...block,
    asked: reps.filter((rep) => rep.blockId === block.blockId && !rep.undone).length,
  }));
}
