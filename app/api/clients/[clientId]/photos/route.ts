import { formOf, route } from '@/features/http/route';
import { MOST_REQUEST_BYTES, photosFor, uploadPhoto } from '@/features/photos/queries';

/** The photos of a client, newest first. */
export const GET = route<{ clientId: string }>('seePhotos', async (_, { clientId }, person) => {
  const photos = await photosFor(person, clientId);
  return Response.json(photos, { headers: { 'Cache-Control': 'no-store' } });
});

/** Takes a picture: multipart with `file`, `kind` (wish or hair) and `visitId` where it belongs to one. */
export const POST = route<{ clientId: string }>('addPhoto', async (request, { clientId }, person) => {
  const form = await formOf(request, MOST_REQUEST_BYTES, 'The picture');
  const uploaded = await uploadPhoto(person, clientId, form);
  return uploaded.ok
    ? Response.json({ photoId: uploaded.photoId })
    : Response.json({ problem: uploaded.problem }, { status: uploaded.status });
});
