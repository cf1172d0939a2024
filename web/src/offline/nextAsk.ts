import { answer, client } from '../base/api/client';
import { calculate, hasCore, type Input, type Output } from '../base/core/core';
import type { Pack } from './judgeInput';
import { noStory } from '../data/intake';
import { asksOf, troubleSeen, type IntakeOfRide } from '../outbox/intake';
import type { KeptRep, KeptRide } from '../outbox/db';

export type Asking = Output<'intake'>;
type Asked = Input<'intake'>;

const minuteMs = 60_000;

/** What the calculator is given: what was taken along, and what was asked on this ride. */
export function intakeInput(
  pack: Pack,
  intake: IntakeOfRide,
  ride: KeptRide | undefined,
  reps: KeptRep[],
): Asked {
  const before = pack.intake_asks;
  const number = before.length > 0 ? Math.max(...before.map(({ ride: of = 0 }) => of)) + 1 : 0;
  return {
    program: pack.program,
    story: { ...noStory, ...intake.story },
    barn: pack.barn,
    asks: [...before, ...asksOf(reps, intake, number)],
    ride: number,
    minutes_used: Math.min(600, Math.max(0, ride?.lastMs ?? 0) / minuteMs),
    hurting: Boolean(intake.hurting) || troubleSeen(reps),
    sex: pack.context.sex,
    brake: pack.brake_lost,
    seed: seedOf(pack.horse_id),
  };
}

/** The last 32 bits of a horse's id: the server draws with the same. */
export const seedOf = (horseId: string) => Number.parseInt(horseId.slice(-8), 16);

/** The next ask and what is known by now; by the server where this build has no core. */
export async function nextAsk(input: Asked): Promise<Asking> {
  if (hasCore) return calculate('intake', input);
  const body = input as Record<string, never>;
  const reply = client.POST('/api/calc/{name}', { params: { path: { name: 'intake' } }, body });
  return (await answer(reply)) as unknown as Asking;
}
