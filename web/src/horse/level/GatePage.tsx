import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { FieldGate } from '../../draw/FieldGate';
import { VerdictMark } from '../../draw/VerdictMark';
import { VerdictRuns } from '../../draw/VerdictRuns';
import { QueryState } from '../../shell/QueryState';
import { HorseHeading } from '../../shell/HorseHeading';
import { PageFrame } from '../../shell/PageFrame';
import { ridePath } from '../../data/ridePath';
import { useWho } from '../../data/who';
import { RigShares } from '../../tack/RigShares';
import { verdictWords } from '../../base/words/answers';
import { horseLine } from '../../base/words/horse';
import { dayIn, longDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import { Ahead } from './Ahead';
import { AnswerDrop } from './AnswerDrop';
import { Decide } from './Decide';
import { levelPath, levelQuery, type HorseLevel } from '../../data/level';
import { Reasons } from './Reasons';
import { useLevel } from './useLevel';
import { Tip } from '../../help/Tip';

/** The verdict on a level: its gate, every reason, what it would take, how it went. */
export function GatePage() {
  const level = useLevel();
  const judged = useQuery(levelQuery(level));
  return (
    <PageFrame title="Gate">
      <QueryState query={judged}>{(data) => <Gate judged={data} level={level} />}</QueryState>
    </PageFrame>
  );
}

/** Gate, then what it would take, then the way here; on a wide screen the middle one stands beside. */
const layout = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(0, 2fr)' },
  gridTemplateRows: { md: 'auto 1fr' },
  gap: { xs: 3, md: 5 },
  mt: 2,
};

function Gate({ judged, level }: { judged: Schemas['JudgedLevel']; level: HorseLevel }) {
  const { horse, judgement, gate } = judged;
  const navigate = useNavigate();
  const { time_zone, records, decides } = useWho();
  const today = judgement.on === dayIn(time_zone);
  const hrefOf = (kind: string, side: string | null | undefined) => {
    const query = new URLSearchParams({
      rail: kind,
      ...(side && { side }),
      ...(level.on && { on: level.on }),
    });
    return `${levelPath({ ...level, on: undefined }, '/strip')}?${query}`;
  };
  return (
    <>
      <HorseHeading horse={horse} on={level.on} />
      <Typography sx={{ color: 'text.secondary' }}>
        {horseLine(horse)}. {judged.level.name}
        {!today && `, as of ${longDay(judgement.on)}`}
      </Typography>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 2 }}>
        <VerdictMark verdict={judgement.verdict} size={56} />
        <Box>
          <Typography variant="h1" component="h2">
            {verdictWords[judgement.verdict]}
          </Typography>
          <Typography sx={{ fontSize: '1.15rem' }}>{judgement.text}</Typography>
        </Box>
      </Box>
      <Box sx={layout}>
        <Box sx={{ minWidth: 0 }}>
          {judged.level.sides === 'each' && (
            <Box
              sx={{ display: 'flex', justifyContent: 'space-between', px: 2.5 }}
              aria-hidden="true"
            >
              <Typography variant="h3" component="span">
                Left
              </Typography>
              <Typography variant="h3" component="span">
                Right
              </Typography>
            </Box>
          )}
          <Tip of="gate" />
          <FieldGate
            items={judgement.gate.items}
            open={judgement.gate.passes}
            firstAskDays={gate.first_ask_days}
            hrefOf={hrefOf}
            onOpen={(href) => void navigate(href)}
          />
        </Box>
        <Box sx={{ minWidth: 0, gridRow: { md: 'span 2' } }}>
          <Typography variant="h2">What it would take</Typography>
          <Typography sx={{ mt: 0.5 }}>{judgement.takes}</Typography>
          {judgement.risk && <Risk says={judgement.risk.text} />}
          {judgement.against_text.length > 0 && <Against says={judgement.against_text} />}
          <Reasons reasons={judgement.reasons} sex={horse.sex} hrefOf={hrefOf} />
          <Ahead judged={judged} level={level} />
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 2 }}>
            {records && today && (
              <Button component={Link} variant="contained" to={ridePath(horse.horse_id, level)}>
                Ride {horse.name}
              </Button>
            )}
            <Button component={Link} to={levelPath(level, '/strip')}>
              See the rein strips
            </Button>
            {decides && today && <Decide judged={judged} level={level} />}
            {decides && today && <AnswerDrop judged={judged} level={level} />}
            {!today && (
              <Button component={Link} to={levelPath({ ...level, on: undefined })}>
                Today&apos;s gate
              </Button>
            )}
          </Box>
        </Box>
        <Box component="section" sx={{ minWidth: 0 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            How it got here
          </Typography>
          {judgement.days.length === 0 ? (
            <Typography>Not asked yet. The first ride will show here.</Typography>
          ) : (
            <VerdictRuns
              days={judgement.days}
              on={judgement.on}
              hrefOf={(day) => levelPath({ ...level, on: day })}
            />
          )}
          {judgement.changes.length > 0 && <Changes changes={judgement.changes} />}
          {judgement.rigs.length > 0 && (
            <Box component="section" aria-label="By tack" sx={{ mt: 3 }}>
              <Typography variant="h2" sx={{ mb: 1 }}>
                By tack
              </Typography>
              <RigShares
                shares={judgement.rigs.map((share, index) => ({
                  ...share,
                  says: judged.rigs_say[index],
                }))}
              />
            </Box>
          )}
        </Box>
      </Box>
      <Typography variant="body2" sx={{ mt: 4, color: 'text.secondary', maxWidth: 760 }}>
        {window(judgement.gate.window, gate)} Ladder version {judged.ladder_version}
        {judged.program_version != null && `, program version ${judged.program_version}`}. The
        trainer has the last word.
      </Typography>
    </>
  );
}

/** How often a gate like this one was wrong. */
function Risk({ says }: { says: string }) {
  return (
    <Box component="section" aria-label="How often a gate like this is wrong" sx={{ mt: 2 }}>
      <Typography variant="h3">How often a gate like this is wrong</Typography>
      <Typography>{says}</Typography>
    </Box>
  );
}

/** What stands against each side of a held level, as points one can count. */
function Against({ says }: { says: string[] }) {
  return (
    <Box component="section" aria-label="How sure it is" sx={{ mt: 2 }}>
      <Typography variant="h3">How sure it is</Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Three points for each miss, one off for each soft one, at most four more a ride.
      </Typography>
      {says.map((text) => (
        <Typography key={text}>{text}</Typography>
      ))}
    </Box>
  );
}

/** Gained, in doubt, lost, held again: each with its day and why, the latest first. */
function Changes({ changes }: { changes: Schemas['ToldChange'][] }) {
  return (
    <Box component="section" aria-label="Gained and lost" sx={{ mt: 3 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Gained and lost
      </Typography>
      {[...changes].reverse().map(({ day, text }, index) => (
        <Typography key={`${day} ${index}`} sx={{ py: 0.25 }}>
          <strong>{longDay(day)}.</strong> {text}
        </Typography>
      ))}
    </Box>
  );
}

function window({ rides }: Schemas['Window'], gate: Schemas['Gate']): string {
  const more =
    rides > gate.window_rides ? `, and more to reach ${gate.least_reps} asks a side,` : '';
  return `Judged from ${count(rides, 'ride')}: the last ${gate.window_rides}${more} within ${count(gate.window_days, 'day')}.`;
}
