import { useState } from 'react';
import { alikeParts } from '~/core/packages/groups';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import type { SiteGroupRecord } from '~/schema/records/board/siteGroup';
import { deleteJson, postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { TextField } from '~/ui/controls/Field';
import type { BoardAction, BoardState } from './state';
import css from './board.module.css';

interface GroupsProps {
  readonly boardId: string;
  readonly state: BoardState;
  readonly shown: readonly SiteSheet[];
  readonly dispatch: (action: BoardAction) => void;
}

/** Likenesses offered at once; a board of a thousand parts has dozens. */
const OFFERED = 6;

/** Sites taken together: kept groups, parts that are alike, and a name for what is shown now. */
export function Groups({ boardId, state, shown, dispatch }: GroupsProps) {
  const [name, setName] = useState('');
  const alike = alikeParts(state.sites).slice(0, OFFERED);
  const chosen = state.group;
  if (
    state.sites.length < 2 ||
    (alike.length === 0 && state.groups.length === 0 && shown.length === state.sites.length)
  )
    return null;
  const same = (ids: readonly string[]): boolean =>
    chosen !== null && chosen.length === ids.length && ids.every((id) => chosen.includes(id));
  const choose = (ids: readonly string[]): void =>
    dispatch({ type: 'group', siteIds: same(ids) ? null : ids });
  const failed = (error: unknown): void => dispatch({ type: 'failed', error });
  const keep = (): void => {
    postJson<SiteGroupRecord>(`/api/boards/${boardId}/groups`, {
      name,
      siteIds: shown.map((s) => s.id),
    }).then((group) => {
      setName('');
      dispatch({ type: 'groups', groups: [...state.groups, group] });
    }, failed);
  };
  const drop = (group: SiteGroupRecord): void => {
    deleteJson(`/api/boards/${boardId}/groups/${group.id}`).then(
      () => dispatch({ type: 'groups', groups: state.groups.filter((g) => g.id !== group.id) }),
      failed,
    );
  };
  const kept = state.groups.find((group) => same(group.siteIds));
  return (
    <div className={css['groups']} role="group" aria-label="Groups of sites">
      <div className={css['ways']}>
        {state.groups.map((group) => (
          <Button key={group.id} small pressed={same(group.siteIds)} onClick={() => choose(group.siteIds)}>
            {group.name} <span className="digits">{group.siteIds.length}</span>
          </Button>
        ))}
        {alike.map((group) => (
          <Button
            key={`${group.family} ${group.value}`}
            small
            pressed={same(group.siteIds)}
            onClick={() => choose(group.siteIds)}
          >
            all {group.value} <span className="digits">{group.siteIds.length}</span>
          </Button>
        ))}
        {kept && (
          <Button small look="plain" onClick={() => drop(kept)}>
            Forget “{kept.name}”
          </Button>
        )}
      </div>
      {shown.length > 1 && shown.length < state.sites.length && !kept && (
        <form
          className={css['netForm']}
          onSubmit={(event) => {
            event.preventDefault();
            keep();
          }}
        >
          <TextField
            label={`Keep these ${shown.length} as a group called`}
            value={name}
            maxLength={60}
            placeholder="Bank of memory"
            onChange={(event) => setName(event.target.value)}
          />
          <Button type="submit" small disabled={name.trim() === ''}>
            Keep
          </Button>
        </form>
      )}
    </div>
  );
}
