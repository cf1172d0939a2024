import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';

export type Review = Schemas['Review'];
export type HorseReview = Schemas['HorseReview'];

export const reviewQuery = (month: string) =>
  queryOptions({
    queryKey: ['review', month],
    queryFn: () => answer(client.GET('/api/review', { params: { query: { month } } })),
  });

/** Lines for invoices as a CSV file. */
export const invoiceLines = (query: { month: string; day_rate: string; ride_rate: string }) =>
  answer<unknown>(
    client.GET('/api/review/invoice', { params: { query }, parseAs: 'blob' }),
  ) as Promise<Blob>;
