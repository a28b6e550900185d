import type { Spelt } from '~/formats/reading';
import type { Content } from './collected';

const UNIT_WORDS = { mm: 'millimetres', in: 'inches', mil: 'thousandths of an inch' } as const;

/** How a file's numbers were read, and what of it was assumed. */
export function speltInWords(content: Content): string {
  switch (content.kind) {
    case 'drill':
      return drawn(content.drilling.spelt);
    case 'artwork':
      return drawn(content.artwork.spelt);
    case 'netlist': {
      const { unit, unitSaid } = content.netlist;
      if (unit === null) return 'in no unit that is known';
      return `${UNIT_WORDS[unit]}${unitSaid ? '' : ', assumed'}`;
    }
    case 'exchange':
      return `${content.exchange.layers.length} copper layers`;
    case 'table': {
      const { unit, unitSaid, columns } = content.placement;
      return columns.x < 0 ? 'no places' : `${UNIT_WORDS[unit]}${unitSaid ? '' : ', assumed'}`;
    }
  }
}

function drawn({ unit, unitSaid, digits, digitsSaid, zeros, zerosSaid, pointless }: Spelt): string {
  const words = [`${UNIT_WORDS[unit]}${unitSaid ? '' : ', assumed'}`];
  if (pointless) {
    words.push(`${digits[0]}.${digits[1]} digits${digitsSaid ? '' : ', assumed'}`);
    words.push(`${zeros} zeros kept${zerosSaid ? '' : ', assumed'}`);
  }
  return words.join(' · ');
}
