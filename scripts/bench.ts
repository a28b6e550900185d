import { imports } from './bench/files';
import { bandOnThreads, boardRuns, drawAsAsked, jointRuns, kernels, yardstick } from './bench/model';
import { outcomes } from './bench/outcomes';
import { parts } from './bench/parts';
import { plans } from './bench/plans';
import { served } from './bench/server';
import { print } from './bench/table';

/** Measures what issues ask for and prints one table. It needs a build: threads and server are those of `dist`. */

if (process.argv[2] === 'draw') {
  const { parentPort } = await import('node:worker_threads');
  drawAsAsked(parentPort!);
} else {
  yardstick();
  // Joint runs come after the long ones: a shared core takes seconds to come up to its pace.
  boardRuns();
  jointRuns();
  kernels();
  await bandOnThreads(1);
  await bandOnThreads(2);
  await plans();
  imports();
  parts();
  await outcomes();
  await served();
  print();
}
