import { AVERAGE_HEAD, EMPTY_CONSULT, startPlan, type Consult, type Outcome } from '../../core/formats';
import { zonesOf, type HairlineShape, type Zone, type ZoneFamily } from '../../core/head';
import type { Gather, Panel, Plan } from '../../core/pattern';

export interface DemoVisit {
  /** Weeks before today; 0 is today, a visit that is still to be done. */
  readonly weeksAgo: number;
  /** Whose chair: index into the salon's people. */
  readonly person: number;
  readonly consult: Consult;
  readonly plan: Plan;
  readonly outcome?: Omit<Outcome, 'version' | 'nextOn' | 'foilsPlaced'> & { readonly nextInWeeks: number | null };
}

export interface DemoClient {
  readonly salon: number;
  readonly name: string;
  readonly phone: string;
  readonly note: string;
  readonly visits: readonly DemoVisit[];
}

/** Regrowth in mm by family of zones, both sides. */
function regrowth(mm: Partial<Record<ZoneFamily, number>>): Consult['regrowthMm'] {
  const out: Partial<Record<Zone, number>> = {};
  for (const [family, value] of Object.entries(mm)) for (const zone of zonesOf(family as ZoneFamily)) out[zone] = value;
  return out;
}

const everywhere = (mm: number): Consult['regrowthMm'] =>
  regrowth({
    'front-hairline': mm, temple: mm, 'ear-hairline': mm, 'nape-hairline': mm, front: mm, top: mm, crown: mm,
    'upper-side': mm, 'lower-side': mm, 'upper-back': mm, occipital: mm, nape: mm,
  });

interface Recipe {
  readonly gather: Gather;
  readonly thicknessMm: number;
  readonly dropoutMm: number;
  readonly formula?: string;
}

const FINE: Gather = { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 };
const BABY: Gather = { kind: 'weave', stitchMm: 1.5, gapMm: 2, depth: 0.5 };
const CHUNKY: Gather = { kind: 'weave', stitchMm: 8, gapMm: 8, depth: 0.5 };
const SLICE: Gather = { kind: 'slice' };

function plan(name: string, consult: Consult, back: Recipe, sides: Recipe = back): Plan {
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

function consult(fields: Partial<Consult> & { partMm?: number }): Consult {
  const { partMm, ...rest } = fields;
  const made = { ...EMPTY_CONSULT, ...rest };
  return partMm === undefined ? made : { ...made, head: { ...made.head, part: { ...made.head.part, offsetMm: partMm } } };
}

function head(circumferenceMm: number, partMm: number, left: HairlineShape = 'round', right = left): Consult['head'] {
  return { ...AVERAGE_HEAD, circumferenceMm, hairline: { left, right }, part: { ...AVERAGE_HEAD.part, offsetMm: partMm } };
}

const maren = consult({
  naturalLevel: 6, goalLevel: 9, brightness: 4, partMm: 22,
  head: head(555, 22),
  hair: { densityPerCm2: 165, strand: 'medium', lengthMm: 380, byZone: {} },
});
const ines = consult({
  naturalLevel: 3, goalLevel: 6.5, brightness: 2,
  head: head(562, 0, 'straight', 'straight'),
  hair: { densityPerCm2: 190, strand: 'coarse', lengthMm: 520, byZone: {} },
});
const delphine = consult({
  naturalLevel: 5, goalLevel: 8, brightness: 3,
  head: head(572, -15),
  hair: { densityPerCm2: 210, strand: 'coarse', lengthMm: 300, byZone: {} },
});
const perpetua = consult({
  naturalLevel: 7, goalLevel: 9, brightness: 3,
  head: head(548, 10, 'receding', 'round'),
  hair: { densityPerCm2: 130, strand: 'fine', lengthMm: 160, byZone: {} },
});
const rosamund = consult({
  naturalLevel: 8, goalLevel: 10, brightness: 5,
  head: head(540, 0),
  hair: { densityPerCm2: 175, strand: 'fine', lengthMm: 250, byZone: {} },
});

const weave = (dropoutMm: number): Recipe => ({ gather: FINE, thicknessMm: 4, dropoutMm });
const baby = (dropoutMm: number): Recipe => ({ gather: BABY, thicknessMm: 3, dropoutMm });

export const DEMO_CLIENTS: readonly DemoClient[] = [
  {
    salon: 0, name: 'Maren Tolland', phone: '0700 900 114', note: 'Ties it up on most working days. Alert test done.',
    visits: [
      {
        weeksAgo: 30, person: 0, consult: maren, plan: plan('Fine weave, first visit', maren, weave(8)),
        outcome: { done: 'Fine weaves all over, wide underneath. Toned pale gold.', levelReached: 8, nextInWeeks: 11 },
      },
      {
        weeksAgo: 19, person: 0, consult: { ...maren, regrowthMm: everywhere(31) }, plan: plan('Fine weave, brighter', maren, weave(6)),
        outcome: { done: 'Same sections, closer at the back. Sides lifted well.', levelReached: 8.5, nextInWeeks: 10 },
      },
      {
        weeksAgo: 9, person: 1, consult: { ...maren, regrowthMm: everywhere(28) },
        plan: plan('Fine weave, brighter sides', maren, weave(6), weave(5)),
        outcome: { done: 'Back as before, sides at 5 mm. Left temple a little slow, five minutes longer.', levelReached: 9, nextInWeeks: 9 },
      },
      {
        weeksAgo: 0, person: 0,
        consult: {
          ...maren,
          regrowthMm: regrowth({ 'front-hairline': 25, temple: 24, 'ear-hairline': 26, 'nape-hairline': 27, front: 26, top: 26, crown: 27, 'upper-side': 26, 'lower-side': 26, 'upper-back': 27, occipital: 27, nape: 27 }),
          notes: 'Wants the sides kept bright; has two hours.',
        },
        plan: plan('Fine weave, brighter sides', maren, weave(6), weave(5)),
      },
    ],
  },
  {
    salon: 0, name: 'Ines Harrow', phone: '0700 900 127', note: 'Very dark, grows fast. Low contrast, no brass.',
    visits: [
      {
        weeksAgo: 14, person: 1, consult: ines, plan: plan('Chunky ribbons, sparse', ines, { gather: CHUNKY, thicknessMm: 8, dropoutMm: 16 }),
        outcome: { done: 'Wide ribbons, started 30 mm off the scalp. Stopped at 6, warm as wished.', levelReached: 6, nextInWeeks: 16 },
      },
    ],
  },
  {
    salon: 0, name: 'Delphine Oduro', phone: '0700 900 139', note: 'Curly, shrinks by a third when dry.',
    visits: [
      {
        weeksAgo: 24, person: 0, consult: delphine, plan: plan('Deep ribbons', delphine, { gather: { ...CHUNKY, depth: 1 }, thicknessMm: 9, dropoutMm: 14 }),
        outcome: { done: 'Ribbons through the section, ends saturated twice.', levelReached: 7, nextInWeeks: 16 },
      },
      {
        weeksAgo: 7, person: 0, consult: { ...delphine, regrowthMm: everywhere(46) },
        plan: plan('Deep ribbons, closer', delphine, { gather: { ...CHUNKY, depth: 1 }, thicknessMm: 9, dropoutMm: 11 }),
        outcome: { done: 'Closer at the sides. Reached a clean 8 at the front.', levelReached: 8, nextInWeeks: 17 },
      },
    ],
  },
  {
    salon: 0, name: 'Perpetua Lindgren', phone: '', note: 'Silver at the temples, likes it soft. Left hairline recedes.',
    visits: [
      {
        weeksAgo: 6, person: 0, consult: perpetua, plan: plan('Grey blend, fine', perpetua, weave(9), baby(6)),
        outcome: { done: 'Fine weaves behind, baby lights at the sides to blend the silver.', levelReached: 9, nextInWeeks: 8 },
      },
    ],
  },
  {
    salon: 0, name: 'Rosamund Ackerley', phone: '0700 900 152', note: 'Baby lights only. Sensitive scalp: never to the skin.',
    visits: [
      {
        weeksAgo: 13, person: 1, consult: rosamund, plan: plan('Baby lights, full head', rosamund, baby(5)),
        outcome: { done: 'Baby lights throughout, 10 vol at the hairline.', levelReached: 10, nextInWeeks: 6 },
      },
      {
        weeksAgo: 7, person: 1, consult: { ...rosamund, regrowthMm: everywhere(17) }, plan: plan('Baby lights, full head', rosamund, baby(5)),
        outcome: { done: 'Repeated exactly; started 2 mm off the scalp.', levelReached: 10, nextInWeeks: 6 },
      },
    ],
  },
  { salon: 0, name: 'Tamsin Whitlow', phone: '0700 900 168', note: 'New. Pointed hairline, wants to see less grey on top.', visits: [] },
  {
    salon: 1, name: 'Quenby Sallow', phone: '0700 900 201', note: 'Slices, high contrast.',
    visits: [
      {
        weeksAgo: 8, person: 0, consult: consult({ naturalLevel: 4, goalLevel: 8, brightness: 3 }),
        plan: plan('Slices, high contrast', EMPTY_CONSULT, { gather: SLICE, thicknessMm: 3, dropoutMm: 12 }),
        outcome: { done: 'Slices a finger apart.', levelReached: 7.5, nextInWeeks: 8 },
      },
    ],
  },
];
