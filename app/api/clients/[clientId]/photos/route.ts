import { maySend, MOST_REQUEST_BYTES, photosFor, uploadPhoto } from '@/features/photos/queries';

type Context = { params: Promise<{ clientId: string }> };

/** The photos of a client, newest first. */
export async function GET(_: Request, { params }: Context) {
  return Response.json(await photosFor((await params).clientId), { headers: { 'Cache-Control': 'no-store' } });
}

/** Takes a picture: multipart with `file`, `kind` (wish or hair) and `visitId` where it belongs to one. */
export async function POST(request: Request, { params }: Context) {
  // Asked before the body is read: strangers send nothing here, and nobody more than a picture.
  if (!(await maySend())) return Response.json({ problem: 'This station is locked or signed out.' }, { status: 401 });
  const length = Number(request.headers.get('content-length') ?? Number.NaN);
  if (!(length <= MOST_REQUEST_BYTES)) {
    return Response.json({ problem: 'The file is too large: a picture may have 40 MB.' }, { status: Number.isNaN(length) ? 411 : 413 });
  }
  let form: FormData;
  try {
    form = await request.formData();
  } catch {
    return Response.json({ problem: 'The request holds no picture.' }, { status: 400 });
  }
  const uploaded = await uploadPhoto((await params).clientId, form);
  return uploaded.ok ? Response.json({ photoId: uploaded.photoId }) : Response.json({ problem: uploaded.problem }, { status: uploaded.status });
}
