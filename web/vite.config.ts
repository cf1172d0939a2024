import react from '@vitejs/plugin-react';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [
    react(),
    // The shell opens without signal; reps wait in IndexedDB.
    VitePWA({
      registerType: 'autoUpdate',
      manifest: {
        name: 'Cavesson',
        short_name: 'Cavesson',
        description: 'Rides, asks and answers, and when a horse may advance',
        display: 'standalone',
        start_url: '/',
        background_color: '#f4ecdd',
        theme_color: '#f4ecdd',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        clientsClaim: true,
        skipWaiting: true,
        globPatterns: ['**/*.{js,css,html,svg}', '**/*latin-wght-normal*.woff2'],
        globIgnores: ['**/*cyrillic*', '**/*vietnamese*'],
        navigateFallbackDenylist: [/^\/api\//],
      },
    }),
  ],
  server: { proxy: { '/api': 'http://127.0.0.1:7420' } },
  build: { target: 'es2022', sourcemap: false },
  test: { include: ['test/**/*.test.{ts,tsx}'] },
});
