import { startPlan } from '../formats';
import { ZONES } from '../head';
import type { Plan } from '../pattern';
import { inTurn } from '../pattern/testing';
import { planOf, techniqueOf } from '../technique';
import {
  brightnessOf,
  CURLS,
  downOf,
  litOf,
  mended,
  mendWords,
  stripeOf,
  subjectOf,
  TIED,
  VIEW_NAMES,
  WearStudio,
  type Finding,
  type WearSubject,
} from '.';
import { noiseOf } from './noise';
import { standingOut } from './stripe';
import { allOver } from './testing';

/** With all its strands, where a narrow limit is at stake; with some, for what is plain with them too. */
const studio = new WearStudio(undefined, undefined, 300e6);
const some = new WearStudio(studio.engine, 8000, 300e6);
const all = (subject: WearSubject, by = some): readonly Finding[] =>
  [...by.findings(subject)].filter((own) => own !== null).at(-1)!;
const minded = (findings: readonly Finding[]) =>
  new Set(findings.filter(({ fine }) => !fine).map(({ key }) => key));

describe('the built-in patterns raise nothing on themselves that their own description denies', () => {
  const of = (key: string, known: Partial<WearSubject> = {}, by = some) => {
    const technique = techniqueOf(key)!;
    const plan = planOf(technique);
    const letters = [
      ...new Set(plan.panels.flatMap(({ formula, rotation }) => [formula, ...(rotation?.sequence ?? '')])),
    ];
    const facts = letters.map((letter) => ({
      letter,
      lifts: !(technique.deposits ?? []).includes(letter),
      reach: 'ends' as const,
      endsMm: 0,
    }));
    return all(subjectOf(plan, { letters: { facts, lowlight: null }, ...known }), by);
  };

  test('even over the whole head: no dark hairline, crown, part or stripes', () => {
    const found = (key: string, keys: readonly Finding['key'][]) => {
      const raised = minded(of(key));
      return keys.filter((findingKey) => raised.has(findingKey));
    };
    expect(found('four-quarters', ['unlit', 'crown', 'part', 'stripe', 'sides'])).toEqual([]);
    // Its caution says that horizontal rows stripe, and that none lies in the part.
    expect(found('two-mixes-in-bricks', ['unlit', 'crown', 'sides'])).toEqual([]);
  });

  test('a rim for hair worn up is even all round', () => {
    const rim = of('perimeter-up', { tiedShare: 0.8 }, studio);
    expect(minded(rim).has('unlit')).toBe(false);
    expect(minded(rim).has('part')).toBe(false);
  });

  test('bright wherever the hairline shows: none of it is dark', () => {
    expect(minded(of('hairline-and-threes')).has('unlit')).toBe(false);
  });

  test('soft and seamless ones draw no stripes; started off the scalp they draw no root line within half a year between visits', () => {
    for (const key of ['four-quarters', 'baby-veil', 'hairline-and-threes', 'painted-by-foils'])
      expect(minded(of(key)).has('stripe')).toBe(false);
    for (const key of ['teased-sweep', 'open-air'])
      expect(of(key).find((finding) => finding.key === 'root-line')).toMatchObject({ fine: true });
  });
});

test('every finding names the view and the limit that it judges, the front among them', () => {
  const bold = planOf(techniqueOf('deep-contrast')!);
  const [stripe] = all(subjectOf(bold)).filter(({ key }) => key === 'stripe');
  const looks = [downOf(bold), TIED].map((way) => some.look(subjectOf(bold), way, 0));
  expect(Math.max(...looks.map((look) => look.stripe.front))).toBeGreaterThan(0.2);
  expect(stripe).toMatchObject({ fine: false, view: 'front' });
  expect(stripe.words).toMatch(/^Stripes from the front, tied back: 0\.\d\d\.$/);
  expect(stripe.why).toMatch(/from 0\.16 on/);
});

test('horizontal slices a finger apart stripe, as the library warns; light that is scattered by chance does not, however small the view', () => {
  const minds = (key: string) =>
    all(subjectOf(planOf(techniqueOf(key)!)), studio).some(
      (finding) => finding.key === 'stripe' && !finding.fine,
    );
  expect(minds('fast-slices')).toBe(true);
  const hair = studio.hair(startPlan(), TIED);
  for (const view of VIEW_NAMES) {
    for (const share of [0.1, 0.3]) {
      const light = studio.light(subjectOf(startPlan()), 0);
      const fromMm = light.own.fromMm.map((_, i) =>
        noiseOf(hair.strands.seed[i], 33) < share ? 0 : Infinity,
      );
      const zero = new Float32Array(fromMm.length);
      const lit = litOf(hair.surface(view), {
        ...light,
        own: { ...light.own, fromMm, overMm: zero, toMm: zero.map(() => Infinity) },
        packed: null,
      });
      expect(
        standingOut(stripeOf(hair.flow(view), lit), hair.chance(view), brightnessOf(hair.surface(view), lit)),
      ).toBeLessThan(0.15);
    }
  }
});

describe('curl hides', () => {
  const whole = (angleDeg: number) =>
    allOver({ kind: 'slice' }, 6, 10, { direction: { kind: 'parallel', angleDeg } });
  // The strands are drawn by lot: a hundredth either way is chance.
  const CHANCE = 0.015;
  test.each<[string, Plan]>([
    ['horizontal slices', whole(0)],
    ['slices a finger apart', planOf(techniqueOf('fast-slices')!)],
    ['deep weaves', planOf(techniqueOf('deep-contrast')!)],
  ])('%s stripe most where hair is straight, least where it is coily, worn down and tied', (_name, plan) => {
    for (const way of [downOf(plan), TIED]) {
      const stripes = CURLS.map((curl) => {
        const { stripe } = some.look(subjectOf(plan, { curl }), way, 0);
        return VIEW_NAMES.reduce((sum, view) => sum + stripe[view], 0) / VIEW_NAMES.length;
      });
      for (let i = 1; i < stripes.length; i += 1)
        expect(stripes[i]).toBeLessThanOrEqual(stripes[i - 1] + CHANCE);
      expect(stripes[3]).toBeLessThan(stripes[0]);
    }
  });
});

test('an old line that still stands out is mended by what takes most of it, each with what would be left', () => {
  const colour: WearSubject['colour'] = {
    naturalLevel: 5,
    targetLevel: 9,
    tone: null,
    byZone: Object.fromEntries(ZONES.map((zone) => [zone, { midsLevel: 9, endsLevel: 9 }])),
    regrowthMm: Object.fromEntries(ZONES.map((zone) => [zone, 40])),
  };
  const subject = subjectOf(planOf(techniqueOf('four-quarters')!), { colour });
  const line = all(subject).find(({ key }) => key === 'demarcation')!;
  expect(line.fine).toBe(false);
  const left = (finding: Finding) => Number(/: (\d+)% of it is left/.exec(finding.words)![1]);
  expect(left(line)).toBeGreaterThan(80);
  expect(line.mends!.map(mendWords)).toEqual(
    expect.arrayContaining([
      expect.stringMatching(/^Slices near the top: \d+% left$/),
      expect.stringMatching(/^Lowlights in the drop-outs near the top: \d+% left$/),
      expect.stringMatching(/^Root shadow to 40 mm: \d+% left$/),
    ]),
  );
  const slices = line.mends!.find((mend) => mend.kind === 'old-line' && mend.how === 'slices')!;
  const after = all({ ...subject, plan: mended(subject.plan, slices) }).find(
    ({ key }) => key === 'demarcation',
  )!;
  expect(mendWords(slices)).toBe(`Slices near the top: ${left(after)}% left`);
  expect(after.fine).toBe(true);
});

test('half of the foils depositing is said as lightened and deepened', () => {
  const facts = ['A', 'B'].map((letter) => ({
    letter,
    lifts: letter === 'A',
    reach: 'ends' as const,
    endsMm: 0,
  }));
  expect(all(subjectOf(inTurn(startPlan()), { letters: { facts, lowlight: 'B' } }))[0].why).toMatch(
    /^\d+% lightened, \d+% deepened\. /,
  );
});
