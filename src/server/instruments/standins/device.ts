import { connect, type Socket } from 'node:net';
import type { FromDevice, Hello, InstrumentDo, ToDevice } from '~/schema/exchange/instruments/wire';

/** What a simulated device does; all that it knows of the application is the protocol. */
export interface StandIn {
  readonly hello: Omit<Hello, 'hello' | 'version' | 'simulated'>;
  /** How its knobs and faults stand. */
  readonly turned: () => Readonly<Record<string, number | string | boolean>>;
  /** Turns a knob or makes a fault; says why it will not. */
  readonly take: (asked: InstrumentDo) => string | null;
  /** A scene was laid under the tools; says why it cannot be. */
  readonly laid: (scene: unknown) => string | null;
  readonly read: () => Readonly<Record<string, number | null>>;
}

/** How a device misbehaves on the line itself. */
interface LineFaults {
  silent: boolean;
  nonsense: boolean;
  flood: boolean;
}

export const LINE_FAULTS = [
  { id: 'silent', name: 'Says nothing' },
  { id: 'nonsense', name: 'Talks nonsense' },
  { id: 'flood', name: 'Floods the line' },
] as const;

const EVERY_ms = 100;
const AGAIN_ms = 1500;

/** Connects a stand-in to the application and keeps it there: reads ten times a second, takes what is asked, comes back. */
export function plugIn(device: StandIn, port: number, now_s: () => number): void {
  const faults: LineFaults = { silent: false, nonsense: false, flood: false };
  const say = (socket: Socket, line: FromDevice): void => {
    if (!faults.silent && !socket.destroyed) socket.write(`${JSON.stringify(line)}\n`);
  };
  const turned = (socket: Socket): void => say(socket, { turned: { ...device.turned(), ...faults } });
  const begin = (): void => {
    const socket = connect(port, '127.0.0.1');
    socket.setEncoding('utf8');
    let rest = '';
    let reading: ReturnType<typeof setInterval> | undefined;
    socket.on('connect', () => {
      socket.write(
        `${JSON.stringify({
          hello: 'ithermon-instrument',
          version: 1,
          simulated: true,
          ...device.hello,
          faults: [...device.hello.faults, ...LINE_FAULTS],
        })}\n`,
      );
    });
    const take = (line: ToDevice): void => {
      if ('welcome' in line) {
        turned(socket);
        reading = setInterval(() => {
          if (faults.nonsense) socket.write('%&/ 12;;4 \n');
          for (let i = faults.flood ? 60 : 1; i > 0; i--) say(socket, { at_s: now_s(), v: device.read() });
        }, EVERY_ms);
      } else if ('do' in line) {
        const why = answer(device, faults, line);
        // A device that says nothing still takes what is asked, or it could never be mended.
        if (!socket.destroyed)
          socket.write(`${JSON.stringify(why === null ? { done: line.do } : { refused: line.do, why })}\n`);
        turned(socket);
      } else {
        // Sent away: it comes back quietly.
        Object.assign(faults, { nonsense: false, flood: false });
      }
    };
    socket.on('data', (chunk: string) => {
      const lines = (rest + chunk).split('\n');
      rest = lines.pop()!;
      for (const line of lines) take(JSON.parse(line) as ToDevice);
    });
    socket.on('error', () => socket.destroy());
    socket.on('close', () => {
      clearInterval(reading);
      setTimeout(begin, AGAIN_ms);
    });
  };
  begin();
}

function answer(device: StandIn, faults: LineFaults, line: Extract<ToDevice, { do: number }>): string | null {
  if (line.what === 'lay') return device.laid(line.scene);
  if (line.what === 'fault' && line.id in faults) {
    faults[line.id as keyof LineFaults] = line.on;
    return null;
  }
  return device.take(line);
}
