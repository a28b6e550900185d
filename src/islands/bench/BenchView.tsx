import { useReady } from '~/ui/useReady';
import { useEffect, useReducer, useRef } from 'react';
import type { BoardRecord } from '~/schema/records/board/board';
import { ButtonLink, KeyCap } from '~/ui/controls/Button';
import { useCommands } from '~/ui/keyboard/useCommands';
import { BENCH_COMMANDS, type BenchCommand } from './commands';
import { GROUPS, matching, reduce, START } from './state';
import css from './bench.module.css';

/** Every board in the shop by what it waits for, with the next action named. */
export function BenchView({ boards }: { boards: readonly BoardRecord[] }) {
  const [state, dispatch] = useReducer(reduce, START);
  const ready = useReady();
  const find = useRef<HTMLInputElement>(null);

  const shown = matching(boards, state.filter);
  const groups = GROUPS.map((group) => ({
    ...group,
    boards: shown.filter((b) => b.waitingFor === group.waitingFor),
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
            placeholder="Find a board, fault or owner"
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
          Take in a board <KeyCap of="n" />
        </ButtonLink>
      </div>
      {groups.length === 0 && (
        <p className={css['none']}>
          No board matches “{state.filter}”. Clear the field to see all {boards.length}.
        </p>
      )}
      {groups.map((group) => (
        <section key={group.waitingFor} className={css['group']} aria-label={group.title}>
          <h2>
            {group.title} <span className={css['count']}>{group.boards.length}</span>
          </h2>
          <ul>
            {group.boards.map((board) => (
              <BoardLine key={board.id} board={board} selected={board.id === state.selected} />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function BoardLine({ board, selected }: { board: BoardRecord; selected: boolean }) {
  return (
    <li id={`board-${board.id}`} className={`${css['line']} ${selected ? css['selected'] : ''}`}>
      <a href={`/boards/${board.id}`} aria-current={selected || undefined}>
        <span className={css['name']}>{board.name}</span>
        <span className={css['fault']}>{board.fault}</span>
        <span className={css['next']}>
          {board.nextAction || (board.outcome ? `Outcome: ${board.outcome}` : '')}
        </span>
        <span className={css['owner']}>{board.owner}</span>
      </a>
    </li>
  );
}

function EmptyBench() {
  return (
    <div className={css['empty']}>
      <h2>The bench is clear</h2>
      <p>
        Take in a board to begin: what it is, who brought it, what is wrong with it, and what it is made of.
      </p>
      <ButtonLink href="/boards/new" look="primary">
        Take in a board <KeyCap of="n" />
      </ButtonLink>
    </div>
  );
}
