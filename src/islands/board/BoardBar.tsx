import type { BoardStage } from '~/core/record/boardEntries';
import { Button, ButtonLink, CommandButton, KeyCap } from '~/ui/controls/Button';
import { BOARD_COMMANDS, type BoardCommand } from './commands';
import css from './board.module.css';

interface BoardBarProps {
  readonly boardId: string;
  readonly side: 'top' | 'bottom';
  readonly stage: BoardStage['is'];
  /** Several parts can be planned in one go. */
  readonly several: boolean;
  readonly drawing: boolean;
  readonly onDraw: () => void;
  readonly run: (id: BoardCommand) => boolean;
}

const command = (id: BoardCommand) => BOARD_COMMANDS.find((c) => c.id === id)!;

/** What can be done with the board as a whole, in one bar: how it is seen, what is put on it, where it goes. */
export function BoardBar({ boardId, side, stage, several, drawing, onDraw, run }: BoardBarProps) {
  const closed = stage === 'closed';
  return (
    <div className={css['bar']} role="group" aria-label="This board">
      <Button onClick={() => run('flip')} aria-label={`Turn the board over: ${side} side is shown`}>
        {side === 'top' ? 'Top side' : 'Bottom side'} <KeyCap of={command('flip').keys[0]!} />
      </Button>
      <Button pressed={drawing} onClick={onDraw}>
        Mark the board
      </Button>
      <ButtonLink href={`/boards/${boardId}/place?side=${side}`}>Add a part</ButtonLink>
      <ButtonLink href={`/boards/${boardId}/import`}>Import</ButtonLink>
      <span className={css['gap']} />
      {several && <CommandButton command={command('recap')} label="Whole board" run={run} />}
      {!closed && <CommandButton command={command('hand-back')} label="Hand back" run={run} />}
      {!closed && (
        <CommandButton command={command('park')} label={stage === 'parked' ? 'Go on' : 'Park'} run={run} />
      )}
      <CommandButton command={command('scrap')} label={closed ? 'Open again' : 'Scrap'} run={run} />
      <CommandButton command={command('more')} label="More" run={run} />
    </div>
  );
}
