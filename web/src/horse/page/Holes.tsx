import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { VerdictMark } from '../../draw/VerdictMark';
import { Section } from '../../shell/Section';
import { levelPath } from '../../data/level';
import { useWho } from '../../data/who';
import { sideWords } from '../../base/words/answers';
import { count, percent } from '../../base/words/plain';
import { dayAfter, dayIn, saidDay } from '../../base/words/days';
import type { HorsePage } from '../../data/horse';
import { useAddCardBlock } from '../../data/horseChanges';

/** The faults of the last weeks, the holes under them, and how to fix them. */
export function Holes({ page, today }: { page: HorsePage; today: boolean }) {
  const [first, ...others] = page.holes;
  return (
    <Section
      id="faults"
      later={400}
      title="Faults and likely causes"
      intro="A fault shows in one place; the cause is often somewhere else, and lower."
    >
      {page.faults.length === 0 ? (
        <Typography>No faults in the last four weeks.</Typography>
      ) : (
        <>
          <FaultChips page={page} />
          {first && <Hole hole={first} page={page} today={today} />}
          {others.map((hole) => (
            <Box
              component="details"
              key={hole.name}
              sx={{ borderTop: '2px solid', borderColor: 'divider' }}
            >
              <Box component="summary" sx={{ cursor: 'pointer', minHeight: 44, py: 1 }}>
                <strong>{hole.name}</strong> would explain {count(hole.evidence.length, 'fault')}
              </Box>
              <Hole hole={hole} page={page} today={today} />
            </Box>
          ))}
        </>
      )}
    </Section>
  );
}

function FaultChips({ page }: { page: HorsePage }) {
  const [all, setAll] = useState(false);
  const shown = all ? page.faults : page.faults.slice(0, chipsAtFirst);
  return (
    <Box
      component="ul"
      aria-label="Faults seen"
      sx={{ listStyle: 'none', display: 'flex', flexWrap: 'wrap', gap: 1, m: 0, p: 0, mb: 2 }}
    >
      {shown.map((fault) => (
        <Box component="li" key={fault.fault}>
          <Box
            component={Link}
            to={evidencePath(page, fault)}
            sx={{
              display: 'block',
              border: '2px solid',
              borderColor: 'text.primary',
              borderRadius: '4px 16px 16px 4px',
              px: 1.5,
              py: 0.75,
              color: 'text.primary',
              bgcolor: 'background.paper',
              textDecoration: 'none',
              '&:hover': { textDecoration: 'underline' },
            }}
          >
            <strong>{fault.name}</strong>, {times(fault)}
          </Box>
        </Box>
      ))}
      {shown.length < page.faults.length && (
        <li>
          <Button variant="text" onClick={() => setAll(true)}>
            {page.faults.length - shown.length} more
          </Button>
        </li>
      )}
    </Box>
  );
}

const chipsAtFirst = 6;
/** Evidence and remedies come strongest first; what is weaker only crowds them out. */
const linesAtFirst = 4;

const times = ({ times, chances, side }: Schemas['FaultEvidence']) =>
  `${times} of ${chances}${side ? `, ${side} only` : ''}`;

/** The rein strip of the level it came in last, at its last rep. */
function evidencePath(page: HorsePage, fault: Schemas['FaultEvidence']): string {
  const level = fault.levels.at(-1);
  if (!level) return '';
  const rep = fault.reps[0] ? `&rep=${fault.reps[0]}` : '';
  return `${levelPath({ horseId: page.horse.horse_id, ...level }, '/strip')}?on=${page.on}&fault=${fault.fault}${rep}`;
}

interface HoleProps {
  hole: Schemas['FoundHole'];
  page: HorsePage;
  today: boolean;
}

/** The level to look at, why, what to rule out first, and how to fix it. */
function Hole({ hole, page, today }: HoleProps) {
  const { time_zone } = useWho();
  const said = (day: string) => saidDay(day, dayIn(time_zone));
  // Faults that point to one hole often have one remedy.
  const remedies = hole.remedies.filter(
    ({ text }, index) => hole.remedies.findIndex((other) => other.text === text) === index,
  );
  return (
    <Box sx={{ borderTop: '5px solid', borderColor: 'text.primary', py: 1.5, mb: 1 }}>
      <Typography variant="h3" sx={{ fontSize: '1.3rem' }}>
        <Box
          component={Link}
          to={levelPath({ horseId: page.horse.horse_id, ...hole.level })}
          sx={{ color: 'text.primary' }}
        >
          {hole.name}
        </Box>
      </Typography>
      {hole.rule_out.length > 0 && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', my: 1 }}>
          <VerdictMark verdict="check_first" size={24} />
          <Typography>
            <strong>First rule out:</strong> {hole.rule_out.join('; ')}. Ask a vet, equine dentist,
            farrier or saddle fitter.
          </Typography>
        </Box>
      )}
      <Typography>
        {hole.ready == null ? 'Never asked.' : `Soft about ${percent(hole.ready)} of the time now.`}{' '}
        {hole.evidence.length === 1
          ? 'One fault points here:'
          : `It would explain ${count(hole.evidence.length, 'fault')}:`}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {hole.evidence.slice(0, linesAtFirst).map((fault) => (
          <li key={fault.fault}>
            {fault.name.toLowerCase()}, {times(fault)}, last {said(fault.days[0] ?? page.on)}
          </li>
        ))}
      </Box>
      <Box component="ul" aria-label="How to fix it" sx={{ listStyle: 'none', m: 0, p: 0, mt: 1 }}>
        {remedies.slice(0, linesAtFirst).map((remedy) => (
          <RemedyLine key={remedy.fault} remedy={remedy} page={page} today={today} />
        ))}
      </Box>
    </Box>
  );
}

function RemedyLine({
  remedy,
  page,
  today,
}: {
  remedy: Schemas['Remedy'];
  page: HorsePage;
  today: boolean;
}) {
  const { records, time_zone } = useWho();
  const add = useAddCardBlock(page.horse.horse_id);
  const tomorrow = dayAfter(dayIn(time_zone));
  const onCard = page.card.find(
    (block) =>
      block.text === remedy.text &&
      block.level.skill === remedy.level.skill &&
      block.level.rung === remedy.level.rung,
  );
  const put = () =>
    add.mutate({
      day: tomorrow,
      skill: remedy.level.skill,
      rung: remedy.level.rung,
      side: remedy.side ?? null,
      text: remedy.text,
      fault: remedy.fault,
    });
  return (
    <Box
      component="li"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, py: 0.5, alignItems: 'center' }}
    >
      <Typography sx={{ flex: '1 1 260px' }}>
        {remedy.text}
        {remedy.side &&
          remedy.side !== 'both' &&
          ` More on the ${sideWords[remedy.side].toLowerCase()}.`}
      </Typography>
      {records && today && (
        <Button size="small" disabled={Boolean(onCard) || add.isPending} onClick={put}>
          {onCard ? 'On the card' : "Put on tomorrow's card"}
        </Button>
      )}
      {add.isError && <Typography role="alert">{add.error.message}</Typography>}
    </Box>
  );
}
