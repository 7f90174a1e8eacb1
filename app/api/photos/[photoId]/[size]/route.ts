import { photoFile } from '@/features/photos/queries';

/** A photo's bytes, JPEG, for the people of its salon. */
export async function GET(_: Request, { params }: { params: Promise<{ photoId: string; size: string }> }) {
  const { photoId, size } = await params;
  const bytes = await photoFile(photoId, size);
  if (!bytes) return Response.json({ problem: 'There is no such photo in this salon.' }, { status: 404 });
  // A photo's bytes never change; only this browser may keep them.
  return new Response(new Uint8Array(bytes), { headers: { 'Content-Type': 'image/jpeg', 'Cache-Control': 'private, max-age=3600', 'X-Content-Type-Options': 'nosniff' } });
}
