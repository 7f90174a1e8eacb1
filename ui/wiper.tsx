'use client';

import { useRef, useState, type ReactNode } from 'react';

interface WiperProps {
  label: string;
  /** Left of the line, and what lies beneath it on the right. */
  before: ReactNode;
  after: ReactNode;
}

/**
 * Two pictures of the same size over each other; a line wipes from one to the other, by hand or with the
 * arrow keys.
 */
export function Wiper({ label, before, after }: WiperProps) {
  const [at, setAt] = useState(50);
  const box = useRef<HTMLDivElement>(null);
  const move = (clientX: number) => {
    const { left, width } = box.current!.getBoundingClientRect();
    setAt(Math.round(Math.min(100, Math.max(0, ((clientX - left) / width) * 100))));
  };
  return (
    <div ref={box} className="relative h-full w-full touch-none select-none">
      <div className="absolute inset-0">{after}</div>
      <div className="absolute inset-0" style={{ clipPath: `inset(0 ${100 - at}% 0 0)` }}>
        {before}
      </div>
      <div
        role="slider"
        tabIndex={0}
        aria-label={label}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={at}
        aria-orientation="horizontal"
        className="absolute inset-y-0 z-10 w-10 -translate-x-1/2 cursor-ew-resize"
        style={{ left: `${at}%` }}
        onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
        onPointerMove={(event) =>
          event.currentTarget.hasPointerCapture(event.pointerId) && move(event.clientX)
        }
        onKeyDown={(event) => {
          const by = { ArrowLeft: -5, ArrowRight: 5, Home: -100, End: 100 }[event.key];
          if (by === undefined) return;
          event.preventDefault();
          setAt((value) => Math.min(100, Math.max(0, value + by)));
        }}
      >
        <div aria-hidden className="mx-auto h-full w-[3px] bg-leaf" />
        <div
          aria-hidden
          className="absolute top-1/2 left-1/2 grid size-9 -translate-1/2 place-items-center rounded-full border-[3px] border-leaf bg-raised text-base font-bold text-leaf"
        >
          ⇔
        </div>
      </div>
    </div>
  );
}
