import { connect, type Socket } from 'node:net';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Sample } from '~/schema/sheets/instruments';
import { InstrumentHub } from './hub';
import { LineReader, Rate } from './lines';

const HELLO = {
  hello: 'ithermon-instrument',
  version: 1,
  id: 'tc-a',
  kind: 'thermocouple-logger',
  name: 'Logger',
  channels: [{ id: 'tc1', name: 'One', unit: 'degC' }],
  knobs: [{ id: 'gain', name: 'Gain', range: [0, 5] }],
};

let hub: InstrumentHub;
let port: number;
let now_ms = 1_000_000;
const sockets: Socket[] = [];

beforeEach(async () => {
  hub = new InstrumentHub(() => now_ms);
  port = await hub.listen(0);
});
afterEach(() => {
  for (const socket of sockets.splice(0)) socket.destroy();
  hub.end();
});

/** A device on the line: what it is told, and how it says things. */
function device(hello: object | null = HELLO) {
  const socket = connect(port, '127.0.0.1');
  sockets.push(socket);
  socket.setEncoding('utf8');
  socket.on('error', () => undefined);
  const heard: Record<string, unknown>[] = [];
  socket.on('data', (chunk: string) => {
    for (const line of chunk.split('\n')) if (line) heard.push(JSON.parse(line) as Record<string, unknown>);
  });
  const say = (line: object | string): void =>
    void socket.write(`${typeof line === 'string' ? line : JSON.stringify(line)}\n`);
  if (hello) say(hello);
  return { socket, heard, say };
}
const state = (): string | undefined => hub.list()[0]?.state;
const live = () => vi.waitFor(() => expect(state()).toBe('live'));

describe('instruments on the line', () => {
  it('are greeted, read, numbered and kept', async () => {
    const samples: Sample[] = [];
    hub.hear({ samples: (more) => samples.push(...more), changed: () => undefined });
    const { heard, say } = device();
    await live();
    expect(heard).toEqual([{ welcome: 1 }]);
    say({ at_s: 0.1, v: { tc1: 24.5, other: 3 } });
    say({ at_s: 0.2, v: { tc1: null } });
    await vi.waitFor(() => expect(samples).toHaveLength(2));
    expect(samples[0]).toMatchObject({ instrument: 'tc-a', v: { tc1: 24.5 } });
    expect(hub.list()[0]!.latest).toEqual({ tc1: null });
    expect(hub.since(samples[0]!.n)).toEqual([samples[1]]);
    expect(hub.since(0)).toHaveLength(2);
  });

  it('keep ten minutes each: one that reads much pushes out no other', async () => {
    const quiet = device({ ...HELLO, id: 'tc-b' });
    const loud = device();
    await vi.waitFor(() => expect(hub.list()).toHaveLength(2));
    quiet.say({ at_s: 0, v: { tc1: 20 } });
    await vi.waitFor(() => expect(hub.since(0)).toHaveLength(1));
    // So many a second as are no flood, for half an hour.
    for (let second = 0; second < 180; second++) {
      now_ms += 1000;
      for (let i = 0; i < 99; i++) loud.say({ at_s: second + i / 100, v: { tc1: i } });
      await vi.waitFor(() => expect(hub.list().find((d) => d.id === 'tc-a')!.latest).toEqual({ tc1: 98 }));
      loud.say({ at_s: second + 0.995, v: { tc1: -1 } });
      await vi.waitFor(() => expect(hub.list().find((d) => d.id === 'tc-a')!.latest).toEqual({ tc1: -1 }));
    }
    const kept = hub.since(0);
    expect(kept.filter((s) => s.instrument === 'tc-a').length).toBeGreaterThanOrEqual(6000);
    expect(kept.filter((s) => s.instrument === 'tc-a').length).toBeLessThanOrEqual(12_000);
    expect(kept.filter((s) => s.instrument === 'tc-b')).toHaveLength(1);
    expect(kept.every((s, i) => i === 0 || s.n > kept[i - 1]!.n)).toBe(true);
  }, 30_000);

  it('tell how their own knobs stand, and nothing that they have not', async () => {
    const { say } = device();
    await live();
    say({ turned: { gain: 3, other: 'x' } });
    await vi.waitFor(() => expect(hub.list()[0]!.turned).toEqual({ gain: 3 }));
  });

  it('that talk nonsense are told of, and not listened to any more', async () => {
    const { say, heard } = device();
    await live();
    for (let i = 0; i < 25; i++) say(`{"at_s": ${i}, "v": {"tc1": "warm"}}`);
    await vi.waitFor(() => expect(state()).toBe('nonsense'));
    await vi.waitFor(() => expect(heard.at(-1)).toHaveProperty('sorry'));
  });

  it('that flood the line are told of, and hold nothing up', async () => {
    const { say } = device();
    await live();
    for (let i = 0; i < 500; i++) say({ at_s: i, v: { tc1: i } });
    await vi.waitFor(() => expect(state()).toBe('flood'));
    expect(hub.since(0).length).toBeLessThanOrEqual(100);
  });

  it('that go silent are told of as silent, and are live again with the next reading', async () => {
    const { say } = device();
    await live();
    now_ms += 10_000;
    await vi.waitFor(() => expect(state()).toBe('silent'), 2000);
    say({ at_s: 3, v: { tc1: 20 } });
    await live();
  });

  it('that hang up are gone, and may come again', async () => {
    const first = device();
    await live();
    first.socket.destroy();
    await vi.waitFor(() => expect(state()).toBe('gone'));
    device();
    await live();
    expect(hub.list()).toHaveLength(1);
  });

  it('of another version, or of a name that is here, are turned away in words', async () => {
    device();
    await live();
    const twin = device();
    await vi.waitFor(() => expect(JSON.stringify(twin.heard)).toContain('another device is here'));
    const later = device({ ...HELLO, id: 'tc-b', version: 2 });
    await vi.waitFor(() => expect(JSON.stringify(later.heard)).toContain('version 1'));
    const rude = device(null);
    rude.say({ at_s: 1, v: {} });
    await vi.waitFor(() => expect(JSON.stringify(rude.heard)).toContain('say hello first'));
  });

  it('do what is asked of them, refuse in their own words, or are said not to answer', async () => {
    const { heard, say } = device();
    await live();
    const asked = hub.ask('tc-a', { what: 'knob', id: 'gain', value: 3 });
    await vi.waitFor(() => expect(heard.at(-1)).toMatchObject({ what: 'knob', id: 'gain', value: 3 }));
    say({ done: heard.at(-1)!['do'] as number });
    await asked;
    const again = hub.ask('tc-a', { what: 'knob', id: 'gain', value: 4 });
    await vi.waitFor(() => expect(heard.at(-1)).toMatchObject({ value: 4 }));
    say({ refused: heard.at(-1)!['do'] as number, why: 'the gain is locked' });
    await expect(again).rejects.toThrow('the gain is locked');
    expect(() => hub.ask('tc-a', { what: 'knob', id: 'volume', value: 4 })).toThrow('has no "volume"');
    expect(() => hub.ask('nobody', { what: 'knob', id: 'gain', value: 4 })).toThrow();
    await expect(hub.ask('tc-a', { what: 'knob', id: 'gain', value: 5 })).rejects.toThrow('does not answer');
  });
});

describe('what is said of a channel', () => {
  it('goes with it: its name, where it sits, and what is added to what it reads', async () => {
    const { say } = device();
    await live();
    hub.know([
      {
        instrument: 'tc-a',
        channel: 'tc1',
        name: 'Thin wire',
        place: 'land',
        offset_K: -1.5,
        checkedAt_ms: 5,
        by: 'MK',
        at_ms: 6,
        revision: 1,
      },
    ]);
    say({ at_s: 1, v: { tc1: 101.5 } });
    await vi.waitFor(() => expect(hub.list()[0]!.latest).toEqual({ tc1: 100 }));
    expect(hub.list()[0]!.channels).toMatchObject([
      { id: 'tc1', name: 'Thin wire', place: 'land', offset_K: -1.5, checkedAt_ms: 5, revision: 1 },
    ]);
  });
});

describe('a line', () => {
  it('comes whole out of pieces, and one without an end fills no memory', () => {
    const reader = new LineReader();
    expect(reader.take('{"a"')).toEqual([]);
    expect(reader.take(':1}\n{"b":2}\n')).toEqual(['{"a":1}', '{"b":2}']);
    for (let i = 0; i < 100; i++) expect(reader.take('x'.repeat(1000))).toEqual([]);
    expect(reader.dropped).toBe(1);
    expect(reader.take('tail\n{"c":3}\n')).toEqual(['{"c":3}']);
  });

  it('may come so often within a second, and again in the next', () => {
    const rate = new Rate(2);
    expect([rate.tooMany(0), rate.tooMany(1), rate.tooMany(2), rate.tooMany(1002)]).toEqual([
      false,
      false,
      true,
      false,
    ]);
  });
});
