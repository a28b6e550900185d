// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { BoardRecord } from '~/schema/records/board/board';
import { BLANK_BOARD } from '../../../tests/support/sheets';
import { BenchView } from './BenchView';

afterEach(cleanup);
// What jsdom has not got.
Element.prototype.scrollIntoView = () => undefined;

const board = (id: string, changes: Partial<BoardRecord>): BoardRecord => ({
  ...BLANK_BOARD.board,
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

const names = (): string[] =>
  screen.getAllByRole('link').flatMap((link) => {
    const found = BOARDS.find((b) => link.getAttribute('href') === `/boards/${b.id}`);
    return found ? [found.name] : [];
  });

describe('the bench', () => {
  it('has boards under what they wait for, in the order a bench looks at it', () => {
    render(<BenchView boards={BOARDS} />);
    const headings = screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent);
    expect(headings[0]).toMatch(/^Waiting for you/);
    expect(headings[1]).toMatch(/^Drying/);
    expect(headings[2]).toMatch(/^Closed/);
    expect(names()).toEqual(['Beacon', 'Tide', 'Door', 'Wind']);
  });

  it('names the next action of each, and what came of a closed one', () => {
    render(<BenchView boards={BOARDS} />);
    expect(within(document.getElementById('board-Door')!).getByText('Run: Let it dry')).toBeTruthy();
    expect(within(document.getElementById('board-Wind')!).getByText('Outcome: scrapped')).toBeTruthy();
  });

  it('finds by name, fault, owner or next action, word by word', () => {
    render(<BenchView boards={BOARDS} />);
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

  it('says what was looked for where nothing is found', () => {
    render(<BenchView boards={BOARDS} />);
    fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'lighthouse' } });
    expect(screen.getByText(/No board matches “lighthouse”/).textContent).toContain('all 4');
  });

  it('is walked by keys: the next, the one before, never past an end', () => {
    render(<BenchView boards={BOARDS} />);
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
    render(<BenchView boards={[]} />);
    expect(screen.getByRole('heading', { name: 'The bench is clear' })).toBeTruthy();
    expect(screen.getByRole('link').getAttribute('href')).toBe('/boards/new');
  });
});
