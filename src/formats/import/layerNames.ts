import whatsThatGerber from 'whats-that-gerber';
import type { Artwork } from '~/formats/gerber/artwork';
import { PROFILE, type Shows } from './shows';

/** What a drawing is taken for: what it shows, and the copper layer it stands for, `PROFILE` for the edge, 0 for none. */
export interface LayerGuess {
  readonly shows: Shows;
  readonly layer: number;
}

/** By what each file says of itself, else by its name among the others'. `count` is the board's copper layers. */
export function layersOf(
  files: readonly { readonly name: string; readonly artwork: Artwork }[],
  count: number,
): LayerGuess[] {
  const byName = whatsThatGerber(files.map(({ name }) => baseOf(name)));
  return files.map(({ name, artwork }) => {
    const told = byAttribute(artwork.function, count) ?? byOwnNames(baseOf(name), count);
    if (told) return told;
    const { type = null, side = null } = byName[baseOf(name)] ?? {};
    if (type === 'outline') return { shows: 'edge', layer: PROFILE };
    if (type !== 'copper') return { shows: 'other', layer: 0 };
    if (side === 'top') return { shows: 'copper', layer: 1 };
    if (side === 'bottom') return { shows: 'copper', layer: count };
    return { shows: 'copper', layer: innerLayer(innerNumber(baseOf(name)), count) };
  });
}

const baseOf = (name: string): string => name.replace(/^.*[/\\]/, '');

function byAttribute([what, which, where]: readonly string[], count: number): LayerGuess | null {
  if (what === undefined) return null;
  if (what === 'Profile') return { shows: 'edge', layer: PROFILE };
  if (what !== 'Copper') return { shows: 'other', layer: 0 };
  if (where === 'Top') return { shows: 'copper', layer: 1 };
  if (where === 'Bot') return { shows: 'copper', layer: count };
  const number = /^L(\d+)/.exec(which ?? '')?.[1];
  return { shows: 'copper', layer: number === undefined || Number(number) > count ? 0 : Number(number) };
}

const EDGE =
  /outline|profile|board[ _-]?edge|edge[ _-]?cuts?|dimension|contour|route|\.(gko|oln|gml|mil|dim|bor|fab_outline|gm(1|3|13))$/i;
const OTHER =
  /mask|paste|silk|legend|overlay|assembly|courtyard|drill|glue|adhesive|keep|\.(gto|gbo|gts|gbs|gtp|gbp|plc|pls|stc|sts|crc|crs|gdd|gpt|gpb)$/i;
const TOP =
  /^(top|toplayer|l0?1|layer0?1|art0?1)\.|(^|[ ._-])(top|front|component|comp)[ ._-]?(side|layer|copper|cu|etch|signal)?([ ._-]|\.|$)|copper[ ._-]?(top|front)|f[._-]cu|\.(gtl|cmp|top|l1)$/i;
const BOTTOM =
  /^(bot|bottom|bottomlayer)\.|(^|[ ._-])(bot|bottom|back|solder)[ ._-]?(side|layer|copper|cu|etch|signal)?([ ._-]|\.|$)|copper[ ._-]?(bot|bottom|back)|b[._-]cu|\.(gbl|sol|bot)$/i;
const INNER =
  /in(?:ner)?[._ -]?(?:layer)?[._ -]?\d|mid[._ -]?(?:layer)?[._ -]?\d|\.g\d+l?$|\.gp\d+$|\.ly\d+$|\.l\d+$|^l\d+[._ -]|^l(?:ayer)?[._ -]?\d+\.|(^|[ ._-])(layer|signal|plane|power|ground|gnd|vcc)[._ -]?\d/i;

/** Names that programs and people commonly give (common practice); null where none of them fits. */
function byOwnNames(name: string, count: number): LayerGuess | null {
  if (OTHER.test(name)) return { shows: 'other', layer: 0 };
  if (EDGE.test(name)) return { shows: 'edge', layer: PROFILE };
  if (TOP.test(name)) return { shows: 'copper', layer: 1 };
  if (BOTTOM.test(name)) return { shows: 'copper', layer: count };
  if (INNER.test(name)) return { shows: 'copper', layer: innerLayer(innerNumber(name), count) };
  return null;
}

/** The number in a name, and whether it counts all copper from the top or inner layers alone. */
function innerNumber(name: string): { readonly number: number; readonly ofAll: boolean } {
  const counted = /\.g(\d+)l$|\.l(\d+)$|\.ly(\d+)$|^l(?:ayer)?[._ -]?(\d+)[._ -]|layer[._ -]?(\d+)/i.exec(
    name,
  );
  const all = counted?.slice(1).find((part: string | undefined) => part !== undefined);
  if (all !== undefined && !/in(ner)?|mid/i.test(name)) return { number: Number(all), ofAll: true };
  const inner =
    /(?:in|inner|mid|signal|plane|power|ground|gnd|vcc)[._ -]?(?:layer)?[._ -]?(\d+)|\.gp?(\d+)$/i.exec(name);
  return { number: Number(inner?.[1] ?? inner?.[2] ?? 0), ofAll: false };
}

/** A layer of the board; 0 where the board has none of that number between its faces. */
function innerLayer(
  { number, ofAll }: { readonly number: number; readonly ofAll: boolean },
  count: number,
): number {
  const layer = ofAll ? number : number + 1;
  return number > 0 && layer > 1 && layer < count
    ? layer
    : ofAll && (layer === 1 || layer === count)
      ? layer
      : 0;
}
