import { execFile } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, extname, join } from 'node:path';
import type { BackupsKept } from '~/schema/sheets/backupsKept';

const HOUR_ms = 3_600_000;
/** A bench is not on at a fixed hour: a copy is due a day after the last. */
const DUE_ms = 24 * HOUR_ms;
const LOOK_ms = HOUR_ms / 2;
const NAME = /^\d{4}-\d{2}-\d{2}(-\d+)?\.db$/;

/** Makes one copy: in another process, so that no page waits for it. */
export type Copy = (source: string, target: string) => Promise<void>;

/** Daily copies of a database in a folder beside it; the newest `keep` of them stay. None are made where `keep` is 0. */
export class Nightly {
  private failure: string | null = null;
  private busy = false;
  readonly folder: string;

  constructor(
    private readonly file: string,
    private readonly keep: number,
    private readonly copy: Copy,
    private readonly now_ms: () => number = Date.now,
  ) {
    this.folder = join(dirname(file), `${basename(file, extname(file))}-backups`);
  }

  /** Looks now, and again every half hour; ends with what is returned. */
  start(): () => void {
    if (this.keep === 0) return () => undefined;
    void this.look();
    const timer = setInterval(() => void this.look(), LOOK_ms);
    timer.unref();
    return () => clearInterval(timer);
  }

  /** Makes a copy where one is due, and takes the oldest away once there are more than are kept. */
  async look(): Promise<void> {
    const [newest] = this.copies();
    if (this.busy || this.keep === 0 || (newest && this.now_ms() - newest.at_ms < DUE_ms)) return;
    this.busy = true;
    try {
      mkdirSync(this.folder, { recursive: true, mode: 0o700 });
      await this.copy(this.file, this.freeName());
      this.failure = null;
      for (const { name } of this.copies().slice(this.keep)) rmSync(join(this.folder, name));
    } catch (error) {
      this.failure = error instanceof Error ? error.message : String(error);
      console.error(`ithermon: the daily backup failed: ${this.failure}`);
    } finally {
      this.busy = false;
    }
  }

  /** What the Rig tells of them. */
  told(): BackupsKept {
    const copies = this.copies();
    return {
      on: this.keep > 0,
      kept: copies.length,
      newest_ms: copies[0]?.at_ms ?? null,
      folder: basename(this.folder),
      failed: this.failure !== null,
    };
  }

  /** The newest first. */
  private copies(): { readonly name: string; readonly at_ms: number }[] {
    if (!existsSync(this.folder)) return [];
    return readdirSync(this.folder)
      .filter((name) => NAME.test(name))
      .map((name) => ({ name, at_ms: statSync(join(this.folder, name)).mtimeMs }))
      .sort((a, b) => b.at_ms - a.at_ms);
  }

  private freeName(): string {
    const day = new Date(this.now_ms()).toISOString().slice(0, 10);
    for (let i = 1; ; i++) {
      const name = join(this.folder, i === 1 ? `${day}.db` : `${day}-${i}.db`);
      if (!existsSync(name)) return name;
    }
  }
}

/** Copies with our own command line, which stands beside the server. */
export const copyByCommand =
  (cli: string): Copy =>
  (source, target) =>
    new Promise((done, failed) => {
      const env = { ...process.env, ITHERMON_DB: source };
      execFile(process.execPath, [cli, 'backup', target], { env }, (error, _out, told) => {
        if (error) failed(new Error(told.trim().split('\n')[0] || error.message));
        else done();
      });
    });
