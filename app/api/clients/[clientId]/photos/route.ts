import { bytesOf, route } from '@/features/http/route';
import { MOST_REQUEST_BYTES, photosFor, uploadPhoto } from '@/features/photos/queries';

/** The photos of a client, newest first. */
export const GET = route<{ clientId: string }>(async (_, { clientId }) => {
  const photos = await photosFor(clientId);
  if (!photos) return Response.json({ problem: 'This station is locked or signed out.' }, { status: 401 });
  return Response.json(photos, { headers: { 'Cache-Control': 'no-store' } });
});

/** Takes a picture: multipart with `file`, `kind` (wish or hair) and `visitId` where it belongs to one. */
export const POST = route<{ clientId: string }>(async (request, { clientId }) => {
  const bytes = await bytesOf(request, MOST_REQUEST_BYTES, 'The picture');
  let form: FormData;
  try {
    form = await new Response(bytes, {
      headers: { 'Content-Type': request.headers.get('content-type') ?? '' },
    }).formData();
  } catch {
    return Response.json({ problem: 'The request holds no picture.' }, { status: 400 });
  }
  const uploaded = await uploadPhoto(clientId, form);
  return uploaded.ok
    ? Response.json({ photoId: uploaded.photoId })
    : Response.json({ problem: uploaded.problem }, { status: uploaded.status });
});
