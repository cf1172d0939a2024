import { ProblemError } from '../api/client';
import { capital } from '../words/plain';

/** What does not fit, by field (a JSON pointer such as `/name`). */
export function fieldsOf(error: Error | null): Record<string, string> {
  if (!(error instanceof ProblemError)) return {};
  return Object.fromEntries(
    (error.problem.errors ?? []).map(({ field, detail }) => [field, capital(detail)]),
  );
}

/** What is said of the whole where no shown field says it. */
export function saidOfAll(error: Error | null, shown: string[]): string | undefined {
  if (!error) return undefined;
  const fields = Object.entries(fieldsOf(error));
  if (fields.length === 0) return capital(error.message);
  const others = fields.filter(([field]) => !shown.includes(field));
  return others.length > 0 ? others.map(([, detail]) => detail).join('. ') : undefined;
}
