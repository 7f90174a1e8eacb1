import { makeHead } from '../head';
import { panelOf } from '../formats';
import { framesOf, headGrids } from './frame';
import { planeField } from './plane-field';
import { sectionOff } from './sectioning';
import { sheetOf } from './testing';

const grids = headGrids(makeHead({ circumferenceMm: 550, hairline: { left: 'round', right: 'round' } }));
const { own } = framesOf(grids, { offsetMm: 0, lengthMm: null, none: false });
const quadrant = (kind: 'back' | 'side') =>
  sectionOff(
    panelOf({
      id: 'q',
      name: 'Q',
      place: { kind },
      gather: { kind: 'slice' },
      thicknessMm: 4,
      spacing: { kind: 'constant', dropoutMm: 5 },
    }),
    'left',
    [],
    own,
  )!;

describe.each(['back', 'side'] as const)('quadrant %s', (kind) => {
  const panel = quadrant(kind);

  test.each([0, 45, -45, 90])('at %d°: no point has two partings, under 0.1%% have none', (angleDeg) => {
    const field = planeField(panel, angleDeg);
    let inside = 0;
    let none = 0;
    panel.depths.forEach((depth, i) => {
      if (!(depth > 0)) return;
      inside += 1;
      const partings = field.partingsThrough(own.grid.points[i]!);
      expect(partings.length).toBeLessThanOrEqual(1);
      if (partings.length === 0) none += 1;
    });
    expect(inside).toBeGreaterThan(1000);
    expect(none / inside).toBeLessThan(0.001);
  });

  test('a point traced at s lies on the parting at s (p99 under 0.1 mm)', () => {
    const field = planeField(panel, 30);
    const errors: number[] = [];
    for (let s = field.extent[0] + 1; s < field.extent[1]; s += 3.7) {
      const line = field.trace(s, 4)!;
      for (let i = 0; i < line.count; i += 1) {
        const [x, y, z] = line.middle.subarray(5 * i, 5 * i + 3);
        const [found] = field.partingsThrough({ x, y, z });
        if (found !== undefined) errors.push(Math.abs(found - s));
      }
    }
    errors.sort((a, b) => a - b);
    expect(errors.length).toBeGreaterThan(500);
    expect(errors[Math.floor(errors.length * 0.99)]).toBeLessThan(0.1);
  });
});

describe('angles', () => {
  test.each([0, 20, 45, -30])(
    'partings of a side at %d° have that angle in the middle of the panel',
    (angleDeg) => {
      const { foils } = sheetOf([
        {
          place: { kind: 'zones', zones: ['upper-side', 'lower-side'] },
          side: 'left',
          direction: { kind: 'parallel', angleDeg },
          columns: { layout: 'aligned', onePerRow: true },
        },
      ]);
      const middle = foils[foils.length >> 1];
      expect(Math.abs(middle.angleDeg - angleDeg)).toBeLessThan(6);
    },
  );

  test('drift is counted from the first foil of the side', () => {
    const { foils } = sheetOf([{ place: { kind: 'side' }, direction: { kind: 'parallel', angleDeg: 45 } }]);
    for (const side of ['left', 'right']) {
      const own = foils.filter((foil) => foil.side === side);
      expect(own[0].driftDeg).toBe(0);
      for (const foil of own) expect(foil.driftDeg).toBeCloseTo(foil.angleDeg - own[0].angleDeg, 6);
    }
  });

  test('a pivot turns evenly from the first angle to the last', () => {
    const angles = sheetOf([
      {
        place: {
          kind: 'overlap',
          of: [{ kind: 'side' }, { kind: 'zones', zones: ['upper-side', 'lower-side'] }],
        },
        side: 'left',
        direction: { kind: 'pivot', fromDeg: 50, toDeg: 10 },
      },
    ]).foils.map((foil) => foil.angleDeg);
    expect(angles.length).toBeGreaterThan(6);
    for (let i = 1; i < angles.length; i += 1) expect(angles[i]).toBeLessThan(angles[i - 1] + 1);
    expect(angles[0] - angles.at(-1)!).toBeGreaterThan(25);
    expect(angles[0] - angles.at(-1)!).toBeLessThan(55);
  });

  test('a panel across the middle is one piece, a panel on both sides a chevron', () => {
    const across = sheetOf([{ side: 'across', direction: { kind: 'parallel', angleDeg: 0 } }]).foils;
    expect(across.every((foil) => foil.side === 'across')).toBe(true);
    expect(across.some((foil) => foil.column === 0)).toBe(true);
    const both = sheetOf([{ side: 'both', direction: { kind: 'parallel', angleDeg: 45 } }]).foils;
    expect(both.map((foil) => foil.side)).toEqual(
      [...both.filter((f) => f.side === 'left'), ...both.filter((f) => f.side === 'right')].map(
        (f) => f.side,
      ),
    );
  });
});
