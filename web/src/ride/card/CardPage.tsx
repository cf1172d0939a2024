import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { CardRail } from '../../draw/CardRail';
import { QueryState } from '../../shell/QueryState';
import { HorseHeading } from '../../shell/HorseHeading';
import { PageFrame } from '../../shell/PageFrame';
import { useQueue } from '../../outbox/queue';
import { ridePath } from '../../data/ridePath';
import { useTakenAlong } from '../../offline/useTakenAlong';
import { useWho } from '../../data/who';
import { horseQuery } from '../../data/today';
import { dayIn, longDay } from '../../base/words/days';
import { BlockOnCard } from './BlockOnCard';
import { CheckOver } from './CheckOver';
import { CowsOnCard } from './CowsOnCard';
import { DayBar } from './DayBar';
import { PrintedCard } from './PrintedCard';
import type { Card, CardDay } from '../../data/card';
import { begin, useCard } from '../../offline/useCard';
import { added, dropped, movedBy, swapped } from '../../offline/wanted';
import { Tip } from '../../help/Tip';

const LevelPicker = lazy(async () => ({
  default: (await import('../../ladder/LevelPicker')).LevelPicker,
}));

/** Today's card of a horse: what is asked, in which order, and why. */
export function CardPage() {
  const { horseId = '' } = useParams();
  const made = useCard(horseId);
  // The way from here leads into an arena without signal.
  useTakenAlong(horseId);
  useEffect(() => void import('../recorder/RecorderPage').catch(() => undefined), []);
  return (
    <PageFrame title="Card">
      <QueryState query={made.pack}>
        {({ day }) => (
          <QueryState query={made.built}>{() => <Whole made={made} day={day} />}</QueryState>
        )}
      </QueryState>
    </PageFrame>
  );
}

type Made = ReturnType<typeof useCard>;

function Whole({ made, day }: { made: Made; day: CardDay }) {
  const { horseId = '' } = useParams();
  const { records } = useWho();
  const { card, wanted, put } = made;
  if (!card) return null;
  const ridden = card.blocks.filter(({ part }) => part !== 'check_over');
  return (
    <>
      <Head card={card} horseId={horseId} made={made} />
      <CardRail parts={ridden} />
      <Tip of="card" />
      <Notes texts={card.cautions} name="Look out" strong />
      <Notes texts={card.limits} name="What limits it" />
      {made.pack.data?.last_note && (
        <Typography sx={{ mt: 1.5, maxWidth: 860 }}>
          <strong>Last time you said:</strong> {made.pack.data.last_note.text}
        </Typography>
      )}
      {records && <DayBar day={day} wanted={wanted} onWanted={(next) => void put(next)} />}
      <Box
        component="ol"
        aria-label="Parts of the ride"
        sx={{ listStyle: 'none', p: 0, m: 0, mt: 2, '@media print': { display: 'none' } }}
      >
        {card.blocks.map((block, index) => {
          const level = block.levels[0]?.level;
          const instead = block.instead[0]?.level;
          const later = movedBy(card.blocks, index, 1);
          const earlier = movedBy(card.blocks, index, -1);
          return (
            <BlockOnCard
              // A card may have the same part twice.
              key={`${block.part} ${index}`}
              block={block}
              {...(records &&
                level && {
                  onSwap: instead && (() => void put(swapped(wanted, level, instead))),
                  onDrop: () => void put(dropped(wanted, level)),
                  onEarlier: earlier && (() => void put({ ...wanted, order: earlier })),
                  onLater: later && (() => void put({ ...wanted, order: later })),
                })}
            >
              {block.part === 'check_over' && records && <CheckOver made={made} />}
              {records && level && <CowsOnCard horseId={horseId} skill={level.skill} />}
            </BlockOnCard>
          );
        })}
      </Box>
      {records && <Changes made={made} />}
      <PrintedCard card={card} />
      <LeftOut card={card} />
    </>
  );
}

function Head({ card, horseId, made }: { card: Card; horseId: string; made: Made }) {
  const { records, time_zone } = useWho();
  const horse = useQuery(horseQuery(horseId));
  const { db } = useQueue();
  const navigate = useNavigate();
  const first = card.blocks.flatMap((block) => block.levels)[0]?.level;
  const ride = async () => {
    await begin(db, made.id, card);
    if (first) await navigate(ridePath(horseId, first));
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', mb: 2 }}>
      <Box sx={{ flex: '1 1 260px' }}>
        {horse.data && <HorseHeading horse={horse.data} />}
        <Typography sx={{ fontSize: '1.15rem' }}>
          <Box component="span" sx={{ display: 'none', '@media print': { display: 'inline' } }}>
            {longDay(dayIn(time_zone))}.{' '}
          </Box>
          Today&apos;s card: <strong>{card.minutes} min</strong> of {card.most_minutes}
        </Typography>
      </Box>
      <Box sx={{ display: 'flex', gap: 1, '@media print': { display: 'none' } }}>
        <Button onClick={() => window.print()} sx={{ minHeight: 64 }}>
          Print
        </Button>
        {records && first && (
          <Button
            variant="contained"
            onClick={() => void ride()}
            sx={{ minHeight: 64, minWidth: 180, fontSize: '1.2rem' }}
          >
            Ride this card
          </Button>
        )}
      </Box>
    </Box>
  );
}

function Notes({
  texts,
  name,
  strong = false,
}: {
  texts: string[];
  name: string;
  strong?: boolean;
}) {
  if (texts.length === 0) return null;
  return (
    <Box
      role="note"
      aria-label={name}
      sx={{
        mt: 1.5,
        pl: 1.5,
        borderLeft: '6px solid',
        borderColor: strong ? 'error.main' : 'text.primary',
      }}
    >
      {texts.map((text) => (
        <Typography key={text} sx={{ fontWeight: strong ? 600 : 400, maxWidth: 860 }}>
          {text}
        </Typography>
      ))}
    </Box>
  );
}

/** One more part, or the card as it was. */
function Changes({ made: { wanted, put } }: { made: Made }) {
  const [picking, setPicking] = useState(false);
  const changed = Object.keys(wanted).some((key) => key !== 'quiet_today_min');
  const asItWas = () =>
    put(wanted.quiet_today_min === undefined ? {} : { quiet_today_min: wanted.quiet_today_min });
  return (
    <Box sx={{ display: 'flex', gap: 1, mt: 1.5, '@media print': { display: 'none' } }}>
      <Button onClick={() => setPicking(true)} sx={{ minHeight: 56 }}>
        Add a part
      </Button>
      {changed && (
        <Button variant="text" onClick={() => void asItWas()} sx={{ minHeight: 56 }}>
          Back to the first card
        </Button>
      )}
      {picking && (
        <Suspense fallback={null}>
          <LevelPicker
            onClose={() => setPicking(false)}
            onPick={({ skill, rung }) => {
              setPicking(false);
              void put(added(wanted, { skill, rung }));
            }}
          />
        </Suspense>
      )}
    </Box>
  );
}

function LeftOut({ card }: { card: Card }) {
  if (card.left_out.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label="Not today"
      sx={{ mt: 4, '@media print': { display: 'none' } }}
    >
      <Typography variant="h2">Not today</Typography>
      <Box component="ul" sx={{ m: 0, mt: 1, pl: 2.5 }}>
        {card.left_out.map(({ name, why }) => (
          <Typography component="li" key={name}>
            {name}: {why}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}
