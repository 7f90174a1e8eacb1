'use client';

import clsx from 'clsx';
import { useMemo } from 'react';
import type { Consult, RegrowthByZone } from '@/core/formats';
import { familyName, makeScalp, makeScalpGrid, ZONE_FAMILIES, zoneOutlines, ZONES, zonesOf, type ZoneFamily } from '@/core/head';
import { NumberField } from '@/ui/number-field';
import { pathThrough, ScalpMap } from '../head/scalp-map';
import { sayDistance } from '../shared';
import { barkOf } from '../visit/bark';
import { useVisit } from '../visit/store';
import { readMm } from './wish-form';

interface Pointed {
  /** The family of zones under the pointer or in the focused field. */
  family: string | undefined;
  onFamily(family: string | undefined): void;
}

const MOST_MM = 400;

/** Regrowth measured zone by zone, in mm. */
export function Regrowth({ family, onFamily }: Pointed) {
  const { consult, bundle, editConsult } = useVisit();
  const { regrowthMm } = consult;
  const set = (families: readonly ZoneFamily[], label: string, mm: number | undefined) =>
    editConsult(`regrowth, ${label}`, (before): Consult => {
      const next: RegrowthByZone = { ...before.regrowthMm };
      for (const zone of families.flatMap(zonesOf)) {
        if (mm === undefined) delete next[zone];
        else next[zone] = mm;
      }
      return { ...before, regrowthMm: next };
    }, `regrowth/${label}`);
  const values = ZONES.map((zone) => regrowthMm[zone]);
  const whole = values.every((mm) => mm === values[0]) ? values[0] : undefined;
  return (
    <section aria-label="Regrowth" className="overflow-y-auto border-l border-line bg-raised px-4 py-4">
      <h2 className="text-xl font-bold wide">Regrowth</h2>
      <p className="mb-3 text-sm text-ink-soft">
        {bundle.previous ? `Last recorded visit ${sayDistance(bundle.previous.heldOn, bundle.heldOn)}. Measure it zone by zone.` : 'Measure it zone by zone.'}
      </p>
      <div className="mb-3 border-b border-line pb-3">
        <NumberField
          label="Whole head" unit="mm" min={0} max={MOST_MM} value={whole} placeholder={whole === undefined && values.some((mm) => mm !== undefined) ? 'differs' : ''}
          parse={readMm} onChange={(mm) => set(ZONE_FAMILIES, 'whole head', mm)}
        />
        <p className="mt-1 text-xs text-ink-soft">Fill the whole head first, then the zones that differ.</p>
      </div>
      <ul className="grid gap-1">
        {ZONE_FAMILIES.map((own) => (
          <li
            key={own} onPointerEnter={() => onFamily(own)} onPointerLeave={() => onFamily(undefined)}
            className={clsx('-mx-2 grid grid-cols-[1fr_104px] items-center gap-2 rounded-ui px-2', family === own && 'bg-leaf-pale')}
          >
            <span aria-hidden className="text-base">{familyName(own)}</span>
            <NumberField
              label={familyName(own)} hideLabel unit="mm" min={0} max={MOST_MM} value={regrowthMm[zonesOf(own)[0]]} parse={readMm}
              onChange={(mm) => set([own], familyName(own).toLowerCase(), mm)}
              onFocus={() => onFamily(own)} onBlur={() => onFamily(undefined)}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The zones on the opened head with the regrowth measured in them. */
export function RegrowthMap({ family, onFamily }: Pointed) {
  const { consult, computed } = useVisit();
  const { head } = computed.drawing;
  const zones = useMemo(() => zoneOutlines(makeScalpGrid(makeScalp(head))), [head]);
  const most = Math.max(20, ...Object.values(consult.regrowthMm));
  return (
    <section aria-label="Zones of the head" className="flex min-h-0 flex-col p-3">
      <ScalpMap head={head} bark={barkOf(consult.naturalLevel)} partOffsetMm={consult.head.part.offsetMm} className="min-h-0 w-full flex-1" label="Regrowth by zone">
        {zones.map(({ zone, outlines }) => {
          const own = zone.replace(/-[lr]$/, '');
          const mm = consult.regrowthMm[zone];
          return (
            <g key={zone} onPointerEnter={() => onFamily(own)} onPointerLeave={() => onFamily(undefined)}>
              {outlines.map((outline, i) => (
                <path
                  key={i} d={pathThrough(outline, true)} fill="var(--color-white)"
                  fillOpacity={own === family ? 0.3 : mm === undefined ? 0 : (0.13 * mm) / most}
                  stroke="var(--color-white)" strokeOpacity={own === family ? 0.9 : 0.28} strokeWidth="0.6"
                />
              ))}
            </g>
          );
        })}
        {zones.map(({ zone, label: at }) => {
          const mm = consult.regrowthMm[zone];
          if (mm === undefined) return null;
          return (
            <text
              key={zone} x={-at.x} y={-at.y + 2.6} textAnchor="middle" fontSize="7.6" fontWeight="700" fill="var(--color-white)"
              stroke="#000" strokeOpacity="0.45" strokeWidth="1.6" paintOrder="stroke" pointerEvents="none"
            >
              {mm}
            </text>
          );
        })}
      </ScalpMap>
      <p className="pb-1 text-center text-sm text-ink-soft">
        Regrowth in mm, seen from above with the head opened out. The client’s left is on the left.
      </p>
    </section>
  );
}
