import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, client, type Schemas } from '../base/api/client';
import { QueryState } from '../shell/QueryState';
import { plainTable } from '../shell/plainTable';
import { Section } from '../shell/Section';

const words: Record<Schemas['Sheet'], [string, string]> = {
  horses: ['Horses', 'Everyone, those gone home too.'],
  herd: ['Herd', 'Cattle, lot by lot.'],
  rides: ['Rides', 'One row a ride.'],
  runs: ['Runs', 'Runs of the pattern with their times.'],
  asks: ['Asks', 'Every ask with its answer: side, hand, time to give, soft or not.'],
};

/** Sheets that any program reads. */
export function Sheets() {
  const sheets = useQuery({
    queryKey: ['sheets'],
    queryFn: () => answer(client.GET('/api/sheets')),
  });
  return (
    <Section title="Sheets" intro="CSV files that any spreadsheet opens.">
      <QueryState query={sheets}>
        {(all) => all.map((shown) => <OneSheet key={shown.sheet} shown={shown} />)}
      </QueryState>
      <Button component={Link} to="/records/sheet" variant="contained" sx={{ mt: 1.5 }}>
        Bring a sheet in
      </Button>
    </Section>
  );
}

function OneSheet({ shown: { sheet, columns } }: { shown: Schemas['SheetShown'] }) {
  const [name, says] = words[sheet];
  return (
    <Box sx={{ py: 1, borderTop: '1px solid', borderColor: 'divider', maxWidth: 760 }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <Typography sx={{ flex: 1 }}>
          <strong>{name}.</strong> {says}
        </Typography>
        <Button component="a" href={`/api/sheets/${sheet}`} download aria-label={`Get ${name}`}>
          Get it
        </Button>
      </Box>
      <Box component="details">
        <Box component="summary" sx={{ cursor: 'pointer', minHeight: 36, py: 0.75 }}>
          Its columns
        </Box>
        <Box component="table" sx={plainTable}>
          <tbody>
            {columns.map((column) => (
              <tr key={column.name}>
                <th scope="row">{column.name}</th>
                <td>{column.says}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
    </Box>
  );
}
