import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { SnaffleBench } from '../draw/SnaffleBench';
import { usual } from '../draw/tackShape';
import { Tip } from '../help/Tip';
import { forceInWords } from '../base/words/inches';
import type { Piece } from '../data/yard';
import { reach, snaffleInput, type Bench } from './bench';
import { ForceRows } from './ForceRows';
import { useLive } from '../base/core/useLive';

interface Props {
  piece: Piece;
  bench: Bench;
  onBench: (change: Partial<Bench>) => void;
}

/** A jointed snaffle on the bench, for hands wide or close, low or high. */
export function SnaffleOnBench({ piece, bench, onBench }: Props) {
  const input = snaffleInput(piece, bench);
  const { output, error } = useLive('snaffle', input);
  const wrong = error && (
    <Typography role="alert" sx={{ borderLeft: '6px solid', pl: 1.5, mb: 1 }}>
      {piece.name}: {error}
    </Typography>
  );
  if (!output) return <Box sx={{ minHeight: 420 }}>{wrong}</Box>;
  const lift = output.lift_lbf;
  const rows: [string, string][] = [
    ['Joint', `${Math.round(output.joint_deg)} degrees`],
    ['Squeeze on the jaw, each side', forceInWords(output.squeeze_lbf)],
    ['On the tongue', forceInWords(output.tongue_lbf)],
    [
      lift < 0 ? 'Draws the corners of the lips down' : 'Lifts the corners of the lips',
      forceInWords(Math.abs(lift)),
    ],
  ];
  const [, most, step] = reach.apart;
  return (
    <Box sx={{ minWidth: 0 }}>
      {wrong}
      <SnaffleBench
        name={piece.name}
        mouthpiece={input.snaffle.mouthpiece_in}
        ring={piece.measures.ring_in ?? usual.ring}
        apart={bench.apart}
        high={bench.high}
        said={output}
        onApart={(apart) => onBench({ apart: Math.min(most, Math.round(apart / step) * step) })}
      />
      <Tip of="snaffle" />
      <ForceRows
        name={piece.name}
        rows={rows}
        says={
          output.squeeze_lbf < 0.01
            ? ['The joint is open as far as the hands ask: nothing squeezes.']
            : []
        }
      />
    </Box>
  );
}
