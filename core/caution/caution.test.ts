import { EMPTY_CONSULT } from '../formats';
import { paint } from '../hair-map';
import { ageOn, cautionsOf, factsIn, openCautions, type CautionFacts } from '.';
import type { Health } from '../visit';

const LIMITS = { alertHours: 48, alertDays: 180, age: 16 };
const SOUND: Health = { allergy: 'none', dyes: 'none', scalp: 'sound', strandFeel: 'sound', noted: [] };
const CLEAR = { kind: 'alert', onDay: '2026-11-01', result: 'clear' } as const;
const facts = (part: Partial<CautionFacts> = {}): CautionFacts => ({
  onDay: '2026-11-25',
  bornOn: null,
  health: SOUND,
  dyeInHistory: false,
  tests: [CLEAR],
  guardianConsent: false,
  fragileZones: [],
  ...part,
});
const said = (part: Partial<CautionFacts>) =>
  cautionsOf(facts(part), LIMITS).map(({ key, weight }) => `${key} ${weight}`);

test('a sound client with a clear test has none', () => expect(said({})).toEqual([]));

test.each<[string, Partial<CautionFacts>, string[]]>([
  ['a known reaction', { health: { ...SOUND, allergy: 'known' } }, ['allergy stop']],
  ['an inflamed scalp', { health: { ...SOUND, scalp: 'inflamed' } }, ['scalp stop']],
  ['a broken scalp', { health: { ...SOUND, scalp: 'broken' } }, ['scalp stop']],
  ['an unknown dye without a test', { health: { ...SOUND, dyes: 'unknown' } }, ['dye stop']],
  ['a plant dye named in the history', { dyeInHistory: true }, ['dye stop']],
  [
    'a strand test that failed',
    { dyeInHistory: true, tests: [CLEAR, { kind: 'strand', onDay: '2026-11-20', result: 'failed' }] },
    ['dye stop'],
  ],
  [
    'a pass that is older than a failure',
    {
      dyeInHistory: true,
      tests: [
        CLEAR,
        { kind: 'strand', onDay: '2026-11-20', result: 'failed' },
        { kind: 'strand', onDay: '2026-11-10', result: 'passed' },
      ],
    },
    ['dye stop'],
  ],
  [
    'a strand test that passed',
    { dyeInHistory: true, tests: [CLEAR, { kind: 'strand', onDay: '2026-11-20', result: 'passed' }] },
    ['dye shown'],
  ],
  [
    'a reaction, even before a clear test',
    { tests: [CLEAR, { kind: 'alert', onDay: '2026-10-01', result: 'reaction' }] },
    ['alert-reaction stop'],
  ],
  ['no alert test', { tests: [] }, ['alert-test reason']],
  [
    'an alert test not read',
    { tests: [{ kind: 'alert', onDay: '2026-11-20', result: null }] },
    ['alert-test reason'],
  ],
  [
    'an alert test of yesterday',
    { tests: [{ kind: 'alert', onDay: '2026-11-24', result: 'clear' }] },
    ['alert-test reason'],
  ],
  ['an alert test of two days ago', { tests: [{ kind: 'alert', onDay: '2026-11-23', result: 'clear' }] }, []],
  [
    'an alert test that is too old',
    { tests: [{ kind: 'alert', onDay: '2026-05-28', result: 'clear' }] },
    ['alert-test reason'],
  ],
  ['one that just counts', { tests: [{ kind: 'alert', onDay: '2026-05-29', result: 'clear' }] }, []],
  [
    'a test after the visit',
    { tests: [{ kind: 'alert', onDay: '2026-11-26', result: 'clear' }] },
    ['alert-test reason'],
  ],
  ['a stretchy strand', { health: { ...SOUND, strandFeel: 'stretchy' } }, ['stretchy reason']],
  ['fifteen, without consent', { bornOn: '2010-11-26' }, ['age reason']],
  ['fifteen, with consent', { bornOn: '2010-11-26', guardianConsent: true }, []],
  ['sixteen today', { bornOn: '2010-11-25' }, []],
  ['pregnancy', { health: { ...SOUND, noted: ['pregnancy'] } }, ['noted shown']],
  [
    'nothing asked',
    { health: { allergy: null, dyes: null, scalp: null, strandFeel: null, noted: [] } },
    ['allergy-unasked reason', 'scalp-unseen reason', 'dye-unasked reason'],
  ],
])('%s', (_, part, expected) => expect(said(part)).toEqual(expected));

test('stops come first, and no reason opens them', () => {
  const all = cautionsOf(
    facts({ tests: [], health: { ...SOUND, scalp: 'broken', noted: ['medication'] } }),
    LIMITS,
  );
  expect(all.map(({ weight }) => weight)).toEqual(['stop', 'reason', 'shown']);
  expect(openCautions(all, []).map(({ key }) => key)).toEqual(['scalp', 'alert-test']);
  expect(openCautions(all, ['alert-test', 'scalp']).map(({ key }) => key)).toEqual(['scalp']);
});

test('age turns on the birthday, the 29th of February too', () => {
  expect(ageOn('2010-11-25', '2026-11-24')).toBe(15);
  expect(ageOn('2010-11-25', '2026-11-25')).toBe(16);
  expect(ageOn('2008-02-29', '2025-02-28')).toBe(16);
  expect(ageOn('2008-02-29', '2025-03-01')).toBe(17);
});

test('fragile and broken zones are read from the hair map', () => {
  const seen = paint(
    paint(EMPTY_CONSULT, 'condition', ['temple-l'], 'fragile'),
    'flags',
    ['nape-hairline'],
    ['breakage', 'thin'],
  );
  expect(factsIn(seen).fragileZones).toEqual(['temple, left', 'nape hairline']);
  expect(
    factsIn({ ...seen, history: [{ what: 'plant', where: 'home', on: '2026-01-01', note: '' }] })
      .dyeInHistory,
  ).toBe(true);
});
