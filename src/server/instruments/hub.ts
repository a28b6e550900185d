import { createServer, type Server, type Socket } from 'node:net';
import {
  fromDevice,
  WIRE_VERSION,
  type FromDevice,
  type Hello,
  type InstrumentDo,
  type LayScene,
  type ToDevice,
} from '~/schema/exchange/instruments/wire';
import type { InstrumentChannelRow } from '~/schema/records/rig/instrumentChannel';
import type { InstrumentLine, InstrumentState, Sample } from '~/schema/sheets/instruments';
import { Conflict, NotFound } from '~/server/store/errors';
import { LineReader, Rate } from './lines';

/** Ten minutes of each device at ten a second: what a screen that comes later still sees, and what a heat's log is cut from. */
const KEPT = 6000;
/** A device that says nothing for so long is told of as silent. */
const SILENT_ms = 2500;
/** More lines than this in a second are a flood: ten readings a second are asked for. */
const MOST_LINES = 100;
/** So many lines that are none of the protocol, and a device is not listened to any more. */
const MOST_NONSENSE = 20;
const MOST_DEVICES = 32;
/** A device answers what is asked of it within this. */
const ANSWER_ms = 2000;
const SWEEP_ms = 500;

interface Device {
  readonly hello: Hello;
  readonly socket: Socket;
  state: InstrumentState;
  lastSeen_ms: number;
  latest: Record<string, number | null>;
  turned: Record<string, number | string | boolean>;
  readonly kept: Sample[];
}

type Waiting = { readonly done: () => void; readonly failed: (error: Error) => void };

/** Who wants to hear of readings and of how devices stand. */
export interface Hearer {
  readonly samples: (samples: readonly Sample[]) => void;
  readonly changed: () => void;
}

/**
 * Listens for devices on a port of this machine, takes what they say as far as the protocol allows, and keeps the last
 * ten minutes. Nothing that a device does holds anything else up.
 */
export class InstrumentHub {
  private server: Server | null = null;
  private readonly devices = new Map<string, Device>();
  private readonly hearers = new Set<Hearer>();
  private readonly waiting = new Map<number, Waiting>();
  private laidFor: string | null = null;
  /** What people said of channels, by device and channel. */
  private readonly said = new Map<string, InstrumentChannelRow>();
  private lastSample = 0;
  private lastAsked = 0;
  private readonly sweeping: ReturnType<typeof setInterval>;

  constructor(private readonly now_ms: () => number = Date.now) {
    this.sweeping = setInterval(() => this.sweep(), SWEEP_ms);
    this.sweeping.unref();
  }

  /** Begins to listen on this machine alone; gives back the port, 0 asks for any. */
  listen(port: number): Promise<number> {
    const server = createServer((socket) => this.greet(socket));
    this.server = server;
    return new Promise((listening, failed) => {
      server.once('error', failed);
      server.listen(port, '127.0.0.1', () => {
        const address = server.address();
        listening(typeof address === 'object' && address ? address.port : port);
      });
    });
  }

  end(): void {
    clearInterval(this.sweeping);
    for (const { socket } of this.devices.values()) socket.destroy();
    this.server?.close();
  }

  list(): InstrumentLine[] {
    return [...this.devices.values()].map(({ hello, state, lastSeen_ms, latest, turned }) => ({
      id: hello.id,
      kind: hello.kind,
      name: hello.name,
      simulated: hello.simulated,
      laidFor: hello.simulated ? this.laidFor : null,
      channels: hello.channels.map((channel) => {
        const said = this.said.get(`${hello.id} ${channel.id}`);
        return {
          ...channel,
          name: said?.name ?? channel.name,
          place: said?.place ?? 'elsewhere',
          offset_K: said?.offset_K ?? 0,
          checkedAt_ms: said?.checkedAt_ms ?? null,
          revision: said?.revision ?? 0,
        };
      }),
      knobs: hello.knobs,
      faults: hello.faults,
      turned,
      state,
      lastSeen_ms,
      latest,
    }));
  }

  /** Readings after one that was heard already; all that are kept where it is too long ago. */
  since(n: number): readonly Sample[] {
    return [...this.devices.values()]
      .flatMap(({ kept }) => kept.filter((sample) => sample.n > n))
      .sort((a, b) => a.n - b.n);
  }

  /** Takes what was said of channels: names, where they sit, by how much they read off. */
  know(rows: readonly InstrumentChannelRow[]): void {
    for (const row of rows) this.said.set(`${row.instrument} ${row.channel}`, row);
    this.tellChange();
  }

  hear(hearer: Hearer): () => void {
    this.hearers.add(hearer);
    return () => void this.hearers.delete(hearer);
  }

  /** Asks something of a device; rejects with what it says where it will not, or does not answer. */
  ask(id: string, asked: InstrumentDo): Promise<void> {
    const device = this.devices.get(id);
    if (!device) throw new NotFound('instrument', id);
    const missing =
      asked.what === 'knob'
        ? !device.hello.knobs.some((k) => k.id === asked.id)
        : !device.hello.faults.some((f) => f.id === asked.id);
    if (missing) throw new Conflict(`${device.hello.name} has no "${asked.id}"`);
    return this.send(device, asked);
  }

  /** Lays a job's scene under every stand-in. */
  async lay(jobId: string, scene: unknown): Promise<void> {
    const simulated = [...this.devices.values()].filter((d) => d.hello.simulated && d.state !== 'gone');
    await Promise.all(simulated.map((device) => this.send(device, { what: 'lay', scene })));
    this.laidFor = jobId;
    this.tellChange();
  }

  private send(device: Device, asked: InstrumentDo | LayScene): Promise<void> {
    if (device.state === 'gone') throw new Conflict(`${device.hello.name} is not connected`);
    const n = ++this.lastAsked;
    return new Promise((done, rejected) => {
      const failed = (error: Error): void => {
        clearTimeout(timer);
        this.waiting.delete(n);
        rejected(error);
      };
      const timer = setTimeout(
        () => failed(new Conflict(`${device.hello.name} does not answer; look whether it is on`)),
        ANSWER_ms,
      );
      this.waiting.set(n, {
        failed,
        done: () => {
          clearTimeout(timer);
          this.waiting.delete(n);
          done();
        },
      });
      write(device.socket, { do: n, ...asked });
    });
  }

  private greet(socket: Socket): void {
    const reader = new LineReader();
    const rate = new Rate(MOST_LINES);
    let device: Device | null = null;
    let nonsense = 0;
    const part = (state: InstrumentState, words: string): void => {
      if (device) device.state = state;
      write(socket, { sorry: words });
      socket.end();
      this.tellChange();
    };
    socket.setEncoding('utf8');
    socket.setNoDelay(true);
    socket.on('error', () => socket.destroy());
    socket.on('data', (chunk: string) => {
      if (socket.writableEnded) return;
      const before = reader.dropped;
      for (const line of reader.take(chunk)) {
        if (rate.tooMany(this.now_ms())) return part('flood', `more than ${MOST_LINES} lines in a second`);
        const told = parsed(line);
        if (!told) {
          nonsense++;
          continue;
        }
        if ('hello' in told) {
          if (device) continue;
          const why = this.unwelcome(told);
          if (why) return part('gone', why);
          device = this.welcome(told, socket);
        } else if (!device) return part('gone', 'say hello first');
        else this.take(device, told);
      }
      nonsense += reader.dropped - before;
      if (nonsense >= MOST_NONSENSE) part('nonsense', `${nonsense} lines that are none of the protocol`);
    });
    socket.on('close', () => {
      if (!device || this.devices.get(device.hello.id) !== device) return;
      if (device.state === 'live' || device.state === 'silent') device.state = 'gone';
      this.tellChange();
    });
  }

  private unwelcome({ id, version }: Hello): string | null {
    if (version !== WIRE_VERSION) return `this is version ${WIRE_VERSION} of the protocol, not ${version}`;
    const known = this.devices.get(id);
    if (known && (known.state === 'live' || known.state === 'silent') && !known.socket.destroyed)
      return `another device is here as ${id}`;
    return !known && this.devices.size >= MOST_DEVICES
      ? `there are ${MOST_DEVICES} devices here already`
      : null;
  }

  private welcome(hello: Hello, socket: Socket): Device {
    const device: Device = {
      hello,
      socket,
      state: 'live',
      lastSeen_ms: this.now_ms(),
      latest: {},
      turned: {},
      // One that hung up and came again goes on where it was.
      kept: this.devices.get(hello.id)?.kept ?? [],
    };
    this.devices.set(hello.id, device);
    write(socket, { welcome: WIRE_VERSION });
    this.tellChange();
    return device;
  }

  private take(device: Device, told: Exclude<FromDevice, Hello>): void {
    const was = device.state;
    device.lastSeen_ms = this.now_ms();
    device.state = 'live';
    if ('v' in told) {
      const known = device.hello.channels.flatMap(({ id, unit }) =>
        id in told.v ? [[id, this.corrected(device, id, unit, told.v[id] ?? null)] as const] : [],
      );
      const v = Object.fromEntries(known);
      device.latest = { ...device.latest, ...v };
      const sample = { n: ++this.lastSample, instrument: device.hello.id, at_ms: device.lastSeen_ms, v };
      device.kept.push(sample);
      if (device.kept.length > 2 * KEPT) device.kept.splice(0, device.kept.length - KEPT);
      for (const { samples } of this.hearers) samples([sample]);
    } else if ('turned' in told) {
      const { knobs, faults } = device.hello;
      const own = new Set([...knobs, ...faults].map(({ id }) => id));
      const known = Object.entries(told.turned).filter(([id]) => own.has(id));
      device.turned = { ...device.turned, ...Object.fromEntries(known) };
      this.tellChange();
    } else if ('done' in told) this.waiting.get(told.done)?.done();
    else this.waiting.get(told.refused)?.failed(new Conflict(told.why));
    if (was !== 'live') this.tellChange();
  }

  /** A temperature with what was found of its channel against a reference. */
  private corrected({ hello }: Device, id: string, unit: string, value: number | null): number | null {
    const offset_K = this.said.get(`${hello.id} ${id}`)?.offset_K ?? 0;
    return value === null || unit !== 'degC' || offset_K === 0 ? value : value + offset_K;
  }

  private sweep(): void {
    const late = this.now_ms() - SILENT_ms;
    for (const device of this.devices.values()) {
      if (device.state !== 'live' || device.lastSeen_ms > late) continue;
      device.state = 'silent';
      this.tellChange();
    }
  }

  private tellChange(): void {
    for (const { changed } of this.hearers) changed();
  }
}

function parsed(line: string): FromDevice | null {
  try {
    const read = fromDevice.safeParse(JSON.parse(line));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** A device that takes nothing in any more is not waited for. */
const MOST_UNREAD_bytes = 64 * 1024;

function write(socket: Socket, line: ToDevice): void {
  if (socket.destroyed || socket.writableEnded) return;
  if (socket.writableLength > MOST_UNREAD_bytes) socket.destroy();
  else socket.write(`${JSON.stringify(line)}\n`);
}
