// What every bundle for Node has in common.
import { build } from 'esbuild';

/** Zod brings its messages in forty languages; ours are English, and reading the others takes as long as a small answer. */
const englishAlone = {
  name: 'english-alone',
  setup({ onLoad }) {
    onLoad({ filter: /zod[\\/]v4[\\/]locales[\\/]index\.js$/ }, () => ({
      contents: `export { default as en } from './en.js';`,
      loader: 'js',
    }));
  },
};

export const bundle = (options) =>
  build({
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'warning',
    plugins: [englishAlone],
    ...options,
  });
