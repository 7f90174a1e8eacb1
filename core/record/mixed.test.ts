import { recordOf, servedBy, serviceState } from '../chair';
import { closed, happened, started } from '../chair/testing';
import { EMPTY_MIX, startPlan } from '../formats';
import { retypeFoil } from '../pattern';
import { Shelf, USUAL_RANGE } from '../products';
import { EVERYWHERE, usualFormula } from '../visit';
import { visitOf } from '../visit/computed/testing';
import { mixedLines, repeatLines, unitsSaid } from '.';

const plan = retypeFoil(startPlan(), 'back/3/1', { formula: 'B' });
const weak = { ...usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!, volumes: 10 };
const mix = { ...EMPTY_MIX, formulas: { B: weak }, used: { A: { grams: 240, predicted: 230 } } };
const visit = visitOf({ plan, mix });
const { work, script } = visit;

test('without a service: what is planned, and what was read of the bowls', () => {
  const lines = mixedLines(work, mix, null);
  expect(
    lines.map(({ letter, units, bowls, grams, on }) => [
      letter,
      unitsSaid(units),
      bowls.done,
      grams.done,
      on,
    ]),
  ).toEqual([
    ['A', '99 foils', null, 240, null],
    ['B', '1 foil', null, null, null],
  ]);
  if (!work.bowls.ok) throw new Error(work.bowls.problem);
  // Every bowl and every gram of the plan is in one of them.
  expect(lines.reduce((sum, { bowls }) => sum + bowls.planned, 0)).toBe(work.bowls.bowls.length);
  expect(lines.reduce((sum, { grams }) => sum + grams.planned, 0)).toBeCloseTo(
    work.bowls.bowls.reduce((sum, { mixed }) => sum + mixed, 0),
    6,
  );
  expect(lines[0].words).toMatch(/, 20 vol, 1 : \d/);
});

test('with a service: bowls that were mixed, the longest that it was on beside its limit, steps that were done', () => {
  const [block] = script.blocks;
  const [first, second] = block.units;
  const events = happened([
    [0, started],
    [1, closed(first)],
    [3, { kind: 'bowl', mix: 'A' }],
    [4, closed(second)],
    [31, { kind: 'rinse-begun', blocks: [block.id], incident: null }],
    [36, { kind: 'rinse-done' }],
    [36, { kind: 'step-begun', step: 'wash' }],
    [43, { kind: 'step-done', step: 'wash' }],
  ]);
  const record = recordOf(script, serviceState(script, events));
  const [a, b] = mixedLines(work, mix, { script, record });
  // The first bowl is that of the first foil, the second the one that was said.
  expect(a).toMatchObject({
    bowls: { done: 2 },
    on: { longest: expect.closeTo(record.longest, 9), limit: 45 },
  });
  expect(record.longest).toBeGreaterThanOrEqual(30);
  expect(b).toMatchObject({ bowls: { done: 0 }, on: null });
  expect(record.steps.filter(({ done }) => done !== null)).toEqual([
    {
      id: 'wash',
      name: 'Wash and treat',
      recipe: '30 g Rill mask, as the hair is',
      planned: 8,
      done: 7,
      skipped: false,
      why: null,
    },
  ]);
  expect(record.summary).toContain('Wash and treat 7 min: 30 g Rill mask');
});

test('an exact repeat has every mix with its developer, amount and time, toner and root with their parts, the level and her words', () => {
  const toner = {
    id: 't',
    place: { ...EVERYWHERE, lengths: ['mids' as const] },
    line: 'sedge',
    parts: [
      { shade: 'sedge-9-violet', parts: 2 },
      { shade: 'sedge-9-pearl', parts: 1 },
    ],
    grams: 60,
    ratio: 2,
    volumes: 5,
    minutes: 12,
    state: 'damp' as const,
  };
  const own = { ...mix, toners: [toner] };
  const { work: all, after, script: toned } = visitOf({ plan, mix: own });
  const record = { levelReached: 8.5, said: 'Brighter at the temples.' };
  const planned = repeatLines({ mix: own, work: all, after, served: null, record, say: (text) => text });
  expect(planned).toEqual([
    expect.stringMatching(/^A: .+, 20 vol, 1 : 2; 99 foils, 240 g taken\.$/),
    expect.stringMatching(/^B: .+, 10 vol, 1 : 2; 1 foil, about \d+ g\.$/),
    'Wash and treat: 30 g Rill mask; as the hair is, 8 min.',
    'Toner, mid-lengths: 13 g Sedge 9 violet, 7 g Sedge 9 pearl, 40 g Moth developer 5 vol; on damp hair, 12 min.',
    'Level 8½ reached. They said: “Brighter at the temples.”',
  ]);
  // Where the toner was timed, it is what it was.
  const served = servedBy(
    toned,
    happened([
      [0, started],
      [1, closed(toned.blocks[0].units[0])],
      [40, { kind: 'step-begun', step: 'toner t' }],
      [49, { kind: 'step-done', step: 'toner t' }],
    ]),
  );
  expect(repeatLines({ mix: own, work: all, after, served, record, say: (text) => text })[3]).toMatch(
    /9 min\.$/,
  );
  expect(servedBy(toned, [])).toBeNull();
});
