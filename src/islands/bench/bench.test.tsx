// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { BenchBoard } from '~/schema/sheets/benchSheet';
import { BLANK_BOARD } from '../../../tests/support/sheets';
import { BenchView } from './BenchView';
import { waitsFor } from './state';

afterEach(cleanup);
// What jsdom has not got.
Element.prototype.scrollIntoView = () => undefined;

const board = (id: string, changes: Partial<BenchBoard>): BenchBoard => ({
  ...BLANK_BOARD.board,
  due_ms: null,
  id,
  name: id,
  ...changes,
});
const BOARDS = [
  board('Beacon', { waitingFor: 'you', nextAction: 'Run: Heat pin 3', fault: 'flickers', owner: 'MK' }),
  board('Tide', { waitingFor: 'you', nextAction: 'Plan again', fault: 'no sound', owner: 'HL' }),
  board('Door', { waitingFor: 'drying', nextAction: 'Run: Let it dry', fault: 'sticks', owner: 'AO' }),
  board('Wind', { waitingFor: 'closed', nextAction: '', outcome: 'scrapped', fault: 'burnt', owner: 'LB' }),
];

const NOW_ms = 1_790_000_000_000;

const names = (): string[] =>
  screen.getAllByRole('link').flatMap((link) => {
    const found = BOARDS.find((b) => link.getAttribute('href') === `/boards/${b.id}`);
    return found ? [found.name] : [];
  });

describe('the bench', () => {
  it('has boards under what they wait for, in the order a bench looks at it', () => {
    render(<BenchView boards={BOARDS} counts={{ you: 2, drying: 1, closed: 1 }} now_ms={NOW_ms} />);
    const headings = screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent);
    expect(headings[0]).toMatch(/^Waiting for you/);
    expect(headings[1]).toMatch(/^Drying/);
    expect(headings[2]).toMatch(/^Closed/);
    expect(names()).toEqual(['Beacon', 'Tide', 'Door', 'Wind']);
  });

  it('names the next action of each, and what came of a closed one', () => {
    render(<BenchView boards={BOARDS} counts={{ you: 2, drying: 1, closed: 1 }} now_ms={NOW_ms} />);
    expect(within(document.getElementById('board-Door')!).getByText('Run: Let it dry')).toBeTruthy();
    expect(within(document.getElementById('board-Wind')!).getByText('Outcome: scrapped')).toBeTruthy();
  });

  it('finds by name, fault, owner or next action, word by word', () => {
    render(<BenchView boards={BOARDS} counts={{ you: 2, drying: 1, closed: 1 }} now_ms={NOW_ms} />);
    const find = screen.getByRole('searchbox');
    const found = (text: string): string[] => {
      fireEvent.change(find, { target: { value: text } });
      return names();
    };
    expect(found('flick')).toEqual(['Beacon']);
    expect(found('hl')).toEqual(['Tide']);
    expect(found('run dry')).toEqual(['Door']);
    expect(found('')).toHaveLength(4);
  });

  it('a board whose clock has ended waits for you and no longer for its drying', () => {
    const dried = BOARDS.map((b) => (b.id === 'Door' ? { ...b, due_ms: NOW_ms - 1 } : b));
    render(<BenchView boards={dried} counts={{ you: 2, drying: 1, closed: 1 }} now_ms={NOW_ms} />);
    expect(screen.queryByRole('heading', { name: /^Drying/ })).toBeNull();
    expect(within(document.getElementById('board-Door')!).getByText('0 s over. Ready: go on.')).toBeTruthy();
    expect(waitsFor({ ...dried[2]!, due_ms: NOW_ms + 1 }, NOW_ms)).toBe('drying');
  });

  it('finds a board by a part on it or by what was found there, and says which', async () => {
    const asked = vi.fn((_url: string) =>
      Promise.resolve(
        Response.json({
          finds: [{ boardId: 'Tide', because: 'C4 pin 2: lifted, still attached' }],
          boards: [board('Tide', { name: 'Tide' })],
        }),
      ),
    );
    vi.stubGlobal('fetch', asked);
    render(<BenchView boards={BOARDS} counts={{ you: 2, drying: 1, closed: 1 }} now_ms={NOW_ms} />);
    fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'lifted & torn' } });
    expect(await screen.findByText('C4 pin 2: lifted, still attached.')).toBeTruthy();
    expect(names()).toEqual(['Tide']);
    expect(asked.mock.calls[0]![0]).toContain('find=lifted%20%26%20torn');
    vi.unstubAllGlobals();
  });

  it('shows a board that is closed so long that it is not on the page, and the next ones when asked (findings A10)', async () => {
    const old = board('Old', { waitingFor: 'closed', fault: 'lighthouse lamp' });
    const asked = vi.fn((_url: string) => Promise.resolve(Response.json({ finds: [], boards: [old] })));
    vi.stubGlobal('fetch', asked);
    render(<BenchView boards={BOARDS} counts={{ you: 2, drying: 1, closed: 900 }} now_ms={NOW_ms} />);
    expect(screen.getByRole('heading', { name: 'Closed 900' })).toBeTruthy();
    fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'lamp of old' } });
    expect((await screen.findByText('lighthouse lamp')).closest('a')!.getAttribute('href')).toBe(
      '/boards/Old',
    );
    fireEvent.change(screen.getByRole('searchbox'), { target: { value: '' } });
    fireEvent.click(screen.getByRole('button', { name: '899 more' }));
    expect(await screen.findByText('lighthouse lamp')).toBeTruthy();
    expect(asked.mock.calls.at(-1)![0]).toBe('/api/bench/lines?waits=closed&from=1');
    expect(screen.getByRole('button', { name: '898 more' })).toBeTruthy();
    vi.unstubAllGlobals();
  });

  it('says what was looked for where nothing is found', () => {
    render(<BenchView boards={BOARDS} counts={{ you: 2, drying: 1, closed: 1 }} now_ms={NOW_ms} />);
    fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'lighthouse' } });
    expect(screen.getByText(/No board matches “lighthouse”/).textContent).toContain('the bench again');
  });

  it('is walked by keys: the next, the one before, never past an end', () => {
    render(<BenchView boards={BOARDS} counts={{ you: 2, drying: 1, closed: 1 }} now_ms={NOW_ms} />);
    const current = () =>
      screen
        .getAllByRole('link')
        .find((link) => link.getAttribute('aria-current') === 'true')
        ?.getAttribute('href');
    const press = (key: string) => fireEvent.keyDown(document.body, { key });
    press('ArrowDown');
    expect(current()).toBe('/boards/Beacon');
    press('ArrowDown');
    press('ArrowUp');
    press('ArrowUp');
    expect(current()).toBe('/boards/Beacon');
  });

  it('that is clear says how to begin', () => {
    render(<BenchView boards={[]} counts={{}} now_ms={NOW_ms} />);
    expect(screen.getByRole('heading', { name: 'The bench is clear' })).toBeTruthy();
    expect(screen.getByRole('link').getAttribute('href')).toBe('/boards/new');
  });
});
