import { OneSlider } from '../frame/OneSlider';
import { forceInWords, inchesInWords } from '../words/inches';
import { count } from '../words/plain';
import { reach, type Bench } from './bench';

interface Props {
  bench: Bench;
  curb: boolean;
  snaffle: boolean;
  onBench: (change: Partial<Bench>) => void;
}

/** The hands, the jaw and the strap. */
export function BenchSliders({ bench, curb, snaffle, onBench }: Props) {
  const slider = (field: keyof Bench) => {
    const [min, max, step] = reach[field];
    return {
      value: bench[field],
      min,
      max,
      step,
      onChange: (_: Event, value: number) => onBench({ [field]: value }),
    };
  };
  return (
    <>
      <OneSlider
        label="Pull on the rein"
        said={`Pull ${forceInWords(bench.pull)} on ${snaffle ? 'each rein' : 'the rein'}`}
        {...slider('pull')}
      />
      {curb && (
        <>
          <OneSlider
            label="Angle of the rein"
            said={`Rein at ${bench.angle} degrees to the shank`}
            note={bench.angle === 90 ? 'square' : ''}
            {...slider('angle')}
          />
          <OneSlider
            label="Turn of the bit"
            said={`Bit turned ${bench.turn} degrees`}
            {...slider('turn')}
          />
          <OneSlider label="Hole of the strap" said={holeInWords(bench.hole)} {...slider('hole')} />
          <OneSlider
            label="Depth of the jaw"
            said={`${inchesInWords(bench.jaw)} from mouthpiece to chin groove`}
            {...slider('jaw')}
          />
          <OneSlider
            label="Take-hold that is wanted"
            said={`Strap is to take hold at ${bench.wanted} degrees`}
            note="usual is 30 to 45"
            {...slider('wanted')}
          />
        </>
      )}
      {snaffle && (
        <>
          <OneSlider
            label="Hands apart"
            said={`Hands ${inchesInWords(bench.apart)} apart`}
            {...slider('apart')}
          />
          <OneSlider
            label="Height of the hands"
            said={
              bench.high === 0
                ? 'Hands level with the rings'
                : `Hands ${inchesInWords(Math.abs(bench.high))} ${bench.high > 0 ? 'above' : 'below'} the rings`
            }
            {...slider('high')}
          />
        </>
      )}
    </>
  );
}

function holeInWords(hole: number): string {
  if (hole === 0) return 'Strap as it is buckled';
  return `Strap ${count(Math.abs(hole), 'hole')} ${hole > 0 ? 'longer' : 'shorter'}`;
}
