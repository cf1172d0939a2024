import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { Figures } from '../../shell/Figures';
import { Section } from '../../shell/Section';
import { count } from '../../base/words/plain';
import type { HorsePage } from '../../data/horse';

/** Who rode the horse lately, and how each differs from the barn's usual rider. */
export function Riders({ page }: { page: HorsePage }) {
  if (page.riders.length < 2) return null;
  return (
    <Section
      id="riders"
      title="Riders"
      intro="Compared where two people asked the same of the same horse within two weeks. Only trainers see this."
    >
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {page.riders.map((rider) => (
          <Box component="li" key={rider.rider_id} sx={{ py: 0.75 }}>
            <Typography sx={{ fontWeight: 700 }}>
              {rider.name}, {count(rider.rides, 'ride')}
            </Typography>
            <Typography>{rider.text}</Typography>
            {rider.difference && <Figures>{inFigures(rider.difference)}</Figures>}
          </Box>
        ))}
      </Box>
    </Section>
  );
}

/** Two-sided 90% of the normal distribution. */
const z90 = 1.645;

function inFigures({ offset, sd, asks, horses }: Schemas['RiderOffset']): string {
  const [at, low, high] = [offset, offset - z90 * sd, offset + z90 * sd].map((logit) =>
    logit.toFixed(2),
  );
  return `Logit offset ${at} (90% interval ${low} to ${high}), from ${count(asks, 'ask')} on ${count(horses, 'horse')}.`;
}
