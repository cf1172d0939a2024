import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';

/** What a horse wears, as the recorder asks for it: small, for its first load. */

/** A piece as it is shown: its measures are always said, be they empty. */
export type PieceForHorse = Schemas['PieceForHorse'] & { measures: Schemas['GearMeasures'] };

export type HorseTack = Omit<Schemas['HorseTack'], 'pieces'> & { pieces: PieceForHorse[] };

const ofHorse = (horseId: string) => ({ params: { path: { horse_id: horseId } } });

export const tackQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['tack', horseId],
    queryFn: () =>
      answer(client.GET('/api/horses/{horse_id}/tack', ofHorse(horseId))) as Promise<HorseTack>,
  });

export const twoReinQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['twoRein', horseId],
    queryFn: () => answer(client.GET('/api/horses/{horse_id}/two-rein', ofHorse(horseId))),
  });
