import { salonArchive } from '@/features/house/queries';
import { inWords, route } from '@/features/http/route';

/** The whole salon as one archive, for its owner. */
export const GET = route(
  'downloadSalon',
  async (_request, _params, person) => {
    const archive = await salonArchive(person);
    return new Response(archive.stream, {
      headers: {
        'Content-Type': 'application/zip',
        'Content-Disposition': `attachment; filename="${archive.name}"`,
        'Cache-Control': 'no-store',
      },
    });
  },
  { say: inWords },
);
