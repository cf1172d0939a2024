import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';

export type Card = Schemas['Card'];
export type CardBlock = Card['blocks'][number];
export type CardDay = Schemas['CardDay'];

export const cardPath = (horseId: string) => `/horses/${horseId}/card`;

/** The card as the server builds it, where the page has no core. */
export const builtCard = (horseId: string, day: CardDay): Promise<Card> =>
  answer(
    client.POST('/api/horses/{horse_id}/card', {
      params: { path: { horse_id: horseId } },
      body: day,
    }),
  );

/** Every trait a horse may have, with what it changes. */
export const traitsQuery = queryOptions({
  queryKey: ['traits'],
  queryFn: () => answer(client.GET('/api/traits')),
  staleTime: Infinity,
});
