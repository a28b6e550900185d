import type { BoardSheet } from '~/schema/sheets/boardSheet';
import { Fetched } from '~/islands/large/Fetched';
import { BoardView } from './BoardView';

/** A large board, whose sheet comes after its page. */
export const BoardLater = ({
  boardId,
  pads,
  openOn,
}: {
  readonly boardId: string;
  readonly pads: number;
  readonly openOn: string | null;
}) => (
  <Fetched at={`/api/boards/${boardId}/sheet`} pads={pads}>
    {(sheet) => <BoardView sheet={{ ...(sheet as BoardSheet), openOn }} />}
  </Fetched>
);
