import type { paths } from './calculators';
import type { FieldError } from './instance';
import type { Call, Reply } from './answering';
import type { Start } from './worker';

/**
 * The core in the page: every calculator of the product without signal and without a
 * round trip. Where the build has no core the server's word has to do.
 */

type Name = keyof paths extends `/${infer N}` ? N : never;

export type CalculatorName = Name;
export type Input<N extends Name> =
  paths[`/${N}`]['post']['requestBody']['content']['application/json'];
export type Output<N extends Name> =
  paths[`/${N}`]['post']['responses'][200]['content']['application/json'];

const built = import.meta.glob<string>('./core.wasm', {
  query: '?url',
  import: 'default',
  eager: true,
});
const url = built['./core.wasm'];

/** Whether this build has the core. */
export const hasCore = url !== undefined;

/** Where the core is fetched from; undefined where this build has none. */
export const coreUrl = () => url && new URL(url, location.href).href;

/** What was asked does not fit: the field, and what is allowed. */
export class CoreRefusal extends Error {
  constructor(readonly error: FieldError) {
    super(error.field ? `${error.field}: ${error.detail}` : error.detail);
  }
}

/** The core is missing here, or broke on this call; the server can still be asked. */
export class CoreBroke extends Error {}

interface Waiting {
  resolve: (output: unknown) => void;
  reject: (error: Error) => void;
}

let worker: Worker | undefined;
let calls = 0;
const waiting = new Map<number, Waiting>();

/** Starts the core, so that the first call need not wait for it. */
export function startCore(): Worker | undefined {
  const from = coreUrl();
  if (worker || !from) return worker;
  worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<Reply>) => settle(data);
  worker.onerror = ({ message }) => {
    worker?.terminate();
    worker = undefined;
    for (const { reject } of waiting.values()) reject(new CoreBroke(message));
    waiting.clear();
  };
  worker.postMessage({ url: from } satisfies Start);
  return worker;
}

function settle(reply: Reply) {
  const call = waiting.get(reply.id);
  waiting.delete(reply.id);
  if (!call) return;
  if ('broke' in reply) call.reject(new CoreBroke(reply.broke));
  else if ('error' in reply.outcome) call.reject(new CoreRefusal(reply.outcome.error));
  else call.resolve(reply.outcome.output);
}

/**
 * Runs a calculator in the page.
 *
 * @throws CoreRefusal when a field does not fit; CoreBroke when there is no core here,
 * or it broke.
 */
export function calculate<N extends Name>(name: N, input: Input<N>): Promise<Output<N>> {
  const running = startCore();
  if (!running) return Promise.reject(new CoreBroke('this build has no core'));
  calls += 1;
  const call: Call = { id: calls, name, input };
  return new Promise<unknown>((resolve, reject) => {
    waiting.set(call.id, { resolve, reject });
    running.postMessage(call);
  }) as Promise<Output<N>>;
}
