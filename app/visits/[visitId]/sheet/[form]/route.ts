import { svgOf } from '@/core/formats';
import { csvResponse } from '@/features/csv-response';
import { inWords, missing, route } from '@/features/http/route';
import type { SignedIn } from '@/features/session/signed-in';
import { picturePdf, sheetPdf } from '@/features/sheet/pdf';
import { estimateOf } from '@/features/sheet/estimate';
import {
  loadAgain,
  loadCard,
  loadDocument,
  loadFoils,
  loadReceipt,
  loadSheet,
} from '@/features/sheet/queries';

const FORMS = {
  'again.pdf': loadAgain,
  'again.svg': loadAgain,
  'pattern.pdf': loadSheet,
  'pattern.svg': loadSheet,
  'mix.pdf': loadCard,
  'mix.svg': loadCard,
  'receipt.pdf': loadReceipt,
  'receipt.svg': loadReceipt,
} as const;

/**
 * The sheet for the station, sheet/pattern.pdf or sheet/pattern.svg, how to find it again, sheet/again.pdf or
 * sheet/again.svg, the card for the mixing table, sheet/mix.pdf or sheet/mix.svg, and the receipt,
 * sheet/receipt.pdf or sheet/receipt.svg.
 */
export const GET = route<{ visitId: string; form: string }>(
  'seeVisit',
  async (_, { visitId, form }, person) => {
    if (form === 'foils.csv') return foilList(person, visitId);
    if (form === 'visit.json' || form === 'pattern.json') return documentOf(person, visitId, form);
    const load = Object.hasOwn(FORMS, form) ? FORMS[form as keyof typeof FORMS] : undefined;
    if (!load)
      return new Response(
        `The sheets are ${[...Object.keys(FORMS), 'foils.csv', 'visit.json', 'pattern.json'].join(', ')}.`,
        { status: 404 },
      );
    const sheet = await load(person, visitId);
    if (!sheet) throw missing('visit');
    const headers = { 'Cache-Control': 'no-store', 'Content-Disposition': `inline; filename="${form}"` };
    if (form.endsWith('.pdf'))
      return new Response(await sheetPdf(sheet), {
        headers: { ...headers, 'Content-Type': 'application/pdf' },
      });
    const { widthMm, heightMm, title, shapes } = sheet;
    return new Response(svgOf({ x: 0, y: 0, width: widthMm, height: heightMm }, title, '#ffffff', shapes), {
      headers: { ...headers, 'Content-Type': 'image/svg+xml; charset=utf-8' },
    });
  },
  { say: inWords },
);

/**
 * The picture for the client, sheet/estimate.pdf, of the PNG that is sent: it was made where it is shown, and
 * nothing of it is kept.
 */
export const POST = route<{ visitId: string; form: string }>(
  'seeVisit',
  async (request, { visitId, form }, person) => {
    if (form !== 'estimate.pdf')
      return new Response('Only estimate.pdf is made of a picture.', { status: 404 });
    const read = await estimateOf(person, visitId, request);
    if (!read.ok) return new Response(read.problem, { status: read.status });
    const headers = {
      'Cache-Control': 'no-store',
      'Content-Type': 'application/pdf',
      'Content-Disposition': 'attachment; filename="hair-estimate.pdf"',
    };
    return new Response(await picturePdf(read.png, read.size, 'Hair, an estimate'), { headers });
  },
);

/** The list of foils. */
async function foilList(person: SignedIn, visitId: string): Promise<Response> {
  const foils = await loadFoils(person, visitId);
  if (!foils) throw missing('visit');
  return csvResponse(foils.table, 'foils.csv');
}

/** The whole visit, or the pattern that `bin/lattice plan` reads. */
async function documentOf(
  person: SignedIn,
  visitId: string,
  form: 'visit.json' | 'pattern.json',
): Promise<Response> {
  const read = await loadDocument(person, visitId, form);
  if (!read) throw missing('visit');
  return new Response(`${JSON.stringify(read.document, null, 1)}\n`, {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': `attachment; filename="${form}"`,
      'Cache-Control': 'no-store',
    },
  });
}
