import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { BrokenList } from '../BrokenList';
import type { Rules } from '../../data/week';

/** What the plan breaks, what it gives up, and which rides it leaves out, each with why. */
export function LeftOut({ rules }: { rules: Rules }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 3,
        gridTemplateColumns: { md: '1fr 1fr' },
        mt: 2,
        '@media print': { display: 'none' },
      }}
    >
      <Box component="section" aria-label="Left out">
        <Typography variant="h2">Left out</Typography>
        {rules.left_out.length === 0 ? (
          <Typography>Every horse gets the rides its program wants.</Typography>
        ) : (
          rules.left_out.map(({ horse_id, name, wanted, given, why }) => (
            <Box key={horse_id} sx={{ my: 1 }}>
              <Typography sx={{ fontWeight: 700 }}>
                {name}: {given} of {wanted}
              </Typography>
              {why.map((text) => (
                <Typography key={text}>{text}</Typography>
              ))}
            </Box>
          ))
        )}
      </Box>
      <Box component="section" aria-label="Given up">
        <Typography variant="h2">Given up</Typography>
        {rules.given_up.length === 0 && <Typography>Nothing.</Typography>}
        {rules.given_up.map((text) => (
          <Typography key={text}>{text}</Typography>
        ))}
        {rules.broken.length > 0 && (
          <Box sx={{ mt: 2 }}>
            <BrokenList
              broken={rules.broken.map(({ broken }) => broken)}
              title="What this week breaks"
            />
          </Box>
        )}
      </Box>
    </Box>
  );
}
