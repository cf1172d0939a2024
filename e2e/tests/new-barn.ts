import { expect, test, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';

const { CAVESSON_BIN = '', CAVESSON_DATABASE_URL = '' } = process.env;

export interface Barn {
  people: Record<string, string>;
  horses: Record<string, string>;
  places: Record<string, string>;
  day: string;
}

/** A barn of its own for each check, with a trainer, a rider, two places and three horses. */
export async function barn(page: Page, name: string): Promise<Barn> {
  // A second try finds the first one's name taken.
  const { retry } = test.info();
  const handle = retry > 0 ? `${name}-${retry}` : name;
  const printed = execFileSync(
    CAVESSON_BIN,
    ['barn', 'new', handle, '--trainer', 'Dell', '--database-url', CAVESSON_DATABASE_URL],
    { encoding: 'utf8' },
  );
  const word = printed.match(/#([0-9a-f]+)/)![1];
  const { request } = page;
  const post = async <T>(path: string, data: unknown) => {
    const answer = await request.post(path, { data });
    expect(answer.ok(), await answer.text()).toBe(true);
    return (await answer.json()) as T;
  };
  await post('/api/links/take', {
    word,
    password: 'a steady hand',
    sign_in: 'dell',
    barn: { name: handle, handle, time_zone: 'America/Denver', units: 'us', trainer: 'Dell' },
  });
  const { person_id } = await post<{ person_id: string }>('/api/people', {
    name: 'Juna',
    sign_in: 'juna',
    role: 'rider',
  });
  const session = (await (await request.get('/api/session')).json()) as { person_id: string };
  const horses: Record<string, string> = {};
  for (const name of ['Tom', 'Jerry', 'Sable']) {
    const sheet = { name, sex: 'gelding', foaled: 2018, color: 'bay' };
    horses[name] = (await post<{ horse_id: string }>('/api/horses', sheet)).horse_id;
  }
  const places: Record<string, string> = {};
  for (const [name, kind, horses_at_once] of [
    ['Pen', 'round_pen', 1],
    ['Arena', 'arena', 3],
  ] as const)
    places[name] = (await post<{ id: string }>('/api/places', { name, kind, horses_at_once })).id;
  const { day } = (await (await request.get('/api/today')).json()) as { day: string };
  return { people: { Dell: session.person_id, Juna: person_id }, horses, places, day };
}
