'use client';

import {
  cssColour,
  DEPOSITS,
  lightnessOf,
  tonedHair,
  type DepositTone,
  type HairColour,
  type Tone,
} from '@/core/lift';
import { HairSwatch } from '@/ui/hair-swatch';

interface TargetFieldProps {
  target: HairColour | null;
  /** What is wished for without a target, and the level that the toner meets. */
  tone: Tone;
  level: number;
  onChange(target: HairColour | null): void;
}

/** Colours beyond the usual tones: each as a pastel and full. */
const HUES = [
  'gold',
  'copper',
  'red',
  'rose',
  'pink',
  'plum',
  'violet',
  'blue',
  'turquoise',
  'green',
  'yellow',
] as const satisfies readonly DepositTone[];
const DEPTHS = [
  { words: 'pastel', chroma: 0.8, darker: 0 },
  { words: 'full', chroma: 1.7, darker: 1.5 },
] as const;

const same = (a: HairColour | null, b: HairColour) =>
  a !== null && a.lightness === b.lightness && a.chroma === b.chroma && a.hueDeg === b.hueDeg;
const round = (value: number) => Math.round(value * 1000) / 1000;

/**
 * The colour that a toner is to come to, as swatches: the tone that was wished for, or a colour of its own.
 */
export function TargetField({ target, tone, level, onChange }: TargetFieldProps) {
  const swatch = (name: string, colour: HairColour, on: boolean, take: HairColour | null) => (
    <button
      key={name}
      type="button"
      aria-label={`Target: ${name}`}
      title={name}
      aria-pressed={on}
      onClick={() => onChange(take)}
      className={`grid h-10 min-w-10 place-items-center rounded-ui border pointer-coarse:h-11 pointer-coarse:min-w-11 ${on ? 'border-leaf ring-2 ring-leaf' : 'border-edge hover:border-ink'}`}
    >
      <HairSwatch colour={cssColour(colour)} width={28} height={22} />
    </button>
  );
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-semibold">Target</legend>
      <div className="flex flex-wrap gap-1">
        {swatch(`${tone}, as wished`, tonedHair(level, tone), target === null, null)}
        {DEPTHS.flatMap(({ words, chroma, darker }) =>
          HUES.map((hue) => {
            const colour = {
              lightness: round(lightnessOf(Math.max(1, level - darker))),
              chroma: round(DEPOSITS[hue].chroma * chroma),
              hueDeg: DEPOSITS[hue].hueDeg,
            };
            return swatch(`${words} ${hue}`, colour, same(target, colour), colour);
          }),
        )}
        {target !== null && !isOffered(target, level) && swatch('as it was set', target, true, target)}
      </div>
    </fieldset>
  );
}

const isOffered = (target: HairColour, level: number) =>
  DEPTHS.some(({ chroma, darker }) =>
    HUES.some((hue) =>
      same(target, {
        lightness: round(lightnessOf(Math.max(1, level - darker))),
        chroma: round(DEPOSITS[hue].chroma * chroma),
        hueDeg: DEPOSITS[hue].hueDeg,
      }),
    ),
  );
