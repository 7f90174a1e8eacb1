'use client';

import { useState } from 'react';
import { Between, FoilStrips } from '../head/foil-strips';
import { pathThrough, ScalpMap } from '../head/scalp-map';
import { barkOf } from '../visit/bark';
import { useVisit } from '../visit/store';
import { HairlineGrips } from './hairline-grips';
import { LeaveOut, useLeaveOut } from './leave-out';
import { PartGrip } from './part-grip';
import { PanelGrips, PartingGrips } from './panel-grips';
import { Ruler } from './ruler';
import { Tools, type Tool } from './tools';
import { NUMBERED_FROM, useZoom, ZoomButtons } from './zoom';

/** The opened head: the whole pattern at once, with everything on it that can be taken by hand. */
export function OpenedHead({ large }: { large: boolean }) {
  const { plan, computed, consult, selected, lit, light, select } = useVisit();
  const { sheet, drawing } = computed;
  const bark = barkOf(consult.naturalLevel);
  const zoom = useZoom();
  const [tool, setTool] = useState<Tool>('choose');
  const leaveOut = useLeaveOut(() => setTool('choose'));
  const { times } = zoom.view;
  return (
    <>
      {large && <ZoomButtons zoom={zoom} />}
      {large && <Tools tool={tool} onTool={setTool} />}
      <ScalpMap
        head={drawing.head} bark={bark} partOffsetMm={plan.head.part.none ? null : plan.head.part.offsetMm} className="h-full w-full touch-none"
        label={`Opened head with ${sheet.totals.foils} foils`} view={large ? zoom.view : undefined}
        handlers={large ? (tool === 'leave-out' ? leaveOut.handlers : zoom.handlers) : undefined}
        over={large && (
          <>
            {tool === 'choose' && <PanelGrips times={times} />}
            {tool === 'choose' && <PartingGrips times={times} />}
            {tool === 'choose' && <PartGrip times={times} />}
            {tool === 'hairline' && <HairlineGrips times={times} />}
            <LeaveOut painted={leaveOut.painted} />
          </>
        )}
      >
        {drawing.outlines.flatMap(({ panel, side, outlines }) =>
          outlines.map((outline, i) => (
            <path
              key={`${panel}${side}${i}`} d={pathThrough(outline, true)}
              fill="var(--color-white)" fillOpacity={panel === selected.panel ? 0.05 : 0} onClick={() => !zoom.dragged() && select(panel)}
              stroke="var(--color-white)" strokeOpacity={panel === selected.panel ? 0.75 : 0.3} strokeWidth="0.8"
            />
          )),
        )}
        <Between computed={computed} />
        <FoilStrips
          foils={sheet.foils} paths={drawing.paths} bark={bark}
          selectedPanel={selected.panel} selectedFoil={selected.foil} lit={lit} numbered={large && times >= NUMBERED_FROM}
          onLight={light} onSelect={(foil) => !zoom.dragged() && select(foil.panel, foil.id)}
        />
        {large && <Ruler times={times} />}
      </ScalpMap>
    </>
  );
}
