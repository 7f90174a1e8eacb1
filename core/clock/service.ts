import { Courses } from './course';
import { foilsWith, NEAR, USUAL_RULES, type Action, type Block, type ClockRules, type PlacedFoil, type Pull, type Stage, type Start, type Timeline } from './types';

/**
 * Runs a service through its actions.
 * @param start where it stands already; from nothing otherwise
 * @throws RangeError when a block is foiled twice, rinsed or pulled before it is foiled, or pulled with nobody to pull
 */
export function runService(blocks: readonly Block[], actions: readonly Action[], rules: ClockRules = USUAL_RULES, start?: Start): Timeline {
  const courses = new Courses(blocks, rules);
  let course = courses.begin(start);
  const stages: Stage[] = [];
  const pulls: Pull[] = [];
  const bowls: { mix: string; at: number }[] = [];
  const strengths = blocks.map((_, b) => start?.strengths[b] ?? 0);
  const by = blocks.map(() => 0);
  const placed: (readonly number[] | undefined)[] = blocks.map((_, b) => start?.placed[b]);
  /** When each foil of a block is wet or opened, and clear. */
  const ended = new Map<number, (index: number) => { readonly wet: number; readonly clear: number }>();
  for (const action of actions) {
    if (action.kind === 'foil') {
      const { block: b, strength = 0 } = action;
      if (placed[b]) throw new RangeError(`${blocks[b].name} is foiled twice.`);
      const done = courses.foil(course, b, strength, action.by);
      placed[b] = done.foiling.placed;
      strengths[b] = strength;
      by[b] = action.by ?? 0;
      bowls.push(...done.foiling.bowls);
      course = done.course;
    } else if (action.kind === 'pull') {
      const { block: b } = action;
      if (!course.on[b]) throw new RangeError(`${blocks[b].name} cannot be pulled: it is not on the head.`);
      if (rules.second !== 'mixes') throw new RangeError('Nobody is there to pull foils.');
      const done = courses.pull(course, b);
      pulls.push({ block: b, from: done.times.from, to: done.times.to });
      ended.set(b, (i) => ({ wet: done.times.opened[i], clear: done.times.opened[i] + rules.pullEach }));
      course = done.course;
    } else {
      for (const own of action.blocks) if (course.on[own] === undefined || course.rinsed & (1 << own)) throw new RangeError(`${blocks[own].name} cannot be rinsed: it is not on the head.`);
      const done = courses.rinse(course, action.blocks);
      done.times.order.forEach((own, j) => {
        if (!ended.has(own)) ended.set(own, () => ({ wet: done.times.wet[j], clear: done.times.wet[j] + rules.clearAfter }));
      });
      stages.push({ blocks: done.times.order, from: done.times.from, to: done.times.to });
      course = done.course;
    }
  }
  const foils = blocks.flatMap((block, b) => {
    const own = foilsWith(block, strengths[b]);
    return (placed[b] ?? []).map((at, index): PlacedFoil => {
      const alone = block.pulled?.[index];
      const { wet, clear } = alone !== undefined ? { wet: at + alone, clear: at + alone + rules.pullEach } : (ended.get(b)?.(index) ?? { wet: Infinity, clear: Infinity });
      return { block: b, index, placed: at, ready: at + own[index].readyMinutes, limit: at + own[index].limitMinutes, wet, clear };
    });
  });
  return { foils, stages, pulls, bowls, strengths, by, end: Math.max(courses.now(course), course.pulling), cost: courses.costOf(course) };
}

/** Blocks that alone do not fit between ready and limit, cut into as few even ones as do; and which were cut. */
export function splitBlocks(blocks: readonly Block[], rules: ClockRules = USUAL_RULES): { readonly blocks: readonly Block[]; readonly cut: readonly string[] } {
  const cut: string[] = [];
  const out = blocks.flatMap((block): Block[] => {
    const limit = Math.min(...block.foils.map(({ limitMinutes }) => limitMinutes)) - rules.margin - rules.clearAfter;
    const room = limit - Math.min(Math.max(...block.foils.map(({ readyMinutes }) => readyMinutes)), limit);
    const pace = Math.max(...block.foils.map(({ seconds }) => seconds)) / 60;
    const most = 1 + Math.floor(room / pace + NEAR);
    const n = block.foils.length;
    if (n <= most) return [block];
    cut.push(block.name);
    const parts = Math.ceil(n / most);
    return Array.from({ length: parts }, (_, i) => {
      const [first, next] = [Math.round((i * n) / parts), Math.round(((i + 1) * n) / parts)];
      return { ...block, id: `${block.id}.${i + 1}`, name: `${block.name}, part ${i + 1}`, foils: block.foils.slice(first, next) };
    });
  });
  return { blocks: out, cut };
}
