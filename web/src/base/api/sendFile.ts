import { NoSignalError, ProblemError, type Schemas } from './client';

/** A file as large as a whole barn takes its time. */
const mostMs = 10 * 60_000;

/** Sends a file as it is; the answer, or an error that says what to do. */
export async function sendFile<T>(path: string, file: Blob, type: string): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
      method: 'POST',
      headers: { 'Content-Type': type },
      body: file,
      signal: AbortSignal.timeout(mostMs),
    });
  } catch {
    throw new NoSignalError();
  }
  const said: unknown = await response.json().catch(() => undefined);
  if (response.ok) return said as T;
  if (typeof said === 'object' && said !== null && 'detail' in said)
    throw new ProblemError(said as Schemas['Problem'], response.status);
  throw new NoSignalError();
}
