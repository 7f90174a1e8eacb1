'use client';

import type { KeyboardEvent, PointerEvent } from 'react';

/** A place on a picture, 0–1 across and down. */
export interface At {
  readonly x: number;
  readonly y: number;
}

export interface Line {
  readonly from: At;
  readonly to: At;
}

/** A place as the middle of a circle on the drawing over the picture. */
export const centre = ({ x, y }: At, width: number, height: number) => ({ cx: x * width, cy: y * height });

interface RulerProps {
  line: Line;
  size: { width: number; height: number };
  colour: string;
  name: string;
  onMove(line: Line): void;
  onDone(line: Line): void;
}

/** A line between two points that are moved by hand or by arrow keys. */
export function Ruler({ line, size: { width, height }, colour, name, onMove, onDone }: RulerProps) {
  const thin = width / 400;
  const ends = ['from', 'to'] as const;
  const moved = (end: 'from' | 'to', to: At): Line => ({ from: line.from, to: line.to, [end]: to });
  const nudge = (end: 'from' | 'to', event: KeyboardEvent) => {
    const by = event.shiftKey ? 10 : 1;
    const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[
      event.key
    ];
    if (!way) return;
    event.preventDefault();
    const within = (value: number) => Math.min(1, Math.max(0, value));
    onDone(moved(end, { x: within(line[end].x + way[0] / width), y: within(line[end].y + way[1] / height) }));
  };
  const place = (event: PointerEvent<SVGCircleElement>): At => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  return (
    <g>
      <line
        x1={line.from.x * width}
        y1={line.from.y * height}
        x2={line.to.x * width}
        y2={line.to.y * height}
        stroke="#000"
        strokeWidth={thin * 2.4}
        strokeOpacity="0.5"
      />
      <line
        x1={line.from.x * width}
        y1={line.from.y * height}
        x2={line.to.x * width}
        y2={line.to.y * height}
        stroke={colour}
        strokeWidth={thin}
      />
      {ends.map((end) => (
        <circle
          key={end}
          data-handle
          tabIndex={0}
          role="button"
          aria-label={`${name}, ${end === 'from' ? 'first' : 'second'} point`}
          {...centre(line[end], width, height)}
          r={width / 110}
          fill={colour}
          fillOpacity="0.55"
          stroke="#000"
          strokeWidth={width / 900}
          className="cursor-grab"
          onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          onPointerMove={(event) =>
            event.currentTarget.hasPointerCapture(event.pointerId) && onMove(moved(end, place(event)))
          }
          onPointerUp={(event) => onDone(moved(end, place(event)))}
          onKeyDown={(event) => nudge(end, event)}
        />
      ))}
    </g>
  );
}
