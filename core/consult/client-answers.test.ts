import { EMPTY_CONSULT, NO_ANSWERS, parseClientAnswers, parseConsult } from '../formats';
import { ANSWER_KEYS, offeredAnswers, withAnswers, type ClientAnswers } from '.';

const say = { money: (minor: number) => `€${minor / 100}`, day: (on: string) => on };
const answers = (
  part: Partial<{ [K in keyof ClientAnswers]: Partial<ClientAnswers[K]> | ClientAnswers[K] }>,
): ClientAnswers =>
  Object.fromEntries(
    Object.entries(NO_ANSWERS).map(([key, value]) => [
      key,
      Array.isArray(value) || typeof value !== 'object'
        ? (part[key as keyof ClientAnswers] ?? value)
        : { ...value, ...(part[key as keyof ClientAnswers] as object) },
    ]),
  ) as unknown as ClientAnswers;
const henna = { what: 'plant', where: 'home', on: '2025-05-01', note: '' } as const;

const ALL = answers({
  wish: { words: 'Lighter in front.', brightness: 4, tone: 'cool', contrast: 'high', faceFrame: 'bold' },
  worn: { upShare: 0.75, halfUpShare: 0.25, partMoves: 'often' },
  upkeep: { weeksBetween: 8, washesPerWeek: 3 },
  limits: { minutesAtMost: 120, budgetMinor: 15_000 },
  history: [henna],
  occasions: [{ what: 'Wedding', on: '2027-06-01' }],
  health: { allergy: 'known', dyes: 'plant', noted: ['pregnancy'] },
});

test('what was left open is not offered; every answer is, with what the consultation says', () => {
  expect(offeredAnswers(NO_ANSWERS, EMPTY_CONSULT, say)).toEqual([]);
  const offered = offeredAnswers(ALL, EMPTY_CONSULT, say);
  expect(offered.map(({ key }) => key)).toEqual(ANSWER_KEYS);
  expect(offered.find(({ key }) => key === 'budgetMinor')).toEqual({
    key: 'budgetMinor',
    name: 'Budget',
    theirs: '€150',
    now: '–',
    grave: false,
  });
  expect(offered.find(({ key }) => key === 'brightness')).toMatchObject({
    theirs: 'bright',
    now: 'evenly lit',
  });
  expect(offered.filter(({ grave }) => grave).map(({ key, theirs }) => [key, theirs])).toEqual([
    ['allergy', 'had one'],
    ['dyes', 'plant'],
    ['noted', 'pregnancy'],
  ]);
  // That there never was a reaction is no alarm.
  expect(offeredAnswers(answers({ health: { allergy: 'none' } }), EMPTY_CONSULT, say)).toMatchObject([
    { key: 'allergy', grave: false },
  ]);
});

test('taken over, all of it is in the consultation and nothing is offered any more', () => {
  const consult = withAnswers(EMPTY_CONSULT, ALL, ANSWER_KEYS);
  expect(consult).toMatchObject({
    brightness: 4,
    tone: 'cool',
    contrast: 'high',
    faceFrame: { strength: 'bold', behindMm: 30 },
    wornUpShare: 0.75,
    wornHalfUpShare: 0.25,
    partMoves: 'often',
    weeksBetween: 8,
    washesPerWeek: 3,
    minutesAtMost: 120,
    budgetMinor: 15_000,
    history: [henna],
    occasions: [{ what: 'Wedding', on: '2027-06-01' }],
    health: { allergy: 'known', dyes: 'plant', noted: ['pregnancy'], scalp: null },
    notes: '“Lighter in front.”',
  });
  expect(parseConsult(consult).ok).toBe(true);
  expect(offeredAnswers(ALL, consult, say)).toEqual([]);
  expect(withAnswers(consult, ALL, ANSWER_KEYS)).toEqual(consult);
});

test('only what was chosen is taken; lists and notes keep what they had', () => {
  const perm = { what: 'perm', where: 'here', on: '2024-01-01', note: 'long ago' } as const;
  const before = {
    ...EMPTY_CONSULT,
    history: [perm],
    notes: 'Fine hair.',
    tone: 'warm' as const,
    faceFrame: { strength: 'soft' as const, behindMm: 12 },
  };
  const after = withAnswers(before, ALL, ['history', 'words', 'faceFrame']);
  expect(after).toEqual({
    ...before,
    history: [perm, henna],
    notes: 'Fine hair.\n“Lighter in front.”',
    faceFrame: { strength: 'bold', behindMm: 12 },
  });
});

test.each([
  [{ upShare: 0.75 }, { wornUpShare: 0.2, wornHalfUpShare: 0.5 }, [0.75, 0.25]],
  [{ halfUpShare: 0.5 }, { wornUpShare: 0.8, wornHalfUpShare: null }, [0.5, 0.5]],
  [{ upShare: 0.25, halfUpShare: 0.5 }, { wornUpShare: 0.8, wornHalfUpShare: 0.1 }, [0.25, 0.5]],
  [{ upShare: 0.25 }, { wornUpShare: null, wornHalfUpShare: null }, [0.25, null]],
])('worn as %j over %j is %j: never more than all of the time', (worn, before, [up, half]) => {
  const consult = withAnswers({ ...EMPTY_CONSULT, ...before }, answers({ worn }), ['worn']);
  expect([consult.wornUpShare, consult.wornHalfUpShare]).toEqual([up, half]);
  expect(parseConsult(consult).ok).toBe(true);
});

test.each([
  [
    { ...NO_ANSWERS, worn: { upShare: 0.75, halfUpShare: 0.5 } },
    'worn.halfUpShare: tied up and half up together are more than all of the time.',
  ],
  [{ ...NO_ANSWERS, wish: { words: 'x'.repeat(1001) } }, 'wish.words: must be at most 1000 characters.'],
  [{ ...NO_ANSWERS, wish: { tone: '<script>' } }, 'wish.tone: must be one of warm, neutral, cool, bright.'],
  [{ ...NO_ANSWERS, limits: { budgetMinor: -1 } }, 'limits.budgetMinor: '],
  [{ ...NO_ANSWERS, secret: 'x' }, 'secret'],
  [{ version: 2 }, 'version'],
])('%j is refused with its place', (value, problem) => {
  const read = parseClientAnswers(value);
  expect(read.ok ? 'read' : read.problem).toContain(problem);
});
