import { angleName, changePanel, gatherName, type Panel, type Plan } from '../pattern';
import type { Check, CheckInput, Mend } from './check';

const changed = (id: string, change: (panel: Panel) => Panel) => (plan: Plan) =>
  changePanel(plan, id, change);

const active = ({ plan }: CheckInput) => plan.panels.filter((panel) => !panel.muted);

/** Slices and fine weaves must be see-through; deep weaves and teased sections fail that test on purpose. */
export function thickChecks(input: CheckInput): Check[] {
  const { sliceMm, fineMm, babyMm } = input.limits;
  return active(input).flatMap((panel): Check[] => {
    if (panel.start.teasing > 0 || panel.medium === 'open-air') return [];
    const name = gatherName(panel.gather, panel.thicknessMm);
    const limit =
      name === 'slice'
        ? sliceMm
        : /baby light/.test(name)
          ? babyMm
          : name === 'fine weave'
            ? fineMm
            : undefined;
    if (limit === undefined || panel.thicknessMm <= limit) return [];
    return [
      {
        rule: 'thick',
        panel: panel.id,
        foils: [],
        seen: `${panel.name}: sections of ${panel.thicknessMm} mm are thicker than see-through for a ${name} (${limit} mm).`,
        why: 'A section you cannot see through does not lift evenly.',
        mend: {
          words: `Thickness ${panel.thicknessMm} → ${limit} mm`,
          apply: changed(panel.id, (current) => ({ ...current, thicknessMm: limit })),
        },
      },
    ];
  });
}

/** Never wider than the foil. */
export function wideChecks(input: CheckInput): Check[] {
  const { usableWidthMm, toleranceMm } = input.plan.foil;
  const limit = usableWidthMm + toleranceMm;
  return active(input).flatMap((panel): Check[] => {
    const wide = input.computed.sheet.foils.filter(
      (foil) => foil.panel === panel.id && foil.widthMm > limit + 0.5,
    );
    if (wide.length === 0) return [];
    const widest = Math.max(...wide.map(({ widthMm }) => widthMm));
    return [
      {
        rule: 'wide',
        panel: panel.id,
        foils: wide.map(({ id }) => id),
        seen: `${panel.name}: ${wide.length === 1 ? 'one section is' : `${wide.length} sections are`} wider than the foil (${Math.round(widest)} of ${limit} mm).`,
        why: 'Hair beside the foil gets no product, or it bleeds.',
        mend: panel.columns.onePerRow
          ? {
              words: 'Divide into columns',
              apply: changed(panel.id, (current) => ({
                ...current,
                columns: { ...current.columns, onePerRow: false },
              })),
            }
          : undefined,
      },
    ];
  });
}

/** Nothing should jump: neighbouring drop-outs ease from one to the other. */
export function jumpChecks(input: CheckInput): Check[] {
  return active(input).flatMap((panel): Check[] => {
    const { spacing } = panel;
    const plain = spacing.kind === 'backwards' ? spacing.spacing : spacing;
    // Gathers in turn are paired on purpose.
    if (plain.kind !== 'graded' || panel.gather.kind === 'alternate') return [];
    const series = plain.dropoutsMm;
    const at = series.findIndex(
      (mm, i) =>
        i > 0 &&
        Math.max(mm, series[i - 1]) > Math.max(1, Math.min(mm, series[i - 1])) * (input.limits.jump + 1),
    );
    if (at < 0) return [];
    const mend: Mend = {
      words: 'Ease the drop-outs',
      apply: changed(panel.id, (current) => {
        const eased = { kind: 'eased' as const, fromMm: series[0], toMm: series[series.length - 1] };
        return {
          ...current,
          spacing: current.spacing.kind === 'backwards' ? { ...current.spacing, spacing: eased } : eased,
        };
      }),
    };
    return [
      {
        rule: 'jump',
        panel: panel.id,
        foils: [],
        mend,
        seen: `${panel.name}: the drop-out jumps from ${series[at - 1]} to ${series[at]} mm.`,
        why: 'A jump shows as a line. Ease from one spacing to the next.',
      },
    ];
  });
}

/** The finest weave belongs at the hairline; a slice there shows its edge. */
export function sliceChecks(input: CheckInput): Check[] {
  return active(input).flatMap((panel): Check[] => {
    if (panel.gather.kind !== 'slice') return [];
    const there = input.computed.sheet.foils.filter(
      (foil) => foil.panel === panel.id && foil.gather === 'slice' && /hairline|temple/.test(foil.zone),
    );
    if (there.length === 0) return [];
    return [
      {
        rule: 'slice-on-hairline',
        panel: panel.id,
        foils: there.map(({ id }) => id),
        seen: `${panel.name}: ${there.length === 1 ? 'a slice lies' : `${there.length} slices lie`} on the hairline.`,
        why: 'A solid edge at the hairline grows out as a hard line. Some put it there on purpose, for a bold look.',
        mend: {
          words: 'Finest weave first',
          apply: changed(panel.id, (current) => ({
            ...current,
            gather: { kind: 'weave', stitchMm: 2, gapMm: 2, depth: 0.5, fromHairline: true },
          })),
        },
      },
    ];
  });
}

/** A parting nearer to horizontal than this lies flat, degrees. */
const FLAT_DEG = 8;

/** A diagonal that turns bit by bit until it lies flat loses its softness. Turning to the part is meant. */
export function driftChecks(input: CheckInput): Check[] {
  return active(input).flatMap((panel): Check[] => {
    const { direction } = panel;
    if (direction.kind !== 'pivot' || direction.toDeg === 'part' || Math.abs(direction.fromDeg) < FLAT_DEG)
      return [];
    const foils = input.computed.sheet.foils.filter(
      (foil) => foil.panel === panel.id && Math.abs(foil.driftDeg) > input.limits.driftDeg,
    );
    const flat = foils.filter(({ angleDeg }) => Math.abs(angleDeg) < FLAT_DEG);
    if (flat.length === 0) return [];
    const first = flat.reduce((a, b) => (b.row < a.row ? b : a));
    const { fromDeg } = direction;
    return [
      {
        rule: 'drift',
        panel: panel.id,
        foils: flat.map(({ id }) => id),
        seen: `${panel.name}: it turns from ${angleName(fromDeg)} by ${Math.round(Math.abs(first.driftDeg))}° and lies flat from row ${first.row} on.`,
        why: 'Once the diagonal is gone, the softness is too.',
        mend: {
          words: `Keep ${angleName(fromDeg)}`,
          apply: changed(panel.id, (its) => ({ ...its, direction: { kind: 'parallel', angleDeg: fromDeg } })),
        },
      },
    ];
  });
}

/**
 * Letters in turn are to lie beside each other: not all of one on one side of a crossed pattern, nor down one
 * column.
 */
export function alternationChecks(input: CheckInput): Check[] {
  return active(input).flatMap((panel) => [...crossedChecks(panel), ...columnChecks(panel, input)]);
}

/** In a crossed pattern every second foil lies on the same side. */
function crossedChecks(panel: Panel): Check[] {
  if (panel.direction.kind !== 'crossed' || panel.rotation?.sequence.length !== 2) return [];
  const [a, b] = panel.rotation.sequence;
  return [
    {
      rule: 'single-alternation',
      panel: panel.id,
      foils: [],
      seen: `${panel.name}: ${a} and ${b} alternate foil by foil in a crossed pattern.`,
      why: 'That puts all of one formula on one side. Work in pairs.',
      mend: {
        words: `${a} ${a} ${b} ${b}`,
        apply: changed(panel.id, (current) => ({
          ...current,
          rotation: current.rotation && { ...current.rotation, sequence: a + a + b + b },
        })),
      },
    },
  ];
}

/** Fewer foils than this make no column. */
const COLUMN_FOILS = 3;

/** Foil by foil over rows of as many columns as the turn is long, each column comes out all of one letter. */
function columnChecks(panel: Panel, { computed }: CheckInput): Check[] {
  if (!panel.rotation || panel.rotation.by === 'row') return [];
  const columns = new Map<string, (typeof computed.sheet.foils)[number][]>();
  for (const foil of computed.sheet.foils) {
    if (foil.panel !== panel.id) continue;
    const key = `${foil.side} ${foil.column}`;
    columns.set(key, [...(columns.get(key) ?? []), foil]);
  }
  const sides = new Set([...columns.keys()].map((key) => key.split(' ')[0]));
  // A single column of a side holds all letters anyway.
  if (columns.size <= sides.size) return [];
  const plain = [...columns.values()].filter(
    (foils) => foils.length >= COLUMN_FOILS && foils.every(({ formula }) => formula === foils[0].formula),
  );
  if (plain.length < 2) return [];
  return [
    {
      rule: 'single-alternation',
      panel: panel.id,
      foils: plain.flat().map(({ id }) => id),
      seen: `${panel.name}: ${plain.length} columns come out all in one letter.`,
      why: 'The turn is as long as a row is wide, so it makes stripes down the head instead of a blend.',
      mend: {
        words: 'Take turns row by row',
        apply: changed(panel.id, (current) => ({
          ...current,
          rotation: current.rotation && { ...current.rotation, by: 'row' },
        })),
      },
    },
  ];
}

/** Foils take longer than was agreed. */
export function timeChecks({ computed, limits }: CheckInput): Check[] {
  const { foilingMinutes } = computed.sheet.totals;
  if (limits.minutes === null || foilingMinutes <= limits.minutes) return [];
  return [
    {
      rule: 'over-time',
      foils: [],
      seen: `The foils take about ${Math.round(foilingMinutes)} min; there are ${limits.minutes} min.`,
      why: 'The first foils would stay on longer than the maker allows, or the visit runs over.',
    },
  ];
}
