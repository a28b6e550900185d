import type { APIContext, APIRoute } from 'astro';
import { exported } from './exported';
import { refuse } from '~/server/http/respond';

/** Wraps an endpoint that answers with a bundle: of the board that is named, or of the shop. */
export const bundleAnswer =
  (boardOf: (context: APIContext) => string | null): APIRoute =>
  (context) => {
    try {
      const boardId = boardOf(context);
      return new Response(new Uint8Array(exported(context.locals.db, boardId)), {
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
