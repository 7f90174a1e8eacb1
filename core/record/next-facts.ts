import { edgeOf, TEASING_MM, type Edge, type GrowthRate, type NextFacts } from '../growth';
import { ZONES, type Zone } from '../head';
import type { Gather, Plan, Sheet, SingleGather } from '../pattern';
import { shadowOf, type Consult, type Outcome, type VisitMix } from '../visit';

/** Washes a week where nobody was asked. Working assumption: the middle of the usual two to four. */
const USUAL_WASHES = 3;

interface Facts {
  readonly on: string;
  readonly rate: GrowthRate;
  readonly consult: Pick<Consult, 'naturalLevel' | 'washesPerWeek' | 'weeksBetween'>;
  readonly plan: Plan;
  readonly sheet: Pick<Sheet, 'foils' | 'painted'>;
  readonly zones: NonNullable<Outcome['zones']>;
  readonly levelReached: number;
  /** What of the mix stays on the hair: a toner and a root colour fade, and a root shadow softens the line. */
  readonly mix: Pick<VisitMix, 'toners' | 'roots'>;
}

/** What the next visit is reckoned from, out of a visit and its record. */
export function nextFactsOf({ on, rate, consult, plan, sheet, zones, levelReached, mix }: Facts): NextFacts {
  const panels = new Map(plan.panels.map((panel) => [panel.id, panel]));
  const light: Partial<Record<Zone, { leftMm: number; edge: Edge; featherMm: number }>> = {};
  const all = [...sheet.foils, ...sheet.painted];
  const shadowMm = shadowOf(mix)?.mm ?? 0;
  for (const zone of ZONES) {
    const left = zones[zone]?.leftMm ?? null;
    if (left === null) continue;
    const own = all.filter((foil) => foil.zone === zone);
    // The strongest edge of a zone is the one that is seen.
    const edges = (own.length > 0 ? own : all).flatMap(({ panel, gather }) => {
      const { gather: recipe, start } = panels.get(panel) ?? {};
      return recipe && start ? [{ edge: edgeOf(gather, stitchOf(recipe, gather), start.teasing), featherMm: start.featherMm + TEASING_MM * start.teasing }] : [];
    });
    const [strongest] = edges.sort((a, b) => STRENGTH[a.edge] - STRENGTH[b.edge] || a.featherMm - b.featherMm);
    const found = strongest ?? { edge: 'medium', featherMm: 0 };
    // Under a shadow the light begins as softly as a teased start, as far down as it is drawn.
    const edge = shadowMm > 0 ? 'soft' : found.edge;
    const featherMm = Math.max(found.featherMm, shadowMm);
    // A start off the scalp that runs out softly is there on the first day and is no line yet: only what is sharp of it counts as grown.
    light[zone] = { leftMm: Math.max(0, left - featherMm), edge, featherMm };
  }
  return { on, rate, light, contrast: levelReached - consult.naturalLevel, tonerWashes: mix.toners.length + mix.roots.length > 0 ? consult.washesPerWeek ?? USUAL_WASHES : null, wishWeeks: consult.weeksBetween };
}

const STRENGTH = { slice: 0, medium: 1, soft: 2 } satisfies Record<Edge, number>;

/** Width of a stitch of the gather that a foil was picked by; null for a slice. */
function stitchOf(gather: Gather, kind: SingleGather['kind']): number | null {
  const own = gather.kind === 'alternate' ? gather.of.find((one) => one.kind === kind) : gather;
  if (own?.kind === 'weave') return own.stitchMm;
  return own?.kind === 'zigzag' ? own.pointMm : null;
}
