import { byKey } from '../units';
import { workMinutes } from '../clock/pace';
import { ZONES, type Zone } from '../head';
import { GATHER_KINDS } from './gather';
import { pitchOf } from './spacing';
import { paintedSection, type FoilPath, type PanelFoils } from './panel-foils';
import type { ZonePatch } from './cell-figures';
import type {
  EditNote,
  Foil,
  PaintedSection,
  PanelProblem,
  PanelTotals,
  Sheet,
  Totals,
  TreatedDropout,
  ZoneShare,
} from './sheet';
import type { Panel, Plan } from './types';

/** A panel with everything that was placed in it. */
export interface ComputedPanel {
  readonly panel: Panel;
  readonly placed: PanelFoils;
  readonly drifts: ReadonlyMap<string, number>;
  readonly areaMm2: number;
  readonly solvedDropoutMm: number | null;
  readonly note: string | null;
  readonly takenBy: PanelTotals['takenBy'];
}

/** Puts the sheet together, and the lines to draw in the order of its lists. */
export function buildSheet({
  plan,
  panels,
  byZone,
  problems,
  edits,
}: {
  readonly plan: Plan;
  readonly panels: readonly ComputedPanel[];
  readonly byZone: Readonly<Record<Zone, number>>;
  readonly problems: readonly PanelProblem[];
  readonly edits: readonly EditNote[];
}) {
  const foils: Foil[] = [];
  const painted: PaintedSection[] = [];
  const dropouts: TreatedDropout[] = [];
  const paths: { foil: FoilPath[]; painted: FoilPath[]; dropout: FoilPath[] } = {
    foil: [],
    painted: [],
    dropout: [],
  };
  const left = leftOut(panels, byZone);
  for (const { panel, placed, drifts } of panels) {
    for (const computedFoil of placed.foils) {
      if (panel.medium === 'open-air') {
        painted.push(
          paintedSection(computedFoil, panel.hair === 'left-out' ? left(computedFoil.patches) : 1),
        );
        paths.painted.push(computedFoil.path);
      } else {
        const { id, ...rest } = computedFoil.foil;
        foils.push({ id, order: foils.length + 1, ...rest, driftDeg: drifts.get(id) ?? 0 });
        paths.foil.push(computedFoil.path);
      }
    }
    for (const { dropout, path } of placed.dropouts) {
      dropouts.push(dropout);
      paths.dropout.push(path);
    }
  }
  const zones = zoneShares(panels, byZone, left);
  const sheet: Sheet = {
    format: 'dappled-lattice/plan-sheet',
    version: 5,
    plan: plan.name,
    foils,
    painted,
    dropouts,
    panels: panels.map(panelTotals),
    zones,
    totals: totalsOf(foils, painted, dropouts, zones),
    edits,
    problems,
  };
  return { sheet, paths: paths.foil, painted: paths.painted, dropouts: paths.dropout };
}

/**
 * Share of a section's hair that the foils of panels with hair of their own leave out, by the zones it lies
 * in (estimate).
 */
function leftOut(
  panels: readonly ComputedPanel[],
  byZone: Readonly<Record<Zone, number>>,
): (patches: readonly ZonePatch[]) => number {
  const taken = new Map<Zone, number>();
  for (const { panel, placed } of panels) {
    if (panel.hair === 'left-out') continue;
    for (const { foil, patches } of placed.foils)
      for (const { zone, areaMm2 } of patches)
        taken.set(zone, (taken.get(zone) ?? 0) + areaMm2 * foil.pickedShare);
  }
  return (patches) => {
    const area = patches.reduce((sum, patch) => sum + patch.areaMm2, 0);
    const free = patches.reduce(
      (sum, { zone, areaMm2 }) => sum + areaMm2 * Math.max(0, 1 - (taken.get(zone) ?? 0) / byZone[zone]),
      0,
    );
    return area > 0 ? free / area : 1;
  };
}

function zoneShares(
  panels: readonly ComputedPanel[],
  byZone: Readonly<Record<Zone, number>>,
  left: ReturnType<typeof leftOut>,
): ZoneShare[] {
  const foiled = new Map<Zone, number>();
  const picked = new Map<Zone, Map<string, number>>(ZONES.map((zone) => [zone, new Map()]));
  const lowlit = new Map<Zone, number>();
  const pitch = new Map<Zone, number>();
  const add = <K>(to: Map<K, number>, key: K, value: number) => to.set(key, (to.get(key) ?? 0) + value);
  for (const { panel, placed } of panels) {
    for (const { foil, patches } of placed.foils) {
      const share = panel.hair === 'left-out' ? left(patches) : 1;
      for (const { zone, areaMm2 } of patches) {
        add(picked.get(zone)!, foil.formula, areaMm2 * foil.pickedShare * share);
        if (panel.medium !== 'foil') continue;
        add(foiled, zone, areaMm2);
        add(pitch, zone, areaMm2 * pitchOf(foil.thicknessMm, foil.dropoutMm));
      }
    }
    for (const { dropout, patches } of placed.dropouts) {
      if (dropout.treatment === 'lowlight')
        for (const { zone, areaMm2 } of patches) add(lowlit, zone, areaMm2);
    }
  }
  const share = (of: Map<Zone, number>, zone: Zone) => Math.min(1, (of.get(zone) ?? 0) / byZone[zone]);
  return ZONES.map((zone): ZoneShare => {
    const area = foiled.get(zone) ?? 0;
    const own = [...picked.get(zone)!].map(([letter, value]) => [letter, value / byZone[zone]] as const);
    const pickedShare = sum(own.map(([, value]) => value));
    // Panels that overlap may pick a little more than there is.
    const most = Math.max(1, pickedShare);
    return {
      zone,
      areaCm2: byZone[zone] / 100,
      foiledShare: share(foiled, zone),
      pickedShare: pickedShare / most,
      pickedBy: Object.fromEntries(own.map(([letter, value]) => [letter, value / most])),
      lowlitShare: share(lowlit, zone),
      meanPitchMm: area > 0 ? pitch.get(zone)! / area : null,
    };
  });
}

function panelTotals({ panel, placed, areaMm2, solvedDropoutMm, note, takenBy }: ComputedPanel): PanelTotals {
  return {
    panel: panel.id,
    foils: panel.medium === 'open-air' ? 0 : placed.foils.length,
    rows: placed.rows,
    areaCm2: areaMm2 / 100,
    solvedDropoutMm,
    note,
    takenBy,
    minutes:
      sum([
        ...placed.foils.map(({ foil }) => foil.seconds),
        ...placed.dropouts.map(({ dropout }) => dropout.seconds),
      ]) / 60,
  };
}

function totalsOf(
  foils: readonly Foil[],
  painted: readonly PaintedSection[],
  dropouts: readonly TreatedDropout[],
  zones: readonly ZoneShare[],
): Totals {
  const byGather = byKey(GATHER_KINDS, () => 0);
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
    pickedShare: sum(zones.map((zone) => zone.pickedShare * zone.areaCm2)) / area,
    hairs: sum(foils.map((foil) => foil.hairs)),
    hairGrams: sum(foils.map((foil) => foil.hairGrams)),
    foilingMinutes: workMinutes(foils) + sum([...painted, ...dropouts].map(({ seconds }) => seconds)) / 60,
  };
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
