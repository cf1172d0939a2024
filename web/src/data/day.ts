import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import type { Input } from '../base/core/core';
import { useSave } from './save';

export type DayShown = Schemas['DayShown'];
export type BookingShown = Schemas['BookingShown'];
export type Booking = Schemas['Booking'];
export type DayPlan = Schemas['DayPlan'];
export type Change = NonNullable<Input<'day-rules'>['change']>;
export type Broken = Schemas['Broken'];

export const dayQuery = (day: string) =>
  queryOptions({
    queryKey: ['day', day],
    queryFn: () => answer(client.GET('/api/days/{day}', { params: { path: { day } } })),
  });

const of = (booking_id: string) => ({ params: { path: { booking_id } } });

export const useBook = (day: string) =>
  useSave((body: Schemas['NewBooking']) =>
    answer(client.POST('/api/days/{day}/bookings', { params: { path: { day } }, body })),
  );

export const useMove = () =>
  useSave(({ booking_id, ...body }: Schemas['BookingMoved'] & { booking_id: string }) =>
    answer(client.PUT('/api/bookings/{booking_id}', { ...of(booking_id), body })),
  );

export const useSwap = () =>
  useSave(({ booking_id, with: other }: { booking_id: string; with: string }) =>
    answer(
      client.POST('/api/bookings/{booking_id}/swap', { ...of(booking_id), body: { with: other } }),
    ),
  );

export const useSkip = () =>
  useSave(({ booking_id, because }: { booking_id: string; because: string }) =>
    answer(
      client.POST('/api/bookings/{booking_id}/skip', { ...of(booking_id), body: { because } }),
    ),
  );

export const useBringBack = () =>
  useSave((booking_id: string) =>
    answer(client.POST('/api/bookings/{booking_id}/bring-back', of(booking_id))),
  );

export const useTakeOff = () =>
  useSave((booking_id: string) =>
    answer(client.DELETE('/api/bookings/{booking_id}', of(booking_id))),
  );
