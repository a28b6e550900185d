import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve, stopped, type Served } from './servers';

/** A bench computer of a test's own: it may be stopped, killed and started again on the same file and address. */
export class OwnServer {
  private readonly folder = mkdtempSync(join(tmpdir(), 'ithermon-own-'));
  readonly file = join(this.folder, 'own.db');
  private served: Served | null = null;
  private port = '0';
  /** What it wrote about faults. */
  said = '';

  get base(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    this.served = await serve('--port', this.port, '--db', this.file, '--empty');
    this.port = new URL(this.served.url).port;
    this.served.process.stderr!.on('data', (data: Buffer) => (this.said += data.toString()));
  }

  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    const { served } = this;
    this.served = null;
    if (served) await stopped(served, signal);
  }

  async end(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
