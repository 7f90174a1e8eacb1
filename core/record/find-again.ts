import { fromOpened, sagittalPoint, surfaceDistance, type Head, type Vec3 } from '../head';
import {
  directionName,
  pathPoints,
  recipeLine,
  type ComputedPlan,
  type Foil,
  type Panel,
  type Plan,
} from '../pattern';
import { bareLength, formatLength, type LengthUnit } from '../units';
import { groupsOf, groupWords, reachWords, type WorkUnit } from '../work';

/** One side of a panel: where its first parting runs, measured, and what follows. */
interface SideGuide {
  readonly side: Foil['side'];
  readonly foils: number;
  readonly first: {
    readonly foil: string;
    readonly angleDeg: number;
    /** Both ends of the first parting and its middle, as one measures them with a comb. */
    readonly from: string;
    readonly middle: string;
    readonly to: string;
  };
}

/** What finds a panel again on the same head. */
export interface PanelGuide {
  readonly panel: string;
  /** Place in the order of work, from 1. */
  readonly place: number;
  readonly name: string;
  readonly recipe: string;
  readonly direction: string;
  readonly sides: readonly SideGuide[];
  readonly foils: number;
  /** Every foil in the order of work. */
  readonly list: readonly {
    readonly number: number;
    readonly side: Foil['side'];
    readonly letter: string;
    readonly widthMm: number;
  }[];
  /** What else is painted in it: `12 tip-outs A, the tips, from 200 mm`; null where nothing is. */
  readonly between: string | null;
  /** Formulas in the order of work: `all A`, `A A A B in turn`, `3 A, 1 B, 2 A`. */
  readonly sequence: string;
  /** Centre of a wheel, measured; null where there is none. */
  readonly wheel: string | null;
  readonly start: string;
}

const DEG = 180 / Math.PI;
/** Nearer than this to the middle line is said to lie on it, mm. */
const ON_THE_MIDDLE = 4;

/**
 * How each panel is found again: its first parting from the hairline, foils, turn of formulas, wheel centre,
 * start.
 * Lengths run over the skin: from the hairline straight up to the top of the head, and across from the middle
 * line.
 */
export function findAgain(
  plan: Plan,
  { sheet, drawing }: Pick<ComputedPlan, 'sheet' | 'drawing'>,
  { units }: { readonly units: readonly WorkUnit[] },
  unit: LengthUnit = 'mm',
): PanelGuide[] {
  const say = (mm: number) => formatLength(Math.round(mm), unit);
  const paths = new Map([...drawing.paths, ...drawing.painted].map((path) => [path.id, path]));
  return plan.panels
    .filter(({ muted }) => !muted)
    .flatMap((panel, i): PanelGuide[] => {
      const own = [...sheet.foils]
        .sort((a, b) => a.order - b.order)
        .filter((foil) => foil.panel === panel.id);
      const work = units.filter((one) => one.panel === panel.id);
      const foils = work.filter(({ kind }) => kind === 'foil');
      if (own.length === 0) return [];
      const sides = [...new Set(own.map(({ side }) => side))].flatMap((side): SideGuide[] => {
        const ofSide = own.filter((foil) => foil.side === side);
        // The panel's first parting, with the foil nearest the middle.
        const first = ofSide.reduce((best, foil) =>
          foil.row < best.row || (foil.row === best.row && Math.abs(foil.column) < Math.abs(best.column))
            ? foil
            : best,
        );
        const points = paths.get(first.id) && pathPoints(paths.get(first.id)!);
        if (!points || points.length === 0) return [];
        const end = (at: number) => placeWords(drawing.head, fromOpened(drawing.head, points.at(at)!), say);
        return [
          {
            side,
            foils: ofSide.length,
            first: {
              foil: first.id,
              angleDeg: Math.round(first.angleDeg),
              from: end(0),
              middle: end(points.length >> 1),
              to: end(-1),
            },
          },
        ];
      });
      return [
        {
          panel: panel.id,
          place: i + 1,
          name: panel.name,
          recipe: recipeLine(panel, unit),
          direction: directionName(panel.direction),
          sides,
          foils: own.length,
          list: foils.map(({ number, side, letter, widthMm }) => ({ number, side, letter, widthMm })),
          between: betweenWords(work.filter(({ kind }) => kind !== 'foil')),
          sequence: sequenceWords(foils.map(({ letter }) => letter)),
          wheel: wheelWords(plan, panel, say),
          start: startWords(panel, say),
        },
      ];
    });
}

/** A place as it is measured: how far from the hairline, where along it, how far from the middle line. */
function placeWords(head: Head, point: Vec3, say: (mm: number) => string): string {
  const { azimuth, arc, hairArc } = head.locate(point);
  const across = fromMiddle(head, point);
  const where = alongWords(Math.abs(azimuth) * DEG);
  const up = hairArc - arc;
  const middle =
    across < ON_THE_MIDDLE * head.k ? 'on the middle line' : `${say(across)} from the middle line`;
  return up < 2 ? `on the hairline ${where}, ${middle}` : `${say(up)} from the hairline ${where}, ${middle}`;
}

/** Shortest way over the skin to the middle line, mm. */
function fromMiddle(head: Head, point: Vec3): number {
  let shortest = Infinity;
  for (let degrees = -130; degrees <= 130; degrees += 1)
    shortest = Math.min(shortest, surfaceDistance(point, sagittalPoint(head, 0, degrees / DEG), head.skull));
  return shortest;
}

function alongWords(azimuthDeg: number): string {
  if (azimuthDeg <= 42) return 'at the forehead';
  if (azimuthDeg <= 80) return 'at the temple';
  if (azimuthDeg <= 105) return 'over the ear';
  if (azimuthDeg <= 142) return 'behind the ear';
  return 'at the nape';
}

/** Formulas in the order of work, short: a turn that repeats is said once. */
export function sequenceWords(letters: readonly string[]): string {
  if (letters.every((letter) => letter === letters[0])) return `all ${letters[0]}`;
  for (let length = 2; length <= Math.min(12, Math.floor(letters.length / 2)); length += 1) {
    if (letters.every((letter, i) => letter === letters[i % length]))
      return `${letters.slice(0, length).join(' ')} in turn`;
  }
  const runs: { letter: string; count: number }[] = [];
  for (const letter of letters) {
    const last = runs.at(-1);
    if (last?.letter === letter) last.count += 1;
    else runs.push({ letter, count: 1 });
  }
  return runs.map(({ letter, count }) => `${count} ${letter}`).join(', ');
}

function wheelWords(plan: Plan, { place, direction }: Panel, say: (mm: number) => string): string | null {
  const wheel = place.kind === 'wheel' || (direction.kind === 'radial' && direction.about === 'crown');
  if (!wheel) return null;
  const { behindApexMm, leftMm } = plan.head.crown;
  const aside =
    leftMm === 0 ? 'on the middle line' : `${say(Math.abs(leftMm))} to the ${leftMm > 0 ? 'left' : 'right'}`;
  return `centre at the crown, ${say(behindApexMm)} behind the top of the head, ${aside}`;
}

function startWords(
  { start: { distanceMm, featherMm, teasing } }: Panel,
  say: (mm: number) => string,
): string {
  return [
    distanceMm === 0 ? 'from the scalp' : `${say(distanceMm)} from the scalp`,
    featherMm > 0 && `feathered over ${say(featherMm)}`,
    teasing > 0 && `teased, ${teasing} ${teasing === 1 ? 'push' : 'pushes'}`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** What is painted beside the foils, and how far. */
function betweenWords(units: readonly WorkUnit[]): string | null {
  if (units.length === 0) return null;
  return groupsOf(units)
    .map((group) => {
      const [one] = units.filter(({ letter, kind }) => letter === group.letter && kind === group.kind);
      return `${groupWords([group])}, ${reachWords(one)}`;
    })
    .join('; ');
}

/** The foils of a panel in one line: number, formula where it turns, width: `1 A 82, 2 B 84 mm`. */
export function listWords({ list, sequence }: PanelGuide, unit: LengthUnit): string {
  const alike = sequence.startsWith('all ');
  return `${list.map(({ number, letter, widthMm }) => `${number}${alike ? '' : ` ${letter}`} ${bareLength(Math.round(widthMm), unit)}`).join(', ')} ${unit === 'in' ? '' : unit}`.trimEnd();
}
