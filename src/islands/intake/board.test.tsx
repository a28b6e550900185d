// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BLANK_BOARD } from '../../../tests/support/sheets';
import { BoardForm } from './BoardForm';

const asked = vi.fn<(url: string, init: RequestInit) => Promise<Response>>();
beforeEach(() => {
  asked.mockReset();
  vi.stubGlobal('fetch', asked);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const type = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const sent = (): Record<string, unknown> =>
  JSON.parse(asked.mock.calls.at(-1)![1].body as string) as Record<string, unknown>;

describe('taking in a board', () => {
  it('asks for what is missing by name, at the field, and sends nothing', async () => {
    render(<BoardForm />);
    fireEvent.click(screen.getByRole('button', { name: 'Book it in' }));
    await waitFor(() => expect(screen.getByLabelText('Name').getAttribute('aria-invalid')).toBe('true'));
    expect(screen.getByLabelText('What is wrong with it').getAttribute('aria-invalid')).toBe('true');
    expect(asked).not.toHaveBeenCalled();
  });

  it('begins from a usual construction, whose layers can be added to and taken away', () => {
    render(<BoardForm />);
    expect(screen.getAllByLabelText(/Copper, oz/)).toHaveLength(4);
    fireEvent.change(screen.getByLabelText('Start from a typical board'), { target: { value: 'two-layer' } });
    expect(screen.getAllByLabelText(/Copper, oz/)).toHaveLength(2);
    fireEvent.click(screen.getByRole('button', { name: 'Add a layer' }));
    expect(screen.getAllByLabelText('Covered by copper, %')).toHaveLength(3);
    fireEvent.click(screen.getByRole('button', { name: 'Remove layer 3' }));
    expect(screen.getAllByLabelText('Covered by copper, %')).toHaveLength(2);
  });

  it('shows the copper of the construction that was begun from', () => {
    render(<BoardForm />);
    fireEvent.change(screen.getByLabelText('Start from a typical board'), { target: { value: 'two-layer' } });
    const shown = screen
      .getAllByLabelText<HTMLInputElement>('Covered by copper, %')
      .map(({ value }) => value);
    expect(shown).toEqual(['30', '40']);
  });

  it('keeps the size that was typed when another construction is begun from', () => {
    render(<BoardForm />);
    type('Length, mm', '77');
    fireEvent.change(screen.getByLabelText('Start from a typical board'), { target: { value: 'two-layer' } });
    expect(screen.getByLabelText<HTMLInputElement>('Length, mm').value).toBe('77');
  });

  it('says what the construction means at the iron while it is typed', () => {
    render(<BoardForm />);
    expect(screen.getByRole('status').textContent).toMatch(/once every figure is whole/);
    type('Length, mm', '160');
    type('Width, mm', '100');
    const before = screen.getByRole('status').textContent;
    expect(before).toMatch(/mW\/K/);
    fireEvent.change(screen.getByLabelText('Start from a typical board'), { target: { value: 'two-layer' } });
    expect(screen.getByRole('status').textContent).not.toBe(before);
    type('Thickness, mm', '');
    expect(screen.getByRole('status').textContent).toMatch(/once every figure is whole/);
  });

  it('guesses no size: the face is drawn to what was measured', async () => {
    render(<BoardForm />);
    expect(screen.getByLabelText<HTMLInputElement>('Length, mm').value).toBe('');
    type('Name', 'Dimmer');
    fireEvent.click(screen.getByRole('button', { name: 'Book it in' }));
    expect(await screen.findAllByText('is missing; give a number from 5 to 1000 mm')).toHaveLength(2);
    expect(asked).not.toHaveBeenCalled();
  });

  it('takes copper coverage in per cent and keeps it as a share', async () => {
    asked.mockReturnValue(new Promise(() => undefined));
    render(<BoardForm />);
    type('Name', 'Dimmer');
    type('Owner, by initials', 'MK');
    type('What is wrong with it', 'dead');
    type('Length, mm', '77');
    type('Width, mm', '50');
    const [first] = screen.getAllByLabelText<HTMLInputElement>('Covered by copper, %');
    expect(first!.value).toBe('30');
    fireEvent.change(first!, { target: { value: '130' } });
    fireEvent.click(screen.getByRole('button', { name: 'Book it in' }));
    expect(await screen.findByText('is 130; give a number from 0 to 100 %')).toBeTruthy();
    fireEvent.change(first!, { target: { value: '45' } });
    fireEvent.click(screen.getByRole('button', { name: 'Book it in' }));
    await waitFor(() => expect(asked).toHaveBeenCalled());
    expect(sent()).toMatchObject({ construction: { copperLayers: [{ coverage: 0.45 }, {}, {}, {}] } });
  });

  it('refuses a board of no size in the words of the field', async () => {
    render(<BoardForm />);
    type('Name', 'Dimmer');
    type('Owner, by initials', 'MK');
    type('What is wrong with it', 'dead');
    type('Length, mm', '2');
    fireEvent.click(screen.getByRole('button', { name: 'Book it in' }));
    const field = screen.getByLabelText('Length, mm');
    await waitFor(() => expect(field.getAttribute('aria-invalid')).toBe('true'));
    const note = document.getElementById(field.getAttribute('aria-describedby')!)!;
    expect(note.textContent).toMatch(/is 2; give a number from 5 to 1000 mm/);
    expect(asked).not.toHaveBeenCalled();
  });
});

describe('what is told of a board later', () => {
  const { board } = BLANK_BOARD;

  it('begins with what is known and is written at the revision it was read at', async () => {
    asked.mockReturnValue(new Promise(() => undefined));
    render(<BoardForm board={board} />);
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe(board.name);
    type('What is wrong with it', 'dead since the storm');
    fireEvent.click(screen.getByRole('button', { name: 'Write the change' }));
    await waitFor(() => expect(asked).toHaveBeenCalled());
    expect(asked.mock.calls[0]![0]).toBe(`/api/boards/${board.id}`);
    expect(sent()).toMatchObject({ fault: 'dead since the storm', revision: board.revision });
  });

  it('changed elsewhere meanwhile names what differs, keeps what was typed, and can be written knowingly', async () => {
    asked.mockResolvedValueOnce(
      Response.json(
        {
          error: 'conflict',
          message: 'another screen has changed this board',
          current: { ...board, owner: 'HL', finish: 'gold', revision: 5 },
        },
        { status: 409 },
      ),
    );
    asked.mockReturnValueOnce(new Promise(() => undefined));
    render(<BoardForm board={board} />);
    type('Name', 'Blank, the second');
    fireEvent.click(screen.getByRole('button', { name: 'Write the change' }));
    expect((await screen.findByText(/What you typed is still here/)).textContent).toMatch(
      /owner.*finish|finish.*owner/,
    );
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Blank, the second');
    fireEvent.click(screen.getByRole('button', { name: 'Write the change' }));
    await waitFor(() => expect(asked).toHaveBeenCalledTimes(2));
    expect(sent()).toMatchObject({ name: 'Blank, the second', revision: 5 });
  });

  it('can be left as it was', () => {
    render(<BoardForm board={board} />);
    expect(screen.getByRole('link', { name: 'Leave it as it was' }).getAttribute('href')).toBe(
      `/boards/${board.id}`,
    );
  });
});
