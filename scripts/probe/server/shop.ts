import type { PlanAnswer } from '../../../src/schema/exchange/plan/planAnswer';
import { choicesIn } from '../../../src/schema/exchange/plan/optionChoice';
import { SIMULATE_EXAMPLE } from '../../../tests/support/requests';
import { serve, stopped, type Served } from '../../../tests/e2e/servers';

/** A server that is probed from outside, as any client would. */

export interface Answer {
  readonly status: number;
  readonly text: string;
  readonly took_ms: number;
}

export class Shop {
  private constructor(
    private served: Served,
    readonly file: string,
    private readonly args: readonly string[],
  ) {}

  /** Starts the built server on a database of its own. */
  static async open(file: string, ...args: string[]): Promise<Shop> {
    return new Shop(await serve('--port', '0', '--db', file, '--backups', '0', ...args), file, args);
  }

  get url(): string {
    return this.served.url;
  }

  get alive(): boolean {
    return this.served.process.exitCode === null;
  }

  get pid(): number {
    return this.served.process.pid!;
  }

  async close(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    await stopped(this.served, signal);
  }

  /** Killed in the middle of whatever it does, and started again on the same file. */
  async killedAndBack(): Promise<void> {
    await this.close('SIGKILL');
    this.served = await serve('--port', '0', '--db', this.file, '--backups', '0', ...this.args);
  }

  /** One request; a connection that is cut counts as status 0. */
  async ask(
    method: string,
    path: string,
    body?: unknown,
    headers: Readonly<Record<string, string>> = {},
  ): Promise<Answer> {
    const start = performance.now();
    try {
      const response = await fetch(new URL(path, this.url), {
        method,
        headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
        ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
        redirect: 'manual',
        signal: AbortSignal.timeout(60_000),
      });
      return { status: response.status, text: await response.text(), took_ms: performance.now() - start };
    } catch (error) {
      return { status: 0, text: String(error), took_ms: performance.now() - start };
    }
  }

  /** Writes, and gives what was made; throws where it was refused. */
  async made<Made>(method: string, path: string, body: unknown): Promise<Made> {
    const { status, text } = await this.ask(method, path, body);
    if (status < 200 || status > 299) throw new Error(`${method} ${path}: ${status} ${text}`);
    return JSON.parse(text) as Made;
  }
}

interface Made {
  readonly id: string;
}

interface MadeSite extends Made {
  readonly pads: readonly { readonly id: string; readonly name: string }[];
}

export const BOARD = { name: 'Probed', owner: 'MK', fault: 'dead', construction: SIMULATE_EXAMPLE.board };

export const SITE = {
  ref: 'C7',
  value: '6n8',
  side: 'top',
  x_mm: 80,
  y_mm: 50,
  alloy: 'sn60pb40',
  package: SIMULATE_EXAMPLE.site.package,
  pads: ['1', '2'].map((name) => ({
    name,
    net: name === '1' ? 'OUT' : 'GND',
    connections: [{ kind: 'track', width_mm: 0.4 }],
  })),
};

/** A board with one capacitor. */
export async function withSite(shop: Shop): Promise<{ boardId: string; site: MadeSite }> {
  const { id } = await shop.made<Made>('POST', 'api/boards', BOARD);
  return { boardId: id, site: await shop.made<MadeSite>('POST', `api/boards/${id}/sites`, SITE) };
}

/** A job on a capacitor of its own, at its first step. */
export async function withJob(shop: Shop): Promise<{ jobId: string; site: MadeSite }> {
  const { site } = await withSite(shop);
  const page = (await shop.ask('GET', `sites/${site.id}/plan`)).text;
  const inputsKey = /"inputsKey":"([^"]+)"/.exec(page)![1]!;
  const wish = { siteId: site.id, inputsKey, goal: 'remove-sacrifice-part' };
  const told = await shop.ask('POST', 'api/plans', { kind: 'plan', by: 'MK', ...wish });
  const { answer } = JSON.parse(told.text.trimEnd().split('\n').at(-1)!) as { answer: PlanAnswer };
  if (answer.outcome !== 'found') throw new Error('no plan for a capacitor');
  const choices = choicesIn(answer);
  const { jobId } = await shop.made<{ jobId: string }>('POST', 'api/jobs', { by: 'MK', ...wish, choices });
  return { jobId, site };
}

/** Seeded draws: the same story for the same seed (mulberry32). */
export function drawing(seed: number): { next: () => number; of: <Item>(list: readonly Item[]) => Item } {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return { next, of: (list) => list[Math.floor(next() * list.length)]! };
}
