import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { packQuery } from '../../offline/pack';
import { intakeInput, nextAsk } from '../../offline/nextAsk';
import type { KeptRide } from '../../outbox/db';
import { intakeOf, mayBePain, noIntake, passOver, troubleSeen } from '../../outbox/intake';
import type { Level } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';

/** The intake this ride belongs to: the next ask, and what is known by now; none for any other ride. */
export function useIntake(horseId: string, ride: KeptRide | undefined) {
  const { db, kick } = useQueue();
  const { time_zone } = useWho();
  const mount = { horseId, day: dayIn(time_zone) };
  const kept = useLiveQuery(
    async () => ({
      intake: await intakeOf(db, mount),
      reps: ride ? await db.reps.where('rideId').equals(ride.rideId).toArray() : [],
    }),
    [db, horseId, mount.day, ride?.rideId, ride?.version, ride?.lastMs],
  );
  const intake = kept?.intake;
  const pack = useQuery({ ...packQuery(horseId), enabled: intake !== undefined });
  // An ask whose answer is not judged yet would be left out, and asked again.
  const judged = kept?.reps.every(({ undone, soft }) => undone || soft !== undefined) ?? false;
  const input =
    pack.data && intake && judged ? intakeInput(pack.data, intake, ride, kept.reps) : undefined;
  const found = useQuery({
    queryKey: ['intakeHere', input],
    queryFn: () => (input ? nextAsk(input) : null),
    enabled: input !== undefined,
    placeholderData: keepPreviousData,
    gcTime: 0,
    networkMode: 'always',
  });
  if (!intake) return undefined;
  const say = async (said: Promise<void>) => {
    await said;
    kick();
  };
  return {
    /** Working out what to ask next. */
    looking: !judged || found.isPlaceholderData || found.isPending,
    asking: found.data ?? undefined,
    hurting: input?.hurting ?? Boolean(intake.hurting),
    /** Signs of trouble were noted on an ask: they stand until that is taken back. */
    trouble: troubleSeen(kept?.reps ?? []),
    /** Nothing was asked yet: it can still be an ordinary ride. */
    begun: ride !== undefined,
    giveUp: () => noIntake(db, mount),
    passOver: (level: Level) => say(passOver(db, mount, level)),
    mayBePain: (hurting: boolean) => say(mayBePain(db, mount, hurting)),
  };
}

export type IntakeHere = NonNullable<ReturnType<typeof useIntake>>;
