import 'server-only';
import sharp from 'sharp';
import { bytesOf } from '../http/route';
import { MOST_BYTES } from '../limits';
import { hasVisit } from '../visit/queries';
import type { SignedIn } from '../session/signed-in';

const MOST_PIXELS = 4000;

type Read =
  | { ok: true; png: Uint8Array; size: { width: number; height: number } }
  | { ok: false; status: number; problem: string };

const refused = (status: number, problem: string): Read => ({ ok: false, status, problem });

/**
 * The picture of a request, for somebody of the visit's salon: read only once it is known who sends it, and
 * how much.
 */
export async function estimateOf(person: SignedIn, visitId: string, request: Request): Promise<Read> {
  if (!(await hasVisit(person, visitId))) return refused(404, 'There is no such visit in this salon.');
  const png = await bytesOf(request, MOST_BYTES.estimate, 'The picture');
  try {
    const { format, width, height } = await sharp(png).metadata();
    if (format !== 'png' || !(width <= MOST_PIXELS && height <= MOST_PIXELS))
      return refused(
        400,
        'What was sent is no picture of a screen: a PNG of at most 4000 pixels a side is wanted.',
      );
    return { ok: true, png, size: { width, height } };
  } catch {
    return refused(400, 'What was sent is no picture: a PNG is wanted.');
  }
}
