import type { AppointmentKind } from '../../core/diary';
import { AVERAGE_HEAD, EMPTY_CONSULT, EMPTY_MIX, startPlan } from '../../core/formats';
import { zonesOf, type HairlineShape, type Zone, type ZoneFamily } from '../../core/head';
import type { Gather, Panel, Plan } from '../../core/pattern';
import { Shelf, USUAL_RANGE } from '../../core/products';
import { planOf, techniqueOf } from '../../core/technique';
import { entriesOf } from '../../core/units';
import {
  usualFormula,
  withProducts,
  type ConsentKind,
  type Consult,
  type HairTest,
  type LiftFormula,
  type Outcome,
  type TestDocument,
  type VisitMix,
} from '../../core/visit';

interface Booked {
  /** HH:MM */
  readonly at: string;
  readonly minutes: number;
  readonly kind: AppointmentKind;
}

export interface DemoVisit {
  /** Weeks before today; 0 is today, a visit that is still to be done. */
  readonly weeksAgo: number;
  /** Whose chair: index into the salon's people. */
  readonly person: number;
  readonly consult: Consult;
  readonly plan: Plan;
  readonly mix?: VisitMix;
  /** When it was booked for, on its day. */
  readonly booked?: Booked;
  readonly outcome?: Pick<Outcome, 'done' | 'levelReached'> &
    Partial<Pick<Outcome, 'said' | 'inspection' | 'corrections' | 'nextWhat'>> & {
      readonly nextInWeeks: number | null;
      /** Where a zone came out at another level than the rest. */
      readonly zoneLevels?: Partial<Record<Zone, number>>;
    };
}

export interface DemoClient {
  readonly salon: number;
  readonly name: string;
  readonly phone: string;
  readonly note: string;
  /** Years before today that they were born; no birthday where it is not known. */
  readonly age?: number;
  readonly tests?: readonly (Pick<HairTest, 'kind' | 'result'> & {
    readonly weeksAgo: number;
    readonly document?: Partial<TestDocument>;
  })[];
  /** Kinds of consent, signed by typing the name, at the first visit. */
  readonly consents?: readonly ConsentKind[];
  readonly visits: readonly DemoVisit[];
  /** Appointments without a visit yet, so many days from today, at somebody's chair. */
  readonly coming?: readonly (Booked & { readonly inDays: number; readonly person: number })[];
}

/** Regrowth in mm by family of zones, both sides. */
export function regrowth(mm: Partial<Record<ZoneFamily, number>>): Consult['regrowthMm'] {
  const out: Partial<Record<Zone, number>> = {};
  for (const [family, value] of entriesOf(mm)) for (const zone of zonesOf(family)) out[zone] = value;
  return out;
}

export const everywhere = (mm: number): Consult['regrowthMm'] =>
  regrowth({
    'front-hairline': mm,
    temple: mm,
    'ear-hairline': mm,
    'nape-hairline': mm,
    front: mm,
    top: mm,
    crown: mm,
    'upper-side': mm,
    'lower-side': mm,
    'upper-back': mm,
    occipital: mm,
    nape: mm,
  });

/**
 * The same regrowth everywhere, and no longer than the hair is: where it is new, all of it has grown since.
 */
export function grownOn(current: Consult, mm: number): Consult {
  const lengthIn = (zone: Zone) => current.hair.byZone[zone]?.lengthMm ?? current.hair.lengthMm;
  return {
    ...current,
    regrowthMm: Object.fromEntries(
      entriesOf(everywhere(mm)).map(([zone, grown]) => [zone, Math.min(grown, lengthIn(zone))]),
    ),
  };
}

export interface Recipe {
  readonly gather: Gather;
  readonly thicknessMm: number;
  readonly dropoutMm: number;
  readonly formula?: string;
}

const FINE: Gather = { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 };
const BABY: Gather = { kind: 'weave', stitchMm: 1.5, gapMm: 2, depth: 0.5 };
export const CHUNKY = { kind: 'weave', stitchMm: 8, gapMm: 8, depth: 0.5 } as const satisfies Gather;
export const SLICE: Gather = { kind: 'slice' };

export function plan(name: string, consult: Consult, back: Recipe, sides: Recipe = back): Plan {
  const start = startPlan();
  const with_ = (panel: Panel, recipe: Recipe): Panel => ({
    ...panel,
    gather: recipe.gather,
    thicknessMm: recipe.thicknessMm,
    spacing: { kind: 'constant', dropoutMm: recipe.dropoutMm },
    formula: recipe.formula ?? 'A',
  });
  return {
    ...start,
    name,
    head: consult.head,
    hair: consult.hair,
    panels: start.panels.map((panel) => with_(panel, panel.id === 'back' ? back : sides)),
  };
}

export function consult(fields: Partial<Consult> & { partMm?: number }): Consult {
  const { partMm, ...rest } = fields;
  const made = { ...EMPTY_CONSULT, ...rest };
  return partMm === undefined
    ? made
    : { ...made, head: { ...made.head, part: { ...made.head.part, offsetMm: partMm } } };
}

export function head(
  circumferenceMm: number,
  partMm: number,
  left: HairlineShape = 'round',
  right = left,
): Consult['head'] {
  return {
    ...AVERAGE_HEAD,
    circumferenceMm,
    hairline: { left, right },
    part: { ...AVERAGE_HEAD.part, offsetMm: partMm },
  };
}

export const weave = (dropoutMm: number): Recipe => ({ gather: FINE, thicknessMm: 4, dropoutMm });
export const baby = (dropoutMm: number): Recipe => ({ gather: BABY, thicknessMm: 3, dropoutMm });

/** A technique of the library, laid on this head. */
export function laid(key: string, consulted: Consult, name?: string): Plan {
  const technique = techniqueOf(key)!;
  return {
    ...planOf(technique, { head: consulted.head, hair: consulted.hair }),
    name: name ?? technique.name,
  };
}

/** The hair map of some families of zones, both sides. */
export function seen(parts: Partial<Record<ZoneFamily, Consult['map'][Zone]>>): Consult['map'] {
  const out: Consult['map'] = {};
  for (const [family, entry] of entriesOf(parts)) for (const zone of zonesOf(family)) out[zone] = entry;
  return out;
}

/** Asked and looked at, and nothing found. */
export const WELL: Consult['health'] = {
  allergy: 'none',
  dyes: 'none',
  scalp: 'sound',
  strandFeel: 'sound',
  noted: [],
};

/** The usual formula with what differs. */
export const lift = (part: Partial<LiftFormula> = {}): LiftFormula => ({
  ...usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!,
  ...part,
});

/** What was mixed, with the products of the usual range. */
export const mix = (part: Partial<VisitMix>): VisitMix =>
  withProducts({ ...EMPTY_MIX, ...part }, USUAL_RANGE);
