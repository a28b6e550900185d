import type { FieldPicture } from '~/schema/exchange/simulate/airField';
import { CommandButton } from '~/ui/controls/Button';
import { AIR_COMMANDS, type AirCommand } from './commands';
import css from './air.module.css';

interface ScrubberProps {
  readonly picture: FieldPicture;
  readonly frame: number;
  readonly side: 'top' | 'bottom';
  readonly solidus_C: number;
  readonly onFrame: (frame: number) => void;
  readonly run: (id: AirCommand) => void;
}

/** Moves the picture through time; says what its lines are. */
export function Scrubber({ picture, frame, side, solidus_C, onFrame, run }: ScrubberProps) {
  const at = picture.frames[frame]!;
  const hottest = Math.max(...(side === 'top' ? at.top_C : at.bottom_C));
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
        <CommandButton small command={command('earlier')} label="◂" aria-label="Earlier" run={run} />
        <CommandButton small command={command('later')} label="▸" aria-label="Later" run={run} />
        <CommandButton small command={command('flip')} label={`${side} face`} run={run} />
      </div>
      <p className={css['legend']}>
        <span className={css['solidusKey']}>{Math.round(solidus_C)} °C solidus</span>
        <span className={css['bodyKey']}>200 °C</span>
        <span>stronger colour is hotter, here up to {Math.round(hottest)} °C</span>
      </p>
    </div>
  );
}
