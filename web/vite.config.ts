import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import react from '@vitejs/plugin-react';
import { VitePWA } from 'vite-plugin-pwa';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** Which build this is: what was kept by another is not taken for its own. */
const build = process.env.CAVESSON_BUILD ?? Date.now().toString(36);

/** Most letters of each text, as the API document states them: `NewCare/says` and so on. */
const { components } = JSON.parse(
  readFileSync(new URL('openapi.json', import.meta.url), 'utf8'),
) as {
  components: {
    schemas: Record<string, { properties?: Record<string, { maxLength?: number }> }>;
  };
};
const letters = Object.fromEntries(
  Object.entries(components.schemas).flatMap(([schema, { properties = {} }]) =>
    Object.entries(properties).flatMap(([name, { maxLength }]) =>
      maxLength === undefined ? [] : [[`${schema}/${name}`, maxLength]],
    ),
  ),
);

/** The most JavaScript that a page waits for on a first visit, gzip, by what it is made of. */
const firstLoads = {
  'src/barn/today/TodayPage.tsx': 205_000,
  'src/ride/recorder/RecorderPage.tsx': 233_000,
};

/** Refuses a build in which Today or the recorder wait for too much. */
function firstLoad(): Plugin {
  return {
    name: 'first-load',
    generateBundle(_, bundle) {
      const chunks = Object.values(bundle).filter((part) => part.type === 'chunk');
      const named = new Map(chunks.map((chunk) => [chunk.fileName, chunk]));
      for (const [page, most] of Object.entries(firstLoads)) {
        const begins = chunks.filter(
          (chunk) => chunk.isEntry || Object.keys(chunk.modules).some((id) => id.endsWith(page)),
        );
        if (begins.length < 2) this.error(`no part of the build holds ${page}`);
        const wanted = new Set(begins.map(({ fileName }) => fileName));
        for (const name of wanted)
          for (const next of named.get(name)?.imports ?? []) wanted.add(next);
        const sizes = [...wanted].map((name) => gzipSync(named.get(name)?.code ?? '').length);
        const bytes = sizes.reduce((sum, size) => sum + size, 0);
        this.info(
          `first load of ${page}: ${Math.round(bytes / 1000)} kB of ${most / 1000} kB gzip`,
        );
        if (bytes > most)
          this.error(`the first load of ${page} is ${bytes} bytes gzip; ${most} are allowed`);
      }
    },
  };
}

/** Parts of MUI and Emotion that our theme never uses; see src/base/theme/leftOut.ts. */
const leftOut =
  /^(\.\/(createThemeWithVars|ThemeProviderWithVars|TouchRipple)\.mjs|hoist-non-react-statics)$/;

export default defineConfig({
  resolve: {
    alias: [
      {
        find: leftOut,
        replacement: fileURLToPath(new URL('src/base/theme/leftOut.ts', import.meta.url)),
      },
    ],
  },
  define: { __BUILD__: JSON.stringify(build), __MOST_LETTERS__: JSON.stringify(letters) },
  plugins: [
    react(),
    firstLoad(),
    // The shell opens without signal; reps wait in IndexedDB.
    VitePWA({
      // A newer application waits until no ride is open; see src/shell/update.
      registerType: 'prompt',
      injectRegister: null,
      manifest: {
        name: 'Cavesson',
        short_name: 'Cavesson',
        description: 'Rides, asks and answers, and when a horse may advance',
        display: 'standalone',
        start_url: '/',
        background_color: '#f4ecdd',
        theme_color: '#f4ecdd',
        icons: [
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
          { src: '/icon-mask-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        // The core is over two megabytes (six hundred kilobytes on the way).
        maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
        clientsClaim: true,
        cleanupOutdatedCaches: true,
        globPatterns: ['**/*.{js,css,html,svg,wasm}', '**/*latin-wght-normal*.woff2'],
        // A report as a PDF is made with signal; its writer is as large as all else.
        globIgnores: ['**/*cyrillic*', '**/*vietnamese*', '**/pdf*'],
        navigateFallbackDenylist: [/^\/api\//],
      },
    }),
  ],
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:7420' } },
  build: {
    target: 'es2022',
    sourcemap: false,
    rolldownOptions: {
      output: {
        // What every page needs, in one part: each part goes through the service worker.
        codeSplitting: {
          groups: [
            {
              name: 'shell',
              test: /node_modules\/(?!react-dom\/(server|cjs\/react-dom-server))(react|react-dom|scheduler|react-router|dexie|dexie-react-hooks|@emotion|@mui\/system|@mui\/styled-engine|@tanstack|openapi-fetch|stylis|clsx|uuid|react-is)\//,
            },
          ],
        },
      },
    },
  },
  test: { include: ['test/**/*.test.{ts,tsx}'] },
});
