import { panelOf } from '../formats';
import { parsePlan } from '../formats';
import { createPatternEngine, mirrorPlan, partingName, type Plan } from '.';
import { planWith } from './testing';

const engine = createPatternEngine();
const foilsOf = (plan: Plan) => engine.compute(plan).sheet.foils;
const span = (values: readonly number[]) => [Math.min(...values), Math.max(...values)];

describe('angles as the hand sees them', () => {
  test.each([-45, 0, 25, 45, 90])(
    'partings at %d° over the whole side are done as they are asked, and drift by nothing',
    (angleDeg) => {
      const foils = foilsOf(
        planWith([{ place: { kind: 'side' }, direction: { kind: 'parallel', angleDeg } }]),
      );
      expect(foils.length).toBeGreaterThan(10);
      for (const foil of foils) expect(foil).toMatchObject({ angleDeg, askedDeg: angleDeg, driftDeg: 0 });
    },
  );

  test('strips along the part over the top have one direction, said by the part', () => {
    const plan = planWith([
      { place: { kind: 'part-strip', leftMm: 25, rightMm: 25 }, side: 'both', direction: { kind: 'part' } },
    ]);
    const foils = foilsOf(plan);
    expect(foils.map(({ askedDeg, driftDeg }) => [askedDeg, driftDeg])).toEqual(foils.map(() => [null, 0]));
    expect(new Set(foils.map(({ angleDeg }) => angleDeg))).toEqual(new Set([0]));
    expect(partingName(plan.panels[0].direction, foils[0].angleDeg)).toBe('parallel to the part');
  });

  test('two diagonals and one straight over the back lie within 2° of what is asked, wherever they lie', () => {
    const foils = foilsOf(
      planWith([
        {
          place: { kind: 'back' },
          side: 'across',
          thicknessMm: 6,
          direction: {
            kind: 'sequence',
            steps: [
              { angleDeg: 10, over: 'left' },
              { angleDeg: 10, over: 'right' },
              { angleDeg: 0, over: 'across' },
            ],
          },
        },
      ]),
    );
    expect(foils.filter(({ askedDeg }) => askedDeg === 10).length).toBeGreaterThan(10);
    for (const { angleDeg, askedDeg } of foils) expect(Math.abs(angleDeg - askedDeg!)).toBeLessThan(2);
  });

  test('a pivot adds up its turn: the last foils have turned by all of it, the right side as the left', () => {
    const foils = foilsOf(
      planWith([{ place: { kind: 'side' }, direction: { kind: 'pivot', fromDeg: 40, toDeg: 10 } }]),
    );
    const left = foils.filter(({ side }) => side === 'left');
    const [least, most] = span(left.map(({ angleDeg }) => angleDeg));
    expect(most).toBeGreaterThan(34);
    expect(least).toBeLessThan(14);
    expect(Math.max(...left.map(({ driftDeg }) => Math.abs(driftDeg)))).toBeCloseTo(most - least, 6);
    expect(foils.filter(({ side }) => side === 'right').map(({ angleDeg }) => angleDeg)).toEqual(
      left.map(({ angleDeg }) => angleDeg),
    );
  });

  test('on the top a diagonal is meant against straight back, on whichever side of the apex its panel lies', () => {
    const strip = (fromMm: number) =>
      engine.compute(
        planWith([
          {
            place: { kind: 'part-strip', leftMm: 30, rightMm: 0, fromMm, toMm: fromMm + 40 },
            side: 'left',
            direction: { kind: 'parallel', angleDeg: 0 },
            thicknessMm: 3,
          },
        ]),
      );
    // From the face back past the apex: a straight parting runs along the head, so its ends lie at about the
    // same distance from the middle.
    for (const fromMm of [70, 100]) {
      for (const { packed, count } of strip(fromMm).drawing.paths) {
        const [x0, y0, x1, y1] = [packed[0], packed[1], packed[6 * (count - 1)], packed[6 * (count - 1) + 1]];
        expect(Math.abs(y1 - y0)).toBeGreaterThan(2 * Math.abs(x1 - x0));
      }
    }
  });
});

test('wedges across the middle mirror exactly, whole and by halves', () => {
  for (const half of ['all', 'back'] as const) {
    const plan = planWith([
      {
        place: { kind: 'wheel', radiusMm: 60, half },
        side: 'across',
        direction: { kind: 'radial', about: 'crown', radiusMm: 60, reaches: [1, 2 / 3, 1 / 3] },
        gather: { kind: 'slice' },
        thicknessMm: 8,
      },
    ]);
    const ends = (current: Plan, sign: 1 | -1) =>
      engine
        .compute(current)
        .drawing.paths.map(({ packed, count }) =>
          [0, 6 * (count - 1)]
            .flatMap((i) => [sign * packed[i], packed[i + 1]].map((mm) => mm.toFixed(6)))
            .join(),
        )
        .sort();
    expect(ends(plan, 1).length).toBeGreaterThan(10);
    expect(ends(mirrorPlan(plan), -1)).toEqual(ends(plan, 1));
    expect(mirrorPlan(mirrorPlan(plan)).panels[0].direction).toMatchObject({ roundBy: 'right' });
  }
});

describe('thin panels', () => {
  test.each([1, 1.5, 2, 3])('a band of %d mm all round is foiled whole', (widthMm) => {
    const { sheet } = engine.compute(
      planWith([
        {
          place: { kind: 'hairline-band', widthMm },
          direction: { kind: 'hairline' },
          gather: { kind: 'slice' },
          thicknessMm: widthMm,
          spacing: { kind: 'constant', dropoutMm: 0 },
        },
      ]),
    );
    const foiled = sheet.foils.reduce((sum, { areaMm2 }) => sum + areaMm2, 0) / 100;
    expect(sheet.problems).toEqual([]);
    // 706 mm of hairline.
    expect(Math.abs(sheet.panels[0].areaCm2 / (7.06 * widthMm) - 1)).toBeLessThan(0.03);
    expect(foiled / sheet.panels[0].areaCm2).toBeGreaterThan(0.95);
  });

  test.each([1, 2, 3, 3.5])('a part panel of %d mm a side has hair', (mm) => {
    const { sheet } = engine.compute(
      planWith([
        {
          place: { kind: 'part-strip', leftMm: mm, rightMm: mm },
          side: 'both',
          direction: { kind: 'part' },
          gather: { kind: 'slice' },
          thicknessMm: Math.min(mm, 3),
          spacing: { kind: 'constant', dropoutMm: 0 },
        },
      ]),
    );
    expect(sheet.problems).toEqual([]);
    expect(sheet.foils.length).toBeGreaterThanOrEqual(4);
  });
});

describe('gathers in turn', () => {
  const turns = (then: 'again' | 'last') =>
    planWith([
      {
        place: { kind: 'side' },
        side: 'left',
        thicknessMm: 4,
        spacing: { kind: 'constant', dropoutMm: 5 },
        gather: {
          kind: 'alternate',
          of: [
            { gather: { kind: 'slice' }, thicknessMm: 2, dropoutMm: 0 },
            { gather: { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 } },
          ],
          then,
        },
      },
    ]);
  const rows = (plan: Plan) =>
    [...new Map(foilsOf(plan).map((foil) => [foil.row, foil])).values()].sort((a, b) => a.row - b.row);

  test('each has its own thickness and drop-out; what it leaves open is the panel’s', () => {
    expect(
      rows(turns('again'))
        .slice(0, 4)
        .map(({ gather, thicknessMm, dropoutMm }) => [gather, thicknessMm, dropoutMm]),
    ).toEqual([
      ['slice', 2, 0],
      ['weave', 4, 5],
      ['slice', 2, 0],
      ['weave', 4, 5],
    ]);
    expect(
      rows(turns('last'))
        .slice(0, 4)
        .map(({ gather }) => gather),
    ).toEqual(['slice', 'weave', 'weave', 'weave']);
  });

  test('a plan of version 3 is read as it was worked', () => {
    const [panel] = planWith([{ gather: { kind: 'alternate', of: [{ gather: { kind: 'slice' } }] } }]).panels;
    const old = {
      ...planWith([]),
      version: 3,
      panels: [
        {
          ...panel,
          gather: { kind: 'alternate', of: [{ kind: 'slice' }, { kind: 'zigzag', pointMm: 8, depth: 1 }] },
        },
      ],
    };
    expect(parsePlan(JSON.parse(JSON.stringify(old)))).toMatchObject({
      ok: true,
      value: {
        version: 4,
        panels: [
          {
            gather: {
              of: [
                { gather: { kind: 'slice' }, thicknessMm: null, dropoutMm: null },
                { gather: { kind: 'zigzag' } },
              ],
              then: 'again',
            },
          },
        ],
      },
    });
  });
});

test('starts: eased from the first row to the last, by foil, and within what the hair allows', () => {
  const eased = planWith([
    {
      place: { kind: 'side' },
      side: 'left',
      start: { distanceMm: 10, featherMm: 0, teasing: 0, lastMm: 200 },
    },
  ]);
  const rows = [...foilsOf(eased)].sort((a, b) => a.row - b.row);
  expect(rows[0].startMm).toBe(10);
  expect(rows.at(-1)!.startMm).toBeCloseTo(200, 6);
  rows.reduce((before, foil) => {
    expect(foil.startMm).toBeGreaterThanOrEqual(before);
    return foil.startMm;
  }, 0);
  const own = { ...eased, edits: [{ kind: 'retype' as const, foil: rows[0].id, startMm: 77 }] };
  expect(foilsOf(own).find(({ id }) => id === rows[0].id)).toMatchObject({ startMm: 77, byHand: true });
});

test('weaving off the scalp: wider and uneven stitches, the same share', () => {
  const gather = (offScalpMm: number) => ({
    kind: 'weave' as const,
    stitchMm: 2.5,
    gapMm: 2.5,
    depth: 0.5,
    offScalpMm,
  });
  const of = (mm: number) => foilsOf(planWith([{ place: { kind: 'side' }, gather: gather(mm) }]));
  const sum = (foils: ReturnType<typeof of>, key: 'stitches' | 'pickedShare') =>
    foils.reduce((total, foil) => total + foil[key], 0) / foils.length;
  expect(sum(of(25), 'stitches') / sum(of(0), 'stitches')).toBeCloseTo(0.5, 1);
  expect(Math.abs(sum(of(25), 'pickedShare') / sum(of(0), 'pickedShare') - 1)).toBeLessThan(0.06);
});

describe('similar, not exact', () => {
  const plan = (variation: object | null) =>
    planWith([
      {
        place: { kind: 'side' },
        start: { distanceMm: 20, featherMm: 0, teasing: 0 },
        variation: variation as never,
      },
    ]);
  const side = (current: Plan, of: string) =>
    foilsOf(current)
      .filter((foil) => foil.side === of)
      .map(({ thicknessMm, dropoutMm, stitches, startMm, angleDeg }) => [
        thicknessMm,
        dropoutMm,
        stitches,
        startMm,
        angleDeg,
      ]);

  test('one side moves within the stated amounts, the other stays to the last digit; without it both are alike', () => {
    const exact = plan(null);
    const similar = plan({ seed: 3, dropoutMm: 1, angleDeg: 2, stitchMm: 0.5, startMm: 5, side: 'right' });
    expect(side(exact, 'right')).toEqual(side(exact, 'left'));
    expect(side(similar, 'left')).toEqual(side(exact, 'left'));
    const right = side(similar, 'right');
    expect(right).not.toEqual(side(exact, 'right'));
    for (const [, dropoutMm, , startMm, angleDeg] of right) {
      expect(Math.abs(dropoutMm - 5)).toBeLessThanOrEqual(1);
      expect(Math.abs(startMm - 20)).toBeLessThanOrEqual(5);
      expect(Math.abs(angleDeg)).toBeLessThanOrEqual(2);
    }
    expect(
      side(plan({ seed: 3, dropoutMm: 1, angleDeg: 2, stitchMm: 0.5, startMm: 5, side: 'right' }), 'right'),
    ).toEqual(right);
  });
});

describe('hair decides', () => {
  const thin = { 'temple-l': { densityPerCm2: 90 }, 'temple-r': { densityPerCm2: 90 } } as const;
  const band = (byZone: object, insetMm?: number) => ({
    ...planWith([
      {
        place: { kind: 'hairline-band', widthMm: { hairsPerMm: 17 }, fromDeg: 0, toDeg: 180, insetMm },
        direction: { kind: 'hairline' },
        thicknessMm: 3,
        spacing: { kind: 'constant', dropoutMm: 2 },
      },
    ]),
    hair: { densityPerCm2: 170, strand: 'medium' as const, lengthMm: 300, byZone },
  });
  const areaIn = (plan: Plan, zone: string) =>
    engine.compute(plan).sheet.panels[0].areaCm2 * 0 +
    foilsOf(plan).filter((foil) => foil.zone.startsWith(zone)).length;

  test('where it is thin the band is wider, elsewhere as it was', () => {
    const even = engine.compute(band({})).sheet.panels[0].areaCm2;
    // 17 hairs a mm at 170 per cm² are 10 mm of band.
    expect(Math.abs(even / 70.6 - 1)).toBeLessThan(0.06);
    expect(engine.compute(band(thin)).sheet.panels[0].areaCm2).toBeGreaterThan(even + 5);
    expect(areaIn(band(thin), 'temple')).toBeGreaterThan(areaIn(band({}), 'temple'));
    expect(areaIn(band(thin), 'nape')).toBe(areaIn(band({}), 'nape'));
  });

  test('short hair is pinned away: the first foil begins behind it', () => {
    const first = (plan: Plan) => engine.compute(plan).sheet.panels[0].areaCm2;
    const { head } = engine.compute(band({})).drawing;
    for (const { packed, count } of engine.compute(band({}, 8)).drawing.paths) {
      const middle = 6 * (count >> 1);
      const depth =
        head.hairArc(Math.atan2(packed[middle], packed[middle + 1])) -
        Math.hypot(packed[middle], packed[middle + 1]);
      expect(depth).toBeGreaterThan(8);
    }
    expect(first(band({}, 8))).toBeGreaterThan(0.85 * first(band({})));
  });
});

test('a muted panel keeps its hair where it is told to: the others go round it', () => {
  const around = (reserves: boolean) =>
    engine.compute({
      ...planWith([
        { id: 'rest', place: { kind: 'whole' } },
        {
          id: 'plain',
          muted: true,
          reserves,
          place: { kind: 'hairline-band', widthMm: 12 },
          direction: { kind: 'hairline' },
        },
      ]),
      sectioning: ['plain'],
    }).sheet;
  expect(around(true).panels[0].takenBy).toMatchObject([{ panel: 'plain' }]);
  expect(around(false).panels[0].takenBy).toEqual([]);
  expect(around(true).panels).toHaveLength(1);
  expect(around(false).panels[0].areaCm2 - around(true).panels[0].areaCm2).toBeGreaterThan(70);
});

describe('a count', () => {
  test('close together from the first edge: no more than asked, with the drop-out asked', () => {
    const { foils, panels } = engine.compute(
      planWith([
        {
          place: { kind: 'hairline-band', widthMm: 40 },
          direction: { kind: 'hairline' },
          thicknessMm: 3,
          spacing: { kind: 'count', foils: 18, togetherMm: 2 },
        },
      ]),
    ).sheet;
    expect(foils).toHaveLength(16);
    expect(new Set(foils.map(({ dropoutMm }) => dropoutMm))).toEqual(new Set([2]));
    expect(panels[0].note).toMatch(
      /^16 of 18 foils: a row of up to 3\d\d mm takes 4 foils of 95 mm, and both sides get the same rows$/,
    );
  });

  test('says why it was not met to the last foil', () => {
    const { panels } = engine.compute(
      planWith([{ place: { kind: 'back' }, spacing: { kind: 'count', foils: 23 } }]),
    ).sheet;
    expect(panels[0].foils).toBeLessThan(23);
    expect(panels[0].note).toMatch(/both sides get the same rows/);
    expect(
      engine.compute(
        planWith([{ place: { kind: 'side' }, side: 'left', spacing: { kind: 'constant', dropoutMm: 5 } }]),
      ).sheet.panels[0].note,
    ).toBeNull();
  });
});

test('the first crossed partings are taken twice, back to back', () => {
  const of = (doubled: number) =>
    foilsOf(
      planWith([
        {
          place: { kind: 'part-strip', leftMm: 25, rightMm: 38 },
          side: 'across',
          direction: { kind: 'crossed', angleDeg: 37, firstFrom: 'left', closing: false, doubled },
          thicknessMm: 4,
          spacing: { kind: 'constant', dropoutMm: 14 },
        },
      ]),
    );
  expect(of(2)).toHaveLength(of(0).length + 2);
  expect(of(2).filter(({ dropoutMm }) => dropoutMm === 0)).toHaveLength(2);
});

test('panels are written down whole: what is optional is left out and read as it was', () => {
  const panel = panelOf({
    id: 'p',
    name: 'P',
    place: { kind: 'whole' },
    gather: { kind: 'slice' },
    thicknessMm: 3,
    spacing: { kind: 'constant', dropoutMm: 5 },
  });
  expect(JSON.stringify(panel)).not.toMatch(/lastMm|edgesMm|reserves|cover|doubled|roundBy/);
});

test('a pivot to the part follows the part when it moves, in an engine that knows it from before', () => {
  const at = (offsetMm: number) => {
    const plan = planWith([
      {
        place: { kind: 'zones', zones: ['upper-side'] },
        side: 'left',
        direction: { kind: 'pivot', fromDeg: 35, toDeg: 'part' },
      },
    ]);
    return { ...plan, head: { ...plan.head, part: { ...plan.head.part, offsetMm } } };
  };
  engine.compute(at(0));
  expect(engine.compute(at(40)).sheet).toEqual(createPatternEngine().compute(at(40)).sheet);
  expect(engine.compute(at(40)).sheet.foils.map(({ widthMm }) => widthMm)).not.toEqual(
    engine.compute(at(0)).sheet.foils.map(({ widthMm }) => widthMm),
  );
});
