import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';

export type Sheet = Schemas['Sheet'];
export type Read = Schemas['SheetRead'];

export const importsQuery = queryOptions({
  queryKey: ['imports'],
  queryFn: () => answer(client.GET('/api/imports')),
});

/** What each sheet is called. */
export const sheetWords: Record<Sheet, string> = {
  asks: 'Asks',
  rides: 'Rides',
  runs: 'Runs',
  herd: 'Cattle',
  horses: 'Horses',
};
