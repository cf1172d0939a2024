import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../base/api/client';
import { QueryState } from '../shell/QueryState';
import { PageFrame } from '../shell/PageFrame';
import { levelPath } from '../data/level';
import { beginBitChange, openBitChange } from '../outbox/bitChange';
import { useQueue } from '../outbox/queue';
import { horseQuery } from '../data/today';
import { ChangeSteps } from './ChangeSteps';
import { bitChangesQuery, horseTackPath, tackQuery, type PieceForHorse } from '../data/tack';

/** Changing the bit, led step by step on the phone, with or without signal. */
export function ChangePage() {
  const { horseId = '', gearId = '' } = useParams();
  const horse = useQuery(horseQuery(horseId));
  const tack = useQuery(tackQuery(horseId));
  return (
    <PageFrame title="Changing the bit">
      <QueryState query={tack}>
        {({ pieces }) => {
          const piece = pieces.find(({ gear_id }) => gear_id === gearId);
          if (!piece) return <Typography variant="h1">Not on the shelf</Typography>;
          return (
            <>
              <Typography variant="h1">
                {horse.data?.name ?? 'The horse'}, into {piece.name}
              </Typography>
              {piece.stopped.length > 0 ? (
                <Stopped horseId={horseId} piece={piece} />
              ) : (
                <Change
                  horseId={horseId}
                  piece={piece}
                  from={pieces.find(({ worn, gear_id }) => worn && gear_id !== gearId)}
                />
              )}
            </>
          );
        }}
      </QueryState>
    </PageFrame>
  );
}

function Stopped({ horseId, piece }: { horseId: string; piece: PieceForHorse }) {
  return (
    <Box role="alert" sx={{ mt: 2 }}>
      {piece.stopped.map((why) => (
        <Typography key={why} sx={{ fontSize: '1.15rem' }}>
          {why}
        </Typography>
      ))}
      <Button component={Link} to={horseTackPath(horseId)} sx={{ mt: 2 }}>
        Back to the tack
      </Button>
    </Box>
  );
}

interface Props {
  horseId: string;
  piece: PieceForHorse;
  from: PieceForHorse | undefined;
}

function Change({ horseId, piece, from }: Props) {
  const { db, kick } = useQueue();
  const open = useLiveQuery(
    async () => ({ change: await openBitChange(db, horseId, piece.gear_id) }),
    [db, horseId, piece.gear_id],
  );
  if (!open) return null;
  const begin = async () => {
    await beginBitChange(db, { horseId, gearId: piece.gear_id, fromGearId: from?.gear_id });
    kick();
  };
  if (open.change)
    return (
      <ChangeSteps
        horseId={horseId}
        piece={piece}
        change={open.change}
        onAnew={() => void begin()}
      />
    );
  return <Before horseId={horseId} piece={piece} from={from} onBegin={() => void begin()} />;
}

function Before({ horseId, piece, from, onBegin }: Props & { onBegin: () => void }) {
  const changes = useQuery(bitChangesQuery(horseId));
  const leverage = piece.kind === 'shank';
  const missing = leverage ? (changes.data?.missing ?? []) : [];
  return (
    <Box sx={{ maxWidth: 620 }}>
      {from && (
        <Typography sx={{ mt: 1 }}>
          Until now: {from.name}. It stays on the list; go back to it whenever you like.
        </Typography>
      )}
      <Typography
        role="note"
        sx={{ mt: 2, borderLeft: '6px solid', borderColor: 'error.main', pl: 1.5 }}
      >
        First time in a new bit: never alone, a phone at hand. Helmet, boots with a heel, cinch
        checked twice. Halter under the bridle, so that a fright pulls on the halter and not on the
        mouth.
      </Typography>
      {missing.length > 0 && <Missing horseId={horseId} missing={missing} />}
      {piece.program_says.map((one) => (
        <Typography key={one} sx={{ mt: 1.5 }}>
          {one}
        </Typography>
      ))}
      <Button
        variant="contained"
        onClick={onBegin}
        sx={{ mt: 3, minHeight: 88, width: { xs: '100%', sm: 320 }, fontSize: '1.3rem' }}
      >
        Begin
      </Button>
    </Box>
  );
}

function Missing({ horseId, missing }: { horseId: string; missing: Schemas['LevelBrief'][] }) {
  return (
    <Box sx={{ mt: 2 }}>
      <Typography sx={{ fontWeight: 700 }}>
        Not held yet, and the first shank bit needs it:
      </Typography>
      <Box component="ul" sx={{ my: 0.5, pl: 3 }}>
        {missing.map(({ skill, rung, name }) => (
          <li key={`${skill}/${rung}`}>
            <Link to={levelPath({ horseId, skill, rung })}>{name}</Link>
          </li>
        ))}
      </Box>
      <Typography>You decide; the gates of the bridle judge it either way.</Typography>
    </Box>
  );
}
