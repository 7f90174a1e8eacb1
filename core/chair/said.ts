import type { ScriptUnit, ServiceScript } from './script';
import type { Conflict } from './service-state';

/** A conflict as a sentence. @param time says a moment, such as `10:42` */
export const conflictWords = ({ parts }: Conflict, time: (at: number) => string): string =>
  parts.map((part) => (typeof part === 'number' ? time(part) : part)).join('');

const NAMES = {
  foil: 'Foil',
  'open-air': 'Section',
  'tip-out': 'Tip-out',
  lowlight: 'Lowlight',
  paint: 'Painting',
} as const;

/** A unit by its number in the order of work: `Foil 14`, `Tip-out 60`. */
export const unitName = ({ kind, number }: Pick<ScriptUnit, 'kind' | 'number'>): string =>
  `${NAMES[kind]} ${number}`;

export const foilsSaid = (n: number): string => `${n} ${n === 1 ? 'foil' : 'foils'}`;

export const blockName = ({ blocks }: ServiceScript, id: string): string =>
  blocks.find((block) => block.id === id)?.name ?? id;
