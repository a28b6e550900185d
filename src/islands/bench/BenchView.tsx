import { useReady } from '~/ui/useReady';
import { useEffect, useReducer, useRef, useState } from 'react';
import { MOST_FIND, type BenchBoard, type BenchSheet } from '~/schema/sheets/benchSheet';
import type { WaitingFor } from '~/core/record/waiting';
import { Button, ButtonLink, KeyCap } from '~/ui/controls/Button';
import { clockWords } from '~/ui/clockWords';
import { sinceText } from '~/ui/figures';
import { useCommands } from '~/ui/keyboard/useCommands';
import { BENCH_COMMANDS, type BenchCommand } from './commands';
import { GROUPS, matching, reduce, START, waitsFor } from './state';
import { useFinds } from './useFinds';
import { useMore, useNearing } from './useMore';
import { fromPage } from '~/ui/fromPage';
import css from './bench.module.css';

/** A board's clock ends to the second on its own page; here a few will do. */
const TICK_ms = 3000;

/** Every board in the shop by what it waits for, with the next action named. */
export function BenchView({
  boards: first,
  counts,
  now_ms: first_ms,
}: BenchSheet & { readonly now_ms: number }) {
  const [state, dispatch] = useReducer(reduce, START);
  const ready = useReady();
  const find = useRef<HTMLInputElement>(null);

  const { finds, boards: elsewhere } = useFinds(state.filter);
  const [now_ms, setNow] = useState(first_ms);
  useEffect(() => {
    const skew_ms = first_ms - Date.now();
    const timer = setInterval(() => setNow(Date.now() + skew_ms), TICK_ms);
    return () => clearInterval(timer);
  }, [first_ms]);

  const more = useMore();
  const boards = joined(first, more.boards);
  const shown = matching(joined(boards, elsewhere), state.filter, finds);
  // A page follows what is here of the same kind, whatever its clock makes of it.
  const left = (waits: WaitingFor): number =>
    state.filter === ''
      ? (counts[waits] ?? 0) - boards.filter(({ waitingFor }) => waitingFor === waits).length
      : 0;
  const groups = GROUPS.map((group) => ({
    ...group,
    boards: shown.filter((b) => waitsFor(b, now_ms) === group.waitingFor),
  })).filter((g) => g.boards.length > 0);
  const order = groups.flatMap((group) => group.boards.map((b) => b.id));

  useEffect(() => {
    if (state.selected)
      document.getElementById(`board-${state.selected}`)?.scrollIntoView({ block: 'nearest' });
  }, [state.selected]);

  useCommands<BenchCommand>('bench', BENCH_COMMANDS, (id) => {
    switch (id) {
      case 'next':
      case 'previous':
        dispatch({ type: 'move', by: id === 'next' ? 1 : -1, order });
        return true;
      case 'open':
        if (state.selected) window.location.href = `/boards/${state.selected}`;
        return state.selected !== null;
      case 'find':
        find.current?.focus();
        return true;
      case 'new-board':
        window.location.href = '/boards/new';
        return true;
    }
  });

  if (boards.length === 0) return <EmptyBench />;
  return (
    <div data-ready={ready || undefined}>
      <div className={css['bar']}>
        <label className={css['find']}>
          <span className="sr-only">Find a board</span>
          <input
            ref={find}
            role="searchbox"
            autoComplete="off"
            placeholder="Find a board, owner, part, finding or note"
            maxLength={MOST_FIND}
            value={state.filter}
            onChange={(event) => dispatch({ type: 'filter', text: event.target.value })}
            onKeyDown={(event) => {
              if (!['Escape', 'Enter', 'ArrowDown'].includes(event.key)) return;
              event.preventDefault();
              event.currentTarget.blur();
              if (event.key !== 'Escape') dispatch({ type: 'move', by: 1, order });
            }}
          />
          <KeyCap of="/" />
        </label>
        <ButtonLink href="/boards/new">
          Book in a board <KeyCap of="n" />
        </ButtonLink>
      </div>
      {groups.length === 0 && (
        <p className={css['none']}>
          No board matches “{state.filter}”. Clear the field to see the bench again.
        </p>
      )}
      {groups.map((group) => (
        <section key={group.waitingFor} className={css['group']} aria-label={group.title}>
          <h2>
            {group.title} <span className={css['count']}>{group.boards.length + left(group.waitingFor)}</span>
          </h2>
          <ul>
            {group.boards.map((board) => (
              <BoardLine
                key={board.id}
                board={board}
                because={finds.get(board.id) ?? ''}
                clock={clockInWords(board, now_ms)}
                selected={board.id === state.selected}
              />
            ))}
          </ul>
          {left(group.waitingFor) > 0 && (
            <MoreBoards
              key={boards.length}
              left={left(group.waitingFor)}
              failed={more.failed}
              onMore={() =>
                more.fetch(group.waitingFor, (counts[group.waitingFor] ?? 0) - left(group.waitingFor))
              }
            />
          )}
        </section>
      ))}
    </div>
  );
}

export const BenchIsland = fromPage(BenchView);

/** Boards by their order here, each once. */
function joined(some: readonly BenchBoard[], others: readonly BenchBoard[]): readonly BenchBoard[] {
  const known = new Set(some.map(({ id }) => id));
  return [...some, ...others.filter(({ id }) => !known.has(id))];
}

/** Boards further down: they come as the list is scrolled to its end, or when asked for. */
function MoreBoards({
  left,
  failed,
  onMore,
}: {
  readonly left: number;
  readonly failed: boolean;
  readonly onMore: () => void;
}) {
  const end = useNearing<HTMLParagraphElement>(onMore);
  return (
    <p className={css['more']} ref={end}>
      <Button onClick={onMore}>{left} more</Button>
      <span className="quiet" role="status">
        {failed
          ? 'The bench computer does not answer; press again.'
          : 'Or find one by name, part, finding or note.'}
      </span>
    </p>
  );
}

interface BoardLineProps {
  readonly board: BenchBoard;
  /** What of the search is on it; empty where nothing is told. */
  readonly because: string;
  /** Of the clock that it waits for: how long it still runs, or is over, and what is allowed then. */
  readonly clock: string;
  readonly selected: boolean;
}

function BoardLine({ board, because, clock, selected }: BoardLineProps) {
  return (
    <li id={`board-${board.id}`} className={`${css['line']} ${selected ? css['selected'] : ''}`}>
      <a href={`/boards/${board.id}`} aria-current={selected || undefined}>
        <span className={css['name']}>{board.name}</span>
        <span className={css['fault']}>
          {because && <strong>{because}. </strong>}
          {board.fault}
        </span>
        <span className={css['next']}>
          {clock && <strong>{clock} </strong>}
          {board.nextAction || (board.outcome ? `Outcome: ${board.outcome}` : '')}
        </span>
        <span className={css['owner']}>{board.owner}</span>
      </a>
    </li>
  );
}

/** "4 min left.", "2 h 09 min over. Ready: go on." A list is not looked at by the second. */
function clockInWords({ due_ms }: BenchBoard, now_ms: number): string {
  if (due_ms === null) return '';
  const { state, figure, says, allowed } = clockWords('wait', due_ms - now_ms);
  return state === 'running' ? `${sinceText(due_ms - now_ms)} left.` : `${figure} ${says}. ${allowed}.`;
}

function EmptyBench() {
  return (
    <div className={css['empty']}>
      <h2>The bench is clear</h2>
      <p>
        Book in a board to begin: what it is, who brought it, what is wrong with it, and what it is made of.
      </p>
      <ButtonLink href="/boards/new" look="primary">
        Book in a board <KeyCap of="n" />
      </ButtonLink>
    </div>
  );
}
