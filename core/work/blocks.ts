import { OLD_BOWL_MINUTES, recipeOf, type Recipe } from '../bowl';
import { wetPartOf, type Block, type BlockFoil, type Strength } from '../clock';
import { onThisHead, readyAfter, USUAL_WARM_CELSIUS, warmthFactor } from '../lift';
import type { Plan } from '../pattern';
import type { Shelf } from '../products';
import type { VisitClock } from '../visit';
import { PAINTED_AGAIN_MINUTES } from './bowls';
import { isExpected, type LiftRow } from './lift';
import type { WorkList } from './list';
import { mostVolumes, strengthsFor, type Careful } from './strengths';
import type { WorkUnit } from './unit';

/** A block of the clock with the units that it stands for. */
export interface WorkBlock extends Block {
  readonly units: readonly WorkUnit[];
  /** False where a target is not expected within the maker's time: such a unit is then ready at its limit. */
  readonly expected: boolean;
}

/** What of the clock may be tried otherwise. */
export type ClockChoices = Partial<Pick<VisitClock, 'pace' | 'heat' | 'strengths'>>;

export interface BlockFacts {
  readonly plan: Plan;
  readonly work: WorkList;
  readonly shelf: Shelf;
  readonly careful: Careful;
}

/** Units of hair that is painted in a pass of its own, once the foils are in. */
const AFTERWARDS = '~painted';

/**
 * The work as blocks for the clock, one for each panel in the order of the hand: each unit with its own
 * mixes, when it is ready
 * and its limit. What is painted between foils in a pass of its own is a block that comes after them and is
 * rinsed with its panel.
 */
export function blocksOf(
  facts: BlockFacts,
  { pace = 100, heat = false, strengths = false }: ClockChoices = {},
): WorkBlock[] {
  const { work, plan } = facts;
  const runs: { panel: string; name: string; units: WorkUnit[] }[] = [];
  for (const unit of work.units) {
    const last = runs.at(-1);
    if (last?.panel === unit.panel) last.units.push(unit);
    else runs.push({ panel: unit.panel, name: unit.panelName, units: [unit] });
  }
  const rows = heat ? work.lift.map((row) => ({ ...row, ready: warmed(row, work) })) : work.lift;
  const seen = new Set<string>();
  const first = runs.map(({ panel }) => !seen.has(panel) && seen.add(panel) !== undefined);
  const laid = runs.filter((_, i) => first[i]).map(({ panel }) => panel);
  return runs.map(({ panel, name, units }, i): WorkBlock => {
    const foils = units.map((unit) => foilOf(unit, rows, heat, pace));
    const afterwards = !first[i];
    const together = runs.some((run, j) => run.panel === panel && j !== i) ? panel : undefined;
    const { distanceMm } = plan.panels.find(({ id }) => id === panel)!.start;
    return {
      id: afterwards ? `${panel}${AFTERWARDS}` : panel,
      panel,
      name: afterwards ? `${name}, painted` : name,
      units,
      foils,
      expected: units.every((unit) => unit.liftRows.every((at) => isExpected(rows[at]))),
      ...(together !== undefined && { together }),
      ...(afterwards && { after: laid }),
      ...(strengths && { others: othersOf(units, foils, distanceMm, facts) }),
    };
  });
}

/** Minutes until a row's hair is ready with its mix changed; null where the target is not expected. */
function readyWith(
  { from, target, lift }: LiftRow,
  change: Partial<LiftRow['lift']>,
  { head }: Pick<WorkList, 'head'>,
): number | null {
  return readyAfter(from, target, onThisHead({ ...lift, ...change }, head.factor));
}

function warmed(row: LiftRow, work: WorkList): LiftRow['ready'] {
  const warmth = { factor: warmthFactor(USUAL_WARM_CELSIUS), fromMinutes: 0 };
  const minutes = row.ready === null ? null : readyWith(row, { warmth }, work);
  return minutes === null ? null : { ...row.ready!, minutes };
}

function foilOf(unit: WorkUnit, rows: readonly LiftRow[], heat: boolean, pace: number): BlockFoil {
  const own = unit.liftRows.map((at) => rows[at]);
  // Rows count from the first closing on, a foil's times from its last.
  const before = unit.again?.afterMinutes ?? 0;
  const readyMinutes =
    heat && own.length > 0
      ? Math.min(
          unit.limitMinutes,
          Math.max(0, ...own.map(({ ready, limitMinutes }) => (ready?.minutes ?? limitMinutes) - before)),
        )
      : unit.ready.minutes;
  return {
    seconds: (unit.seconds * pace) / 100,
    mixes: unit.mixes,
    ...(unit.fromOld && { oldBowlMinutes: OLD_BOWL_MINUTES }),
    ...(unit.again && {
      again: {
        afterMinutes: before,
        minutes: PAINTED_AGAIN_MINUTES,
        mixes: [unit.again.mix],
        limitMinutes: unit.limitMinutes,
      },
    }),
    readyMinutes,
    limitMinutes: unit.limitMinutes,
    expected: own.every(isExpected),
    part: wetPartOf(unit.zone),
  };
}

/**
 * Other strengths that the house can mix for a block: those that get there in time, within what cautions
 * allow. Only where all of it takes one lightener.
 */
function othersOf(
  units: readonly WorkUnit[],
  foils: readonly BlockFoil[],
  startMm: number,
  { work, shelf, careful }: BlockFacts,
): Strength[] {
  const [letter, ...more] = new Set(units.map((unit) => unit.letter));
  const formula = work.letters.find((formulaRow) => formulaRow.letter === letter)?.formula;
  if (more.length > 0 || formula?.kind !== 'lift' || formula.second) return [];
  const own = units[0].mixes[0];
  const rows = [...new Set(units.flatMap(({ liftRows }) => liftRows))];
  const most = mostVolumes(
    units.map(({ zone }) => zone),
    startMm,
    careful,
  );
  const all = strengthsFor(formula, shelf);
  return all.flatMap((volumes): Strength[] => {
    const read =
      volumes === formula.volumes || volumes > most ? null : recipeOf({ ...formula, volumes }, shelf);
    if (!read?.ok) return [];
    const ready = new Map(rows.map((at) => [at, rowWith(work.lift[at], read.recipe, work)]));
    if ([...ready].some(([at, minutes]) => minutes === null || minutes > work.lift[at].limitMinutes))
      return [];
    const mix = strengthName(letter, volumes);
    return [
      {
        mix,
        volumes,
        steps: all.filter((value) => value > formula.volumes && value <= volumes).length,
        foils: units.map(({ liftRows }, i) => ({
          ...foils[i],
          mixes: foils[i].mixes.map((name) => (name === own ? mix : name)),
          readyMinutes: Math.max(0, ...liftRows.map((at) => ready.get(at)!)),
        })),
      },
    ];
  });
}

const rowWith = (row: LiftRow, recipe: Recipe, work: WorkList) =>
  readyWith(row, { volumes: row.stretch === 'ends' ? row.lift.volumes : recipe.volumes }, work);

/**
 * Name of a mix of another strength than the letter's own: a name to tell bowls apart by, never read back.
 */
const strengthName = (letter: string, volumes: number): string => `${letter} ${volumes} vol`;
