import { ZONE_FAMILIES, zonesOf } from '../head';
import type { Place } from './types';
import { engine, planWith, sheetOf } from './testing';

const slice = { kind: 'slice' } as const;
const areaOf = (place: Place, side: 'left' | 'right' | 'both' | 'across' = 'across') =>
  sheetOf([{ place, side, gather: slice }]).panels[0].areaCm2;
const whole = areaOf({ kind: 'whole' });

describe('zones as panels', () => {
  const sheet = sheetOf(
    ZONE_FAMILIES.map((family) => ({
      id: family,
      place: { kind: 'zones', zones: [family] },
      side: 'across',
      gather: slice,
    })),
  );

  test('each has the area of its zones (within 4%)', () => {
    for (const { panel, areaCm2 } of sheet.panels) {
      const zones = zonesOf(panel as (typeof ZONE_FAMILIES)[number]);
      const expected = sheet.zones
        .filter(({ zone }) => zones.includes(zone))
        .reduce((sum, zone) => sum + zone.areaCm2, 0);
      expect(Math.abs(areaCm2 / expected - 1)).toBeLessThan(0.04);
    }
  });

  test('together they are the whole head, and none takes from another', () => {
    expect(Math.abs(sheet.panels.reduce((sum, { areaCm2 }) => sum + areaCm2, 0) / whole - 1)).toBeLessThan(
      0.005,
    );
    for (const { takenBy } of sheet.panels)
      expect(takenBy.reduce((sum, taken) => sum + taken.areaCm2, 0)).toBeLessThan(1);
  });
});

describe('what one panel takes, the next does not have', () => {
  const face: Place = { kind: 'face-frame', depthMm: 60, reachDeg: 60 };
  const alone = areaOf({ kind: 'side' }, 'both');
  const overlapping = [
    { id: 'sides', place: { kind: 'side' }, side: 'both' },
    { id: 'face', place: face, side: 'both' },
  ] as const;

  test('in the order of work: the face finds nothing left', () => {
    const sheet = sheetOf(overlapping);
    expect(sheet.panels.map(({ panel }) => panel)).toEqual(['sides']);
    expect(sheet.problems.map(({ panel }) => panel)).toContain('face');
  });

  test('sectioned off first, it keeps its hair, the sides lose just that, and it is said', () => {
    const sheet = sheetOf(overlapping, { sectioning: ['face'] });
    const [sides, own] = sheet.panels;
    expect(sides.takenBy).toEqual([{ panel: 'face', areaCm2: expect.any(Number) }]);
    expect(sides.areaCm2 + own.areaCm2).toBeCloseTo(alone, -0.5);
    expect(Math.abs(sides.takenBy[0].areaCm2 - own.areaCm2)).toBeLessThan(1.5);
    // No foil of the sides lies in the face panel: foils cover no more than the hair there is.
    expect(sheet.zones.every(({ foiledShare }) => foiledShare < 0.75)).toBe(true);
  });

  test('a muted panel takes nothing', () => {
    const sheet = sheetOf([{ ...overlapping[0] }, { ...overlapping[1], muted: true }], {
      sectioning: ['p2', 'face'].slice(1),
    });
    expect(sheet.panels[0].areaCm2).toBeCloseTo(alone, 6);
  });

  test('hair is conserved: nested panels of any shape make up the head (within 1%)', () => {
    const sheet = sheetOf([
      {
        place: {
          kind: 'hairline-band',
          widthMm: [
            [0, 8],
            [120, 20],
            [180, 40],
          ],
        },
        side: 'across',
        gather: slice,
      },
      { place: { kind: 'part-strip', leftMm: 25, rightMm: 38 }, side: 'across', gather: slice },
      { place: { kind: 'wheel', radiusMm: 60 }, side: 'across', gather: slice },
      { place: { kind: 'crown-triangle', behindApexMm: 10, halfWidthMm: 80 }, side: 'across', gather: slice },
      {
        place: {
          kind: 'triangle',
          corners: [
            [0.1, 0.2],
            [0.7, 0.3],
            [0.6, -0.2],
          ],
        },
        side: 'both',
        gather: slice,
      },
      { place: { kind: 'whole' }, side: 'across', gather: slice },
    ]);
    expect(sheet.panels).toHaveLength(6);
    expect(Math.abs(sheet.panels.reduce((sum, { areaCm2 }) => sum + areaCm2, 0) / whole - 1)).toBeLessThan(
      0.01,
    );
  });
});

describe('shapes', () => {
  test('a wheel of 60 mm has the skin of its disc (π·R² less the curve of the head)', () => {
    const flat = (Math.PI * 60 * 60) / 100;
    const area = areaOf({ kind: 'wheel', radiusMm: 60, half: 'all' });
    expect(area).toBeLessThan(flat);
    expect(area).toBeGreaterThan(0.92 * flat);
    expect(
      areaOf({ kind: 'wheel', radiusMm: 60, half: 'front' }) +
        areaOf({ kind: 'wheel', radiusMm: 60, half: 'back' }),
    ).toBeCloseTo(area, 0);
  });

  test('a band is as wide as it says: its skin is its width times the hairline', () => {
    expect(
      Math.abs((areaOf({ kind: 'hairline-band', widthMm: 6, fromDeg: 0, toDeg: 180 }) * 100) / 6 / 706 - 1),
    ).toBeLessThan(0.04);
  });

  test('a strip beside the part takes its millimetres on each side', () => {
    const strip = (leftMm: number, rightMm: number) =>
      areaOf({ kind: 'part-strip', leftMm, rightMm, fromMm: 20, toMm: 120 });
    expect(Math.abs(strip(25, 38) - 63)).toBeLessThan(1);
    expect(strip(25, 0) + strip(0, 38)).toBeCloseTo(strip(25, 38), 0);
  });

  test('left and right of a part off the middle: the shallow side is the smaller', () => {
    const head = { part: { offsetMm: 22, lengthMm: null, none: false } };
    const panels = sheetOf(
      [
        { place: { kind: 'side' }, side: 'left' },
        { place: { kind: 'side' }, side: 'right' },
      ],
      {
        head: {
          circumferenceMm: 550,
          earToEarMm: null,
          frontToNapeMm: null,
          hairline: { left: 'round', right: 'round' },
          crown: { behindApexMm: 50, leftMm: 0, whorl: 'none' },
          ...head,
        },
      },
    ).panels;
    expect(panels[0].areaCm2).toBeLessThan(0.8 * panels[1].areaCm2);
    expect(panels[0].foils).toBeLessThan(panels[1].foils);
  });

  test('an outline across the seam at the back keeps its area: its halves make it up, its mirror equals it', () => {
    const outline = (shift: number): Place => ({
      kind: 'outline',
      points: (
        [
          [-0.3, -0.9],
          [0.25, -0.85],
          [0.2, -0.5],
          [-0.15, -0.45],
        ] as const
      ).map(([x, y]) => [x + shift, y] as const),
    });
    const area = areaOf(outline(0));
    expect(
      areaOf({
        kind: 'overlap',
        of: [
          outline(0),
          {
            kind: 'outline',
            points: [
              [0, 0],
              [1.4, 0],
              [1.4, -1.4],
              [0, -1.4],
            ],
          },
        ],
      }) +
        areaOf({
          kind: 'overlap',
          of: [
            outline(0),
            {
              kind: 'outline',
              points: [
                [0, 0],
                [-1.4, 0],
                [-1.4, -1.4],
                [0, -1.4],
              ],
            },
          ],
        }),
    ).toBeCloseTo(area, 1);
    const mirrored: Place = {
      kind: 'outline',
      points: [
        [0.3, -0.9],
        [-0.25, -0.85],
        [-0.2, -0.5],
        [0.15, -0.45],
      ] as const,
    };
    expect(Math.abs(areaOf(mirrored) / area - 1)).toBeLessThan(0.001);
  });

  test('triangles left out on purpose are no panel’s hair', () => {
    const triangle = [
      [0.1, -0.5],
      [0.5, -0.5],
      [0.3, -0.9],
    ] as const;
    const full = sheetOf([{}]);
    const left = sheetOf([{ leaveOut: [triangle.map(([x, y]) => [x, y] as [number, number])] }]);
    const out = areaOf({ kind: 'triangle', corners: triangle }, 'both');
    expect(full.panels[0].areaCm2 - left.panels[0].areaCm2).toBeCloseTo(out, 0);
    expect(left.totals.hairs).toBeLessThan(full.totals.hairs);
  });
});

describe('what makes no sense is said of its panel, and the rest is computed', () => {
  const good = { id: 'good', place: { kind: 'side' }, side: 'both' } as const;
  test.each([
    [
      {
        place: {
          kind: 'outline',
          points: [
            [0.1, 0.1],
            [0.5, 0.5],
            [0.5, 0.1],
            [0.1, 0.5],
          ],
        },
        side: 'left',
      },
      /^Panel 1: its outline crosses itself\.$/,
    ],
    [
      {
        place: {
          kind: 'outline',
          points: [
            [1.2, 1.2],
            [1.4, 1.2],
            [1.4, 1.4],
          ],
        },
        side: 'left',
      },
      /^Panel 1: no hair is left for this panel\.$/,
    ],
    [{ thicknessMm: 0, spacing: { kind: 'constant', dropoutMm: 0 } }, /thicker than 0 mm/],
    [{ spacing: { kind: 'count', foils: 10_000 } }, /10000 foils are more than 600/],
    [{ thicknessMm: 0.1, spacing: { kind: 'constant', dropoutMm: 0 } }, /about \d+ foils are more than 600/],
    [
      {
        place: {
          kind: 'triangle',
          corners: [
            [0.1, 0.1],
            [0.2, 0.2],
            [0.3, 0.3],
          ],
        },
        side: 'left',
      },
      /encloses nothing/,
    ],
    [
      { direction: { kind: 'radial', about: [1.3, 0], radiusMm: 60 } },
      /^Panel 1: the point at which its wedges meet lies off the head\.$/,
    ],
  ] as const)('%j', (panel, sentence) => {
    const sheet = sheetOf([panel, good]);
    expect(sheet.problems).toEqual([{ panel: 'p1', problem: expect.stringMatching(sentence) }]);
    expect(sheet.foils.length).toBeGreaterThan(20);
    expect(sheet.foils.every((foil) => foil.panel === 'good')).toBe(true);
  });

  test('a number that is none is named, wherever it hides', () => {
    const plan = planWith([{}, good]);
    const broken = {
      ...plan,
      panels: [
        { ...plan.panels[0], direction: { kind: 'parallel' as const, angleDeg: Number.NaN } },
        plan.panels[1],
      ],
    };
    const { sheet } = engine.compute(broken);
    expect(sheet.problems).toEqual([
      { panel: 'p1', problem: 'Panel 1: direction.angleDeg is not a number.' },
    ]);
    expect(sheet.foils.length).toBeGreaterThan(20);
  });
});

test('hair noted by zone counts there and nowhere else', () => {
  const hair = { densityPerCm2: 170, strand: 'medium', lengthMm: 300 } as const;
  const even = sheetOf([{}], { hair: { ...hair, byZone: {} } });
  const thin = sheetOf([{}], {
    hair: { ...hair, byZone: { 'nape-l': { densityPerCm2: 85 }, 'upper-back-r': { lengthMm: 600 } } },
  });
  even.foils.forEach((foil, i) => {
    if (!/nape|occipital/.test(foil.zone)) expect(thin.foils[i].hairs).toBeCloseTo(foil.hairs, 6);
    if (foil.side === 'left' && foil.zone === 'upper-back-l')
      expect(thin.foils[i].hairGrams).toBeCloseTo(foil.hairGrams, 6);
  });
  const inside = (zone: string) =>
    even.foils.findIndex((foil, i) => foil.zone === zone && foil.hairs / thin.foils[i].hairs > 1.3);
  expect(inside('nape-l')).toBeGreaterThanOrEqual(0);
  expect(thin.totals.hairGrams).toBeGreaterThan(even.totals.hairGrams);
});
