import { svgOf } from '@/core/formats';
import { sheetPdf } from '@/features/sheet/pdf';
import { loadSheet } from '@/features/sheet/queries';

const REFUSED = {
  'signed-out': { status: 401, words: 'You are signed out. Sign in again.' },
  missing: { status: 404, words: 'There is no such visit in this salon.' },
} as const;

/** The sheet for the station: sheet/pattern.pdf or sheet/pattern.svg. */
export async function GET(_: Request, { params }: { params: Promise<{ visitId: string; form: string }> }) {
  const { visitId, form } = await params;
  if (form !== 'pattern.pdf' && form !== 'pattern.svg') return new Response('The sheet comes as pattern.pdf or pattern.svg.', { status: 404 });
  const sheet = await loadSheet(visitId);
  if (typeof sheet === 'string') return new Response(REFUSED[sheet].words, { status: REFUSED[sheet].status });
  const headers = { 'Cache-Control': 'no-store', 'Content-Disposition': `inline; filename="${form}"` };
  if (form === 'pattern.pdf') return new Response(await sheetPdf(sheet), { headers: { ...headers, 'Content-Type': 'application/pdf' } });
  const { widthMm, heightMm, title, shapes } = sheet;
  return new Response(svgOf({ x: 0, y: 0, width: widthMm, height: heightMm }, title, '#ffffff', shapes), { headers: { ...headers, 'Content-Type': 'image/svg+xml; charset=utf-8' } });
}
