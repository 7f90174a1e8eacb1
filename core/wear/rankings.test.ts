import { emptyPlan, panelOf, type PanelInput } from '../formats';
import { createPatternEngine, type Gather, type Plan } from '../pattern';
import { planOf, techniqueOf } from '../technique';
import {
  FACE_DEG,
  hairlineLight,
  hairRoots,
  layHair,
  LineReader,
  lightOn,
  lookOf,
  placeOf,
  rootLinesOf,
  subjectOf,
  unlitWithin,
  wayKey,
  type Look,
  type Way,
  type WornHair,
} from '.';
import { partLightOf, partSteps, partStrip, partTolerance } from './part-tolerance';

/**
 * What must come out in this order, with the margins asked for. The first part was known when the measures
 * were chosen;
 * the cases under "written down before they were run" were not, and none of their figures was tuned
 * afterwards.
 */
const engine = createPatternEngine();
const round = emptyPlan('Round').head;
const pointed = { ...round, hairline: { left: 'pointed', right: 'pointed' } } as const;
const DOWN: Way = { kind: 'down', partMm: 0 };
const TIED: Way = { kind: 'tied', at: 'middle' };
const RATE = 2.875;

const rooted = { round: hairRoots(round), pointed: hairRoots(pointed) };
const laid = new Map<string, WornHair>();
const hairOf = (plan: Plan, way: Way): WornHair => {
  const key = `${JSON.stringify(plan.head.hairline)} ${wayKey(way)}`;
  const wornHair =
    laid.get(key) ??
    layHair(plan.head.hairline.left === 'pointed' ? rooted.pointed : rooted.round, plan.hair, way);
  laid.set(key, wornHair);
  return wornHair;
};
const look = (plan: Plan, way: Way): Look => {
  const hair = hairOf(plan, way);
  const computed = engine.compute(plan);
  return lookOf(hair, lightOn(hair, plan, computed), computed);
};
const reader = new LineReader(engine);
const lineWeeks = (plan: Plan) =>
  Math.min(
    104,
    ...rootLinesOf(reader.lines(subjectOf(plan), engine.compute(plan))).map(({ growMm }) => growMm / RATE),
  );
/** How far the part may move, mm, plan by plan: the hair is laid once for all of them. */
const tolerances = (plans: readonly Plan[]) => {
  const lights = plans.map((own) => lightOn(rooted.round, own, engine.compute(own)));
  const strips = partSteps().map((byMm) => partStrip(rooted.round, plans[0].hair, 0, byMm));
  return lights.map((light) => partTolerance(strips.map((strip) => partLightOf(strip, light))).mm);
};

type Input = Omit<PanelInput, 'id' | 'name'> & { id?: string };
const plan = (
  panels: readonly Input[],
  sectioning: readonly string[] = [],
  head: Plan['head'] = round,
): Plan => ({
  ...emptyPlan('Case'),
  head,
  sectioning,
  panels: panels.map((panel, i) =>
    panelOf({ name: `Panel ${i + 1}`, ...panel, id: panel.id ?? `p${i + 1}` }),
  ),
});
const apart = (dropoutMm: number) => ({ kind: 'constant', dropoutMm }) as const;
const angled = (angleDeg: number) => ({ kind: 'parallel', angleDeg }) as const;
const slice: Gather = { kind: 'slice' };
const fine: Gather = { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 1 };
const whole = { kind: 'whole' } as const;

const sides = (current: Look) => (current.stripe.left + current.stripe.right + current.stripe.back) / 3;
/** Longest unlit stretch in the face: from temple to temple. */
const unlitFace = (current: Plan) => {
  const hair = hairOf(current, TIED);
  const [worst] = unlitWithin(
    hairlineLight(hair.hairline(), hair.surfaces(), lightOn(hair, current, engine.compute(current))),
    -FACE_DEG,
    FACE_DEG,
  );
  return worst && { ...worst, place: placeOf(worst.fromDeg, worst.toDeg) };
};

describe('stripes, tied back', () => {
  const horizontal = plan([
    { place: whole, direction: angled(0), gather: slice, thicknessMm: 6, spacing: apart(10) },
  ]);

  test('horizontal slices are striped 1.7 times as much as the same under two fine rows at the hairline', () => {
    const covered = plan(
      [
        {
          id: 'inside',
          place: whole,
          direction: angled(0),
          gather: slice,
          thicknessMm: 6,
          spacing: apart(10),
        },
        {
          id: 'rim',
          place: { kind: 'hairline-band', widthMm: 20 },
          direction: { kind: 'hairline' },
          gather: fine,
          thicknessMm: 4,
          spacing: apart(6),
        },
      ],
      ['rim'],
    );
    expect(sides(look(horizontal, TIED)) / sides(look(covered, TIED))).toBeGreaterThanOrEqual(1.7);
  });

  test('10 mm slices are striped twice as much as 3 mm ones', () => {
    const of = (thicknessMm: number) =>
      plan([{ place: whole, direction: angled(0), gather: slice, thicknessMm, spacing: apart(thicknessMm) }]);
    expect(sides(look(of(10), TIED)) / sides(look(of(3), TIED))).toBeGreaterThanOrEqual(2);
  });

  test('horizontal slices 1.4 times as much as diagonal ones', () => {
    const diagonal = plan([
      { place: whole, direction: angled(45), gather: slice, thicknessMm: 6, spacing: apart(10) },
    ]);
    expect(sides(look(horizontal, TIED)) / sides(look(diagonal, TIED))).toBeGreaterThanOrEqual(1.4);
  });
});

describe('unlit face, pointed hairline, tied back', () => {
  const column = plan(
    [
      {
        place: { kind: 'part-strip', leftMm: 30, rightMm: 30, toMm: 100 },
        side: 'across',
        direction: angled(0),
        gather: fine,
        thicknessMm: 4,
        spacing: apart(4),
      },
    ],
    [],
    pointed,
  );
  const centreOut = plan(
    [
      {
        place: { kind: 'hairline-band', widthMm: 30, fromDeg: 0, toDeg: 85 },
        direction: { kind: 'hairline' },
        gather: fine,
        thicknessMm: 4,
        spacing: apart(4),
      },
    ],
    [],
    pointed,
  );

  test('a column straight back from the middle leaves 80 mm dark and three times as much as from the centre out; worst at the temple', () => {
    const [straight, out] = [column, centreOut].map(unlitFace);
    expect(straight.mm).toBeGreaterThanOrEqual(80);
    expect(straight.place).toMatch(/temple/);
    expect(out?.mm ?? 0).toBeLessThanOrEqual(35);
    expect(straight.mm).toBeGreaterThanOrEqual(3 * (out?.mm ?? 0));
  });
});

test('how far the part may move: not at all with foils that stop short of it or one under it; 15 mm with weaves through 25, 30 mm through 45', () => {
  const beside = (mm: number) =>
    plan([
      {
        place: { kind: 'part-strip', leftMm: mm, rightMm: mm },
        direction: { kind: 'part' },
        gather: fine,
        thicknessMm: 3,
        spacing: { kind: 'backwards', sliverMm: 4, spacing: apart(3) },
      },
    ]);
  const short = plan([
    {
      place: {
        kind: 'except',
        place: { kind: 'side' },
        without: [{ kind: 'part-strip', leftMm: 25, rightMm: 25, fromMm: 0, toMm: null }],
      },
      direction: angled(0),
      gather: fine,
      thicknessMm: 4,
      spacing: apart(5),
    },
  ]);
  const under = plan([
    {
      place: { kind: 'part-strip', leftMm: 2, rightMm: 2 },
      side: 'across',
      direction: { kind: 'part' },
      gather: slice,
      thicknessMm: 4,
      spacing: { kind: 'count', foils: 1 },
    },
  ]);
  const [stopped, one, narrow, wide] = tolerances([short, under, beside(25), beside(45)]);
  expect([stopped, one]).toEqual([0, 0]);
  expect(narrow).toBeGreaterThanOrEqual(15);
  expect(wide).toBeGreaterThanOrEqual(30);
});

describe('weeks until the root line', () => {
  const all = (gather: Gather, start?: Input['start']) =>
    lineWeeks(
      plan([
        {
          place: whole,
          direction: angled(30),
          gather,
          thicknessMm: 4,
          spacing: apart(4),
          ...(start && { start }),
        },
      ]),
    );

  test('a weave holds 1.35 times as long as slices, a 40 mm feather as long as the weave; a sharp start 10 mm off is seen before one at the scalp', () => {
    const slices = all(slice);
    const weave = all({ kind: 'weave', stitchMm: 4.5, gapMm: 4.5, depth: 0.5 });
    expect(weave / slices).toBeGreaterThanOrEqual(1.35);
    expect(all(slice, { distanceMm: 0, featherMm: 40, teasing: 0 })).toBeGreaterThanOrEqual(weave);
    expect(all(slice, { distanceMm: 10, featherMm: 0, teasing: 0 })).toBeLessThan(slices);
  });
});

test('crown blown open: an open crown has at most three tenths of the light of a packed one', () => {
  const crown = {
    place: { kind: 'zones', zones: ['crown'] },
    side: 'across',
    direction: angled(0),
    gather: fine,
    thicknessMm: 3,
    spacing: apart(3),
  } as const;
  const around = {
    id: 'around',
    place: { kind: 'except', place: whole, without: [{ kind: 'zones', zones: ['crown'] }] },
    direction: angled(0),
    gather: fine,
    thicknessMm: 4,
    spacing: apart(5),
  } as const;
  const blown: Way = { kind: 'blown', partMm: 0 };
  const [open, packed] = [plan([around]), plan([around, crown])].map((own) => look(own, blown).crown);
  expect(open / packed).toBeLessThanOrEqual(0.3);
});

describe('dense where it shows', () => {
  const seen = (current: Plan) => {
    const [down, tied] = [look(current, DOWN), look(current, TIED)];
    const mean = ({ brightness }: Look) =>
      (brightness.front + brightness.left + brightness.right + brightness.back + brightness.top) / 5;
    return { light: 0.6 * mean(down) + 0.4 * mean(tied), foils: down.foils };
  };
  const of = (top: number, below: number) =>
    plan(
      [
        {
          id: 'below',
          place: whole,
          direction: angled(0),
          gather: fine,
          thicknessMm: 4,
          spacing: apart(below),
        },
        {
          id: 'top',
          place: {
            kind: 'zones',
            zones: ['top', 'front', 'crown', 'front-hairline', 'temple', 'ear-hairline', 'nape-hairline'],
          },
          direction: angled(0),
          gather: fine,
          thicknessMm: 4,
          spacing: apart(top),
        },
      ],
      ['top'],
    );

  test('top and hairline dense, below as sparse as it was: 0.82 of dense all over with 0.7 of its foils, 1.4 times evenly sparse', () => {
    const [dense, clever, sparse] = [of(4, 4), of(4, 20), of(20, 20)].map(seen);
    expect(clever.light / dense.light).toBeGreaterThanOrEqual(0.82);
    expect(clever.foils / dense.foils).toBeLessThanOrEqual(0.7);
    expect(clever.light / sparse.light).toBeGreaterThanOrEqual(1.4);
  });
});

describe('written down before they were run', () => {
  const allOver = (own: Partial<Input>): Plan =>
    plan([{ place: whole, direction: angled(0), gather: slice, thicknessMm: 6, spacing: apart(10), ...own }]);

  test('tied back, slices that stand upright at the sides are less striped than ones that lie', () => {
    const [lying, upright] = [0, 90].map((deg) => look(allOver({ direction: angled(deg) }), TIED).stripe);
    expect(upright.left).toBeLessThan(lying.left);
  });

  // A tenth less was expected; it comes out at 0.92 of slices alone (docs/decisions/006-wear-geometry-and-colour.md).
  test('slices in turn with weaves are less striped than slices alone', () => {
    const alone = look(allOver({ thicknessMm: 5, spacing: apart(6) }), TIED);
    const inTurn = look(
      allOver({
        thicknessMm: 5,
        spacing: apart(6),
        gather: {
          kind: 'alternate',
          of: [
            { gather: { kind: 'slice' } },
            { gather: { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 1 } },
          ],
        },
      }),
      TIED,
    );
    expect(sides(inTurn)).toBeLessThan(0.95 * sides(alone));
  });

  test('a face frame and quarters without a rim: the longest unlit hairline is at or behind the ear, or at the nape', () => {
    const noRim = plan(
      [
        {
          id: 'face',
          place: { kind: 'face-frame', depthMm: 35, reachDeg: 50 },
          direction: { kind: 'hairline' },
          gather: slice,
          thicknessMm: 3,
          spacing: apart(4),
        },
        {
          id: 'inside',
          place: {
            kind: 'zones',
            zones: ['top', 'front', 'crown', 'upper-side', 'upper-back', 'lower-side'],
          },
          direction: angled(0),
          gather: fine,
          thicknessMm: 4,
          spacing: apart(5),
        },
      ],
      ['face'],
    );
    expect(look(noRim, TIED).unlit![0].place).toMatch(/ear|nape/);
  });

  test('a veil over the top leaves the underneath dark when it is lifted; foils below light it', () => {
    const lifted: Way = { kind: 'lifted' };
    const veil = plan([
      {
        place: { kind: 'zones', zones: ['top', 'front', 'crown', 'upper-side', 'upper-back'] },
        direction: angled(0),
        gather: fine,
        thicknessMm: 4,
        spacing: apart(4),
      },
    ]);
    const below = plan([
      {
        place: { kind: 'zones', zones: ['occipital', 'nape', 'nape-hairline', 'lower-side', 'ear-hairline'] },
        direction: angled(0),
        gather: fine,
        thicknessMm: 4,
        spacing: apart(9),
      },
    ]);
    const [dark, lit] = [veil, below].map((own) => look(own, lifted).under!);
    expect(dark).toBeLessThan(0.03);
    expect(lit).toBeGreaterThan(0.08);
  });

  test('brought forward over the shoulders, foils underneath show in front more than worn down', () => {
    const below = plan([
      {
        place: { kind: 'zones', zones: ['occipital', 'nape', 'nape-hairline'] },
        direction: angled(0),
        gather: slice,
        thicknessMm: 4,
        spacing: apart(4),
      },
    ]);
    expect(look(below, { kind: 'forward', partMm: 0 }).brightness.front).toBeGreaterThan(
      1.5 * look(below, DOWN).brightness.front,
    );
  });

  test('teased starts are seen later than the same slices to the scalp', () => {
    const of = (teasing: number) =>
      lineWeeks(
        allOver({
          direction: angled(30),
          thicknessMm: 5,
          spacing: apart(5),
          start: { distanceMm: 0, featherMm: 0, teasing },
        }),
      );
    expect(of(3)).toBeGreaterThan(1.3 * of(0));
  });

  test('slices along the hairline draw their line sooner than diagonal ones as thick and as far apart', () => {
    const band = { kind: 'hairline-band', widthMm: 30, fromDeg: 0, toDeg: 100 } as const;
    const of = (direction: Input['direction']) =>
      lineWeeks(plan([{ place: band, direction, gather: slice, thicknessMm: 4, spacing: apart(6) }]));
    expect(of({ kind: 'hairline' })).toBeLessThan(of(angled(60)));
  });

  test('a foiled wheel lights a crown that is blown open; without it the crown is dark', () => {
    const wheel = planOf(techniqueOf('crown-wheel')!);
    const without: Plan = {
      ...wheel,
      panels: wheel.panels.map((panel) => ({ ...panel, muted: panel.place.kind === 'wheel' || panel.muted })),
    };
    const blown: Way = { kind: 'blown', partMm: 0 };
    const [lit, dark] = [wheel, without].map((own) => look(own, blown).crown);
    expect(lit).toBeGreaterThan(0.1);
    expect(dark).toBeLessThan(0.3 * lit);
  });

  test('half up, a lit crown shows from behind more than a lit nape does', () => {
    const of = (zones: readonly ['crown', 'upper-back'] | readonly ['nape', 'nape-hairline']) =>
      look(
        plan([
          {
            place: { kind: 'zones', zones },
            direction: angled(0),
            gather: fine,
            thicknessMm: 4,
            spacing: { kind: 'count', foils: 8 },
          },
        ]),
        { kind: 'half-up' },
      ).brightness.back;
    expect(of(['crown', 'upper-back'])).toBeGreaterThan(of(['nape', 'nape-hairline']));
  });

  test('a wider drop-out is never brighter, from any side, down or tied', () => {
    for (const way of [DOWN, TIED]) {
      const [close, middle, far] = [4, 9, 20].map(
        (mm) => look(allOver({ gather: fine, thicknessMm: 4, spacing: apart(mm) }), way).brightness,
      );
      for (const view of ['front', 'left', 'right', 'back', 'top'] as const) {
        expect(middle[view]).toBeLessThan(close[view]);
        expect(far[view]).toBeLessThan(middle[view]);
      }
    }
  });
});
