import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { ridesOf, type Draft } from './draft';
import type { Instance } from '../../data/week';

/** How many horses each rider has on each day, of how many at the most. */
export function RiderDays({ instance, draft }: { instance: Instance; draft: Draft }) {
  const rides = ridesOf(draft);
  const riders = instance.riders.filter(
    ({ role, person_id }) =>
      role === 'trainer' || role === 'rider' || rides.some((one) => one.person_id === person_id),
  );
  return (
    <Box sx={{ overflowX: 'auto', mt: 2 }}>
      <Typography variant="h2">Riders</Typography>
      <Box
        component="table"
        aria-label="Horses by rider and day"
        sx={{
          borderCollapse: 'collapse',
          tableLayout: 'fixed',
          width: '100%',
          minWidth: 112 + instance.days.length * 112,
          '@media print': { minWidth: 0 },
          '& th, & td': { textAlign: 'left', p: 0.5, borderTop: '1px solid' },
          '& th': { width: { xs: 112, sm: 168 }, fontWeight: 700, '@media print': { width: 128 } },
        }}
      >
        <tbody>
          {riders.map(({ person_id, name, days }) => (
            <tr key={person_id}>
              <th scope="row">{name}</th>
              {instance.days.map(({ date }, day) => {
                const works = days.find((one) => one.day === day);
                const own = rides.filter(
                  (one) => one.day === day && one.person_id === person_id,
                ).length;
                return (
                  <td key={date}>
                    {works ? `${own} of ${works.most_horses}` : own > 0 ? `${own}, day off` : 'off'}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
