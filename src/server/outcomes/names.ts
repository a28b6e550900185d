import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import { LAMINATES, type LaminateId } from '~/core/materials/laminates';
import { METHODS } from '~/core/method/ways';
import type { DimensionId } from '~/core/outcomes/dimensions';
import type { Goal } from '~/core/method/goals';
import { familyName } from '~/schema/exchange/si/part';
import { GOAL_WORDS } from '~/schema/words/words';

const COPPER: Readonly<Record<string, string>> = {
  isolated: 'no copper',
  track: 'track',
  'thermal-relief': 'relief',
  'solid-plane': 'plane',
};

const AGES: Readonly<Record<string, string>> = {
  unknown: 'age not known',
  '<10': 'under 10 years',
  '<20': '10 to 20 years',
  '<30': '20 to 30 years',
  '30+': '30 years and over',
};

const LAYERS: Readonly<Record<string, string>> = {
  '1': 'one layer',
  '2': 'two layers',
  '4+': 'four layers and more',
};

/** A group of a dimension in the trade's words; what has none stands as it is. */
export function groupName(dimension: DimensionId, key: string): string {
  switch (dimension) {
    case 'method':
      return METHODS.find((m) => m.id === key)?.name ?? key;
    case 'family':
      return familyName(key as Parameters<typeof familyName>[0]);
    case 'copper':
      return COPPER[key] ?? key;
    case 'alloy':
      return key in ALLOYS ? ALLOYS[key as AlloyId].name : key || 'not known';
    case 'laminate':
      return key in LAMINATES ? LAMINATES[key as LaminateId].name : key;
    case 'age':
      return AGES[key] ?? key;
    case 'layers':
      return LAYERS[key] ?? key;
    case 'goal':
      return key in GOAL_WORDS ? GOAL_WORDS[key as Goal] : key;
    case 'tool':
    case 'kind':
    case 'board':
    case 'by':
      return key;
  }
}
