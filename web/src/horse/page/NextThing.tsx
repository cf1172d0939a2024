import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { VerdictMark } from '../../draw/VerdictMark';
import { levelPath } from '../../data/level';
import { ridePath } from '../../data/ridePath';
import { useWho } from '../../data/who';
import { verdictWords } from '../../base/words/answers';
import type { HorsePage } from '../../data/horse';

/** The one thing to do next with the horse; who should look at it stands before. */
export function NextThing({ page, today }: { page: HorsePage; today: boolean }) {
  const { next, cautions, horse } = page;
  const { records } = useWho();
  const on = today ? undefined : page.on;
  return (
    <>
      {cautions.length > 0 && (
        <Box
          role="note"
          aria-label="Check first"
          sx={{
            display: 'flex',
            gap: 1.5,
            p: 1.5,
            mb: 1.5,
            border: '3px solid',
            borderColor: 'error.main',
            borderRadius: '5px',
          }}
        >
          <VerdictMark verdict="check_first" size={36} />
          <Box>
            {cautions.map((text) => (
              <Typography key={text} sx={{ fontWeight: 600 }}>
                {text}
              </Typography>
            ))}
          </Box>
        </Box>
      )}
      {next ? (
        <Box
          component="section"
          aria-label="The one thing to do next"
          sx={{
            bgcolor: 'background.paper',
            borderLeft: '14px solid',
            borderColor: 'primary.main',
            borderRadius: '5px 22px 22px 5px',
            p: { xs: 2, md: 2.5 },
            display: 'flex',
            flexWrap: 'wrap',
            gap: 2,
            alignItems: 'center',
          }}
        >
          <VerdictMark verdict={next.verdict} size={60} />
          <Box sx={{ flex: '1 1 380px' }}>
            <Typography variant="h2" sx={{ fontSize: '1.6rem' }}>
              {verdictWords[next.verdict]}: {next.level.name}
            </Typography>
            <Typography sx={{ fontSize: '1.1rem' }}>{next.text}</Typography>
            <Typography sx={{ mt: 0.5 }}>
              {next.takes} {next.verdict !== 'advance' && next.forecast}
            </Typography>
          </Box>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
            <Button
              component={Link}
              to={levelPath({ horseId: horse.horse_id, ...next.level, on })}
              variant="contained"
              sx={{ minHeight: 56 }}
            >
              See the gate
            </Button>
            {today && records && (
              <Button
                component={Link}
                to={ridePath(horse.horse_id, next.level)}
                sx={{ minHeight: 56 }}
              >
                Ride
              </Button>
            )}
          </Box>
        </Box>
      ) : (
        <Typography>
          Nothing is open for {horse.name} yet. Ride the ground work; what is asked opens the next.
        </Typography>
      )}
    </>
  );
}
