import type { APIContext, APIRoute } from 'astro';
import { refuse } from '~/server/http/respond';
import { getBoard } from '~/server/store/repositories/boards';
import { exportedApart } from './apart';

/** Wraps an endpoint that answers with a bundle: of the board that is named, or of the shop. */
export const bundleAnswer =
  (boardOf: (context: APIContext) => string | null): APIRoute =>
  async (context) => {
    try {
      const { db } = context.locals;
      const boardId = boardOf(context);
      if (boardId !== null) getBoard(db, boardId);
      return new Response(new Uint8Array(await exportedApart(db, boardId)), {
        headers: {
          'content-type': 'application/zip',
          'content-disposition': `attachment; filename="${boardId ?? 'workshop'}.ithermon.zip"`,
          'cache-control': 'no-store',
        },
      });
    } catch (error) {
      return refuse(error);
    }
  };
