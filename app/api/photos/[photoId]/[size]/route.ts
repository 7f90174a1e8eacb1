import { photoFile } from '@/features/photos/queries';
import { missing, route } from '@/features/http/route';

/** A photo's bytes, JPEG, for the people of its salon. */
export const GET = route<{ photoId: string; size: string }>(
  'seePhotos',
  async (_, { photoId, size }, person) => {
    const bytes = await photoFile(person, photoId, size);
    if (!bytes) throw missing('photo');
    // A photo's bytes never change; only this browser may keep them.
    return new Response(new Uint8Array(bytes), {
      headers: {
        'Content-Type': 'image/jpeg',
        'Cache-Control': 'private, max-age=3600',
        'X-Content-Type-Options': 'nosniff',
      },
    });
  },
);
