import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { micro } from './film';
import type { Player } from './usePlayer';

interface Props {
  player: Player;
  tied: boolean;
  onTie: (tie: Schemas['Tie'] | null) => void;
}

/** Ties two films at a moment that both show, or takes them apart again. */
export function TieFilms({ player, tied, onTie }: Props) {
  const { times, active, pick } = player;
  return (
    <Box
      role="group"
      aria-label="Two films"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center', mt: 1 }}
    >
      {tied ? (
        <>
          <Typography sx={{ flex: 1, minWidth: 220 }}>The two films go together.</Typography>
          <Button onClick={() => onTie(null)} sx={{ minHeight: 56 }}>
            Take them apart
          </Button>
        </>
      ) : (
        <>
          <Typography sx={{ flex: 1, minWidth: 220 }}>
            Show the same moment in both, such as a foot that lands, then tie them.
          </Typography>
          {[0, 1].map((film) => (
            <Button
              key={film}
              aria-pressed={active === film}
              variant={active === film ? 'contained' : 'outlined'}
              onClick={() => pick(film)}
              sx={{ minHeight: 56 }}
            >
              Move film {film + 1}
            </Button>
          ))}
          <Button
            onClick={() => {
              player.stop();
              onTie({ first_s: micro(times[0]!.now()), second_s: micro(times[1]!.now()) });
            }}
            sx={{ minHeight: 56 }}
          >
            Tie them here
          </Button>
        </>
      )}
    </Box>
  );
}
