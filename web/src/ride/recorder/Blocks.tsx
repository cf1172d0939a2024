import Box from '@mui/material/Box';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { ladderQuery } from '../../data/ladder';
import type { KeptDatabase } from '../../outbox/db';
import type { Level } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { partWords } from '../../base/words/card';
import { rigWords } from '../../base/words/states';
import { ridePath } from '../../data/ridePath';
import type { CardPart } from './useCardParts';
import type { Recorder } from './useRecorder';

const LevelPicker = lazy(async () => ({
  default: (await import('../../ladder/LevelPicker')).LevelPicker,
}));

const RigPick = lazy(async () => ({ default: (await import('./RigPick')).RigPick }));

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

/** The parts of the ride: those of its card in order, then what else was asked; one touch goes to one. */
export function Blocks({ recorder }: { recorder: Recorder }) {
  const { horseId, level } = recorder;
  const navigate = useNavigate();
  const [picking, setPicking] = useState(false);
  const [rigging, setRigging] = useState(false);
  const { rig, tack, putRig } = recorder.worn;
  const shown = useShown(recorder);
  const here = useCurrent(shown, level);
  const current = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    current.current?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [here]);
  return (
    <Box
      component="nav"
      aria-label="Parts of the ride"
      sx={{ display: 'flex', overflowX: 'auto', px: 1, gap: 0.5, pb: 0.5 }}
    >
      {shown.map((part, index) => (
        <Box
          key={`${index} ${part.level.skill}/${part.level.rung}`}
          component={Link}
          replace
          to={`${ridePath(horseId, part.level)}?part=${index}`}
          ref={index === here ? current : undefined}
          aria-current={index === here ? 'step' : undefined}
          sx={{
            ...targetSx,
            ...(index === here && { bgcolor: 'text.primary', color: 'background.default' }),
          }}
        >
          <span>
            {part.part && `${partWords[part.part]}: `}
            {part.name}
          </span>
          <strong>{part.asks > 0 ? `${part.asked} of ${part.asks}` : `${part.asked} asked`}</strong>
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
      <Box
        component="button"
        type="button"
        onClick={() => setRigging(true)}
        sx={{ ...targetSx, minWidth: 96 }}
      >
        <span>Ridden in</span>
        <strong>{rig ? rig.name || rigWords[rig.kind] : 'Not said'}</strong>
      </Box>
      {rigging && (
        <Suspense fallback={null}>
          <RigPick
            rig={rig}
            tack={tack}
            onClose={() => setRigging(false)}
            onPick={(picked) => {
              setRigging(false);
              void putRig(picked);
            }}
          />
        </Suspense>
      )}
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

interface Shown {
  part?: CardPart['part'];
  level: Level;
  name: string;
  asked: number;
  asks: number;
}

const isOf =
  ({ skill, rung }: Level) =>
  ({ level }: { level: Level }) =>
    level.skill === skill && level.rung === rung;

/** The card's parts, then what was asked beside it. */
function useShown({ parts, rideId, elsewhere }: Recorder): Shown[] {
  const { db } = useQueue();
  const ladder = useQuery(ladderQuery);
  const blocks = useLiveQuery(() => blocksOf(db, rideId), [db, rideId]) ?? [];
  const nameOf = (level: Level) =>
    ladder.data?.levels.find(isOf(level))?.level.name ?? `${level.skill}, ${level.rung}`;
  // The helper's asks count as well.
  const asked = (level: Level) => {
    const own = blocks.find(({ skill, rung }) => skill === level.skill && rung === level.rung);
    const others = elsewhere.asks.filter(
      (ask) => ask.skill === level.skill && ask.rung === level.rung && !own?.known.has(ask.rep_id),
    );
    return (own?.asked ?? 0) + others.length;
  };
  const beside = blocks.filter((block) => !parts.some(isOf(block)));
  return [
    ...parts.map((part) => ({ ...part, asked: asked(part.level) })),
    ...beside.map(({ skill, rung }) => ({
      level: { skill, rung },
      name: nameOf({ skill, rung }),
      asked: asked({ skill, rung }),
      asks: 0,
    })),
  ];
}

/** Which of them is asked now: the one that was touched, else the first of its level. */
function useCurrent(shown: Shown[], level: Level): number {
  const [search] = useSearchParams();
  const touched = Number(search.get('part') ?? -1);
  const of = isOf(level);
  const at = shown[touched];
  return at && of(at) ? touched : shown.findIndex(of);
}

async function blocksOf(db: KeptDatabase, rideId: string | undefined) {
  if (!rideId) return [];
  const blocks = await db.blocks.where('rideId').equals(rideId).sortBy('position');
  const reps = await db.reps.where('rideId').equals(rideId).toArray();
  return blocks.map((block) => {
    const own = reps.filter((rep) => rep.blockId === block.blockId);
    return {
      ...block,
      asked: own.filter(({ undone }) => !undone).length,
      // Also what was taken back here and is still known elsewhere.
      known: new Set(own.map(({ repId }) => repId)),
    };
  });
}
