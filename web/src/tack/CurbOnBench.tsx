import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { CurbBench } from '../draw/CurbBench';
import { Tip } from '../help/Tip';
import { forceInWords } from '../base/words/inches';
import type { Piece } from '../data/yard';
import { curbInput, reach, usualBench, type Bench } from './bench';
import { ForceRows } from './ForceRows';
import { useLive } from '../base/core/useLive';

interface Props {
  piece: Piece;
  bench: Bench;
  longestShank: number;
  onBench: (change: Partial<Bench>) => void;
}

const within = (field: keyof Bench, value: number) => {
  const [least, most, step] = reach[field];
  return Math.min(most, Math.max(least, Math.round(value / step) * step));
};

/** A curb bit on the bench: drawn, its forces, its strap. */
export function CurbOnBench({ piece, bench, longestShank, onBench }: Props) {
  // As it was buckled first: a strap that takes hold where it is usual, on this jaw.
  const buckled = useLive('curb', curbInput(piece, { ...bench, wanted: usualBench.wanted }, null));
  const half = buckled.output?.half_strap_in ?? null;
  const { output, error } = useLive('curb', half === null ? null : curbInput(piece, bench, half));
  const wrong = (error ?? buckled.error) && (
    <Typography role="alert" sx={{ borderLeft: '6px solid', pl: 1.5, mb: 1 }}>
      {piece.name}: {error ?? buckled.error}
    </Typography>
  );
  if (!output) return <Box sx={{ minHeight: 420 }}>{wrong}</Box>;
  const { forces, strap, says, has_taken_hold } = output;
  const holes = strap?.change.holes ?? 0;
  const rows: [string, string][] = [
    ['Shank by purchase', `${Number(forces.leverage.toFixed(2))} to 1`],
    ['On the chin, this side', has_taken_hold ? forceInWords(forces.curb_lbf) : 'slack'],
    [
      'In the mouth, this side',
      has_taken_hold ? forceInWords(forces.mouth_lbf) : 'only the turn of the bit',
    ],
    [
      'On the poll, were the strap loose',
      forces.poll_with_loose_strap_lbf == null
        ? 'nothing'
        : forceInWords(forces.poll_with_loose_strap_lbf),
    ],
  ];
  if (strap) {
    rows.push(
      ['Strap takes hold at', `${Math.round(strap.takes_hold_deg)} degrees`],
      ['Slack under it', `${Number(strap.slack_fingers.toFixed(1))} fingers`],
    );
  }
  return (
    <Box sx={{ minWidth: 0 }}>
      {wrong}
      <CurbBench
        name={piece.name}
        measures={piece.measures}
        jaw={bench.jaw}
        turn={bench.turn}
        angle={bench.angle}
        pull={bench.pull}
        said={output}
        longestShank={longestShank}
        onTurn={(turn) => onBench({ turn: within('turn', turn) })}
        onAngle={(angle) => onBench({ angle: within('angle', angle) })}
      />
      <Tip of="curb" />
      <ForceRows name={piece.name} rows={rows} says={says} />
      {holes !== 0 && (
        <Button
          onClick={() => onBench({ hole: within('hole', bench.hole + holes) })}
          sx={{ minHeight: 52 }}
        >
          Buckle it so
        </Button>
      )}
    </Box>
  );
}
