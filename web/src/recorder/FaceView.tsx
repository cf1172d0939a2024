import { lazy, Suspense } from 'react';
import { Waiting } from '../frame/Waiting';
import { CalmFace } from './CalmFace';
import { CarryFace } from './CarryFace';
import { CircleFace } from './CircleFace';
import { HoldFaceView } from './HoldFaceView';
import { TapFaceView } from './TapFaceView';
import type { FaceRecorder } from './useRecorder';

/** The face with the most to it, for one kind of level: fetched when it is one. */
const RunFace = lazy(async () => ({ default: (await import('./RunFace')).RunFace }));

/** What is touched to record an ask of this level. */
export function FaceView({ recorder }: { recorder: FaceRecorder }) {
  const { face, asked, looking } = recorder;
  if (looking) return <Waiting label="Opening" />;
  if (face.how === 'hold') return <HoldFaceView face={face} recorder={recorder} />;
  if (face.how === 'tap') return <TapFaceView face={face} recorder={recorder} />;
  switch (asked?.measure) {
    case 'circle':
      return <CircleFace recorder={recorder} />;
    case 'carry':
      return <CarryFace recorder={recorder} />;
    case 'calm':
      return <CalmFace recorder={recorder} />;
    default:
      return (
        <Suspense fallback={<Waiting label="Opening" />}>
          <RunFace recorder={recorder} />
        </Suspense>
      );
  }
}
