import { USUAL_RULES, type Block, type ClockRules, type Timeline } from './service';

/** What holds a plan as it is: nothing can move without it. */
export interface Binding {
  readonly kind: 'over' | 'limit' | 'ready';
  readonly block: number;
  /** Place of the foil in its block, from 0. */
  readonly foil: number;
  /** Minute that it is about, and minutes to spare (< 0: over). */
  readonly at: number;
  readonly slack: number;
  readonly words: string;
}

const rounded = (minutes: number) => String(Math.round(minutes));

/** What binds a plan: the foil nearest to (or past) its limit, and what the basin waits for. */
export function bindingsOf(blocks: readonly Block[], { foils, stages }: Timeline, rules: ClockRules = USUAL_RULES): Binding[] {
  const out: Binding[] = [];
  const nearest = foils.reduce<(typeof foils)[number] | undefined>((best, own) => (best === undefined || own.limit - own.clear < best.limit - best.clear ? own : best), undefined);
  if (nearest) {
    const { block, index, limit, clear } = nearest;
    const slack = limit - clear;
    const name = `${blocks[block].name}, foil ${index + 1}`;
    out.push(
      slack < rules.margin - 1e-6
        ? { kind: 'over', block, foil: index, at: clear, slack, words: slack < 0 ? `${name} is clear at minute ${rounded(clear)}, ${rounded(-slack)} min past its limit.` : `${name} is clear ${rounded(slack)} min before its limit, less than the ${rules.margin} kept in hand.` }
        : { kind: 'limit', block, foil: index, at: clear, slack, words: `${name} is the nearest to its limit: clear at minute ${rounded(clear)}, ${rounded(slack)} min to spare.` },
    );
  }
  for (const { blocks: set, from } of stages) {
    const last = foils.filter(({ block }) => set.includes(block)).reduce((a, b) => (b.ready - b.wet > a.ready - a.wet ? b : a));
    if (Math.abs(last.ready - last.wet) < 1e-6) {
      out.push({ kind: 'ready', block: last.block, foil: last.index, at: from, slack: 0, words: `The basin at minute ${rounded(from)} waits for ${blocks[last.block].name}: its last foil is ready at ${rounded(last.ready)}.` });
    } else if (last.ready > last.wet + 1e-6) {
      out.push({ kind: 'ready', block: last.block, foil: last.index, at: from, slack: last.wet - last.ready, words: `${blocks[last.block].name}, foil ${last.index + 1}, is rinsed ${rounded(last.ready - last.wet)} min before it is ready.` });
    }
  }
  return out;
}
