import { salonArchive } from '@/features/house/queries';
import { route } from '@/features/http/route';

/** The whole salon as one archive, for its owner. */
export const GET = route(async () => {
  const archive = await salonArchive();
  if (archive === 'signed-out') return new Response('You are signed out. Sign in again.', { status: 401 });
  if (archive === 'not-allowed')
    return new Response('Only the owner can download the whole salon.', { status: 403 });
  return new Response(archive.stream, {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename="${archive.name}"`,
      'Cache-Control': 'no-store',
    },
  });
});
