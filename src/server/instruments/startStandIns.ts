import { spawn } from 'node:child_process';
import { setPriority } from 'node:os';

/** Lower than the server: what is simulated must not hold up what is real. */
const BACKGROUND = 10;

/** Starts the simulated instruments as a process of their own; gives back how to end it. They go with us in any case. */
export function startStandIns(file: string, port: number): () => void {
  const child = spawn(process.execPath, [file, '--port', String(port)], {
    stdio: ['pipe', 'ignore', 'inherit'],
  });
  child.on('error', (error) =>
    console.error(`ithermon: the simulated instruments did not start: ${error.message}`),
  );
  try {
    if (child.pid !== undefined) setPriority(child.pid, BACKGROUND);
  } catch {
    // Only pace depends on it.
  }
  return () => void child.kill();
}
