import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../../base/api/client';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { dayIn, saidDay, shortDay } from '../../base/words/days';
import { signWords } from '../../base/words/herd';
import { usePutSign, useTakeOutTreatment, type CowPageData } from '../../data/cattle';
import { TreatmentForm } from './TreatmentForm';
import { Wrong } from './Wrong';

/** What was seen of a cow that is not well, and what it was given. */
export function CowHealth({ cow }: { cow: CowPageData }) {
  const { records } = useWho();
  return (
    <>
      <Section
        title="Not well?"
        intro="Sort it off, and let the vet decide what it is and what it needs."
      >
        <Signs cow={cow} />
        {records && !cow.put_away_at && <SeeSign cow={cow} />}
      </Section>
      <Treatments cow={cow} />
    </>
  );
}

function Signs({ cow }: { cow: CowPageData }) {
  const { records, time_zone } = useWho();
  const put = usePutSign();
  const today = dayIn(time_zone);
  const clear = ({ sign_id, sign, seen_on, note }: CowPageData['signs'][number]) =>
    put.mutate({
      signId: sign_id,
      cow_id: cow.cow_id,
      seen: { sign, seen_on, note },
      cleared_on: today,
    });
  if (cow.signs.length === 0) return <Typography>Nothing seen.</Typography>;
  return (
    <>
      <Wrong error={put.error} />
      <Box component="ul" aria-label="Signs" sx={listSx}>
        {cow.signs.map((one) => (
          <Box component="li" key={one.sign_id} sx={rowSx}>
            <Typography sx={{ flex: '1 1 240px' }}>
              <strong>{signWords[one.sign]}</strong>, seen {saidDay(one.seen_on, today)} by{' '}
              {one.by_whom}.{' '}
              {one.cleared_on ? `Cleared ${saidDay(one.cleared_on, today)}.` : 'Sorted off.'}{' '}
              {one.note}
            </Typography>
            {records && !one.cleared_on && (
              <Button onClick={() => clear(one)} disabled={put.isPending}>
                Well again
              </Button>
            )}
          </Box>
        ))}
      </Box>
    </>
  );
}

function SeeSign({ cow }: { cow: CowPageData }) {
  const { time_zone } = useWho();
  const put = usePutSign();
  const [note, setNote] = useState('');
  const see = (sign: Schemas['CowSign']) =>
    put.mutate(
      {
        signId: uuidv7(),
        cow_id: cow.cow_id,
        seen: { sign, seen_on: dayIn(time_zone), note },
      },
      { onSuccess: () => setNote('') },
    );
  return (
    <Box role="group" aria-label="Sort it off" sx={{ maxWidth: 720, mt: 1.5 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {(Object.entries(signWords) as [Schemas['CowSign'], string][]).map(([sign, words]) => (
          <Button
            key={sign}
            onClick={() => see(sign)}
            disabled={put.isPending}
            sx={{ minHeight: 56 }}
          >
            {words}
          </Button>
        ))}
      </Box>
      <Box sx={{ mt: 1.5, maxWidth: 560 }}>
        <FormText
          label="A note with it"
          becomes="SignSeen/note"
          value={note}
          onText={setNote}
          wrong={fieldsOf(put.error)['/seen/note']}
          autoComplete="off"
        />
      </Box>
      <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
        {saidOfAll(put.error, ['/seen/note'])}
      </Typography>
    </Box>
  );
}

function Treatments({ cow }: { cow: CowPageData }) {
  const { records, decides, time_zone } = useWho();
  const [adding, setAdding] = useState(false);
  const takeOut = useTakeOutTreatment();
  const today = dayIn(time_zone);
  return (
    <Section
      title="Treatments"
      intro="With the days until it may be sold for meat, from the label or the vet."
    >
      <Wrong error={takeOut.error} />
      {cow.treatments.length === 0 && <Typography>None.</Typography>}
      <Box component="ul" aria-label="Treatments" sx={listSx}>
        {cow.treatments.map((one) => (
          <Box component="li" key={one.treatment_id} sx={rowSx}>
            <Typography sx={{ flex: '1 1 240px' }}>
              <strong>{one.what}</strong>, {saidDay(one.given_on, today)}
              {one.by && `, ${one.by}`}.{' '}
              {one.withdrawn_until
                ? `Not for meat until ${shortDay(one.withdrawn_until)}.`
                : 'No withdrawal.'}{' '}
              {one.note}
            </Typography>
            {decides && (
              <Button
                aria-label={`Take out ${one.what}`}
                onClick={() => takeOut.mutate(one.treatment_id)}
              >
                Take out
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {records &&
        (adding ? (
          <TreatmentForm cowId={cow.cow_id} onDone={() => setAdding(false)} />
        ) : (
          <Button onClick={() => setAdding(true)} sx={{ mt: 1.5, minHeight: 56 }}>
            Write down a treatment
          </Button>
        ))}
    </Section>
  );
}

const listSx = { listStyle: 'none', m: 0, p: 0, maxWidth: 720 } as const;
const rowSx = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: 1,
  alignItems: 'center',
  borderTop: '1px solid',
  borderColor: 'divider',
  py: 0.75,
} as const;
