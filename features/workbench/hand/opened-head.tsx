'use client';

import { memo, useState, type MouseEvent, type PointerEvent } from 'react';
import { foilAt, panelAt, type Foil, type PatternDrawing } from '@/core/pattern';
import { BrightFoils, FoilNumbers } from '../../head/foil-marks';
import { useDarkLetters } from '../../visit/computed';
import { HairCanvas } from '../../head/hair-canvas';
import { pathThrough, ScalpMap } from '../../head/scalp-map';
import { barkOf, shadeOf } from '../../visit/bark';
import { useLit, useVisit } from '../../visit/store';
import { useOwnHair } from '../../visit/use-own-hair';
import { FoilKeys } from './foil-keys';
import { openedPointOf } from './grip-mark';
import { HairlineGrips } from './hairline-grips';
import { HangingLine } from './hanging-line';
import { LeaveOut, useLeaveOut } from './leave-out';
import { PartGrip } from './part-grip';
import { PanelGrips, PartingGrips } from './panel-grips';
import { Ruler } from './ruler';
import { Tools, type Tool } from './tools';
import { NUMBERED_FROM, useZoom, ZoomButtons } from './zoom';

/** So far beside its section a foil is still meant by a finger, mm. */
const SLACK_MM = 2.5;

/** The opened head: the whole pattern at once, with everything on it that can be taken by hand. */
export function OpenedHead({ large }: { large: boolean }) {
  const { plan, computed, consult, selected, light, select } = useVisit();
  const lit = useLit();
  const { sheet, drawing } = computed;
  const shade = shadeOf(consult.naturalLevel);
  const dark = useDarkLetters();
  const own = useOwnHair();
  const zoom = useZoom();
  const [tool, setTool] = useState<Tool>('choose');
  const leaveOut = useLeaveOut(() => setTool('choose'));
  const { times } = zoom.view;
  const foilUnder = (event: PointerEvent<SVGSVGElement> | MouseEvent<SVGSVGElement>) =>
    sheet.foils[foilAt(drawing.paths, openedPointOf(event), SLACK_MM / times)] as Foil | undefined;
  const handlers: typeof zoom.handlers = {
    ...zoom.handlers,
    onPointerMove: (event) => {
      zoom.handlers.onPointerMove?.(event);
      if (event.buttons === 0) light(foilUnder(event)?.id);
    },
    onPointerLeave: (event) => {
      zoom.handlers.onPointerLeave?.(event);
      light(undefined);
    },
    onClick: (event) => {
      if (zoom.dragged()) return;
      const foil = foilUnder(event);
      const panel = foil?.panel ?? panelAt(drawing, openedPointOf(event));
      if (panel) select(panel, foil?.id);
    },
    style: { cursor: lit ? 'pointer' : zoom.handlers.style?.cursor },
  };
  return (
    <>
      {large && <ZoomButtons zoom={zoom} />}
      {large && <Tools tool={tool} onTool={setTool} />}
      {large && <FoilKeys />}
      <HairCanvas
        computed={computed}
        bark={barkOf(consult.naturalLevel)}
        shade={shade}
        own={own}
        dark={dark}
        selectedPanel={selected.panel}
        view={large ? zoom.view : undefined}
      />
      <ScalpMap
        head={drawing.head}
        bark={null}
        partOffsetMm={plan.head.part.none ? null : plan.head.part.offsetMm}
        className="relative h-full w-full touch-none"
        label={`Opened head with ${sheet.totals.foils} foils`}
        view={large ? zoom.view : undefined}
        handlers={large ? (tool === 'leave-out' ? leaveOut.handlers : handlers) : undefined}
        over={
          large && (
            <>
              {tool === 'choose' && <HangingLine />}
              {tool === 'choose' && <PanelGrips times={times} />}
              {tool === 'choose' && <PartingGrips times={times} />}
              {tool === 'choose' && <PartGrip times={times} />}
              {tool === 'hairline' && <HairlineGrips times={times} />}
              <LeaveOut painted={leaveOut.painted} />
            </>
          )
        }
      >
        <PanelEdges outlines={drawing.outlines} selected={selected.panel} />
        <BrightFoils
          foils={sheet.foils}
          paths={drawing.paths}
          shade={shade}
          dark={dark}
          ids={[selected.foil, lit]}
        />
        <FoilNumbers
          foils={sheet.foils}
          paths={drawing.paths}
          selectedPanel={selected.panel}
          all={large && times >= NUMBERED_FROM}
        />
        {large && <Ruler times={times} />}
      </ScalpMap>
    </>
  );
}

/** Edges of the panels; the selected one is tinted. */
const PanelEdges = memo(function PanelEdges({
  outlines,
  selected,
}: {
  outlines: PatternDrawing['outlines'];
  selected: string;
}) {
  return outlines.flatMap(({ panel, side, outlines: lines }) =>
    lines.map((outline, i) => (
      <path
        key={`${panel}${side}${i}`}
        d={pathThrough(outline, true)}
        fill="var(--color-white)"
        fillOpacity={panel === selected ? 0.05 : 0}
        stroke="var(--color-white)"
        strokeOpacity={panel === selected ? 0.75 : 0.3}
        strokeWidth="0.8"
      />
    )),
  );
});
