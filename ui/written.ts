/**
 * Writes a text's figures as the house does: `12.5 mm` or `12,5 mm`, `€1,250.50` or `€1.250,50`, `11%` or `11
 * %`.
 */
export const written = (text: string, comma: boolean): string =>
  comma
    ? text.replace(/(?<=\d)[.,](?=\d)/g, (mark) => (mark === '.' ? ',' : '.')).replace(/(?<=\d)%/g, '\u00a0%')
    : text;
