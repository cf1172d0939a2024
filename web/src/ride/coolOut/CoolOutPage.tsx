import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useParams } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { QueryState } from '../../shell/QueryState';
import { HorseHeading } from '../../shell/HorseHeading';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { endCoolOut, openCoolOut, startCoolOut } from '../../outbox/coolOut';
import type { KeptCoolOut } from '../../outbox/db';
import { useQueue } from '../../outbox/queue';
import { useNow } from '../../shell/useNow';
import { useWho } from '../../data/who';
import { horseQuery } from '../../data/today';
import { clockIn, dayIn, saidDay } from '../../base/words/days';
import { CoolLine } from './CoolLine';
import { coolOutsQuery } from '../../data/coolOuts';
import { TakeReading } from './TakeReading';
import { useSaid } from './useSaid';

/** Cooling a horse out: a clock that runs, pulse and breathing at 0, 10 and 20 minutes. */
export function CoolOutPage() {
  const { horseId = '' } = useParams();
  const horse = useQuery(horseQuery(horseId));
  return (
    <PageFrame title="Cooling out">
      <QueryState query={horse}>{(data) => <Whole horse={data} />}</QueryState>
    </PageFrame>
  );
}

function Whole({ horse }: { horse: Schemas['Horse'] }) {
  const { db, kick } = useQueue();
  const { records } = useWho();
  const open = useLiveQuery(
    // An object, so that "none" and "not known yet" are told apart.
    async () => ({ sheet: await openCoolOut(db, horse.horse_id) }),
    [db, horse.horse_id],
  );
  if (!open) return null;
  const start = async () => {
    await startCoolOut(db, { horseId: horse.horse_id, horseName: horse.name });
    kick();
  };
  return (
    <>
      <HorseHeading horse={horse} />
      <Typography variant="h2" component="p" sx={{ mb: 2, color: 'text.secondary' }}>
        Cooling out
      </Typography>
      {open.sheet ? (
        <Running sheet={open.sheet} horse={horse} />
      ) : (
        records && (
          <>
            <Typography sx={{ maxWidth: 560, mb: 2 }}>
              Start the clock when the work is over. Take pulse and breathing then, after 10 and
              after 20 minutes.
            </Typography>
            <Button
              variant="contained"
              size="large"
              onClick={() => void start()}
              sx={{ minHeight: 88, minWidth: 260, fontSize: '1.3rem' }}
            >
              Work is over
            </Button>
          </>
        )
      )}
      <Earlier horseId={horse.horse_id} without={open.sheet?.coolOutId} />
    </>
  );
}

function Running({ sheet, horse }: { sheet: KeptCoolOut; horse: Schemas['Horse'] }) {
  const { db, kick } = useQueue();
  const said = useSaid(sheet.readings, horse.sex);
  const sinceMs = Math.max(0, useNow(true) - Date.parse(sheet.startedAt));
  const minute = Math.floor(sinceMs / 60_000);
  const next = said?.next_min;
  const end = async () => {
    await endCoolOut(db, sheet.coolOutId);
    kick();
  };
  return (
    <>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3, alignItems: 'baseline', my: 1 }}>
        <Typography
          component="p"
          role="timer"
          aria-label="Minutes since the work was over"
          sx={{
            fontSize: '4rem',
            fontWeight: 700,
            lineHeight: 1,
            fontVariantNumeric: 'tabular-nums',
          }}
        >
          {minute}:{String(Math.floor(sinceMs / 1000) % 60).padStart(2, '0')}
        </Typography>
        <Typography sx={{ fontSize: '1.2rem', fontWeight: 700 }}>
          {next == null
            ? 'All taken'
            : next <= minute
              ? `Take it now${next > 0 ? ` (${next} minutes)` : ''}`
              : `Next at ${next} minutes`}
        </Typography>
      </Box>
      <Box aria-live="polite" sx={{ my: 1.5, maxWidth: 640 }}>
        {said?.text.map((text) => (
          <Typography
            key={text}
            sx={{
              fontWeight: said.call_vet ? 700 : 400,
              borderLeft: '6px solid',
              borderColor: said.call_vet ? 'error.main' : 'secondary.main',
              pl: 1.5,
              py: 0.25,
            }}
          >
            {text}
          </Typography>
        ))}
      </Box>
      <CoolLine readings={sheet.readings} minute={minute} />
      <TakeReading key={sheet.readings.length} sheet={sheet} minute={minute} next={next ?? null} />
      {sheet.state === 'refused' && (
        <Typography role="alert" sx={{ color: 'error.main', mt: 1 }}>
          Kept here, but not taken by the server: {sheet.refusedBecause}
        </Typography>
      )}
      <Button onClick={() => void end()} sx={{ mt: 3, minHeight: 56 }}>
        Close the sheet
      </Button>
      <Typography variant="body2" sx={{ mt: 2, color: 'text.secondary', maxWidth: 560 }}>
        Rules of thumb of endurance riding. A vet who knows the horse says otherwise; call one
        whenever you are not sure.
      </Typography>
    </>
  );
}

function Earlier({ horseId, without }: { horseId: string; without: string | undefined }) {
  const { time_zone } = useWho();
  const sheets = useQuery(coolOutsQuery(horseId));
  const today = dayIn(time_zone);
  const shown = sheets.data?.filter(
    ({ cool_out_id, readings }) => cool_out_id !== without && readings.length > 0,
  );
  if (!shown?.length) return null;
  return (
    <Section title="Before">
      {shown.map(({ cool_out_id, started_at, readings, said }) => (
        <Box key={cool_out_id} sx={{ mb: 2 }}>
          <Typography>
            <strong>
              {saidDay(dayIn(time_zone, new Date(started_at)), today)},{' '}
              {clockIn(time_zone, started_at)}
            </strong>
            . {said.text.join(' ')}
          </Typography>
          <CoolLine readings={readings} />
        </Box>
      ))}
    </Section>
  );
}
