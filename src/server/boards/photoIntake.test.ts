import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { newPhoto } from '~/schema/records/board/photo';
import { freshDatabase, withBoard } from '../../../tests/support/database';
import { keptPicture, takePhoto } from './photoIntake';
import { calibratePhoto, takePhotoAway, photosOf, pictureOf } from '~/server/store/repositories/photos';

/** A picture twice as wide as high, red on its left half and blue on its right. */
const twoHalves = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#0000ff' } }).composite([
    {
      input: { create: { width: width / 2, height, channels: 3, background: '#ff0000' } },
      left: 0,
      top: 0,
    },
  ]);

const WITH_EXIF = { IFD0: { Make: 'A camera', Artist: 'somebody' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } };

describe('a photo that is kept', () => {
  it('stands upright: a camera held sideways says so, and its pixels are turned', async () => {
    const sideways = await twoHalves(40, 20).withMetadata({ orientation: 6 }).jpeg().toBuffer();
    const kept = await keptPicture(sideways);
    // Orientation 6 is shown turned a quarter clockwise: what was left is on top.
    expect([kept.width_px, kept.height_px]).toEqual([20, 40]);
    const { data } = await sharp(kept.data).raw().toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => data[3 * (y * 20 + x)]!;
    expect(at(10, 5)).toBeGreaterThan(200);
    expect(at(10, 35)).toBeLessThan(60);
  });

  it('carries nothing else that the camera wrote', async () => {
    const told = await twoHalves(40, 20).withExif(WITH_EXIF).jpeg().toBuffer();
    expect((await sharp(told).metadata()).exif).toBeDefined();
    const { data } = await keptPicture(told);
    const meta = await sharp(data).metadata();
    expect([meta.exif, meta.icc, meta.xmp, meta.iptc, meta.orientation]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    expect(data.includes('somebody')).toBe(false);
  });

  it('is no larger than 2400 pixels, and a smaller one keeps its size', async () => {
    const large = await keptPicture(await twoHalves(3600, 1800).png().toBuffer());
    expect([large.width_px, large.height_px]).toEqual([2400, 1200]);
    const small = await keptPicture(await twoHalves(64, 32).webp().toBuffer());
    expect([small.width_px, small.height_px]).toEqual([64, 32]);
  });
});

describe('a hostile file', () => {
  const png = (): Promise<Buffer> => twoHalves(64, 32).png().toBuffer();

  it.each([
    [
      'a script in a drawing',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'),
    ],
    ['a page under a picture’s name', () => Buffer.from('<html><img src=x onerror=alert(1)></html>')],
    ['nothing at all', () => Buffer.alloc(0)],
    ['a head without a body', async () => (await png()).subarray(0, 60)],
    [
      'a body broken in the middle',
      async () => Buffer.concat([(await png()).subarray(0, 90), Buffer.alloc(400)]),
    ],
    [
      'a moving picture',
      () => Buffer.from('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7', 'base64'),
    ],
  ])('%s is refused with what to send instead', async (_name, make) => {
    await expect(keptPicture(await make())).rejects.toThrow(/send a JPEG, PNG, WebP or AVIF/);
  });

  it('a picture of a thousand million pixels is refused before it is unpacked', async () => {
    const bomb = await png();
    // Width and height stand at bytes 16 and 20 of a PNG; the check sum no longer fits, nor need it.
    bomb.writeUInt32BE(40_000, 16);
    bomb.writeUInt32BE(30_000, 20);
    const before = process.memoryUsage().rss;
    await expect(keptPicture(bomb)).rejects.toThrow(/send a JPEG/);
    expect(process.memoryUsage().rss - before).toBeLessThan(300e6);
  });

  it('one that is cheap to send and dear to unpack is refused too (findings A14)', async () => {
    const long = await sharp({ create: { width: 20_001, height: 1, channels: 3, background: '#777' } })
      .png()
      .toBuffer();
    await expect(keptPicture(long)).rejects.toThrow(/longer than 20,000 pixels/);
    const deep = await sharp({ create: { width: 64, height: 64, channels: 3, background: '#777' } })
      .toColourspace('rgb16')
      .png({ progressive: true })
      .toBuffer();
    await expect(keptPicture(deep)).rejects.toThrow(/interlaced 16-bit/);
  });

  it('leaves nothing behind', async () => {
    const db = freshDatabase();
    const board = withBoard(db);
    const given = newPhoto.parse({ side: 'top', by: 'MK' });
    await expect(takePhoto(db, board.id, given, Buffer.from('no picture'), 1)).rejects.toThrow();
    expect(photosOf(db, board.id)).toEqual([]);
  });
});

describe('photos in the record', () => {
  const tie = (px: number, x_mm: number) => ({ px, py: 10, x_mm, y_mm: 5 });
  const calibration = { a: tie(0, 0), b: tie(60, 30) };

  it('are laid under the face against the revision they were read at', async () => {
    const db = freshDatabase();
    const board = withBoard(db);
    const given = newPhoto.parse({ side: 'top', by: 'MK' });
    const photo = await takePhoto(db, board.id, given, await twoHalves(64, 32).png().toBuffer(), 1);
    expect(pictureOf(db, board.id, photo.id).subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]));
    const laid = calibratePhoto(db, board.id, photo.id, { revision: 1, calibration });
    expect(laid.revision).toBe(2);
    expect(photosOf(db, board.id)).toEqual([laid]);
    expect(() => calibratePhoto(db, board.id, photo.id, { revision: 1, calibration: null })).toThrow(
      /another screen/,
    );
  });

  it('can be taken away: the bytes go, from the file too, and the entry stays with who and why', async () => {
    const db = freshDatabase();
    const board = withBoard(db);
    const given = newPhoto.parse({ side: 'top', by: 'MK' });
    const photo = await takePhoto(db, board.id, given, await twoHalves(640, 320).png().toBuffer(), 1);
    const bytes = pictureOf(db, board.id, photo.id);
    const inFile = (): boolean => {
      db.$client.pragma('wal_checkpoint(TRUNCATE)');
      return readFileSync(db.$client.name).includes(bytes.subarray(200, 264));
    };
    expect(inFile()).toBe(true);
    const away = { revision: 1, by: 'AO', reason: 'a face in it' };
    const gone = takePhotoAway(db, board.id, photo.id, away, 5);
    expect(gone).toMatchObject({ takenAway: { by: 'AO', reason: 'a face in it', at_ms: 5 }, revision: 2 });
    expect(photosOf(db, board.id)).toEqual([gone]);
    expect(() => pictureOf(db, board.id, photo.id)).toThrow(/not in the record/);
    expect(inFile()).toBe(false);
    expect(() => takePhotoAway(db, board.id, photo.id, { ...away, revision: 2 }, 6)).toThrow(/by AO: a face/);
    expect(() => calibratePhoto(db, board.id, photo.id, { revision: 2, calibration })).toThrow(/taken away/);
  });

  it('go with a finding of their own board only', async () => {
    const db = freshDatabase();
    const board = withBoard(db);
    const given = newPhoto.parse({ findingId: 'fnd-elsewhere', by: 'MK' });
    await expect(takePhoto(db, board.id, given, Buffer.alloc(1), 1)).rejects.toThrow(
      /no finding on this board/,
    );
  });
});
