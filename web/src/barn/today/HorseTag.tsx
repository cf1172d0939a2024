import { lazy, Suspense, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { cardPath } from '../../data/card';
import { VerdictMark } from '../../draw/VerdictMark';
import { horsePath } from '../../data/horse';
import { verdictWords } from '../../base/words/answers';
import { horseLine } from '../../base/words/horse';
import { HeatLine } from './HeatLine';
import { aimPath, aimRidePath } from './paths';
import { cardInShort, isRidden, type StringHorse } from './string';

const TiedAsks = lazy(async () => ({ default: (await import('./TiedAsks')).TiedAsks }));

const RiddenToday = lazy(async () => ({ default: (await import('./RiddenToday')).RiddenToday }));

interface Props {
  entry: StringHorse;
  records: boolean;
  /** It stands at the head of the page: its tag says no more than that. */
  isNext: boolean;
}

/** A horse of the day: who it is, what for, where it stands. */
export function HorseTag({ entry, records, isNext }: Props) {
  const { horse, aim } = entry;
  const ride = aimRidePath(entry);
  return (
    <Box
      sx={{
        flex: 1,
        minWidth: 0,
        bgcolor: 'background.paper',
        border: '2px solid',
        borderColor: 'text.primary',
        borderRadius: '22px 5px 5px 22px',
        p: 1.5,
        pl: 4,
      }}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Typography variant="h2" component="h3">
            <Box
              component={Link}
              to={horsePath(horse.horse_id)}
              sx={{ color: 'text.primary', textDecorationThickness: 2, textUnderlineOffset: 4 }}
            >
              {horse.name}
            </Box>
          </Typography>
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            {horseLine(horse)}, {entry.place.toLowerCase()}
            {entry.kind === 'outing' && '. An outing: nothing is asked'}
            {entry.skipped_because != null && `. Skipped: ${entry.skipped_because}`}
          </Typography>
        </Box>
        {entry.skipped_because != null && (
          <Typography sx={{ fontWeight: 700, alignSelf: 'center' }}>skipped</Typography>
        )}
        {isNext && <Typography sx={{ fontWeight: 700, alignSelf: 'center' }}>next</Typography>}
        {records && !isNext && ride && (
          <Button
            component={Link}
            to={ride}
            variant={isRidden(entry) ? 'outlined' : 'contained'}
            aria-label={`Ride ${horse.name}`}
            sx={{ minWidth: 76, minHeight: 56 }}
          >
            Ride
          </Button>
        )}
      </Box>
      {!isNext && <HeatLine heat={entry.heat} />}
      {!isNext && (
        <Box
          component={Link}
          to={aimPath(entry)}
          sx={{
            display: 'flex',
            gap: 1.25,
            mt: 1,
            py: 0.5,
            color: 'text.primary',
            textDecoration: 'none',
            '&:hover .word': { textDecoration: 'underline' },
          }}
        >
          <VerdictMark verdict={aim.verdict} />
          <Box>
            <Typography className="word" sx={{ fontWeight: 700 }}>
              {verdictWords[aim.verdict]}: {aim.level.name.toLowerCase()}
            </Typography>
            <Typography variant="body2">{aim.matters}</Typography>
          </Box>
        </Box>
      )}
      {!isNext && (
        <Box
          component={Link}
          to={cardPath(horse.horse_id)}
          sx={{ color: 'text.primary', display: 'inline-block', py: 0.75, mt: 0.25, mr: 2 }}
        >
          Card: {cardInShort(entry)}
        </Box>
      )}
      {records && <Tied horse={horse} />}
      <OnTheCard entry={entry} />
      {entry.rides.length > 0 && (
        <Suspense fallback={null}>
          <RiddenToday entry={entry} />
        </Suspense>
      )}
    </Box>
  );
}

/** Asks in passing, while it stands tied: no ride is needed for them. */
function Tied({ horse }: { horse: StringHorse['horse'] }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button
        variant="text"
        onClick={() => setOpen(true)}
        aria-label={`Bends while tied: ${horse.name}`}
        sx={{ minHeight: 48, px: 0, mr: 2 }}
      >
        Bends while tied
      </Button>
      {open && (
        <Suspense fallback={null}>
          <TiedAsks horse={horse} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

/** What was put on its card for today. */
function OnTheCard({ entry }: { entry: StringHorse }) {
  return entry.card.map((block) => (
    <Typography key={block.block_id} variant="body2" sx={{ mt: 0.75 }}>
      <strong>
        On the card: {block.name}
        {block.side && block.side !== 'both' && `, more on the ${block.side}`}.
      </strong>{' '}
      {block.text}
    </Typography>
  ));
}
