import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { Tip } from '../../help/Tip';
import { useWho } from '../../data/who';
import { dayIn, saidDay, shortDay } from '../../base/words/days';
import {
  cowKindWords,
  goesWords,
  handlingWords,
  leftInWords,
  stopsInWords,
} from '../../base/words/herd';
import { count } from '../../base/words/plain';
import { CowForm } from './CowForm';
import { CowHealth } from './CowHealth';
import { CowWorks } from './CowWorks';
import { Headings } from './Headings';
import { cowQuery, lotPath, usePutCowAway, type CowPageData } from '../../data/cattle';
import { Tag } from './Tag';
import { Wrong } from './Wrong';

/** A cow: its tag, how honest it still is, what was seen and given, who worked it. */
export function CowPage() {
  const { cowId = '' } = useParams();
  const cow = useQuery(cowQuery(cowId));
  return (
    <PageFrame title={cow.data ? `Cow ${cow.data.sheet.tag}` : 'Cow'}>
      <QueryState query={cow}>{(found) => <OneCow cow={found} />}</QueryState>
    </PageFrame>
  );
}

function OneCow({ cow }: { cow: CowPageData }) {
  const { decides, time_zone } = useWho();
  const [changing, setChanging] = useState(false);
  const away = usePutCowAway();
  const { sheet, standing } = cow;
  const gone = cow.put_away_at != null;
  const today = dayIn(time_zone);
  return (
    <>
      <Box sx={{ display: 'flex', gap: 2.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Tag tag={sheet.tag} size={72} hollow={gone || standing.done || standing.sorted_off} />
        <Box sx={{ flex: '1 1 240px' }}>
          <Typography variant="h1">
            Cow {sheet.tag}
            {gone && ', gone'}
          </Typography>
          <Typography>
            {cowKindWords[sheet.kind]} of <Link to={lotPath(cow.lot_id)}>{cow.lot}</Link>,{' '}
            {goesWords[sheet.tempo].toLowerCase()}, {handlingWords[sheet.handling].toLowerCase()}.
            Came {saidDay(sheet.came, today)}. {sheet.note}
          </Typography>
        </Box>
      </Box>
      <Typography
        sx={{
          mt: 2,
          pl: 1.5,
          borderLeft: '6px solid',
          borderColor: standing.done || standing.sorted_off ? 'secondary.main' : 'primary.main',
          fontWeight: 700,
        }}
      >
        {stateOf(cow)}
      </Typography>
      <Box component="ul" aria-label="In numbers" sx={{ pl: 2.5, my: 1.5 }}>
        <li>
          {stopsInWords(standing.honesty.share)} (likely {Math.round(standing.honesty.low * 10)} to{' '}
          {Math.round(standing.honesty.high * 10)})
        </li>
        <li>{count(standing.works, 'work')} so far</li>
        <li>
          {standing.worked_on
            ? `last worked ${saidDay(standing.worked_on, today)}`
            : 'never worked here'}
        </li>
        <li>{leftInWords(standing.works_left)}</li>
        {sheet.weight_lb != null && <li>{sheet.weight_lb} lb</li>}
      </Box>
      <Section
        title="Does it stop when it is headed?"
        intro="First to last. What it did lately counts most. A cow that a horse out of place let through is not blamed."
      >
        <Headings stopped={cow.stopped} />
        <Tip of="headings" />
      </Section>
      <CowHealth cow={cow} />
      <CowWorks works={cow.works} />
      {decides &&
        (changing ? (
          <CowForm
            label={`Change ${sheet.tag}`}
            cowId={cow.cow_id}
            lotId={cow.lot_id}
            first={sheet}
            onDone={() => setChanging(false)}
          />
        ) : (
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 4 }}>
            <Button onClick={() => setChanging(true)} sx={{ minHeight: 56 }}>
              Change what is written down
            </Button>
            <Button
              onClick={() => away.mutate({ cowId: cow.cow_id, away: !gone })}
              sx={{ minHeight: 56 }}
            >
              {gone ? 'It is back' : 'It is gone'}
            </Button>
            <Wrong error={away.error} />
          </Box>
        ))}
    </>
  );
}

function stateOf({ standing, withdrawn_until: until, sheet }: CowPageData): string {
  const { honesty } = standing;
  const meat = until ? ` Not for meat until ${shortDay(until)}.` : '';
  if (standing.sorted_off) return `Sorted off: not well. The vet decides.${meat}`;
  if (standing.done)
    return `Done: ${sheet.done ? 'your call' : 'it teaches a horse that a cow cannot be stopped'}.${meat}`;
  const more = count(honesty.until_done, 'time');
  return honesty.freshness === 'fresh'
    ? `Fresh.${meat}`
    : `Going stale. Runs through ${more} more in a row and it is done.${meat}`;
}
