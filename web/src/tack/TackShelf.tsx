import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { TackDrawing } from '../draw/TackDrawing';
import { QueryState } from '../shell/QueryState';
import { Section } from '../shell/Section';
import { useWho } from '../data/who';
import { horsesQuery } from '../data/horse';
import { gearWords } from '../base/words/yard';
import { gearQuery, type Piece } from '../data/yard';
import { fittingsQuery, piecePath } from '../data/tack';

/** Pixels an inch: all pieces hang at the same scale, as on a wall. */
const scale = 17;

const onHead = (piece: Piece) => !['saddle', 'boots', 'ground_tool'].includes(piece.kind);

/** The tack on its rail, each piece drawn to scale; what is not headgear in a list under it. */
export function TackShelf() {
  const gear = useQuery(gearQuery);
  const { decides, records } = useWho();
  return (
    <Section title="Tack" intro="Drawn from its measures, all to one scale.">
      <QueryState query={gear}>
        {(pieces) => {
          const inUse = pieces.filter((piece) => !piece.put_away_at);
          const away = pieces.filter((piece) => piece.put_away_at);
          return (
            <>
              {pieces.length === 0 && (
                <Typography sx={{ maxWidth: 560 }}>
                  No tack yet. Add the bits and bosals you ride in.
                </Typography>
              )}
              <Rail pieces={inUse.filter(onHead)} />
              <Others title="Other gear" pieces={inUse.filter((piece) => !onHead(piece))} />
              <Others title="Put away" pieces={away} />
              <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 2 }}>
                {decides && (
                  <Button component={Link} to="/yard/tack/new" sx={{ minHeight: 56 }}>
                    Add a piece of gear
                  </Button>
                )}
                {records && (
                  <Button component={Link} to="/yard/bench" sx={{ minHeight: 56 }}>
                    Bit bench
                  </Button>
                )}
              </Box>
            </>
          );
        }}
      </QueryState>
    </Section>
  );
}

function Rail({ pieces }: { pieces: Piece[] }) {
  const { records } = useWho();
  const fittings = useQuery({ ...fittingsQuery, enabled: records });
  const horses = useQuery(horsesQuery);
  if (pieces.length === 0) return null;
  const wearing = (gearId: string) => {
    const ids = (fittings.data ?? []).filter((one) => one.worn && one.gear_id === gearId);
    const names = ids.map(
      ({ horse_id }) => horses.data?.find((h) => h.horse_id === horse_id)?.name,
    );
    return names.filter((name) => name !== undefined);
  };
  return (
    <Box
      component="ul"
      aria-label="Tack shelf"
      sx={{
        listStyle: 'none',
        m: 0,
        p: 0,
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(210px, 1fr))',
        rowGap: 4,
        // One rail a row, whatever hangs on it.
        '& > li': { borderTop: '10px solid', borderColor: 'primary.main', px: 1.5 },
      }}
    >
      {pieces.map((piece) => (
        <Box component="li" key={piece.gear_id}>
          <Hook piece={piece} worn={wearing(piece.gear_id)} />
        </Box>
      ))}
    </Box>
  );
}

function Hook({ piece, worn }: { piece: Piece; worn: string[] }) {
  return (
    <Box
      component={Link}
      to={piecePath(piece.gear_id)}
      sx={{
        color: 'text.primary',
        textDecoration: 'none',
        display: 'flex',
        flexDirection: 'column',
        height: '100%',
        '&:hover h3': { textDecoration: 'underline' },
      }}
    >
      <Box
        aria-hidden="true"
        sx={{ width: 8, height: 22, bgcolor: 'text.secondary', mx: 'auto' }}
      />
      <Box sx={{ display: 'grid', placeItems: 'start center', minHeight: 150 }}>
        <TackDrawing name={piece.name} kind={piece.kind} measures={piece.measures} scale={scale} />
      </Box>
      <Typography variant="h3" sx={{ mt: 1 }}>
        {piece.name}
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {gearWords[piece.kind]}
        {piece.quiet_hands && ', for quiet hands'}
      </Typography>
      <Typography>{worn.length > 0 ? `On ${worn.join(', ')}` : 'On no horse'}</Typography>
    </Box>
  );
}

function Others({ title, pieces }: { title: string; pieces: Piece[] }) {
  if (pieces.length === 0) return null;
  return (
    <Box sx={{ mt: 3, maxWidth: 720 }}>
      <Typography variant="h3">{title}</Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {pieces.map((piece) => (
          <Box
            component="li"
            key={piece.gear_id}
            sx={{ borderTop: '1px solid', borderColor: 'divider' }}
          >
            <Box
              component={Link}
              to={piecePath(piece.gear_id)}
              sx={{ color: 'text.primary', display: 'block', py: 1.5, minHeight: 48 }}
            >
              {piece.name}
              <Box component="span" sx={{ color: 'text.secondary' }}>
                {' '}
                {gearWords[piece.kind]}
              </Box>
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
