import type { Call, Reply } from './answering';
import {
  CoreBroke,
  CoreRefusal,
  coreUrl,
  type CalculatorName,
  type Input,
  type Output,
} from './core';
import type { Start } from './worker';

/**
 * Something long, in a worker of its own: what moves on the page meanwhile does not wait for it,
 * and it can be stopped.
 *
 * @throws CoreRefusal when a field does not fit; CoreBroke when there is no core here or it broke;
 * an AbortError when it was stopped.
 */
export function calculateApart<N extends CalculatorName>(
  name: N,
  input: Input<N>,
  signal: AbortSignal,
): Promise<Output<N>> {
  const url = coreUrl();
  if (!url) return Promise.reject(new CoreBroke('this build has no core'));
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
    const end = (settle: () => void) => {
      worker.terminate();
      settle();
    };
    signal.addEventListener('abort', () =>
      end(() => reject(new DOMException('stopped', 'AbortError'))),
    );
    worker.onerror = ({ message }) => end(() => reject(new CoreBroke(message)));
    worker.onmessage = ({ data }: MessageEvent<Reply>) =>
      end(() => {
        if ('broke' in data) reject(new CoreBroke(data.broke));
        else if ('error' in data.outcome) reject(new CoreRefusal(data.outcome.error));
        else resolve(data.outcome.output as Output<N>);
      });
    worker.postMessage({ url } satisfies Start);
    worker.postMessage({ id: 1, name, input } satisfies Call);
  });
}
