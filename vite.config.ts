import { fileURLToPath } from 'node:url';
import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** The router as it is for production: its package names only the one with warnings for developers. */
const ROUTER = fileURLToPath(
  new URL('node_modules/react-router/dist/production/', import.meta.url),
);
const PRODUCTION_ROUTER = [
  { find: /^react-router$/, replacement: `${ROUTER}index.mjs` },
  { find: /^react-router\/dom$/, replacement: `${ROUTER}dom-export.mjs` },
];

/** What `shell/prefetch.ts` fetches ahead. The reader of codes is large and seldom used. */
const AHEAD =
  /src\/web\/(features\/(start|judge|bar\/(?!Scan))|entities\/brews\/(proposal|BrewWorking)|shell\/Device|ui\/DialogSheet)/;

export default defineConfig(({ mode }) => ({
  resolve: {
    alias: mode === 'production' ? PRODUCTION_ROUTER : [],
  },
  plugins: [
    react(),
    tailwind(),
    VitePWA({
      // Registered by platform/serviceWorker.ts, which asks before a newer version is taken up.
      injectRegister: null,
      registerType: 'prompt',
      manifest: {
        name: 'Limnos, the house tea book',
        short_name: 'Limnos',
        description: 'House recipes scaled to the vessel, steeps run, cups judged.',
        start_url: '/',
        display: 'standalone',
        background_color: '#eff2f4',
        theme_color: '#eff2f4',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,woff2,png}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        cleanupOutdatedCaches: true,
        clientsClaim: true,
      },
    }),
  ],
  build: {
    outDir: 'dist/web',
    emptyOutDir: true,
    target: 'es2022',
    // The Bar's route has a limit of its own, on what is sent: scripts/build.mjs holds it.
    chunkSizeWarningLimit: 700,
    rolldownOptions: {
      output: {
        // What the first page needs comes in one file: thirty small ones cost a slow tablet 0.2 s.
        codeSplitting: {
          groups: [
            { name: 'first', tags: ['$initial'], priority: 2 },
            // And what it fetches ahead in another: seventy small ones cost a slow tablet as much again.
            { name: 'ahead', test: AHEAD, priority: 1 },
          ],
        },
      },
    },
  },
  worker: { format: 'es' },
}));
