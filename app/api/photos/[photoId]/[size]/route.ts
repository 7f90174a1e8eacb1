import { photoFile } from '@/features/photos/queries';
import { route } from '@/features/http/route';

/** A photo's bytes, JPEG, for the people of its salon. */
export const GET = route<{ photoId: string; size: string }>(async (_, { photoId, size }) => {
  const bytes = await photoFile(photoId, size);
  if (!bytes) return Response.json({ problem: 'There is no such photo in this salon.' }, { status: 404 });
  // A photo's bytes never change; only this browser may keep them.
  return new Response(new Uint8Array(bytes), {
    headers: {
      'Content-Type': 'image/jpeg',
      'Cache-Control': 'private, max-age=3600',
      'X-Content-Type-Options': 'nosniff',
    },
  });
});
