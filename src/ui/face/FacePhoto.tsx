import { similarityOf } from '~/core/geometry/similarity';
import type { PhotoRecord } from '~/schema/records/board/photo';
import type { FaceScale } from './BoardFace';
import css from './face.module.css';

/** A calibrated photo beneath a face: two of its points lie where they were said to lie. */
export function FacePhoto({ at, photo }: { at: FaceScale; photo: PhotoRecord }) {
  if (!photo.calibration) return null;
  const { a, b } = photo.calibration;
  const fit = similarityOf(
    [
      [a.px, a.py],
      [b.px, b.py],
    ],
    [
      [at.x(a.x_mm), at.y(a.y_mm)],
      [at.x(b.x_mm), at.y(b.y_mm)],
    ],
  );
  if (!fit) return null;
  return (
    <image
      className={css['photo']}
      href={`/api/boards/${photo.boardId}/photos/${photo.id}/picture`}
      width={photo.width_px}
      height={photo.height_px}
      transform={`matrix(${fit.a} ${fit.b} ${-fit.b} ${fit.a} ${fit.e} ${fit.f})`}
    />
  );
}
