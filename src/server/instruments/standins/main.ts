import { parseArgs } from 'node:util';
import { StandInBench } from './bench';
import { benchSupply, componentMeter } from './circuits';
import { plugIn } from './device';
import { airStation, ironStation, logger, preheater } from './devices';

/**
 * The simulated instruments, a process of its own: each connects to the application's instrument port and speaks the
 * protocol, as a real one would (docs/instruments.md).
 */
const { values } = parseArgs({ options: { port: { type: 'string' }, seed: { type: 'string' } } });
const port = Number(values.port);
const seed = Number(values.seed ?? 1);
if (!Number.isInteger(port) || port < 1 || port > 65535 || !Number.isInteger(seed)) {
  console.error('ithermon stand-ins: give --port N, and --seed N where it is not 1');
  process.exit(1);
}

const STEP_s = 0.05;
const bench = new StandInBench(seed);
const began_ms = performance.now();
const now_s = (): number => (performance.now() - began_ms) / 1000;

let stepped_s = 0;
setInterval(() => {
  // As much as has passed, were it late: never more than a second at once.
  const by_s = Math.min(1, now_s() - stepped_s);
  stepped_s = now_s();
  bench.step(by_s);
}, STEP_s * 1000);

for (const make of [ironStation, airStation, logger, preheater, componentMeter, benchSupply])
  plugIn(make(bench), port, now_s);

// Whoever started it holds this line: with the application it goes too.
process.stdin.on('end', () => process.exit(0)).resume();
process.on('SIGTERM', () => process.exit(0));
process.on('SIGINT', () => process.exit(0));
