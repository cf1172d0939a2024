import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { helpOf } from '../../draw/help';
import { HelpOverTime } from '../../draw/HelpOverTime';
import { drawn, type DrawnRep } from '../../draw/rein';
import { ReinStrip } from '../../draw/ReinStrip';
import { railNames, type ItemKind } from '../../draw/rails';
import { StripKey } from '../../draw/StripKey';
import { QueryState } from '../../shell/QueryState';
import { HorseHeading } from '../../shell/HorseHeading';
import { PageFrame } from '../../shell/PageFrame';
import { useWho } from '../../data/who';
import { sideWords, type Side } from '../../base/words/answers';
import { dayIn, longDay, saidDay } from '../../base/words/days';
import { PickedRep } from './PickedRep';
import { useFewAtFirst } from '../../shell/useFewAtFirst';
import { AskList } from './AskList';
import { levelPath, stripsQuery, type HorseLevel } from '../../data/level';
import { useLevel } from './useLevel';
import { Tip } from '../../help/Tip';

/** Every ride of a level, rein beside rein, newest first. */
export function StripPage() {
  const level = useLevel();
  const strips = useQuery(stripsQuery(level));
  return (
    <PageFrame title="Rein strips">
      <QueryState query={strips}>{(data) => <Reins data={data} level={level} />}</QueryState>
    </PageFrame>
  );
}

const stripWidth = 116;

function Reins({ data, level }: { data: Schemas['LevelStrips']; level: HorseLevel }) {
  const [search, setSearch] = useSearchParams();
  const rail = search.get('rail') as ItemKind | null;
  const side = search.get('side') as Side | null;
  const picked = search.get('rep');
  const pick = (rep: string) =>
    setSearch((before) => ({ ...Object.fromEntries(before), rep }), { replace: true });
  const help = helpOf(data.strips);
  const newest = [...data.strips].reverse();
  const drawn = useFewAtFirst(newest.length, 8);
  const rows = Math.max(0, ...newest.map((strip) => strip.reps.length));
  const pickedStrip = newest.find((strip) => strip.reps.some((rep) => rep.rep_id === picked));
  return (
    <>
      <HorseHeading horse={data.horse} on={level.on} />
      <Typography sx={{ color: 'text.secondary' }}>
        {data.level.name}
        {level.on && `, up to ${longDay(level.on)}`}
      </Typography>
      {rail && <Looking rail={rail} side={side} level={level} />}
      {newest.length === 0 ? (
        <Typography sx={{ my: 3, maxWidth: 520 }}>
          Not asked yet. Each ride adds a strip here.
        </Typography>
      ) : (
        <>
          <Box
            role="region"
            aria-label="Rein strips, newest first"
            tabIndex={0}
            sx={{ mt: 2, overflowX: 'auto', borderTop: '7px solid', borderColor: 'text.primary' }}
          >
            <Box component="ol" sx={{ display: 'flex', gap: 1, m: 0, p: 0, listStyle: 'none' }}>
              {newest.slice(0, drawn).map((strip) => (
                <Rein key={strip.ride_id} {...{ strip, data, rail, side, picked, pick, rows }} />
              ))}
            </Box>
          </Box>
          {pickedStrip ? (
            <PickedRep
              strip={pickedStrip}
              repId={picked ?? ''}
              longestSoftS={data.level.longest_soft_s}
              mostSoftHand={data.most_soft_hand}
            />
          ) : (
            <Typography sx={{ my: 1.5 }}>
              Tap a mark to see the ask, a day to open the ride.
            </Typography>
          )}
          <AskList strips={newest} picked={picked} onPick={pick} />
          <StripKey />
          <Tip of="strip" />
          {help.length > 0 && <HelpOverTime rides={help} />}
        </>
      )}
      <Button component={Link} to={levelPath(level)} sx={{ mt: 3 }}>
        Back to the gate
      </Button>
    </>
  );
}

interface ReinProps {
  strip: Schemas['Strip'];
  data: Schemas['LevelStrips'];
  rail: ItemKind | null;
  side: Side | null;
  picked: string | null;
  pick: (repId: string) => void;
  rows: number;
}

function Rein({ strip, data, rail, side, picked, pick, rows }: ReinProps) {
  const { time_zone } = useWho();
  const reps = strip.reps.map(drawn);
  const soft = (which: Side) => {
    const own = reps.filter((rep) => rep.side === which);
    return `${own.filter((rep) => rep.soft).length}/${own.length}`;
  };
  return (
    <Box component="li" sx={{ flex: 'none', width: stripWidth, textAlign: 'center', pt: 0.5 }}>
      <Box
        component={Link}
        to={`/rides/${strip.ride_id}`}
        aria-label={`The ride of ${longDay(strip.day)}`}
        sx={{ display: 'block', color: 'text.primary', fontWeight: 700, py: 0.75 }}
      >
        {saidDay(strip.day, dayIn(time_zone))}
      </Box>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', px: 1, fontSize: 14 }}>
        <span>L {soft('left')}</span>
        <span>R {soft('right')}</span>
      </Box>
      <ReinStrip
        reps={reps}
        width={stripWidth}
        rows={rows}
        longestSoftS={data.level.longest_soft_s}
        counts={rail ? counting(rail, side, strip.in_window) : undefined}
        picked={picked}
        onPick={pick}
      />
    </Box>
  );
}

/** Which reps a rail is made of. */
function counting(rail: ItemKind, side: Side | null, inWindow: boolean) {
  return (rep: DrawnRep) =>
    inWindow && (!side || rep.side === side) && (rail !== 'first_ask' || rep.firstAsk);
}

function Looking({ rail, side, level }: { rail: ItemKind; side: Side | null; level: HorseLevel }) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.5, mt: 1.5 }}>
      <Typography sx={{ fontWeight: 700 }}>
        {railNames[rail]}
        {side && `, ${sideWords[side].toLowerCase()} side`}: the asks behind it stand out.
      </Typography>
      <Button component={Link} size="small" to={levelPath(level, '/strip')}>
        Clear highlight
      </Button>
    </Box>
  );
}
