/** Something drawn: a path or a line of text. Lengths in the unit of the drawing (mm). */
export type Shape =
  | {
      readonly kind: 'path';
      readonly d: string;
      readonly fill?: string;
      readonly fillOpacity?: number;
      readonly stroke?: string;
      readonly strokeOpacity?: number;
      /** Of the line. */
      readonly width?: number;
      readonly dash?: readonly [on: number, off: number];
      /** A name by which a program finds the shape. */
      readonly id?: string;
    }
  | {
      readonly kind: 'text';
      readonly x: number;
      /** Of the line that letters stand on. */
      readonly y: number;
      readonly size: number;
      readonly words: string;
      readonly fill: string;
      readonly weight: 400 | 600 | 700;
      readonly anchor: 'start' | 'middle' | 'end';
      /** Dark rim round light letters on hair. */
      readonly rim?: number;
    };

/** A line of text in print: in ink, of usual weight and from its left end where nothing else is said. */
export type PrintedText = Pick<Extract<Shape, { kind: 'text' }>, 'x' | 'y' | 'size' | 'words'> &
  Partial<Extract<Shape, { kind: 'text' }>>;
export const printedText = (text: PrintedText): Shape => ({
  kind: 'text',
  fill: '#17251f',
  weight: 400,
  anchor: 'start',
  ...text,
});

/** A drawing of real size as SVG (1 unit = 1 mm). */
export function svgOf(
  box: { x: number; y: number; width: number; height: number },
  title: string,
  ground: string,
  shapes: readonly Shape[],
): string {
  const { x, y, width, height } = box;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="${mm(x)} ${mm(y)} ${mm(width)} ${mm(height)}" font-family="Archivo, sans-serif">`,
    `<title>${escaped(title)}</title>`,
    `<rect x="${mm(x)}" y="${mm(y)}" width="${mm(width)}" height="${mm(height)}" fill="${ground}"/>`,
    ...shapes.map(tag),
    '</svg>',
    '',
  ].join('\n');
}

function tag(shape: Shape): string {
  if (shape.kind === 'path') {
    const { d, id, fill = 'none', fillOpacity, stroke, strokeOpacity, width, dash } = shape;
    const given: [string, string | number | undefined][] = [
      ['id', id],
      ['d', d],
      ['fill', fill],
      ['fill-opacity', fillOpacity],
      ['stroke', stroke],
      ['stroke-opacity', strokeOpacity],
      ['stroke-width', width],
      ['stroke-dasharray', dash?.join(' ')],
    ];
    return `<path${given
      .filter(([, value]) => value !== undefined)
      .map(([name, value]) => ` ${name}="${value}"`)
      .join('')}/>`;
  }
  const { x, y, size, words, fill, weight, anchor, rim } = shape;
  const edge =
    rim === undefined ? '' : ` stroke="#000" stroke-opacity=".6" stroke-width="${rim}" paint-order="stroke"`;
  return `<text x="${mm(x)}" y="${mm(y)}" font-size="${mm(size)}" font-weight="${weight}" text-anchor="${anchor}" fill="${fill}"${edge}>${escaped(words)}</text>`;
}

/** Lengths to 0.01 mm: finer than print. */
export const mm = (value: number) => String(Number(value.toFixed(2)) + 0);

function escaped(text: string): string {
  return text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);
}
