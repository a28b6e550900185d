import { useMemo } from 'react';
import { AS_IT_CAME, OCCUPANCIES, type Occupancy } from '~/core/record/occupancy';
import { PAD_STATE_IDS, PAD_STATES } from '~/core/record/padStates';
import type { BoardSheet, SiteSheet } from '~/schema/sheets/boardSheet';
import type { FacePoint } from '~/schema/records/board/faceFinding';
import { SelectField, TextField } from '~/ui/controls/Field';
import { BoardFace, type FaceScale } from '~/ui/face/BoardFace';
import { FaceFindings, FaceShapes, PlaceShape } from '~/ui/face/FaceFindings';
import { standing } from '~/ui/face/facePlaces';
import { FacePhoto } from '~/ui/face/FacePhoto';
import { Profile } from '~/ui/face/Profile';
import { useCommands } from '~/ui/keyboard/useCommands';
import { worstOf, type PadStates } from '~/islands/findings/marking';
import { DRAW_COMMANDS, type DrawCommand } from './commands';
import type { SiteFilter } from './find';
import { Groups } from './Groups';
import { Habits } from './Habits';
import type { BoardAction, BoardState } from './state';
import { useCopper } from './useCopper';
import css from './board.module.css';

interface FacePanelProps {
  readonly sheet: BoardSheet;
  readonly state: BoardState;
  readonly dispatch: (action: BoardAction) => void;
  /** Sites that pass what the list is narrowed to. */
  readonly shown: readonly SiteSheet[];
  readonly padStates: PadStates;
  /** What stands on each site, by its id. */
  readonly occupancies: Readonly<Record<string, Occupancy>>;
  readonly onPick: (id: string) => void;
}

/** A key moves the cross by this; both ends of a board are a few seconds apart. */
const STEP_mm = 1;

/** One face of the board with everything that lies on it, and the list of its sites. */
export function FacePanel({ sheet, state, dispatch, shown, padStates, occupancies, onPick }: FacePanelProps) {
  const { board } = sheet;
  const { construction } = board;
  const { sites, drawing, side } = state;
  const copper = useCopper(board.id, sheet.artworks, side === 'top' ? 1 : construction.copperLayers.length);
  const photo = state.photos.findLast((p) => p.side === side && p.calibration !== null);
  const profile = sheet.imports.findLast((i) => i.undoneAt_ms === null && i.profile !== null)?.profile;
  const seen = standing(state.faceFindings).filter((f) => f.side === side);
  const present = new Set(padStates.values());
  const visible = shown.map((s) => s.id).join(' ');
  // The face is drawn anew only when something on it changes, not with every letter typed beside it.
  const faceSites = useMemo(() => {
    const passed = new Set(visible.split(' '));
    return sites.map((s) => ({
      ...s,
      faint: !passed.has(s.id),
      worst: worstOf(padStates, s.pads),
      occupancy: (occupancies[s.id] ?? AS_IT_CAME).kind,
    }));
  }, [sites, visible, padStates, occupancies]);

  const move = (dx: number, dy: number): boolean => {
    if (!drawing || drawing.ended) return false;
    const inside = (value: number, most: number): number => Math.min(most, Math.max(0, value));
    const to = {
      x_mm: inside(drawing.cursor.x_mm + dx * (side === 'bottom' ? -1 : 1) * STEP_mm, construction.length_mm),
      y_mm: inside(drawing.cursor.y_mm + dy * STEP_mm, construction.width_mm),
    };
    dispatch({ type: 'cursor', to });
    return true;
  };
  useCommands<DrawCommand>(
    'face-drawing',
    DRAW_COMMANDS,
    (id) => {
      if (!drawing) return false;
      switch (id) {
        case 'left':
          return move(-1, 0);
        case 'right':
          return move(1, 0);
        case 'up':
          return move(0, 1);
        case 'down':
          return move(0, -1);
        case 'point':
          dispatch({ type: 'point', at: drawing.cursor });
          return true;
        case 'back':
          dispatch({ type: 'point-back' });
          return true;
        case 'end':
          dispatch({ type: 'draw-end' });
          return true;
        case 'leave':
          dispatch({ type: 'draw-leave' });
          return true;
      }
    },
    { repeats: true },
  );

  return (
    <section aria-label="Face" className={css['face']}>
      <BoardFace
        length_mm={construction.length_mm}
        width_mm={construction.width_mm}
        side={side}
        selected={state.siteId}
        onSelect={onPick}
        copper={copper}
        sites={faceSites}
        beneath={(at) => (
          <>
            {photo && <FacePhoto at={at} photo={photo} />}
            {profile && <Profile at={at} profile={profile} />}
            <FaceShapes at={at} findings={seen} />
          </>
        )}
        over={(at) => (
          <>
            <FaceFindings
              at={at}
              findings={seen}
              selected={state.placeId}
              onSelect={drawing ? undefined : (id) => dispatch({ type: 'place', id })}
            />
            {drawing && (
              <g pointerEvents="none">
                <PlaceShape at={at} kind={drawing.kind} points={drawing.points} />
                {!drawing.ended && <Cross at={at} to={drawing.cursor} />}
              </g>
            )}
          </>
        )}
        onPoint={
          drawing && !drawing.ended
            ? (x_mm, y_mm) => dispatch({ type: 'point', at: { x_mm: tenth(x_mm), y_mm: tenth(y_mm) } })
            : undefined
        }
        onPointsEnd={drawing ? () => dispatch({ type: 'draw-end' }) : undefined}
      />
      <div className={css['lists']}>
        {sites.length > 1 && (
          <div className={css['narrow']}>
            <SelectField<SiteFilter>
              label="Show"
              value={state.filter}
              onChange={(filter) => dispatch({ type: 'filter', filter })}
              options={[
                { value: 'all', label: `all ${sites.length} parts` },
                { value: 'defects', label: 'with any defect' },
                { value: 'heated', label: 'heated here' },
                { value: 'untouched', label: 'nothing found, no heat' },
                ...PAD_STATE_IDS.filter((id) => present.has(id)).map((id) => ({
                  value: id,
                  label: `${PAD_STATES[id].letter} · ${PAD_STATES[id].name.toLowerCase()}`,
                })),
              ]}
            />
            <TextField
              label="Find by reference, value or net"
              value={state.query}
              onChange={(event) => dispatch({ type: 'query', query: event.target.value })}
            />
          </div>
        )}
        <Groups boardId={board.id} state={state} shown={shown} dispatch={dispatch} />
        <Habits sites={sites} side={side} />
        {shown.length === 0 && sites.length > 0 && <p className="quiet">No part is like that.</p>}
        <ol className={css['sites']}>
          {shown.map((s) => (
            <li key={s.id}>
              <button
                type="button"
                className={s.id === state.siteId ? css['chosen'] : ''}
                aria-pressed={s.id === state.siteId}
                onClick={() => onPick(s.id)}
              >
                <strong className="digits">{s.ref}</strong> {s.value}
                <OccupancyWord of={occupancies[s.id]} />
              </button>
            </li>
          ))}
        </ol>
      </div>
    </section>
  );
}

const tenth = (mm: number): number => Math.round(mm * 10) / 10;

function Cross({ at, to }: { at: FaceScale; to: FacePoint }) {
  const [x, y] = [at.x(to.x_mm), at.y(to.y_mm)];
  return (
    <g className={css['cross']} strokeWidth={at.text * 0.12}>
      <line x1={x - at.text} x2={x + at.text} y1={y} y2={y} />
      <line x1={x} x2={x} y1={y - at.text} y2={y + at.text} />
    </g>
  );
}

/** What stands on a site, where it is not simply its part. */
function OccupancyWord({ of }: { of: Occupancy | undefined }) {
  return of && of.kind !== 'fitted' ? <span className={css['off']}> {OCCUPANCIES[of.kind].name}</span> : null;
}
