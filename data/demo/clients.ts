import { EMPTY_CONSULT } from '../../core/formats';
import { EVERYWHERE } from '../../core/visit';
import { MORE_CLIENTS } from './more-clients';
import { baby, CHUNKY, consult, everywhere, head, lift, mix, plan, regrowth, seen, SLICE, weave, WELL, type DemoClient } from './visit-parts';

const maren = consult({
  curl: 'wavy', cut: { ends: 'long-layers', fringe: false },
  health: WELL, contrast: 'blended', tone: 'neutral', wornUpShare: 0.6, wornHalfUpShare: 0.1, partMoves: 'sometimes', cowlick: 'none', weeksBetween: 9, washesPerWeek: 3,
  faceFrame: { strength: 'soft', behindMm: 30 }, extensions: 'none',
  naturalLevel: 6, goalLevel: 9, brightness: 4, partMm: 22,
  head: head(555, 22),
  hair: { densityPerCm2: 165, strand: 'medium', lengthMm: 380, byZone: {} },
});
/** What Maren's visits are mixed of: her regrowth only, and a toner of three parts. */
const marenMix = {
  formulas: { A: lift({ reach: 'regrowth' }) },
  toners: [
    {
      id: 'toner-1', place: EVERYWHERE, line: 'sedge', parts: [{ shade: 'sedge-9-pearl', parts: 2 }, { shade: 'sedge-9-violet', parts: 1 }, { shade: 'sedge-clear', parts: 2 }], grams: 60, ratio: 2, volumes: 5, minutes: 12,
      state: 'damp',
    },
  ],
} as const;
const ines = consult({
  health: { ...WELL, noted: ['medication'] }, contrast: 'defined', tone: 'warm', wornUpShare: 0.2, partMoves: 'never', weeksBetween: 16, washesPerWeek: 2,
  naturalLevel: 3, goalLevel: 6.5, brightness: 2,
  head: head(562, 0, 'straight', 'straight'),
  hair: { densityPerCm2: 190, strand: 'coarse', lengthMm: 520, byZone: {} },
});
const delphine = consult({
  curl: 'curly', cut: { ends: 'layers', fringe: false },
  health: WELL, contrast: 'high', wornUpShare: 0.3, partMoves: 'often', weeksBetween: 17, washesPerWeek: 1,
  naturalLevel: 5, goalLevel: 8, brightness: 3,
  head: head(572, -15),
  hair: { densityPerCm2: 210, strand: 'coarse', lengthMm: 300, byZone: {} },
});
const perpetua = consult({
  health: WELL, contrast: 'blended', tone: 'cool', wornUpShare: 0.1, weeksBetween: 8,
  map: seen({ 'front-hairline': { greyShare: 0.7 }, temple: { greyShare: 0.8, condition: 'dry' }, front: { greyShare: 0.4 }, top: { greyShare: 0.25 }, 'upper-side': { greyShare: 0.3 }, nape: { greyShare: 0.05 } }),
  naturalLevel: 7, goalLevel: 9, brightness: 3,
  head: head(548, 10, 'receding', 'round'),
  hair: { densityPerCm2: 130, strand: 'fine', lengthMm: 160, byZone: {} },
});
const rosamund = consult({
  health: WELL, contrast: 'blended', tone: 'bright', wornUpShare: 0.4, weeksBetween: 6, washesPerWeek: 3,
  naturalLevel: 8, goalLevel: 10, brightness: 5,
  head: head(540, 0),
  hair: { densityPerCm2: 175, strand: 'fine', lengthMm: 250, byZone: {} },
});

export const DEMO_CLIENTS: readonly DemoClient[] = [
  {
    salon: 0, name: 'Maren Tolland', phone: '0700 900 114', note: 'Ties it up on most working days.', age: 38,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 10, document: { product: 'Pale gold toner' } }, { kind: 'strand', result: 'passed', weeksAgo: 30, document: { volume: 20, minutes: 15, fromLevel: 6, level: 7.5 } }],
    consents: ['photo', 'service', 'reminders'],
    visits: [
      {
        weeksAgo: 30, person: 0, consult: maren, plan: plan('Fine weave, first visit', maren, weave(8)),
        outcome: { done: 'Fine weaves all over, wide underneath. Toned pale gold.', levelReached: 8, nextInWeeks: 11 },
      },
      {
        weeksAgo: 19, person: 0, consult: { ...maren, regrowthMm: everywhere(31) }, plan: plan('Fine weave, brighter', maren, weave(6)),
        mix: mix({ ...marenMix, used: { A: { grams: 118, predicted: 104 } } }),
        outcome: { done: 'Same sections, closer at the back. Sides lifted well.', levelReached: 8.5, nextInWeeks: 10, zoneLevels: { 'nape-l': 8, 'nape-r': 8, 'temple-l': 8 }, said: 'Likes it; brighter at the sides next time.' },
      },
      {
        weeksAgo: 9, person: 1, consult: { ...maren, regrowthMm: everywhere(28) },
        plan: plan('Fine weave, brighter sides', maren, weave(6), weave(5)),
        mix: mix({ ...marenMix, used: { A: { grams: 96, predicted: 101 } } }),
        outcome: { done: 'Back as before, sides at 5 mm. Left temple a little slow, five minutes longer.', levelReached: 9, nextInWeeks: 9, zoneLevels: { 'temple-l': 8.5, 'nape-l': 8.5, 'nape-r': 8.5 }, nextWhat: 'full', said: 'Good tied up as well.', inspection: { 'worn-down': { mark: 'good', words: '' }, 'tied-back': { mark: 'good', words: '' }, 'left-right': { mark: 'mended', words: 'Left temple five minutes longer.' } } },
      },
      {
        weeksAgo: 0, person: 0, booked: { at: '10:00', minutes: 190, kind: 'full' },
        consult: {
          ...maren,
          regrowthMm: regrowth({ 'front-hairline': 25, temple: 24, 'ear-hairline': 26, 'nape-hairline': 27, front: 26, top: 26, crown: 27, 'upper-side': 26, 'lower-side': 26, 'upper-back': 27, occipital: 27, nape: 27 }),
          notes: 'Wants the sides kept bright; has two hours.',
        },
        plan: plan('Fine weave, brighter sides', maren, weave(6), weave(5)),
        mix: mix(marenMix),
      },
    ],
  },
  {
    salon: 0, name: 'Ines Harrow', phone: '0700 900 127', note: 'Very dark, grows fast. Low contrast, no brass.',
    age: 29, tests: [{ kind: 'alert', result: 'clear', weeksAgo: 31 }],
    visits: [
      {
        weeksAgo: 30, person: 1, consult: ines, plan: plan('Ribbons, first visit', ines, { gather: CHUNKY, thicknessMm: 8, dropoutMm: 19 }),
        outcome: { done: 'Few wide ribbons to see how she lifts. Slow past 5.', levelReached: 5.5, nextInWeeks: 16 },
      },
      {
        weeksAgo: 14, person: 1, consult: { ...ines, regrowthMm: everywhere(54) }, plan: plan('Chunky ribbons, sparse', ines, { gather: CHUNKY, thicknessMm: 8, dropoutMm: 16 }),
        outcome: { done: 'Wide ribbons, started 30 mm off the scalp. Stopped at 6, warm as wished.', levelReached: 6, nextInWeeks: 16 },
      },
    ],
  },
  {
    salon: 0, name: 'Delphine Oduro', phone: '0700 900 139', note: 'Curly, shrinks by a third when dry.', age: 33,
    visits: [
      {
        weeksAgo: 24, person: 0, consult: delphine, plan: plan('Deep ribbons', delphine, { gather: { ...CHUNKY, depth: 1 }, thicknessMm: 9, dropoutMm: 14 }),
        outcome: { done: 'Ribbons through the section, ends saturated twice.', levelReached: 7, nextInWeeks: 16 },
      },
      {
        weeksAgo: 7, person: 0, consult: { ...delphine, regrowthMm: everywhere(46) },
        plan: plan('Deep ribbons, closer', delphine, { gather: { ...CHUNKY, depth: 1 }, thicknessMm: 9, dropoutMm: 11 }),
        outcome: { done: 'Closer at the sides. Reached a clean 8 at the front.', levelReached: 8, nextInWeeks: 17 },
      },
    ],
  },
  {
    salon: 0, name: 'Perpetua Lindgren', phone: '', note: 'Silver at the temples, likes it soft. Left hairline recedes.',
    age: 61, tests: [{ kind: 'alert', result: 'clear', weeksAgo: 15 }],
    visits: [
      {
        weeksAgo: 14, person: 0, consult: perpetua, plan: plan('Grey blend, wide', perpetua, weave(11), weave(8)),
        outcome: { done: 'Wide to begin with; hairline in baby lights.', levelReached: 8.5, nextInWeeks: 8 },
      },
      {
        weeksAgo: 6, person: 0, consult: { ...perpetua, regrowthMm: everywhere(22) }, plan: plan('Grey blend, fine', perpetua, weave(9), baby(6)),
        outcome: { done: 'Fine weaves behind, baby lights at the sides to blend the silver.', levelReached: 9, nextInWeeks: 8 },
      },
    ],
  },
  {
    salon: 0, coming: [{ inDays: 0, at: '14:30', minutes: 45, kind: 'toner', person: 0 }], name: 'Rosamund Ackerley', phone: '0700 900 152', consents: ['reminders'], note: 'Baby lights only. Sensitive scalp: never to the skin.',
    visits: [
      {
        weeksAgo: 13, person: 1, consult: rosamund, plan: plan('Baby lights, full head', rosamund, baby(5)),
        outcome: { done: 'Baby lights throughout, 10 vol at the hairline.', levelReached: 10, nextInWeeks: 6 },
      },
      {
        weeksAgo: 7, person: 1, consult: { ...rosamund, regrowthMm: everywhere(17) }, plan: plan('Baby lights, full head', rosamund, baby(5)),
        outcome: { done: 'Repeated exactly; started 2 mm off the scalp.', levelReached: 10, nextInWeeks: 6 },
      },
    ],
  },
  { salon: 0, consents: ['reminders'], coming: [{ inDays: 0, at: '13:40', minutes: 20, kind: 'consult', person: 1 }, { inDays: 0, at: '16:00', minutes: 10, kind: 'alert-test', person: 0 }, { inDays: 2, at: '11:00', minutes: 180, kind: 'full', person: 1 }], name: 'Tamsin Whitlow', phone: '0700 900 168', note: 'New. Pointed hairline, wants to see less grey on top.', visits: [] },
  ...MORE_CLIENTS,
  {
    salon: 1, name: 'Quenby Sallow', phone: '0700 900 201', note: 'Slices, high contrast.',
    visits: [
      {
        weeksAgo: 8, person: 0, consult: consult({ naturalLevel: 4, goalLevel: 8, brightness: 3 }),
        plan: plan('Slices, high contrast', EMPTY_CONSULT, { gather: SLICE, thicknessMm: 3, dropoutMm: 12 }),
        outcome: { done: 'Slices a finger apart.', levelReached: 7.5, nextInWeeks: 8 },
      },
    ],
  },
];
