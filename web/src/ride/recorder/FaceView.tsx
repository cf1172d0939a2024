import { lazy, Suspense } from 'react';
import { Waiting } from '../../shell/Waiting';
import { CircleFace } from './CircleFace';
import { HoldFaceView } from './HoldFaceView';
import { TapFaceView } from './TapFaceView';
import type { FaceRecorder } from './useRecorder';

/** Faces with much to them, each for one kind of level: fetched when it is one. */
const CarryFace = lazy(async () => ({ default: (await import('./CarryFace')).CarryFace }));
const CalmFace = lazy(async () => ({ default: (await import('./CalmFace')).CalmFace }));
const RunFace = lazy(async () => ({ default: (await import('./RunFace')).RunFace }));

/** What is touched to record an ask of this level. */
export function FaceView({ recorder }: { recorder: FaceRecorder }) {
  const { face, looking } = recorder;
  if (looking) return <Waiting label="Opening" />;
  if (face.how === 'hold') return <HoldFaceView face={face} recorder={recorder} />;
  if (face.how === 'tap') return <TapFaceView face={face} recorder={recorder} />;
  return (
    <Suspense fallback={<Waiting label="Opening" />}>
      <RunningFaceView recorder={recorder} />
    </Suspense>
  );
}

/** A face with something running. */
function RunningFaceView({ recorder }: { recorder: FaceRecorder }) {
  switch (recorder.asked?.measure) {
    case 'circle':
      return <CircleFace recorder={recorder} />;
    case 'carry':
      return <CarryFace recorder={recorder} />;
    case 'calm':
      return <CalmFace recorder={recorder} />;
    default:
      return <RunFace recorder={recorder} />;
  }
}
