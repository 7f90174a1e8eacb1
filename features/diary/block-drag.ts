'use client';

import { useEffect, useRef, useState, type MouseEvent, type PointerEvent } from 'react';

/** Where an appointment stands on the day. */
export interface Place {
  readonly from: number;
  readonly personId: string;
}

/** What is dragged lands on this raster, minutes; a finer time is typed. */
const DRAG_RASTER = 15;
/** Less is a press and no drag, pixels. */
const BEGINS_PX = 6;
/** A finger that rests so long lifts it, ms; one that has gone further by then scrolls, pixels. */
const HOLD_MS = 400;
const HOLD_PX = 10;
/** What the finger feels when it is lifted, ms. */
const LIFTED_MS = 15;
const LAST_MINUTE = 23 * 60 + 45;

interface Dragging extends Place {
  /** From its own column to the one it is over, pixels. */
  readonly dx: number;
}

interface BlockDrag extends Place {
  readonly pxPerMinute: number;
  /** What has begun or is over stays where it is. */
  readonly enabled: boolean;
  onDrop(to: Place): void;
}

const columnRects = () =>
  [...document.querySelectorAll<HTMLElement>('[data-person]')].map((element) => ({
    personId: element.dataset.person!,
    rect: element.getBoundingClientRect(),
  }));

/**
 * An appointment dragged to another time or column: with a mouse or a pen at once, with a finger that rests
 * on it first, since
 * one that moves scrolls. Escape takes it back, and a drag is no press.
 * By keyboard an appointment is moved in its form.
 */
export function useBlockDrag({ from, personId, pxPerMinute, enabled, onDrop }: BlockDrag) {
  const [dragging, setDragging] = useState<Dragging>();
  const began = useRef<{ x: number; y: number }>(null);
  const dragged = useRef(false);
  // Where it is now: what is drawn may be a move behind when it is let go.
  const latest = useRef<Place>(null);
  const element = useRef<HTMLButtonElement>(null);
  const hold = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** Lifted by a finger. */
  const lifted = useRef(false);
  const stop = () => {
    clearTimeout(hold.current);
    lifted.current = false;
    began.current = latest.current = null;
    setDragging(undefined);
  };
  useEffect(() => {
    const own = element.current;
    // React's own listeners cannot keep the page from scrolling.
    const stays = (event: TouchEvent) => lifted.current && event.cancelable && event.preventDefault();
    own?.addEventListener('touchmove', stays, { passive: false });
    return () => {
      clearTimeout(hold.current);
      own?.removeEventListener('touchmove', stays);
    };
  }, []);
  const lift = () => {
    lifted.current = dragged.current = true;
    latest.current = { from, personId };
    setDragging({ from, personId, dx: 0 });
    navigator.vibrate?.(LIFTED_MS);
  };
  const active = dragging !== undefined;
  useEffect(() => {
    if (!active) return;
    const escape = (event: KeyboardEvent) => {
      if (event.key === 'Escape') stop();
    };
    addEventListener('keydown', escape);
    return () => removeEventListener('keydown', escape);
  }, [active]);
  return {
    dragging,
    element,
    handlers: {
      onPointerDown: (event: PointerEvent) => {
        dragged.current = false;
        if (!enabled || event.button !== 0) return;
        began.current = { x: event.clientX, y: event.clientY };
        if (event.pointerType === 'touch') hold.current = setTimeout(lift, HOLD_MS);
      },
      onPointerMove: (event: PointerEvent<HTMLElement>) => {
        if (!began.current) return;
        const { x, y } = began.current;
        if (event.pointerType === 'touch' && !lifted.current) {
          if (Math.hypot(event.clientX - x, event.clientY - y) >= HOLD_PX) stop();
          return;
        }
        if (!latest.current && Math.hypot(event.clientX - x, event.clientY - y) < BEGINS_PX) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        dragged.current = true;
        const rects = columnRects();
        const own = rects.find((column) => column.personId === personId);
        const over =
          rects.find(({ rect }) => event.clientX >= rect.left && event.clientX < rect.right) ?? own;
        const minute = Math.round((from + (event.clientY - y) / pxPerMinute) / DRAG_RASTER) * DRAG_RASTER;
        latest.current = {
          from: Math.min(LAST_MINUTE, Math.max(0, minute)),
          personId: over?.personId ?? personId,
        };
        setDragging({ ...latest.current, dx: over && own ? over.rect.left - own.rect.left : 0 });
      },
      onPointerUp: () => {
        const to = latest.current;
        stop();
        // A drag by finger is followed by no press, which is what would end this.
        setTimeout(() => (dragged.current = false));
        if (to && (to.from !== from || to.personId !== personId)) onDrop(to);
      },
      onPointerCancel: stop,
      // A long press opens a menu of the browser's otherwise.
      onContextMenu: (event: MouseEvent) => {
        if (lifted.current) event.preventDefault();
      },
      onClickCapture: (event: MouseEvent) => {
        if (!dragged.current) return;
        dragged.current = false;
        event.preventDefault();
        event.stopPropagation();
      },
    },
  };
}
