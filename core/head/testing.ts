import type { Head } from './head';
import { surfaceAlong } from './skull';

/** Length of the horizontal outline at the height of the centre between two azimuths, mm. */
export function arcBetween(head: Head, from: number, to: number, steps = 2000): number {
  const at = (i: number) => {
    const a = from + ((to - from) * i) / steps;
    return surfaceAlong({ x: Math.sin(a), y: 0, z: Math.cos(a) }, head.skull);
  };
  let length = 0;
  for (let i = 0; i < steps; i += 1) {
    const [p, q] = [at(i), at(i + 1)];
    length += Math.hypot(q.x - p.x, q.y - p.y, q.z - p.z);
  }
  return length;
}
