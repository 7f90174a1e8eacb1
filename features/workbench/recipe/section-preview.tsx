'use client';

import { outlineOf, stitchShapes, type SingleGather } from '@/core/pattern';
import { useUnits } from '../../house/context';
import { closedPath } from '../../head/closed-path';
import { barkOf } from '../../visit/bark';
import { useVisit } from '../../visit/store';

const SHOWN_MM = 60;

/**
 * A piece of the section from the front, as large as life on a screen of 96 dots an inch: light is what goes
 * into the foil.
 */
export function SectionPreview({
  gather,
  thicknessMm,
  dropoutMm,
}: {
  gather: SingleGather;
  thicknessMm: number;
  dropoutMm: number;
}) {
  const { consult } = useVisit();
  const { say } = useUnits();
  const height = Math.max(1, thicknessMm + Math.min(dropoutMm, 12));
  return (
    <figure className="mt-3">
      <svg
        viewBox={`0 0 ${SHOWN_MM} ${height}`}
        style={{ width: `${SHOWN_MM}mm`, height: `${height}mm` }}
        className="max-w-full rounded-[4px]"
        role="img"
        aria-label={`Section ${say(thicknessMm)} thick with ${say(dropoutMm)} left out behind it`}
      >
        <rect width={SHOWN_MM} height={height} fill={barkOf(consult.naturalLevel)} />
        {stitchShapes(gather, SHOWN_MM).map((shape) => (
          <path
            key={shape[0].alongMm}
            d={closedPath(outlineOf(shape).map(([along, share]) => [along, share * thicknessMm]))}
            fill="var(--color-sun)"
          />
        ))}
        <path d={`M0 ${thicknessMm}H${SHOWN_MM}`} stroke="var(--color-foil)" strokeWidth="0.35" />
      </svg>
      <figcaption className="mt-1 text-xs text-ink-soft">
        About life-size: the section above the line, the drop-out under it.
      </figcaption>
    </figure>
  );
}
