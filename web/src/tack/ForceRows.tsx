import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';

interface Props {
  name: string;
  rows: [string, string][];
  /** What is to be looked at. */
  says: string[];
}

/** The figures of a bit on the bench, and what to look at. */
export function ForceRows({ name, rows, says }: Props) {
  return (
    <>
      <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
        {name}
      </Typography>
      <Box
        component="dl"
        sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto', columnGap: 2, maxWidth: 460 }}
      >
        {rows.map(([what, value]) => (
          <Box
            key={what}
            sx={{
              display: 'contents',
              '& > *': { borderTop: '1px solid', borderColor: 'divider', py: 0.75, m: 0 },
            }}
          >
            <Typography component="dt">{what}</Typography>
            <Typography component="dd" sx={{ textAlign: 'right', fontWeight: 700 }}>
              {value}
            </Typography>
          </Box>
        ))}
      </Box>
      <Box role="status" sx={{ my: 1.5 }}>
        {says.map((one) => (
          <Typography key={one} sx={{ borderLeft: '6px solid', pl: 1.5, mb: 0.75, maxWidth: 560 }}>
            {one}
          </Typography>
        ))}
      </Box>
    </>
  );
}
