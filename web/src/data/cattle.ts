import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export type Lot = Schemas['LotWithCattle'];
export type CowOfLot = Schemas['CowOfLot'];
export type CowPageData = Schemas['CowPage'];

export const lotPath = (lotId: string) => `/yard/cattle/${lotId}`;
export const cowPath = (cowId: string) => `/yard/cows/${cowId}`;
export const matchPath = (day?: string) => (day ? `/cattle-day/${day}` : '/cattle-day');
export const worksPath = (horseId: string) => `/horses/${horseId}/cattle`;

export const lotQuery = (lotId: string) =>
  queryOptions({
    queryKey: ['cattle', lotId],
    queryFn: () =>
      answer(client.GET('/api/cattle/{lot_id}', { params: { path: { lot_id: lotId } } })),
  });

export const cowQuery = (cowId: string) =>
  queryOptions({
    queryKey: ['cow', cowId],
    queryFn: () =>
      answer(client.GET('/api/cows/{cow_id}', { params: { path: { cow_id: cowId } } })),
  });

export const matchQuery = (day: string) =>
  queryOptions({
    queryKey: ['cattleMatch', day],
    queryFn: () => answer(client.GET('/api/cattle-match', { params: { query: { day } } })),
  });

export const worksQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['works', horseId],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/works', { params: { path: { horse_id: horseId } } }),
      ),
  });

interface PutCow {
  /** None for a new one. */
  cowId?: string;
  lotId: string;
  sheet: Schemas['CowSheet'];
}

export const usePutCow = () =>
  useSave<PutCow, unknown>(({ cowId, lotId, sheet }) => {
    const body = { lot_id: lotId, sheet };
    return cowId
      ? answer(client.PUT('/api/cows/{cow_id}', { params: { path: { cow_id: cowId } }, body }))
      : answer(client.POST('/api/cows', { body }));
  });

export const usePutCowAway = () =>
  useSave<{ cowId: string; away: boolean }>(({ cowId, away }) => {
    const of = { params: { path: { cow_id: cowId } } };
    return away
      ? answer(client.POST('/api/cows/{cow_id}/put-away', of))
      : answer(client.POST('/api/cows/{cow_id}/take-out', of));
  });

export const useCowRows = (lotId: string) =>
  useSave<Schemas['NewCowRows'], Schemas['CowRows']>((body) =>
    answer(client.POST('/api/cattle/{lot_id}/rows', { params: { path: { lot_id: lotId } }, body })),
  );

export const usePutLot = (lotId: string) =>
  useSave<Schemas['CattleLotSheet']>((body) =>
    answer(client.PUT('/api/cattle/{lot_id}', { params: { path: { lot_id: lotId } }, body })),
  );

export const usePutSettling = () =>
  useSave<{ settlingId: string } & Schemas['NewSettling']>(({ settlingId, ...body }) =>
    answer(
      client.PUT('/api/settlings/{settling_id}', {
        params: { path: { settling_id: settlingId } },
        body,
      }),
    ),
  );

export const useTakeOutSettling = () =>
  useSave<string>((settlingId) =>
    answer(
      client.DELETE('/api/settlings/{settling_id}', {
        params: { path: { settling_id: settlingId } },
      }),
    ),
  );

export const usePutSign = () =>
  useSave<{ signId: string } & Schemas['NewSign']>(({ signId, ...body }) =>
    answer(client.PUT('/api/cow-signs/{sign_id}', { params: { path: { sign_id: signId } }, body })),
  );

export const usePutTreatment = () =>
  useSave<{ treatmentId: string } & Schemas['NewTreatment']>(({ treatmentId, ...body }) =>
    answer(
      client.PUT('/api/cow-treatments/{treatment_id}', {
        params: { path: { treatment_id: treatmentId } },
        body,
      }),
    ),
  );

export const useTakeOutTreatment = () =>
  useSave<string>((treatmentId) =>
    answer(
      client.DELETE('/api/cow-treatments/{treatment_id}', {
        params: { path: { treatment_id: treatmentId } },
      }),
    ),
  );
