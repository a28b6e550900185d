// What every bundle for Node has in common.
import { build } from 'esbuild';

export const bundle = (options) =>
  build({
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'warning',
    ...options,
  });
