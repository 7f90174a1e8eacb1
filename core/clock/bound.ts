import type { Question } from './question';
import type { Pulling } from './types';

const sum = (list: readonly number[]) => list.reduce((all, value) => all + value, 0);

/**
 * Minutes that a service lasts at least with nothing past a limit, whatever its order: the foiling with its
 * panel changes and
 * fresh bowls, the fewest pulls that so many visits to the basin leave, the last foil until it is ready, and
 * the rinsing.
 * 0 where two people foil.
 */
export function leastMinutes(question: Question, visits: number, pulling: Pulling): number {
  const { blocks, minutes, deadline, release, again, count, rules } = question;
  if (count === 0 || rules.second === 'foils') return 0;
  const { setUp, each, finish, clearAfter, panelChange, pullEach, pullChange } = rules;
  const filled = blocks.filter(({ foils }) => foils.length > 0);
  const panels = new Set(filled.map(({ panel }) => panel)).size;
  const placing =
    sum(minutes) +
    (panels - 1) * panelChange +
    freshBowls(question) * (rules.second === 'pulls' ? 0 : rules.mixChange) +
    (pulling === 'second' ? 0 : sum(again.map((own) => own?.minutes ?? 0)));
  const shortest = [...minutes].sort((a, b) => a - b);
  /** Foils that can be placed within so many minutes, the shortest closest together. */
  const within = (window: number) => {
    let fits = 1;
    for (let at = 0; fits < count; fits += 1) {
      at += shortest[fits];
      if (at > window) break;
    }
    return fits;
  };
  // What is painted again stays on for both.
  const longest = Math.max(
    ...deadline.map((value, f) => value + (again[f] ? again[f].deadline + again[f].minutes : 0)),
  );
  const soonest = Math.min(...release.map((value, f) => value + (again[f]?.release ?? 0)));
  const visit = setUp + each + finish;
  const most = batchOf(question, longest - soonest);
  const owned = (pulls: number) =>
    pulling === 'own' ? pulls * pullEach + Math.ceil(pulls / most) * pullChange : 0;
  let least = Infinity;
  for (let earlier = 0; earlier < visits; earlier += 1) {
    const rinsed = earlier * within(longest - setUp - clearAfter);
    const whole =
      placing +
      owned(Math.max(0, count - rinsed - within(longest - setUp - clearAfter))) +
      (earlier + 1) * (setUp + finish) +
      filled.length * each;
    const last =
      placing +
      owned(Math.max(0, count - rinsed - within(longest))) +
      earlier * visit +
      soonest +
      each +
      finish;
    least = Math.min(least, Math.max(whole, last));
  }
  return least;
}

/** Bowls that are mixed during the foiling at least. */
function freshBowls({ mixes, minutes, rules }: Question): number {
  const taken = new Map<string, { minutes: number; longest: number }>();
  mixes.forEach((mixe, f) => {
    for (const mix of mixe) {
      const { minutes: before, longest } = taken.get(mix) ?? { minutes: 0, longest: 0 };
      taken.set(mix, { minutes: before + minutes[f], longest: Math.max(longest, minutes[f]) });
    }
  });
  return [...taken.values()].reduce(
    (bowls, own) => bowls + Math.floor(Math.max(0, own.minutes - own.longest) / rules.usefulMinutes),
    0,
  );
}

/** Foils that one batch opens at most: all of them are ready, and none is past its deadline. */
function batchOf({ minutes, rules, count }: Question, window: number): number {
  const quickest = Math.min(...minutes);
  return quickest <= rules.pullEach
    ? count
    : Math.max(1, Math.floor((window / quickest + 1) / (1 - rules.pullEach / quickest)));
}
