import { Shelf, USUAL_RANGE } from '../products';
import { METRIC } from '../units';
import { EVERYWHERE, usualFormula, type VisitMix } from '../visit';
import { visitOf } from '../visit/computed/testing';
import { mixCard } from './mix-card';
import { EMPTY_MIX } from './mix-document';
import { textWidth } from './text-width';

const facts = {
  client: 'Nell',
  date: '25 Nov 2026',
  colourist: 'Ottilie',
  base: '6',
  goal: '9',
  price: '€200.00',
  agreed: null,
  cautions: ['Over 20 vol at the hairline.'],
  measures: METRIC,
};
const usual = usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!;
const toner = (n: number): VisitMix['toners'][number] => ({
  id: `t${n}`,
  place: EVERYWHERE,
  line: 'sedge',
  parts: [
    { shade: 'sedge-9-violet', parts: 2 },
    { shade: 'sedge-9-pearl', parts: 1 },
    { shade: 'sedge-clear', parts: 1 },
  ],
  grams: 60,
  ratio: 2,
  volumes: 5,
  minutes: 10,
  state: 'damp',
});

function card(part: Partial<VisitMix>) {
  const visit = visitOf({ mix: part, consult: { goalLevel: 9 } });
  const { shapes, widthMm, heightMm } = mixCard(visit, facts);
  const texts = shapes.flatMap((shape) => (shape.kind === 'text' ? [shape] : []));
  return {
    bowls: visit.work.bowls,
    texts,
    words: texts.map(({ words }) => words).join(' '),
    widthMm,
    heightMm,
  };
}

test('every amount of every bowl and toner stands on it, none is cut, all lies on the page', () => {
  const additives = [
    { product: 'rootling', amount: 0.1, unit: 'g' as const },
    { product: 'water', amount: 0.1, unit: 'g' as const },
    { product: 'barrier', amount: 0.2, unit: 'g' as const },
  ];
  const { bowls, texts, words, widthMm, heightMm } = card({
    formulas: { A: { ...usual, volumes: 13, additives } },
    toners: [toner(1), toner(2)],
  });
  if (!bowls.ok) throw new Error(bowls.problem);
  for (const { label, items } of bowls.bowls) {
    expect(words).toContain(label);
    if (items.ok)
      for (const { grams, name } of items.items)
        expect(words.replace(/\s+/g, ' ')).toContain(`${grams} g ${name}`);
  }
  expect(words.match(/Sedge 9 violet/g)).toHaveLength(2);
  for (const { x, y, size, words: own, weight, anchor } of texts) {
    expect(y).toBeLessThanOrEqual(heightMm - 10);
    const width = textWidth(own, size, weight);
    expect(anchor === 'end' ? x : x + width).toBeLessThanOrEqual(widthMm - 11);
  }
});

test('few lines are large, many are small, and what finds no place is said', () => {
  const size = (own: ReturnType<typeof card>) => own.texts.find(({ words }) => words === 'Bowls')!.size;
  expect(size(card({}))).toBeGreaterThan(
    size(card({ toners: Array.from({ length: 12 }, (_, i) => toner(i)) })),
  );
  const washes = Array.from({ length: 12 }, (_, i) => ({
    use: 'bleach-wash' as const,
    recipe: null,
    name: 'Bleach wash',
    id: `w${i}`,
    parts: [
      { product: 'moth-powder', parts: 1 },
      { volumes: 20, parts: 1 },
    ],
    grams: 80,
    minutes: 15,
    level: 9,
    place: EVERYWHERE,
  }));
  const full = card({
    toners: Array.from({ length: 12 }, (_, i) => toner(i)),
    corrections: washes,
    bowl: { mostGrams: 20, usefulMinutes: 10 },
  });
  expect(full.words).toMatch(/and \d+ more lines on the screen/);
});

test('a target out of reach and a formula without its product are said', () => {
  expect(card({ formulas: { A: { ...usual, volumes: 5, target: 10 } } }).words).toMatch(
    /not expected; \d(\.\d)? at 45/,
  );
  expect(card({ formulas: { A: { ...usual, bottles: ['gone'] } } }).words).toContain(
    'cannot be mixed: a developer that was chosen is not in the house any more',
  );
});
