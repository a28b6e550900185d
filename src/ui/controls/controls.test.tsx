// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from '~/ui/api';
import { Button, ButtonLink, CommandButton } from './Button';
import { Segments, SelectField, TextField } from './Field';
import { Caution, ErrorNote, Figure } from './Notes';
import { Range } from './Range';

afterEach(cleanup);

describe('a button', () => {
  it('does not send a form unless it is told to', () => {
    const sent = vi.fn((event: React.SyntheticEvent) => event.preventDefault());
    render(
      <form onSubmit={sent}>
        <Button>Only a button</Button>
        <Button type="submit">Send</Button>
      </form>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Only a button' }));
    expect(sent).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('button', { name: 'Send' }));
    expect(sent).toHaveBeenCalledOnce();
  });

  it('of a command has its words and its key, and the key is not read out twice', () => {
    const run = vi.fn();
    const command = { id: 'go', label: 'Go on', keys: [' '], group: 'Run' } as const;
    render(<CommandButton command={command} run={run} />);
    const button = screen.getByRole('button', { name: 'Go on' });
    expect(button.querySelector('kbd')!.getAttribute('aria-hidden')).toBe('true');
    fireEvent.click(button);
    expect(run).toHaveBeenCalledWith('go');
  });

  it('that leads somewhere is a link', () => {
    render(<ButtonLink href="/rig">To the rig</ButtonLink>);
    expect(screen.getByRole('link', { name: 'To the rig' }).getAttribute('href')).toBe('/rig');
  });

  it('says whether it is pressed', () => {
    render(<Button pressed>Foil</Button>);
    expect(screen.getByRole('button', { pressed: true })).toBeTruthy();
  });
});

describe('a field', () => {
  it('is named by its label and told its fault', () => {
    render(<TextField label="Hole, mm" fault="is no wider than the lead" />);
    const field = screen.getByLabelText('Hole, mm');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    const note = document.getElementById(field.getAttribute('aria-describedby')!);
    expect(note!.textContent).toBe('is no wider than the lead');
  });

  it('shows its hint until there is a fault', () => {
    const { rerender } = render(<TextField label="Value" hint="such as 47k" />);
    expect(screen.getByText('such as 47k')).toBeTruthy();
    rerender(<TextField label="Value" hint="such as 47k" fault="is missing" />);
    expect(screen.queryByText('such as 47k')).toBeNull();
  });

  it('of several lines is a text area with the same name', () => {
    render(<TextField label="What is wrong" multiline />);
    expect(screen.getByLabelText('What is wrong').tagName).toBe('TEXTAREA');
  });

  it('of choices gives the value chosen', () => {
    const onChange = vi.fn();
    const options = [
      { value: 'a', label: 'Alloy A' },
      { value: 'b', label: 'Alloy B' },
    ];
    render(<SelectField label="Alloy" value="a" options={options} onChange={onChange} />);
    fireEvent.change(screen.getByLabelText('Alloy'), { target: { value: 'b' } });
    expect(onChange).toHaveBeenCalledWith('b');
  });

  it('of a few is a radio group: one is on, and all can be reached', () => {
    const onChange = vi.fn();
    const options = [
      { value: 'count', label: 'counted' },
      { value: 'buy', label: 'bought' },
    ];
    render(<Segments label="What happened" value="count" options={options} onChange={onChange} />);
    expect(screen.getByRole('group', { name: 'What happened' })).toBeTruthy();
    expect(screen.getAllByRole('radio').map((r) => (r as HTMLInputElement).checked)).toEqual([true, false]);
    fireEvent.click(screen.getByLabelText('bought'));
    expect(onChange).toHaveBeenCalledWith('buy');
  });

  it('between two numbers gives a number', () => {
    const onChange = vi.fn();
    render(<Range id="r" range={[2, 40]} step={1} value={8} onChange={onChange} />);
    const slider = screen.getByRole<HTMLInputElement>('slider');
    expect([slider.min, slider.max, slider.value]).toEqual(['2', '40', '8']);
    fireEvent.change(slider, { target: { value: '12' } });
    expect(onChange).toHaveBeenCalledWith(12);
  });
});

describe('what went wrong', () => {
  it('is nothing where nothing did', () => {
    render(<ErrorNote error={null} />);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('is a sentence that begins with a capital', () => {
    render(<ErrorNote error={new Error('the board has moved on; reload it')} />);
    expect(screen.getByRole('alert').textContent).toBe('The board has moved on; reload it');
  });

  it('names every field that is refused, with what to do', () => {
    const faults = [
      { path: '$.construction.length_mm', message: 'is 2 mm; give 5 to 1000 mm' },
      { path: '$.owner', message: 'is missing; give initials' },
    ];
    render(<ErrorNote error={new ApiError('bad-input', 'bad', faults)} />);
    const lines = screen.getAllByRole('listitem').map((line) => line.textContent);
    expect(lines).toEqual([
      'Length is 2 mm; give 5 to 1000 mm',
      'Owner, by initials is missing; give initials',
    ]);
  });

  it('is said even where what was thrown is no error', () => {
    render(<ErrorNote error="?" />);
    expect(screen.getByRole('alert').textContent).toMatch(/try again/);
  });
});

describe('a figure', () => {
  it('can be reached by Tab and says where it comes from to whoever cannot hover', () => {
    render(<Figure from="Computed: ten draws">1.2 s</Figure>);
    const figure = screen.getByText('1.2 s');
    expect(figure.tabIndex).toBe(0);
    expect(figure.textContent).toContain('(Computed: ten draws)');
  });
});

describe('a caution', () => {
  it('stands as text, whatever its colour', () => {
    render(<Caution>Discharge it first.</Caution>);
    expect(screen.getByText('Discharge it first.')).toBeTruthy();
  });
});
