// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { StockedSupply } from '~/schema/records/rig/supply';
import { MoveForm, NewSupplyForm } from './SupplyForm';

const asked = vi.fn<(url: string, init: RequestInit) => Promise<Response>>();
beforeEach(() => {
  asked.mockReset();
  vi.stubGlobal('fetch', asked);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const BRAID: StockedSupply = {
  id: 'braid-2',
  name: 'Braid, 2 mm',
  spec: { kind: 'braid', width_mm: 2 },
  low: 300,
  retired: false,
  revision: 3,
  left: 900,
};
const sent = (): unknown => JSON.parse(asked.mock.calls[0]![1].body as string);
const type = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('a supply that is new', () => {
  const form = (by = 'MK') => {
    const heard = { onDone: vi.fn(), onShut: vi.fn() };
    render(<NewSupplyForm by={by} {...heard} />);
    return heard;
  };

  it('asks for what its kind has, in the unit it is counted in', () => {
    form();
    expect(screen.getByLabelText('Diameter, mm')).toBeTruthy();
    expect(screen.getByLabelText('There is, mm')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Kind'), { target: { value: 'flux' } });
    expect(screen.queryByLabelText('Alloy')).toBeNull();
    expect(screen.queryByLabelText('Diameter, mm')).toBeNull();
    expect(screen.getByLabelText('There is, mL')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Kind'), { target: { value: 'braid' } });
    expect(screen.getByLabelText('Width, mm')).toBeTruthy();
  });

  it('is written with a comma as with a point', async () => {
    asked.mockResolvedValue(Response.json({ ...BRAID, id: 'new' }));
    const heard = form();
    fireEvent.change(screen.getByLabelText('Kind'), { target: { value: 'braid' } });
    type('Name', 'Braid, 2,5 mm');
    type('Width, mm', '2,5');
    type('There is, mm', '1500');
    type('Buy under, mm', '200');
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    await waitFor(() => expect(heard.onDone).toHaveBeenCalled());
    expect(sent()).toEqual({
      name: 'Braid, 2,5 mm',
      spec: { kind: 'braid', width_mm: 2.5 },
      left: 1500,
      low: 200,
      batch: '',
      by: 'MK',
    });
  });

  it('asks who it is before anything is sent', async () => {
    form('');
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    expect(await screen.findByText(/Give your initials at the top first/)).toBeTruthy();
    expect(asked).not.toHaveBeenCalled();
  });

  it('shows what the server refuses, and keeps what was typed', async () => {
    asked.mockResolvedValue(
      Response.json(
        {
          error: 'bad-input',
          message: 'bad',
          faults: [{ path: '$.name', message: 'is empty; give a name' }],
        },
        { status: 400 },
      ),
    );
    const heard = form();
    type('There is, mm', '700');
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    expect(await screen.findByText(/is empty; give a name/)).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('There is, mm').value).toBe('700');
    expect(heard.onDone).not.toHaveBeenCalled();
  });
});

describe('a move of stock', () => {
  const form = (by = 'MK') => {
    const heard = { onDone: vi.fn(), onGone: vi.fn(), onShut: vi.fn() };
    render(<MoveForm supply={BRAID} by={by} {...heard} />);
    return heard;
  };

  it('is a count unless something else is said, and asks accordingly', () => {
    form();
    expect(screen.getByLabelText('There is now, mm')).toBeTruthy();
    fireEvent.click(screen.getByText('bought'));
    expect(screen.getByLabelText('How much, mm')).toBeTruthy();
  });

  it('is sent with its reason, its amount and who did it', async () => {
    asked.mockResolvedValue(Response.json({ ...BRAID, left: 2400 }));
    const heard = form();
    fireEvent.click(screen.getByText('bought'));
    type('How much, mm', '1500');
    type('Batch in use from now on, if it is another', 'B-0417');
    fireEvent.click(screen.getByRole('button', { name: 'Write it' }));
    await waitFor(() => expect(heard.onDone).toHaveBeenCalledWith({ ...BRAID, left: 2400 }));
    expect(sent()).toEqual({
      supplyId: 'braid-2',
      reason: 'bought',
      amount: 1500,
      batch: 'B-0417',
      by: 'MK',
    });
  });

  it('takes a supply out of use at the revision it was read at', async () => {
    asked.mockResolvedValue(Response.json({ id: 'braid-2' }));
    const heard = form();
    fireEvent.click(screen.getByRole('button', { name: 'Out of use' }));
    await waitFor(() => expect(heard.onGone).toHaveBeenCalled());
    expect(asked.mock.calls[0]![0]).toBe('/api/supplies/braid-2?revision=3');
    expect(asked.mock.calls[0]![1].method).toBe('DELETE');
  });

  it('asks who it is before anything is sent', () => {
    form('');
    fireEvent.click(screen.getByRole('button', { name: 'Out of use' }));
    expect(screen.getByText(/Give your initials/)).toBeTruthy();
    expect(asked).not.toHaveBeenCalled();
  });

  it('is shut without a word', () => {
    const heard = form();
    fireEvent.click(screen.getByRole('button', { name: 'Shut' }));
    expect(heard.onShut).toHaveBeenCalledOnce();
    expect(asked).not.toHaveBeenCalled();
  });
});
