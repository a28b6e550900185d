import { useReady } from '~/ui/useReady';
import { useMemo, useReducer, useState, type MouseEvent } from 'react';
import { useDropzone } from 'react-dropzone';
import { millimetres } from '~/core/quantity/convert';
import type { BoardSheet } from '~/schema/sheets/boardSheet';
import type { PhotoRecord } from '~/schema/records/board/photo';
import { placedPadsOf } from '~/schema/exchange/si/placedPads';
import { ApiError, patchJson } from '~/ui/api';
import { Button, ButtonLink, KeyCap } from '~/ui/controls/Button';
import { SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { BoardFace } from '~/ui/face/BoardFace';
import { FacePhoto } from '~/ui/face/FacePhoto';
import { keyOf } from '~/ui/keyboard/command';
import { useCommands } from '~/ui/keyboard/useCommands';
import { PHOTO_COMMANDS, type PhotoCommand } from './commands';
import { LARGEST_PHOTO_MB, pictureUrl, sendPhoto } from './sendPhoto';
import { calibrationOf, reduce } from './state';
import { Picture } from './Picture';
import { TakeAwayDialog } from './TakeAwayDialog';
import { styled } from '~/ui/styled';
import { SitesLater } from '~/islands/large/SitesLater';
import { fromPage } from '~/ui/fromPage';
import css from './photos.module.css';

type PhotosSheet = Pick<BoardSheet, 'board' | 'sites' | 'photos'>;

/** Photos of a board: taken in, and laid under its face by two points whose places are known. */
function PhotosView({ sheet }: { sheet: PhotosSheet }) {
  const { board, sites } = sheet;
  const { length_mm, width_mm, copperLayers } = board.construction;
  const [state, dispatch] = useReducer(reduce, {
    photos: sheet.photos,
    photoId: null,
    ties: [
      { px: '', py: '', x_mm: '', y_mm: '' },
      { px: '', py: '', x_mm: '', y_mm: '' },
    ],
    tie: 0,
    sending: 0,
    error: null,
  });
  const [going, setGoing] = useState<PhotoRecord | null>(null);
  /** What the part is called whose place is looked for, where there are many. */
  const [wanted, setWanted] = useState('');
  const [side, setSide] = useState<'top' | 'bottom'>('top');
  const ready = useReady();
  const photo = state.photos.find((p) => p.id === state.photoId) ?? null;
  const failed = (error: unknown): void => dispatch({ type: 'failed', error });

  const take = async (files: readonly File[]): Promise<void> => {
    dispatch({ type: 'sending', count: files.length });
    try {
      // One after another: a phone's dozen photos would fill the line at once.
      for (const file of files) {
        const sent = await sendPhoto(board.id, file, { side, caption: file.name.slice(0, 200) });
        dispatch({ type: 'sent', photo: sent });
        dispatch({ type: 'choose', photo: sent });
      }
    } catch (error) {
      failed(error);
    }
  };
  const drop = useDropzone({ onDrop: (files) => void take(files), noKeyboard: false });

  const lay = (): void => {
    if (!photo) return;
    const made = calibrationOf(state.ties);
    if ('fault' in made) failed(new Error(made.fault));
    else change(photo, made.of);
  };
  const change = (of: PhotoRecord, calibration: PhotoRecord['calibration']): void => {
    patchJson<PhotoRecord>(`/api/boards/${board.id}/photos/${of.id}`, {
      revision: of.revision,
      calibration,
    }).then(
      (laid) => dispatch({ type: 'laid', photo: laid }),
      (error: unknown) => {
        // Another screen was first: its points are shown, to be gone on from.
        if (error instanceof ApiError && error.kind === 'conflict' && error.current)
          dispatch({ type: 'laid', photo: error.current as PhotoRecord });
        failed(error);
      },
    );
  };
  useCommands<PhotoCommand>('photos', PHOTO_COMMANDS, (id) => {
    switch (id) {
      case 'add':
        drop.open();
        return true;
      case 'lay':
        lay();
        return photo !== null;
      case 'take-away':
        if (photo && !photo.takenAway) setGoing(photo);
        return photo !== null;
    }
  });

  const layers = copperLayers.length;
  const ofFace = photo !== null && photo.side !== null;
  const places = useMemo(
    () => (ofFace ? placesOf(sites, length_mm, width_mm, layers) : []),
    [ofFace, sites, length_mm, width_mm, layers],
  );
  const offered = named(places, wanted);
  const pointed = (event: MouseEvent<HTMLImageElement>): void => {
    if (!photo) return;
    const box = event.currentTarget.getBoundingClientRect();
    dispatch({
      type: 'point',
      px: ((event.clientX - box.left) / box.width) * photo.width_px,
      py: ((event.clientY - box.top) / box.height) * photo.height_px,
    });
  };
  const made = calibrationOf(state.ties);
  const preview = photo && 'of' in made ? { ...photo, calibration: made.of } : null;

  return (
    <div className={css['view']} data-ready={ready || undefined}>
      <div className={css['bar']}>
        <SelectField
          label="New photos show the"
          value={side}
          onChange={setSide}
          options={[
            { value: 'top', label: 'top face' },
            { value: 'bottom', label: 'bottom face' },
          ]}
        />
        <div {...drop.getRootProps({ className: css['drop'] })} data-over={drop.isDragActive || undefined}>
          <input
            {...drop.getInputProps({ accept: 'image/jpeg,image/png,image/webp,image/avif' })}
            className="sr-only"
            style={undefined}
            aria-label="Photos to add"
          />
          {state.sending > 0 ? `Sending ${state.sending}…` : 'Drop photos here, or choose them'}
        </div>
        <Button look="primary" onClick={drop.open}>
          Add photos <KeyCap of={keyOf(PHOTO_COMMANDS, 'add')} />
        </Button>
        <ButtonLink href={`/boards/${board.id}`}>
          Back to the board <KeyCap of="Backspace" />
        </ButtonLink>
      </div>
      <p className="quiet">
        JPEG, PNG, WebP or AVIF up to {LARGEST_PHOTO_MB} MB. Kept upright and smaller, without the place, time
        and make that a camera writes into it.
      </p>
      <ErrorNote error={state.error} />
      {state.photos.length === 0 ? (
        <p>
          No photo yet. One of each face, straight from above, lies under the sites once two points are known.
        </p>
      ) : (
        <ul className={css['thumbs']}>
          {state.photos.map((p) => (
            <li key={p.id}>
              <button
                type="button"
                aria-pressed={p.id === state.photoId}
                onClick={() => dispatch({ type: 'choose', photo: p })}
              >
                <Picture photo={p} alt="" />
                <span>
                  {p.side === null ? 'of a finding' : `${p.side} face`}
                  {p.calibration
                    ? ', under the drawing'
                    : p.side === null || p.takenAway
                      ? ''
                      : ', not aligned yet'}{' '}
                  <em>{p.caption}</em>
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {photo && !photo.takenAway && (
        <p>
          <Button onClick={() => setGoing(photo)}>
            Take this picture away <KeyCap of={keyOf(PHOTO_COMMANDS, 'take-away')} />
          </Button>
        </p>
      )}
      <TakeAwayDialog
        photo={going}
        onClose={() => setGoing(null)}
        onDone={(gone) => {
          setGoing(null);
          dispatch({ type: 'laid', photo: gone });
        }}
      />
      {photo?.side && !photo.takenAway && (
        <div className={css['columns']}>
          <section aria-label="Picture">
            <p className="quiet">
              Click point {state.tie + 1} in the picture: something whose place on the board you know.
            </p>
            <div className={css['picture']}>
              <img src={pictureUrl(photo)} alt={`${photo.side} face`} onClick={pointed} draggable={false} />
              {state.ties.map((tie, i) =>
                tie.px !== '' && tie.py !== '' ? (
                  <span
                    key={i}
                    className={css['tie']}
                    ref={styled({
                      left: `${(100 * Number(tie.px)) / photo.width_px}%`,
                      top: `${(100 * Number(tie.py)) / photo.height_px}%`,
                    })}
                  >
                    {i + 1}
                  </span>
                ) : null,
              )}
            </div>
          </section>
          <section aria-label="Two points" className={css['ties']}>
            {places.length > MOST_OFFERED && (
              <TextField
                label="Part to go by"
                hint={`The first ${MOST_OFFERED} that begin so are offered below`}
                value={wanted}
                onChange={(event) => setWanted(event.target.value)}
              />
            )}
            {([0, 1] as const).map((i) => (
              <fieldset key={i}>
                <legend>Point {i + 1}</legend>
                <SelectField
                  label="Lies at"
                  value=""
                  onChange={(key) => {
                    const place = places.find((p) => p.key === key);
                    if (place) dispatch({ type: 'enter', at: i, of: { x_mm: place.x_mm, y_mm: place.y_mm } });
                  }}
                  options={[
                    { value: '', label: 'a pad or a corner…' },
                    ...offered.map(({ key, label }) => ({ value: key, label })),
                  ]}
                />
                <div className={css['four']}>
                  {(['x_mm', 'y_mm', 'px', 'py'] as const).map((field) => (
                    <TextField
                      key={field}
                      label={FIELD_WORDS[field]}
                      inputMode="decimal"
                      value={state.ties[i][field]}
                      onFocus={() => dispatch({ type: 'tie', at: i })}
                      onChange={(event) =>
                        dispatch({ type: 'enter', at: i, of: { [field]: event.target.value } })
                      }
                    />
                  ))}
                </div>
              </fieldset>
            ))}
            <div className={css['keys']}>
              <Button look="primary" onClick={lay}>
                Lay it under the face <KeyCap of={keyOf(PHOTO_COMMANDS, 'lay')} />
              </Button>
              {photo.calibration && <Button onClick={() => change(photo, null)}>Take it up</Button>}
            </div>
            <BoardFace
              length_mm={length_mm}
              width_mm={width_mm}
              side={photo.side}
              selected={null}
              sites={sites.map((s) => ({ ...s, worst: 'sound', faint: false }))}
              beneath={(at) => preview && <FacePhoto at={at} photo={preview} />}
            />
          </section>
        </div>
      )}
    </div>
  );
}

export const PhotosIsland = fromPage(PhotosView);

/** The same of a large board. */
export const PhotosLater = fromPage(
  ({ sheet, pads }: { sheet: Omit<PhotosSheet, 'sites'>; pads: number }) => (
    <SitesLater boardId={sheet.board.id} pads={pads}>
      {(sites) => <PhotosView sheet={{ ...sheet, sites }} />}
    </SitesLater>
  ),
);

const FIELD_WORDS = { x_mm: 'x, mm', y_mm: 'y, mm', px: 'right, px', py: 'down, px' } as const;

/** Nobody looks for a place in a longer list. */
const MOST_OFFERED = 200;

/** Places whose name begins so, corners always; not more than are looked through. */
const named = (places: readonly Place[], wanted: string): readonly Place[] =>
  places
    .filter(
      ({ label }) =>
        label.startsWith('corner') || label.toLowerCase().startsWith(wanted.trim().toLowerCase()),
    )
    .slice(0, MOST_OFFERED);

interface Place {
  readonly key: string;
  readonly label: string;
  readonly x_mm: string;
  readonly y_mm: string;
}

/** Corners and first pins, as places that are easily found in a photo. */
function placesOf(sites: PhotosSheet['sites'], length_mm: number, width_mm: number, layers: number): Place[] {
  const at = (key: string, label: string, x_mm: number, y_mm: number) => ({
    key,
    label,
    x_mm: String(Math.round(x_mm * 100) / 100),
    y_mm: String(Math.round(y_mm * 100) / 100),
  });
  const corners = [
    at('c1', 'corner 0, 0', 0, 0),
    at('c2', `corner ${length_mm}, 0`, length_mm, 0),
    at('c3', `corner 0, ${width_mm}`, 0, width_mm),
    at('c4', `corner ${length_mm}, ${width_mm}`, length_mm, width_mm),
  ];
  const refs = new Map(sites.map(({ id, ref }) => [id, ref]));
  const firsts = placedPadsOf(sites, layers).filter(({ name }) => name === '1' || name === 'A1');
  return [
    ...corners,
    ...firsts.map((pad) =>
      at(pad.id, `${refs.get(pad.siteId)!} pin ${pad.name}`, millimetres(pad.x_m), millimetres(pad.y_m)),
    ),
  ];
}
