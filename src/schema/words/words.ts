import type { Outcome } from '~/core/record/outcomes';
import type { Awaits, MeasuredBy, Passed } from '~/core/record/runEvents';
import type { Goal, Phase } from '~/core/method/goals';
import type { Hazard, Worth } from '~/core/method/request';
import { FINISHES } from '~/core/materials/finishes';
import type { BoardRecord } from '~/schema/records/board/board';
import type { ConnectionRecord } from '~/schema/values/connection';
import { USUAL_SPOKES } from '~/schema/values/usualSpokes';
import type { Construction } from '~/schema/values/construction';
import { familyName, isSurfaceInput, partOf } from '~/schema/exchange/si/part';
import type { AnyPackageInput } from '~/schema/values/package';
import { formOf, isSurface, mass_kg, padNamesOf } from '~/core/packages/form';
import { FAMILY_TRAITS } from '~/core/packages/families';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import { LEAD_METALS } from '~/core/materials/leads';
import type { AlloyId } from '~/core/materials/alloys';
import { celsius, millimetres } from '~/core/quantity/convert';
import { LAMINATES } from '~/core/materials/laminates';

/** Records in the trade's words; every screen that names one of these says it the same way. */

export const GOAL_WORDS: Readonly<Record<Goal, string>> = {
  'remove-keep-part': 'Remove, keep the part',
  'remove-sacrifice-part': 'Remove, part is scrap',
  reflow: 'Re-melt in place',
  fit: 'Fit a part',
  'fit-socket': 'Fit a socket',
  replace: 'Replace: off, dress, on',
  'read-and-refit': 'Take off, read, refit',
};

export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  fixed: 'fixed',
  improved: 'improved',
  'part-done': 'part done',
  unchanged: 'unchanged',
  worse: 'worse',
  scrapped: 'scrapped',
  parked: 'parked',
};

/** An outcome as an entry holds it; one of a later version is said as it stands. */
export const outcomeInWords = (outcome: string): string =>
  (OUTCOME_WORDS as Readonly<Record<string, string | undefined>>)[outcome] ?? outcome;

export const AWAITS_WORDS: Readonly<Record<Awaits, string>> = {
  part: 'a part',
  answer: 'an answer',
  time: 'some time',
};

export const HAZARD_WORDS: Readonly<Record<Hazard, string>> = {
  'stored-charge': 'Stored charge',
  mains: 'Mains primary',
  eht: 'Picture tube or other EHT',
  lithium: 'Lithium cell',
  'leaking-electrolyte': 'Leaking electrolyte',
};

export const PHASE_WORDS: Readonly<Record<Phase, string>> = {
  remove: 'Take it off',
  reflow: 'Re-melt it',
  fit: 'Put it on',
};

export const WORTH_WORDS: Readonly<Record<Worth, string>> = {
  cheap: 'easy to replace',
  ordinary: 'normal',
  scarce: 'hard to get',
};

export function connectionInWords(list: readonly ConnectionRecord[]): string {
  if (list.length === 0 || list.every((c) => c.kind === 'isolated')) return 'isolated';
  return list
    .filter((c) => c.kind !== 'isolated')
    .map((c) => {
      switch (c.kind) {
        case 'track':
          return `${c.count > 1 ? `${c.count} tracks` : 'track'} ${c.width_mm} mm`;
        case 'thermal-relief':
          return `relief${spokeWords(c)} to ${layerWords(c.layers)}${aboutWords(c.pourShare)}`;
        case 'solid-plane':
          return `solid plane, ${layerWords(c.layers)}${aboutWords(c.pourShare)}`;
      }
    })
    .join(' + ');
}

/** Spokes are told where they are not as layouts usually draw them: they were measured. */
function spokeWords(c: Extract<ConnectionRecord, { kind: 'thermal-relief' }>): string {
  const usual = Object.entries(USUAL_SPOKES).every(
    ([key, value]) => c[key as keyof typeof USUAL_SPOKES] === value,
  );
  return usual ? '' : `, ${c.spokes} spoke${c.spokes > 1 ? 's' : ''} of ${c.spokeWidth_mm} mm,`;
}

const aboutWords = (share: number | undefined): string =>
  share === undefined ? '' : `, ${Math.round(100 * share)} % copper about it`;

const layerWords = (layers: readonly number[]): string =>
  `layer${layers.length > 1 ? 's' : ''} ${layers.join(', ')}`;

export function packageInWords(p: AnyPackageInput): string {
  const name = familyName(p.family);
  if (isSurfaceInput(p)) {
    const size = p.code ?? (p.pitch_mm === undefined ? null : `pitch ${p.pitch_mm} mm`);
    return [name, `${padNamesOf(partOf(p)).length} pads`, size].filter(Boolean).join(', ');
  }
  return p.pins > 2 ? `${name}, ${p.pins} pins, pitch ${p.pitch_mm} mm` : `${name}, pitch ${p.pitch_mm} mm`;
}

/** What a part weighs and stands: height, mass, heat, lead metal, limit of its body. */
export function partFacts(p: AnyPackageInput, alloy: AlloyId): string {
  const part = partOf(p);
  const { body } = formOf(part, alloy, USUAL_BOARD_m);
  const traits = isSurface(part) ? SURFACE_TRAITS[part.family] : FAMILY_TRAITS[part.family];
  const mass_g = mass_kg(part) * 1e3;
  const mass = mass_g < 0.1 ? `${(mass_g * 1e3).toPrecision(2)} mg` : `${mass_g.toPrecision(2)} g`;
  return `${millimetres(part.body.height_m).toFixed(1)} mm high, about ${mass} and ${body.capacity_J_K.toPrecision(2)} J/K; ${LEAD_METALS[traits.leadMetal].name.toLowerCase()}; body to ${Math.round(celsius(body.limit_K))} °C at most`;
}

/** A part's own facts do not depend on its board; the form wants one. */
const USUAL_BOARD_m = 1.6e-3;

/** Finish and age, as far as they are known, to go on with what a board is made of. */
export const recordInWords = ({ finish, madeIn }: Pick<BoardRecord, 'finish' | 'madeIn'>): string =>
  `${finish === 'unknown' ? '' : `, ${FINISHES[finish]}`}${madeIn === null ? '' : `, made in ${madeIn}`}`;

export const constructionInWords = (c: Construction): string =>
  `${c.copperLayers.length === 1 ? 'Single-sided' : `${c.copperLayers.length} layers`}, ${c.thickness_mm} mm ${LAMINATES[c.laminate].name}, ${c.length_mm} × ${c.width_mm} mm`;

/** What a heat's cost was reckoned from, where it was more than the model. */
export const byWhat = (measured: MeasuredBy | undefined): string =>
  measured === undefined
    ? ''
    : measured === 'simulated'
      ? ', by a simulated thermocouple'
      : ', by its thermocouple';

/** What stood against a step that was passed all the same; empty where nothing did. */
export function passedInWords(passed: Passed | null | undefined): string {
  switch (passed?.kind) {
    case undefined:
      return '';
    case 'early':
      return `Clock ended with ${clockLeft(passed.left_s)} left${passed.reason ? `: ${passed.reason}` : ''}. `;
    case 'moved-freely':
      return 'Not every melt was seen; it moved freely. ';
    case 'override':
      return `Passed against its hold point: ${passed.reason}. `;
  }
}

function clockLeft(left_s: number): string {
  const whole = Math.round(left_s);
  return whole < 60 ? `${whole} s` : `${Math.floor(whole / 60)} min ${whole % 60} s`;
}
