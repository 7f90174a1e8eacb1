import { respond } from '@/features/chair/answer';
import { takeEvents } from '@/features/chair/queries';

const MOST_BYTES = 1_000_000;

/** Takes events of a device: { device, deviceNow, events } in, the same events as the server has them out. */
export async function POST(request: Request, { params }: { params: Promise<{ visitId: string }> }) {
  const text = await request.text();
  if (text.length > MOST_BYTES) return respond({ ok: false, reason: 'invalid', problem: 'The events are larger than a megabyte: send fewer at once.' });
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return respond({ ok: false, reason: 'invalid', problem: 'The request body is not JSON.' });
  }
  return respond(await takeEvents((await params).visitId, body));
}
