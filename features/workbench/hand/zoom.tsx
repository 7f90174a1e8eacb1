'use client';

import { useEffect, useRef, useState, type PointerEvent, type SVGProps } from 'react';
import { HEAD_BOX_MM, WHOLE_HEAD, type View } from '../../head/scalp-map';

const MOST_TIMES = 8;
/** From this enlargement on every foil carries its number. */
export const NUMBERED_FROM = 2;
/** A pointer that moved farther than this was dragging, not tapping, px. */
const DRAG_PX = 5;

export interface Zoom {
  readonly view: View;
  readonly handlers: SVGProps<SVGSVGElement>;
  /** Enlarges by a factor about the middle of what is shown. */
  by(factor: number): void;
  whole(): void;
  /** Whether the pointer that was just lifted had been dragging. */
  dragged(): boolean;
}

/** Enlarging the opened head: wheel or two fingers, drag to move; about the point under the pointer. */
export function useZoom(): Zoom {
  const [view, setView] = useState<View>(WHOLE_HEAD);
  const pointers = useRef(new Map<number, { x: number; y: number }>());
  const moved = useRef(0);
  const svg = useRef<SVGSVGElement | null>(null);

  // React listens to wheels passively; the page must not scroll under the drawing.
  useEffect(() => {
    const element = svg.current;
    if (!element) return;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const { clientX, clientY, deltaY } = event;
      setView((before) => enlarged({ before, element, clientX, clientY, factor: Math.exp(-deltaY / 400) }));
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, []);

  const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
    pointers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    if (pointers.current.size === 1) moved.current = 0;
  };
  const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
    const last = pointers.current.get(event.pointerId);
    if (!last) return;
    const element = event.currentTarget;
    const now = { x: event.clientX, y: event.clientY };
    const other = [...pointers.current].find(([id]) => id !== event.pointerId)?.[1];
    pointers.current.set(event.pointerId, now);
    moved.current += Math.hypot(now.x - last.x, now.y - last.y);
    if (other) {
      const before = Math.hypot(last.x - other.x, last.y - other.y);
      const after = Math.hypot(now.x - other.x, now.y - other.y);
      if (before === 0) return;
      // Two fingers enlarge about the middle between them, and move what lies there with them.
      setView((shown) => {
        const next = enlarged({
          before: shown,
          element,
          clientX: (now.x + other.x) / 2,
          clientY: (now.y + other.y) / 2,
          factor: after / before,
        });
        if (next.times === 1) return next;
        const mm = mmPerPx(element, next.times);
        return { ...next, x: next.x - ((now.x - last.x) / 2) * mm, y: next.y - ((now.y - last.y) / 2) * mm };
      });
      return;
    }
    setView((shown) => {
      if (shown.times === 1) return shown;
      const mm = mmPerPx(element, shown.times);
      return { ...shown, x: shown.x - (now.x - last.x) * mm, y: shown.y - (now.y - last.y) * mm };
    });
  };
  const lift = (event: PointerEvent<SVGSVGElement>) => pointers.current.delete(event.pointerId);

  return {
    view,
    handlers: {
      ref: svg,
      onPointerDown,
      onPointerMove,
      onPointerUp: lift,
      onPointerCancel: lift,
      onPointerLeave: lift,
      style: { cursor: view.times > 1 ? 'grab' : undefined },
    },
    by: (factor) => {
      const element = svg.current;
      if (!element) return;
      const box = element.getBoundingClientRect();
      setView((before) =>
        enlarged({
          before,
          element,
          clientX: box.left + box.width / 2,
          clientY: box.top + box.height / 2,
          factor,
        }),
      );
    },
    whole: () => setView(WHOLE_HEAD),
    dragged: () => moved.current > DRAG_PX,
  };
}

/** Size of one screen pixel, mm of the average head. */
function mmPerPx(element: SVGSVGElement, times: number): number {
  return HEAD_BOX_MM / times / Math.min(element.clientWidth, element.clientHeight);
}

/** A view enlarged by a factor such that the point under the pointer stays where it is. */
function enlarged({
  before,
  element,
  clientX,
  clientY,
  factor,
}: {
  readonly before: View;
  readonly element: SVGSVGElement;
  readonly clientX: number;
  readonly clientY: number;
  readonly factor: number;
}): View {
  const times = Math.min(MOST_TIMES, Math.max(1, before.times * factor));
  if (times === 1) return WHOLE_HEAD;
  const box = element.getBoundingClientRect();
  const shrink = mmPerPx(element, before.times) - mmPerPx(element, times);
  return {
    times,
    x: before.x + (clientX - box.left - box.width / 2) * shrink,
    y: before.y + (clientY - box.top - box.height / 2) * shrink,
  };
}

/** Larger, smaller, all of it: for those without a wheel or two free fingers. */
export function ZoomButtons({ zoom }: { zoom: Zoom }) {
  const look =
    'grid h-10 min-w-10 place-items-center rounded-ui border border-edge bg-raised px-2 text-base font-semibold hover:border-ink disabled:border-line disabled:text-edge';
  return (
    <div
      role="group"
      aria-label="Size of the head"
      className="absolute bottom-28 left-4 z-10 max-md:bottom-2 max-xl:-left-[52px] flex flex-col gap-1"
    >
      <button
        type="button"
        className={look}
        aria-label="Larger"
        onClick={() => zoom.by(1.6)}
        disabled={zoom.view.times >= MOST_TIMES}
      >
        +
      </button>
      <button
        type="button"
        className={look}
        aria-label="Smaller"
        onClick={() => zoom.by(1 / 1.6)}
        disabled={zoom.view.times === 1}
      >
        −
      </button>
      <button type="button" className={look} onClick={zoom.whole} disabled={zoom.view.times === 1}>
        All
      </button>
    </div>
  );
}
