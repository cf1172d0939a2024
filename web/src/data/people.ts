import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export type PersonOfBarn = Schemas['PersonOfBarn'];

export const peopleQuery = queryOptions({
  queryKey: ['people'],
  queryFn: () => answer(client.GET('/api/people')),
  // People come in by their links on devices of their own; nobody is told of it here.
  staleTime: 0,
});

export const useAddPerson = () =>
  useSave((body: Schemas['PersonSheet']) => answer(client.POST('/api/people', { body })));

const of = (person_id: string) => ({ params: { path: { person_id } } });

export const useChangePerson = (personId: string) =>
  useSave((body: Schemas['PersonSheet']) =>
    answer(client.PUT('/api/people/{person_id}', { ...of(personId), body })),
  );

export const useMakeLink = (personId: string) =>
  useSave(() => answer(client.POST('/api/people/{person_id}/link', of(personId))));

export const useRevokeLink = (personId: string) =>
  useSave(() => answer(client.DELETE('/api/people/{person_id}/link', of(personId))));

/** Leaves, or comes back. */
export const useLeave = (personId: string) =>
  useSave((leaves: boolean) =>
    leaves
      ? answer(client.POST('/api/people/{person_id}/leave', of(personId)))
      : answer(client.POST('/api/people/{person_id}/come-back', of(personId))),
  );
