import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { loadQuery } from '../../data/care';
import { LoadDays } from '../../draw/LoadDays';
import { Figures } from '../../shell/Figures';
import { Section } from '../../shell/Section';
import { Tip } from '../../help/Tip';

/** How much the horse worked: days, the week, the last four weeks, and what that says. */
export function Load({ horseId }: { horseId: string }) {
  return (
    <Section
      id="load"
      title="Work load"
      intro="Minutes by gait and work, or how hard you said a ride was."
      later={190}
    >
      <Drawn horseId={horseId} />
    </Section>
  );
}

function Drawn({ horseId }: { horseId: string }) {
  const load = useQuery(loadQuery(horseId));
  if (!load.data) return null;
  const { days, week, says } = load.data;
  const last = days.at(-1);
  if (!last) return <Typography>No ride in the last four months.</Typography>;
  return (
    <>
      <LoadDays days={days} />
      <Tip of="load" />
      {says.map((text) => (
        <Typography
          key={text}
          sx={{ borderLeft: '6px solid', borderColor: 'secondary.main', pl: 1.5, my: 1 }}
        >
          {text}
        </Typography>
      ))}
      <Figures>
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          <li>About a week (acute): {Math.round(last.acute)} a day</li>
          <li>About four weeks (chronic): {Math.round(last.chronic)} a day</li>
          {last.ratio != null && <li>Ratio: {last.ratio.toFixed(2)}</li>}
          {week && <li>Last seven days together: {Math.round(week.load)}</li>}
          {week?.monotony != null && <li>Monotony: {week.monotony.toFixed(1)}</li>}
          {week?.strain != null && <li>Strain: {Math.round(week.strain)}</li>}
        </Box>
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          Walk counts 1 a minute, jog 2, trot 2.5, lope 3, cattle and rollbacks 4, a run 5. Williams
          2017, Foster 1998 and 2001: made for human sport.
        </Typography>
      </Figures>
    </>
  );
}
