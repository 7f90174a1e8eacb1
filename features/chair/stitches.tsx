import { depthOf, outlineOf, stitchShapes, type SingleGather } from '@/core/pattern';
import { useSaid } from '@/ui/measures';
import { closedPath } from '../head/closed-path';

/** Longest strip that is drawn, mm. */
const MOST_MM = 110;
const HEIGHT_MM = 12;

/** What the comb takes, at its real size: stitches and gaps of a weave, points of a zigzag, a whole slice. */
export function Stitches({
  gather,
  widthMm,
  deposits = false,
}: {
  gather: SingleGather;
  widthMm: number;
  deposits?: boolean;
}) {
  const said = useSaid();
  const width = Math.min(MOST_MM, widthMm);
  return (
    <svg
      width={`${width}mm`}
      height={`${HEIGHT_MM}mm`}
      viewBox={`0 0 ${width} ${HEIGHT_MM}`}
      role="img"
      aria-label={said(`Section ${Math.round(widthMm)} mm wide, at its real size`)}
      className="max-w-full rounded-[3px] bg-[#2b211b]"
    >
      <path d={pathOf(gather, widthMm)} fill={deposits ? 'var(--color-dusk-glyph)' : 'var(--color-sun)'} />
    </svg>
  );
}

/** Drawn as deep as there is room, whatever share of the section is picked: along the comb it is life-size. */
function pathOf(gather: SingleGather, widthMm: number): string {
  const deep = (HEIGHT_MM - 3) / depthOf(gather);
  return stitchShapes(gather, widthMm)
    .map((shape) => closedPath(outlineOf(shape).map(([along, share]) => [along, 1.5 + share * deep])))
    .join('');
}
