import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { rateOf } from './rate';

/** A tap for each beat or breath: the rate comes by itself. */
export function TapRate({ one, onRate }: { one: string; onRate: (rate: number) => void }) {
  const taps = useRef<number[]>([]);
  const [count, setCount] = useState(0);
  return (
    <Button
      type="button"
      onPointerDown={(event) => {
        taps.current = rateOf.add(taps.current, event.timeStamp);
        setCount(taps.current.length);
        const rate = rateOf.rate(taps.current);
        if (rate !== undefined) onRate(rate);
      }}
      sx={{ flex: 1, minHeight: 64, touchAction: 'manipulation' }}
    >
      {count < 2 ? `Tap each ${one}` : `${count} taps`}
    </Button>
  );
}
