import {
  makeHead,
  scalpAreas,
  zoneName,
  type Head,
  type HeadSpec,
  type OpenedPoint,
  type Outline,
  type ScalpGrid,
  type Zone,
} from '../head';
import { framesOf, headGrids, onGrid, type Frame, type HeadGrids } from './frame';
import { panelOfEdit } from './foil-edits';
import { hairLed } from './hair-led';
import { mirrorPanel } from './mirror';
import type { Crossed } from './crossing';
import { driftsOf, foilsOfPanel, type FoilPath, type PanelFoils, type SideOfPanel } from './panel-foils';
import { panelField, type PanelField } from './panel-field';
import { PlaceProblem } from './place';
import { Remembered } from './remembered';
import { claimsBefore, sectionedKey, sectioningOrder, sectionOff, type SectionedPanel } from './sectioning';
import { shareWords } from './shares';
import type { EditNote, PanelProblem, Sheet } from './sheet';
import { buildSheet, type ComputedPanel } from './build-sheet';
import { nominalDropout, pitchOf } from './spacing';
import { solveSpacing, type SolvedSpacing } from './solve';
import type { Panel, Plan, Side } from './types';
import { differencesOf, variedDirection } from './variation';

/** More foils than this in one panel are a slip of the finger, not a plan. */
const MOST_FOILS_PER_PANEL = 600;
/**
 * Foils that would lie over each other on more of a panel's foiled hair than this are said; below, it is a
 * matter of a corner.
 */
const CROSSED_SHARE = 0.005;

/** What a drawing of the plan needs beside the sheet. */
export interface PatternDrawing {
  readonly head: Head;
  /** By foil, in the order of the sheet's foils; then the painted sections and the treated drop-outs. */
  readonly paths: readonly FoilPath[];
  readonly painted: readonly FoilPath[];
  readonly dropouts: readonly FoilPath[];
  readonly outlines: readonly {
    readonly panel: string;
    readonly side: Side | 'across';
    readonly outlines: readonly Outline[];
  }[];
}

export interface ComputedPlan {
  readonly sheet: Sheet;
  readonly drawing: PatternDrawing;
  /** Skin by zone, mm². */
  readonly zoneAreas: Readonly<Record<Zone, number>>;
  /** The head's raster: what roots are made on. */
  readonly grid: ScalpGrid;
}

interface HeadModel {
  readonly head: Head;
  readonly own: Frame;
  readonly mirror: Frame;
  readonly areas: ReturnType<typeof scalpAreas>;
}

/**
 * The pattern engine. It remembers the geometry of heads, panels and fields, so that an edit of thickness,
 * gather or
 * drop-out only places foils anew. The memory never changes a result: the same plan gives the same bytes.
 */
export interface PatternEngine {
  compute(plan: Plan): ComputedPlan;
}

export function createPatternEngine(): PatternEngine {
  const heads = new Remembered<{ grids: HeadGrids; areas: HeadModel['areas'] }>(4);
  const models = new Remembered<HeadModel>(12);
  const sections = new Remembered<SectionedPanel | undefined>(96);
  const fields = new Remembered<PanelField>(96);
  const laid = new Remembered<Laid>(96);

  const compute = (plan: Plan): ComputedPlan => {
    const { part, ...headSpec } = plan.head;
    const headKey = JSON.stringify(headSpec);
    const model = models.get(headKey + JSON.stringify(part), (): HeadModel => {
      const { grids, areas } = heads.get(headKey, () => rasteredHead(headSpec));
      return { head: grids.head, areas, ...framesOf(grids, part) };
    });
    // What is painted between foils takes no hair from other panels.
    const panels = plan.panels.map((panel) => hairLed(panel, plan.hair, model.own));
    const order = sectioningOrder(panels, plan.sectioning).filter(({ hair }) => hair === 'own');
    const mirrorOrder = order.map(mirrorPanel);
    const computed: ComputedPanel[] = [];
    const outlines: PatternDrawing['outlines'][number][] = [];
    const problems: PanelProblem[] = [];
    const seen = new Set<number>();
    const notes: EditNote[] = [];

    for (const panel of panels) {
      if (panel.muted) continue;
      const say = (problem: string) =>
        problems.push({ panel: panel.id, problem: `${panel.name}: ${problem}.` });
      const unusable = whatIsWrong(panel);
      if (unusable) {
        say(unusable);
        continue;
      }
      try {
        const sides = sidesOf(panel).flatMap((side): (SideOfPanel & { readonly key: string })[] => {
          const differs = differencesOf(panel, side);
          const half = halfOf({
            panel: variedDirection(panel, differs),
            side,
            model,
            headKey,
            order,
            mirrorOrder,
          });
          if (!half) {
            say(
              side === 'across' || panel.side !== 'both'
                ? 'no hair is left for this panel'
                : `no hair is left for it on the ${side}`,
            );
            return [];
          }
          return [{ ...half, side, differs, frameSide: side === 'right' ? 'mirror' : 'own' }];
        });
        if (sides.length === 0) continue;
        for (const { half, side } of sides) {
          outlines.push({
            panel: panel.id,
            side,
            outlines: half.sectioned.outlines.map((outline) => ownPoints(outline, side)),
          });
        }
        const lay = (): Laid => {
          const solved = solveSpacing(
            panel,
            sides.map(({ half }) => half),
            plan.foil,
          );
          const tooMany = rowsAreTooMany(panel, sides, solved.solvedDropoutMm);
          return {
            solved,
            tooMany,
            placed: tooMany
              ? null
              : foilsOfPanel({
                  panel,
                  sides,
                  solved,
                  hair: plan.hair,
                  stock: plan.foil,
                  edits: plan.edits,
                  seen,
                  notes,
                }),
          };
        };
        // A panel that no hand edit concerns is laid as it was before.
        const untouched = !plan.edits.some((edit) => panelOfEdit(edit) === panel.id);
        const { solved, tooMany, placed } = untouched
          ? laid.get(JSON.stringify([panel, sides.map(({ key }) => key), plan.hair, plan.foil]), lay)
          : lay();
        if (solved.problem) say(solved.problem);
        if (!placed) {
          say(tooMany!);
          continue;
        }
        if (placed.foils.length > MOST_FOILS_PER_PANEL) {
          say(
            `${placed.foils.length} foils are more than ${MOST_FOILS_PER_PANEL}: widen the drop-out or the section`,
          );
          continue;
        }
        if (placed.crossed && placed.crossed.share > CROSSED_SHARE) say(crossedWords(placed.crossed));
        if (placed.foils.length === 0)
          say('no section fits into it: make the place larger or the section thinner');
        computed.push(computedPanel(panel, sides, placed, solved));
      } catch (error) {
        if (!(error instanceof PlaceProblem)) throw error;
        say(error.message);
      }
    }
    plan.edits.forEach((edit, i) => {
      if (!seen.has(i))
        notes.push({
          edit: i,
          applied: false,
          note:
            edit.kind === 'add'
              ? `There is no panel ${edit.panel} on that side.`
              : `There is no foil ${edit.foil} any more.`,
        });
    });
    notes.sort((a, b) => a.edit - b.edit);
    const { sheet, paths, painted, dropouts } = buildSheet({
      plan,
      panels: computed,
      byZone: model.areas.byZone,
      problems,
      edits: notes,
    });
    return {
      sheet,
      drawing: { head: model.head, paths, painted, dropouts, outlines },
      zoneAreas: model.areas.byZone,
      grid: model.own.grid,
    };
  };

  const halfOf = ({
    panel,
    side,
    model,
    headKey,
    order,
    mirrorOrder,
  }: {
    readonly panel: Panel;
    readonly side: Side | 'across';
    readonly model: HeadModel;
    readonly headKey: string;
    readonly order: readonly Panel[];
    readonly mirrorOrder: readonly Panel[];
  }): (Pick<SideOfPanel, 'half' | 'claimedBy'> & { readonly key: string }) | undefined => {
    const inMirror = side === 'right';
    const frame = inMirror ? model.mirror : model.own;
    const own = inMirror ? mirrorPanel(panel) : panel;
    const frameSide = side === 'across' ? 'across' : 'left';
    const claims =
      panel.hair === 'left-out' ? [] : claimsBefore(own, frameSide, inMirror ? mirrorOrder : order, frame);
    // Where both sides of the head are alike, the mirror's geometry is the head's own.
    const key =
      (inMirror && !model.head.symmetric ? `mirror${headKey}` : headKey) +
      sectionedKey(own, frameSide, claims, frame);
    const sectioned = sections.get(key, () => sectionOff(own, frameSide, claims, frame));
    if (!sectioned) return undefined;
    // The distance to the part does not stand in the key of a panel that only its partings follow.
    const follows =
      own.direction.kind === 'part' || (own.direction.kind === 'pivot' && own.direction.toDeg === 'part');
    const partKey = follows ? `${frame.partOffsetMm}` : '';
    const whole = key + JSON.stringify(own.direction) + partKey;
    const partings = fields.get(whole, () =>
      panelField({ ...sectioned, frame: withPartOf(sectioned.frame, frame) }, own.direction),
    );
    return { key: whole, half: { sectioned, partings }, claimedBy: claims.map((claim) => claim.panel.id) };
  };
  return { compute };
}

/** What is remembered of a panel: how its spacing was solved, and its foils. */
interface Laid {
  readonly solved: SolvedSpacing;
  readonly tooMany: string | undefined;
  readonly placed: PanelFoils | null;
}

/** A frame with the part of another: a panel's own raster stays. */
const withPartOf = (frame: Frame, now: Frame): Frame =>
  frame.grid === now.grid ? now : onGrid(now, frame.grid);

function rasteredHead(spec: HeadSpec) {
  const grids = headGrids(makeHead(spec));
  return { grids, areas: scalpAreas(grids.own.grid) };
}

/** Sides that a panel works on. */
function sidesOf({ side }: Panel): readonly (Side | 'across')[] {
  return side === 'both' ? ['left', 'right'] : [side];
}

/**
 * What makes a panel impossible to compute, whatever the head: figures that are no figures, a pitch of
 * nothing.
 */
function whatIsWrong(panel: Panel): string | undefined {
  if (panel.hair === 'left-out' && panel.medium !== 'open-air')
    return 'only what is painted in the open air can work on hair that foils leave out';
  const bad = firstNotFinite(panel);
  if (bad) return `${bad} is not a number`;
  if (!(panel.thicknessMm > 0)) return 'a section must be thicker than 0 mm';
  const { spacing } = panel;
  const dropouts = spacing.kind === 'backwards' ? spacing.spacing : spacing;
  const given =
    dropouts.kind === 'constant'
      ? [dropouts.dropoutMm]
      : dropouts.kind === 'graded'
        ? dropouts.dropoutsMm
        : [];
  if (dropouts.kind === 'graded' && given.length === 0) return 'graded drop-outs need at least one value';
  for (const mm of given)
    if (!(pitchOf(panel.thicknessMm, mm) > 0))
      return 'the pitch (thickness + drop-out) must be more than 0 mm';
  if (spacing.kind === 'count' && spacing.foils > MOST_FOILS_PER_PANEL)
    return `${spacing.foils} foils are more than ${MOST_FOILS_PER_PANEL} in one panel`;
  if (panel.gather.kind === 'alternate' && panel.gather.of.length === 0)
    return 'gathers in turn need at least one gather';
  return undefined;
}

/** Which rows cross, where, and how much hair would lie in two foils. */
function crossedWords({ rows: [first, second], zone, share }: Crossed): string {
  return `rows ${first} and ${second} cross at the ${zoneName(zone).toLowerCase()}, and others behind them: ${shareWords(share)} of the hair would lie in two foils, so the later ones end there. Turn the partings less, or make the panel smaller`;
}

function firstNotFinite(value: unknown, where = ''): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : where;
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [name, inner] of Object.entries(value)) {
    const found = firstNotFinite(inner, where ? `${where}.${name}` : name);
    if (found) return found;
  }
  return undefined;
}

/** Rows are counted before they are traced: ten thousand are refused at once. */
function rowsAreTooMany(
  panel: Panel,
  sides: readonly SideOfPanel[],
  solvedDropoutMm: number | null,
): string | undefined {
  const { spacing } = panel;
  const least = solvedDropoutMm ?? leastDropoutOf(spacing.kind === 'backwards' ? spacing.spacing : spacing);
  let rows = 0;
  for (const { half } of sides) {
    if (half.partings.kind !== 'even') continue;
    const [first, last] = half.partings.field.extent;
    rows += Math.max(0, (last - first) / pitchOf(panel.thicknessMm, least));
  }
  return rows > MOST_FOILS_PER_PANEL * 1.5
    ? `about ${Math.round(rows)} foils are more than ${MOST_FOILS_PER_PANEL}: widen the drop-out or the section`
    : undefined;
}

function leastDropoutOf(spacing: Panel['spacing']): number {
  return spacing.kind === 'eased' ? Math.min(spacing.fromMm, spacing.toMm) : (nominalDropout(spacing) ?? 0);
}

function computedPanel(
  panel: Panel,
  sides: readonly SideOfPanel[],
  placed: PanelFoils,
  { solvedDropoutMm, note }: SolvedSpacing,
): ComputedPanel {
  const taken = new Map<string, number>();
  for (const { half, claimedBy } of sides) {
    half.sectioned.taken.forEach((area, i) => {
      if (area > 0) taken.set(claimedBy[i], (taken.get(claimedBy[i]) ?? 0) + area);
    });
  }
  return {
    panel,
    placed,
    drifts: driftsOf(placed.foils, panel),
    areaMm2: sides.reduce((sum, { half }) => sum + half.sectioned.areaMm2, 0),
    solvedDropoutMm,
    note: note ?? null,
    takenBy: [...taken].map(([id, area]) => ({ panel: id, areaCm2: area / 100 })),
  };
}

/** Points of the opened head as they lie on the client: the right side was computed in the mirror. */
function ownPoints(points: readonly OpenedPoint[], side: Side | 'across'): readonly OpenedPoint[] {
  return side === 'right' ? points.map(({ x, y }) => ({ x: -x, y })) : points;
}
