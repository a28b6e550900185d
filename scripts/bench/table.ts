import { cpus } from 'node:os';

/** Rows of one table, printed at the end. Nothing here passes or fails. */
interface Row {
  readonly what: string;
  readonly asked: string;
  readonly median: string;
  readonly best: string;
}

const rows: Row[] = [];
const ms = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(0)} ms`;

export function report(what: string, asked: string, times_ms: number[]): void {
  const sorted = [...times_ms].sort((a, b) => a - b);
  rows.push({ what, asked, median: ms(sorted[Math.floor(sorted.length / 2)]!), best: ms(sorted[0]!) });
}

export function timed(count: number, work: () => void): number[] {
  return Array.from({ length: count }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}

/** Runs steps to their end. */
export function drain<T>(steps: Generator<unknown, T>): T {
  let next = steps.next();
  while (!next.done) next = steps.next();
  return next.value;
}

export function print(): void {
  const width = (key: keyof Row): number => Math.max(key.length, ...rows.map((row) => row[key].length));
  const line = (row: Record<keyof Row, string>): string =>
    `| ${row.what.padEnd(width('what'))} | ${row.asked.padEnd(width('asked'))} | ${row.median.padStart(width('median'))} | ${row.best.padStart(width('best'))} |`;
  console.log(line({ what: 'what', asked: 'asked', median: 'median', best: 'best' }));
  console.log(
    line({
      what: '-'.repeat(width('what')),
      asked: '-'.repeat(width('asked')),
      median: '-'.repeat(width('median')),
      best: '-'.repeat(width('best')),
    }),
  );
  for (const row of rows) console.log(line(row));
  console.log(
    `\nNode ${process.version}, ${cpus().length} cores, shared and noisy: read the best beside the median.`,
  );
}
