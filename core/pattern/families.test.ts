import { surfaceDistance } from '../head';
import { pathPoints } from './panel-foils';
import { engine, planWith, sheetOf } from './testing';
import { fromOpened } from '../head';

const wheel = (half: 'front' | 'back') =>
  ({
    place: { kind: 'wheel', radiusMm: 60, half },
    direction: { kind: 'radial', about: 'crown', radiusMm: 60, reaches: [1, 2 / 3, 1 / 3] },
    gather: { kind: 'slice' },
    thicknessMm: 8,
    spacing: { kind: 'count', foils: 12 },
  }) as const;

describe('wheel, R 60', () => {
  const plan = planWith([wheel('back'), wheel('front')]);
  const { sheet } = engine.compute(plan);

  test('24 foils, eight of each reach', () => {
    expect(sheet.foils).toHaveLength(24);
    const reach = (mm: number) => sheet.foils.filter((foil) => Math.abs(foil.widthMm - mm) < 5).length;
    expect([reach(58), reach(40), reach(20)]).toEqual([8, 8, 8]);
  });

  test('each wedge is 14.5 ± 0.8 mm wide at the rim with its drop-out', () => {
    for (const { solvedDropoutMm } of sheet.panels)
      expect(Math.abs(8 + solvedDropoutMm! - 14.5)).toBeLessThan(0.8);
  });

  test('sections that reach the centre meet in one point there', () => {
    const { head, paths } = engine.compute(plan).drawing;
    sheet.foils.forEach((foil, i) => {
      if (foil.widthMm < 50) return;
      const ends = [pathPoints(paths[i])[0], pathPoints(paths[i]).at(-1)!].map((point) =>
        surfaceDistance(fromOpened(head, point), head.crown),
      );
      expect(Math.min(...ends)).toBeLessThan(6);
    });
  });
});

describe('parallel to the hairline', () => {
  const plan = planWith([
    {
      place: { kind: 'hairline-band', widthMm: 30 },
      side: 'both',
      direction: { kind: 'hairline' },
      gather: { kind: 'slice' },
      thicknessMm: 4,
    },
  ]);
  const { sheet, drawing } = engine.compute(plan);

  test('rows lie at an even true distance from the hairline: 2, 11, 20 … mm', () => {
    const line = Array.from({ length: 1440 }, (_, i) => drawing.head.hairlinePoint((i * Math.PI) / 720));
    sheet.foils.forEach((foil, i) => {
      const points = pathPoints(drawing.paths[i]);
      const middle = fromOpened(drawing.head, points[points.length >> 1]);
      const distance = line.reduce((least, p) => Math.min(least, surfaceDistance(middle, p)), Infinity);
      expect(Math.abs(distance - (2 + 9 * (foil.row - 1)))).toBeLessThan(0.8);
    });
  });

  test('Σ width · thickness is the skin in the foils: distances are true', () => {
    for (const foil of sheet.foils) expect(foil.areaMm2 / (foil.widthMm * 4)).toBeCloseTo(1, 2);
  });
});

describe('at the part, solved backwards', () => {
  const strip = (thicknessMm: number, dropoutMm: number, more = {}) =>
    sheetOf([
      {
        place: { kind: 'part-strip', leftMm: 25, rightMm: 25 },
        side: 'both',
        direction: { kind: 'part' },
        thicknessMm,
        spacing: { kind: 'backwards', sliverMm: 4, spacing: { kind: 'constant', dropoutMm } },
        columns: { layout: 'aligned', onePerRow: true },
        ...more,
      },
    ]);

  test('T 3 at pitch 5 gives five a side, T 3.5 four', () => {
    expect(strip(3, 2).totals.foils).toBe(10);
    expect(strip(3.5, 1.5).totals.foils).toBe(8);
  });

  test('row 1 is the one at the part, on both sides, 2 mm from it', () => {
    const plan = planWith([
      {
        place: { kind: 'part-strip', leftMm: 25, rightMm: 25 },
        side: 'both',
        direction: { kind: 'part' },
        thicknessMm: 3,
        spacing: { kind: 'backwards', sliverMm: 4, spacing: { kind: 'constant', dropoutMm: 2 } },
      },
    ]);
    const { sheet, drawing } = engine.compute(plan);
    sheet.foils.forEach((foil, i) => {
      if (foil.row !== 1) return;
      const points = pathPoints(drawing.paths[i]);
      const middle = fromOpened(drawing.head, points[points.length >> 1]);
      // The middle of the section: 2 mm to its edge and half its thickness.
      expect(Math.abs(middle.x)).toBeGreaterThan(3.2);
      expect(Math.abs(middle.x)).toBeLessThan(3.8);
    });
  });
});

describe('two diagonals, one straight', () => {
  const { foils } = sheetOf([
    {
      side: 'across',
      thicknessMm: 6,
      columns: { layout: 'aligned', onePerRow: true },
      direction: {
        kind: 'sequence',
        steps: [
          { angleDeg: 12, over: 'left' },
          { angleDeg: 12, over: 'right' },
          { angleDeg: 0, over: 'across' },
        ],
      },
    },
  ]);
  const packed = sheetOf([{ side: 'across', thicknessMm: 6 }]).totals.foils;

  test('leaves triangles out: far fewer foils than the packed back', () => {
    expect(foils.length).toBeLessThan(0.6 * packed);
    expect(foils.length).toBeGreaterThan(6);
  });

  test('rows come left, right, straight, again and again', () => {
    const columns = new Map<number, number[]>();
    for (const foil of foils) columns.set(foil.row, [...(columns.get(foil.row) ?? []), foil.column]);
    expect(columns.get(1)![0]).toBeGreaterThan(0);
    expect(columns.get(2)![0]).toBeLessThan(0);
    expect(columns.get(3)).toContain(0);
  });
});

describe('targets', () => {
  test('a count is met from below and never exceeded', () => {
    for (const wanted of [10, 23, 40]) {
      const { totals } = sheetOf([{ spacing: { kind: 'count', foils: wanted } }]);
      expect(totals.foils).toBeLessThanOrEqual(wanted);
      expect(totals.foils).toBeGreaterThanOrEqual(wanted - 3);
    }
  });

  test('more than fit is said', () => {
    expect(sheetOf([{ spacing: { kind: 'count', foils: 500 } }]).problems[0].problem).toMatch(
      /^Panel 1: only \d+ of 500 foils fit, back to back\.$/,
    );
  });

  test('a lightened share is met within half a point', () => {
    for (const wanted of [0.08, 0.15]) {
      const sheet = sheetOf([{ spacing: { kind: 'share', lightened: wanted } }]);
      const lit =
        sheet.foils.reduce((sum, foil) => sum + foil.areaMm2 * foil.pickedShare, 0) /
        100 /
        sheet.panels[0].areaCm2;
      expect(Math.abs(lit - wanted)).toBeLessThan(0.005);
    }
  });

  test('a share that the gather cannot reach is said', () => {
    expect(sheetOf([{ spacing: { kind: 'share', lightened: 0.6 } }]).problems[0].problem).toMatch(
      /even back to back, this gather lightens/,
    );
  });

  test('time and money come to foils at the usual pace', () => {
    // 35 minutes at 62 s are 33 foils; 30.00 at 60.00 an hour are half an hour, 29 foils.
    expect(sheetOf([{ spacing: { kind: 'minutes', minutes: 35 } }]).totals.foils).toBeLessThanOrEqual(33);
    const budget = sheetOf([{ spacing: { kind: 'budget', amountMinor: 3000, perHourMinor: 6000 } }]);
    expect(budget.totals.foils).toBeLessThanOrEqual(29);
    expect(budget.totals.foilingMinutes).toBeLessThanOrEqual(30);
    expect(budget.totals.foilingMinutes).toBeGreaterThan(25);
  });
});

describe('rotation and treated drop-outs', () => {
  test('A A B B foil by foil in the order of work, between a start and an end', () => {
    const letters = sheetOf([
      { formula: 'C', rotation: { sequence: 'AABB', by: 'foil', anew: false, from: 3, to: 10 } },
    ]).foils.map((foil) => foil.formula);
    expect(letters.slice(0, 12).join('')).toBe('CCAABBAABBCC');
  });

  test('after every three rows one is treated, in turn', () => {
    const sheet = sheetOf([{ side: 'left', dropouts: { every: 3, treatments: ['tip-out', 'lowlight'] } }]);
    const treated = new Map(sheet.dropouts.map((dropout) => [dropout.row, dropout.treatment]));
    expect([...treated].slice(0, 3)).toEqual([
      [3, 'tip-out'],
      [6, 'lowlight'],
      [9, 'tip-out'],
    ]);
    for (const treatedDropout of sheet.dropouts) expect(treatedDropout.hairs).toBeGreaterThan(0);
  });

  test('painting in the open air lights hair without a foil', () => {
    const { totals, painted, zones } = sheetOf([
      { medium: 'open-air', thicknessMm: 12, spacing: { kind: 'constant', dropoutMm: 12 } },
    ]);
    expect(totals.foils).toBe(0);
    expect(painted.length).toBeGreaterThan(10);
    expect(totals.foiledShare).toBe(0);
    expect(totals.pickedShare).toBeGreaterThan(0.05);
    expect(zones.every(({ meanPitchMm }) => meanPitchMm === null)).toBe(true);
  });
});

test('centre back 90 mm wide, T 6 G 6: 16 ± 1 from nape to crown, 5–7 of them below the occipital bone', () => {
  const { foils } = sheetOf([
    {
      place: {
        kind: 'overlap',
        of: [{ kind: 'back' }, { kind: 'part-strip', leftMm: 45, rightMm: 45, fromMm: 154, toMm: 400 }],
      },
      side: 'across',
      thicknessMm: 6,
      spacing: { kind: 'constant', dropoutMm: 6 },
    },
  ]);
  expect(Math.abs(foils.length - 16)).toBeLessThanOrEqual(1);
  const below = foils.filter(({ zone }) => zone.startsWith('nape') || zone.startsWith('occipital')).length;
  expect(below).toBeGreaterThanOrEqual(5);
  expect(below).toBeLessThanOrEqual(8);
});
