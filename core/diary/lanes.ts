/** A stretch of the day. */
export interface Stretch {
  readonly from: number;
  readonly minutes: number;
}

/** Where a stretch stands beside those that overlap it: which lane, of how many. */
export interface Lane {
  readonly lane: number;
  readonly of: number;
}

/**
 * Lanes for the stretches of one column: those that overlap stand side by side, each group as wide as its
 * busiest moment.
 * @returns a lane for each stretch, in the order given
 */
export function lanesOf(stretches: readonly Stretch[]): Lane[] {
  const order = stretches
    .map((_, i) => i)
    .sort((a, b) => stretches[a].from - stretches[b].from || stretches[b].minutes - stretches[a].minutes);
  const lanes: { lane: number; of: number }[] = stretches.map(() => ({ lane: 0, of: 1 }));
  let group: number[] = [];
  let ends: number[] = [];
  const close = () => {
    for (const i of group) lanes[i].of = ends.length;
    group = [];
    ends = [];
  };
  for (const i of order) {
    const { from, minutes } = stretches[i];
    if (group.length > 0 && ends.every((end) => end <= from)) close();
    const free = ends.findIndex((end) => end <= from);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = from + minutes;
    lanes[i].lane = lane;
    group.push(i);
  }
  close();
  return lanes;
}

/** Stretches that share time with one, by their place. */
export const clashesWith = (stretch: Stretch, others: readonly Stretch[]): number[] =>
  others.flatMap((other, i) =>
    other.from < stretch.from + stretch.minutes && stretch.from < other.from + other.minutes ? [i] : [],
  );
