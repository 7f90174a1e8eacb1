'use client';

import { useMemo } from 'react';
import type { ServiceScript, ServiceState } from '@/core/chair';
import { createPatternEngine, pathPoints } from '@/core/pattern';
import { BrightFoils } from '../head/foil-marks';
import { pathThrough, ScalpMap } from '../head/scalp-map';
import { barkOf, shadeOf } from '../visit/bark';

/** Where on the head: foils that are on are lit, rinsed ones are water, the one in hand is bright. */
export function PlaceView({ script, state, foil, blocks }: { script: ServiceScript; state: ServiceState; foil: string | null; blocks: readonly string[] }) {
  const computed = useMemo(() => createPatternEngine().compute(script.plan), [script.plan]);
  const standings = useMemo(() => new Map(state.blocks.flatMap(({ block, foils }) => foils.map((own) => [own.id, { standing: own.standing, block: block.id }] as const))), [state]);
  const { part } = script.plan.head;
  return (
    <ScalpMap head={computed.drawing.head} bark={barkOf(script.naturalLevel)} partOffsetMm={part.none ? null : part.offsetMm} className="h-full w-full" label="Place on the head">
      {computed.drawing.paths.map((path) => {
        const own = standings.get(path.id);
        const here = own !== undefined && blocks.includes(own.block);
        const colour = own?.standing === 'on' ? 'var(--color-sun)' : own?.standing === 'rinsed' || own?.standing === 'pulled' ? 'var(--color-sky)' : here ? '#e9e5d8' : '#9aa19b';
        return <path key={path.id} d={pathThrough(pathPoints(path))} fill="none" stroke={colour} strokeWidth={here ? 2.6 : 1.6} strokeOpacity={own?.standing === 'skipped' ? 0.15 : here || own?.standing === 'on' ? 1 : 0.45} />;
      })}
      {foil !== null && <BrightFoils foils={computed.sheet.foils} paths={computed.drawing.paths} shade={shadeOf(script.naturalLevel)} ids={[foil]} />}
    </ScalpMap>
  );
}
