import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { Section } from '../../shell/Section';
import { useQueue } from '../../outbox/queue';
import { answerAnew, move, turn, type TimelineAsk } from '../../outbox/timeline';
import { useWho } from '../../data/who';
import { sideWords } from '../../base/words/answers';
import { clockIn } from '../../base/words/days';
import { measureInWords } from '../../base/words/measures';
import { rigWords } from '../../base/words/states';
import { knownRide } from './knownRide';

const EditAsk = lazy(async () => ({ default: (await import('./EditAsk')).EditAsk }));

interface Props {
  ride: Schemas['Ride'];
  /** Somebody who may put right what was recorded. */
  edits: boolean;
}

/** The ride ask by ask: what was asked when and by whom, what was taken back; all of it can be put right. */
export function Timeline({ ride, edits }: Props) {
  const { db, kick } = useQueue();
  const [all, setAll] = useState(false);
  const [editing, setEditing] = useState<TimelineAsk | null>(null);
  const { timeline } = ride;
  const takenBack = timeline.filter(({ undone }) => undone).length;
  const shown = all ? timeline : timeline.filter(({ undone }) => !undone);
  if (timeline.length === 0) return null;
  const known = knownRide(ride);
  const say = async (said: Promise<void>) => {
    setEditing(null);
    await said;
    kick();
  };
  return (
    <Section title="Ask by ask">
      <Box component="ol" aria-label="Asks" sx={{ listStyle: 'none', p: 0, m: 0, maxWidth: 900 }}>
        {shown.map((ask, index) => (
          <Box component="li" key={ask.rep_id}>
            <RigChange ride={ride} before={shown[index - 1]} ask={ask} />
            <Ask
              ask={ask}
              ride={ride}
              named={shown[index - 1]?.name !== ask.name}
              onEdit={edits ? () => setEditing(ask) : undefined}
            />
          </Box>
        ))}
      </Box>
      {takenBack > 0 && (
        <Button variant="text" onClick={() => setAll(!all)} sx={{ minHeight: 48 }}>
          {all ? 'Hide what was taken back' : `Show what was taken back (${takenBack})`}
        </Button>
      )}
      {editing && (
        <Suspense fallback={null}>
          <EditAsk
            ask={editing}
            onClose={() => setEditing(null)}
            onTurn={(undone) => void say(turn(db, known, editing, undone))}
            onAnswer={(measure) => void say(answerAnew(db, known, editing, measure))}
            onMove={(level) => void say(move(db, known, editing, level))}
          />
        </Suspense>
      )}
    </Section>
  );
}

/** What it was ridden in from here on. */
function RigChange({
  ride: { rigs },
  before,
  ask,
}: {
  ride: Schemas['Ride'];
  before: TimelineAsk | undefined;
  ask: TimelineAsk;
}) {
  const since = before?.asked_after_ms ?? -1;
  const changed = rigs.filter(
    ({ after_ms }) => after_ms > Math.max(0, since) && after_ms <= ask.asked_after_ms,
  );
  return changed.map(({ after_ms, kind, name }) => (
    <Typography key={after_ms} sx={{ fontWeight: 700, borderTop: '2px solid', pt: 0.5, mt: 1 }}>
      From here in the {(name || rigWords[kind]).toLowerCase()}
    </Typography>
  ));
}

interface AskProps {
  ask: TimelineAsk;
  ride: Schemas['Ride'];
  /** Another level than the ask before. */
  named: boolean;
  onEdit?: () => void;
}

function Ask({ ask, ride, named, onEdit }: AskProps) {
  const minute = Math.floor(ask.asked_after_ms / 60_000);
  const side = ask.side === 'both' ? '' : `${sideWords[ask.side]}, `;
  const judged = ask.soft == null ? '' : ask.soft ? ': soft' : ': not soft';
  return (
    <>
      {named && (
        <Typography component="h3" sx={{ fontWeight: 700, mt: 1.5 }}>
          {ask.name}
        </Typography>
      )}
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 1.5,
          borderBottom: '1px solid',
          borderColor: 'divider',
          color: ask.undone ? 'text.secondary' : 'text.primary',
        }}
      >
        <Typography
          component="span"
          sx={{ width: 64, flex: 'none', fontVariantNumeric: 'tabular-nums' }}
        >
          {minute} min
        </Typography>
        <Box sx={{ flex: 1, minWidth: 0, py: 0.5 }}>
          <Typography sx={{ textDecoration: ask.undone ? 'line-through' : undefined }}>
            {side}
            {measureInWords(ask.measure)}
            {judged}
          </Typography>
          <By ask={ask} rider={ride.rider} />
        </Box>
        {onEdit && (
          <Button
            variant="text"
            onClick={onEdit}
            aria-label={`Put right: ${ask.name}, ${side}${measureInWords(ask.measure)}, minute ${minute}`}
            sx={{ minHeight: 48, flex: 'none' }}
          >
            {ask.undone ? 'Bring back' : 'Put right'}
          </Button>
        )}
      </Box>
    </>
  );
}

/** Who recorded it, where that was not the rider; when it was taken back or brought back, and by whom. */
function By({ ask, rider }: { ask: TimelineAsk; rider: string }) {
  const { time_zone } = useWho();
  const changes = ask.history.map(
    ({ taken_back, by, at }) =>
      `${taken_back ? 'taken back' : 'brought back'} by ${by}, ${clockIn(time_zone, at)}`,
  );
  const recorded = ask.recorded_by === rider ? [] : [`recorded by ${ask.recorded_by}`];
  const said = [...recorded, ...changes].join('; ');
  return (
    said && (
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {said.charAt(0).toUpperCase() + said.slice(1)}
      </Typography>
    )
  );
}
