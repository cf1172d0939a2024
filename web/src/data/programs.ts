import { keepPreviousData, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { answer, client, ProblemError, type Schemas } from '../base/api/client';

export type Program = Schemas['Program'];

export const programsQuery = queryOptions({
  queryKey: ['programs'],
  queryFn: () => answer(client.GET('/api/programs')),
});

export const programQuery = (programId: string) =>
  queryOptions({
    queryKey: ['program', programId],
    queryFn: () =>
      answer(
        client.GET('/api/programs/{program_id}', { params: { path: { program_id: programId } } }),
      ),
  });

/** Which verdicts a program would change; `horses` null is those that are on it. */
export const previewQuery = (content: Program, programId: string | null, horses: string[] | null) =>
  queryOptions({
    queryKey: ['preview', programId, horses, content],
    queryFn: () =>
      answer(
        client.POST('/api/programs/preview', {
          body: { content, program_id: programId, horses },
        }),
      ).catch(inFields),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** A problem says what does not fit where; that is what the editor shows. */
export function inFields(error: unknown): never {
  const fields = error instanceof ProblemError ? (error.problem.errors ?? []) : [];
  if (!(error instanceof ProblemError) || fields.length === 0) throw error;
  const said = fields.map(({ field, detail }) => `${lastWord(field)} ${detail}`).join('; ');
  throw new ProblemError({ ...error.problem, detail: `${said}.` }, error.status);
}

const lastWord = (field: string) => (field.split('/').at(-1) ?? '').replaceAll('_', ' ');

/** Makes the program, or its next version. */
export function useSaveProgram(program: Schemas['ShownProgram'] | null) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (content: Program) => {
      if (program) {
        const params = { path: { program_id: program.program_id } };
        const body = { from_version: program.version, content };
        await answer(client.PUT('/api/programs/{program_id}', { params, body })).catch(inFields);
        return { programId: program.program_id, version: program.version + 1 };
      }
      const programId = uuidv7();
      const body = { program_id: programId, content };
      await answer(client.POST('/api/programs', { body })).catch(inFields);
      return { programId, version: 1 };
    },
    // Every verdict of the horses on it may be another one now.
    onSuccess: () =>
      queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' }),
  });
}
