'use client';

import { useState, type PointerEvent, type SVGProps } from 'react';
import type { OpenedPoint } from '@/core/head';
import { changePanel, diskPointOf } from '@/core/pattern';
import { pathThrough } from '../../head/scalp-map';
import { useVisit } from '../../visit/store';
import { openedPointOf } from './grip-mark';

/** Half of the triangle's base against its height. */
const SPREAD = 0.55;
/** A stroke shorter than this was a slip, mm. */
const LEAST_MM = 8;

function triangle(tip: OpenedPoint, base: OpenedPoint): OpenedPoint[] {
  const [dx, dy] = [base.x - tip.x, base.y - tip.y];
  return [
    tip,
    { x: base.x - dy * SPREAD, y: base.y + dx * SPREAD },
    { x: base.x + dy * SPREAD, y: base.y - dx * SPREAD },
  ];
}

/** Painting a triangle that the selected panel leaves out: from its tip to the middle of its base. */
export function useLeaveOut(onDone: () => void): {
  handlers: SVGProps<SVGSVGElement>;
  painted: readonly OpenedPoint[] | undefined;
} {
  const { plan, computed, selected, editPlan } = useVisit();
  const [stroke, setStroke] = useState<readonly [OpenedPoint, OpenedPoint]>();
  const panel = plan.panels.find(({ id }) => id === selected.panel);
  const { head } = computed.drawing;
  const painted = stroke && triangle(...stroke);
  return {
    painted,
    handlers: {
      style: { cursor: 'crosshair' },
      onPointerDown: (event: PointerEvent<SVGSVGElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        const at = openedPointOf(event);
        setStroke([at, at]);
      },
      onPointerMove: (event: PointerEvent<SVGSVGElement>) => {
        if (stroke) setStroke([stroke[0], openedPointOf(event)]);
      },
      onPointerCancel: () => setStroke(undefined),
      onPointerUp: () => {
        setStroke(undefined);
        if (
          !stroke ||
          !painted ||
          !panel ||
          Math.hypot(stroke[1].x - stroke[0].x, stroke[1].y - stroke[0].y) < LEAST_MM
        )
          return;
        // Triangles of a panel on both sides are drawn on the left.
        const flip = panel.side === 'both' && stroke[0].x + stroke[1].x < 0 ? -1 : 1;
        const corners = painted.map(({ x, y }) => diskPointOf(head, { x: flip * x, y }));
        editPlan(`triangle left out, ${panel.name}`, (before) =>
          changePanel(before, panel.id, (current) => ({
            ...current,
            leaveOut: [...current.leaveOut, corners],
          })),
        );
        onDone();
      },
    },
  };
}

export function LeaveOut({ painted }: { painted: readonly OpenedPoint[] | undefined }) {
  return (
    painted && (
      <path
        d={pathThrough(painted, true)}
        fill="var(--color-rowan)"
        fillOpacity="0.25"
        stroke="var(--color-white)"
        strokeWidth="1.2"
        strokeDasharray="4 3"
        pointerEvents="none"
      />
    )
  );
}
