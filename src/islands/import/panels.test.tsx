// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ImportRecord } from '~/schema/records/board/boardImport';
import { day } from '~/ui/dates';
import { Columns } from './Columns';
import { Earlier } from './Earlier';

const asked = vi.fn<(url: string, init?: RequestInit) => Promise<Response>>();
beforeEach(() => {
  asked.mockReset();
  vi.stubGlobal('fetch', asked);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const AT_ms = 1_790_000_000_000;
const made = (id: string, changes: Partial<ImportRecord> = {}): ImportRecord => ({
  id,
  boardId: 'b',
  by: 'MK',
  at_ms: AT_ms,
  files: [{ name: `${id}.ipc`, kind: 'netlist', count: 4 }],
  siteIds: ['s1', 's2'],
  profile: null,
  undoneAt_ms: null,
  ...changes,
});

describe('earlier imports', () => {
  const shown = (...records: ImportRecord[]) => {
    const heard = { onUndone: vi.fn(), onFailed: vi.fn() };
    render(<Earlier boardId="b" records={records} {...heard} />);
    return heard;
  };

  it('are not spoken of where there are none', () => {
    shown();
    expect(screen.queryByRole('heading')).toBeNull();
  });

  it('stand newest first, each with its day, files and who brought it', () => {
    shown(made('first'), made('second', { siteIds: ['s3'] }));
    const [newest, oldest] = screen.getAllByRole('listitem');
    expect(newest!.textContent).toContain('second.ipc');
    expect(newest!.textContent).toContain('1 part');
    expect(oldest!.textContent).toContain('2 parts');
    expect(oldest!.textContent).toContain(day(AT_ms));
    expect(oldest!.textContent).toContain('MK');
  });

  it('can be undone, once; those that were cannot be again', async () => {
    const gone = made('first', { undoneAt_ms: AT_ms + 5 });
    asked.mockResolvedValue(Response.json(gone));
    const heard = shown(made('first'), made('second', { undoneAt_ms: AT_ms + 1 }));
    expect(within(screen.getAllByRole('listitem')[0]!).queryByRole('button')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(heard.onUndone).toHaveBeenCalledWith(gone));
    expect(asked.mock.calls[0]![0]).toBe('/api/boards/b/imports/first/undo');
  });

  it('that was corrected by hand since says so, and goes when it is pressed again (findings B5)', async () => {
    asked.mockResolvedValueOnce(
      Response.json(
        { error: 'conflict', message: 'R1 was corrected by hand since', current: { corrected: 1 } },
        { status: 409 },
      ),
    );
    const heard = shown(made('first'));
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    const again = await screen.findByRole('button', { name: 'Undo, corrections too' });
    expect(heard.onUndone).not.toHaveBeenCalled();
    const gone = made('first', { undoneAt_ms: AT_ms + 5 });
    asked.mockResolvedValue(Response.json(gone));
    fireEvent.click(again);
    await waitFor(() => expect(heard.onUndone).toHaveBeenCalledWith(gone));
    expect(JSON.parse(asked.mock.calls.at(-1)![1]!.body as string)).toEqual({ corrected: 1 });
  });

  it('tells why one cannot be undone', async () => {
    asked.mockResolvedValue(
      Response.json({ error: 'conflict', message: 'R1 has a finding; it stays' }, { status: 409 }),
    );
    const heard = shown(made('first'));
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(heard.onFailed).toHaveBeenCalled());
    expect(String(heard.onFailed.mock.calls[0]![0])).toContain('R1 has a finding');
    expect(heard.onUndone).not.toHaveBeenCalled();
  });
});

describe('columns of a list', () => {
  const TABLE = {
    heading: ['Designator', ' ', 'X (mm)'],
    columns: { ref: 0, value: -1, footprint: -1, x: 2, y: -1, rotation: -1, side: -1 },
  };

  it('are offered by their headings, by number where they have none', () => {
    render(<Columns table={TABLE} onChange={vi.fn()} />);
    const ref = screen.getByLabelText<HTMLSelectElement>('Reference');
    expect([...ref.options].map((o) => o.text)).toEqual(['no column', 'Designator', 'column 2', 'X (mm)']);
    expect(ref.value).toBe('0');
    expect(screen.getByLabelText<HTMLSelectElement>('y').value).toBe('-1');
  });

  it('are settled one at a time', () => {
    const onChange = vi.fn();
    render(<Columns table={TABLE} onChange={onChange} />);
    fireEvent.change(screen.getByLabelText('y'), { target: { value: '2' } });
    expect(onChange).toHaveBeenCalledWith({ y: 2 });
  });
});
