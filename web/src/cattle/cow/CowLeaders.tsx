import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { QueryState } from '../../shell/QueryState';
import { bestRoundsQuery, type BestRound, type CowRound } from '../../data/cowRounds';

interface Props {
  level: CowRound['level'];
  stale: boolean;
  disabled: boolean;
  onSee: (round: BestRound) => void;
}

/** The best round of each rider of the barn on such a cow; a touch shows it. */
export function CowLeaders({ level, stale, disabled, onSee }: Props) {
  const rounds = useQuery(bestRoundsQuery);
  return (
    <Box component="section" aria-label="Best in the barn">
      <Typography variant="h2">Best in the barn</Typography>
      <QueryState query={rounds}>
        {(all) => {
          const own = all.filter(
            ({ round }) => round.level === level && Boolean(round.stale) === stale,
          );
          if (own.length === 0) return <Typography>Nobody yet on such a cow.</Typography>;
          return (
            <Box component="ol" sx={{ m: 0, pl: 3 }}>
              {own.map((one) => (
                <Box component="li" key={one.round_id} sx={{ py: 0.25 }}>
                  <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
                    <Typography sx={{ flex: 1 }}>{one.rider}</Typography>
                    <Typography sx={{ fontWeight: 700 }}>{one.score.toFixed(0)}</Typography>
                    <Button
                      disabled={disabled}
                      aria-label={`See the round of ${one.rider}`}
                      onClick={() => onSee(one)}
                      sx={{ minHeight: 48 }}
                    >
                      See it
                    </Button>
                  </Box>
                </Box>
              ))}
            </Box>
          );
        }}
      </QueryState>
    </Box>
  );
}
