import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Section } from '../../shell/Section';
import { DecisionList } from '../outcomes/DecisionList';
import { outcomesQuery } from '../../data/outcomes';
import type { HorsePage } from '../../data/horse';

/** The trainer's own decisions on this horse, and how they turned out. */
export function Decisions({ page }: { page: HorsePage }) {
  const outcomes = useQuery(outcomesQuery);
  const own = (outcomes.data?.overrules ?? []).filter(
    ({ horse }) => horse.horse_id === page.horse.horse_id,
  );
  return (
    <Section
      id="overrides"
      later={160}
      title="Overrides"
      intro="Where the trainer overrode Cavesson, and why."
    >
      {own.length === 0 ? (
        <Typography>None yet. On a gate, "Override" keeps one with its reason.</Typography>
      ) : (
        <DecisionList decisions={own} withHorse={false} />
      )}
      <Box sx={{ mt: 1 }}>
        <Button component={Link} to="/outcomes">
          How verdicts turned out in this barn
        </Button>
      </Box>
    </Section>
  );
}
