import type { FieldPicture } from '~/schema/exchange/simulate/airField';
import { CommandButton } from '~/ui/controls/Button';
import { AIR_COMMANDS, type AirCommand } from './commands';
import css from './air.module.css';

interface ScrubberProps {
  readonly picture: FieldPicture;
  readonly frame: number;
  readonly side: 'top' | 'bottom';
  readonly onFrame: (frame: number) => void;
  readonly run: (id: AirCommand) => void;
}

/** Moves the picture through time, and turns it over. */
export function Scrubber({ picture, frame, side, onFrame, run }: ScrubberProps) {
  const at = picture.frames[frame]!;
  const command = (id: AirCommand) => AIR_COMMANDS.find((c) => c.id === id)!;
  return (
    <div className={css['scrubber']}>
      <output className={css['clock']} htmlFor="time">
        {at.time_s < 0 ? '−' : ''}
        {Math.abs(at.time_s).toFixed(0)}
        <small>s</small>
      </output>
      <input
        id="time"
        type="range"
        min={0}
        max={picture.frames.length - 1}
        value={frame}
        aria-label="Time"
        aria-valuetext={`${at.time_s.toFixed(0)} seconds after the air is on`}
        onChange={(event) => onFrame(Number(event.target.value))}
      />
      <div className={css['moves']}>
        <CommandButton small command={command('earlier')} label="Earlier" run={run} />
        <CommandButton small command={command('later')} label="Later" run={run} />
        <CommandButton small command={command('flip')} label={`${side} side`} run={run} />
      </div>
    </div>
  );
}
