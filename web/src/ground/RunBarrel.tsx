import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { marks, spotNames, type RunBarrelDraft } from './runDraft';
import { lengthInWords } from '../base/words/units';
import { FaceButton } from '../shell/FaceButton';

interface Props {
  number: number;
  barrel: RunBarrelDraft;
  planned: number[];
  onPut: (change: Partial<RunBarrelDraft>) => void;
}

/** One barrel of a run: its pocket at the three spots, strides of rate, what went otherwise. */
export function RunBarrel({ number, barrel, planned, onPut }: Props) {
  const off = (spot: number, by: number) =>
    onPut({ off: barrel.off.map((feet, at) => (at === spot ? feet + by : feet)) });
  return (
    <Box role="group" aria-label={`Barrel ${number}`} sx={{ mb: 1.5 }}>
      <Typography sx={{ fontWeight: 700 }}>Barrel {number}</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 0.5 }}>
        {spotNames.map((name, spot) => {
          const found = Math.max(0, (planned[spot] ?? 4) + (barrel.off[spot] ?? 0));
          return (
            <Box
              key={name}
              role="group"
              aria-label={`Barrel ${number}, ${name.toLowerCase()}`}
              sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: '2px' }}
            >
              <Typography sx={{ gridColumn: '1 / -1', textAlign: 'center' }}>
                {name} <strong>{lengthInWords(found)}</strong>
                {barrel.off[spot] ? (barrel.off[spot] < 0 ? ' tight' : ' wide') : ''}
              </Typography>
              <FaceButton label="Tighter" disabled={found === 0} onTap={() => off(spot, -1)}>
                −
              </FaceButton>
              <FaceButton label="Wider" onTap={() => off(spot, 1)}>
                +
              </FaceButton>
            </Box>
          );
        })}
        <FaceButton wide onTap={() => onPut({ rate: (barrel.rate + 1) % 7 })}>
          Rated {barrel.rate} {barrel.rate === 1 ? 'stride' : 'strides'}
        </FaceButton>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(2, 1fr)', gap: 0.5, mt: 0.5 }}>
        {marks.map(([mark, label]) => (
          <FaceButton
            key={mark}
            pressed={barrel[mark]}
            onTap={() => onPut({ [mark]: !barrel[mark] })}
          >
            {label}
          </FaceButton>
        ))}
      </Box>
    </Box>
  );
}
