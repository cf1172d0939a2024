import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { TackDrawing } from '../draw/TackDrawing';
import { QueryState } from '../shell/QueryState';
import { PageFrame } from '../shell/PageFrame';
import { Section } from '../shell/Section';
import { useWho } from '../data/who';
import { horsesQuery } from '../data/horse';
import { inchesInWords } from '../base/words/inches';
import { capital } from '../base/words/plain';
import { cheekWords, curbWords, handWords, mouthpieceWords, reinWords } from '../base/words/tack';
import { gearWords } from '../base/words/yard';
import { gearQuery, usePutGearAway, type Piece } from '../data/yard';
import { fittingsQuery, horseTackPath } from '../data/tack';
import { ShowRules } from './ShowRules';

/** One piece: drawn to scale, its measures, who rides in it, on which horses, at which shows. */
export function PiecePage() {
  const { gearId } = useParams();
  const gear = useQuery(gearQuery);
  return (
    <PageFrame title="Tack">
      <QueryState query={gear}>
        {(pieces) => {
          const piece = pieces.find(({ gear_id }) => gear_id === gearId);
          return piece ? <Whole piece={piece} /> : <NoPiece />;
        }}
      </QueryState>
    </PageFrame>
  );
}

function NoPiece() {
  return (
    <>
      <Typography variant="h1">Not on the shelf</Typography>
      <Button component={Link} to="/yard" sx={{ mt: 2 }}>
        To the yard
      </Button>
    </>
  );
}

function Whole({ piece }: { piece: Piece }) {
  const { decides } = useWho();
  const away = usePutGearAway();
  const isAway = piece.put_away_at != null;
  const bench = piece.measures.purchase_in != null && piece.measures.shank_in != null;
  return (
    <>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}>
        <Box sx={{ flex: '1 1 260px' }}>
          <Typography variant="h1">{piece.name}</Typography>
          <Typography sx={{ color: 'text.secondary' }}>
            {gearWords[piece.kind]}
            {isAway && ', put away'}
          </Typography>
        </Box>
        {bench && (
          <Button component={Link} to={`/yard/bench?bit=${piece.gear_id}`} variant="contained">
            On the bench
          </Button>
        )}
        {piece.measures.mouthpiece === 'jointed' && !bench && (
          <Button component={Link} to={`/yard/bench?bit=${piece.gear_id}`} variant="contained">
            On the bench
          </Button>
        )}
        {decides && (
          <>
            <Button component={Link} to={`/yard/tack/${piece.gear_id}/change`}>
              Change
            </Button>
            <Button onClick={() => away.mutate({ id: piece.gear_id, away: !isAway })}>
              {isAway ? 'Use again' : 'Put away'}
            </Button>
          </>
        )}
      </Box>
      {piece.note && <Typography sx={{ mt: 1.5, maxWidth: 640 }}>{piece.note}</Typography>}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(0, 2fr)' },
          gap: 4,
          mt: 3,
        }}
      >
        <Box sx={{ minWidth: 0, display: 'grid', placeItems: 'start' }}>
          <TackDrawing
            name={piece.name}
            kind={piece.kind}
            measures={piece.measures}
            scale={44}
            measured
          />
        </Box>
        <Measures piece={piece} />
      </Box>
      <Horses piece={piece} />
      {['snaffle', 'bosal', 'shank'].includes(piece.kind) && <ShowRules piece={piece} />}
    </>
  );
}

function Measures({ piece }: { piece: Piece }) {
  const { measures } = piece;
  const inches = (value: number | null | undefined) =>
    value == null ? undefined : inchesInWords(value);
  const leverage =
    measures.purchase_in && measures.shank_in
      ? `${Number((measures.shank_in / measures.purchase_in).toFixed(1))} to 1`
      : undefined;
  const rows: [string, string | null | undefined][] = [
    ['Mouthpiece', measures.mouthpiece && mouthpieceWords[measures.mouthpiece]],
    ['From cheek to cheek', inches(measures.mouth_in)],
    ['Bar, 1 in from the cheek', inches(measures.bar_in)],
    ['Port', inches(measures.port_in)],
    ['Cheeks', measures.cheek && cheekWords[measures.cheek]],
    ['Rings across', inches(measures.ring_in)],
    ['Purchase', inches(measures.purchase_in)],
    ['Shank below the mouthpiece', inches(measures.shank_in)],
    ['Shank by purchase', leverage],
    ['Cheek from end to end', inches(measures.overall_in)],
    ['Round the chin', measures.curb && curbWords[measures.curb]],
    ['Its width', inches(measures.curb_width_in)],
    ['Lies flat', measures.curb_flat == null ? undefined : measures.curb_flat ? 'Yes' : 'No'],
    ['At the cheek', inches(measures.bosal_in)],
    ['Reins', measures.reins && reinWords[measures.reins]],
    ['Weight', measures.weight_oz == null ? undefined : `${measures.weight_oz} oz`],
    ['Ridden by', piece.quiet_hands ? 'Quiet hands only' : 'Whoever is cleared for such tack'],
    ['Most in the hand', piece.allows ? capital(handWords[piece.allows]) : undefined],
    [
      'Programs without it',
      piece.left_out_by.length > 0 ? piece.left_out_by.join(', ') : undefined,
    ],
  ];
  return (
    <Box
      component="dl"
      sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 2 }}
    >
      {rows
        .filter(([, value]) => value)
        .map(([name, value]) => (
          <Box
            key={name}
            sx={{
              display: 'contents',
              '& > *': { borderTop: '1px solid', borderColor: 'divider', py: 0.75, m: 0 },
            }}
          >
            <Typography component="dt" sx={{ color: 'text.secondary' }}>
              {name}
            </Typography>
            <Typography component="dd">{value}</Typography>
          </Box>
        ))}
    </Box>
  );
}

function Horses({ piece }: { piece: Piece }) {
  const { records } = useWho();
  const fittings = useQuery({ ...fittingsQuery, enabled: records });
  const horses = useQuery(horsesQuery);
  if (!records) return null;
  const own = (fittings.data ?? []).filter(({ gear_id }) => gear_id === piece.gear_id);
  return (
    <Section title="On horses">
      {own.length === 0 && (
        <Typography>Fitted on no horse yet. Fit it from the page of the horse.</Typography>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        {own.map(({ horse_id, worn }) => (
          <Button key={horse_id} component={Link} to={horseTackPath(horse_id)}>
            {horses.data?.find((horse) => horse.horse_id === horse_id)?.name ?? 'A horse'}
            {worn ? ', wears it now' : ', fitted before'}
          </Button>
        ))}
      </Box>
    </Section>
  );
}
