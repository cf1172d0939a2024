import type { Schemas } from '../base/api/client';
import { cardId } from './card';
import type { KeptDatabase, KeptRep, KeptRide } from './db';
import { goingRide, toSendAgain, type Mount } from './keep';

/** What the device keeps of an intake: with the day's card until the ride begins, then with the ride. */

type Day = Pick<Mount, 'horseId' | 'day'>;
export type IntakeOfRide = Schemas['IntakeOfRide'];

/** The intake the horse's ride belongs to, or the next one of the day will. */
export async function intakeOf(db: KeptDatabase, mount: Day): Promise<IntakeOfRide | undefined> {
  const ride = await goingRide(db, mount.horseId);
  return ride ? ride.intake : (await db.cards.get(cardId(mount)))?.intake;
}

/** Says more of the intake, or that there is one. */
export async function sayIntake(
  db: KeptDatabase,
  mount: Day,
  change: (known: IntakeOfRide | undefined) => IntakeOfRide | undefined,
): Promise<void> {
  await db.transaction('rw', db.rides, db.cards, async () => {
    const ride = await goingRide(db, mount.horseId);
    if (ride) {
      const intake = change(ride.intake);
      if (intake)
        await db.rides.where({ rideId: ride.rideId }).modify(toSendAgain<KeptRide>({ intake }));
      return;
    }
    const id = cardId(mount);
    const card = { wanted: {}, ...(await db.cards.get(id)), id };
    const intake = change(card.intake);
    await db.cards.put(intake ? { ...card, intake } : card);
  });
}

/** A level the rider does not want to ask today. */
export const passOver = (db: KeptDatabase, mount: Day, { skill, rung }: Schemas['Level']) =>
  sayIntake(
    db,
    mount,
    (known) => known && { ...known, passed_over: [...(known.passed_over ?? []), { skill, rung }] },
  );

/** That it may be pain, or is not after all. */
export const mayBePain = (db: KeptDatabase, mount: Day, hurting: boolean) =>
  sayIntake(db, mount, (known) => known && { ...known, hurting });

/** No intake after all, before anything was asked. */
export const noIntake = (db: KeptDatabase, mount: Day) =>
  db.cards.update(cardId(mount), { intake: undefined });

/** The asks of one ride of an intake; an ask whose answer is not judged yet waits. */
export function asksOf(
  reps: KeptRep[],
  intake: IntakeOfRide,
  ride: number,
): Schemas['IntakeAsk'][] {
  const answered = reps
    .filter((rep) => !rep.undone && rep.soft !== undefined)
    .sort((a, b) => a.askedAfterMs - b.askedAfterMs || a.sequence - b.sequence)
    .map(({ skill, rung, side, soft }) => ({ level: { skill, rung }, side, soft, ride }));
  const passed = (intake.passed_over ?? []).map((level) => ({
    level,
    side: 'both' as const,
    soft: null,
    ride,
  }));
  return [...answered, ...passed];
}

/** A sign of trouble was seen while it stood or went. */
export const troubleSeen = (reps: KeptRep[]): boolean =>
  reps.some(
    ({ undone, measure }) =>
      !undone && measure.kind === 'calm' && (measure.trouble ?? []).length > 0,
  );
