import { recordOf, serviceState } from '../chair';
import { closed, happened, scriptFor, started } from '../chair/testing';
import { visitOf } from '../visit/computed/testing';
import { parseScript, startPlan } from '.';

const LIFT = {
  from: 6,
  target: 8,
  stretch: 'length',
  lift: { volumes: 20, factor: 1, most: { levels: 7, top: 10 } },
};

/** A script as services were frozen with in version 1: a letter, a limit and lifts by block. */
const OLD = {
  version: 1,
  plan: { ...startPlan(), version: 2 },
  naturalLevel: 6,
  foils: [1, 2, 3].map((number) => ({
    id: `back/${number}/1`,
    number,
    kind: 'foil',
    zone: 'nape-l',
    gather: { kind: 'slice' },
    widthMm: 80,
    thicknessMm: 4,
    startMm: 12,
    featherMm: 0,
    teasing: 0,
    seconds: 60,
  })),
  blocks: [
    {
      id: 'back',
      panel: 'back',
      name: 'Back',
      formula: 'A',
      seconds: [60, 60],
      readyMinutes: 14.6,
      limitMinutes: 45,
      touches: ['nape'],
      foils: ['back/1/1', 'back/2/1'],
      lifts: [LIFT],
      depositMinutes: 0,
    },
    {
      id: 'back.2',
      panel: 'back',
      name: 'Back, part 2',
      formula: 'B',
      seconds: [60],
      readyMinutes: 20,
      limitMinutes: 30,
      touches: ['nape'],
      foils: ['back/3/1'],
      lifts: [],
      depositMinutes: 20,
    },
  ],
  mixes: { A: 'Moth, 20 vol, 1 : 2', B: 'Sedge, 10 vol, 1 : 2' },
  readings: [],
  rules: {
    panelChange: 2,
    mixChange: 3,
    usefulMinutes: 35,
    setUp: 3,
    each: 2,
    clearAfter: 2,
    finish: 2,
    margin: 3,
    perStage: 3,
    perStep: 0.3,
    second: 'none',
    pullEach: 0.5,
    away: [],
  },
  fixed: { order: [0, 1] },
  after: [{ id: 'wash', kind: 'wash', name: 'Wash and treat', from: 0, to: 8 }],
};

test('a service that began with a script of version 1 goes on as it was planned', () => {
  const read = parseScript(JSON.parse(JSON.stringify(OLD)));
  if (!read.ok) throw new Error(read.problem);
  const script = read.value;
  expect(
    script.units.map(({ id, letter, lifts, mix, limitMinutes }) => [id, letter, lifts, mix, limitMinutes]),
  ).toEqual([
    ['back/1/1', 'A', true, 'Moth, 20 vol, 1 : 2', 45],
    ['back/2/1', 'A', true, 'Moth, 20 vol, 1 : 2', 45],
    ['back/3/1', 'B', false, 'Sedge, 10 vol, 1 : 2', 30],
  ]);
  expect(script.blocks.map(({ units, foils }) => [units, foils.map(({ mixes }) => mixes[0])])).toEqual([
    [
      ['back/1/1', 'back/2/1'],
      ['A', 'A'],
    ],
    [['back/3/1'], ['B']],
  ]);
  const state = serviceState(
    script,
    happened([
      [0, started],
      [1, closed('back/1/1')],
      [2, closed('back/2/1')],
      [6, closed('back/3/1')],
    ]),
  );
  expect(state.blocks.map(({ units }) => units.map(({ standing }) => standing))).toEqual([
    ['on', 'on'],
    ['on'],
  ]);
  expect(state.blocks[0].units[0].readyMinutes).toBeCloseTo(14.6, 1);
  expect(recordOf(script, state).lines.map(({ letter, placed }) => [letter, placed])).toEqual([
    ['A', 2],
    ['B', 1],
  ]);
  // Read once, it is written and read as version 2.
  expect(parseScript(JSON.parse(JSON.stringify(script)))).toEqual({ ok: true, value: script });
});

test('scripts of today are read as they were written', () => {
  for (const script of [scriptFor([3, 2]), visitOf({ consult: { goalLevel: 9 } }).script]) {
    expect(parseScript(JSON.parse(JSON.stringify(script)))).toEqual({
      ok: true,
      value: JSON.parse(JSON.stringify(script)),
    });
  }
});

test('a rule that a service began without is the usual; a reading without its level is refused where it stands', () => {
  const { rules, ...script } = JSON.parse(JSON.stringify(scriptFor([2])));
  const { pullChange, away, second, ...older } = rules;
  expect([pullChange, away, second]).toEqual([1, [], 'none']);
  const read = parseScript({ ...script, rules: older });
  if (!read.ok) throw new Error(read.problem);
  expect(read.value.rules).toEqual(rules);
  const reading = { from: 6, volumes: 20, minutes: 15, known: 1 };
  expect(parseScript({ ...script, rules, readings: [{ ...reading, level: 7.5 }] })).toMatchObject({
    ok: true,
  });
  expect(parseScript({ ...script, rules, readings: [reading] })).toEqual({
    ok: false,
    problem: 'readings[0].level: must be a number.',
  });
});

test('a script of a later program is refused where it stands', () => {
  expect(parseScript({ ...JSON.parse(JSON.stringify(scriptFor([1]))), version: 5 })).toMatchObject({
    ok: false,
    problem: expect.stringMatching(/^version/),
  });
});
