import sharp from 'sharp';
import { InputError } from '~/schema/values/faults';
import type { NewPhoto, PhotoRecord } from '~/schema/records/board/photo';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { faceFindingsOf } from '~/server/store/repositories/faceFindings';
import { findingsOf } from '~/server/store/repositories/findings';
import { addPhoto } from '~/server/store/repositories/photos';

/** What a camera or a phone sends at most. */
export const LARGEST_PHOTO_bytes = 25 * 1024 * 1024;
/** A bomb of a picture is refused before its pixels are unpacked: too many of them, too long a side, or a form that costs much. */
const MOST_PIXELS = 50e6;
const LONGEST_SIDE_px = 20_000;
/** Enough to see a fillet on a whole board's picture, and a quarter of a megabyte on disk. */
const KEPT_px = 2400;
const QUALITY = 84;
const READ: ReadonlySet<string> = new Set(['jpeg', 'png', 'webp', 'heif']);

export interface KeptPicture {
  readonly data: Buffer;
  readonly width_px: number;
  readonly height_px: number;
}

/**
 * A photo as it is kept: JPEG, turned upright, no larger than 2400 px, without anything else that the camera
 * wrote (place, time, make). The file is never trusted by its name; only its pixels are taken over.
 */
export const keptPicture = (bytes: Uint8Array): Promise<KeptPicture> => oneAtATime(() => unpacked(bytes));

// A picture has one thread of those that also read files for pages.
sharp.concurrency(1);
let before: Promise<unknown> = Promise.resolve();

/** After all that were begun before it, whatever became of those. */
function oneAtATime<Result>(work: () => Promise<Result>): Promise<Result> {
  const mine = before.then(work, work);
  before = mine.catch(() => undefined);
  return mine;
}

async function unpacked(bytes: Uint8Array): Promise<KeptPicture> {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', animated: false });
    const { format, width, height, depth, isProgressive } = await image.metadata();
    if (!READ.has(format)) throw notAPhoto(`is ${format.toUpperCase()}`);
    if (Math.max(width, height) > LONGEST_SIDE_px)
      throw notAPhoto(`is longer than ${LONGEST_SIDE_px.toLocaleString('en')} pixels on a side`);
    if (format === 'png' && isProgressive && depth === 'ushort')
      throw notAPhoto('is an interlaced 16-bit PNG');
    const { data, info } = await image
      .autoOrient()
      .resize({ width: KEPT_px, height: KEPT_px, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: QUALITY, mozjpeg: false })
      .toBuffer({ resolveWithObject: true });
    return { data, width_px: info.width, height_px: info.height };
  } catch (error) {
    if (error instanceof InputError) throw error;
    const why = error instanceof Error ? error.message : '';
    throw notAPhoto(
      /pixel limit/i.test(why)
        ? `has more than ${MOST_PIXELS / 1e6} million pixels`
        : 'cannot be read as a picture',
    );
  }
}

const notAPhoto = (what: string): InputError =>
  new InputError([{ path: '$.photo', message: `${what}; send a JPEG, PNG, WebP or AVIF photo` }]);

/** Keeps a photo of a board, or of a finding on it. */
export async function takePhoto(
  db: Db,
  boardId: string,
  given: NewPhoto,
  bytes: Uint8Array,
  now_ms: number,
): Promise<PhotoRecord> {
  getBoard(db, boardId);
  if (given.findingId !== null && !findingsOf(db, boardId).some((f) => f.id === given.findingId)) {
    throw new InputError([{ path: '$.findingId', message: 'is no finding on this board; reload the page' }]);
  }
  if (
    given.faceFindingId !== null &&
    !faceFindingsOf(db, boardId).some((f) => f.id === given.faceFindingId)
  ) {
    throw new InputError([
      { path: '$.faceFindingId', message: 'is no finding on this board; reload the page' },
    ]);
  }
  return addPhoto(db, boardId, given, await keptPicture(bytes), now_ms);
}
