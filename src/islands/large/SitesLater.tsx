import type { ReactNode } from 'react';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import { Fetched } from './Fetched';

/** What is drawn of a large board's sites, which come after their page. */
export const SitesLater = ({
  boardId,
  pads,
  children,
}: {
  readonly boardId: string;
  readonly pads: number;
  readonly children: (sites: readonly SiteSheet[]) => ReactNode;
}) => (
  <Fetched at={`/api/boards/${boardId}/sites`} pads={pads}>
    {(sites) => children(sites as readonly SiteSheet[])}
  </Fetched>
);
