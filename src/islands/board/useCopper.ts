import { useEffect, useState } from 'react';
import type { ArtworkLine } from '~/schema/records/board/boardImport';
import type { CopperPicture } from '~/ui/face/Copper';

/** Asks for the picture of one copper layer once it is looked at; without one there is none to show. */
export function useCopper(
  boardId: string,
  artworks: readonly ArtworkLine[],
  layer: number,
): CopperPicture | undefined {
  const artwork = artworks.find((a) => a.layer === layer);
  const [held, setHeld] = useState<{ id: string; picture: CopperPicture } | null>(null);
  useEffect(() => {
    if (!artwork) return;
    const { id, nx, ny } = artwork;
    let wanted = true;
    void fetch(`/api/boards/${boardId}/artworks/${id}`)
      .then((answer) => (answer.ok ? answer.arrayBuffer() : Promise.reject(new Error(answer.statusText))))
      .then((buffer) => {
        if (wanted) setHeld({ id, picture: { nx, ny, cells: new Uint8Array(buffer) } });
      })
      // The face is whole without its copper; the next look asks again.
      .catch(() => undefined);
    return () => {
      wanted = false;
    };
  }, [boardId, artwork]);
  return held && held.id === artwork?.id ? held.picture : undefined;
}
