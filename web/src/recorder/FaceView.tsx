import { Waiting } from '../frame/Waiting';
import { CalmFace } from './CalmFace';
import { CarryFace } from './CarryFace';
import { CircleFace } from './CircleFace';
import { HoldFaceView } from './HoldFaceView';
import { RunFace } from './RunFace';
import { TapFaceView } from './TapFaceView';
import type { Recorder } from './useRecorder';

/** What is touched to record an ask of this level. */
export function FaceView({ recorder }: { recorder: Recorder }) {
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
      return <RunFace recorder={recorder} />;
  }
}
