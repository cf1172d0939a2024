import { v7 as uuidv7 } from 'uuid';
import { answer, client } from '../../base/api/client';
import { useSave } from '../../data/save';
import { batchForm } from '../../data/batchForm';
import { useWho } from '../../data/who';
import type { Answer } from '../../base/words/answers';
import type { Trace } from './trace';

interface Kept {
  horseId: string;
  /** Skill and rung. */
  level: string;
  /** When the ride ended, in milliseconds. */
  endedAt: number;
  asks: (Trace['asks'][number] & { answer: Answer })[];
}

/** A ride is a little longer than from its first ask to its last. */
const aroundS = 5;

/** Asks of a trace as a ride of their own. */
export function useKeepAsks() {
  const { person_id } = useWho();
  return useSave<Kept, { rideId: string }>(async ({ horseId, level, endedAt, asks }) => {
    const [rideId, blockId] = [uuidv7(), uuidv7()];
    const [skill = '', rung = ''] = level.split('/');
    const firstS = (asks[0]?.onset_s ?? 0) - aroundS;
    const longS = (asks.at(-1)?.release_s ?? 0) + aroundS - firstS;
    const began = endedAt - 1000 * longS;
    await answer(
      client.POST('/api/batches', {
        params: { header: { 'cavesson-batch-form': Number(batchForm) } },
        body: {
          person_id,
          sent_at: new Date().toISOString(),
          rides: [
            {
              ride_id: rideId,
              horse_id: horseId,
              started_at: new Date(began).toISOString(),
              finished_after_ms: Math.round(1000 * longS),
              blocks: [{ block_id: blockId, position: 0, skill, rung }],
            },
          ],
          reps: asks.map(({ side, hand, onset_s, time_to_give_s, answer: gave }, sequence) => {
            const afterMs = Math.round(1000 * (onset_s - firstS));
            return {
              rep_id: uuidv7(),
              ride_id: rideId,
              block_id: blockId,
              skill,
              rung,
              side,
              sequence,
              asked_after_ms: afterMs,
              asked_at: new Date(began + afterMs).toISOString(),
              measure: { kind: 'give' as const, hand, time_s: time_to_give_s, answer: gave },
            };
          }),
        },
      }),
    );
    return { rideId };
  });
}
