import { fromOpened, ZONES } from '../head';
import { addPanelFirst, type FoilPath, type Panel, type Plan } from '../pattern';
import type { Check, CheckInput } from './check';
import { landmarkPanels } from './mends';

/** Steps round the hairline, degrees of azimuth. */
const STEP_DEG = 1;

/** Places on the hairline, by |azimuth|, as they are said. */
const PLACES = [
  { to: 14, said: 'in the middle of the forehead' },
  { to: 42, said: 'at the side of the forehead' },
  { to: 80, said: 'at the temple' },
  { to: 100, said: 'over the ear' },
  { to: 130, said: 'behind the ear' },
  { to: 181, said: 'at the nape' },
] as const;

interface Stretch {
  readonly fromDeg: number;
  readonly toDeg: number;
  readonly lengthMm: number;
}

/**
 * Stretches of the hairline with no foil within the limit behind them, longest first. Until wear is computed,
 * "unlit" means that.
 */
export function unlitStretches({ computed, limits }: CheckInput): Stretch[] {
  const { head } = computed.drawing;
  const samples = samplesOf([...computed.drawing.paths, ...computed.drawing.painted]).map((point) =>
    fromOpened(head, point),
  );
  const n = 360 / STEP_DEG;
  const points = Array.from({ length: n }, (_, i) =>
    head.hairlinePoint(((i * STEP_DEG - 180) * Math.PI) / 180),
  );
  const reach = (limits.behindMm * head.k) ** 2;
  // Over 25 mm the chord is shorter than the skin by less than 0.2 mm.
  const lit = points.map((p) =>
    samples.some((q) => (p.x - q.x) ** 2 + (p.y - q.y) ** 2 + (p.z - q.z) ** 2 <= reach),
  );
  const gap = (i: number) =>
    Math.hypot(
      points[(i + 1) % n].x - points[i].x,
      points[(i + 1) % n].y - points[i].y,
      points[(i + 1) % n].z - points[i].z,
    );
  const out: Stretch[] = [];
  if (!lit.includes(true))
    return [{ fromDeg: -180, toDeg: 180, lengthMm: points.reduce((sum, _, i) => sum + gap(i), 0) }];
  const start = lit.indexOf(true);
  let from: number | undefined;
  let length = 0;
  for (let step = 0; step <= n; step += 1) {
    const i = (start + step) % n;
    if (!lit[i]) {
      from ??= i;
      length += gap(i);
    } else if (from !== undefined) {
      out.push({
        fromDeg: from * STEP_DEG - 180,
        toDeg: ((i + n - 1) % n) * STEP_DEG - 180,
        lengthMm: length,
      });
      from = undefined;
      length = 0;
    }
  }
  return out.sort((a, b) => b.lengthMm - a.lengthMm);
}

/** Middle lines of sections, thinned: a point every centimetre or so says where there is light. */
function samplesOf(paths: readonly FoilPath[]): { x: number; y: number }[] {
  return paths.flatMap(({ packed, count }) =>
    Array.from({ length: count }, (_, j) => ({ x: packed[6 * j], y: packed[6 * j + 1] })).filter(
      (_, j) => j % 3 === 0 || j === count - 1,
    ),
  );
}

/** Unlit places at the hairline, and the one behind the ear that people miss. */
export function hairlineChecks(input: CheckInput): Check[] {
  return unlitStretches(input)
    .filter(({ lengthMm }) => lengthMm > input.limits.unlitMm)
    .slice(0, 3)
    .map((stretch): Check => {
      const middle = middleOf(stretch);
      const place =
        stretch.lengthMm > LONG_MM ? longPlace(middle) : PLACES.find(({ to }) => Math.abs(middle) < to)!.said;
      const side =
        Math.abs(middle) < 4 || Math.abs(middle) > 176 || place.startsWith('round')
          ? ''
          : `, ${middle > 0 ? 'left' : 'right'}`;
      const behindEar = place === 'behind the ear';
      return {
        rule: behindEar ? 'behind-ear' : 'unlit-hairline',
        foils: [],
        seen: `No foil for ${Math.round(stretch.lengthMm)} mm of the hairline ${place}${side}.`,
        why: behindEar
          ? 'Around and behind the ear is the spot that gets missed. The frame looks stuck on when hair is tied back.'
          : 'Tied back, the hairline there stays dark.',
        mend: { words: 'Add a fine weave there', apply: (plan) => withRim(plan, stretch) },
      };
    });
}

/** A stretch longer than this is no longer at one place, mm. */
const LONG_MM = 180;

function longPlace(middleDeg: number): string {
  if (Math.abs(middleDeg) < 60) return 'round the face';
  return Math.abs(middleDeg) > 120 ? 'round the back' : 'along the side';
}

function middleOf({ fromDeg, toDeg }: Stretch): number {
  const span = toDeg >= fromDeg ? toDeg - fromDeg : toDeg - fromDeg + 360;
  const middle = fromDeg + span / 2;
  return middle > 180 ? middle - 360 : middle;
}

/** A rim panel over a stretch of the hairline, on its side or on both where it crosses the middle. */
export function withRim(plan: Plan, { fromDeg, toDeg }: Pick<Stretch, 'fromDeg' | 'toDeg'>): Plan {
  const crossesFront = fromDeg < 0 && toDeg > 0 && fromDeg > -175;
  const crossesBack = toDeg < fromDeg;
  const whole = toDeg - fromDeg >= 350;
  const a = Math.abs(fromDeg);
  const b = Math.abs(toDeg);
  const range = whole
    ? [0, 180]
    : crossesFront
      ? [0, Math.max(a, b)]
      : crossesBack
        ? [Math.min(a, b), 180]
        : [Math.min(a, b), Math.max(a, b)];
  const side: Panel['side'] = whole || crossesFront || crossesBack ? 'both' : fromDeg >= 0 ? 'left' : 'right';
  return addPanelFirst(plan, landmarkPanels.rim(range[0], range[1], side));
}

/** The crown is what people behind the client see: it is open where the head round it is lit. */
export function crownChecks({ computed }: CheckInput): Check[] {
  const share = (zone: (typeof ZONES)[number]) =>
    computed.sheet.zones.find((zoneShare) => zoneShare.zone === zone)!.pickedShare;
  const around = (share('upper-back-l') + share('upper-back-r') + share('top-l') + share('top-r')) / 4;
  if (around < 0.04 || share('crown') > 0.25 * around) return [];
  return [
    {
      rule: 'crown-open',
      foils: [],
      seen: `The crown is ${Math.round(share('crown') * 100)}% lightened, the hair round it ${Math.round(around * 100)}%.`,
      why: 'People behind the client see the crown first.',
      mend: {
        words: 'Foil the crown',
        apply: (plan) => addPanelFirst(plan, landmarkPanels.crown()),
      },
    },
  ];
}

/** A foil all of whose hair lies this near to the part runs along it, mm. */
const ALONG_PART_MM = 12;

/** The last foils of both sides of the part must leave a sliver between them. */
export function partChecks(input: CheckInput): Check[] {
  const { plan, computed, limits } = input;
  if (plan.head.part.none) return [];
  const { drawing, sheet } = computed;
  const offset = plan.head.part.offsetMm;
  const nearest = { left: { mm: Infinity, at: -1 }, right: { mm: Infinity, at: -1 } };
  drawing.paths.forEach((path, i) => {
    const foil = sheet.foils[i];
    if (foil.side === 'across') return;
    // Only foils that run along the part: no point of their edges is farther from it than this.
    let mm = Infinity;
    for (let j = 0; j < path.count; j += 1) {
      for (const edge of [2, 4]) {
        const gap = Math.abs(
          fromOpened(drawing.head, { x: path.packed[6 * j + edge], y: path.packed[6 * j + edge + 1] }).x -
            offset,
        );
        if (gap > ALONG_PART_MM) return;
        mm = Math.min(mm, gap);
      }
    }
    if (mm < nearest[foil.side].mm) nearest[foil.side] = { mm, at: i };
  });
  const between = nearest.left.mm + nearest.right.mm;
  if (!(between < limits.sliverMm)) return [];
  const foils = [sheet.foils[nearest.left.at], sheet.foils[nearest.right.at]];
  const panels = new Set(foils.map((foil) => foil.panel));
  return [
    {
      rule: 'back-to-back',
      panel: foils[0].panel,
      foils: foils.map(({ id }) => id),
      seen: `Two foils meet back to back at the part (${Math.round(between * 10) / 10} mm between them).`,
      why: 'They grow out as one hard stripe. Leave a sliver of 3–4 mm.',
      mend: {
        words: 'Count back from the part, 4 mm sliver',
        apply: (before) => ({
          ...before,
          panels: before.panels.map((panel) => {
            if (!panels.has(panel.id)) return panel;
            const { spacing } = panel;
            if (spacing.kind === 'backwards') return { ...panel, spacing: { ...spacing, sliverMm: 4 } };
            const plain =
              spacing.kind === 'constant' || spacing.kind === 'graded' || spacing.kind === 'eased'
                ? spacing
                : { kind: 'constant' as const, dropoutMm: 5 };
            return { ...panel, spacing: { kind: 'backwards', sliverMm: 4, spacing: plain } };
          }),
        }),
      },
    },
  ];
}
