import { emptyPlan, startPlan } from '../formats';
import { fitPlan } from '../fit';
import { ZONES } from '../head';
import type { Plan } from '../pattern';
import { planOf, techniqueOf } from '../technique';
import {
  downOf,
  litOf,
  mended,
  mendWords,
  subjectOf,
  TIED,
  VIEW_NAMES,
  WearStudio,
  type Finding,
  type WearSubject,
} from '.';
import { colourAt } from './shade';

const studio = new WearStudio(undefined, 6000);
const all = (subject: WearSubject, weeks = 0, partByMm = 0): readonly Finding[] => {
  let last: readonly Finding[] = [];
  for (const found of studio.findings(subject, weeks, partByMm)) last = found ?? last;
  return last;
};
const of = (findings: readonly Finding[], key: Finding['key']) =>
  findings.filter((finding) => finding.key === key);
const quarters = planOf(techniqueOf('four-quarters')!);
const part = planOf(techniqueOf('crossed-part')!);

describe('findings', () => {
  const known = all(subjectOf(part));

  test('a pattern on the part alone: the hairline, the underneath and the crown are to be minded, each with a place and a mend', () => {
    expect(
      of(known, 'unlit').every(
        ({ fine, at, mends }) => !fine && at !== undefined && mends?.[0].kind === 'rim',
      ),
    ).toBe(true);
    expect(of(known, 'under')[0]).toMatchObject({
      fine: false,
      mends: [{ kind: 'under' }],
      way: { kind: 'lifted' },
    });
    expect(new Set(known.map(({ key }) => key))).toEqual(
      new Set(['brightness', 'unlit', 'stripe', 'part', 'root-line', 'under', 'crown']),
    );
    for (const { words } of known) expect(words).toMatch(/^[A-Z0-9].*\.$/);
  });

  test('a mend mends: after it the same is not said again', () => {
    const [unlit] = of(known, 'unlit');
    const lit = all(subjectOf(mended(part, unlit.mends![0])));
    expect(of(lit, 'unlit').some(({ fine, words }) => !fine && words === unlit.words)).toBe(false);
    const under = of(known, 'under')[0];
    expect(mendWords(under.mends![0])).toBe('Add a few rows underneath');
    expect(of(all(subjectOf(mended(part, under.mends![0]))), 'under')[0].fine).toBe(true);
  });

  test('a dark temple names the panel behind it', () => {
    const start = startPlan();
    const wide = (panel: Plan['panels'][number]) =>
      panel.id === 'side-right' ? { ...panel, spacing: { kind: 'constant' as const, dropoutMm: 18 } } : panel;
    const plan: Plan = {
      ...start,
      head: { ...start.head, part: { ...start.head.part, offsetMm: 22 } },
      panels: start.panels.map(wide),
    };
    const temple = of(all(subjectOf(plan)), 'unlit').find(({ words }) =>
      /(temple|over the ear), right/.test(words),
    )!;
    expect(temple).toMatchObject({ fine: false, panel: 'side-right', view: 'right', way: TIED });
  });

  test('a part that is moved off its foils is said with both lights', () => {
    expect(of(known, 'moved')).toEqual([]);
    const [moved] = of(all(subjectOf(part), 0, 40), 'moved');
    expect(moved.fine).toBe(false);
    expect(moved.words).toMatch(
      /^Moved 40 mm to the left, \d+% beside the part is light; \d+% where it is\.$/,
    );
  });

  test('the wish, the weeks between visits and a part that moves are held against the same pattern', () => {
    expect(of(all(subjectOf(part, { brightnessWish: 5 })), 'brightness')[0].fine).toBe(false);
    const [never, often] = (['never', 'often'] as const).map(
      (partMoves) => of(all(subjectOf(part, { partMoves })), 'part')[0].fine,
    );
    expect([never, often]).toEqual([true, false]);
  });

  test('the old line is broken by a dense pattern and stands out under an empty-handed one', () => {
    const slices: Plan = {
      ...quarters,
      panels: quarters.panels.map((panel) => ({
        ...panel,
        gather: { kind: 'slice' },
        thicknessMm: 6,
        spacing: { kind: 'constant', dropoutMm: 1 },
      })),
    };
    const before = { plan: slices, level: 9, grownMm: 35, grownByZone: {} };
    const line = (plan: Plan) => of(all(subjectOf(plan, { before })), 'demarcation')[0];
    expect(line(part).fine).toBe(false);
    expect(line(slices).fine).toBe(true);
    expect(line(part).words).toMatch(/^The old line, 3\d mm out, still stands out: \d+% of it is left\.$/);
  });

  test('a deep root shadow takes most of what a detailed hairline earns, a shallow one less', () => {
    const rim = planOf(techniqueOf('perimeter-up')!);
    const kept = (shadowMm: number) =>
      Number(/keep (\d+)%/.exec(of(all(subjectOf(rim, { shadowMm })), 'hairline-worth')[0].words)![1]);
    const [shallow, deep] = [8, 40].map(kept);
    expect(deep).toBeLessThan(shallow);
    expect(of(all(subjectOf(rim, { shadowMm: 40 })), 'hairline-worth')[0].words).toMatch(
      /for \d+ minutes\.$/,
    );
  });
});

describe('what is asked for may be odd', () => {
  const finite = (value: unknown): boolean =>
    typeof value === 'number'
      ? Number.isFinite(value)
      : typeof value === 'object' && value !== null
        ? Object.values(value).every(finite)
        : true;

  test('an empty plan is one sentence', () => {
    const found = all(subjectOf(emptyPlan('Empty')));
    expect(found).toHaveLength(1);
    expect(found[0].words).toBe('No foils yet. The hair is as it grew.');
  });

  test.each([
    [
      'hair shorter than its start',
      subjectOf({
        ...quarters,
        hair: { ...quarters.hair, lengthMm: 40 },
        panels: quarters.panels.map((panel) => ({
          ...panel,
          start: { distanceMm: 60, featherMm: 20, teasing: 0 },
        })),
      }),
    ],
    [
      'white all over',
      subjectOf(quarters, {
        colour: {
          ...subjectOf(quarters).colour,
          byZone: Object.fromEntries(ZONES.map((zone) => [zone, { greyShare: 1 }])),
        },
      }),
    ],
    [
      'worn without a part',
      subjectOf({
        ...quarters,
        head: { ...quarters.head, part: { offsetMm: 0, lengthMm: null, none: true } },
      }),
    ],
  ])('%s, today and after 60 weeks: figures are figures', (_name, subject) => {
    for (const weeks of [0, 60]) {
      const found = all(subject, weeks);
      expect(finite(found.map(({ fine, words }) => [fine, words]))).toBe(true);
      for (const { words } of found) expect(words).not.toMatch(/NaN|Infinity|undefined/);
      const { palette } = studio.colouring(subject, weeks);
      expect(palette.every((value) => Number.isFinite(value))).toBe(true);
    }
    expect(finite(studio.look(subject, TIED, 0))).toBe(true);
  });

  test('hair too short for its start has no light', () => {
    const short = subjectOf({
      ...quarters,
      hair: { ...quarters.hair, lengthMm: 40 },
      panels: quarters.panels.map((panel) => ({
        ...panel,
        start: { distanceMm: 60, featherMm: 20, teasing: 0 },
      })),
    });
    expect(Object.values(studio.look(short, TIED, 0).brightness)).toEqual([0, 0, 0, 0, 0]);
  });
});

test('what foils earn adds up to the light that is seen, and a panel switched off takes its own away', () => {
  const subject = subjectOf(quarters);
  const computed = studio.engine.compute(quarters);
  const worth = studio.worth(subject, computed);
  expect(worth.foils.reduce((a, b) => a + b, 0)).toBeCloseTo(worth.all, 6);
  expect(Object.values(worth.zones).reduce((a, b) => a + b, 0)).toBeCloseTo(worth.all, 6);
  const sides = computed.sheet.foils.reduce(
    (sum, foil, i) => sum + (foil.panel === 'sides' ? worth.foils[i] : 0),
    0,
  );
  const without = studio.worth(
    subjectOf({
      ...quarters,
      panels: quarters.panels.map((panel) => ({ ...panel, muted: panel.id === 'sides' })),
    }),
  );
  expect(worth.all - without.all).toBeCloseTo(sides, 6);
});

test('foils at the hairline earn more the more the hair is tied up; the best sixty keep them', () => {
  const plan = planOf(techniqueOf('hairline-and-threes')!);
  const computed = studio.engine.compute(plan);
  const rim = (tiedShare: number) => {
    const { foils, all: whole } = studio.worth(subjectOf(plan, { tiedShare }), computed);
    return (
      computed.sheet.foils.reduce((sum, foil, i) => sum + (foil.panel === 'hairline' ? foils[i] : 0), 0) /
      whole
    );
  };
  expect(rim(1)).toBeGreaterThan(1.3 * rim(0));
  const fitted = fitPlan(
    plan,
    studio.engine,
    { kind: 'foils', foils: 75 },
    (current, sheet) => studio.worth(subjectOf(current, { tiedShare: 0.8 }), sheet).foils,
  );
  if (!fitted.ok) throw new Error(fitted.problem);
  expect(fitted.foils).toBeLessThanOrEqual(75);
  const kept = (id: string) =>
    studio.engine.compute(fitted.plan).sheet.panels.find(({ panel }) => panel === id)!.foils /
    computed.sheet.panels.find(({ panel }) => panel === id)!.foils;
  expect(kept('hairline')).toBeGreaterThan(kept('inside-back'));
  expect(fitted.pointsAfter).toBeLessThan(fitted.pointsBefore);
});

test('what is kept stays within its bounds, and changes no result', () => {
  const most = 13e6;
  const small = new WearStudio(undefined, 5000, most);
  const subject = subjectOf(quarters);
  const first = small.look(subject, { kind: 'down', partMm: 0 }, 0);
  const one = small.bytes;
  expect(one).toBeGreaterThan(1e6);
  for (let mm = 1; mm <= 5; mm += 1) {
    small.look(subject, { kind: 'down', partMm: mm }, 0);
    // What is being looked at stays, whatever it takes.
    expect(small.bytes).toBeLessThan(most + one);
  }
  expect(6 * one).toBeGreaterThan(most + one);
  expect(small.look(subject, { kind: 'down', partMm: 0 }, 0)).toEqual(first);
});

test('foils of a formula that deposits are lowlights: they light nothing', () => {
  const letters = {
    ...quarters,
    panels: quarters.panels.map((panel, i) => ({ ...panel, formula: i === 0 ? 'A' : 'L' })),
  };
  const lettersOf = (deposits: readonly string[]) => ({
    facts: ['A', 'L'].map((letter) => ({
      letter,
      lifts: !deposits.includes(letter),
      reach: 'ends' as const,
      endsMm: 0,
    })),
    lowlight: null,
  });
  const bright = (deposits: readonly string[]) =>
    studio
      .light({ ...subjectOf(letters), letters: lettersOf(deposits) }, 0)
      .own.fromMm.filter((from) => from < Infinity).length;
  const lowlit = (deposits: readonly string[]) =>
    studio
      .light({ ...subjectOf(letters), letters: lettersOf(deposits) }, 0)
      .lowlit.reduce((sum, value) => sum + value, 0);
  expect(lowlit([])).toBe(0);
  expect(lowlit(['L'])).toBeGreaterThan(0);
  expect(bright([]) - bright(['L'])).toBe(lowlit(['L']));
});

describe('the hair that the client has', () => {
  const plan = startPlan();
  const bare: Plan = { ...plan, panels: [] };
  const everywhere = <T>(item: T) => Object.fromEntries(ZONES.map((zone) => [zone, item]));
  const colour = { naturalLevel: 5, byZone: {}, regrowthMm: {}, targetLevel: 9, tone: null } as const;
  const down = downOf(plan);
  const seen = (own: Parameters<typeof subjectOf>[1], on = bare) => {
    const { brightness } = studio.look(subjectOf(on, own), down, 0);
    return VIEW_NAMES.reduce((sum, view) => sum + brightness[view], 0) / VIEW_NAMES.length;
  };
  const findings = (own: Parameters<typeof subjectOf>[1], on = bare) =>
    [...studio.findings(subjectOf(on, own))].filter((all) => all !== null).at(-1)!;

  test('mid-lengths and ends at 9 without a foil are light, and the old line is found at its place', () => {
    expect(seen({ colour })).toBe(0);
    const old = {
      ...colour,
      byZone: everywhere({ midsLevel: 9, endsLevel: 9 }),
      regrowthMm: everywhere(100),
    };
    expect(seen({ colour: old })).toBeGreaterThanOrEqual(0.5);
    const [brightness, line] = findings({ colour: old });
    expect(brightness.words).toMatch(/^No foils yet: \d+% of what is seen is light already\.$/);
    expect(line).toMatchObject({ key: 'demarcation', fine: false });
    expect(Math.abs(Number(/(\d+) mm out/.exec(line.words)![1]) - 100)).toBeLessThanOrEqual(10);
  });

  test('a grey hairline without a foil is not dark', () => {
    const grey = { ...colour, byZone: everywhere({ greyShare: 0.9 }) };
    const inner: Plan = { ...plan, panels: plan.panels.slice(0, 1) };
    expect(findings({ colour }, inner).some(({ key, fine }) => key === 'unlit' && !fine)).toBe(true);
    expect(findings({ colour: grey }, inner).some(({ key, fine }) => key === 'unlit' && !fine)).toBe(false);
  });

  test('hair that is light already earns nothing', () => {
    const light = {
      ...colour,
      byZone: everywhere({ midsLevel: 9, endsLevel: 9 }),
      regrowthMm: everywhere(0),
    };
    expect(studio.worth(subjectOf(plan, { colour: light })).all).toBeLessThan(
      0.05 * studio.worth(subjectOf(plan, { colour })).all,
    );
  });

  test('a shadow that was wished for is no fault of the hairline; it does take light', () => {
    const unlit = (own: Parameters<typeof subjectOf>[1]) =>
      findings(own, plan)
        .filter(({ key }) => key === 'unlit')
        .map(({ words }) => words);
    expect(unlit({ colour, shadowMm: 40 })).toEqual(unlit({ colour }));
    expect(seen({ colour, shadowMm: 40 }, plan)).toBeLessThan(seen({ colour }, plan));
  });
});

test('hair that is one colour along its length is read by a shorter way, to the same figures', () => {
  const grey = subjectOf(quarters, {
    colour: {
      naturalLevel: 5,
      targetLevel: 9,
      tone: null,
      regrowthMm: {},
      byZone: { 'temple-l': { greyShare: 0.5 }, 'top-r': { naturalLevel: 6 } },
    },
  });
  for (const weeks of [0, 8]) {
    const light = studio.light(grey, weeks);
    expect(light.base.whole).not.toBeNull();
    const hair = studio.hair(quarters, downOf(quarters));
    const [short, long] = [light, { ...light, base: { ...light.base, whole: null } }].map((own) =>
      litOf(hair.surface('top'), own),
    );
    for (let p = 0; p < short.length; p += 97) expect(short[p]).toBeCloseTo(long[p], 5);
  }
  const mapped = studio.light(
    subjectOf(quarters, { colour: { ...grey.colour, byZone: { 'temple-l': { midsLevel: 8 } } } }),
    0,
  );
  expect(mapped.base.whole).toBeNull();
});

test('a colour read from a picture colours hair that is about as light, and no figure', () => {
  const subject = subjectOf(quarters);
  const red = { lightness: 0.46, chroma: 0.13, hueDeg: 40 };
  const swatched = subjectOf(quarters, { swatches: { base: red, light: null } });
  // Linear light of hair as it grew: more red against blue with the red swatch; light hair stays as it was.
  const colours = [subject, swatched].map((wearSubject) => {
    const colouring = studio.colouring(wearSubject, 0);
    const of = (f: number) => {
      const at = colourAt(colouring, 0, 0, f);
      return colouring.palette[at] / Math.max(1e-6, colouring.palette[at + 2]);
    };
    return { base: of(0), light: of(1) };
  });
  expect(colours[1].base).toBeGreaterThan(1.5 * colours[0].base);
  expect(colours[1].light).toBeCloseTo(colours[0].light, 2);
  expect(studio.look(swatched, TIED, 0)).toEqual(studio.look(subject, TIED, 0));
});

test('each formula lights by the level that it is expected to reach', () => {
  const ids = studio.engine.compute(quarters).sheet.foils.map(({ id }) => id);
  const seen = (level: number) => {
    const { brightness } = studio.look(
      subjectOf(quarters, { levels: Object.fromEntries(ids.map((id) => [id, level])) }),
      downOf(quarters),
      0,
    );
    return VIEW_NAMES.reduce((sum, view) => sum + brightness[view], 0);
  };
  // OKLab lightness: 0.46 at level 6, 0.66 at 8, 0.77 at 9.
  expect(seen(8) / seen(9)).toBeCloseTo((0.66 - 0.46) / (0.77 - 0.46), 2);
  const colouring = studio.colouring(subjectOf(quarters, { levels: { [ids[0]]: 7 } }), 0);
  expect(new Set(colouring.tints.own).size).toBe(2);
});
