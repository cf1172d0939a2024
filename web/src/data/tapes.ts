import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export type Tape = Schemas['TapeOfHorse'];

export const tapesPath = (horseId: string) => `/horses/${horseId}/tapes`;
export const tapePath = (horseId: string, tapeId: string) => `${tapesPath(horseId)}/${tapeId}`;

export const tapesQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['tapes', horseId],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/tapes', { params: { path: { horse_id: horseId } } }),
      ),
  });

export const useKeepTape = (horseId: string, tapeId: string) =>
  useSave((sheet: Schemas['TapeSheet']) =>
    answer(
      client.PUT('/api/tapes/{tape_id}', {
        params: { path: { tape_id: tapeId } },
        body: { horse_id: horseId, sheet },
      }),
    ),
  );

export const useTakeOutTape = () =>
  useSave((tapeId: string) =>
    answer(client.DELETE('/api/tapes/{tape_id}', { params: { path: { tape_id: tapeId } } })),
  );
