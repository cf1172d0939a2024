import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { deciding } from '../../draw/roadFence';
import { Section } from '../../shell/Section';
import { shortDay } from '../../base/words/days';
import { percent } from '../../base/words/plain';

/** The deciding chain in words, numbered as its nails are in the picture. */
export function Decides({ chain }: { chain: Schemas['OnChain'][] }) {
  if (chain.length === 0) return null;
  return (
    <Section
      title="What decides"
      intro="The longest way to the dates. The share says how often a level lies on it."
    >
      <Box component="ol" sx={{ m: 0, pl: 3.5 }}>
        {deciding(chain).map(({ level, name, share, median }) => (
          <Typography component="li" key={`${level.skill}/${level.rung}`} sx={{ py: 0.5 }}>
            <strong>{name}</strong>, {percent(share)}
            {median ? `, every second time by ${shortDay(median)}` : ', later than is looked ahead'}
          </Typography>
        ))}
      </Box>
    </Section>
  );
}
