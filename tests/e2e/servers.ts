import { spawn, type ChildProcess } from 'node:child_process';

/** Servers of a test's own, as processes. */

export interface Served {
  readonly process: ChildProcess;
  /** Where it is, with a slash at the end. */
  readonly url: string;
}

/** Starts the built server; rejects with what it said where it ends instead. */
export async function serve(...args: string[]): Promise<Served> {
  const child = spawn(process.execPath, ['dist/serve.mjs', ...args], { stdio: ['ignore', 'pipe', 'pipe'] });
  const url = await new Promise<string>((resolve, reject) => {
    let text = '';
    const hear = (data: Buffer): void => {
      text += data.toString();
      const found = /is at (https?:\/\/\S+)/.exec(text);
      if (found) resolve(found[1]!);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code) => reject(new Error(`server ended with ${code}: ${text}`)));
  });
  return { process: child, url };
}

export const ended = (child: ChildProcess): Promise<number | null> =>
  new Promise((resolve) => child.on('exit', resolve));

/** Stops a server and waits until it is gone. */
export async function stopped(
  { process: child }: Served,
  signal: NodeJS.Signals = 'SIGTERM',
): Promise<number | null> {
  const gone = ended(child);
  child.kill(signal);
  return gone;
}
