import { MINUTES_PER_PANEL_CHANGE } from '../clock';
import { zonesOf, type ZoneFamily } from '../head';
import { recipeLine, type ComputedPlan, type PatternEngine, type Plan } from '../pattern';
import { percent, toEnd, type Result } from '../units';
import { thinned } from './thin';
import { placeOf, usualPoints, worthOfPoints, type Place, type PointsOf } from './worth';

/** The limit that a plan is fitted to. */
export type FitLimit =
  { readonly kind: 'foils'; readonly foils: number } | { readonly kind: 'minutes'; readonly minutes: number };

interface FitChange {
  readonly panel: string;
  /** What changes, with its figures: `Back: fine weave, 4 + 5 mm → 4 + 12 mm; 62 → 36 foils`. */
  readonly words: string;
  /** What the panel's foils earn before and after, points; only to be compared with each other. */
  readonly pointsBefore: number;
  readonly pointsAfter: number;
  /** Foils that are saved. */
  readonly saved: number;
}

export type Fitted = Result<{
  readonly plan: Plan;
  readonly foils: number;
  readonly minutes: number;
  /** Worth of what is left, in points; only to be compared with another fit of the same plan. */ readonly worth: number;
  /** Light that is seen before and after, points. */ readonly pointsBefore: number;
  readonly pointsAfter: number;
  readonly changes: readonly FitChange[];
  /** What is lost, in words, before it is accepted. */ readonly lost: readonly string[];
}>;

/** How far a panel's pitch may be stretched. */
const FACTORS = [1, 1.15, 1.3, 1.5, 1.75, 2, 2.5, 3, 4];

interface Option {
  readonly factor: number;
  readonly foils: number;
  /** Cost in the limit's unit, whole numbers: foils, or tenths of a minute. */
  readonly cost: number;
  readonly worth: number;
  readonly points: number;
}

const GROUPS: readonly { words: string; families: readonly ZoneFamily[] }[] = [
  { words: 'hairline', families: ['front-hairline', 'temple', 'ear-hairline', 'nape-hairline'] },
  { words: 'top and front', families: ['top', 'front'] },
  { words: 'crown', families: ['crown'] },
  { words: 'sides', families: ['upper-side', 'lower-side'] },
  { words: 'back', families: ['upper-back', 'occipital'] },
  { words: 'nape', families: ['nape'] },
];

/**
 * Thins a plan to a limit where it shows least: every panel may stretch its pitch, and of all combinations
 * within the
 * limit the one with the greatest worth is taken (dynamic programming over panels, exact for the steps
 * offered). No panel
 * is emptied. The sum over panels is separable while each place belongs mostly to one of them.
 * @param pointsOf what foils earn: as the client wears it, where that is known
 */
export function fitPlan(
  plan: Plan,
  engine: PatternEngine,
  limit: FitLimit,
  pointsOf: PointsOf = usualPoints,
): Fitted {
  return toEnd(fitInSteps(plan, engine, limit, pointsOf));
}

/** {@link fitPlan}, a panel's option at a time, so that it can be given up in between. */
export function* fitInSteps(
  plan: Plan,
  engine: PatternEngine,
  limit: FitLimit,
  pointsOf: PointsOf = usualPoints,
): Generator<undefined, Fitted> {
  const before = engine.compute(plan);
  const panels = plan.panels.filter((panel) =>
    before.sheet.panels.some((panelTotals) => panelTotals.panel === panel.id && panelTotals.foils > 0),
  );
  if (panels.length === 0) return { ok: false, problem: 'There are no foils to fit.' };
  const { offsetMm } = plan.head.part;
  const pointsNow = pointsOf(plan, before);
  const full = pointsByPlace(before, pointsNow, offsetMm);
  const unit = (foils: number, seconds: number) => (limit.kind === 'foils' ? foils : Math.ceil(seconds / 6));
  // What is painted in the open air stays as it is, and takes its time.
  const painted = before.sheet.panels
    .filter(({ panel }) => !panels.some(({ id }) => id === panel))
    .reduce((sum, { minutes }) => sum + minutes, 0);
  const worked = new Set([...before.sheet.foils, ...before.sheet.painted].map(({ panel }) => panel)).size;
  const changes = Math.ceil(10 * ((worked - 1) * MINUTES_PER_PANEL_CHANGE + painted));
  const most = limit.kind === 'foils' ? Math.floor(limit.foils) : Math.floor(limit.minutes * 10) - changes;

  const options: Option[][] = [];
  for (const panel of panels) {
    const own: Option[] = [];
    for (const factor of FACTORS) {
      const thin = thinned(panel, factor);
      if (!thin) continue;
      // In its place among the others, so that what they have taken stays theirs.
      const changed = factor === 1 ? plan : withPanels(plan, new Map([[panel.id, thin]]));
      const computed = factor === 1 ? before : engine.compute(changed);
      const foils = computed.sheet.foils.filter((foil) => foil.panel === panel.id);
      if (foils.length === 0) continue;
      // Treated drop-outs among them.
      const seconds = 60 * computed.sheet.panels.find((totals) => totals.panel === panel.id)!.minutes;
      const points = pointsByPlace(
        computed,
        factor === 1 ? pointsNow : pointsOf(changed, computed),
        offsetMm,
        panel.id,
      );
      own.push({
        factor,
        foils: foils.length,
        cost: unit(foils.length, seconds),
        worth: worthOfPoints(points, full),
        points: sumOf(points.values()),
      });
      yield;
    }
    options.push(own);
  }
  const least = options.reduce((sum, option) => sum + Math.min(...option.map(({ cost }) => cost)), 0);
  if (least > most) {
    const names = panels.map(({ name }) => name).join(', ');
    const said = limit.kind === 'foils' ? `${least} foils` : `${Math.ceil((least + changes) / 10)} minutes`;
    return {
      ok: false,
      problem: `Even with its widest spacing this pattern takes ${said} (${names}). Switch a panel off first.`,
    };
  }
  const chosen = bestWithin(options, most);
  const thin = new Map(panels.map((panel, i) => [panel.id, thinned(panel, options[i][chosen[i]].factor)!]));
  const fitted = withPanels(plan, thin);
  const after = engine.compute(fitted);
  return {
    ok: true,
    plan: fitted,
    foils: after.sheet.totals.foils,
    minutes: after.sheet.totals.foilingMinutes,
    worth: options.reduce((sum, option, i) => sum + option[chosen[i]].worth, 0),
    pointsBefore: sumOf(full.values()),
    pointsAfter: options.reduce((sum, option, i) => sum + option[chosen[i]].points, 0),
    changes: panels.flatMap((panel, i): FitChange[] => {
      const option = options[i][chosen[i]];
      if (option.factor === 1) return [];
      const first = options[i].find(({ factor }) => factor === 1)!;
      return [
        {
          panel: panel.id,
          words: `${panel.name}: ${recipeLine(panel)} → ${recipeLine(thin.get(panel.id)!)}; ${first.foils} → ${option.foils} foils`,
          pointsBefore: first.points,
          pointsAfter: option.points,
          saved: first.foils - option.foils,
        },
      ];
    }),
    lost: lostOf(before, after),
  };
}

function withPanels(plan: Plan, readonlyMap: ReadonlyMap<string, Plan['panels'][number]>): Plan {
  return { ...plan, panels: plan.panels.map((panel) => readonlyMap.get(panel.id) ?? panel) };
}

function pointsByPlace(
  computed: ComputedPlan,
  points: ArrayLike<number>,
  partOffsetMm: number,
  panel?: string,
): Map<Place, number> {
  const out = new Map<Place, number>();
  computed.sheet.foils.forEach((foil, i) => {
    if (panel !== undefined && foil.panel !== panel) return;
    const place = placeOf(foil, computed, i, partOffsetMm);
    out.set(place, (out.get(place) ?? 0) + points[i]);
  });
  return out;
}

function sumOf(values: Iterable<number>): number {
  let sum = 0;
  for (const value of values) sum += value;
  return sum;
}

/** For each panel the index of its option, such that the worth is greatest within the cost. */
function bestWithin(options: readonly (readonly Option[])[], most: number): number[] {
  let best = new Float64Array(most + 1).fill(-Infinity);
  best[0] = 0;
  const choices: Int16Array[] = [];
  for (const own of options) {
    const next = new Float64Array(most + 1).fill(-Infinity);
    const choice = new Int16Array(most + 1).fill(-1);
    own.forEach(({ cost, worth }, o) => {
      for (let c = cost; c <= most; c += 1) {
        const total = best[c - cost] + worth;
        if (total > next[c] + 1e-12) {
          next[c] = total;
          choice[c] = o;
        }
      }
    });
    best = next;
    choices.push(choice);
  }
  let cost = best.indexOf(best.reduce((a, b) => Math.max(a, b), -Infinity));
  const out = new Array<number>(options.length);
  for (let i = options.length - 1; i >= 0; i -= 1) {
    out[i] = choices[i][cost];
    cost -= options[i][out[i]].cost;
  }
  return out;
}

function lostOf(before: ComputedPlan, after: ComputedPlan): string[] {
  const share = (computed: ComputedPlan, families: readonly ZoneFamily[]) => {
    const zones = new Set<string>(families.flatMap(zonesOf));
    let lit = 0;
    let area = 0;
    for (const zone of computed.sheet.zones) {
      if (!zones.has(zone.zone)) continue;
      lit += zone.pickedShare * zone.areaCm2;
      area += zone.areaCm2;
    }
    return lit / area;
  };
  return GROUPS.flatMap(({ words, families }) => {
    const [was, is] = [share(before, families), share(after, families)];
    return was - is > 0.002 ? [`${words}: ${percent(was, 1)} → ${percent(is, 1)} lightened`] : [];
  });
}
