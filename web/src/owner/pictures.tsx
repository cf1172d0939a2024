import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { AsksDrawn, AsksKey } from '../draw/AsksDrawn';
import { FieldGate } from '../draw/FieldGate';
import { LadderKey } from '../draw/LadderKey';
import { LadderRails } from '../draw/LadderRails';
import { drawn } from '../draw/rein';
import { RoadFence } from '../draw/RoadFence';
import { useWidth } from '../draw/useWidth';
import { LevelList } from '../ladder/LevelList';
import { saidState } from '../base/words/states';
import { longDay, shortDay } from '../base/words/days';
import type { ToldMonth } from '../data/owner';
import { Tip } from '../help/Tip';

/** The pictures of a month, each under the words that it belongs to. */

export const rungsOf = ({ ladder }: ToldMonth) =>
  ladder.map(({ level, needs, state, counts_as_held }) => ({
    level,
    needs,
    state,
    held: counts_as_held,
  }));

/** The ladder as it stands; a tap on a rung says what it is. */
export function LadderPicture({ told }: { told: ToldMonth }) {
  const [picked, setPicked] = useState<number | null>(null);
  const levels = rungsOf(told);
  const rung = picked === null ? undefined : told.ladder[picked];
  return (
    <Box component="figure" sx={{ m: 0, mt: 2 }}>
      <LadderKey />
      <Tip of="ladder" />
      {rung && (
        <Typography role="status" sx={{ my: 1 }}>
          <strong>{rung.level.name}</strong>: {saidState(rung.state, rung.counts_as_held)}
          {rung.held_since && rung.counts_as_held && `, held since ${longDay(rung.held_since)}`}.
        </Typography>
      )}
      <LadderRails
        levels={levels}
        tracks={told.tracks}
        picked={picked}
        onPick={setPicked}
        next={told.next}
      />
      <Box component="details" sx={{ '@media print': { display: 'none' }, maxWidth: 560 }}>
        <Box component="summary" sx={{ cursor: 'pointer', minHeight: 44, py: 1 }}>
          The ladder in words
        </Box>
        <LevelList levels={levels} tracks={told.tracks} picked={picked} onPick={setPicked} />
      </Box>
    </Box>
  );
}

/** Two rides of one level: how it was, how it is. */
export function ThenAndNow({ told }: { told: ToldMonth }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const both = told.then_and_now;
  if (!both) return null;
  const half = Math.min(300, Math.floor((width - 24) / 2));
  return (
    <Box component="figure" sx={{ m: 0, mt: 2, breakInside: 'avoid' }} ref={ref}>
      <Typography component="figcaption" sx={{ fontWeight: 700 }}>
        {both.level.name}: then and now
      </Typography>
      <Box sx={{ display: 'flex', gap: 3, mt: 1 }}>
        {width > 0 &&
          [both.then, both.now].map((strip) => (
            <Box key={strip.ride_id} sx={{ width: half }}>
              <Typography>{shortDay(strip.day)}</Typography>
              <AsksDrawn
                reps={strip.reps.map(drawn)}
                width={half}
                longestSoftS={both.level.longest_soft_s}
              />
            </Box>
          ))}
      </Box>
      <AsksKey reps={both.now.reps.map(drawn)} />
    </Box>
  );
}

/** The gate of the level that comes next. */
export function GatePicture({ told }: { told: ToldMonth }) {
  const { gate } = told;
  if (!gate) return null;
  return (
    <Box component="figure" sx={{ m: 0, mt: 2, maxWidth: 720, breakInside: 'avoid' }}>
      <Typography component="figcaption" sx={{ color: 'text.secondary' }}>
        Each rail is something to be shown; with every rail filled the gate stands open.
      </Typography>
      <FieldGate
        items={gate.check.items}
        open={gate.check.passes}
        firstAskDays={gate.first_ask_days}
      />
    </Box>
  );
}

/** The road to the dates. */
export function RoadPicture({ told }: { told: ToldMonth }) {
  const { road } = told;
  if (!road) return null;
  return (
    <Box component="figure" sx={{ m: 0, mt: 2, breakInside: 'avoid' }}>
      <RoadFence on={road.on} road={road.road.road} behind={heldBehind(told)} />
      <Typography component="figcaption" sx={{ color: 'text.secondary' }}>
        Posts are levels that came to be held. The hatched plank runs from the day by which one
        future in ten is there to the day by which nine in ten are.
      </Typography>
    </Box>
  );
}

export const heldBehind = ({ road }: ToldMonth) =>
  (road?.behind ?? []).map(({ level, day }) => ({ name: level.name, day }));
