import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { count } from '../../base/words/plain';
import { FaceButton } from '../../shell/FaceButton';
import type { Side } from './faces';
import { OneSide } from './OneSide';
import { answerKey } from './keys';
import type { FaceRecorder } from './useRecorder';
import { useKey } from './useKey';
import { useRunning } from './useRunning';

interface Ridden {
  noseUps: number;
  fellIn: boolean;
  fellOut: boolean;
  brokeGait: boolean;
}

const fresh = (): Ridden => ({ noseUps: 0, fellIn: false, fellOut: false, brokeGait: false });

/** No circle takes longer. */
const circleMs = 15 * 60_000;

const faults: [keyof Omit<Ridden, 'noseUps'>, string][] = [
  ['fellIn', 'Fell in'],
  ['fellOut', 'Fell out'],
  ['brokeGait', 'Broke gait'],
];

/** Circles: a nose-up is a tap as it comes, the finished circle another. */
export function CircleFace({ recorder }: { recorder: FaceRecorder }) {
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        display: 'flex',
        borderTop: '3px solid',
        borderBottom: '3px solid',
      }}
    >
      {recorder.sides.map((side) => (
        <OneWay key={side} side={side} recorder={recorder} />
      ))}
    </Box>
  );
}

function OneWay({ side, recorder }: { side: Side; recorder: FaceRecorder }) {
  const [ridden, setRidden, rest] = useRunning(`${recorder.of}.${side}`, circleMs, fresh);
  const ready = recorder.storage === 'ready';
  const noseUp = () => setRidden({ ...ridden, noseUps: ridden.noseUps + 1 });
  const done = () => {
    const { noseUps, fellIn, fellOut, brokeGait } = ridden;
    recorder.record(side, {
      kind: 'circle',
      circles: 1,
      soft_circles: noseUps === 0 ? 1 : 0,
      nose_ups: noseUps,
      fell_in: fellIn,
      fell_out: fellOut,
      broke_gait: brokeGait,
    });
    rest();
  };
  const [doneKey, noseUpKey] = [answerKey(side, 0), answerKey(side, 1)];
  useKey(doneKey ?? '', () => ready && done());
  useKey(noseUpKey ?? '', () => ready && noseUp());
  return (
    <OneSide side={side} reps={recorder.reps} rows="auto 3fr 2fr auto">
      <FaceButton large disabled={!ready} onTap={done} keyed={doneKey}>
        Circle done
        <Typography component="span" sx={{ display: 'block' }}>
          {ridden.noseUps === 0 ? 'no nose-up' : count(ridden.noseUps, 'nose-up')}
        </Typography>
      </FaceButton>
      <FaceButton disabled={!ready} onTap={noseUp} keyed={noseUpKey}>
        Nose up
      </FaceButton>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}>
        {faults.map(([fault, label]) => (
          <FaceButton
            key={fault}
            wide={fault === 'brokeGait'}
            pressed={ridden[fault]}
            disabled={!ready}
            onTap={() => setRidden({ ...ridden, [fault]: !ridden[fault] })}
          >
            {label}
          </FaceButton>
        ))}
      </Box>
    </OneSide>
  );
}
