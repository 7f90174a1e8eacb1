import type { Result } from '../core/units';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import sharp, { type Sharp } from 'sharp';

/**
 * A picture ready to be kept: upright, without what else the file told (place, device, time), no larger than
 * needed.
 */
export interface ReadPicture {
  /** JPEG, longest edge at most {@link FULL_EDGE}. */
  readonly full: Buffer;
  /** JPEG for lists. */
  readonly small: Buffer;
  readonly width: number;
  readonly height: number;
}

export type PictureRead = Result<{ readonly value: ReadPicture }>;

const FULL_EDGE = 2400;
const SMALL_EDGE = 360;
export const MOST_BYTES = 40_000_000;
const MOST_PIXELS = 50_000_000;
const HEIC_BRANDS = ['heic', 'heix', 'heim', 'heis', 'hevc', 'mif1', 'msf1'];

type Kind = 'jpeg' | 'png' | 'webp' | 'heic';

/** What a file is by its first bytes, whatever it is named; undefined for what is not read here. */
export function kindOf(bytes: Buffer): Kind | undefined {
  if (bytes.length < 16) return undefined;
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'jpeg';
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])))
    return 'png';
  const text = bytes.toString('latin1', 0, 16);
  if (text.startsWith('RIFF') && text.slice(8, 12) === 'WEBP') return 'webp';
  if (text.slice(4, 8) === 'ftyp' && HEIC_BRANDS.includes(text.slice(8, 12))) return 'heic';
  return undefined;
}

/** Reads an uploaded picture. A file that cannot be used is one sentence, and nothing of it is kept. */
export async function readPicture(bytes: Buffer): Promise<PictureRead> {
  if (bytes.length === 0) return { ok: false, problem: 'The file is empty.' };
  if (bytes.length > MOST_BYTES)
    return {
      ok: false,
      problem: `The file has ${(bytes.length / 1e6).toFixed(0)} MB; a picture may have ${MOST_BYTES / 1e6}.`,
    };
  const kind = kindOf(bytes);
  if (!kind)
    return { ok: false, problem: 'The file is no JPEG, PNG, WebP or HEIC picture, whatever it is named.' };
  try {
    const read = kind === 'heic' ? await fromHeic(bytes) : await fromFile(bytes);
    if (!read.ok) return read;
    // Upright first, then small enough; sharp leaves out every kind of metadata unless it is told to keep it.
    const upright = read.image.rotate();
    const full = await upright
      .clone()
      .resize({ width: FULL_EDGE, height: FULL_EDGE, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 84 })
      .toBuffer({ resolveWithObject: true });
    const small = await sharp(full.data)
      .resize({ width: SMALL_EDGE, height: SMALL_EDGE, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 78 })
      .toBuffer();
    return { ok: true, value: { full: full.data, small, width: full.info.width, height: full.info.height } };
  } catch {
    return { ok: false, problem: 'The picture is broken: it ends too early or holds what cannot be read.' };
  }
}

type Opened = Result<{ readonly image: Sharp }>;

const tooLarge = (width: number, height: number): string | undefined =>
  width * height > MOST_PIXELS
    ? `The picture has ${((width * height) / 1e6).toFixed(0)} megapixels; it may have ${MOST_PIXELS / 1e6}. Take it smaller, or cut it down first.`
    : undefined;

async function fromFile(bytes: Buffer): Promise<Opened> {
  const { width = 0, height = 0 } = await sharp(bytes, { limitInputPixels: false }).metadata();
  const problem = tooLarge(width, height);
  return problem
    ? { ok: false, problem }
    : { ok: true, image: sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' }) };
}

/** What the worker hands back: pixels, or why there are none. */
type Decoded = { readonly width: number; readonly height: number; readonly pixels?: ArrayBuffer };

/** HEIC is decoded by WebAssembly, in a thread of its own, so that nobody else has to wait for it. */
const DECODER = path.join(process.cwd(), 'data', 'heic-decoder.mjs');
const DECODE_MS = 30_000;

async function fromHeic(bytes: Buffer): Promise<Opened> {
  const worker = new Worker(DECODER, {
    workerData: { bytes, most: MOST_PIXELS },
    stdout: true,
    stderr: true,
    resourceLimits: { maxOldGenerationSizeMb: 1024 },
  });
  let timer: NodeJS.Timeout | undefined;
  try {
    const { width, height, pixels } = await new Promise<Decoded>((resolve, reject) => {
      worker.once('message', resolve);
      worker.once('error', reject);
      worker.once('exit', () => reject(new Error('the decoder ended')));
      timer = setTimeout(() => reject(new Error('the decoder took too long')), DECODE_MS);
    });
    const problem = tooLarge(width, height);
    if (problem || !pixels) return { ok: false, problem: problem ?? 'The picture is broken.' };
    return { ok: true, image: sharp(Buffer.from(pixels), { raw: { width, height, channels: 4 } }) };
  } finally {
    clearTimeout(timer);
    await worker.terminate();
  }
}
