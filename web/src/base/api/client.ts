import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** The server's answer when something does not fit (problem+json, RFC 9457). */
export class ProblemError extends Error {
  readonly problem: Schemas['Problem'];
  readonly status: number;

  constructor(problem: Schemas['Problem'], status: number) {
    super(problem.detail);
    this.problem = problem;
    this.status = status;
  }
}

/** No answer at all: no signal, or the barn's server is off. */
export class NoSignalError extends Error {
  constructor() {
    super('No signal. What you see may be from earlier; what you record is kept on this device.');
  }
}

/** The server itself gives up after 20 s. */
const mostMs = 25_000;

// fetch is looked up at each call, so that a page can stand in for the network.
export const client = createClient<paths>({
  baseUrl: location.origin,
  // A request that nobody answers is no signal: what waits is tried again.
  fetch: (request) => fetch(request, { signal: AbortSignal.timeout(mostMs) }),
});

type Fetched<T> = { data?: T; error?: unknown; response: Response };

/** The data of an answer, or an error that says what to do. */
export async function answer<T>(call: Promise<Fetched<T>>): Promise<T> {
  let fetched: Fetched<T>;
  try {
    fetched = await call;
  } catch {
    throw new NoSignalError();
  }
  const { data, error, response } = fetched;
  if (response.ok) return data as T;
  if (isProblem(error)) throw new ProblemError(error, response.status);
  throw new NoSignalError();
}

function isProblem(error: unknown): error is Schemas['Problem'] {
  return typeof error === 'object' && error !== null && 'detail' in error && 'status' in error;
}
