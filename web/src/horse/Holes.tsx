import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { VerdictMark } from '../draw/VerdictMark';
import { Section } from '../frame/Section';
import { levelPath } from '../level/queries';
import { useWho } from '../session/who';
import { percent, sideWords } from '../words/answers';
import { dayAfter, dayIn, saidDay } from '../words/days';
import { nameOf } from './levels';
import { useAddCardBlock, type HorsePage } from './queries';

/** The faults of the last weeks, the holes under them, and what mends them. */
export function Holes({ page, today }: { page: HorsePage; today: boolean }) {
  return (
    <Section
      title="Faults and what lies under them"
      says="A fault shows in one place; its cause is often elsewhere, and lower."
    >
      {page.faults.length === 0 ? (
        <Typography>No fault was seen in the last four weeks.</Typography>
      ) : (
        <>
          <FaultChips page={page} />
          {page.holes.slice(0, 3).map((hole, index) => (
            <Hole key={hole.name} hole={hole} page={page} first={index === 0} today={today} />
          ))}
        </>
      )}
    </Section>
  );
}

function FaultChips({ page }: { page: HorsePage }) {
  return (
    <Box
      component="ul"
      aria-label="Faults seen"
      sx={{ listStyle: 'none', display: 'flex', flexWrap: 'wrap', gap: 1, m: 0, p: 0, mb: 2 }}
    >
      {page.faults.map((fault) => (
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
    </Box>
  );
}

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
  first: boolean;
  today: boolean;
}

function Hole({ hole, page, first, today }: HoleProps) {
  const { time_zone } = useWho();
  const said = (day: string) => saidDay(day, dayIn(time_zone));
  return (
    <Box
      sx={{
        borderTop: first ? '5px solid' : '2px solid',
        borderColor: first ? 'text.primary' : 'divider',
        py: 1.5,
      }}
    >
      <Typography variant="h3" sx={{ fontSize: first ? '1.3rem' : undefined }}>
        <Box
          component={Link}
          to={levelPath({ horseId: page.horse.horse_id, ...hole.level })}
          sx={{ color: 'text.primary' }}
        >
          {hole.name}
        </Box>
      </Typography>
      {hole.rule_out.length > 0 && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', my: 0.5 }}>
          <VerdictMark verdict="check_first" size={24} />
          <Typography>
            <strong>First rule out:</strong> {hole.rule_out.join('; ')}. A vet, equine dentist,
            farrier or saddle fitter answers that.
          </Typography>
        </Box>
      )}
      <Typography sx={{ mt: 0.5 }}>
        {hole.ready == null
          ? 'Never asked here. '
          : `Soft about ${percent(hole.ready)} of the time now. `}
        {hole.evidence.length > 1
          ? `Would explain ${hole.evidence.length} faults: `
          : 'Points here: '}
        {hole.evidence
          .map(
            (fault) =>
              `${fault.name.toLowerCase()} (${times(fault)}, last ${said(fault.days[0] ?? page.on)}, in ${fault.levels.map((level) => nameOf(page.levels, level).toLowerCase()).join('; ')})`,
          )
          .join(', ')}
        .
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, mt: 1 }}>
        {hole.remedies.map((remedy) => (
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
      block.says === remedy.says &&
      block.level.skill === remedy.level.skill &&
      block.level.rung === remedy.level.rung,
  );
  const put = () =>
    add.mutate({
      day: tomorrow,
      skill: remedy.level.skill,
      rung: remedy.level.rung,
      side: remedy.side ?? null,
      says: remedy.says,
      fault: remedy.fault,
    });
  return (
    <Box
      component="li"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, py: 0.5, alignItems: 'center' }}
    >
      <Typography sx={{ flex: '1 1 260px' }}>
        {remedy.says}
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
