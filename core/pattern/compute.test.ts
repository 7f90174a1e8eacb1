import fc from 'fast-check';
import { startPlan } from '../formats';
import { createPatternEngine, type Foil, type Panel, type Plan } from './index';

const engine = createPatternEngine();

interface Changes {
  thickness?: number;
  dropout?: number;
  tolerance?: number;
  circumference?: number;
  part?: number;
  hairline?: Plan['head']['hairline'];
  panel?: (panel: Panel) => Panel;
}

function plan(changes: Changes = {}): Plan {
  const start = startPlan();
  const panels = start.panels.map((panel): Panel => ({
    ...panel,
    thicknessMm: changes.thickness ?? 4,
    spacing: { kind: 'constant', dropoutMm: changes.dropout ?? 5 },
  }));
  return {
    ...start,
    head: {
      ...start.head,
      circumferenceMm: changes.circumference ?? 550,
      hairline: changes.hairline ?? start.head.hairline,
      part: { ...start.head.part, offsetMm: changes.part ?? 0 },
    },
    foil: { usableWidthMm: 95, toleranceMm: changes.tolerance ?? 25 },
    panels: changes.panel ? panels.map(changes.panel) : panels,
  };
}

const sheet = (changes?: Changes) => engine.compute(plan(changes)).sheet;

describe('full head by quadrants, T 4 G 5', () => {
  test('104 ± 6 foils with the 25 mm tolerance, 126 ± 7 without', () => {
    expect(Math.abs(sheet().totals.foils - 104)).toBeLessThanOrEqual(6);
    expect(Math.abs(sheet({ tolerance: 0 }).totals.foils - 126)).toBeLessThanOrEqual(7);
  });

  test('Σ width·pitch / area is 0.97–1.08 in every panel', () => {
    const { foils, panels } = sheet();
    for (const { panel, areaCm2 } of panels) {
      const covered = foils
        .filter((foil) => foil.panel === panel)
        .reduce((sum, foil) => sum + foil.widthMm * 9, 0);
      expect(covered / 100 / areaCm2).toBeGreaterThan(0.97);
      expect(covered / 100 / areaCm2).toBeLessThan(1.08);
    }
  });

  test('T = G: half of the skin goes through the foils (0.500 ± 0.01)', () => {
    expect(Math.abs(sheet({ thickness: 5, dropout: 5 }).totals.foiledShare - 0.5)).toBeLessThan(0.01);
  });

  test('no section is wider than the foil and its tolerance', () => {
    for (const foil of sheet().foils) expect(foil.widthMm).toBeLessThanOrEqual(120);
    for (const foil of sheet({ tolerance: 0 }).foils) expect(foil.widthMm).toBeLessThanOrEqual(95);
  });
});

describe('what geometry says about counts', () => {
  test('doubling the drop-out from 5 to 10 mm: pitch 9 → 14 leaves 9/14 of the foils', () => {
    const dense = sheet().totals.foils;
    const sparse = sheet({ dropout: 10 }).totals.foils;
    // Each of the six half panels can gain or lose one row at its end.
    expect(Math.abs(sparse - (dense * 9) / 14)).toBeLessThanOrEqual(6);
    expect(sparse).toBeLessThan(dense);
  });

  test('rows of the back: floor((L − T)/pitch) + 1 with the length of the panel along its spine', () => {
    const rows = (dropout: number) =>
      Math.max(
        ...sheet({ dropout })
          .foils.filter((f) => f.panel === 'back')
          .map((f) => f.row),
      );
    // 26 rows at pitch 9 say that L − 4 is at least 225 mm; at pitch 18 that makes floor(225/18) + 1 = 13.
    expect(rows(5)).toBe(26);
    expect(rows(14)).toBe(13);
  });

  test('a head scaled with everything else has the same foils, each as much wider', () => {
    const ratio = 600 / 550;
    const scaled = plan({ circumference: 600, thickness: 4 * ratio, dropout: 5 * ratio });
    const large = engine.compute({
      ...scaled,
      foil: { usableWidthMm: 95 * ratio, toleranceMm: 25 * ratio },
    }).sheet;
    const own = sheet();
    expect(large.foils.map((foil) => foil.id)).toEqual(own.foils.map((foil) => foil.id));
    large.foils.forEach((foil, i) => expect(foil.widthMm / own.foils[i].widthMm).toBeCloseTo(ratio, 3));
    expect(large.totals.foiledShare).toBeCloseTo(own.totals.foiledShare, 4);
  });

  test('a larger head at the same pitch takes more foils', () => {
    expect(sheet({ circumference: 600 }).totals.foils).toBeGreaterThan(sheet().totals.foils);
  });

  test('a wider drop-out never needs more foils', () => {
    const mm = fc.double({ min: 1, max: 25, noNaN: true });
    fc.assert(
      fc.property(mm, mm, (dropout, more) => {
        const rows = (g: number) => sheet({ dropout: g, tolerance: 60 }).panels.map((panel) => panel.rows);
        const dense = rows(dropout);
        rows(dropout + more).forEach((count, i) => expect(count).toBeLessThanOrEqual(dense[i]));
      }),
      { numRuns: 25 },
    );
  });
});

describe('mirror', () => {
  const reflected = (foils: readonly Foil[]) =>
    new Map(
      foils.map((foil) => [`${foil.panel.replace('left', 'right')}/${foil.row}/${-foil.column}`, foil]),
    );

  test('right is the mirror image of left to the last digit', () => {
    const { foils } = sheet();
    const left = reflected(foils.filter((foil) => foil.side === 'left'));
    const right = foils.filter((foil) => foil.side === 'right');
    expect(right).toHaveLength(left.size);
    for (const foil of right) {
      const twin = left.get(foil.id)!;
      expect([foil.widthMm, foil.areaMm2, foil.stitches, foil.hairs]).toEqual([
        twin.widthMm,
        twin.areaMm2,
        twin.stitches,
        twin.hairs,
      ]);
      expect(foil.zone).toBe(twin.zone.replace(/-l$/, '-r'));
    }
  });

  test('moving the part to the other side exchanges the sides', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 45, noNaN: true }), (offset) => {
        const one = sheet({ part: offset }).foils.filter((foil) => foil.panel === 'side-left');
        const other = sheet({ part: -offset }).foils.filter((foil) => foil.panel === 'side-right');
        expect(other.map((foil) => foil.widthMm)).toEqual(one.map((foil) => foil.widthMm));
      }),
      { numRuns: 6 },
    );
  });

  test('an uneven hairline keeps its unevenness', () => {
    const foils = sheet({ hairline: { left: 'round', right: 'receding' } }).foils;
    const area = (panel: string) =>
      foils.filter((foil) => foil.panel === panel).reduce((sum, foil) => sum + foil.areaMm2, 0);
    expect(area('side-left')).toBeGreaterThan(area('side-right') * 1.02);
  });
});

describe('the sheet', () => {
  test('the same document gives the same bytes, whatever was computed before', () => {
    const first = JSON.stringify(sheet());
    sheet({ dropout: 9, part: 20, circumference: 580 });
    expect(JSON.stringify(sheet())).toBe(first);
    expect(JSON.stringify(createPatternEngine().compute(plan()).sheet)).toBe(first);
  });

  test('ids are unique and orders count up', () => {
    const { foils } = sheet();
    expect(new Set(foils.map((foil) => foil.id)).size).toBe(foils.length);
    expect(foils.map((foil) => foil.order)).toEqual(foils.map((_, i) => i + 1));
  });

  test('ids stay when the drop-out changes: row 3 of the back remains row 3', () => {
    const ids = (dropout: number) => new Set(sheet({ dropout }).foils.map((foil) => foil.id));
    const dense = ids(5);
    for (const id of ids(11)) if (id.endsWith('/1')) expect(dense.has(id)).toBe(true);
  });

  test('zones add up to the total, and a muted panel lights nothing', () => {
    const muted = sheet({ panel: (panel) => ({ ...panel, muted: panel.id === 'back' }) });
    expect(muted.foils.some((foil) => foil.panel === 'back')).toBe(false);
    expect(muted.zones.find(({ zone }) => zone === 'nape-l')!.foiledShare).toBe(0);
    const lit = muted.zones.reduce((sum, zone) => sum + zone.pickedShare * zone.areaCm2, 0);
    const area = muted.zones.reduce((sum, zone) => sum + zone.areaCm2, 0);
    expect(muted.totals.pickedShare).toBeCloseTo(lit / area, 12);
  });

  test('slices light what they foil', () => {
    const { totals } = sheet({ panel: (panel) => ({ ...panel, gather: { kind: 'slice' } }) });
    expect(totals.pickedShare).toBeCloseTo(totals.foiledShare, 12);
    expect(totals.byGather).toMatchObject({ slice: totals.foils, weave: 0 });
  });

  test('far too many foils are a named problem; the rest is still computed', () => {
    const { problems, foils } = sheet({
      panel: (panel) =>
        panel.id === 'back'
          ? { ...panel, thicknessMm: 0.5, spacing: { kind: 'constant', dropoutMm: 0 } }
          : panel,
    });
    expect(problems).toHaveLength(1);
    expect(problems[0].panel).toBe('back');
    expect(problems[0].problem).toMatch(/^Back: about \d+ foils are more than 600/);
    expect(foils.some((foil) => foil.panel === 'side-left')).toBe(true);
  });
});
