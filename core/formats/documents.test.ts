import fc from 'fast-check';
import {
  EMPTY_CONSULT,
  EMPTY_MIX,
  parseConsult,
  parseEventBatch,
  parseHouse,
  parseMix,
  parseOutcome,
  parsePlan,
  startPlan,
  USUAL_HOUSE,
} from '.';
import type { ValueResult } from '../units';
import { EMPTY_OUTCOME, takenOf } from '../visit';

/** A document with one value put in its place. */
function put(document: unknown, path: string, value: unknown): unknown {
  const copy = structuredClone(document) as Record<string, unknown>;
  const parts = path.split('.');
  let at = copy;
  for (const part of parts.slice(0, -1)) at = at[part] as Record<string, unknown>;
  at[parts.at(-1)!] = value;
  return copy;
}
const problemOf = (read: ValueResult<unknown>) => (read.ok ? undefined : read.problem);

/** Every document says what is wrong and where. */
const REFUSED: Record<
  string,
  {
    parse: (value: unknown) => ValueResult<unknown>;
    sound: unknown;
    cases: readonly (readonly [path: string, value: unknown, sentence: string])[];
  }
> = {
  plan: {
    parse: parsePlan,
    sound: startPlan(),
    cases: [
      ['name', '', 'name: must not be empty.'],
      ['panels', 'many', 'panels: must be a list of panels.'],
      ['panels.0.thicknessMm', 50, 'panels[0].thicknessMm: must be a number from 0 to 40 mm.'],
      ['panels.0.side', 'top', 'panels[0].side: must be left, right, both or across.'],
      ['panels.1.id', 'back', 'panels[1].id: "back" is used twice.'],
      ['panels.0.formula', 'AB', 'panels[0].formula: must be one capital letter.'],
      [
        'panels.0.rotation',
        { sequence: 'A' },
        'panels[0].rotation.sequence: must be 2–24 capital letters, such as AABB.',
      ],
      ['foil.usableWidthMm', 10, 'foil.usableWidthMm: must be a number from 30 to 300 mm.'],
      [
        'edits',
        [{ kind: 'bend', foil: 'back/1/1' }],
        'edits[0].kind: must have a kind of delete, move, widen, retype or add.',
      ],
      [
        'edits',
        [{ kind: 'delete', foil: 'third from the left' }],
        'edits[0].foil: must be a foil id such as back/3/-1.',
      ],
      ['version', 9, 'version: this program reads versions 1 to 4, not 9.'],
    ],
  },
  consult: {
    parse: parseConsult,
    sound: EMPTY_CONSULT,
    cases: [
      ['naturalLevel', 6.3, 'naturalLevel: must be a level in halves, such as 8 or 8.5.'],
      ['goalLevel', 11, 'goalLevel: must be a number from 1 to 10.'],
      ['wornUpShare', 2, 'wornUpShare: must be a number from 0 to 1.'],
      ['regrowthMm', { 'temple-l': -1 }, 'regrowthMm.temple-l: must be a number from 0 to 400 mm.'],
      [
        'regrowthMm',
        { 'temple-l': 390 },
        'regrowthMm.temple-l: regrowth of 390 mm is longer than the hair there, 300 mm.',
      ],
      [
        'map',
        { crown: { condition: 'bad' } },
        'map.crown.condition: must be one of sound, dry, porous, fragile.',
      ],
      [
        'goals',
        [{ words: '', level: 8, brightness: 3, byOn: null }],
        'goals[0].words: must say what is aimed at.',
      ],
      [
        'goals',
        [{ words: 'Lighter', level: 8, brightness: 3, byOn: 'May' }],
        'goals[0].byOn: must be a day such as 2027-01-31.',
      ],
      [
        'occasions',
        [{ what: 'Wedding', on: '31.1.2027' }],
        'occasions[0].on: must be a day such as 2027-01-31.',
      ],
      ['health.allergy', 'maybe', 'health.allergy: must be one of none, known.'],
      ['minutesAtMost', 5, 'minutesAtMost: must be a whole number from 10 to 600.'],
    ],
  },
  mix: {
    parse: parseMix,
    sound: EMPTY_MIX,
    cases: [
      ['formulas', { a: {} }, 'formulas.a: must be formulas by letter.'],
      ['formulas', { A: { kind: 'paint' } }, 'formulas.A.kind: kind must be lift, deposit or permanent.'],
      [
        'formulas',
        { A: { kind: 'lift', lighteners: [{ product: 'moth', parts: 1 }], volumes: 60, ratio: 2 } },
        'formulas.A.volumes: must be a number from 1 to 40 vol.',
      ],
      [
        'formulas',
        { A: { kind: 'lift', lighteners: [{ product: 'moth', parts: 1 }], volumes: 20, ratio: 0 } },
        'formulas.A.ratio: must be a number from 0.5 to 5.',
      ],
      ['bowl.mostGrams', 5, 'bowl.mostGrams: must be a number from 20 to 500 g.'],
      [
        'tests',
        [{ formula: 'A', minutes: 20, from: 7, level: 7 }],
        'tests[0].level: no lift was read: the level is not above the one before.',
      ],
      [
        'toners',
        [
          {
            id: 't',
            place: {},
            line: 'sedge',
            parts: [
              { shade: 'a', parts: 1 },
              { shade: 'a', parts: 2 },
            ],
            grams: 50,
            ratio: 2,
            volumes: 5,
            minutes: 10,
            state: 'damp',
          },
        ],
        'toners[0].parts: names a shade twice.',
      ],
      [
        'toners',
        [
          {
            id: 't',
            place: { lengths: ['knees'] },
            line: 'sedge',
            parts: [{ shade: 'a', parts: 1 }],
            grams: 50,
            ratio: 2,
            volumes: 5,
            minutes: 10,
            state: 'damp',
          },
        ],
        'toners[0].place.lengths[0]: must be of roots, mids, ends, band.',
      ],
      [
        'money.payments',
        [{ what: 'gift', minor: 100, on: '2027-01-04', how: 'cash' }],
        'money.payments[0].what: must be deposit, payment or tip.',
      ],
      ['clock.pace', 400, 'clock.pace: must be a number from 50 to 250%.'],
    ],
  },
  outcome: {
    parse: parseOutcome,
    sound: { ...EMPTY_OUTCOME, done: 'Foils' },
    cases: [
      ['done', ' ', 'done: must say what was done.'],
      ['foilsPlaced', 1.5, 'foilsPlaced: must be a whole number.'],
      ['zones', { 'temple-l': { leftMm: -1 } }, 'zones.temple-l.leftMm: must be a number from 0 to 100 mm.'],
      [
        'zones',
        { 'temple-l': { tone: 'green' } },
        'zones.temple-l.tone: must be one of warm, neutral, cool, bright, brassy.',
      ],
      [
        'corrections',
        [{ what: 'magic' }],
        'corrections[0].what: must be one of tone-again, bleach-wash, spot, band, more-light, lowlight, other.',
      ],
      ['nextOn', '2027-02-30', 'nextOn: must be a day such as 2027-01-31.'],
      ['nextWhat', 'half', 'nextWhat: must be one of toner, face, full.'],
    ],
  },
  house: {
    parse: parseHouse,
    sound: USUAL_HOUSE,
    cases: [
      ['units', 'ell', 'units: must be mm, cm or in.'],
      ['timeZone', 'Nowhere/Else', 'timeZone: is no time zone that is known here.'],
      ['prices.currency', 'Euro', 'prices.currency: must be three capital letters, such as EUR.'],
      [
        'prices.addOns',
        [
          { id: 'cut', name: 'Cut', minor: 1 },
          { id: 'cut', name: 'Cut again', minor: 1 },
        ],
        'prices.addOns: names an add-on twice.',
      ],
      ['cautions.scalpMm', 2, 'cautions.scalpMm: must be a number from 10 to 60 mm.'],
      ['aftercare', 'x'.repeat(1001), 'aftercare: must be at most 1000 characters.'],
      ['reminders.daysBefore', 30, 'reminders.daysBefore: must be a whole number from 0 to 14.'],
      [
        'reminders.appointment',
        'See you',
        'reminders.appointment: must say {day} and {time}: a reminder of nothing reminds nobody.',
      ],
      [
        'reminders.due',
        '{time}',
        'reminders.due: cannot fill in {time}: it knows {name}, {day}, {salon}, {page}.',
      ],
    ],
  },
};

describe.each(Object.entries(REFUSED))('%s', (_, { parse, sound, cases }) => {
  test('the clock of an older mix: its order becomes the plan that is proposed, who mixes also pulls', () => {
    const read = parseMix({ version: 1, clock: { order: 'best', second: 'mixes', pace: 110 } });
    expect(read).toMatchObject({
      ok: true,
      value: { version: 4, clock: { second: 'pulls', pace: 110, chosen: null, visits: 'house' } },
    });
  });

  test('what is sound is read, and read again the same', () => {
    const read = parse(sound);
    if (!read.ok) throw new Error(read.problem);
    expect(parse(JSON.parse(JSON.stringify(read.value)))).toEqual(read);
  });
  test.each(cases)('%s: %j is refused where it stands', (path, value, sentence) =>
    expect(problemOf(parse(put(sound, path, value)))).toBe(sentence),
  );
  test('a field that is unknown is refused, and no value that is no document is taken', () => {
    expect(problemOf(parse({ ...(sound as object), colour: 'red' }))).toMatch(/colour/);
    for (const nothing of [null, undefined, 3, 'text', []]) expect(parse(nothing).ok).toBe(false);
  });
});

test('whatever is sent, reading ends in a value or a sentence and never in an exception', () => {
  const parsers = [...Object.values(REFUSED).map(({ parse }) => parse), parseEventBatch];
  fc.assert(
    fc.property(fc.jsonValue(), fc.constantFrom(...parsers), (value, parse) => {
      const read = parse(value);
      if (!read.ok) expect(read.problem.length).toBeGreaterThan(0);
    }),
  );
  // And so it is where only one field of a sound document is something else.
  const fields = Object.values(REFUSED).flatMap(({ parse, sound }) =>
    Object.keys(sound as object).map((field) => [parse, sound, field] as const),
  );
  fc.assert(
    fc.property(fc.constantFrom(...fields), fc.jsonValue(), ([parse, sound, field], value) => {
      expect(() => parse(put(sound, field, value))).not.toThrow();
    }),
    { numRuns: 300 },
  );
});

describe('records', () => {
  test('of version 1 count as taken everywhere; by zone, what was not taken to the root is left out', () => {
    const old = parseOutcome({ version: 1, done: 'Foils', foilsPlaced: 40, levelReached: 8, nextOn: null });
    expect(old).toMatchObject({ ok: true, value: { version: 2, zones: null, corrections: [] } });
    expect(takenOf(null)).toBe('unknown');
    expect(
      takenOf({
        'temple-l': { leftMm: 3, measured: true, level: 8, tone: null },
        crown: { leftMm: null, measured: false, level: 8, tone: null },
      }),
    ).toEqual({ 'temple-l': { leftMm: 3, measured: true } });
  });
});

describe('events of a service', () => {
  const id = 'a3bb189e-8bf9-4e2c-9f4e-9c1d2a4b5c6d';
  const batch = (body: unknown) => ({ device: 'tablet', deviceNow: 1_000, events: [{ id, at: 900, body }] });
  test.each([
    [{ kind: 'closed', foil: 'back/1/1' }],
    [{ kind: 'checked', foil: 'back/1/1', level: 8, then: 'more', minutes: 5, reason: null, photo: null }],
    [{ kind: 'rinse-begun', blocks: ['back'], incident: null }],
    [{ kind: 'undone', event: id }],
  ])('%j is taken', (body) =>
    expect(parseEventBatch(batch(body))).toMatchObject({ ok: true, value: { events: [{ body }] } }),
  );
  test.each([
    [{ kind: 'danced' }, 'events[0].body.kind: kind is not one that a service knows.'],
    [{ kind: 'closed' }, 'events[0].body.foil: must be text.'],
    [{ kind: 'closed', foil: '' }, 'events[0].body.foil: must not be empty.'],
    [
      { kind: 'checked', foil: 'b', level: 8, then: 'more', minutes: null, reason: null, photo: null },
      'events[0].body.minutes: needs its minutes.',
    ],
    [
      { kind: 'checked', foil: 'b', level: 8.2, then: 'rinse', minutes: null, reason: null, photo: null },
      'events[0].body.level: must be a level in halves, such as 8 or 8.5.',
    ],
    [{ kind: 'rinse-begun', blocks: [], incident: null }, 'events[0].body.blocks: must name at least one.'],
    [{ kind: 'note', words: ' ', foil: null }, 'events[0].body.words: must say something.'],
  ])('%j is refused where it stands', (body, sentence) =>
    expect(problemOf(parseEventBatch(batch(body)))).toBe(sentence),
  );
  test('an event without an id of its own, or of a time that there is not, is refused', () => {
    expect(
      problemOf(
        parseEventBatch({
          ...batch({ kind: 'finished' }),
          events: [{ id: 'one', at: 900, body: { kind: 'finished' } }],
        }),
      ),
    ).toMatch(/^events\[0\]\.id: must be an id/);
    expect(problemOf(parseEventBatch({ ...batch({ kind: 'finished' }), deviceNow: -1 }))).toMatch(
      /^deviceNow:/,
    );
    expect(
      problemOf(
        parseEventBatch({
          ...batch({ kind: 'finished' }),
          events: Array.from({ length: 501 }, () => ({ id, at: 1, body: { kind: 'finished' } })),
        }),
      ),
    ).toBe('events: must be at most 500 events at once.');
  });
});
