import { count } from '../../base/words/plain';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { LadderKey } from '../../draw/LadderKey';
import { LadderRails } from '../../draw/LadderRails';
import { VerdictMark } from '../../draw/VerdictMark';
import { Section } from '../../shell/Section';
import { LevelList } from '../../ladder/LevelList';
import { ladderQuery } from '../../data/ladder';
import { levelPath } from '../../data/level';
import { useWho } from '../../data/who';
import { verdictWords } from '../../base/words/answers';
import { dayIn, longDay } from '../../base/words/days';
import { saidState, stateWords } from '../../base/words/states';
import { placeOf } from '../../data/levelsOfHorse';
import type { HorsePage } from '../../data/horse';
import { Tip } from '../../help/Tip';

/** The ladder with this horse on it. */
export function HorseLadder({ page }: { page: HorsePage }) {
  const ladder = useQuery(ladderQuery);
  const next = page.next ? placeOf(page.levels, page.next.level) : null;
  const [picked, setPicked] = useState<number | null>(next);
  const tracks = ladder.data?.tracks ?? [];
  const levels = page.levels.map(({ level, needs, state, counts_as_held }) => ({
    level,
    needs,
    state,
    held: counts_as_held,
  }));
  return (
    <Section
      id="ladder"
      later={900}
      title="On the ladder"
      intro="Each upright pair is a track, each rung a level, from the ground up. The arrow is what comes next."
    >
      <LadderKey />
      <Tip of="ladder" />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 320px' },
          gap: 3,
          mt: 1,
        }}
      >
        <LadderRails
          levels={levels}
          tracks={tracks}
          picked={picked}
          onPick={setPicked}
          next={next}
        />
        <Box
          sx={{ minWidth: 0, maxHeight: { md: 640 }, overflowY: 'auto' }}
          tabIndex={0}
          role="group"
          aria-label="The rung, and the ladder in words"
        >
          {picked === null ? (
            <Typography>Tap a rung.</Typography>
          ) : (
            <Rung page={page} place={picked} onPick={setPicked} />
          )}
          <LevelList levels={levels} tracks={tracks} picked={picked} onPick={setPicked} />
        </Box>
      </Box>
    </Section>
  );
}

function Rung({
  page,
  place,
  onPick,
}: {
  page: HorsePage;
  place: number;
  onPick: (place: number) => void;
}) {
  const { time_zone } = useWho();
  const standing = page.levels[place];
  if (!standing) return null;
  const { level, state, verdict, held_since, holds, days } = standing;
  const on = page.on === dayIn(time_zone) ? undefined : page.on;
  return (
    <Box role="status" sx={{ mb: 2 }}>
      <Typography variant="h3">{level.name}</Typography>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', my: 0.5 }}>
        <VerdictMark verdict={verdict} />
        <Typography>
          {saidState(state, held_since != null)}
          {held_since && state !== 'overruled' && `, held since ${longDay(held_since)}`}
          {state !== 'closed' && state !== 'open' && `; ${verdictWords[verdict].toLowerCase()}`}
        </Typography>
      </Box>
      {holds && <Typography>{holds[0]?.toUpperCase() + holds.slice(1)}.</Typography>}
      <Typography variant="body2">
        {days === 0 ? 'Never asked.' : `Asked on ${count(days, 'day')}.`}
      </Typography>
      <Needs page={page} needs={standing.needs} onPick={onPick} />
      <Button
        component={Link}
        to={levelPath({ horseId: page.horse.horse_id, ...level, on })}
        sx={{ mt: 1 }}
      >
        See its gate
      </Button>
    </Box>
  );
}

function Needs({
  page,
  needs,
  onPick,
}: {
  page: HorsePage;
  needs: number[][];
  onPick: (place: number) => void;
}) {
  if (needs.length === 0) return null;
  return (
    <Box sx={{ mt: 0.5 }}>
      <Typography variant="body2" sx={{ fontWeight: 700 }}>
        Needs
      </Typography>
      {needs.map((alternatives) => (
        <Box key={alternatives.join()}>
          {alternatives.map((place, index) => (
            <Button
              key={place}
              variant="text"
              size="small"
              onClick={() => onPick(place)}
              sx={{ textAlign: 'left', justifyContent: 'flex-start' }}
            >
              {index > 0 && 'or '}
              {page.levels[place]?.level.name} ({stateWords[page.levels[place]?.state ?? 'closed']})
            </Button>
          ))}
        </Box>
      ))}
    </Box>
  );
}
