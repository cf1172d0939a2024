import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { TackDrawing } from '../draw/TackDrawing';
import { QueryState } from '../shell/QueryState';
import { HorseHeading } from '../shell/HorseHeading';
import { PageFrame } from '../shell/PageFrame';
import { Section } from '../shell/Section';
import { useWho } from '../data/who';
import { horseQuery } from '../data/today';
import { inchesInWords } from '../base/words/inches';
import { capital } from '../base/words/plain';
import { handWords } from '../base/words/tack';
import { gearWords } from '../base/words/yard';
import { BitChanges } from './BitChanges';
import { FittingForm } from './FittingForm';
import { changePath, piecePath, tackQuery, twoReinPath, type PieceForHorse } from '../data/tack';
import { Restore } from './Restore';
import { RigHistory } from './RigHistory';

/** What a horse wears, how it sits, what it wore before, and changing it. */
export function HorseTackPage() {
  const { horseId = '' } = useParams();
  const horse = useQuery(horseQuery(horseId));
  const tack = useQuery(tackQuery(horseId));
  return (
    <PageFrame title="Tack">
      <QueryState query={horse}>
        {(data) => (
          <>
            <HorseHeading horse={data} />
            <Typography variant="h2" component="p" sx={{ color: 'text.secondary' }}>
              Tack
            </Typography>
          </>
        )}
      </QueryState>
      <QueryState query={tack}>
        {({ pieces }) => (
          <>
            <Wears horseId={horseId} pieces={pieces} />
            <Restore horseId={horseId} pieces={pieces} />
            <RigHistory horseId={horseId} />
            <BitChanges horseId={horseId} pieces={pieces} />
          </>
        )}
      </QueryState>
    </PageFrame>
  );
}

interface Props {
  horseId: string;
  pieces: PieceForHorse[];
}

function Wears({ horseId, pieces }: Props) {
  const { records } = useWho();
  const [fitting, setFitting] = useState<string>();
  const worn = pieces.find((piece) => piece.worn);
  const others = pieces.filter((piece) => !piece.worn);
  const onHorse = (piece: PieceForHorse) => (
    <OnHorse
      key={piece.gear_id}
      horseId={horseId}
      piece={piece}
      open={fitting === piece.gear_id}
      onOpen={(open) => setFitting(open ? piece.gear_id : undefined)}
    />
  );
  return (
    <>
      <Section title="Wears now">
        {worn ? (
          onHorse(worn)
        ) : (
          <Typography sx={{ maxWidth: 560 }}>
            Nobody said yet.{' '}
            {records && 'Fit a piece below, and every ride says it was ridden in it.'}
          </Typography>
        )}
      </Section>
      <Section title="On the shelf" intro="What else this horse may wear.">
        {others.length === 0 && (
          <Typography sx={{ maxWidth: 560 }}>
            No other headgear on the shelf. Add it in the <Link to="/yard">yard</Link>.
          </Typography>
        )}
        {others.map(onHorse)}
      </Section>
    </>
  );
}

interface OnHorseProps {
  horseId: string;
  piece: PieceForHorse;
  open: boolean;
  onOpen: (open: boolean) => void;
}

function OnHorse({ horseId, piece, open, onOpen }: OnHorseProps) {
  const { records } = useWho();
  const jaw = piece.fitting?.jaw_in;
  return (
    <Box sx={{ borderTop: '1px solid', borderColor: 'divider', py: 2 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
        <Box sx={{ flex: '0 0 120px' }}>
          <TackDrawing name={piece.name} kind={piece.kind} measures={piece.measures} scale={9} />
        </Box>
        <Box sx={{ flex: '1 1 240px' }}>
          <Typography variant="h3">
            <Box component={Link} to={piecePath(piece.gear_id)} sx={{ color: 'text.primary' }}>
              {piece.name}
            </Box>
          </Typography>
          <Typography sx={{ color: 'text.secondary' }}>
            {gearWords[piece.kind]}
            {piece.allows && `. Most in the hand: ${handWords[piece.allows]}`}
            {jaw != null && `. Jaw ${inchesInWords(jaw)}`}
          </Typography>
          {[...piece.said.says, ...piece.program_says].map((one) => (
            <Typography key={one}>{one}</Typography>
          ))}
          {piece.stopped.map((why) => (
            <Typography key={why} sx={{ fontWeight: 700 }}>
              {capital(why)}
            </Typography>
          ))}
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          {piece.kind === 'two_rein' && (
            <Button component={Link} to={twoReinPath(horseId)}>
              Bosal to bridle
            </Button>
          )}
          {piece.kind === 'bosal' && piece.worn && (
            <Button component={Link} to={twoReinPath(horseId)}>
              Bosal sizes
            </Button>
          )}
          {records && (
            <Button onClick={() => onOpen(!open)} aria-expanded={open}>
              {piece.worn ? 'Change the fit' : 'Fit it'}
            </Button>
          )}
          {records && !piece.worn && piece.stopped.length === 0 && (
            <Button component={Link} to={changePath(horseId, piece.gear_id)} variant="outlined">
              Change to it
            </Button>
          )}
        </Box>
      </Box>
      {open && <FittingForm horseId={horseId} piece={piece} onDone={() => onOpen(false)} />}
    </Box>
  );
}
