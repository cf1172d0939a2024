import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export { tackQuery, twoReinQuery, type HorseTack, type PieceForHorse } from './tackOfHorse';

export const piecePath = (gearId: string) => `/yard/tack/${gearId}`;
export const horseTackPath = (horseId: string) => `/horses/${horseId}/tack`;
export const twoReinPath = (horseId: string) => `/horses/${horseId}/two-rein`;
export const changePath = (horseId: string, gearId: string) =>
  `/horses/${horseId}/tack/${gearId}/change`;

export const fittingsQuery = queryOptions({
  queryKey: ['fittings'],
  queryFn: () => answer(client.GET('/api/fittings')),
});

const ofHorse = (horseId: string) => ({ params: { path: { horse_id: horseId } } });

export const rigsQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['rigs', horseId],
    queryFn: () => answer(client.GET('/api/horses/{horse_id}/rigs', ofHorse(horseId))),
  });

export const bitChangesQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['bitChanges', horseId],
    queryFn: () => answer(client.GET('/api/horses/{horse_id}/bit-changes', ofHorse(horseId))),
  });

export const restoresQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['restores', horseId],
    queryFn: () => answer(client.GET('/api/horses/{horse_id}/restores', ofHorse(horseId))),
  });

export const handsQuery = queryOptions({
  queryKey: ['hands'],
  queryFn: () => answer(client.GET('/api/hands')),
});

interface Fit {
  horseId: string;
  gearId: string;
  body: Schemas['NewFitting'];
}

const ofBoth = ({ horseId, gearId }: { horseId: string; gearId: string }) => ({
  params: { path: { horse_id: horseId, gear_id: gearId } },
});

export const useFit = () =>
  useSave<Fit>(({ body, ...both }) =>
    answer(client.PUT('/api/horses/{horse_id}/tack/{gear_id}', { ...ofBoth(both), body })),
  );

export const useTakeOff = () =>
  useSave<{ horseId: string; gearId: string }>((both) =>
    answer(client.DELETE('/api/horses/{horse_id}/tack/{gear_id}', ofBoth(both))),
  );

export const usePlanRestore = () =>
  useSave<{ horseId: string; body: Schemas['RestorePlan'] }>(({ horseId, body }) =>
    answer(client.PUT('/api/horses/{horse_id}/restore', { ...ofHorse(horseId), body })),
  );

export const useEndRestore = () =>
  useSave<string>((horseId) =>
    answer(client.POST('/api/horses/{horse_id}/restore/end', ofHorse(horseId))),
  );
