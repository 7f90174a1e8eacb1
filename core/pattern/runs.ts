import type { Head } from '../head';
import type { Parting } from './field';
import type { Region } from './region';

/** Runs shorter than this are not worth a foil and are dropped; shorter gaps (at the ear) are bridged. */
export const SHORTEST_RUN_MM = 15;
/** Coarse enough to be quick, fine enough to meet every run and gap that counts at least twice. */
const SAMPLE_MM = 6;

/** An interval of u along one parting, mm. */
export type Run = readonly [from: number, to: number];

/** Where a parting lies inside the region: every run, as a parting may leave a region and re-enter it. */
export function runsInside(parting: Parting, head: Head, region: Region): Run[] {
  const [start, end] = parting.uRange;
  const depth = (u: number): number => {
    const point = parting.at(u);
    return region(point, head.locate(point));
  };
  const step = SAMPLE_MM * head.k;
  const runs: Run[] = [];
  let opened: number | undefined;
  for (let u = start; u <= end + 1e-9; u += step) {
    const here = depth(u);
    if (here > 0 && opened === undefined) opened = u > start ? edgeBetween(depth, u - step, u) : u;
    if (here <= 0 && opened !== undefined) {
      runs.push([opened, edgeBetween(depth, u - step, u)]);
      opened = undefined;
    }
  }
  if (opened !== undefined) runs.push([opened, end]);
  return bridged(runs, SHORTEST_RUN_MM * head.k);
}

function edgeBetween(depth: (u: number) => number, low: number, high: number): number {
  let a = low;
  let b = high;
  const rising = depth(b) > 0;
  for (let i = 0; i < 12; i += 1) {
    const middle = (a + b) / 2;
    if (depth(middle) > 0 === rising) b = middle;
    else a = middle;
  }
  return (a + b) / 2;
}

function bridged(runs: readonly Run[], shortest: number): Run[] {
  const joined: Run[] = [];
  for (const run of runs) {
    const last = joined.at(-1);
    if (last && run[0] - last[1] < shortest) joined[joined.length - 1] = [last[0], run[1]];
    else joined.push(run);
  }
  return joined.filter(([from, to]) => to - from >= shortest);
}
