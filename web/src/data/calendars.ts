import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export const calendarLinksQuery = queryOptions({
  queryKey: ['calendarLinks'],
  queryFn: () => answer(client.GET('/api/calendar-links')),
});

export const busyCalendarsQuery = queryOptions({
  queryKey: ['busyCalendars'],
  queryFn: () => answer(client.GET('/api/busy-calendars')),
});

export const useAddBusyCalendar = () =>
  useSave((body: Schemas['NewBusyCalendar']) =>
    answer(client.POST('/api/busy-calendars', { body })),
  );

export const useRemoveBusyCalendar = () =>
  useSave((calendar_id: string) =>
    answer(
      client.DELETE('/api/busy-calendars/{calendar_id}', { params: { path: { calendar_id } } }),
    ),
  );

export const useMakeCalendarLink = () =>
  useSave((body: Schemas['NewCalendarLink']) =>
    answer(client.POST('/api/calendar-links', { body })),
  );

export const useRevokeCalendarLink = () =>
  useSave((link_id: string) =>
    answer(client.DELETE('/api/calendar-links/{link_id}', { params: { path: { link_id } } })),
  );
