import { inOneGo } from '~/core/stepwise';
import { millimetres } from '~/core/quantity/convert';
import type { Construction } from '~/schema/values/construction';
import type { Reading } from '~/formats/reading';
import type { CollectedArtwork, Content, Source } from '../collected';
import { readingFile } from '../importFiles';
import { agreementOf, type Agreement } from './agreement';
import { alternativesOf } from './alternatives';
import { evidenceOf, type Evidence } from './evidence';
import { oddityOf } from './oddity';
import { placed, shiftBetween } from './placed';

/** Another reading that fits the other files, and what it gives. */
interface Remedy {
  readonly label: string;
  readonly gives: string;
  readonly readings: Readonly<Record<string, Reading>>;
}

/** Files that do not fit the others or cannot be so large, and what may be meant. */
export interface Doubt {
  readonly files: readonly string[];
  readonly says: string;
  readonly remedies: readonly Remedy[];
}

/** One file that tells of places, as it was read. */
interface Witness {
  readonly source: Source;
  readonly layer: number;
  readonly evidence: Evidence;
}

/** Files of one board agree nearly wholly; what is under this does not. */
const AGREED = 0.75;
/** A better reading has to agree by so much more. */
const BETTER_BY = 0.25;
const MOST_REMEDIES = 3;
/** A larger file is read anew in another unit alone. */
const LARGE_characters = 3_000_000;
/** Files laid closer together than this lie alike. */
const STILL_m = 0.05e-3;

/**
 * Which files do not lie where the others do, or are of a size that cannot be, and the readings that would. Files that agree go
 * together; of groups that contradict each other the one with the edge, or with most files, is believed.
 */
export function* doubtsOf(
  sources: readonly Source[],
  artworks: readonly CollectedArtwork[],
  construction: Construction,
): Generator<void, Doubt[]> {
  const roles = new Map(artworks.map((one) => [one.name, one]));
  const witnesses = sources.flatMap((source): Witness[] => {
    const role = roles.get(source.name);
    if (source.content.kind === 'artwork' && (!role || role.layer === 0)) return [];
    const layer = role?.layer ?? 0;
    return [{ source, layer, evidence: evidenceOf(source.content, layer) }];
  });
  yield;
  const groups = groupsOf(witnesses);
  const odd = (group: readonly Witness[]): string | null =>
    group.reduce<string | null>((found, { evidence }) => found ?? oddityOf(evidence, construction), null);
  const ranked = groups
    .map((group) => ({ group, oddity: odd(group), trust: trustIn(group) }))
    .sort((a, b) => Number(a.oddity !== null) - Number(b.oddity !== null) || b.trust - a.trust);
  const believed: Witness[] = [];
  const doubts: Doubt[] = [];
  for (const { group, oddity } of ranked) {
    const bad = worst(group, believed);
    if (!bad && oddity === null) {
      believed.push(...group);
      continue;
    }
    yield;
    const remedies = yield* remediesFor(group, believed, construction);
    doubts.push({
      files: group.map(({ source }) => source.name),
      says: saying(group, bad, oddity),
      remedies,
    });
    if (believed.length === 0) believed.push(...group);
  }
  for (const source of sources)
    if (isUnread(source)) doubts.push(yield* unreadDoubt(source, believed, construction));
  return doubts;
}

const isUnread = ({ content }: Source): boolean =>
  content.kind === 'netlist' && content.netlist.unit === null;

/** A netlist in a unit that nobody knows is not read: each unit that it may be in, what fits best first. */
function* unreadDoubt(
  source: Source,
  believed: readonly Witness[],
  construction: Construction,
): Generator<void, Doubt> {
  const found: (Standing & { readonly label: string; readonly reading: Reading })[] = [];
  for (const { reading, label } of alternativesOf(source.content, source.reading)) {
    yield;
    const { content } = inOneGo(readingFile(source, source.columns, reading));
    if (content)
      found.push({ ...standing([evidenceOf(content, 0)], believed, construction), label, reading });
  }
  return {
    files: [source.name],
    says: `${source.name} names units that are not known, so nothing of it is read.`,
    remedies: found
      .sort((a, b) => Number(a.odd) - Number(b.odd) || b.share - a.share)
      .map(({ label, gives, odd, reading }) => ({
        label,
        gives: odd ? 'sizes that no board has' : gives,
        readings: { [source.name]: reading },
      })),
  };
}

/** Files that agree with one another, directly or by way of others. */
function groupsOf(witnesses: readonly Witness[]): Witness[][] {
  const groups: Witness[][] = [];
  for (const one of witnesses) {
    const mine = groups.filter((group) => group.some((other) => agree(one, other)));
    const joined = [...mine.flat(), one];
    groups.splice(0, groups.length, ...groups.filter((group) => !mine.includes(group)), joined);
  }
  return groups;
}

const shareOf = ({ hits, of }: Agreement): number => hits / of;

function agree(a: Witness, b: Witness): boolean {
  const agreement = agreementOf(a.evidence, b.evidence);
  return agreement !== null && shareOf(agreement) >= AGREED;
}

/** The more files agree the more they are believed, the edge above all; what says its own unit more than what was assumed. */
function trustIn(group: readonly Witness[]): number {
  return group.reduce((sum, { evidence, source: { content } }) => {
    const said = saysUnit(content);
    return sum + TRUST[evidence.kind] + Number(said);
  }, 0);
}

/** Whether a file says what its numbers are counted in, and of a drill file with how many digits. */
function saysUnit(content: Content): boolean {
  switch (content.kind) {
    case 'netlist':
      return content.netlist.unitSaid;
    case 'table':
      return content.placement.unitSaid;
    case 'drill': {
      const { unitSaid, digitsSaid, pointless } = content.drilling.spelt;
      return unitSaid && (digitsSaid || !pointless);
    }
    case 'artwork':
      return content.artwork.spelt.unitSaid;
    case 'exchange':
      return true;
  }
}

/** By how rarely a kind is read wrongly (common practice): a drill file says least of its numbers. */
const TRUST: Readonly<Record<Evidence['kind'], number>> = {
  edge: 5,
  netlist: 4,
  copper: 3,
  list: 2,
  drill: 1,
};

/** The pair of a file of the group and one that is believed that agrees least; null where all do that can be compared. */
function worst(
  group: readonly Witness[],
  believed: readonly Witness[],
): { readonly one: Witness; readonly other: Witness; readonly agreement: Agreement } | null {
  let found: { one: Witness; other: Witness; agreement: Agreement } | null = null;
  for (const one of group) {
    for (const other of believed) {
      const agreement = agreementOf(one.evidence, other.evidence);
      if (
        agreement &&
        shareOf(agreement) < AGREED &&
        (!found || shareOf(agreement) < shareOf(found.agreement))
      )
        found = { one, other, agreement };
    }
  }
  return found;
}

function saying(group: readonly Witness[], bad: ReturnType<typeof worst>, oddity: string | null): string {
  const names = group.map(({ source }) => source.name);
  const [first = ''] = names;
  const who = names.length === 1 ? first : `${first} and ${names.length - 1} more`;
  if (!bad) return `${who} is likely read in the wrong unit or digits: ${oddity}.`;
  const { agreement, one, other } = bad;
  const count =
    agreement.of === 100 && agreement.what.startsWith('of one')
      ? `${agreement.hits} %`
      : `${agreement.hits} of ${agreement.of}`;
  return `${who} does not fit ${other.source.name}: ${count} ${agreement.what}${names.length > 1 ? ` (${one.source.name})` : ''}${oddity ? `, and ${oddity}` : ''}.`;
}

/** How a group under other readings stands against what is believed, and how it would be said. */
interface Standing {
  readonly share: number;
  readonly gives: string;
  readonly odd: boolean;
}

function standing(
  group: readonly Evidence[],
  believed: readonly Witness[],
  construction: Construction,
): Standing {
  const agreements = group.flatMap((mine) =>
    believed.flatMap((other) => {
      const found = agreementOf(mine, other.evidence);
      return found ? [{ found, with: other.source.name }] : [];
    }),
  );
  const odd = group.some((evidence) => oddityOf(evidence, construction) !== null);
  const least = agreements.reduce<(typeof agreements)[number] | null>(
    (low, one) => (low === null || shareOf(one.found) < shareOf(low.found) ? one : low),
    null,
  );
  return {
    share: least ? shareOf(least.found) : odd ? 0 : 1,
    odd,
    gives: least
      ? `${least.found.hits} of ${least.found.of} ${least.found.what} (${least.with})`
      : 'sizes that a board has',
  };
}

interface Found extends Standing {
  readonly label: string;
  readonly readings: Readonly<Record<string, Reading>>;
  /** Changes that it takes; the fewest are the likeliest. */
  readonly changes: number;
}

function* remediesFor(
  group: readonly Witness[],
  believed: readonly Witness[],
  construction: Construction,
): Generator<void, Remedy[]> {
  const now = standing(
    group.map(({ evidence }) => evidence),
    believed,
    construction,
  );
  const found: Found[] = [];
  const spelt = yield* speltOtherwise(group);
  for (const { label, evidences, readings, changes } of spelt) {
    yield;
    const stands = standing(evidences, believed, construction);
    found.push({ ...stands, label, readings, changes });
    if (stands.share >= AGREED && !stands.odd) continue;
    for (const mirrored of [false, true]) {
      const over = evidences.map((one) => placed(one, { mirrored, moved_m: [0, 0] }));
      const moved_m = shiftOf(over, believed) ?? [0, 0];
      if (!mirrored && Math.hypot(...moved_m) < STILL_m) continue;
      const laid = over.map((one) => placed(one, { mirrored: false, moved_m }));
      found.push({
        ...standing(laid, believed, construction),
        label: [
          label,
          mirrored ? 'turned over' : '',
          Math.hypot(...moved_m) < STILL_m ? '' : `moved by ${shown(moved_m[0])}, ${shown(moved_m[1])} mm`,
        ]
          .filter(Boolean)
          .join(', '),
        readings: Object.fromEntries(
          Object.entries(readings).map(([name, reading]) => [name, relaid(reading, mirrored, moved_m)]),
        ),
        changes: changes + 1 + Number(mirrored),
      });
    }
  }
  return found
    .filter(
      ({ changes, share, odd }) =>
        changes > 0 && !odd && share >= AGREED && (share >= now.share + BETTER_BY || now.odd),
    )
    .sort((a, b) => a.changes - b.changes || b.share - a.share)
    .filter(
      (one, i, all) =>
        all.findIndex((other) => other.gives === one.gives && other.changes <= one.changes) === i ||
        one.changes <= 1,
    )
    .slice(0, MOST_REMEDIES)
    .map(({ label, gives, readings }) => ({ label, gives, readings }));
}

const shown = (value_m: number): string => String(Math.round(100 * millimetres(value_m)) / 100);

const relaid = (reading: Reading, mirrored: boolean, [dx, dy]: readonly [number, number]): Reading => ({
  ...reading,
  mirrored: reading.mirrored !== mirrored,
  moved_m: [(mirrored ? -reading.moved_m[0] : reading.moved_m[0]) + dx, reading.moved_m[1] + dy],
});

/** The shift by which any file of a group lies over any that is believed. */
function shiftOf(group: readonly Evidence[], believed: readonly Witness[]): readonly [number, number] | null {
  for (const kind of ['netlist', 'copper', 'drill', 'list', 'edge'] as const) {
    for (const other of believed) {
      if (other.evidence.kind !== kind) continue;
      for (const mine of group) {
        const shift = mine.kind === 'edge' ? null : shiftBetween(mine, other.evidence);
        if (shift) return shift;
      }
    }
  }
  return null;
}

/** A group as it is, and its one file read otherwise; several files share nothing but their place. */
function* speltOtherwise(
  group: readonly Witness[],
): Generator<
  void,
  { label: string; evidences: Evidence[]; readings: Record<string, Reading>; changes: number }[]
> {
  const asIs = {
    label: '',
    evidences: group.map(({ evidence }) => evidence),
    readings: Object.fromEntries(group.map(({ source }) => [source.name, source.reading])),
    changes: 0,
  };
  const found = [asIs];
  const [only] = group;
  if (group.length !== 1 || !only) return found;
  const { source, layer } = only;
  const large = source.text.length > LARGE_characters;
  for (const { reading, label } of alternativesOf(source.content, source.reading)) {
    if (large && found.length > 1) break;
    yield;
    const { content } = inOneGo(readingFile(source, source.columns, reading));
    if (content)
      found.push({
        label,
        evidences: [evidenceOf(content, layer)],
        readings: { [source.name]: reading },
        changes: 1 + Number(label.includes(',')),
      });
  }
  return found;
}
