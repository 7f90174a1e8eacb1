'use client';

import { useId, useMemo, type ReactNode, type SVGProps } from 'react';
import { landmarks, openedHairline, openedPart, toOpened, type Head, type OpenedPoint } from '@/core/head';

/** Screen coordinates of the opened head: mm, the client's left on screen-left, the forehead up. */
export const onScreen = ({ x, y }: OpenedPoint): OpenedPoint => ({ x: -x, y: -y });

/** SVG path through points of the opened head. */
export function pathThrough(points: readonly OpenedPoint[], closed = false): string {
  const text = points.map((point, i) => {
    const { x, y } = onScreen(point);
    return `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
  });
  return text.join('') + (closed ? 'Z' : '');
}

/**
 * A piece of the opened head: its middle in screen mm of the average head, and how many times it is enlarged.
 */
export interface View {
  readonly x: number;
  readonly y: number;
  readonly times: number;
}

/** All of the head: its middle on the drawing, mm of the average head. */
export const WHOLE_HEAD: View = { x: 0, y: 70, times: 1 };
/** Edge of the square that holds the whole head, mm of the average head. */
export const HEAD_BOX_MM = 376;

/** The square of the opened head that is seen, in screen mm of this head. */
export function viewedBox(
  head: Head,
  { x, y, times }: View = WHOLE_HEAD,
): { x: number; y: number; size: number } {
  const size = (HEAD_BOX_MM * head.k) / times;
  return { x: x * head.k - size / 2, y: y * head.k - size / 2, size };
}

function boxOf(head: Head, view?: View): string {
  const { x, y, size } = viewedBox(head, view);
  return `${x} ${y} ${size} ${size}`;
}

interface ScalpMapProps {
  head: Head;
  /** Colour of unlit hair (CSS); null where the hair is drawn under the map (HairCanvas). */
  bark: string | null;
  /** mm from the middle, + the client's left; null without a part. */
  partOffsetMm: number | null;
  label: string;
  className?: string;
  /** The piece of the head that is shown; all of it where none is given. */
  view?: View;
  /** Pointer and wheel on the drawing. */
  handlers?: SVGProps<SVGSVGElement>;
  /** Drawn on the hair, under the part and the landmarks. */
  children?: ReactNode;
  /** Drawn over everything, beyond the hairline too. */
  over?: ReactNode;
}

/** The opened head: the scalp unrolled around the apex, forehead up, dark as hair; landmarks softly named. */
export function ScalpMap({
  head,
  bark,
  partOffsetMm,
  label,
  className,
  view,
  handlers,
  children,
  over,
}: ScalpMapProps) {
  const id = useId();
  const outline = useMemo(() => pathThrough(openedHairline(head, 360), true), [head]);
  const flow = useMemo(() => (bark ? hairFlow(head) : null), [head, bark]);
  const part = useMemo(
    () => (partOffsetMm === null ? '' : pathThrough(openedPart(head, partOffsetMm))),
    [head, partOffsetMm],
  );
  const marks = useMemo(() => landmarkPlaces(head), [head]);
  return (
    <svg viewBox={boxOf(head, view)} className={className} role="group" aria-label={label} {...handlers}>
      <defs>
        <clipPath id={`${id}hair`}>
          <path d={outline} />
        </clipPath>
        <radialGradient id={`${id}light`} cx="0.5" cy="0.32" r="0.7">
          <stop offset="0" stopColor="#fff" stopOpacity="0.1" />
          <stop offset="0.55" stopColor="#fff" stopOpacity="0.02" />
          <stop offset="1" stopColor="#000" stopOpacity="0.22" />
        </radialGradient>
      </defs>
      {bark && <path d={outline} fill={bark} />}
      <g clipPath={bark ? `url(#${id}hair)` : undefined}>
        {flow && (
          <>
            <path d={flow.lighter} fill="none" stroke="#fff" strokeOpacity="0.055" strokeWidth="0.7" />
            <path d={flow.darker} fill="none" stroke="#000" strokeOpacity="0.13" strokeWidth="0.8" />
            <path d={outline} fill={`url(#${id}light)`} />
          </>
        )}
        {children}
      </g>
      <path d={outline} fill="none" stroke="var(--color-ink)" strokeWidth="1" />
      <path
        d={part}
        fill="none"
        stroke="var(--color-white)"
        strokeWidth="1.3"
        strokeDasharray="4.5 3.5"
        strokeLinecap="round"
        pointerEvents="none"
      />
      {marks.map(({ name, at, anchor }) => (
        <text
          key={name}
          x={at.x}
          y={at.y}
          textAnchor={anchor}
          className="fill-ink-soft"
          fontSize={7.2 * head.k}
          pointerEvents="none"
        >
          {name}
        </text>
      ))}
      {over}
    </svg>
  );
}

/** Faint strands along the meridians, so that the shape reads as hair; they fall away from the apex. */
export function hairFlow(head: Head): { lighter: string; darker: string } {
  const paths = { lighter: '', darker: '' };
  for (let i = 0; i < 240; i += 1) {
    const azimuth = (i / 240) * 2 * Math.PI;
    // A fixed scatter of starts, so that strands do not all begin on one ring.
    const start = 0.05 + 0.5 * ((i * 0.618034) % 1) ** 2;
    const bend = 0.03 * Math.sin(i * 1.7);
    const points = [0, 0.25, 0.5, 0.75, 1].map((f) => {
      const a = azimuth + bend * Math.sin(f * Math.PI);
      const arc = (start + (1 - start) * f) * head.hairArc(a);
      return { x: arc * Math.sin(a), y: arc * Math.cos(a) };
    });
    paths[i % 2 === 0 ? 'lighter' : 'darker'] += pathThrough(points);
  }
  return paths;
}

function landmarkPlaces(head: Head): { name: string; at: OpenedPoint; anchor: 'start' | 'middle' | 'end' }[] {
  const { k } = head;
  const marks = landmarks(head);
  const front = onScreen(toOpened(head, marks.frontHairline));
  const nape = onScreen(toOpened(head, marks.nape));
  const ear = onScreen(toOpened(head, head.hairlinePoint(Math.PI / 2)));
  return [
    { name: 'forehead', at: { x: 0, y: front.y - 7 * k }, anchor: 'middle' },
    { name: 'left ear', at: { x: ear.x - 4 * k, y: ear.y + 2 * k }, anchor: 'end' },
    { name: 'right ear', at: { x: -ear.x + 4 * k, y: ear.y + 2 * k }, anchor: 'start' },
    { name: 'nape', at: { x: 0, y: nape.y + 12 * k }, anchor: 'middle' },
  ];
}
