import node from '@astrojs/node';
import react from '@astrojs/react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'astro/config';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
  devToolbar: { enabled: false },
  server: { host: '127.0.0.1' },
  // Origins are checked in respond.ts, for JSON bodies too.
  security: { checkOrigin: false },
  vite: {
    // Workers are bundled apart, and know nothing of tsconfig's paths.
    resolve: { alias: { '~': fileURLToPath(new URL('./src', import.meta.url)) } },
    worker: { format: 'es' },
    ssr: { external: ['better-sqlite3', 'sharp', 'qrcode'] },
    // Fonts stay files: the content policy allows none inlined.
    build: { chunkSizeWarningLimit: 2000, assetsInlineLimit: 0 },
  },
});
