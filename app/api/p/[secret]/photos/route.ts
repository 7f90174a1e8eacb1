import { formOf, openRoute } from '@/features/http/route';
import { MOST_REQUEST_BYTES } from '@/features/photos/queries';
import { giveOwnPhoto, mayGivePhoto } from '@/features/their-page/queries';

/** Takes a picture from a client's own page: multipart with `file` and `kind` (wish or hair). */
export const POST = openRoute<{ secret: string }>(async (request, { secret }) => {
  // Whose page it is comes before a byte of the picture is read.
  const page = await mayGivePhoto(secret);
  const form = await formOf(request, MOST_REQUEST_BYTES, 'The picture');
  return Response.json(await giveOwnPhoto(page, form));
});
