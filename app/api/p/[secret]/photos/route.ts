import { bytesOf, Refused, route } from '@/features/http/route';
import { MOST_REQUEST_BYTES } from '@/features/photos/queries';
import { giveOwnPhoto, mayGivePhoto } from '@/features/their-page/queries';

/** Takes a picture from a client's own page: multipart with `file` and `kind` (wish or hair). */
export const POST = route<{ secret: string }>(
  async (request, { secret }) => {
    // Whose page it is comes before a byte of the picture is read.
    const page = await mayGivePhoto(secret);
    const bytes = await bytesOf(request, MOST_REQUEST_BYTES, 'The picture');
    let form: FormData;
    try {
      form = await new Response(bytes, {
        headers: { 'Content-Type': request.headers.get('content-type') ?? '' },
      }).formData();
    } catch {
      throw new Refused(400, 'The request holds no picture.', 'invalid');
    }
    return Response.json(await giveOwnPhoto(page, form));
  },
  { tokens: true },
);
