import { EMPTY_CONSULT } from '../formats';
import { paint } from '../hair-map';
import { ageOn, cautionsFor, cautionsOf, factsIn, openCautions, type CautionFacts, type OnRecord } from '.';
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
  const seen = paint({
    consult: paint({ consult: EMPTY_CONSULT, key: 'condition', zones: ['temple-l'], value: 'fragile' }),
    key: 'flags',
    zones: ['nape-hairline'],
    value: ['breakage', 'thin'],
  });
  expect(factsIn(seen).fragileZones).toEqual(['temple, left', 'nape hairline']);
  expect(
    factsIn({ ...seen, history: [{ what: 'plant', where: 'home', on: '2026-01-01', note: '' }] })
      .dyeInHistory,
  ).toBe(true);
});

describe('in words', () => {
  const seen = (part: Partial<CautionFacts>) =>
    cautionsOf(facts(part), LIMITS).map((caution) => caution.seen);
  const alert = (onDay: string, result: 'clear' | null) => ({ kind: 'alert', onDay, result }) as const;
  const strand = (onDay: string, result: 'passed' | 'failed' | null) =>
    ({ kind: 'strand', onDay, result }) as const;

  test('an alert test: none, unread, fresh, old; the newest that was clear counts', () => {
    expect(seen({ tests: [] })).toEqual(['No alert test on record.']);
    expect(seen({ tests: [alert('2026-11-20', null)] })).toEqual(['The alert test is not read yet.']);
    expect(seen({ tests: [alert('2026-11-24', 'clear')] })).toEqual([
      'The alert test was put on less than 48 h ago.',
    ]);
    expect(seen({ tests: [alert('2026-01-25', 'clear')] })).toEqual(['The alert test is 304 days old.']);
    expect(seen({ tests: [alert('2026-01-25', 'clear'), alert('2026-11-01', 'clear')] })).toEqual([]);
    expect(seen({ tests: [alert('2026-11-20', null), alert('2026-11-01', 'clear')] })).toEqual([]);
    expect(seen({ tests: [alert('2026-11-01', 'clear'), alert('2026-01-25', 'clear')] })).toEqual([]);
    // One of the visit's own day is not ready; one after it does not count.
    expect(seen({ tests: [alert('2026-11-25', 'clear')] })).toEqual([
      'The alert test was put on less than 48 h ago.',
    ]);
    expect(seen({ tests: [alert('2026-11-26', 'clear')] })).toEqual(['No alert test on record.']);
    // A strand test is no alert test.
    expect(seen({ tests: [strand('2026-11-01', 'passed')] })).toEqual(['No alert test on record.']);
  });

  test('a dye: no test, one not read, one after the visit, the newest that was read', () => {
    const dyed = (...tests: CautionFacts['tests']) => seen({ dyeInHistory: true, tests: [CLEAR, ...tests] });
    expect(dyed()).toEqual(['Metal-salt, plant or unknown dye, and no strand test.']);
    expect(dyed(strand('2026-11-20', null))).toEqual([
      'Metal-salt, plant or unknown dye, and its strand test is not read yet.',
    ]);
    expect(dyed(alert('2026-11-20', null))).toEqual([
      'Metal-salt, plant or unknown dye, and no strand test.',
    ]);
    expect(dyed(strand('2026-11-25', 'passed'))).toEqual([
      'Metal-salt or plant dye in the hair; its strand test passed.',
    ]);
    expect(dyed(strand('2026-11-26', 'passed'))).toEqual([
      'Metal-salt, plant or unknown dye, and no strand test.',
    ]);
    expect(dyed(strand('2026-11-10', 'passed'), strand('2026-11-20', 'failed'))).toEqual([
      'The strand test on dyed hair failed.',
    ]);
    expect(dyed(strand('2026-11-10', 'failed'), strand('2026-11-20', 'passed'))).toEqual([
      'Metal-salt or plant dye in the hair; its strand test passed.',
    ]);
    // What the history names counts although nobody asked today.
    expect(seen({ dyeInHistory: true, health: { ...SOUND, dyes: null } })).toEqual(dyed());
  });

  test('a scalp, an age, what is fragile and what was noted', () => {
    const why = (scalp: Health['scalp']) => cautionsOf(facts({ health: { ...SOUND, scalp } }), LIMITS)[0].why;
    expect(why('irritated')).toMatch(/Come back when it is sound\./);
    expect(why('inflamed')).toMatch(/Come back when it has healed\./);
    expect(seen({ bornOn: '2012-03-01' })).toEqual([
      'The client is 14, and no guardian’s consent is on record.',
    ]);
    expect(seen({ fragileZones: ['temple, left', 'crown'] })).toEqual([
      'Fragile or broken hair: temple, left, crown.',
    ]);
    expect(seen({ health: { ...SOUND, noted: ['pregnancy', 'recent-chemical'] } })).toEqual([
      'Noted: pregnancy, a recent chemical service.',
    ]);
  });
});

describe('with what is on record', () => {
  const HOUSE = { ...LIMITS, strongVolumes: 20, scalpMm: 20, warmestCelsius: 45 };
  const consult = { ...EMPTY_CONSULT, health: SOUND };
  const young = { onDay: '2026-11-25', bornOn: '2012-03-01' };
  const found = (consents: OnRecord['consents'], mixed?: Parameters<typeof cautionsFor>[0]['mixed']) =>
    cautionsFor({ consult, onRecord: { tests: [CLEAR], consents }, about: young, limits: HOUSE, mixed }).map(
      ({ key }) => key,
    );

  test('a guardian’s consent counts while it stands, and no other consent does', () => {
    expect(found([])).toEqual(['age']);
    expect(found([{ kind: 'guardian', withdrawnAt: null }])).toEqual([]);
    expect(found([{ kind: 'guardian', withdrawnAt: '2026-11-02T09:00:00Z' }])).toEqual(['age']);
    expect(found([{ kind: 'photo', withdrawnAt: null }])).toEqual(['age']);
  });

  test('stops of what is mixed come before reasons of the client', () =>
    expect(
      found([], {
        units: [],
        formulas: {},
        onScalp: [{ what: 'toner', volumes: 30 }],
        fragileZones: [],
        overlapping: 0,
        tooLong: [],
        rootWarning: null,
        oldestBowl: 0,
      }),
    ).toEqual(['strong-scalp', 'age']));
});

test('plant and metal-salt dyes of the history count, other colour does not', () => {
  const history = (what: 'plant' | 'metallic' | 'permanent') =>
    factsIn({ ...EMPTY_CONSULT, history: [{ what, where: 'home', on: '2026-01-01', note: '' }] })
      .dyeInHistory;
  expect([history('plant'), history('metallic'), history('permanent')]).toEqual([true, true, false]);
});
