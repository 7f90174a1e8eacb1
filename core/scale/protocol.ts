/**
 * The line protocol of the bench scale: ASCII lines that end in a line feed. docs/formats/scale.md says it in
 * full.
 *
 *     scale → program   ID <simulated|bench> <step g> <most g> <name>     once, after connecting
 *                       R <grams> <S|U>                                   ten a second; S settled, U not
 *                       OK <command>                                      a command was done
 *                       ERR <words>                                       it was not
 *     program → scale   TARE                                              what is on the pan counts as
 * nothing from now on
 */
export type ScaleLine =
  | {
      readonly kind: 'id';
      readonly simulated: boolean;
      readonly stepGrams: number;
      readonly mostGrams: number;
      readonly name: string;
    }
  | { readonly kind: 'reading'; readonly grams: number; readonly settled: boolean }
  | { readonly kind: 'done'; readonly command: string }
  | { readonly kind: 'refused'; readonly words: string };

const FIGURE = '(-?\\d+(?:\\.\\d+)?)';
const ID = new RegExp(`^ID (simulated|bench) ${FIGURE} ${FIGURE} (.{1,40})$`);
const READING = new RegExp(`^R ${FIGURE} ([SU])$`);

/**
 * What a line says; undefined for one that is none: noise on the line is passed over, never taken for a
 * weight.
 */
export function readScaleLine(line: string): ScaleLine | undefined {
  const id = ID.exec(line);
  if (id)
    return {
      kind: 'id',
      simulated: id[1] === 'simulated',
      stepGrams: Number(id[2]),
      mostGrams: Number(id[3]),
      name: id[4],
    };
  const reading = READING.exec(line);
  if (reading) return { kind: 'reading', grams: Number(reading[1]), settled: reading[2] === 'S' };
  if (line.startsWith('OK ')) return { kind: 'done', command: line.slice(3) };
  if (line.startsWith('ERR ')) return { kind: 'refused', words: line.slice(4) };
  return undefined;
}

export function scaleLine(line: ScaleLine): string {
  switch (line.kind) {
    case 'id':
      return `ID ${line.simulated ? 'simulated' : 'bench'} ${line.stepGrams} ${line.mostGrams} ${line.name}`;
    case 'reading':
      return `R ${line.grams.toFixed(1)} ${line.settled ? 'S' : 'U'}`;
    case 'done':
      return `OK ${line.command}`;
    case 'refused':
      return `ERR ${line.words}`;
  }
}

/** Puts lines together from what arrives piece by piece; a line that never ends is dropped. */
export class LineBuffer {
  private rest = '';

  constructor(private readonly longest = 200) {}

  /** Whole lines that have ended with this piece. */
  take(piece: string): string[] {
    const parts = (this.rest + piece).split('\n');
    this.rest = parts.pop()!;
    if (this.rest.length > this.longest) this.rest = '';
    return parts
      .map((line) => line.replace(/\r$/, ''))
      .filter((line) => line.length > 0 && line.length <= this.longest);
  }
}
