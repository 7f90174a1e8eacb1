import type { ItemsRead } from '../bowl';
import { EMPTY_MIX, startPlan } from '../formats';
import type { Plan } from '../pattern';
import { Shelf, USUAL_RANGE } from '../products';
import { EVERYWHERE, FACE_FAMILIES, type ColourPlace, type Consult, type RootMix } from '../visit';
import type { VisitFacts } from '../visit/computed';
import { visitOf } from '../visit/computed/testing';
import { nearestInTheHouse, tonerIdeas, usualCorrection } from '.';
import { colourDifference, fadedHair, lightnessOf, needsNoToner, tonerLeft } from '../lift';

const plan = startPlan();
const shelf = new Shelf(EMPTY_MIX, USUAL_RANGE);
/** What an earlier record saw. */
const seen = (levelReached: number | null): Partial<VisitFacts> => ({
  previous: levelReached === null ? null : { heldOn: '2026-10-05', plan, outcome: { levelReached } },
});

function items(read: ItemsRead) {
  if (!read.ok) throw new Error(read.problem);
  return Object.fromEntries(read.items.map(({ product, grams }) => [product, grams]));
}

describe('toner, root colour and corrections', () => {
  const toner = (part: object = {}) => ({
    id: 't',
    place: EVERYWHERE,
    line: 'sedge',
    parts: [{ shade: 'sedge-9-violet', parts: 1 }],
    grams: 60,
    ratio: 2,
    volumes: 5,
    minutes: 20,
    state: 'damp' as const,
    ...part,
  });
  const toned = (part: object = {}, consult: Partial<Consult> = {}) => {
    const { result } = visitOf({ mix: { toners: [toner(part)] }, consult: { goalLevel: 9, ...consult } })
      .colours.toners[0];
    if (!result.ok) throw new Error(result.problem);
    return result;
  };

  test('three parts are weighed to the gram: 2 : 1 with a dash', () => {
    const { items: itemsRead } = toned({
      parts: [
        { shade: 'sedge-9-violet', parts: 2 },
        { shade: 'sedge-9-pearl', parts: 1 },
        { shade: 'sedge-9-blue', parts: 0.25 },
      ],
    });
    expect(items(itemsRead)).toEqual({
      'sedge-9-violet': 12,
      'sedge-9-pearl': 6,
      'sedge-9-blue': 2,
      'moth-dev-5': 40,
    });
  });

  test('without foils it meets the light that is there: as it was seen, else as the last record has it', () => {
    const without: Plan = { ...plan, panels: [], edits: [] };
    const meets = (place: ColourPlace, map: Consult['map'], levelBefore: number | null) => {
      const { result } = visitOf({
        mix: { toners: [toner({ place })] },
        consult: { map },
        plan: without,
        facts: seen(levelBefore),
      }).colours.toners[0];
      return result.ok ? result.meets : result.problem;
    };
    expect(meets(EVERYWHERE, {}, 8.5)).toBe(8.5);
    expect(
      meets(
        { ...EVERYWHERE, zones: FACE_FAMILIES },
        {
          'temple-l': { midsLevel: 9.5 },
          'temple-r': { midsLevel: 9.5 },
          'front-hairline-l': { midsLevel: 9.5 },
          'front-hairline-r': { midsLevel: 9.5 },
        },
        7,
      ),
    ).toBeGreaterThan(8);
    expect(meets(EVERYWHERE, {}, null)).toBe(
      'the pattern has no foils yet, and no earlier lightening is on record',
    );
    // A pattern with foils goes by them, whatever was before.
    expect(
      visitOf({ mix: { toners: [toner()] }, consult: { goalLevel: 9 }, facts: seen(3) }).colours.toners[0]
        .result,
    ).toEqual(toned());
  });

  test('clear softens, violet neutralises, time tells', () => {
    const pure = toned();
    const half = toned({
      parts: [
        { shade: 'sedge-9-violet', parts: 1 },
        { shade: 'sedge-clear', parts: 1 },
      ],
    });
    expect(half.clearShare).toBe(0.5);
    expect(half.toned.warmth).toBeGreaterThan(pure.toned.warmth);
    expect(toned({ minutes: 5 }).toned.warmth).toBeGreaterThan(pure.toned.warmth);
    expect(toned({ parts: [{ shade: 'sedge-9-gold', parts: 1 }] }).toned.balance).toBe('under');
  });

  test('a shade far from the hair, a long time, a strong developer and a mixed line are said', () => {
    expect(toned({ parts: [{ shade: 'sedge-6-ash', parts: 1 }], minutes: 25, volumes: 20 }).notes).toEqual([
      expect.stringContaining('further away from the wish'),
      expect.stringContaining('darker than the hair'),
      '25 min is longer than 20 min, the longest for Sedge demi.',
      '20 vol is above 10 vol, the strongest for Sedge demi.',
    ]);
    const { result } = visitOf({ mix: { toners: [toner({ parts: [{ shade: 'rill-9-ash', parts: 1 }] })] } })
      .colours.toners[0];
    expect(result).toEqual({
      ok: false,
      problem: 'Rill 9 ash is of another line than Sedge demi: lines are not mixed',
    });
  });

  test('ideas of a line come near the wish, the nearest first', () => {
    const line = shelf.line('sedge')!;
    const found = tonerIdeas(line, shelf, { level: 9, minutes: 20, wish: 'neutral', porous: false });
    expect(found).toHaveLength(3);
    const off = found.map(({ toned: own }) =>
      Math.hypot(own.after.a - own.wished.a, own.after.b - own.wished.b),
    );
    expect(off[0]).toBeLessThan(0.02);
    expect(found[0].toned.balance).toBe('just');
  });

  test('a red is nearest to a red, not to copper; a pastel is a direct dye thinned with clear', () => {
    const hair = { level: 9, wish: { lightness: lightnessOf(7.5), chroma: 0.17, hueDeg: 27 }, porous: false };
    const [nearest, ...others] = nearestInTheHouse(shelf, hair);
    expect(nearest.words).toMatch(/red/);
    for (const other of others)
      expect(other.toned.difference).toBeGreaterThanOrEqual(nearest.toned.difference);
    const direct = tonerIdeas(shelf.line('heath')!, shelf, {
      ...hair,
      level: 10,
      minutes: 20,
      wish: { lightness: lightnessOf(9.5), chroma: 0.04, hueDeg: 355 },
    })[0];
    // Plum over palest yellow is a pink.
    expect(direct.words).toMatch(/pink|plum/);
    expect(direct.parts.some(({ shade }) => shade === 'heath-clear')).toBe(true);
    // A copper is offered where a copper is wished.
    expect(
      tonerIdeas(shelf.line('heath')!, shelf, {
        ...hair,
        minutes: 20,
        wish: { lightness: lightnessOf(8.5), chroma: 0.15, hueDeg: 55 },
      }).some(({ words }) => /copper/.test(words)),
    ).toBe(true);
  });

  test('no toner is needed where the lifted hair is the wish; a tone fades to a twentieth in 20 washes', () => {
    expect(needsNoToner(10, 'cool')).toMatchObject({ needless: true });
    expect(needsNoToner(8, 'cool')).toMatchObject({ needless: false });
    expect(tonerLeft(0)).toBe(1);
    expect(tonerLeft(20)).toBeCloseTo(0.05, 9);
    const { toned: own } = toned();
    expect(colourDifference(fadedHair(own, 0), own.colours.after)).toBeCloseTo(0, 9);
    expect(colourDifference(fadedHair(own, 20), own.colours.before)).toBeLessThan(
      0.1 * colourDifference(own.colours.after, own.colours.before),
    );
  });

  test('a direct dye is used as it comes', () => {
    expect(
      toned({
        line: 'heath',
        parts: [{ shade: 'heath-8-pink', parts: 1 }],
        ratio: 0,
        volumes: 5,
        minutes: 20,
      }).items,
    ).toMatchObject({ ok: true, items: [{ product: 'heath-8-pink', grams: 60 }] });
    expect(
      toned({
        line: 'heath',
        parts: [{ shade: 'heath-8-pink', parts: 1 }],
        ratio: 1,
        volumes: 5,
        minutes: 20,
      }).notes,
    ).toContain('Heath direct is used as it comes, without developer.');
  });

  test('a root goes by the rule of its line; two levels darker grows out as a band', () => {
    const root: RootMix = {
      id: 'r',
      place: EVERYWHERE,
      mm: 25,
      line: 'sedge',
      rule: null,
      grams: 60,
      ratio: 1,
      volumes: 10,
      minutes: 20,
      state: 'damp',
    };
    const rooted = (rootMix: RootMix, consult: Partial<Consult> = {}) =>
      visitOf({ mix: { roots: [rootMix] }, consult }).colours.roots[0].result;
    const usualRoot = rooted(root);
    if (!usualRoot.ok) throw new Error('no root');
    expect(items(usualRoot.items)).toEqual({ 'sedge-6-natural': 23, 'sedge-6-ash': 7, 'moth-dev-10': 30 });
    expect(usualRoot.warning).toBeNull();
    expect(rooted({ ...root, rule: { natural: 1, ash: 0, levels: -2 } }, { naturalLevel: 7 })).toMatchObject({
      warning: expect.stringContaining('grows out as a band'),
    });
    expect(usualRoot.nearest).toBeNull();
    expect(rooted({ ...root, rule: { natural: 1, ash: 0, levels: -2 } }, { naturalLevel: 5 })).toMatchObject({
      level: 5,
      nearest: 'Sedge demi has no shades of level 3: the nearest, 5, are taken.',
    });
    expect(rooted({ ...root, line: 'gone' })).toEqual({
      ok: false,
      problem: 'the line “gone” is not in the house',
    });
  });

  test('a bleach wash in equal parts is weak, and lifts half a level in its time', () => {
    const { result } = visitOf({
      mix: { corrections: [{ ...usualCorrection('w', shelf.recipes('bleach-wash')[0], 9), grams: 80 }] },
    }).colours.corrections[0];
    expect(items(result.items)).toEqual({ 'moth-powder': 20, 'moth-dev-20': 20, wash: 20, water: 20 });
    expect(result.volumes).toBeCloseTo(20 / 3, 9);
    expect(result.level).toBeGreaterThan(9);
    expect(result.level).toBeLessThan(10);
  });
});
