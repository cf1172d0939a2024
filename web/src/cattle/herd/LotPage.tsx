import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { goesWords, leftInWords, settledWords } from '../../base/words/herd';
import { shortDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import { Caps } from './Caps';
import { CowForm, freshCow } from './CowForm';
import { CowRows } from './CowRows';
import { inPens, penWords, type Pen } from './pens';
import { cowPath, lotQuery, matchPath, type CowOfLot, type Lot } from '../../data/cattle';
import { Settlings } from './Settlings';
import { Stops } from './Stops';
import { Tag } from './Tag';

/** A lot of cattle: who is fresh, who is done, whether it stands settled. */
export function LotPage() {
  const { lotId = '' } = useParams();
  const lot = useQuery(lotQuery(lotId));
  return (
    <PageFrame title={lot.data?.sheet.name ?? 'Cattle'}>
      <QueryState query={lot}>{(found) => <OneLot lot={found} />}</QueryState>
    </PageFrame>
  );
}

function OneLot({ lot }: { lot: Lot }) {
  const { decides } = useWho();
  const { sheet, cattle } = lot;
  const here = cattle.filter((cow) => !cow.put_away_at);
  return (
    <>
      <Typography variant="h1">{sheet.name}</Typography>
      <Typography sx={{ mt: 0.5 }}>
        {here.length === 0
          ? `${sheet.head} head, none of them in the book yet`
          : `${here.length} in the book of ${Math.max(sheet.head, here.length)} head`}
        {lot.put_away_at && ', put away'}.{sheet.note && ` ${sheet.note}.`}
      </Typography>
      <Typography
        sx={{
          mt: 1.5,
          pl: 1.5,
          borderLeft: '6px solid',
          borderColor: lot.settled === 'yes' ? 'primary.main' : 'secondary.main',
          fontWeight: 700,
        }}
      >
        {settledWords[lot.settled]}
      </Typography>
      {here.length > 0 && (
        <Button component={Link} to={matchPath()} sx={{ mt: 1.5, minHeight: 56 }}>
          Which cow for which horse
        </Button>
      )}
      {inPens(cattle).map(([pen, own]) => (
        <PenRow key={pen} pen={pen} cattle={own} />
      ))}
      {decides && <AddCattle lot={lot} />}
      <Settlings lot={lot} />
      {decides && <Caps lot={lot} />}
      <Typography sx={{ mt: 4, color: 'text.secondary', maxWidth: 640 }}>
        Quiet stock for green horses and riders. Plan the gate before you go in, and nobody
        dismounts in the herd.
      </Typography>
    </>
  );
}

function PenRow({ pen, cattle }: { pen: Pen; cattle: CowOfLot[] }) {
  const [title, about] = penWords[pen];
  return (
    <Section title={`${title}: ${cattle.length}`} intro={about}>
      <Box
        component="ul"
        aria-label={title}
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(280px, 1fr))',
          columnGap: 3,
        }}
      >
        {cattle.map((cow) => (
          <CowRow key={cow.cow_id} cow={cow} hollow={pen !== 'fresh' && pen !== 'going_stale'} />
        ))}
      </Box>
    </Section>
  );
}

function CowRow({ cow, hollow }: { cow: CowOfLot; hollow: boolean }) {
  const { sheet, standing, withdrawn_until: until } = cow;
  const worked = standing.worked_on
    ? `${count(standing.works, 'work')}, ${leftInWords(standing.works_left)}`
    : 'never worked';
  return (
    <Box component="li" sx={{ borderTop: '1px solid', borderColor: 'divider' }}>
      <Box
        component={Link}
        to={cowPath(cow.cow_id)}
        sx={{
          display: 'flex',
          gap: 1.5,
          alignItems: 'center',
          py: 1,
          minHeight: 76,
          color: 'text.primary',
          textDecoration: 'none',
          '&:hover': { textDecoration: 'underline' },
        }}
      >
        <Tag tag={sheet.tag} hollow={hollow} size={38} />
        <Box sx={{ minWidth: 0 }}>
          <Typography sx={{ fontWeight: 700 }}>
            {goesWords[sheet.tempo]}
            {sheet.handling === 'wild' && ', wild'}
          </Typography>
          <Stops honesty={standing.honesty} />
          <Typography variant="body2">
            {worked}
            {until && `. Not for meat until ${shortDay(until)}`}
          </Typography>
        </Box>
      </Box>
    </Box>
  );
}

function AddCattle({ lot }: { lot: Lot }) {
  const [adding, setAdding] = useState<'one' | 'rows'>();
  const done = () => setAdding(undefined);
  if (adding === 'one')
    return (
      <CowForm
        label="Add a cow"
        lotId={lot.lot_id}
        first={freshCow(lot.sheet.kind)}
        onDone={done}
        again
      />
    );
  if (adding === 'rows') return <CowRows lotId={lot.lot_id} onDone={done} />;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 2 }}>
      <Button onClick={() => setAdding('one')} sx={{ minHeight: 56 }}>
        Add a cow
      </Button>
      <Button onClick={() => setAdding('rows')} sx={{ minHeight: 56 }}>
        Add several from a list
      </Button>
    </Box>
  );
}
