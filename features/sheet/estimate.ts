import 'server-only';
import sharp from 'sharp';
import { currentPerson } from '../session/current';
import { wholeVisit } from '../visit/queries';

/** Larger pictures are refused, bytes; a phone's screen takes about one megabyte. */
const MOST_BYTES = 8_000_000;
const MOST_PIXELS = 4000;

type Read = { ok: true; png: Uint8Array; size: { width: number; height: number } } | { ok: false; status: number; problem: string };

const refused = (status: number, problem: string): Read => ({ ok: false, status, problem });

/** The picture of a request, for somebody of the visit's salon: read only once it is known who sends it, and how much. */
export async function estimateOf(visitId: string, request: Request): Promise<Read> {
  const person = await currentPerson();
  if (!person) return refused(401, 'You are signed out. Sign in again.');
  if (!(await wholeVisit(person, visitId))) return refused(404, 'There is no such visit in this salon.');
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES) return refused(413, 'The picture is larger than 8 MB.');
  const png = new Uint8Array(await request.arrayBuffer());
  if (png.length > MOST_BYTES) return refused(413, 'The picture is larger than 8 MB.');
  try {
    const { format, width, height } = await sharp(png).metadata();
    if (format !== 'png' || !(width <= MOST_PIXELS && height <= MOST_PIXELS)) return refused(400, 'What was sent is no picture of a screen: a PNG of at most 4000 pixels a side is wanted.');
    return { ok: true, png, size: { width, height } };
  } catch {
    return refused(400, 'What was sent is no picture: a PNG is wanted.');
  }
}
