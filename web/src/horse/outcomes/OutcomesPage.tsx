import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { OutcomeMark } from '../../draw/OutcomeMark';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { useFewAtFirst } from '../../shell/useFewAtFirst';
import { levelPath } from '../../data/level';
import { useWho } from '../../data/who';
import { dayIn, saidDay } from '../../base/words/days';
import { keptBackWords, outcomeWords } from '../../base/words/states';
import { BackLinks } from './BackLinks';
import { DecisionList } from './DecisionList';
import { outcomesQuery } from '../../data/outcomes';

/** How verdicts and the trainer's own decisions turned out. */
export function OutcomesPage() {
  const outcomes = useQuery(outcomesQuery);
  return (
    <PageFrame title="Looking back">
      <BackLinks />
      <QueryState query={outcomes}>{(data) => <Outcomes outcomes={data} />}</QueryState>
    </PageFrame>
  );
}

type Outcome = Schemas['Outcome'];
const all: Outcome[] = ['held', 'went_back', 'too_early'];

function Outcomes({ outcomes }: { outcomes: Schemas['Outcomes'] }) {
  const standing = outcomes.overrules.filter(({ withdrawn }) => !withdrawn);
  const letCount = standing.filter(({ overrule }) => overrule.counts_as === 'advance');
  const drawn = useFewAtFirst(outcomes.advances.length, 12);
  const keptBack = standing.filter(({ overrule }) => overrule.counts_as !== 'advance');
  return (
    <>
      <Typography variant="h1">Looking back</Typography>
      <Typography sx={{ maxWidth: 760, mt: 0.5 }}>
        What was let through, by Cavesson or by a trainer, and whether it held: asked on three later
        days within a month without being moved back.
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(3, minmax(0, 1fr))' },
          columnGap: 5,
        }}
      >
        <OutcomeCounts title="Cavesson said advance" outcomes={outcomes.advances} />
        <OutcomeCounts title="A trainer let it count" outcomes={letCount} />
        <OutcomeCounts title="A trainer held it back" outcomes={keptBack} words={keptBackWords} />
      </Box>
      <Section title="Overrides">
        {outcomes.overrules.length === 0 ? (
          <Typography>None yet. On a gate, "Override" keeps one with its reason.</Typography>
        ) : (
          <DecisionList decisions={outcomes.overrules} withHorse />
        )}
      </Section>
      <Section title="Advances">
        {outcomes.advances.length === 0 ? (
          <Typography>Cavesson hasn&apos;t said advance yet.</Typography>
        ) : (
          <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {outcomes.advances.slice(0, drawn).map((advance) => (
              <Advance
                key={`${advance.horse.horse_id} ${advance.level.name} ${advance.day}`}
                advance={advance}
              />
            ))}
          </Box>
        )}
      </Section>
    </>
  );
}

interface OutcomeCountsProps {
  title: string;
  outcomes: { outcome: Outcome }[];
  words?: Record<Outcome, string>;
}

/** How many turned out how; what was let through is right when it held, what was held back when it went back. */
function OutcomeCounts({ title, outcomes, words = outcomeWords }: OutcomeCountsProps) {
  const right: Outcome = words === outcomeWords ? 'held' : 'went_back';
  const told = outcomes.filter(({ outcome }) => outcome !== 'too_early').length;
  const count = (which: Outcome) => outcomes.filter(({ outcome }) => outcome === which).length;
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{ mt: 3, borderTop: '5px solid', borderColor: 'text.primary', pt: 1 }}
    >
      <Typography variant="h3" component="h2">
        {title}
      </Typography>
      <Typography variant="h1" component="p">
        {told === 0
          ? 'Too soon to tell'
          : `${count(right)} of ${told} ${right === 'held' ? 'held' : 'went back'}`}
      </Typography>
      {all.map((which) => (
        <Box key={which} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <OutcomeMark outcome={which} size={26} />
          <Typography>
            {words[which]}: {count(which)}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}

function Advance({ advance }: { advance: Schemas['AdvanceOutcome'] }) {
  const { time_zone } = useWho();
  const { horse, level, day, outcome, ladder_version, program_version } = advance;
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        gap: 1.5,
        py: 0.75,
        borderTop: '1px solid',
        borderColor: 'divider',
        alignItems: 'center',
      }}
    >
      <OutcomeMark outcome={outcome} />
      <Typography sx={{ flex: 1 }}>
        <strong>{horse.name}</strong>:{' '}
        <Box
          component={Link}
          to={levelPath({ horseId: horse.horse_id, ...level, on: day })}
          sx={{ color: 'text.primary' }}
        >
          {level.name}
        </Box>
        , {saidDay(day, dayIn(time_zone))}. {outcomeWords[outcome]}.
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        ladder {ladder_version}
        {program_version != null && `, program ${program_version}`}
      </Typography>
    </Box>
  );
}
