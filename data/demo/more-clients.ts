import { baby, CHUNKY, consult, everywhere, grownOn, head, laid, plan, regrowth, seen, SLICE, weave, WELL, type DemoClient } from './visit-parts';

const pointed = consult({
  naturalLevel: 5, goalLevel: 8, brightness: 3, head: head(545, 8, 'pointed'), health: WELL, contrast: 'defined', wornUpShare: 0.5, partMoves: 'sometimes', weeksBetween: 8, washesPerWeek: 3,
  hair: { densityPerCm2: 180, strand: 'medium', lengthMm: 340, byZone: {} },
});
const afterBirth = consult({
  naturalLevel: 6, goalLevel: 8.5, brightness: 2, head: head(552, 18), health: WELL, contrast: 'blended', wornUpShare: 0.7, partMoves: 'never', weeksBetween: 12, washesPerWeek: 2,
  hair: { densityPerCm2: 150, strand: 'fine', lengthMm: 360, byZone: { 'temple-l': { densityPerCm2: 80, lengthMm: 35 }, 'temple-r': { densityPerCm2: 90, lengthMm: 40 } } },
  map: seen({ temple: { flags: ['baby', 'thin'] }, 'front-hairline': { flags: ['baby'] } }),
});
const offSolid = consult({
  naturalLevel: 5, goalLevel: 7, brightness: 3, head: head(548, 0), health: WELL, contrast: 'blended', tone: 'neutral', wornUpShare: 0.3, weeksBetween: 10, washesPerWeek: 3,
  hair: { densityPerCm2: 165, strand: 'medium', lengthMm: 300, byZone: {} },
  map: seen({ top: { midsLevel: 10, endsLevel: 10, condition: 'porous' }, crown: { midsLevel: 10, endsLevel: 10, condition: 'porous' }, 'upper-side': { midsLevel: 9.5, endsLevel: 10, condition: 'porous' }, 'upper-back': { midsLevel: 9.5, endsLevel: 10 } }),
  history: [{ what: 'lightener', where: 'elsewhere', on: '2025-06-12', note: 'solid, every five weeks' }],
  goals: [
    { words: 'Break the line with slices near the top', level: 8, brightness: 4, byOn: null },
    { words: 'Half as many foils, depth on the ends', level: 7.5, brightness: 3, byOn: null },
    { words: 'Only a glaze', level: 7, brightness: 1, byOn: null },
  ],
});
/** Eleven weeks on, with the old length cut and cared for. */
const offSolidMended = { ...offSolid, map: seen({ top: { midsLevel: 10, endsLevel: 9.5, condition: 'dry' }, crown: { midsLevel: 10, endsLevel: 9.5, condition: 'dry' }, 'upper-side': { midsLevel: 9.5, endsLevel: 9.5, condition: 'sound' }, 'upper-back': { midsLevel: 9.5, endsLevel: 9.5 } }) };
const longUp = consult({
  curl: 'wavy', cut: { ends: 'one-length', fringe: false },
  naturalLevel: 7, goalLevel: 9.5, brightness: 3, head: head(556, 0), health: WELL, contrast: 'defined', tone: 'cool', wornUpShare: 0.8, wornHalfUpShare: 0.1, partMoves: 'often', weeksBetween: 9, washesPerWeek: 2,
  hair: { densityPerCm2: 185, strand: 'medium', lengthMm: 620, byZone: {} },
});
const straight = consult({
  curl: 'straight', cut: { ends: 'one-length', fringe: false },
  naturalLevel: 4, goalLevel: 7, brightness: 3, head: head(550, -25, 'straight'), health: WELL, contrast: 'blended', wornUpShare: 0.4, partMoves: 'never', weeksBetween: 8, washesPerWeek: 5,
  hair: { densityPerCm2: 200, strand: 'medium', lengthMm: 450, byZone: {} },
});
const short = consult({
  curl: 'straight', cut: { ends: 'layers', fringe: false },
  naturalLevel: 6, goalLevel: 9, brightness: 4, head: head(558, 30), health: WELL, contrast: 'high', wornUpShare: 0, weeksBetween: 6, washesPerWeek: 7,
  hair: { densityPerCm2: 170, strand: 'coarse', lengthMm: 90, byZone: { 'nape-l': { lengthMm: 35 }, 'nape-r': { lengthMm: 35 }, 'nape-hairline': { lengthMm: 25 } } },
});
const curls = consult({
  curl: 'coily', cut: { ends: 'layers', fringe: false },
  naturalLevel: 3, goalLevel: 6, brightness: 2, head: head(575, 0), health: { ...WELL, dyes: 'plant' }, contrast: 'defined', tone: 'warm', wornUpShare: 0.5, partMoves: 'often', weeksBetween: 20, washesPerWeek: 1,
  hair: { densityPerCm2: 230, strand: 'coarse', lengthMm: 280, byZone: {} },
  history: [{ what: 'plant', where: 'home', on: '2026-02-20', note: 'twice, for shine' }],
});
const silver = consult({
  naturalLevel: 6, goalLevel: 9, brightness: 3, head: head(562, 20, 'round', 'receding'), health: WELL, contrast: 'blended', tone: 'cool', wornUpShare: 0, weeksBetween: 12,
  hair: { densityPerCm2: 140, strand: 'coarse', lengthMm: 180, byZone: {} },
  map: seen({ 'front-hairline': { greyShare: 0.9 }, temple: { greyShare: 0.95 }, front: { greyShare: 0.7 }, top: { greyShare: 0.5 }, crown: { greyShare: 0.4 }, 'upper-side': { greyShare: 0.6 }, 'upper-back': { greyShare: 0.3 }, nape: { greyShare: 0.1 } }),
  goals: [{ words: 'Two thirds of the foils', level: 9, brightness: 3, byOn: null }, { words: 'Natural silver, glaze only', level: 9, brightness: 1, byOn: null }],
});
const young = consult({
  naturalLevel: 7, goalLevel: 8.5, brightness: 1, head: head(540, 0), health: { ...WELL, allergy: null }, contrast: 'blended', wornUpShare: 0.6, weeksBetween: 12,
  hair: { densityPerCm2: 190, strand: 'fine', lengthMm: 410, byZone: {} },
});

/** Clients of many kinds of hair, each with a history of her own. */
export const MORE_CLIENTS: readonly DemoClient[] = [
  {
    salon: 0, name: 'Ottoline Brask', phone: '0700 900 171', note: 'Widow’s peak: from the middle out to the sides, never straight back.', age: 44,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 18 }], consents: ['service', 'reminders'],
    visits: [
      { weeksAgo: 17, person: 0, consult: pointed, plan: plan('Centre-out weave', pointed, weave(7)), outcome: { done: 'Face along the hairline, from the middle to each side.', levelReached: 7.5, nextInWeeks: 8 } },
      { weeksAgo: 8, person: 0, consult: grownOn(pointed, 26), plan: plan('Centre-out weave', pointed, weave(6)), outcome: { done: 'As before, a little closer.', levelReached: 8, nextInWeeks: 8 } },
    ],
  },
  {
    salon: 0, name: 'Leonie Vastergard', phone: '0700 900 174', note: 'Hairline lost after a birth, growing in: pin the baby hair away.', age: 31,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 30 }],
    visits: [
      { weeksAgo: 26, person: 1, consult: { ...afterBirth, map: {} }, plan: laid('crossed-part', afterBirth, 'Part panel only'), outcome: { done: 'Part panel, hairline left alone.', levelReached: 8, nextInWeeks: 12 } },
      { weeksAgo: 12, person: 1, consult: grownOn(afterBirth, 38), plan: laid('crossed-part-and-sides', afterBirth, 'Part panel and sides'), outcome: { done: 'Sides from 25 mm inside; temples pinned away.', levelReached: 8.5, nextInWeeks: 12 } },
    ],
  },
  {
    salon: 0, name: 'Sunniva Pellworth', phone: '0700 900 177', note: 'Growing out of solid lightening over three visits.', age: 36,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 21 }], consents: ['photo', 'reminders'],
    visits: [
      { weeksAgo: 20, person: 0, consult: { ...offSolid, regrowthMm: everywhere(25) }, plan: plan('Breaking the line', offSolid, weave(5), { gather: SLICE, thicknessMm: 3, dropoutMm: 8 }), outcome: { done: 'Weaves behind, slices near the top through the old line.', levelReached: 9, nextInWeeks: 10 } },
      { weeksAgo: 9, person: 0, consult: grownOn(offSolidMended, 33), plan: plan('Fewer, with depth', offSolidMended, weave(9), weave(7)), outcome: { done: 'Half the foils; level 6 drawn down through the mids.', levelReached: 8.5, nextInWeeks: 11 } },
    ],
  },
  {
    salon: 0, name: 'Beatrix Amory-Lunde', phone: '0700 900 180', note: 'Long, nearly always up: the rim is what people see.', age: 27,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 29 }, { kind: 'strand', result: 'passed', weeksAgo: 29, document: { volume: 10, minutes: 20, fromLevel: 7, level: 8.5 } }],
    visits: [
      { weeksAgo: 28, person: 1, consult: longUp, plan: laid('perimeter-up', longUp, 'Rim for hair worn up'), outcome: { done: 'Rim only, 13 foils.', levelReached: 9, nextInWeeks: 9 } },
      { weeksAgo: 18, person: 1, consult: grownOn(longUp, 32), plan: laid('hairline-and-threes', longUp, 'Rim and threes'), outcome: { done: 'Rim again, baby lights in threes inside.', levelReached: 9, nextInWeeks: 9 } },
      { weeksAgo: 8, person: 1, consult: { ...longUp, regrowthMm: regrowth({ 'front-hairline': 24, temple: 25, 'ear-hairline': 25, 'nape-hairline': 26, front: 56, top: 55, crown: 57, 'upper-side': 55, 'lower-side': 56, 'upper-back': 57, occipital: 57, nape: 58 }) }, plan: laid('perimeter-up', longUp, 'Rim for hair worn up'), outcome: { done: 'Rim alone; inside left to the next.', levelReached: 9.5, nextInWeeks: 9 } },
    ],
  },
  {
    salon: 0, name: 'Junia Saltmarsh', phone: '0700 900 183', note: 'Dead straight: every line shows. Diagonals.', age: 40,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 17 }],
    visits: [
      { weeksAgo: 16, person: 0, consult: straight, plan: plan('Horizontals, close', straight, weave(5)), outcome: { done: 'Horizontals at the sides: two stripes when tied back. Diagonals next time.', levelReached: 7, nextInWeeks: 8 } },
      { weeksAgo: 7, person: 0, consult: grownOn(straight, 25), plan: laid('staggered-back', straight, 'Diagonal back'), outcome: { done: 'Diagonal all the way, no stripe.', levelReached: 7, nextInWeeks: 8 } },
    ],
  },
  {
    salon: 0, coming: [{ inDays: 1, at: '12:00', minutes: 60, kind: 'face', person: 0 }], name: 'Kerensa Dovey', phone: '', note: 'Short crop, washes every day.', age: 52,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 13 }],
    visits: [
      { weeksAgo: 12, person: 1, consult: short, plan: plan('Crop, chunky top', short, { gather: CHUNKY, thicknessMm: 7, dropoutMm: 9 }), outcome: { done: 'Top in ribbons, nape left dark.', levelReached: 8.5, nextInWeeks: 6 } },
      { weeksAgo: 6, person: 1, consult: grownOn(short, 20), plan: plan('Crop, finer', short, baby(5)), outcome: { done: 'Finer, softer to the sides.', levelReached: 9, nextInWeeks: 6 } },
    ],
  },
  {
    salon: 0, name: 'Amara Thistlewood', phone: '0700 900 189', note: 'Tight curls, dense. Plant dye at home: strand test before anything.', age: 26,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 3 }, { kind: 'strand', result: null, weeksAgo: 0, document: { volume: 20, minutes: 15, fromLevel: 3, note: 'Waiting for the reading.' } }],
    visits: [
      { weeksAgo: 44, person: 0, consult: { ...curls, health: WELL, history: [] }, plan: laid('deep-contrast', curls, 'Deep ribbons'), outcome: { done: 'Deep weaves, clean starts, 20 vol.', levelReached: 5.5, nextInWeeks: 20 } },
      { weeksAgo: 22, person: 0, consult: { ...grownOn(curls, 60), health: WELL, history: [] }, plan: laid('deep-contrast', curls, 'Deep ribbons'), outcome: { done: 'Repeated. Warm, as wished.', levelReached: 6, nextInWeeks: 22 } },
      { weeksAgo: 0, person: 0, booked: { at: '15:30', minutes: 210, kind: 'full' }, consult: { ...curls, regrowthMm: everywhere(64), notes: 'Used a plant dye twice since.' }, plan: laid('deep-contrast', curls, 'Deep ribbons') },
    ],
  },
  {
    salon: 0, name: 'Corwin Ostrander', phone: '0700 900 192', note: 'Into his own silver, a little less each time.', age: 58,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 25 }],
    visits: [
      { weeksAgo: 48, person: 0, consult: { ...silver, map: seen({ temple: { greyShare: 0.8 }, 'front-hairline': { greyShare: 0.7 }, top: { greyShare: 0.35 } }) }, plan: laid('grey-blend', silver, 'Grey blend'), outcome: { done: 'Blended, not covered.', levelReached: 8, nextInWeeks: 12 } },
      { weeksAgo: 36, person: 0, consult: grownOn(silver, 34), plan: laid('silver-turn', silver, 'Silver transition'), outcome: { done: 'Seven on the light side, nine on the heavy one.', levelReached: 8.5, nextInWeeks: 12 } },
      { weeksAgo: 24, person: 0, consult: grownOn(silver, 33), plan: laid('silver-turn', silver, 'Silver transition'), outcome: { done: 'Same sections, two foils fewer.', levelReached: 9, nextInWeeks: 12 } },
      { weeksAgo: 11, person: 0, consult: grownOn(silver, 36), plan: laid('silver-turn', silver, 'Silver transition'), outcome: { done: 'Twelve foils; the temples need none any more.', levelReached: 9, nextInWeeks: 14 } },
    ],
  },
  {
    salon: 0, name: 'Fenella Crakehall', phone: '0700 900 195', note: 'Comes with her mother.', age: 14,
    tests: [{ kind: 'alert', result: 'clear', weeksAgo: 1 }],
    visits: [
      { weeksAgo: 13, person: 1, consult: { ...young, health: WELL }, plan: laid('face-only', young, 'A few at the face'), outcome: { done: 'Six fine foils at the face, 10 vol; her mother was there.', levelReached: 8, nextInWeeks: 13 } },
      { weeksAgo: 0, person: 1, booked: { at: '09:30', minutes: 150, kind: 'full' }, consult: { ...young, regrowthMm: everywhere(36) }, plan: laid('face-only', young, 'A few at the face') },
    ],
  },
];
