import node from '@astrojs/node';
import react from '@astrojs/react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'astro/config';

const PAGE_POLICY = [
  "default-src 'self'",
  "img-src 'self' data: blob:",
  "worker-src 'self'",
  "object-src 'none'",
  "base-uri 'none'",
  "form-action 'self'",
  "frame-ancestors 'none'",
];

const EMPTY_SHEET = 'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU=';

/** The server's own entry is built with the pages: both have the same database, errors and planner. */
const serverEntry = () => ({
  name: 'ithermon-server-entry',
  hooks: {
    'astro:build:setup': ({ vite, target }) => {
      if (target !== 'server') return;
      const { input = [] } = vite.build.rollupOptions;
      vite.build.rollupOptions.input = {
        ...Object.fromEntries([input].flat().map((id, i) => [`astro${i}`, id])),
        serve: fileURLToPath(new URL('./src/server/serve.ts', import.meta.url)),
      };
    },
  },
});

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react(), serverEntry()],
  devToolbar: { enabled: false },
  server: { host: '127.0.0.1' },
  // Origins are checked in respond.ts, for JSON bodies too.
  security: { checkOrigin: false },
  experimental: {
    // Each page's policy names its own scripts by hash; nothing written into a page by anyone else is run or styled.
    csp: {
      directives: PAGE_POLICY,
      scriptDirective: { resources: ["'self'"] },
      // The chart library adds one empty sheet and fills it by rules.
      styleDirective: { resources: ["'self'"], hashes: [EMPTY_SHEET] },
    },
  },
  // Styles are files: the content policy allows none inlined.
  build: { inlineStylesheets: 'never' },
  vite: {
    // Workers are bundled apart, and know nothing of tsconfig's paths.
    resolve: { alias: { '~': fileURLToPath(new URL('./src', import.meta.url)) } },
    worker: { format: 'es' },
    // The server is bundled whole, but for what is native: it starts from a few files, and each class is there once.
    ssr: { noExternal: true, external: ['better-sqlite3', 'sharp', '@node-rs/argon2'] },
    // Fonts stay files: the content policy allows none inlined.
    build: { chunkSizeWarningLimit: 2000, assetsInlineLimit: 0 },
  },
});
