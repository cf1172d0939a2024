import type { Recorder } from './useRecorder';
import { useVoice } from './useVoice';

/** Says what is recorded; nothing of it is seen. */
export function Spoken({ recorder }: { recorder: Recorder }) {
  useVoice(recorder);
  return <></>;
}
