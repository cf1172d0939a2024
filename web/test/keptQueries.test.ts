import 'fake-indexeddb/auto';
import { QueryClient } from '@tanstack/react-query';
import { afterEach, describe, expect, it, vi } from 'vitest';

vi.stubGlobal('__BUILD__', 'this build');
const { forgetQueries, keepQueries, restoreQueries } = await import('../src/data/keptQueries');

const wren = { barn_id: 'saltgrass', person_id: 'wren' };
const tobin = { barn_id: 'saltgrass', person_id: 'tobin' };
const today = { day: '2026-05-04', string: ['Oatcake'] };

let stop: () => void = () => undefined;
afterEach(() => stop());

async function restored(who: typeof wren) {
  const queries = new QueryClient();
  await restoreQueries(queries, who);
  return queries.getQueryData(['today']);
}

async function fetched(who: typeof wren) {
  const queries = new QueryClient();
  stop = keepQueries(queries, who);
  queries.setQueryData(['session'], { who });
  queries.setQueryData(['today'], today);
  await vi.waitFor(async () => expect(await restored(who)).toEqual(today), { timeout: 5_000 });
}

describe('what was fetched', () => {
  it('is there again after a start without signal, of its own person only', async () => {
    await fetched(wren);
    expect(await restored(tobin)).toBeUndefined();
    const queries = new QueryClient();
    await restoreQueries(queries, wren);
    expect(queries.getQueryData(['session'])).toBeUndefined();
  });

  it('is fetched anew by the page that shows it, however young it is', async () => {
    await fetched(wren);
    // A first, empty write may still be under way: looked at until it is there.
    await vi.waitFor(
      async () => {
        const queries = new QueryClient({ defaultOptions: { queries: { staleTime: 10_000 } } });
        queries.setQueryData(['session'], { who: wren });
        await restoreQueries(queries, wren);
        expect(queries.getQueryState(['today'])?.isInvalidated).toBe(true);
        expect(queries.getQueryState(['session'])?.isInvalidated).toBe(false);
      },
      { timeout: 5_000 },
    );
  });

  it('is dropped at a sign-out', async () => {
    await fetched(wren);
    stop();
    await forgetQueries(wren);
    expect(await restored(wren)).toBeUndefined();
  });

  it('is not brought back by a write that was under way at the sign-out', async () => {
    const queries = new QueryClient();
    stop = keepQueries(queries, wren);
    queries.setQueryData(['today'], today);
    stop();
    await forgetQueries(wren);
    // A later write of another person comes after it.
    await fetched(tobin);
    expect(await restored(wren)).toBeUndefined();
  });

  it('is not taken up by another build', async () => {
    await fetched(wren);
    stop();
    vi.stubGlobal('__BUILD__', 'a newer build');
    expect(await restored(wren)).toBeUndefined();
    vi.stubGlobal('__BUILD__', 'this build');
  });

  it('is not taken up when it is more than a week old', async () => {
    await fetched(wren);
    stop();
    vi.spyOn(Date, 'now').mockReturnValue(Date.now() + 8 * 86_400_000);
    expect(await restored(wren)).toBeUndefined();
    vi.restoreAllMocks();
  });
});
