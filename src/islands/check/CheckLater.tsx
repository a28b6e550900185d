import type { CheckSheet } from '~/schema/sheets/checkSheet';
import { Fetched } from '~/islands/large/Fetched';
import { CheckView } from './CheckView';

/** The checklist of a site on a large board, whose sheet comes after its page. */
export const CheckLater = ({ siteId, pads }: { readonly siteId: string; readonly pads: number }) => (
  <Fetched at={`/api/sites/${siteId}/check-sheet`} pads={pads}>
    {(sheet) => <CheckView sheet={sheet as CheckSheet} />}
  </Fetched>
);
