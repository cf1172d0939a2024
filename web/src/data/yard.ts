import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export const placesQuery = queryOptions({
  queryKey: ['places'],
  queryFn: () => answer(client.GET('/api/places')),
});

/** A piece as it is shown: its measures are always said, be they empty. */
type Measured<P> = P & { measures: Schemas['GearMeasures'] };
export type Piece = Measured<Schemas['GearOfYard']>;

export const gearQuery = queryOptions({
  queryKey: ['gear'],
  queryFn: () => answer(client.GET('/api/gear')) as Promise<Piece[]>,
});

export const cattleQuery = queryOptions({
  queryKey: ['cattle'],
  queryFn: () => answer(client.GET('/api/cattle')),
});

interface Change<S> {
  /** None for something new. */
  id?: string;
  sheet: S;
}

interface PutAway {
  id: string;
  away: boolean;
}

export const usePutPlace = () =>
  useSave<Change<Schemas['PlaceSheet']>>(({ id, sheet: body }) =>
    id
      ? answer(client.PUT('/api/places/{place_id}', { params: { path: { place_id: id } }, body }))
      : answer(client.POST('/api/places', { body })),
  );

export const usePutPlaceAway = () =>
  useSave<PutAway>(({ id, away }) => {
    const of = { params: { path: { place_id: id } } };
    return away
      ? answer(client.POST('/api/places/{place_id}/put-away', of))
      : answer(client.POST('/api/places/{place_id}/take-out', of));
  });

export const usePutGear = () =>
  useSave<Change<Schemas['GearSheet']>>(({ id, sheet: body }) =>
    id
      ? answer(client.PUT('/api/gear/{gear_id}', { params: { path: { gear_id: id } }, body }))
      : answer(client.POST('/api/gear', { body })),
  );

export const usePutGearAway = () =>
  useSave<PutAway>(({ id, away }) => {
    const of = { params: { path: { gear_id: id } } };
    return away
      ? answer(client.POST('/api/gear/{gear_id}/put-away', of))
      : answer(client.POST('/api/gear/{gear_id}/take-out', of));
  });

export const usePutCattle = () =>
  useSave<Change<Schemas['CattleLotSheet']>>(({ id, sheet: body }) =>
    id
      ? answer(client.PUT('/api/cattle/{lot_id}', { params: { path: { lot_id: id } }, body }))
      : answer(client.POST('/api/cattle', { body })),
  );

export const usePutCattleAway = () =>
  useSave<PutAway>(({ id, away }) => {
    const of = { params: { path: { lot_id: id } } };
    return away
      ? answer(client.POST('/api/cattle/{lot_id}/put-away', of))
      : answer(client.POST('/api/cattle/{lot_id}/take-out', of));
  });
