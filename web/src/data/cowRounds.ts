import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export const cowTrainerPath = '/cow-trainer';

export type CowRound = Schemas['CowRound'];
export type Steered = Schemas['Steered'];
export type BestRound = Schemas['BestCowRound'];

export const bestRoundsQuery = queryOptions({
  queryKey: ['cowRounds'],
  queryFn: () => answer(client.GET('/api/cow-rounds')),
});

interface Ridden {
  roundId: string;
  round: CowRound;
  steered: Steered[];
}

export const useKeepRound = () =>
  useSave<Ridden, Schemas['CowScore']>(({ roundId, round, steered }) =>
    answer(
      client.PUT('/api/cow-rounds/{round_id}', {
        params: { path: { round_id: roundId } },
        body: { round, steered },
      }),
    ),
  );
