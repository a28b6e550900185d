import { dequal } from 'dequal';
import { contactTold, copperTold, offsetTold_K, type Normal, type Told } from '~/core/learning/lasting';
import type { PlanInput, SettingInput } from '~/schema/exchange/plan/planRequest';

/** What is known of a tip from earlier jobs. */
interface KnownTip {
  readonly contact: Normal;
  readonly tipOffset: Normal;
}

/** A tip learnt to be within this of what is published is as published: nobody could tell. */
const LIKE_PUBLISHED = 0.1;
const LIKE_SET_K = 2;

/** What earlier jobs have told of the tip that a setting takes; null where they told nothing. */
export function learntInWords(learnt: PlanInput['learnt'], setting: SettingInput): string | null {
  if (setting.kind === 'air') return null;
  const own = learnt?.tips.find((one) => one.toolId === setting.toolId && dequal(one.tip, setting.tip));
  const said = [...(own ? [tipInWords(own)] : []), ...(learnt ? boardInWords(learnt) : [])];
  return said.length > 0 ? said.join(' ') : null;
}

function boardInWords({ copper, jobs }: NonNullable<PlanInput['learnt']>): string[] {
  const times = copperTold(copper).most;
  if (jobs === 0 || Math.abs(times - 1) <= LIKE_PUBLISHED / 2) return [];
  return [`This board’s pins take heat as with ${times.toFixed(2)} × the copper that was given.`];
}

function tipInWords({ contact, tipOffset, jobs }: KnownTip & { readonly jobs: number }): string {
  const times = contactTold(contact).most;
  const off_K = offsetTold_K(tipOffset).most;
  const said = [
    ...(Math.abs(times - 1) > LIKE_PUBLISHED
      ? [`passes heat ${times > 1 ? 'worse' : 'better'} than most: contact ${times.toFixed(1)} × the usual`]
      : []),
    ...(Math.abs(off_K) > LIKE_SET_K
      ? [`runs ${Math.abs(off_K).toFixed(0)} K ${off_K < 0 ? 'colder' : 'hotter'} than set`]
      : []),
  ];
  const from = `From ${jobs} ${jobs === 1 ? 'job' : 'jobs'} on this bench: this tip`;
  return `${from} ${said.length > 0 ? said.join('; it ') : 'is as published, and is known more narrowly'}.`;
}

const between = ({ low, most, high }: Told, words: (value: number) => string): string =>
  `${words(most)} (${words(low)} to ${words(high)})`;

/** Contact against the published, eight times in ten. */
export const contactInWords = (contact: Normal): string =>
  `× ${between(contactTold(contact), (times) => times.toFixed(2))}`;

/** Kelvin over or under what is set, eight times in ten. */
export const offsetInWords = (tipOffset: Normal): string =>
  `${between(offsetTold_K(tipOffset), (off_K) => `${off_K < -0.5 ? '−' : off_K > 0.5 ? '+' : ''}${Math.abs(off_K).toFixed(0)}`)} K`;

/** A worn tip is changed from here on (common practice: once it takes twice as long). */
export const WORN_TIMES = 1.5;
