import { memo } from 'react';
import { OneSlider } from '../shell/OneSlider';
import { forceInWords, inchesInWords } from '../base/words/inches';
import { count } from '../base/words/plain';
import { reach, type Bench } from './bench';

type Field = keyof Bench;

interface Props {
  bench: Bench;
  curb: boolean;
  snaffle: boolean;
  onBench: (change: Partial<Bench>) => void;
}

/** What a slider is called, what it says of where it stands, and a word beside it. */
const sliders: Record<Field, [string, (value: number) => string, ((value: number) => string)?]> = {
  pull: ['Pull on the rein', (value) => `Pull ${forceInWords(value)} on each rein`],
  angle: [
    'Angle of the rein',
    (value) => `Rein at ${value} degrees to the shank`,
    (value) => (value === 90 ? 'square' : ''),
  ],
  turn: ['Turn of the bit', (value) => `Bit turned ${value} degrees`],
  hole: ['Hole of the strap', holeInWords],
  jaw: ['Depth of the jaw', (value) => `${inchesInWords(value)} from mouthpiece to chin groove`],
  wanted: [
    'Take-hold that is wanted',
    (value) => `Strap is to take hold at ${value} degrees`,
    () => 'usual is 30 to 45',
  ],
  apart: ['Hands apart', (value) => `Hands ${inchesInWords(value)} apart`],
  high: ['Height of the hands', highInWords],
};

const ofCurb: Field[] = ['angle', 'turn', 'hole', 'jaw', 'wanted'];
const ofSnaffle: Field[] = ['apart', 'high'];

/** The hands, the jaw and the strap. */
export function BenchSliders({ bench, curb, snaffle, onBench }: Props) {
  const shown: Field[] = ['pull', ...(curb ? ofCurb : []), ...(snaffle ? ofSnaffle : [])];
  return shown.map((field) => (
    <FieldSlider key={field} field={field} value={bench[field]} onBench={onBench} />
  ));
}

interface FieldProps {
  field: Field;
  value: number;
  onBench: (change: Partial<Bench>) => void;
}

/** One of them, drawn anew only when it moves: a bit under the hand has sixty frames a second. */
const FieldSlider = memo(function FieldSlider({ field, value, onBench }: FieldProps) {
  const [min, max, step] = reach[field];
  const [label, said, note] = sliders[field];
  return (
    <OneSlider
      label={label}
      said={said(value)}
      note={note?.(value)}
      value={value}
      min={min}
      max={max}
      step={step}
      onChange={(_, moved) => onBench({ [field]: moved })}
    />
  );
});

function holeInWords(hole: number): string {
  if (hole === 0) return 'Strap as it is buckled';
  return `Strap ${count(Math.abs(hole), 'hole')} ${hole > 0 ? 'longer' : 'shorter'}`;
}

function highInWords(high: number): string {
  if (high === 0) return 'Hands level with the rings';
  return `Hands ${inchesInWords(Math.abs(high))} ${high > 0 ? 'above' : 'below'} the rings`;
}
