import type { SingleGather } from '@/core/pattern';
import { useSaid } from '@/ui/measures';

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
      <path d={pathOf(gather, width)} fill={deposits ? 'var(--color-dusk-glyph)' : 'var(--color-sun)'} />
    </svg>
  );
}

function pathOf(gather: SingleGather, width: number): string {
  const box = (x: number, w: number) =>
    `M${x.toFixed(2)} 1.5h${w.toFixed(2)}v${HEIGHT_MM - 3}h${(-w).toFixed(2)}z`;
  if (gather.kind === 'slice') return box(0.5, width - 1);
  if (gather.kind === 'zigzag') {
    const step = Math.max(2, gather.pointMm);
    const count = Math.max(1, Math.floor(width / step));
    return Array.from(
      { length: count },
      (_, i) =>
        `M${(i * step).toFixed(2)} 1.5l${(step / 2).toFixed(2)} ${HEIGHT_MM - 3}l${(step / 2).toFixed(2)} ${3 - HEIGHT_MM}z`,
    ).join('');
  }
  const step = gather.stitchMm + gather.gapMm;
  const count = Math.max(1, Math.floor((width - 1) / step));
  return Array.from({ length: count }, (_, i) => box(0.5 + i * step, gather.stitchMm)).join('');
}
