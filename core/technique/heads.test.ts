import { createPatternEngine, foilsOverRoots, sharesOf, type Plan, type PlanHead } from '../pattern';
import { AVERAGE_HAIR, AVERAGE_HEAD } from '../formats';
import { hairRoots } from '../wear';
import { planOf, TECHNIQUES, type Technique } from './index';

const engine = createPatternEngine();
type Hairline = PlanHead['hairline']['left'];

/** Four heads: sizes, hairlines, parts and densities as they come in. */
const HEADS: readonly { readonly name: string; readonly head: PlanHead; readonly density: number }[] = [
  { mm: 550, line: 'pointed', part: 40, density: 220 },
  { mm: 550, line: 'receding', part: -40, density: 110 },
  { mm: 520, line: 'straight', part: -22, density: 220 },
  { mm: 600, line: 'round', part: 0, density: 170 },
].map(({ mm, line, part, density }) => ({
  name: `${mm} mm, ${line}, part ${part}, ${density} a cm²`,
  head: {
    ...AVERAGE_HEAD,
    circumferenceMm: mm,
    hairline: { left: line as Hairline, right: line as Hairline },
    part: { ...AVERAGE_HEAD.part, offsetMm: part, none: false },
  },
  density,
}));

const laid = (technique: Technique, { head, density }: (typeof HEADS)[number]): Plan =>
  planOf(technique, { head, hair: { ...AVERAGE_HAIR, densityPerCm2: density } });
/** Every other pattern on every other head: each is laid on two of the four. */
const patternsOn = (own: (typeof HEADS)[number]) =>
  TECHNIQUES.filter((_, i) => i % 2 === HEADS.indexOf(own) % 2);
const of = (key: string) => TECHNIQUES.find((technique) => technique.key === key)!;

describe.each(HEADS)('on a head of $name', (own) => {
  test('a pattern is laid whole: no problem, nothing wider than its foil, angles as asked, hair in one foil', () => {
    const { index } = hairRoots(own.head, 12_000);
    for (const technique of patternsOn(own)) {
      const plan = laid(technique, own);
      const computed = engine.compute(plan);
      const { foils, painted, problems } = computed.sheet;
      expect([technique.key, problems]).toEqual([technique.key, []]);
      const widest = foils.reduce((best, foil) => (foil.widthMm > best.widthMm ? foil : best), foils[0]);
      if (widest)
        expect([
          technique.key,
          widest.id,
          Math.max(widest.widthMm, plan.foil.usableWidthMm + plan.foil.toleranceMm),
        ]).toEqual([technique.key, widest.id, plan.foil.usableWidthMm + plan.foil.toleranceMm]);
      for (const { panel, angleDeg, askedDeg } of foils)
        expect([technique.key, panel, askedDeg === null || Math.abs(angleDeg - askedDeg) < 8]).toEqual([
          technique.key,
          panel,
          true,
        ]);
      const over = foilsOverRoots(index, computed);
      const [once, twice] = [
        over.reduce((sum, n) => sum + (n > 0 ? 1 : 0), 0),
        over.reduce((sum, n) => sum + (n > 1 ? 1 : 0), 0),
      ];
      expect([technique.key, twice / Math.max(1, once) < 0.008]).toEqual([technique.key, true]);
      expect(foils.length + painted.length).toBeGreaterThan(7);
    }
  });

  test('what is said of them holds: counts, shares, the heavy side, finest at the top', () => {
    const sheetOf = (key: string) => engine.compute(laid(of(key), own)).sheet;
    const count = (key: string, panel: string) =>
      sheetOf(key).panels.find((one) => one.panel === panel)!.foils;
    expect(sheetOf('perimeter-up').totals.foils).toBeLessThanOrEqual(17);
    expect(sheetOf('crossed-part').totals.foils).toBeGreaterThanOrEqual(7);
    expect(sheetOf('crossed-part').totals.foils).toBeLessThanOrEqual(11);
    expect(count('crossed-part-and-sides', 'sides')).toBeLessThanOrEqual(7);
    expect(sheetOf('baby-veil').totals.foils).toBeGreaterThanOrEqual(80);
    expect(sheetOf('baby-veil').totals.foils).toBeLessThanOrEqual(140);
    for (const key of [
      'four-quarters',
      'baby-veil',
      'hairline-and-threes',
      'two-mixes-in-bricks',
      'deep-contrast',
    ]) {
      const { lightened } = sharesOf(sheetOf(key)).total;
      expect([key, lightened > 0.07 && lightened < 0.26]).toEqual([key, true]);
    }
    const silver = sheetOf('silver-turn');
    const { offsetMm } = own.head.part;
    const heavy = silver.panels.find((one) => one.panel === 'heavy')!;
    expect(silver.foils.find(({ panel }) => panel === 'heavy')!.side).toBe(offsetMm < 0 ? 'left' : 'right');
    if (offsetMm !== 0)
      expect(heavy.areaCm2).toBeGreaterThan(silver.panels.find((one) => one.panel === 'shallow')!.areaCm2);
    // Rows begin furthest from the part.
    for (const panel of ['heavy', 'shallow']) {
      const rows = silver.foils.filter((foil) => foil.panel === panel).sort((a, b) => a.row - b.row);
      expect(rows.at(-1)!.thicknessMm).toBeLessThan(rows[0].thicknessMm);
    }
  });
});
