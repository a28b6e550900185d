import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** Tests of what is pure: nothing of theirs is left in a module, so that files share what they import. */
const PURE = ['src/{core,formats,schema}/**/*.test.ts', 'tests/{reference,plans}/**/*.test.ts'];

export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./src', import.meta.url)) } },
  esbuild: { jsx: 'automatic' },
  test: {
    // Every core: the runner itself would leave one of two idle.
    maxWorkers: '100%',
    testTimeout: 60_000,
    projects: [
      { extends: true, test: { name: 'pure', include: PURE, isolate: false } },
      {
        extends: true,
        test: {
          name: 'whole',
          include: ['src/**/*.test.{ts,tsx}', 'tests/**/*.test.{ts,tsx}'],
          exclude: ['tests/e2e/**', 'node_modules/**', ...PURE],
        },
      },
    ],
  },
});
