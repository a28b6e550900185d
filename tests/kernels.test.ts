import { spawnSync } from 'node:child_process';
import { expect, it } from 'vitest';

it('the committed kernels are what kernels/ compiles to', () => {
  const script = `import { compiledKernels } from './scripts/kernels.mjs'; process.stdout.write(compiledKernels());`;
  const { stdout } = spawnSync(process.execPath, ['--input-type=module', '-e', script], { encoding: 'utf8' });
  return expect(stdout).toMatchFileSnapshot('../src/core/thermal/compiled/bytes.ts');
});
