import Box from '@mui/material/Box';
import { lazy, Suspense, useState } from 'react';
import type { Choice, Side, TapFace } from './faces';
import { FaceButton } from '../../shell/FaceButton';
import { OneSide } from './OneSide';
import { answerKey } from './keys';
import type { FaceRecorder } from './useRecorder';
import { useKey } from './useKey';

const MoreAnswers = lazy(async () => ({ default: (await import('./MoreAnswers')).MoreAnswers }));

/** Answers to tap, one touch an ask; side by side where the sides are asked apart. */
export function TapFaceView({ face, recorder }: { face: TapFace; recorder: FaceRecorder }) {
  const choices = face.choices(recorder.set);
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        display: 'flex',
        borderTop: '3px solid',
        borderBottom: '3px solid',
        overflowY: 'auto',
      }}
    >
      {recorder.sides.map((side) => (
        <Answers key={side} side={side} choices={choices} recorder={recorder} />
      ))}
    </Box>
  );
}

interface AnswersProps {
  side: Side;
  choices: Choice[];
  recorder: FaceRecorder;
}

function Answers({ side, choices, recorder }: AnswersProps) {
  const [more, setMore] = useState(false);
  const ready = recorder.storage === 'ready';
  // What does not fit beside the other side at a size for gloves is one touch further.
  const fitting = side === 'both' || choices.length <= 6 ? choices.length : 3;
  const [shown, others] = [choices.slice(0, fitting), choices.slice(fitting)];
  return (
    <OneSide side={side} reps={recorder.reps} rows="auto 1fr">
      <Box
        sx={{
          flex: 1,
          display: 'grid',
          gridTemplateColumns: side === 'both' ? '1fr 1fr' : '1fr',
          gridAutoRows: 'minmax(72px, 1fr)',
        }}
      >
        {shown.map((choice, index) => (
          <Answer
            key={choice.label}
            choice={choice}
            common={index === 0}
            tall={!recorder.atPen}
            keyed={answerKey(side, index)}
            ready={ready}
            onTap={() => recorder.record(side, choice.measure)}
          />
        ))}
        {others.map((choice, index) => (
          <ByKey
            key={choice.label}
            keyed={answerKey(side, fitting + index)}
            onPress={() => ready && recorder.record(side, choice.measure)}
          />
        ))}
        {others.length > 0 && (
          <FaceButton disabled={!ready} onTap={() => setMore(true)}>
            Something else
          </FaceButton>
        )}
      </Box>
      {more && (
        <Suspense fallback={null}>
          <MoreAnswers
            choices={others}
            onAnswer={(measure) => recorder.record(side, measure)}
            onClose={() => setMore(false)}
          />
        </Suspense>
      )}
    </OneSide>
  );
}

/** An answer that is a touch further still has its key. */
function ByKey({ keyed, onPress }: { keyed: string | undefined; onPress: () => void }) {
  useKey(keyed ?? '', onPress);
  return null;
}

interface AnswerProps {
  choice: Choice;
  /** The commonest answer: one touch, and the largest target. */
  common: boolean;
  /** Two rows high, where there is room. */
  tall: boolean;
  keyed: string | undefined;
  ready: boolean;
  onTap: () => void;
}

function Answer({ choice, common, tall, keyed, ready, onTap }: AnswerProps) {
  useKey(keyed ?? '', () => ready && onTap());
  return (
    <Box
      sx={{
        display: 'grid',
        gridColumn: common ? '1 / -1' : 'auto',
        gridRow: common && tall ? 'span 2' : 'auto',
      }}
    >
      <FaceButton onTap={onTap} disabled={!ready} large={common} keyed={keyed}>
        {choice.label}
      </FaceButton>
    </Box>
  );
}
