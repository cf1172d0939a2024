import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { FirstAskLane } from '../../draw/FirstAskLanes';
import { lately, type FirstAsk } from '../../draw/firstAsks';
import { Section } from '../../shell/Section';
import { ShareApart } from './ShareApart';
import { sayApart } from './sayApart';
import { levelPath } from '../../data/level';
import { shortDay, dayAfter } from '../../base/words/days';
import { count, percent } from '../../base/words/plain';
import type { HorsePage } from '../../data/horse';

const days = 60;
const shownAtFirst = 6;

/** First asks, level by level: the most honest test there is. */
export function FirstAsks({ page }: { page: HorsePage }) {
  const [all, setAll] = useState(false);
  const levels = byLevel(page);
  const shown = all ? levels : levels.slice(0, shownAtFirst);
  return (
    <Section
      id="first-asks"
      later={500}
      title="First asks"
      intro="The first ask of a side on a day, before any warming. Left above the line, right below it; filled is soft."
    >
      <QuitUse use={page.quit_use} />
      {levels.length === 0 ? (
        <Typography>Nothing was asked in the last {days} days.</Typography>
      ) : (
        <>
          <Box sx={{ display: 'flex', justifyContent: 'space-between', ml: { md: '340px' } }}>
            <Typography variant="body2">{shortDay(dayAfter(page.on, -days))}</Typography>
            <Typography variant="body2">{shortDay(page.on)}</Typography>
          </Box>
          <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {shown.map(({ place, asks }) => (
              <Lane key={place} place={place} asks={asks} page={page} />
            ))}
          </Box>
          {levels.length > shownAtFirst && (
            <Button onClick={() => setAll(!all)} sx={{ mt: 1 }}>
              {all ? 'Show fewer' : `Show all ${levels.length} levels`}
            </Button>
          )}
        </>
      )}
    </Section>
  );
}

/** Fewer times say nothing yet. */
const leastTimes = 5;

/** What came of quitting on a good one, against going on. */
function QuitUse({ use }: { use: HorsePage['quit_use'] }) {
  const { taken, went_on, after_taken, after_went_on, difference } = use;
  if (taken < leastTimes || went_on < leastTimes) return null;
  const next = ({ soft, asked }: typeof after_taken) =>
    `${percent(soft / Math.max(1, asked))} of the next first asks were soft (${soft} of ${asked})`;
  return (
    <Box sx={{ maxWidth: 760, mb: 1.5 }}>
      <Typography>
        <strong>Quit on a good one</strong> {count(taken, 'time')}: {next(after_taken)}. Went on
        past it {count(went_on, 'time')}: {next(after_went_on)}.{' '}
        {difference && sayApart(difference)} New and hard things get quit sooner, so look at it
        level by level.
      </Typography>
      {difference && <ShareApart of="Quit less went on" difference={difference} />}
    </Box>
  );
}

function Lane({ place, asks, page }: { place: number; asks: FirstAsk[]; page: HorsePage }) {
  const level = page.levels[place]?.level;
  if (!level) return null;
  const sides = level.sides === 'both' ? (['both'] as const) : (['left', 'right'] as const);
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '330px minmax(0, 1fr)' },
        gap: { xs: 0, md: 1.25 },
        alignItems: 'center',
        borderTop: '1px solid',
        borderColor: 'divider',
        py: 0.5,
      }}
    >
      <Box>
        <Typography sx={{ fontWeight: 600 }}>{level.name}</Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {sides
            .map((side) => {
              const { soft, of } = lately(asks, side, 3);
              return `${side === 'both' ? '' : `${side} `}${soft} of the last ${of}`;
            })
            .join(', ')}
        </Typography>
      </Box>
      <FirstAskLane
        asks={asks}
        days={days}
        on={page.on}
        hrefOf={(ask) =>
          `${levelPath({ horseId: page.horse.horse_id, ...level }, '/strip')}?rail=first_ask&rep=${ask.repId}&on=${page.on}`
        }
      />
    </Box>
  );
}

/** The levels by how lately they were asked, each with its first asks. */
function byLevel(page: HorsePage): { place: number; asks: FirstAsk[] }[] {
  const found = new Map<number, FirstAsk[]>();
  for (const { level, rep_id, day, side, soft } of page.first_asks) {
    found.set(level, [...(found.get(level) ?? []), { repId: rep_id, day, side, soft }]);
  }
  const last = (asks: FirstAsk[]) => asks.at(-1)?.day ?? '';
  return [...found]
    .map(([place, asks]) => ({ place, asks }))
    .sort((a, b) => last(b.asks).localeCompare(last(a.asks)) || b.place - a.place);
}
