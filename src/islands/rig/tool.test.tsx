// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { TOOL_PRESETS } from '~/schema/presets/toolPresets';
import { newTool, type ToolRecord } from '~/schema/records/rig/tool';
import { ToolForm } from './ToolForm';

const NOW_ms = 1_790_000_000_000;
const asked = vi.fn<(url: string, init: RequestInit) => Promise<Response>>();
beforeEach(() => {
  asked.mockReset();
  vi.stubGlobal('fetch', asked);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const presetOf = (kind: string) => TOOL_PRESETS.find((p) => p.spec.kind === kind)!;
const TOOL: ToolRecord = {
  ...newTool.parse({ name: presetOf('iron').name, spec: presetOf('iron').spec }),
  id: 'iron-1',
  retired: false,
  revision: 4,
};
const form = (tool: ToolRecord | null = null) => {
  const heard = { onDone: vi.fn(), onShut: vi.fn() };
  render(<ToolForm tool={tool} now_ms={() => NOW_ms} {...heard} />);
  return heard;
};
const sent = (): Record<string, unknown> =>
  JSON.parse(asked.mock.calls.at(-1)![1].body as string) as Record<string, unknown>;
const field = (label: RegExp | string): HTMLInputElement =>
  screen.getAllByLabelText<HTMLInputElement>(label)[0]!;
const type = (label: RegExp | string, value: string) => fireEvent.change(field(label), { target: { value } });
const choose = (name: string) =>
  fireEvent.change(screen.getByLabelText('Begin from'), { target: { value: name } });

describe('a tool that is new', () => {
  it('begins from any preset with all of its figures, and each is written as it stands', async () => {
    for (const preset of TOOL_PRESETS) {
      asked.mockResolvedValueOnce(Response.json({ ...TOOL, name: preset.name }));
      const heard = form();
      choose(preset.name);
      fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
      await waitFor(() => expect(heard.onDone, preset.name).toHaveBeenCalled());
      expect(sent()['spec']).toEqual(preset.spec);
      cleanup();
    }
  });

  it('asks an iron for its watts and tips, air for its flow and nozzles, a preheater for neither', () => {
    form();
    choose(presetOf('iron').name);
    expect(screen.getByLabelText('Power, W')).toBeTruthy();
    expect(screen.getByRole('group', { name: 'Tips' })).toBeTruthy();
    choose(presetOf('hot-air').name);
    expect(screen.queryByLabelText('Power, W')).toBeNull();
    expect(screen.getByLabelText('Least air, L/min')).toBeTruthy();
    expect(screen.getByRole('group', { name: 'Nozzles' })).toBeTruthy();
    choose(presetOf('preheater').name);
    expect(screen.queryByRole('group', { name: /Tips|Nozzles/ })).toBeNull();
    expect(screen.queryByLabelText(/Reaches less what it shows/)).toBeNull();
  });

  it('is refused here by name where a figure is missing, before anything is sent', async () => {
    const heard = form();
    choose(presetOf('iron').name);
    type('Power, W', '');
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    expect((await screen.findByRole('alert')).textContent).toContain(
      'Power is missing; give a number from 5 to 400 W',
    );
    expect(asked).not.toHaveBeenCalled();
    expect(heard.onDone).not.toHaveBeenCalled();
  });

  it('gets one more tip like its last, and can lose all but one', () => {
    form();
    choose(presetOf('iron').name);
    const count = screen.getAllByLabelText('Width, mm').length;
    const last = screen.getAllByLabelText<HTMLInputElement>('Width, mm').at(-1)!.value;
    fireEvent.click(screen.getByRole('button', { name: 'One more' }));
    const widths = screen.getAllByLabelText<HTMLInputElement>('Width, mm');
    expect(widths).toHaveLength(count + 1);
    expect(widths.at(-1)!.value).toBe(last);
    for (let i = count; i > 0; i--) fireEvent.click(screen.getByRole('button', { name: 'Take 1 away' }));
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Take 1 away' }).disabled).toBe(true);
  });
});

describe('a tool that is there', () => {
  it('is changed at the revision it was read at, and a moved offset is dated', async () => {
    asked.mockResolvedValue(Response.json({ ...TOOL, offset_K: -8 }));
    const heard = form(TOOL);
    type(/Reaches less what it shows/, '-8');
    fireEvent.click(screen.getByRole('button', { name: 'Write it' }));
    await waitFor(() => expect(heard.onDone).toHaveBeenCalled());
    expect(asked.mock.calls[0]![0]).toBe('/api/tools/iron-1');
    expect(sent()).toMatchObject({ offset_K: -8, checkedAt_ms: NOW_ms, revision: 4, retired: false });
  });

  it('keeps the date of its check where the offset is left alone', async () => {
    asked.mockResolvedValue(Response.json(TOOL));
    const heard = form({ ...TOOL, offset_K: -5, checkedAt_ms: 77 });
    type(/Hours on its tips/, '12');
    fireEvent.click(screen.getByRole('button', { name: 'Write it' }));
    await waitFor(() => expect(heard.onDone).toHaveBeenCalled());
    expect(sent()).toMatchObject({ offset_K: -5, checkedAt_ms: 77, hours: 12 });
  });

  it('changed elsewhere meanwhile is said, kept here, and written over knowingly', async () => {
    asked.mockResolvedValueOnce(
      Response.json(
        {
          error: 'conflict',
          message: 'another screen has changed this tool',
          current: { now: { ...TOOL, revision: 9 } },
        },
        { status: 409 },
      ),
    );
    asked.mockResolvedValueOnce(Response.json({ ...TOOL, revision: 10 }));
    const heard = form(TOOL);
    type('Name', 'Left iron');
    fireEvent.click(screen.getByRole('button', { name: 'Write it' }));
    expect(await screen.findByText(/Another screen has changed this tool/)).toBeTruthy();
    expect(field('Name').value).toBe('Left iron');
    fireEvent.click(screen.getByRole('button', { name: 'Write it' }));
    await waitFor(() => expect(heard.onDone).toHaveBeenCalled());
    expect(sent()).toMatchObject({ name: 'Left iron', revision: 9 });
  });

  it('is taken out of use and stays in the record', async () => {
    asked.mockResolvedValue(Response.json({ ...TOOL, retired: true }));
    const heard = form(TOOL);
    fireEvent.click(screen.getByRole('button', { name: 'Out of use' }));
    await waitFor(() =>
      expect(heard.onDone).toHaveBeenCalledWith(expect.anything(), expect.stringMatching(/out of use/)),
    );
    expect(sent()).toMatchObject({ retired: true });
  });
});
