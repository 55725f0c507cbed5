import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { licences } from './licences';
import { precompressed } from './precompressed';

/** The folder of the host that the copy is for, with a slash at both ends; its root when nothing is said. */
const base = process.env['INNER_HUM_BASE'] ?? '/';

export default defineConfig({
  root: import.meta.dirname,
  base,
  plugins: [
    react(),
    licences(),
    VitePWA({
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Inner Hum',
        short_name: 'Inner Hum',
        description: 'Tone practice for saxophonists: hear it, hum it, hold it.',
        display: 'standalone',
        background_color: '#f3f0e8',
        theme_color: '#f3f0e8',
        icons: [
          { src: 'icons/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          { src: 'icons/192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
          { src: 'icons/512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
          { src: 'icons/maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2,otf}', 'licences.json'],
        globIgnores: ['demo/**', '404.html'],
        navigateFallback: `${base}index.html`,
        navigateFallbackDenylist: [/\/healthz$/, /\/demo\//],
      },
    }),
    precompressed(),
  ],
  build: {
    assetsInlineLimit: 0,
    target: 'es2023',
    chunkSizeWarningLimit: 600,
    rolldownOptions: {
      output: {
        strictExecutionOrder: true,
        // What several places share comes in few files: small ones are put to those that most of the same places need.
        codeSplitting: {
          groups: [
            { name: 'first', tags: ['$initial'], priority: 2 },
            { name: 'shared', minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: 8_000 },
          ],
        },
      },
    },
  },
  worker: { format: 'es' },
});
