import { openRoute } from '@/features/http/route';
import { ownPhotoFile } from '@/features/their-page/queries';

/** A picture that was given on this very page, JPEG; none other. */
export const GET = openRoute<{ secret: string; photoId: string }>(async (_, { secret, photoId }) => {
  const bytes = await ownPhotoFile(secret, photoId);
  if (!bytes) return Response.json({ problem: 'There is no such picture on this page.' }, { status: 404 });
  return new Response(new Uint8Array(bytes), {
    headers: {
      'Content-Type': 'image/jpeg',
      'Cache-Control': 'private, no-store',
      'X-Content-Type-Options': 'nosniff',
    },
  });
});
