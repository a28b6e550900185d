import { useState } from 'react';
import { ANYWHERE } from '~/core/packages/families';
import { codesOf, isSized } from '~/core/packages/sizes';
import { anyPackage } from '~/schema/values/package';
import { PACKAGE_PRESETS } from '~/schema/presets/packagePresets';
import type { LibraryPackageRecord } from '~/schema/records/parts/libraryPackage';
import { deleteJson, postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { SelectField, TextField } from '~/ui/controls/Field';
import { ErrorNote } from '~/ui/controls/Notes';
import { $by } from '~/ui/preferences';
import {
  dimensionWords,
  dimensionsOf,
  draftOf,
  FAMILIES,
  packageInputOf,
  standsAnywhere,
  startOf,
  usualFigures,
  type AnyFamily,
  type PackageDraft,
} from './packageDraft';
import { PinPlaces } from './PinPlaces';
import css from './intake.module.css';
import { dequal } from 'dequal';

interface PackageFieldsProps {
  readonly part: PackageDraft;
  readonly library: readonly LibraryPackageRecord[];
  readonly onLibrary: (library: readonly LibraryPackageRecord[]) => void;
  readonly onPart: (part: PackageDraft) => void;
  readonly faultOf: (...paths: string[]) => string | undefined;
}

/** Fields shown at once; the rest of a family's figures are a click away, since the usual ones mostly hold. */
const FIRST = 6;

/** A part by its standard outline, one of the bench's own, or its figures; what is left blank is the family's usual. */
export function PackageFields({ part, library, onLibrary, onPart, faultOf }: PackageFieldsProps) {
  const [all, setAll] = useState(false);
  const [name, setName] = useState('');
  const [error, setError] = useState<unknown>(null);
  const input = packageInputOf(part);
  const parsed = anyPackage.safeParse(input);
  const usual = parsed.success ? usualFigures(parsed.data) : {};
  const same = (other: object): boolean => dequal(told(other), told(input));
  const own = library.find((kept) => same(kept.package));
  const preset = PACKAGE_PRESETS.find((p) => same(p.package));
  const anywhere = standsAnywhere(part);
  // Places say how many pins there are and how far apart.
  const dimensions = dimensionsOf(part.family).filter((d) => !anywhere || (d !== 'pins' && d !== 'pitch_mm'));
  const shown = all ? dimensions : dimensions.filter((d, i) => i < FIRST || part.figures[d] !== undefined);

  const keep = (): void => {
    setError(null);
    postJson<LibraryPackageRecord>('/api/packages', { name, package: input, by: $by.get() }).then((kept) => {
      onLibrary([...library, kept]);
      setName('');
    }, setError);
  };
  const drop = (kept: LibraryPackageRecord): void => {
    setError(null);
    deleteJson(`/api/packages/${kept.id}`).then(
      () => onLibrary(library.filter((other) => other.id !== kept.id)),
      setError,
    );
  };

  return (
    <>
      <SelectField
        label="Outline"
        value={own ? `own ${own.id}` : preset ? `std ${preset.name}` : ''}
        options={[
          { value: '', label: 'custom size' },
          ...library.map((kept) => ({
            value: `own ${kept.id}`,
            label: kept.name,
            group: 'Outlines of this bench',
          })),
          ...PACKAGE_PRESETS.map((p) => ({
            value: `std ${p.name}`,
            label: `${p.name}, ${p.standard}`,
            group: FAMILIES.find(({ value }) => value === p.package.family)!.label,
          })),
        ]}
        onChange={(value) => {
          const taken =
            library.find((kept) => value === `own ${kept.id}`)?.package ??
            PACKAGE_PRESETS.find((p) => value === `std ${p.name}`)?.package;
          if (taken) onPart(draftOf(taken));
        }}
      />
      <SelectField<AnyFamily>
        label="Family"
        value={part.family}
        options={FAMILIES}
        onChange={(family) => onPart(startOf(family))}
      />
      <div className={css['three']}>
        {isSized(part.family) && (
          <SelectField
            label="Size"
            value={part.code}
            onChange={(code) => onPart({ ...part, code })}
            options={codesOf(part.family).map((value) => ({ value, label: value }))}
            fault={faultOf('$.package.code')}
          />
        )}
        {shown.map((dimension) => (
          <TextField
            key={dimension}
            label={dimensionWords(dimension, part.family)}
            inputMode="decimal"
            autoComplete="off"
            value={part.figures[dimension] ?? ''}
            placeholder={usual[dimension] === undefined ? '' : String(Number(usual[dimension].toFixed(2)))}
            onChange={(event) =>
              onPart({ ...part, figures: { ...part.figures, [dimension]: event.target.value } })
            }
            fault={faultOf(`$.package.${dimension}`)}
          />
        ))}
      </div>
      {(ANYWHERE as ReadonlySet<string>).has(part.family) && (
        <PinPlaces
          key={part.family}
          text={part.places}
          onText={(places) => onPart({ ...part, places })}
          fault={faultOf('$.package.pinPlaces_mm')}
        />
      )}
      <div className={css['keep']}>
        {(all ? dimensions.length > FIRST : shown.length < dimensions.length) && (
          <Button small onClick={() => setAll(!all)}>
            {all ? 'Fewer figures' : `All ${dimensions.length} figures`}
          </Button>
        )}
        {own ? (
          <Button small onClick={() => drop(own)}>
            Take “{own.name}” out of the library
          </Button>
        ) : (
          !preset && (
            <>
              <TextField
                label="Keep this outline as"
                value={name}
                maxLength={60}
                placeholder="Odd connector, 9 mm"
                onChange={(event) => setName(event.target.value)}
              />
              <Button small onClick={keep} disabled={name.trim() === '' || !parsed.success}>
                Keep
              </Button>
            </>
          )
        )}
      </div>
      <ErrorNote error={error} />
    </>
  );
}

/** Without figures that are left to the family. */
const told = (value: object): object =>
  Object.fromEntries(Object.entries(value).filter(([, held]) => held !== undefined));
