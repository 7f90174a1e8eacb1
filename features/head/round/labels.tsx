'use client';

import { useLayoutEffect, useMemo, useState, type RefObject } from 'react';
import { addScaled, dot, landmarks, scale, subtract, surfaceNormal, type Head, type Vec3 } from '@/core/head';
import { onScreenOf, type Eye } from './turn';

/** Names of landmarks that face the eye, standing beside them. */
export function Labels({ head, eye, box }: { head: Head; eye: Eye; box: RefObject<HTMLDivElement | null> }) {
  const [aspect, setAspect] = useState(1);
  useLayoutEffect(() => {
    const element = box.current!;
    const observer = new ResizeObserver(() =>
      setAspect(element.clientWidth / Math.max(1, element.clientHeight)),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [box]);
  const marks = useMemo(() => named(head), [head]);
  return marks.map(({ name, at, normal }) => {
    if (dot(normal, subtract(eye.at, at)) < 60) return null;
    const { x, y } = onScreenOf(eye, aspect, at);
    return (
      <span
        key={name}
        className="pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 text-xs font-medium text-white [text-shadow:0_0_3px_#000,0_0_6px_#000]"
        style={{ left: `${(x + 1) * 50}%`, top: `${(1 - y) * 50}%` }}
      >
        {name}
      </span>
    );
  });
}

function named(head: Head): { name: string; at: Vec3; normal: Vec3 }[] {
  const marks = landmarks(head);
  const ear = scale({ x: 78, y: -66, z: -14 }, head.k);
  const off = (name: string, at: Vec3, byMm = 4) => {
    const normal = surfaceNormal(at, head.skull);
    return { name, at: addScaled(at, normal, byMm), normal };
  };
  return [
    off('crown', head.crown),
    off('occipital bone', marks.occipitalBone),
    { name: 'left ear', at: ear, normal: { x: 1, y: 0, z: 0 } },
    { name: 'right ear', at: { ...ear, x: -ear.x }, normal: { x: -1, y: 0, z: 0 } },
  ];
}
