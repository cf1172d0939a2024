import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { RoadFence } from '../../draw/RoadFence';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { horsePath } from '../../data/horse';
import { useWho } from '../../data/who';
import { horseLine } from '../../base/words/horse';
import { Behind } from './Behind';
import { Decides } from './Decides';
import { GoalTable } from './GoalTable';
import { Helps } from './Helps';
import { roadQuery, type HorseRoad, type RoadInput, type RoadOutput } from '../../data/road';
import { RestsOn } from './RestsOn';
import { useRoad } from './useRoad';
import { isPlanned, readWhatIf, taken, withWhatIf, writeWhatIf, type WhatIf } from './whatIf';
import { WhatIfForm } from './WhatIfForm';
import { Tip } from '../../help/Tip';

/** Will the horse be ready by its dates, what decides it, what would help. */
export function RoadPage() {
  const { horseId = '' } = useParams();
  const road = useQuery(roadQuery(horseId));
  return (
    <PageFrame title="Road">
      <QueryState query={road}>{(data) => <Whole key={horseId} road={data} />}</QueryState>
    </PageFrame>
  );
}

function Whole({ road }: { road: HorseRoad }) {
  const { horse } = road;
  const { decides } = useWho();
  return (
    <>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start', mb: 2 }}>
        <Box sx={{ flex: '1 1 260px' }}>
          <Typography variant="h1">{horse.name}&apos;s road</Typography>
          <Typography sx={{ color: 'text.secondary' }}>{horseLine(horse)}.</Typography>
        </Box>
        <Button component={Link} to={horsePath(horse.horse_id)}>
          {horse.name}
        </Button>
        {decides && (
          <Button component={Link} to={`/horses/${horse.horse_id}/sheet`}>
            Sheet and goals
          </Button>
        )}
      </Box>
      {road.cautions.map((caution) => (
        <Typography
          key={caution}
          role="note"
          sx={{ borderLeft: '6px solid', borderColor: 'error.main', pl: 1.5, mb: 1 }}
        >
          {caution} Look at that first: the road takes it that nothing is wrong.
        </Typography>
      ))}
      {road.brake_lost && (
        <Typography
          role="note"
          sx={{ borderLeft: '6px solid', borderColor: 'error.main', pl: 1.5, mb: 1 }}
        >
          {road.brake_lost} The brake comes back first, then anything faster.
        </Typography>
      )}
      {road.not_on_ladder.length > 0 && (
        <Typography role="note" sx={{ borderLeft: '6px solid', pl: 1.5, mb: 1 }}>
          A goal names {road.not_on_ladder.map(({ skill, rung }) => `${skill}, ${rung}`).join('; ')}
          : this horse&apos;s ladder no longer has it. Take it off the goal.
        </Typography>
      )}
      {road.asked && road.found ? (
        <WithGoals road={road} asked={road.asked} found={road.found} />
      ) : (
        <NoRoad road={road} />
      )}
      <Behind road={road} />
    </>
  );
}

function NoRoad({ road }: { road: HorseRoad }) {
  const { decides } = useWho();
  const sheet = `/horses/${road.horse.horse_id}/sheet`;
  return (
    <Box sx={{ maxWidth: 620 }}>
      <Typography>
        {road.goals.length === 0
          ? 'No date to work towards yet.'
          : 'There is a date, but nothing says what the horse is to hold by then.'}{' '}
        {decides
          ? 'Say in the goals which levels it is to hold by which day, and the road is drawn.'
          : 'A trainer can set goals with the levels to hold.'}
      </Typography>
      {decides && (
        <Button component={Link} to={sheet} variant="contained" sx={{ mt: 2, minHeight: 56 }}>
          Set goals
        </Button>
      )}
    </Box>
  );
}

interface Props {
  road: HorseRoad;
  asked: RoadInput;
  found: RoadOutput;
}

function WithGoals({ road, asked, found }: Props) {
  const [search, setSearch] = useSearchParams();
  const [moving, setMoving] = useState(false);
  // The hand is quicker than the address, which follows.
  const [whatIf, setWhatIf] = useState(() => readWhatIf(search, asked));
  const set = (next: WhatIf) => {
    setWhatIf(next);
    setSearch(writeWhatIf(next, asked), { replace: true });
  };
  const changed = withWhatIf(asked, whatIf);
  const asPlanned = isPlanned(whatIf, asked);
  const said = useRoad(asPlanned || changed.road.goals.length === 0 ? null : changed, moving);
  const output = asPlanned ? found : (said?.output ?? found);
  const busy = !asPlanned && changed.road.goals.length > 0 && !said?.current;
  const heldBehind = road.behind.map(({ level, day }) => ({ name: level.name, day }));
  return (
    <>
      <Box role="status" aria-busy={busy} sx={{ mb: 2 }}>
        {output.road.goals.map((goal) => (
          <Typography key={`${goal.day} ${goal.name}`} sx={{ fontSize: '1.15rem' }}>
            {goal.at_risk && <strong>At risk. </strong>}
            {goal.text}
          </Typography>
        ))}
        {changed.road.goals.length === 0 && (
          <Typography>Nothing is left to come to. Put a level back.</Typography>
        )}
      </Box>
      <RoadFence on={road.on} road={output.road} behind={heldBehind} />
      <Tip of="road" />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(2, minmax(0, 1fr))' },
          columnGap: 6,
        }}
      >
        <Box>
          <Decides chain={output.road.chain} />
          <RestsOn road={road} text={output.rests_on} />
        </Box>
        <Box>
          <WhatIfForm
            asked={asked}
            whatIf={whatIf}
            chain={found.road.chain}
            asPlanned={asPlanned}
            onMoving={setMoving}
            onWhatIf={set}
          />
          <Helps
            input={changed}
            moving={moving}
            name={changed.road.goals[0]?.name}
            onTake={(help) => set(taken(help, whatIf))}
          />
        </Box>
      </Box>
      <Section
        title="What the dates ask for"
        intro="A level dropped here is dropped for looking only; the goal itself stays."
      >
        <GoalTable asked={asked} output={output} whatIf={whatIf} onWhatIf={set} />
      </Section>
    </>
  );
}
