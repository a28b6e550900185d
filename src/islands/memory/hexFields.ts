import type { CheckField, OwnBlock } from '~/core/electrical/memory/transfer';
import type { CheckSumId } from '~/core/electrical/memory/checksums';

/** An address as it stands in a listing: figures of sixteen, with or without what marks them. */
function addressOf(typed: string, field: string): number {
  const figures = typed
    .trim()
    .replace(/^(0x|\$)/i, '')
    .replace(/h$/i, '');
  if (!/^[0-9a-f]{1,6}$/i.test(figures))
    throw new Error(`${field}: “${typed}” is no address; write it in figures of sixteen, like 1F0`);
  return parseInt(figures, 16);
}

export interface BlockDraft {
  readonly name: string;
  readonly from: string;
  readonly to: string;
}
export interface CheckDraft {
  readonly kind: CheckSumId | '';
  readonly from: string;
  readonly to: string;
  readonly at: string;
  readonly order: CheckField['order'];
}

/** A block as it is written: first byte and last byte, both of it. */
export const blockOf = ({ name, from, to }: BlockDraft): OwnBlock => ({
  name: name.trim() || 'the board’s own',
  from: addressOf(from, 'First byte of the block'),
  to: addressOf(to, 'Last byte of the block') + 1,
});

/** A check sum's place; none where no kind was chosen. */
export const checksOf = ({ kind, from, to, at, order }: CheckDraft): CheckField[] =>
  kind === ''
    ? []
    : [
        {
          kind,
          of: {
            from: addressOf(from, 'First byte that it is of'),
            to: addressOf(to, 'Last byte that it is of') + 1,
          },
          at: addressOf(at, 'It stands at'),
          order,
        },
      ];
