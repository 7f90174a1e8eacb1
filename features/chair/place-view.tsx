'use client';

import { memo, useMemo } from 'react';
import type { ServiceScript, ServiceState } from '@/core/chair';
import { openedHairline } from '@/core/head';
import { createPatternEngine, pathPoints, type ComputedPlan } from '@/core/pattern';
import { BrightFoils } from '../head/foil-marks';
import { pathThrough, ScalpMap, viewedBox } from '../head/scalp-map';
import { barkOf, shadeOf } from '../visit/bark';

interface PlaceViewProps {
  script: ServiceScript;
  state: ServiceState;
  foil: string | null;
  /** Ids of the blocks in hand, joined: the same words are the same place. */
  blocks: string;
}

/** Where on the head: foils that are on are lit, rinsed ones are water, the one in hand is bright. */
export const PlaceView = memo(function PlaceView({ script, state, foil, blocks }: PlaceViewProps) {
  const computed = useMemo(() => createPatternEngine().compute(script.plan), [script.plan]);
  const lines = useMemo(
    () =>
      [...computed.drawing.paths, ...computed.drawing.painted, ...computed.drawing.dropouts].map((path) => ({
        id: path.id,
        d: pathThrough(pathPoints(path)),
      })),
    [computed],
  );
  const standings = useMemo(
    () =>
      new Map(
        state.blocks.flatMap(({ block, units }) =>
          units.map((unit) => [unit.id, { standing: unit.standing, block: block.id }] as const),
        ),
      ),
    [state],
  );
  const { x, y, size } = viewedBox(computed.drawing.head);
  const here = new Set(blocks.split('|'));
  return (
    <div className="relative h-full w-full">
      <Hair script={script} computed={computed} />
      <svg
        viewBox={`${x} ${y} ${size} ${size}`}
        className="absolute inset-0 h-full w-full will-change-transform"
        aria-hidden
      >
        {lines.map(({ id, d }) => {
          const own = standings.get(id);
          if (own === undefined) return null;
          const near = here.has(own.block);
          const colour =
            own.standing === 'on'
              ? 'var(--color-sun)'
              : own.standing === 'rinsed' || own.standing === 'pulled'
                ? 'var(--color-sky)'
                : near
                  ? '#e9e5d8'
                  : '#9aa19b';
          return (
            <path
              key={id}
              d={d}
              fill="none"
              stroke={colour}
              strokeWidth={near ? 2.6 : 1.6}
              strokeOpacity={own.standing === 'skipped' ? 0.15 : near || own.standing === 'on' ? 1 : 0.45}
            />
          );
        })}
        {/* What is no foil is drawn as the line that it lies along. */}
        {foil !== null && (
          <path
            d={lines.find(({ id }) => id === foil)?.d}
            fill="none"
            stroke="var(--color-white)"
            strokeWidth={6}
          />
        )}
        {foil !== null && (
          <BrightFoils
            foils={computed.sheet.foils}
            paths={computed.drawing.paths}
            shade={shadeOf(script.naturalLevel)}
            ids={[foil]}
          />
        )}
      </svg>
    </div>
  );
});

/**
 * What never changes while a service runs lies on a layer of its own: a tap paints the foils only. Flat,
 * without the flow of the hair: it is painted at once on any device.
 */
const Hair = memo(function Hair({ script, computed }: { script: ServiceScript; computed: ComputedPlan }) {
  const { head } = computed.drawing;
  const { part } = script.plan.head;
  const outline = useMemo(() => pathThrough(openedHairline(head, 240), true), [head]);
  const { x, y, size } = viewedBox(head);
  return (
    <div className="absolute inset-0 will-change-transform">
      <svg viewBox={`${x} ${y} ${size} ${size}`} className="absolute inset-0 h-full w-full" aria-hidden>
        <path d={outline} fill={barkOf(script.naturalLevel)} />
      </svg>
      <ScalpMap
        head={head}
        bark={null}
        partOffsetMm={part.none ? null : part.offsetMm}
        className="relative h-full w-full"
        label="Place on the head"
      />
    </div>
  );
});
