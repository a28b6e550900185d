import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { lastingLine } from './lastingLine';

/** A browser's event line as the HTML standard has it (server-sent events, "fail the connection": it is not tried again). */
class Line extends EventTarget {
  static readonly CLOSED = 2;
  static readonly all: Line[] = [];
  readyState = 1;
  constructor(readonly url: string) {
    super();
    Line.all.push(this);
  }
  close(): void {
    this.readyState = Line.CLOSED;
  }
  fails(readyState: 0 | 2): void {
    this.readyState = readyState;
    this.dispatchEvent(new Event('error'));
  }
  tells(kind: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(kind, { data: JSON.stringify(data) }));
  }
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('EventSource', Line);
  Line.all.length = 0;
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

test('a line that a starting server refused is opened again, and hears what it is told there', () => {
  const heard: unknown[] = [];
  const line = lastingLine('/api/live', { stands: (data) => heard.push(data) });
  Line.all[0]!.fails(Line.CLOSED);
  vi.advanceTimersByTime(1000);
  Line.all[1]!.fails(Line.CLOSED);
  vi.advanceTimersByTime(1000);
  Line.all[2]!.tells('stands', { instruments: [] });
  expect(heard).toEqual([{ instruments: [] }]);
  line.close();
});

test('a line that only broke is left to the browser, which goes on after what was heard last', () => {
  lastingLine('/api/live', {});
  Line.all[0]!.fails(0);
  vi.advanceTimersByTime(60_000);
  expect(Line.all).toHaveLength(1);
});

test('one that is closed asks no more', () => {
  const line = lastingLine('/api/live', {});
  Line.all[0]!.fails(Line.CLOSED);
  line.close();
  vi.advanceTimersByTime(60_000);
  expect(Line.all).toHaveLength(1);
});
