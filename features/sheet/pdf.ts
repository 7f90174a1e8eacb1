import 'server-only';
import path from 'node:path';
import PDFDocument from 'pdfkit';
import type { Shape, StationSheet } from '@/core/formats';

/** Points in a millimetre. */
const PT = 72 / 25.4;
const WEIGHTS = [400, 600, 700] as const;
/** The typeface comes in three files a weight: common letters, letters of Europe, and Vietnamese. */
const SUBSETS = ['latin', 'latin-ext', 'vietnamese'] as const;
type Subset = (typeof SUBSETS)[number];

/** The server runs in the project's own folder, where its packages are. */
const FONTS = path.join(
  /* turbopackIgnore: true */ process.cwd(),
  'node_modules',
  '@fontsource',
  'archivo',
  'files',
);
const fontFile = (subset: Subset, weight: number) =>
  path.join(FONTS, `archivo-${subset}-${weight}-normal.woff`);

/** The sheet as a PDF of one page, its typeface embedded. */
export function sheetPdf(sheet: StationSheet): Promise<Uint8Array<ArrayBuffer>> {
  const doc = new PDFDocument({
    size: [sheet.widthMm * PT, sheet.heightMm * PT],
    margin: 0,
    info: { Title: sheet.title, Creator: 'Dappled Lattice' },
    lang: 'en',
    displayTitle: true,
  });
  const done = collected(doc);
  for (const subset of SUBSETS)
    for (const weight of WEIGHTS) doc.registerFont(`${subset}${weight}`, fontFile(subset, weight));
  doc.scale(PT);
  for (const shape of sheet.shapes) {
    doc.save();
    if (shape.kind === 'path') drawPath(doc, shape);
    else drawText(doc, shape);
    doc.restore();
  }
  doc.end();
  return done;
}

/** Points of a side of the page that a picture fills: a phone's screen, upright. */
const PHONE_PT = 306;

/** A picture as a PDF of one page, in its own format. */
export function picturePdf(
  png: Uint8Array,
  size: { width: number; height: number },
  title: string,
): Promise<Uint8Array<ArrayBuffer>> {
  const page: [number, number] = [PHONE_PT, (PHONE_PT * size.height) / size.width];
  const doc = new PDFDocument({
    size: page,
    margin: 0,
    info: { Title: title, Creator: 'Dappled Lattice' },
    lang: 'en',
    displayTitle: true,
  });
  const done = collected(doc);
  doc.image(Buffer.from(png), 0, 0, { width: page[0], height: page[1] });
  doc.end();
  return done;
}

function collected(doc: PDFKit.PDFDocument): Promise<Uint8Array<ArrayBuffer>> {
  const parts: Buffer[] = [];
  return new Promise((resolve, reject) => {
    doc.on('data', (part: Buffer) => parts.push(part));
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(parts))));
    doc.on('error', reject);
  });
}

function drawPath(
  doc: PDFKit.PDFDocument,
  { d, fill, fillOpacity = 1, stroke, strokeOpacity = 1, width = 1, dash }: Extract<Shape, { kind: 'path' }>,
): void {
  if (d === '') return;
  doc.path(d).lineWidth(width).fillOpacity(fillOpacity).strokeOpacity(strokeOpacity);
  if (dash) doc.dash(dash[0], { space: dash[1] });
  if (fill && stroke) doc.fillAndStroke(fill, stroke);
  else if (fill) doc.fill(fill);
  else if (stroke) doc.stroke(stroke);
}

function drawText(
  doc: PDFKit.PDFDocument,
  { x, y, size, words, fill, weight, anchor, rim }: Extract<Shape, { kind: 'text' }>,
): void {
  const runs = runsOf(words);
  const widths = runs.map(({ subset, letters }) =>
    doc.font(`${subset}${weight}`).fontSize(size).widthOfString(letters),
  );
  const whole = widths.reduce((sum, width) => sum + width, 0);
  const start = anchor === 'start' ? x : anchor === 'middle' ? x - whole / 2 : x - whole;
  const draw = (options: PDFKit.Mixins.TextOptions) => {
    let at = start;
    runs.forEach(({ subset, letters }, i) => {
      doc
        .font(`${subset}${weight}`)
        .fontSize(size)
        .text(letters, at, y, { baseline: 'alphabetic', lineBreak: false, ...options });
      at += widths[i];
    });
  };
  if (rim !== undefined) {
    doc.lineWidth(rim).lineJoin('round').strokeColor('#000').strokeOpacity(0.6);
    draw({ stroke: true, fill: false });
  }
  doc.fillColor(fill).fillOpacity(1);
  draw({ fill: true });
}

/**
 * Letters that one font file holds, in a row. A letter that none holds is printed as ▯'s stand-in, a question
 * mark.
 */
function runsOf(words: string): { subset: Subset; letters: string }[] {
  const runs: { subset: Subset; letters: string }[] = [];
  for (const letter of words.normalize('NFC')) {
    const subset = subsetOf(letter.codePointAt(0)!);
    const written = subset === undefined ? '?' : letter;
    const last = runs.at(-1);
    if (last && last.subset === (subset ?? 'latin')) last.letters += written;
    else runs.push({ subset: subset ?? 'latin', letters: written });
  }
  return runs;
}

function subsetOf(code: number): Subset | undefined {
  if (
    code < 0x100 ||
    (code >= 0x2000 && code <= 0x206f) ||
    [0x131, 0x152, 0x153, 0x2bb, 0x2bc, 0x2c6, 0x2da, 0x2dc, 0x20ac, 0x2122].includes(code)
  )
    return 'latin';
  if ((code >= 0x1ea0 && code <= 0x1ef9) || [0x1a0, 0x1a1, 0x1af, 0x1b0].includes(code)) return 'vietnamese';
  if (code < 0x250 || (code >= 0x1e00 && code <= 0x1eff)) return 'latin-ext';
  return undefined;
}
