'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { OpenedPoint } from '@/core/head';
import { capital } from '@/core/units';
import { onScreen } from '../../head/scalp-map';
import { held } from '../../visit/history';

/** Where a pointer is on the opened head that it moves over, mm. */
export function openedPointOf(event: {
  clientX: number;
  clientY: number;
  currentTarget: Element;
}): OpenedPoint {
  const element = event.currentTarget as SVGGraphicsElement;
  const svg = element.ownerSVGElement ?? (element as unknown as SVGSVGElement);
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
  return onScreen({ x: at.x, y: at.y });
}

interface GripMarkProps {
  at: OpenedPoint;
  /** What it sets, and its figure in words. */
  label: string;
  said: string;
  /** Enlargement of the drawing: grips keep their size on the screen. */
  times: number;
  look?: 'edge' | 'turn' | 'landmark';
  /** @param gesture moves of one drag carry the same name, so that they are one step of undo */
  onMove(to: OpenedPoint, gesture: string): void;
}

/** Step of an arrow key, mm; ten times as much with Shift. */
const STEP_MM = 1;

/** A point that is taken and moved: by a finger, the pointer, or the arrow keys. */
export function GripMark({ at, label, said, times, look = 'edge', onMove }: GripMarkProps) {
  const taken = useRef<{ dx: number; dy: number; gesture: string } | undefined>(undefined);
  const { x, y } = onScreen(at);
  const size = 1 / times ** 0.8;

  const take = (event: PointerEvent<SVGGElement>) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    const from = openedPointOf(event);
    taken.current = {
      dx: at.x - from.x,
      dy: at.y - from.y,
      gesture: held(`${label} ${crypto.randomUUID()}`),
    };
  };
  const move = (event: PointerEvent<SVGGElement>) => {
    if (!taken.current) return;
    event.stopPropagation();
    const to = openedPointOf(event);
    onMove({ x: to.x + taken.current.dx, y: to.y + taken.current.dy }, taken.current.gesture);
  };
  const step = (event: KeyboardEvent<SVGGElement>) => {
    const by: Record<string, [number, number]> = {
      ArrowLeft: [1, 0],
      ArrowRight: [-1, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1],
    };
    const way = by[event.key];
    if (!way || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    event.stopPropagation();
    const mm = STEP_MM * (event.shiftKey ? 10 : 1);
    onMove({ x: at.x + way[0] * mm, y: at.y + way[1] * mm }, `keys ${label}`);
  };
  return (
    <g
      transform={`translate(${x.toFixed(2)} ${y.toFixed(2)}) scale(${size.toFixed(3)})`}
      className="grip"
      style={{ cursor: 'move', touchAction: 'none' }}
      role="button"
      tabIndex={0}
      aria-label={`${capital(label)}${said && `, ${said}`}`}
      onPointerDown={take}
      onPointerMove={move}
      onClick={(event) => event.stopPropagation()}
      onPointerUp={(event) => {
        event.stopPropagation();
        taken.current = undefined;
      }}
      onPointerCancel={() => (taken.current = undefined)}
      onKeyDown={step}
    >
      {/* A wide, unseen disc, so that a fingertip finds the grip. */}
      <circle r="12" fill="transparent" />
      {look === 'turn' && (
        <rect
          x="-3.6"
          y="-3.6"
          width="7.2"
          height="7.2"
          transform="rotate(45)"
          fill="var(--color-leaf)"
          stroke="var(--color-white)"
          strokeWidth="1.4"
        />
      )}
      {look === 'edge' && (
        <circle r="4.4" fill="var(--color-leaf)" stroke="var(--color-white)" strokeWidth="1.4" />
      )}
      {look === 'landmark' && (
        <circle r="3.6" fill="var(--color-raised)" stroke="var(--color-leaf)" strokeWidth="1.8" />
      )}
    </g>
  );
}
