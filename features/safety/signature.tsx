'use client';

import { useRef, type PointerEvent } from 'react';
import { Button } from '@/ui/button';

/** Strokes of a pen: x and y in turn, each 0–1 of the pad. */
export type Strokes = readonly (readonly number[])[];

const WIDE = 3;
const MOST_POINTS = 2000;

const pathOf = (strokes: Strokes) =>
  strokes
    .map((stroke) =>
      stroke.reduce(
        (path, value, i) =>
          path +
          (i % 2 === 0
            ? `${i === 0 ? 'M' : 'L'}${(value * WIDE * 100).toFixed(1)} `
            : `${(value * 100).toFixed(1)}`),
        '',
      ),
    )
    .join('');

/** A field to sign in with a pen, a finger or a mouse. */
export function SignaturePad({ strokes, onChange }: { strokes: Strokes; onChange(strokes: Strokes): void }) {
  const drawing = useRef(false);
  const at = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const within = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * 1000) / 1000;
    return [within((event.clientX - box.left) / box.width), within((event.clientY - box.top) / box.height)];
  };
  return (
    <div className="grid gap-1">
      <svg
        viewBox={`0 0 ${WIDE * 100} 100`}
        role="img"
        aria-label={strokes.length > 0 ? 'Signature, written' : 'Signature, empty'}
        className="w-full touch-none rounded-ui border border-edge bg-field"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          drawing.current = true;
          onChange([...strokes, at(event)]);
        }}
        onPointerMove={(event) => {
          const own = strokes.at(-1);
          if (!drawing.current || !own || own.length > MOST_POINTS) return;
          onChange([...strokes.slice(0, -1), [...own, ...at(event)]]);
        }}
        onPointerUp={() => {
          drawing.current = false;
        }}
      >
        <line x1="12" y1="78" x2={WIDE * 100 - 12} y2="78" stroke="var(--color-edge)" strokeWidth="0.6" />
        <path
          d={pathOf(strokes)}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth="1.6"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      </svg>
      <div className="text-right">
        <Button small look="quiet" disabled={strokes.length === 0} onClick={() => onChange([])}>
          Sign again
        </Button>
      </div>
    </div>
  );
}

/** A signature as it was written, small. */
export function SignatureDrawing({ strokes }: { strokes: Strokes }) {
  return (
    <svg viewBox={`0 0 ${WIDE * 100} 100`} role="img" aria-label="Signature" className="h-8 w-24">
      <path d={pathOf(strokes)} fill="none" stroke="var(--color-ink)" strokeWidth="3" strokeLinecap="round" />
    </svg>
  );
}
