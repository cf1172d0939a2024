import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export type HorseOfBarn = Schemas['HorseOfBarn'];
export type Sheet = Schemas['HorseSheet'];

export const everyHorseQuery = queryOptions({
  queryKey: ['horses', 'everyone'],
  queryFn: () => answer(client.GET('/api/horses/everyone')),
});

const of = (horse_id: string) => ({ params: { path: { horse_id } } });

export const sheetQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['horse', horseId, 'sheet'],
    queryFn: () => answer(client.GET('/api/horses/{horse_id}/sheet', of(horseId))),
  });

export const useAddHorse = () =>
  useSave((body: Sheet) => answer(client.POST('/api/horses', { body })));

export const useChangeHorse = (horseId: string) =>
  useSave((body: Sheet) =>
    answer(client.PUT('/api/horses/{horse_id}/sheet', { ...of(horseId), body })),
  );

export const useSetGoals = (horseId: string) =>
  useSave((body: Schemas['Goal'][]) =>
    answer(client.PUT('/api/horses/{horse_id}/goals', { ...of(horseId), body })),
  );

/** Goes home, or comes back. */
export const useSendHome = (horseId: string) =>
  useSave((goes: boolean) =>
    goes
      ? answer(client.POST('/api/horses/{horse_id}/send-home', of(horseId)))
      : answer(client.POST('/api/horses/{horse_id}/come-back', of(horseId))),
  );

/** Reads rows, and adds them where that is asked and all of them fit. */
export const useRows = () =>
  useSave((body: Schemas['NewHorseRows']) => answer(client.POST('/api/horses/rows', { body })));
