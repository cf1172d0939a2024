import { useMutation, useQueryClient, type MutationFunction } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { answer, client, type Schemas } from '../base/api/client';
import { touches } from './keys';

/** A change to what is known of a horse; what shows that horse is fetched anew. */
function useChange<V>(mutationFn: MutationFunction<unknown, V>, horseId?: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSuccess: () =>
      queries.invalidateQueries({
        predicate: ({ queryKey }) =>
          horseId ? touches(queryKey, horseId) : queryKey[0] !== 'session',
      }),
  });
}

export function useAddCardBlock(horseId: string) {
  return useChange(
    (block: Omit<Schemas['NewCardBlock'], 'block_id'>) =>
      answer(
        client.POST('/api/horses/{horse_id}/card-blocks', {
          params: { path: { horse_id: horseId } },
          body: { block_id: uuidv7(), ...block },
        }),
      ),
    horseId,
  );
}

export function useSetTraits(horse_id: string) {
  return useChange(
    (traits: Schemas['HorseTrait'][]) =>
      answer(
        client.PUT('/api/horses/{horse_id}/traits', {
          params: { path: { horse_id } },
          body: { traits },
        }),
      ),
    horse_id,
  );
}

export function useRemoveCardBlock() {
  return useChange((block_id: string) =>
    answer(client.DELETE('/api/card-blocks/{block_id}', { params: { path: { block_id } } })),
  );
}

/** Who looked at a side that went bad at once, and what came of it. */
export function useAnswerDrop(horseId: string) {
  return useChange(
    (drop: Omit<Schemas['NewDropAnswer'], 'answer_id'>) =>
      answer(
        client.POST('/api/horses/{horse_id}/drop-answers', {
          params: { path: { horse_id: horseId } },
          body: { answer_id: uuidv7(), ...drop },
        }),
      ),
    horseId,
  );
}

export function useOverrule(horseId: string) {
  return useChange(
    (overrule: Omit<Schemas['NewOverrule'], 'overrule_id'>) =>
      answer(
        client.POST('/api/horses/{horse_id}/overrules', {
          params: { path: { horse_id: horseId } },
          body: { overrule_id: uuidv7(), ...overrule },
        }),
      ),
    horseId,
  );
}

export function useWithdrawOverrule() {
  return useChange((overrule_id: string) =>
    answer(client.DELETE('/api/overrules/{overrule_id}', { params: { path: { overrule_id } } })),
  );
}

export function useAddCare(horseId: string) {
  return useChange(
    (care: Omit<Schemas['NewCare'], 'care_id'>) =>
      answer(
        client.POST('/api/horses/{horse_id}/care', {
          params: { path: { horse_id: horseId } },
          body: { care_id: uuidv7(), ...care },
        }),
      ),
    horseId,
  );
}

export function useClearCare() {
  return useChange(({ care_id, cleared }: { care_id: string; cleared: boolean }) =>
    answer(client.PUT('/api/care/{care_id}', { params: { path: { care_id } }, body: { cleared } })),
  );
}

export function useSetCareAgain(horseId: string) {
  return useChange(
    ({ care_id, again_days }: { care_id: string; again_days: number | null }) =>
      answer(
        client.PUT('/api/care/{care_id}/again', {
          params: { path: { care_id } },
          body: { again_days },
        }),
      ),
    horseId,
  );
}

export function usePutOnProgram() {
  return useChange(({ horse_id, program_id }: { horse_id: string; program_id: string | null }) =>
    answer(
      client.PUT('/api/horses/{horse_id}/program', {
        params: { path: { horse_id } },
        body: { program_id },
      }),
    ),
  );
}
