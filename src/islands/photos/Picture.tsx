import type { PhotoRecord } from '~/schema/records/board/photo';
import { pictureUrl } from './sendPhoto';
import css from './photos.module.css';

/** A photo, or what stands where its picture was taken away. */
export const Picture = ({ photo, alt }: { readonly photo: PhotoRecord; readonly alt: string }) =>
  photo.takenAway ? (
    <span className={css['gone']}>
      Picture taken away by {photo.takenAway.by}: {photo.takenAway.reason}
    </span>
  ) : (
    <img src={pictureUrl(photo)} alt={alt} loading="lazy" />
  );
