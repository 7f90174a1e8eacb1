'use client';

import { memo } from 'react';
import type { ServiceScript, ServiceState } from '@/core/chair';
import { useWidth } from '@/ui/use-width';
import { FoilGlyph } from '../head/foil-glyph';
import { barkOf } from '../visit/bark';

const HEIGHT = 40;
const GAP = 8;

/**
 * The ribbon as progress: what is on is lit, what is rinsed is water, what waits is pale, the one in hand is
 * framed.
 */
export const ProgressRibbon = memo(function ProgressRibbon({
  script,
  state,
  foil,
}: {
  script: ServiceScript;
  state: ServiceState;
  foil: string | null;
}) {
  const [width, frame] = useWidth<HTMLElement>();
  const total = state.blocks.reduce((sum, { units }) => sum + units.length, 0);
  const cell = Math.min(22, (width - 32 - GAP * state.blocks.length) / Math.max(1, total));
  const bark = barkOf(script.naturalLevel);
  const done = state.blocks
    .flatMap(({ units }) => units)
    .filter(({ standing }) => standing !== 'waiting').length;
  return (
    <footer
      ref={frame}
      aria-label={`Progress: ${done} of ${total} foils`}
      className="h-[68px] shrink-0 overflow-hidden border-t border-line bg-raised px-4 pt-2"
    >
      <div className="flex" style={{ gap: GAP }}>
        {state.blocks.map(({ block, units }) => (
          <div key={block.id} style={{ width: units.length * cell }} className="min-w-0">
            <svg width={units.length * cell} height={HEIGHT} className="block overflow-visible" aria-hidden>
              {units.map(({ id, standing, unit }, i) => (
                <g
                  key={id}
                  transform={`translate(${i * cell} 0)`}
                  opacity={
                    id === foil ? 1 : standing === 'waiting' ? 0.32 : standing === 'skipped' ? 0.12 : 1
                  }
                >
                  <rect
                    x={0.5}
                    width={Math.max(0.8, cell - 1)}
                    height={HEIGHT}
                    rx={2}
                    fill={bark}
                    stroke={id === foil ? 'var(--color-leaf)' : 'none'}
                    strokeWidth={4}
                    paintOrder="stroke"
                  />
                  {cell > 3 && (
                    <FoilGlyph gather={unit.gather} width={cell} height={HEIGHT} deposits={!unit.lifts} />
                  )}
                  {(standing === 'rinsed' || standing === 'pulled') && (
                    <rect
                      x={0.5}
                      width={Math.max(0.8, cell - 1)}
                      height={HEIGHT}
                      rx={2}
                      fill="var(--color-sky)"
                      opacity={0.85}
                    />
                  )}
                </g>
              ))}
            </svg>
            <p className="truncate text-2xs text-ink-soft narrow">{block.name.replace(', part ', ' ')}</p>
          </div>
        ))}
      </div>
    </footer>
  );
});
