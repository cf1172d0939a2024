import { defineConfig } from '@playwright/test';

const { CAVESSON_BIN, CAVESSON_DATABASE_URL, CAVESSON_PORT = '7421' } = process.env;
if (!CAVESSON_BIN || !CAVESSON_DATABASE_URL) throw new Error('run these through bin/test e2e');
const address = `http://127.0.0.1:${CAVESSON_PORT}`;

/** The real server over the demo's data, in Debian's Chromium. */
export default defineConfig({
  testDir: 'tests',
  workers: 2,
  // What the demo holds is checked before any other check rides its horses. Holds are
  // timed: that file runs when the others are done.
  projects: [
    { name: 'as it comes', testMatch: ['board.spec.ts', 'stood.spec.ts'] },
    {
      name: 'everything else',
      testIgnore: ['board.spec.ts', 'stood.spec.ts', 'whole-path.spec.ts', 'update.spec.ts'],
      dependencies: ['as it comes'],
    },
    {
      name: 'whole path',
      testMatch: 'whole-path.spec.ts',
      fullyParallel: false,
      dependencies: ['everything else'],
    },
    {
      name: 'update',
      testMatch: 'update.spec.ts',
      dependencies: ['whole path'],
    },
  ],
  // Two cores, and both are busy: what takes two minutes here took four elsewhere.
  timeout: 480_000,
  expect: { timeout: 30_000 },
  forbidOnly: true,
  // Once more on a machine that stalls; the report names what needed it.
  retries: 1,
  reporter: [['list']],
  webServer: {
    command: `"${CAVESSON_BIN}" demo && exec "${CAVESSON_BIN}" serve --listen 127.0.0.1:${CAVESSON_PORT} --web ../web/dist --sign-in-tries 1000`,
    url: `${address}/api/health`,
    timeout: 120_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5_000 },
  },
  use: {
    baseURL: address,
    // What is waited for in vain is said soon, not at the end of the check.
    actionTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-domain-reliability',
        '--disable-sync',
        '--disable-default-apps',
        '--no-first-run',
        '--no-default-browser-check',
        '--no-pings',
        '--metrics-recording-only',
        '--disable-breakpad',
        '--disable-dev-shm-usage',
        '--disable-gpu',
      ],
    },
  },
});
