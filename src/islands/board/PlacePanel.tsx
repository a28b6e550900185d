import { useState } from 'react';
import type { FaceFindingRecord, FacePoint } from '~/schema/records/board/faceFinding';
import { FACE_STATE_IDS, FACE_STATES, type FaceState } from '~/core/record/faceStates';
import { PAD_STATES } from '~/core/record/padStates';
import { millimetres } from '~/core/quantity/convert';
import { placedPadsOf } from '~/schema/exchange/si/placedPads';
import { postJson } from '~/ui/api';
import { Button, KeyCap } from '~/ui/controls/Button';
import { Segments, SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { liesUnder, placeInWords } from '~/ui/face/facePlaces';
import { $by } from '~/ui/preferences';
import { FoundAsField } from '~/islands/findings/FoundAsField';
import { padState } from '~/islands/findings/marking';
import { FindingPhotos } from '~/islands/photos/FindingPhotos';
import { LEAST_POINTS, type BoardAction, type BoardState } from './state';
import css from './board.module.css';
import { day } from '~/ui/dates';

interface PlacePanelProps {
  readonly boardId: string;
  readonly copperLayers: number;
  readonly state: BoardState;
  readonly dispatch: (action: BoardAction) => void;
}

/** A track, via or area on the face: what is being drawn, or what is known of one and all that lies under it. */
export function PlacePanel({ boardId, copperLayers, state, dispatch }: PlacePanelProps) {
  const { drawing } = state;
  const place = state.faceFindings.find((f) => f.id === state.placeId) ?? null;
  const shape = place ?? (drawing?.ended ? { ...drawing, side: state.side } : null);
  return (
    <section aria-label="Place on the face" className={css['site']}>
      <div className={css['siteHead']}>
        <h2>{place ? placeInWords(place) : 'Mark the face'}</h2>
        <Button onClick={() => dispatch(place ? { type: 'place', id: null } : { type: 'draw-leave' })}>
          {place ? 'Back to the part' : 'Leave it'} {!place && <KeyCap of="Escape" />}
        </Button>
      </div>
      {drawing && (
        <>
          <Segments
            label="What lies there"
            value={drawing.kind}
            onChange={(kind) => dispatch({ type: 'draw', kind, cursor: drawing.cursor })}
            options={[
              { value: 'area', label: 'an area' },
              { value: 'track', label: 'a track' },
              { value: 'via', label: 'a via' },
            ]}
          />
          {!drawing.ended && (
            <p role="status">
              {drawing.kind === 'via'
                ? 'Click the via, or bring the cross there with the arrow keys and press Space.'
                : `Click ${drawing.kind === 'area' ? 'round the area' : 'along the track'}, double-click to end. By keys: arrows move the cross, Space sets a point, Delete takes one back, Enter ends.`}{' '}
              <span className="digits">
                {drawing.points.length} of at least {LEAST_POINTS[drawing.kind]}
              </span>
            </p>
          )}
        </>
      )}
      {shape && (
        <>
          <Under shape={shape} copperLayers={copperLayers} state={state} />
          {place && <Life place={place} state={state} boardId={boardId} dispatch={dispatch} />}
          <Record
            key={place?.id ?? 'new'}
            boardId={boardId}
            shape={shape}
            follows={place}
            state={state}
            dispatch={dispatch}
          />
        </>
      )}
      <ErrorNote error={state.error} />
    </section>
  );
}

interface Shape extends Pick<FaceFindingRecord, 'kind' | 'side'> {
  readonly points: readonly FacePoint[];
}

/** Everything that an area or a track lies over or under: pads by site, with their states. */
function Under({ shape, copperLayers, state }: { shape: Shape; copperLayers: number; state: BoardState }) {
  const pads = placedPadsOf(state.sites, copperLayers).filter(
    (pad) => pad.faces.includes(shape.side) && liesUnder(shape, [millimetres(pad.x_m), millimetres(pad.y_m)]),
  );
  if (pads.length === 0) return <p className="quiet">No pad of a known part lies under it.</p>;
  const bySite = state.sites.flatMap((site) => {
    const here = pads.filter((pad) => pad.siteId === site.id);
    return here.length > 0 ? [{ site, here }] : [];
  });
  return (
    <div>
      <h3>
        Under it: {pads.length} {pads.length === 1 ? 'pad' : 'pads'} of {bySite.length}{' '}
        {bySite.length === 1 ? 'part' : 'parts'}
      </h3>
      <ul className={css['under']}>
        {bySite.map(({ site, here }) => (
          <li key={site.id}>
            <strong className="digits">{site.ref}</strong>{' '}
            {site.value && <span className="quiet">{site.value}: </span>}
            {here
              .slice(0, 40)
              .map((pad) => {
                const now = PAD_STATES[padState(state.findings, pad.id)];
                return `${pad.name}${pad.net ? ` ${pad.net}` : ''}${now.defect ? ` (${now.name.toLowerCase()})` : ''}`;
              })
              .join(', ')}
            {here.length > 40 ? ` and ${here.length - 40} more` : ''}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The entries on one place, oldest first. */
function Life({
  place,
  state,
  boardId,
  dispatch,
}: {
  place: FaceFindingRecord;
  state: BoardState;
  boardId: string;
  dispatch: (action: BoardAction) => void;
}) {
  const chain: FaceFindingRecord[] = [];
  for (let at: FaceFindingRecord | undefined = place; at;) {
    chain.unshift(at);
    const before: string | null = at.followsId;
    at = state.faceFindings.find((f) => f.id === before);
  }
  return (
    <ol className={css['under']}>
      {chain.map((entry) => (
        <li key={entry.id}>
          {FACE_STATES[entry.state].name}
          {entry.foundAs === 'as-received' ? ', as received' : ', here'}
          {entry.note && `. ${entry.note}`}{' '}
          <span className="quiet digits">
            {day(entry.at_ms)} {entry.by}
          </span>
          <FindingPhotos
            boardId={boardId}
            of={{ faceFindingId: entry.id }}
            photos={state.photos.filter((photo) => photo.faceFindingId === entry.id)}
            onPhoto={(photo) => dispatch({ type: 'photo', photo })}
            onError={(error) => dispatch({ type: 'failed', error })}
          />
        </li>
      ))}
    </ol>
  );
}

/** Records what was found at a place, or what has become of it since. */
function Record({
  boardId,
  shape,
  follows,
  state,
  dispatch,
}: {
  boardId: string;
  shape: Shape;
  follows: FaceFindingRecord | null;
  state: BoardState;
  dispatch: (action: BoardAction) => void;
}) {
  const fitting = FACE_STATE_IDS.filter((id) =>
    (FACE_STATES[id].on as readonly string[]).includes(shape.kind),
  );
  const [found, setFound] = useState<FaceState>(
    follows ? 'repaired' : (fitting.find((id) => FACE_STATES[id].defect) ?? 'sound'),
  );
  const record = (): void => {
    postJson<FaceFindingRecord>(`/api/boards/${boardId}/face-findings`, {
      side: shape.side,
      kind: shape.kind,
      points: shape.points,
      state: found,
      foundAs: state.foundAs,
      followsId: follows?.id ?? null,
      note: state.note,
      by: $by.get(),
    }).then(
      (finding) => dispatch({ type: 'place-found', finding }),
      (error: unknown) => dispatch({ type: 'failed', error }),
    );
  };
  return (
    <form
      className={css['copperBar']}
      onSubmit={(event) => {
        event.preventDefault();
        record();
      }}
    >
      <SelectField
        label={follows ? 'Now it is' : 'It is'}
        value={found}
        onChange={setFound}
        options={fitting.map((id) => ({
          value: id,
          label: `${FACE_STATES[id].letter} · ${FACE_STATES[id].name}`,
        }))}
      />
      <FoundAsField value={state.foundAs} onChange={(foundAs) => dispatch({ type: 'found-as', foundAs })} />
      <TextField
        label="Note"
        value={state.note}
        maxLength={400}
        onChange={(event) => dispatch({ type: 'note', note: event.target.value })}
      />
      <Button type="submit" look="primary">
        {follows ? 'Record what it is now' : 'Record it'}
      </Button>
    </form>
  );
}
