import { foilingMinutes } from '../clock';
import { makeHead, scalpAreas, ZONES, type Head, type Outline, type ScalpGrid, type Zone } from '../head';
import { foilsOfHalf, gridsOf, halfGeometry, halfKey, ownPoints, sidesOf, type ComputedFoil, type FoilPath, type HalfGeometry } from './panel-foils';
import type { Foil, GatherKind, Panel, PanelProblem, PanelTotals, Plan, Sheet, Side, Totals, ZoneShare } from './types';

/** More foils than this in one panel are a slip of the finger, not a plan. */
export const MOST_FOILS_PER_PANEL = 600;

/** What a drawing of the plan needs beside the sheet. */
export interface PatternDrawing {
  readonly head: Head;
  readonly paths: readonly FoilPath[];
  readonly outlines: readonly { readonly panel: string; readonly side: Side; readonly outlines: readonly Outline[] }[];
}

export interface ComputedPlan {
  readonly sheet: Sheet;
  readonly drawing: PatternDrawing;
}

/**
 * The pattern engine. It remembers the geometry of heads and panels, so that an edit of thickness, gather or drop-out
 * only places foils anew. The memory never changes a result: the same plan gives the same bytes.
 */
export function createPatternEngine(): { compute(plan: Plan): ComputedPlan } {
  const heads = new Remembered<{ head: Head; grids: Record<Side, ScalpGrid>; areas: ReturnType<typeof scalpAreas> }>(4);
  const halves = new Remembered<HalfGeometry | undefined>(48);

  const compute = (plan: Plan): ComputedPlan => {
    const { part, ...headSpec } = plan.head;
    const headKey = JSON.stringify(headSpec);
    const { head, grids, areas } = heads.get(headKey, () => {
      const made = makeHead(headSpec);
      const madeGrids = gridsOf(made);
      return { head: made, grids: madeGrids, areas: scalpAreas(madeGrids.left) };
    });
    const computed: { panel: Panel; foils: ComputedFoil[]; areaMm2: number }[] = [];
    const outlines: PatternDrawing['outlines'][number][] = [];
    const problems: PanelProblem[] = [];
    for (const panel of plan.panels) {
      if (panel.muted) continue;
      const placed: ComputedFoil[] = [];
      let areaMm2 = 0;
      for (const side of sidesOf(panel)) {
        const grid = grids[side];
        const towards = side === 'left' ? part.offsetMm : -part.offsetMm;
        const key = `${JSON.stringify(grid.scalp.head.spec)}${halfKey(panel, towards)}`;
        const half = halves.get(key, () => halfGeometry(grid, panel, towards));
        if (!half) {
          problems.push({ panel: panel.id, problem: `${panel.name}: no hair is left for this panel. Check the part.` });
          continue;
        }
        outlines.push({ panel: panel.id, side, outlines: half.outlines.map((outline) => ownPoints(outline, side)) });
        areaMm2 += half.areaMm2;
        placed.push(...foilsOfHalf(half, side, panel, plan.hair, plan.foil));
      }
      if (placed.length > MOST_FOILS_PER_PANEL) {
        problems.push({
          panel: panel.id,
          problem: `${panel.name}: ${placed.length} foils are more than ${MOST_FOILS_PER_PANEL}. Widen the drop-out or the section.`,
        });
        continue;
      }
      computed.push({ panel, foils: placed, areaMm2 });
    }
    return {
      sheet: buildSheet(plan, computed, areas, problems),
      drawing: { head, paths: computed.flatMap(({ foils }) => foils.map(({ path }) => path)), outlines },
    };
  };
  return { compute };
}

function buildSheet(
  plan: Plan,
  computed: readonly { panel: Panel; foils: readonly ComputedFoil[]; areaMm2: number }[],
  areas: ReturnType<typeof scalpAreas>,
  problems: readonly PanelProblem[],
): Sheet {
  const all = computed.flatMap(({ foils }) => foils);
  const foils: Foil[] = all.map(({ foil: { id, ...rest } }, i) => ({ id, order: i + 1, ...rest }));
  const zones = zoneShares(all, areas.byZone);
  const panels: PanelTotals[] = computed.map(({ panel, foils: own, areaMm2 }) => ({
    panel: panel.id,
    foils: own.length,
    rows: new Set(own.map(({ foil }) => `${foil.side}${foil.row}`)).size,
    areaCm2: areaMm2 / 100,
  }));
  return {
    format: 'dappled-lattice/plan-sheet',
    version: 1,
    plan: plan.name,
    foils,
    panels,
    zones,
    totals: totalsOf(foils, zones),
    problems,
  };
}

function zoneShares(foils: readonly ComputedFoil[], byZone: Record<Zone, number>): ZoneShare[] {
  const foiled = new Map<Zone, number>();
  const lightened = new Map<Zone, number>();
  for (const { foil, patches } of foils) {
    for (const { zone, areaMm2 } of patches) {
      foiled.set(zone, (foiled.get(zone) ?? 0) + areaMm2);
      lightened.set(zone, (lightened.get(zone) ?? 0) + areaMm2 * foil.pickedShare);
    }
  }
  const share = (of: Map<Zone, number>, zone: Zone) => Math.min(1, (of.get(zone) ?? 0) / byZone[zone]);
  return ZONES.map((zone) => ({
    zone,
    areaCm2: byZone[zone] / 100,
    foiledShare: share(foiled, zone),
    lightenedShare: share(lightened, zone),
  }));
}

function totalsOf(foils: readonly Foil[], zones: readonly ZoneShare[]): Totals {
  const byGather: Record<GatherKind, number> = { slice: 0, weave: 0 };
  const byFormula: Record<string, number> = {};
  for (const foil of foils) {
    byGather[foil.gather] += 1;
    byFormula[foil.formula] = (byFormula[foil.formula] ?? 0) + 1;
  }
  const area = sum(zones.map((zone) => zone.areaCm2));
  return {
    foils: foils.length,
    byGather,
    byFormula,
    foiledShare: sum(zones.map((zone) => zone.foiledShare * zone.areaCm2)) / area,
    lightenedShare: sum(zones.map((zone) => zone.lightenedShare * zone.areaCm2)) / area,
    hairs: sum(foils.map((foil) => foil.hairs)),
    hairGrams: sum(foils.map((foil) => foil.hairGrams)),
    foilingMinutes: foilingMinutes(foils),
  };
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}

/** A small memory that forgets what was longest unused. */
class Remembered<T> {
  private readonly known = new Map<string, T>();
  constructor(private readonly size: number) {}

  get(key: string, make: () => T): T {
    const had = this.known.has(key);
    const value = had ? (this.known.get(key) as T) : make();
    this.known.delete(key);
    this.known.set(key, value);
    if (this.known.size > this.size) this.known.delete(this.known.keys().next().value as string);
    return value;
  }
}
