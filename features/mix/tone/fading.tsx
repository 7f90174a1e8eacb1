import { cssColour, fadedHair, TONER_WASHES, tonerLeft, type Toned } from '@/core/lift';
import { HairSwatch } from '@/ui/hair-swatch';

const WASHES = [0, 5, 10, TONER_WASHES] as const;

/** The hair as it fades over washes, from toned to what it was. */
export function Fading({ toned }: { toned: Toned }) {
  return (
    <p
      className="my-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm text-ink-soft"
      aria-label="As it fades"
    >
      <span>As it fades:</span>
      {WASHES.map((washes) => (
        <span key={washes} className="flex items-center gap-1.5">
          <HairSwatch colour={cssColour(fadedHair(toned, washes))} width={28} height={16} />{' '}
          {washes === 0 ? 'today' : `${washes} washes, ${Math.round(100 * tonerLeft(washes))}% left`}
        </span>
      ))}
      <span className="flex items-center gap-1.5">
        <HairSwatch colour={cssColour(toned.colours.wished)} width={28} height={16} /> wished
      </span>
    </p>
  );
}
