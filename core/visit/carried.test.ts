import { EMPTY_CONSULT, EMPTY_MIX } from '../formats';
import { carriedConsult, carriedMix, type Consult, type VisitMix } from '.';

test('what was measured, seen and written on the day is asked again; what was asked of the client goes on', () => {
  const consult: Consult = {
    ...EMPTY_CONSULT,
    goalLevel: 9,
    weeksBetween: 10,
    regrowthMm: { crown: 22 },
    notes: 'Brighter, please.',
    health: { allergy: 'none', dyes: 'plant', scalp: 'sound', strandFeel: 'sound', noted: ['medication'] },
  };
  expect(carriedConsult(consult)).toEqual({
    ...consult,
    regrowthMm: {},
    notes: '',
    health: { ...consult.health, scalp: null, strandFeel: null },
  });
});

test('a mix goes on without what was weighed, paid and decided about the day', () => {
  const mix: VisitMix = {
    ...EMPTY_MIX,
    bowl: { mostGrams: 60, usefulMinutes: 30 },
    used: { A: { grams: 40, predicted: 45 } },
    money: {
      addOns: ['bond'],
      agreed: { minor: 15_000, on: '2026-11-01' },
      payments: [{ what: 'deposit', minor: 2_000, on: '2026-11-01', how: 'cash' }],
    },
    clock: { ...EMPTY_MIX.clock, visits: 1, second: 'pulls', heat: true, pace: 120, pinned: { back: 2 } },
  };
  expect(carriedMix(mix)).toEqual({
    ...mix,
    used: {},
    money: { addOns: ['bond'], agreed: null, payments: [] },
    clock: { ...EMPTY_MIX.clock, visits: 1, second: 'pulls' },
  });
});
