import { useReady } from '~/ui/useReady';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ALLOY_IDS, ALLOYS } from '~/core/materials/alloys';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import type { BoardRecord } from '~/schema/records/board/board';
import { connection } from '~/schema/values/connection';
import type { LibraryPackageRecord } from '~/schema/records/parts/libraryPackage';
import { anyPackage } from '~/schema/values/package';
import { isSurfaceInput, partOf } from '~/schema/exchange/si/part';
import { hasPoles } from '~/core/packages/polarity';
import { PolarityFields } from './PolarityFields';
import { newSite, siteChange } from '~/schema/records/site/site';
import { InputError, parseInput } from '~/schema/values/faults';
import { partFacts } from '~/schema/words/words';
import { ApiError, deleteJson, patchJson, postJson } from '~/ui/api';
import { Button, KeyCap } from '~/ui/controls/Button';
import { Segments, SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { BoardFace, type FaceSite } from '~/ui/face/BoardFace';
import { keyOf } from '~/ui/keyboard/command';
import { useCommands } from '~/ui/keyboard/useCommands';
import { LandDrawing } from '~/ui/land/LandDrawing';
import { SITE_COMMANDS, type SiteCommand } from './commands';
import { CopperFields } from './CopperFields';
import { PackageFields } from './PackageFields';
import { nextReference } from './reference';
import { figureFault, pinCount } from './packageDraft';
import { blankSite, draftOfSite, padsFor, siteOf, type SiteDraft } from './siteDraft';
import { SitesLater } from '~/islands/large/SitesLater';
import { fromPage } from '~/ui/fromPage';
import css from './intake.module.css';

interface SiteFormProps {
  readonly board: BoardRecord;
  readonly sites: readonly SiteSheet[];
  readonly library: readonly LibraryPackageRecord[];
  readonly side: 'top' | 'bottom';
  /** Given: this site is corrected instead of a new one placed. */
  readonly site?: SiteSheet;
}

/** Places one part after another: where it is, by click or by figures, what it is, and what copper each pin meets. */
function SiteForm({ board, sites, library: kept, side: startSide, site: known }: SiteFormProps) {
  const { length_mm, width_mm } = board.construction;
  const form = useForm<SiteDraft>({
    defaultValues: known ? draftOfSite(known) : { ...blankSite(length_mm, width_mm), side: startSide },
  });
  const { register, handleSubmit, watch, setValue, getValues, reset, formState } = form;
  const [library, setLibrary] = useState(kept);
  const [placed, setPlaced] = useState<readonly FaceSite[]>(() =>
    sites.filter((s) => s.id !== known?.id).map((s) => ({ ...s, worst: 'sound' as const, faint: true })),
  );
  const [revision, setRevision] = useState(known?.revision ?? 1);
  const [told, setTold] = useState<string | null>(null);
  /** Deleting was asked for once: the second press means it. */
  const [sure, setSure] = useState(false);
  const [error, setError] = useState<unknown>(null);
  const [pad, setPad] = useState('1');
  const ready = useReady();
  const draft = watch();
  const wanted = siteOf(draft, board.construction) as {
    package: unknown;
    pads: { name: string; net: string; connections: unknown[] }[];
  };
  const part = anyPackage.safeParse(wanted.package);
  const surface = part.success && isSurfaceInput(part.data);
  const faults = error instanceof ApiError ? error.faults : [];
  const faultOf = (...paths: string[]): string | undefined =>
    faults.find((f) => paths.some((path) => f.path === path || f.path.startsWith(`${path}[`)))?.message;

  const write = async (another: boolean): Promise<void> => {
    setError(null);
    setTold(null);
    try {
      const given = siteOf(getValues(), board.construction) as Record<string, unknown>;
      if (known) {
        const { pads: _, ...told } = given;
        const change = parseInput(siteChange, { ...told, revision });
        await patchJson<SiteSheet>(`/api/sites/${known.id}`, change);
        window.location.href = `/boards/${board.id}?site=${known.id}`;
        return;
      }
      const site = parseInput(newSite, given);
      const made = await postJson<SiteSheet>(`/api/boards/${board.id}/sites`, site);
      if (!another) {
        window.location.href = `/boards/${board.id}?site=${made.id}`;
        return;
      }
      const before = [...placed, { ...made, worst: 'sound' as const, faint: true }];
      setPlaced(before);
      setTold(`${made.ref} is placed. Click where the next one goes.`);
      const ref = nextReference(
        made.ref,
        before.map((s) => s.ref),
      );
      reset({ ...getValues(), ref });
      document.querySelector<HTMLInputElement>('input[name="ref"]')?.focus();
    } catch (refused) {
      const current = refused instanceof ApiError ? (refused.current as SiteSheet | null) : null;
      if (known && current) {
        setRevision(current.revision);
        setTold('What you typed is still here; write it once more to put it in place of the other.');
      }
      setError(
        refused instanceof InputError ? new ApiError('bad-input', refused.message, refused.faults) : refused,
      );
    }
  };
  const remove = (): void => {
    setError(null);
    deleteJson(`/api/sites/${known!.id}?revision=${revision}`).then(() => {
      window.location.href = `/boards/${board.id}`;
    }, setError);
  };
  const turn = (): void => setValue('rotation_deg', ((getValues('rotation_deg') || 0) + 90) % 360);
  useCommands<SiteCommand>('place', SITE_COMMANDS, (id) => {
    switch (id) {
      case 'where':
        document.querySelector<HTMLInputElement>('input[name="x_mm"]')?.select();
        return true;
      case 'place':
        void handleSubmit(() => write(false))();
        return true;
      case 'turn':
        turn();
        return true;
      case 'flip':
        setValue('side', getValues('side') === 'top' ? 'bottom' : 'top');
        return true;
    }
  });

  const number = (label: string, name: 'x_mm' | 'y_mm' | 'rotation_deg') => (
    <TextField
      label={label}
      type="number"
      step="any"
      {...register(name, { valueAsNumber: true })}
      fault={faultOf(`$.${name}`)}
    />
  );
  const ghost: FaceSite[] =
    part.success && Number.isFinite(draft.x_mm) && Number.isFinite(draft.y_mm)
      ? [
          {
            id: 'here',
            ref: draft.ref || '?',
            side: draft.side,
            x_mm: draft.x_mm,
            y_mm: draft.y_mm,
            rotation_deg: draft.rotation_deg || 0,
            package: part.data,
            worst: 'sound',
          },
        ]
      : [];

  return (
    <form
      className={css['form']}
      onSubmit={(event) => void handleSubmit(() => write(false))(event)}
      noValidate
      data-ready={ready || undefined}
    >
      <section>
        <h2>Where</h2>
        <div className={css['two']}>
          <TextField
            label="Reference"
            autoFocus
            placeholder="C7"
            {...register('ref')}
            fault={faultOf('$.ref')}
          />
          <TextField
            label="Value"
            placeholder="47 µF 63 V"
            {...register('value')}
            fault={faultOf('$.value')}
          />
        </div>
        <BoardFace
          length_mm={length_mm}
          width_mm={width_mm}
          side={draft.side}
          selected="here"
          sites={[...placed, ...ghost]}
          onPoint={(x_mm, y_mm) => {
            setValue('x_mm', Math.round(x_mm * 2) / 2);
            setValue('y_mm', Math.round(y_mm * 2) / 2);
          }}
        />
        <p className="quiet">Click where its middle lies; half a millimetre is near enough.</p>
        <Segments
          label="Part sits on the"
          value={draft.side}
          onChange={(side) => setValue('side', side)}
          options={[
            { value: 'top', label: 'top' },
            { value: 'bottom', label: 'bottom' },
          ]}
        />
        <div className={css['four']}>
          {number(`x, mm of ${length_mm}`, 'x_mm')}
          {number(`y, mm of ${width_mm}`, 'y_mm')}
          {number('Rotation, °', 'rotation_deg')}
          <Button onClick={turn}>
            Turn <KeyCap of={keyOf(SITE_COMMANDS, 'turn')} />
          </Button>
        </div>
        <SelectField
          label="Solder on the joint"
          value={draft.alloy}
          onChange={(alloy) => setValue('alloy', alloy)}
          options={ALLOY_IDS.map((id) => ({ value: id, label: ALLOYS[id].name }))}
        />
        {!surface && (
          <Segments
            label="Leads on the solder side"
            value={draft.clinched ? 'clinched' : 'straight'}
            onChange={(leads) => setValue('clinched', leads === 'clinched')}
            options={[
              { value: 'straight', label: 'straight' },
              { value: 'clinched', label: 'clinched' },
            ]}
          />
        )}
      </section>
      <section>
        <h2>Part</h2>
        <PackageFields
          part={draft.part}
          library={library}
          onLibrary={setLibrary}
          onPart={(next) => {
            setValue('part', next);
            setValue('pads', padsFor(getValues('pads'), pinCount(next)));
          }}
          faultOf={faultOf}
        />
        <div className={css['preview']}>
          {part.success ? (
            <LandDrawing
              part={part.data}
              from={surface ? 'part side' : 'solder side'}
              selected={pad}
              onSelect={setPad}
              pads={(known?.pads ?? wanted.pads).map((p) => ({
                name: p.name,
                net: p.net,
                state: 'sound',
                connections: p.connections.flatMap((c) => {
                  const known = connection.safeParse(c);
                  return known.success ? [known.data] : [];
                }),
              }))}
            />
          ) : (
            <p className="quiet">{part.error.issues[0] && figureFault(part.error.issues[0])}</p>
          )}
        </div>
        {part.success && hasPoles(partOf(part.data)) && (
          <PolarityFields
            sign={draft.sign}
            fault={faultOf('$.polarity.plusPad', '$.polarity.board.pad')}
            onSign={(sign) => setValue('sign', sign)}
          />
        )}
        {part.success && <p className="quiet">{partFacts(part.data, draft.alloy)}</p>}
        {known ? (
          <p className="quiet">Its copper and nets stay as they are; change them on the board.</p>
        ) : (
          <CopperFields
            form={form}
            pads={wanted.pads.map(({ name }) => name)}
            construction={board.construction}
            faultOf={faultOf}
            onPad={setPad}
          />
        )}
      </section>
      <footer>
        <ErrorNote error={error} />
        {told && <p role="status">{told}</p>}
        <div className={css['keep']}>
          <Button type="submit" look="primary" disabled={formState.isSubmitting}>
            {formState.isSubmitting ? 'Writing…' : known ? 'Write the correction' : 'Place it'}{' '}
            <KeyCap of={keyOf(SITE_COMMANDS, 'place')} />
          </Button>
          {known ? (
            <Button onClick={() => (sure ? remove() : setSure(true))}>
              {sure ? `Yes, delete ${known.ref}` : `Delete ${known.ref} from the record`}
            </Button>
          ) : (
            <Button disabled={formState.isSubmitting} onClick={() => void handleSubmit(() => write(true))()}>
              Place it, then another like it
            </Button>
          )}
        </div>
      </footer>
    </form>
  );
}

export const SiteIsland = fromPage(SiteForm);

/** The same on a large board. */
export const SiteLater = fromPage(({ pads, ...props }: Omit<SiteFormProps, 'sites'> & { pads: number }) => (
  <SitesLater boardId={props.board.id} pads={pads}>
    {(sites) => <SiteForm {...props} sites={sites} />}
  </SitesLater>
));
