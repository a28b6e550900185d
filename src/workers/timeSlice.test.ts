import { Worker } from 'node:worker_threads';
import { build } from 'esbuild';
import { describe, expect, it } from 'vitest';

describe('a thread that computes in slices', () => {
  it('hears what it is told within some slices, not after a thousand of them (findings A7)', async () => {
    const { outputFiles } = await build({
      stdin: {
        contents: `
          import { parentPort } from 'node:worker_threads';
          import { TimeSlice } from './src/workers/timeSlice';
          const slice = new TimeSlice();
          let slices = 0;
          let told = null;
          parentPort.on('message', () => (told ??= slices));
          while (told === null && slices < 2000) {
            while (!slice.isOver());
            await slice.renewed();
            slices++;
            if (slices === 3) parentPort.postMessage('begun');
          }
          parentPort.postMessage(told);
          process.exit();`,
        resolveDir: process.cwd(),
        loader: 'ts',
      },
      bundle: true,
      write: false,
      format: 'esm',
      platform: 'node',
    });
    const source = `data:text/javascript,${encodeURIComponent(outputFiles[0]!.text)}`;
    const thread = new Worker(new URL(source));
    const heard = await new Promise<unknown>((resolve, reject) => {
      thread.on('error', reject);
      thread.on('message', (message: unknown) => {
        if (message === 'begun') thread.postMessage('stop');
        else resolve(message);
      });
    });
    await thread.terminate();
    expect(heard).toBeGreaterThanOrEqual(3);
    expect(heard).toBeLessThan(40);
  });
});
