import { unzipSync, type UnzipFileInfo } from 'fflate';

export interface Packed {
  readonly name: string;
  readonly bytes: Uint8Array;
}

export interface Unpacked {
  readonly files: readonly Packed[];
  /** What was left in the archive, and why. */
  readonly left: readonly { readonly name: string; readonly why: string }[];
}

export interface UnzipLimits {
  readonly most_files: number;
  /** All files together, unpacked. */
  readonly most_bytes: number;
}

/** Text packs to a tenth or twentieth of itself; what packs further than this is made to fill a disk. */
const MOST_RATIO = 200;
/** Small files may be nothing but zeros. */
const RATIO_FROM_bytes = 256 * 1024;

export const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && (bytes[2] === 3 || bytes[2] === 5);

/** Folders and what file systems leave behind. */
const isLitter = (name: string): boolean => name.endsWith('/') || /(^|\/)(__MACOSX\/|\.)/.test(name);

/**
 * The files of a zip archive (APPNOTE 6.3). Each file's size is known before it is unpacked and never exceeded; what is too many,
 * too large or packed too tightly is left out with its reason. Throws an Error in words where the archive itself cannot be read.
 */
export function unzipped(bytes: Uint8Array, limits: UnzipLimits): Unpacked {
  const left: { name: string; why: string }[] = [];
  let count = 0;
  let size = 0;
  const wanted = ({ name, size: packed, originalSize, compression }: UnzipFileInfo): boolean => {
    if (isLitter(name)) return false;
    const why = ((): string | null => {
      if (count >= limits.most_files)
        return `is more than ${limits.most_files} files; unpack it and give those of one board`;
      if (compression !== 0 && compression !== 8)
        return 'is packed in a way that is not read; unpack it first';
      if (size + originalSize > limits.most_bytes)
        return `unpacks to more than ${Math.round(limits.most_bytes / 1e6)} MB; unpack it and give what is needed`;
      if (originalSize > RATIO_FROM_bytes && originalSize > MOST_RATIO * packed)
        return 'is packed more tightly than drawings are; unpack it yourself if it is to be trusted';
      if (/\.zip$/i.test(name)) return 'is an archive within the archive; unpack it first';
      return null;
    })();
    if (why !== null) {
      if (left.length < limits.most_files) left.push({ name, why });
      return false;
    }
    count += 1;
    size += originalSize;
    return true;
  };
  let found: Record<string, Uint8Array>;
  try {
    found = unzipSync(bytes, { filter: wanted });
  } catch {
    throw new Error('the archive is damaged or cut short; pack it again');
  }
  return { files: Object.entries(found).map(([name, content]) => ({ name, bytes: content })), left };
}
