import { stepName } from '../steps';
import { visitOf } from '../visit/computed/testing';
import {
  alarmsOf,
  betterRest,
  conflictWords,
  dueAlarms,
  lastUndoable,
  mayRinseNow,
  MINUTE,
  nextStep,
  recordOf,
  restOf,
  restTimeline,
  serviceState,
  timersOf,
  type EventBody,
  type ServiceEvent,
} from '.';
import { closed, followed, happened, scriptFor, started, stepAt, T0 } from './testing';

const at = (minute: number) => T0 + minute * MINUTE;
const foiledFrom = (block: number, n: number, from: number) =>
  Array.from({ length: n }, (_, i) => [from + i + 1, closed(`b${block}/${i}`)] as const);

test('a script holds every unit of the work in the order of its blocks, with what it takes', () => {
  const { work, script, clock } = visitOf({ consult: { naturalLevel: 6, goalLevel: 8 } });
  expect(script.units.map(({ id }) => id).sort()).toEqual(work.units.map(({ id }) => id).sort());
  expect(script.blocks.flatMap(({ units }) => units)).toEqual(script.units.map(({ id }) => id));
  script.blocks.forEach(({ foils, units }, b) => {
    expect(foils).toEqual(clock.blocks[b].foils);
    expect(units).toHaveLength(foils.length);
  });
  const planned = new Map(work.units.map((unit) => [unit.id, unit]));
  for (const { id, number, letter, lifting, grams, mix } of script.units) {
    expect(lifting.length).toBeGreaterThan(0);
    expect({ number, letter, grams, mix }).toEqual({
      number: planned.get(id)!.number,
      letter: planned.get(id)!.letter,
      grams: planned.get(id)!.grams,
      mix: planned.get(id)!.mix,
    });
  }
  expect(script.mixes.A).toMatchObject({
    of: [{ letter: 'A', part: 'length' }],
    words: expect.stringMatching(/^.+, 20 vol, 1 : \d/),
  });
  expect(JSON.parse(JSON.stringify(script))).toEqual(script);
  // It is ready when the clock says so: checks begin from the same estimate.
  for (const { block, units } of serviceState(script, []).blocks)
    units.forEach(({ readyMinutes }, i) => expect(readyMinutes).toBeCloseTo(block.foils[i].readyMinutes, 6));
});

describe('how a service stands', () => {
  const script = scriptFor([3, 3]);

  test('nothing before it starts; then each foil with its moment, its seconds and who closed it', () => {
    expect(serviceState(script, happened([[1, closed('b0/0')]])).blocks[0].units[0].standing).toBe('waiting');
    const state = serviceState(
      script,
      happened([
        [0, started],
        [1, closed('b0/0')],
        [2.5, closed('b0/1')],
      ]),
    );
    expect(state.blocks[0]).toMatchObject({ standing: 'begun', firstAt: at(1), lastAt: at(2.5) });
    expect(state.blocks[0].units.map(({ seconds, closedBy }) => [seconds, closedBy])).toEqual([
      [60, 'Ottilie'],
      [90, 'Ottilie'],
      [null, null],
    ]);
  });

  test('whatever way events arrive, the service is the same', () => {
    const events = happened([
      [0, started],
      ...foiledFrom(0, 3, 0),
      [4, { kind: 'next', block: 'b1' }],
      [6, closed('b1/0')],
      [
        20,
        { kind: 'checked', foil: 'b0/0', level: 7.5, then: 'more', minutes: 5, reason: null, photo: null },
      ],
    ]);
    expect(serviceState(script, [...events].reverse())).toEqual(serviceState(script, events));
  });

  test('taking back goes one by one, and words that were heard stay heard', () => {
    const events = happened([
      [0, started],
      [1, closed('b0/0')],
      [2, closed('b0/1')],
      [3, { kind: 'silenced', alarm: 'x' }],
    ]);
    const last = lastUndoable(events)!;
    expect(last.body).toEqual(closed('b0/1'));
    const undo: ServiceEvent = {
      id: 'u1',
      device: 'station',
      at: at(4),
      by: 'Ottilie',
      body: { kind: 'undone', event: last.id },
    };
    expect(serviceState(script, [...events, undo]).blocks[0].units.map(({ standing }) => standing)).toEqual([
      'on',
      'waiting',
      'waiting',
    ]);
    expect(lastUndoable([...events, undo])!.body).toEqual(closed('b0/0'));
    const all = { ...undo, id: 'u2', body: { kind: 'undone', event: events[0].id } as EventBody };
    // The start itself is not taken back.
    expect(serviceState(script, [...events, all]).startedAt).toBe(at(0));
  });

  test('two people finish the same foil: the earlier counts, and it is said', () => {
    const events = happened([
      [0, started],
      [1, closed('b0/0')],
    ]);
    const other: ServiceEvent = { id: 'o1', device: 'tablet', at: at(1.2), by: 'Bram', body: closed('b0/0') };
    for (const order of [
      [...events, other],
      [other, ...events],
    ]) {
      const { blocks, conflicts } = serviceState(script, order);
      expect(blocks[0].units[0]).toMatchObject({ closedAt: at(1), closedBy: 'Ottilie' });
      expect(
        conflicts.map((conflict) =>
          conflictWords(conflict, (moment) => `minute ${((moment - T0) / MINUTE).toFixed(1)}`),
        ),
      ).toEqual(['Foil 1 was closed twice: Ottilie at minute 1.0 counts, Bram at minute 1.2 does not.']);
    }
  });

  test('the step belongs to whoever took it last by the server, whatever the clocks say', () => {
    const on = (
      device: string,
      minute: number,
      kind: 'handed' | 'taken',
      position?: number,
    ): ServiceEvent => ({
      id: `${device}${minute}`,
      device,
      at: at(minute),
      by: device,
      body: { kind },
      ...(position !== undefined && { position }),
    });
    const events = [on('station', 1, 'handed', 1), on('tablet', 3, 'taken', 2)];
    expect(serviceState(script, events)).toMatchObject({ heldBy: { device: 'tablet' }, handedAt: null });
    // The station's clock is behind: it took the step back all the same, at once and after the server has it.
    for (const position of [undefined, 3])
      expect(serviceState(script, [...events, on('station', 2, 'taken', position)]).heldBy).toEqual({
        device: 'station',
        person: 'station',
      });
    expect(serviceState(script, [on('tablet', 3, 'taken', 1), on('station', 1, 'handed', 2)])).toMatchObject({
      heldBy: null,
      handedAt: at(1),
    });
  });

  test('what was skipped here and closed there is on the head', () => {
    const { blocks, conflicts } = serviceState(
      script,
      happened([
        [0, started],
        [1, { kind: 'skipped', foil: 'b0/0', why: 'too short' }],
        [2, closed('b0/0'), 'tablet'],
      ]),
    );
    expect(blocks[0].units[0].standing).toBe('on');
    expect(conflictWords(conflicts[0], String)).toMatch(/skipped and then closed/);
  });

  test('a foil is added where the hands are; pulled foils set no limit; a rinse ends all of a block', () => {
    const state = serviceState(
      script,
      happened([
        [0, started],
        [1, closed('b0/0')],
        [2, { kind: 'added', foil: 'extra', block: 'b0' }],
        [9, { kind: 'pulled', foils: ['b0/0'], reason: 'light enough' }],
      ]),
    );
    expect(state.blocks[0].units.map(({ id, standing }) => [id, standing])).toEqual([
      ['b0/0', 'pulled'],
      ['extra', 'on'],
      ['b0/1', 'waiting'],
      ['b0/2', 'waiting'],
    ]);
    expect(state.blocks[0].firstAt).toBe(at(2));
    const rinsed = serviceState(
      script,
      happened([
        [0, started],
        ...foiledFrom(0, 3, 0),
        [20, { kind: 'rinse-begun', blocks: ['b0', 'b1'], incident: null }],
        [27, { kind: 'rinse-done' }],
      ]),
    );
    expect(rinsed.blocks.map(({ standing }) => standing)).toEqual(['rinsed', 'waiting']);
    // Wet after setting up; and never after the rinse was done.
    expect(rinsed.blocks[0].units[0].offAt).toBe(at(23));
    const quick = serviceState(
      script,
      happened([
        [0, started],
        ...foiledFrom(0, 3, 0),
        [20, { kind: 'rinse-begun', blocks: ['b0'], incident: null }],
        [21, { kind: 'rinse-done' }],
      ]),
    );
    expect(quick.blocks[0].units[0].offAt).toBe(at(21));
  });

  test('a check recalibrates the mix for all its foils, and its decision goes before the estimate', () => {
    const two = scriptFor([3, 3]);
    const events = happened([
      [0, started],
      ...foiledFrom(0, 3, 0),
      ...foiledFrom(1, 3, 4),
      [
        16,
        { kind: 'checked', foil: 'b0/0', level: 6.8, then: 'more', minutes: 10, reason: null, photo: null },
      ],
    ]);
    const before = serviceState(two, events.slice(0, -1));
    const after = serviceState(two, events);
    expect(after.heads.A.factor).toBeLessThan(before.heads.A.factor);
    expect(after.blocks[1].units[0].readyMinutes).toBeGreaterThan(before.blocks[1].units[0].readyMinutes + 1);
    // Ten minutes more for the foil that was looked at, and for the others as long after their own closing.
    expect(after.blocks[0].units.map(({ readyAt }) => readyAt)).toEqual(
      [at(26), at(26), at(26)].map((value) => expect.closeTo(value, 0)),
    );
  });
});

describe('two formulas in one panel', () => {
  // Light and dark in turn: B deposits for 20 minutes.
  const script = scriptFor([4], (_, i) =>
    i % 2 === 0
      ? {}
      : {
          letter: 'B',
          mix: 'Sedge, 10 vol, 1 : 2',
          lifts: false,
          lifting: [],
          depositMinutes: 20,
          limitMinutes: 30,
        },
  );

  test('each foil is called with its own letter, and the turn is said', () => {
    const steps = [0, 1, 2].map((n) =>
      stepAt(
        script,
        serviceState(
          script,
          happened([
            [0, started],
            [0, { kind: 'bowl', mix: 'A' }],
            [0, { kind: 'bowl', mix: 'B' }],
            [0, { kind: 'next', block: 'b0' }],
            ...foiledFrom(0, n, 0),
          ]),
        ),
        at(n),
      ),
    );
    expect(
      steps.map((step) =>
        step.kind === 'foil' ? [step.foil, step.own.unit.letter, step.turned?.from ?? null] : step.kind,
      ),
    ).toEqual([
      ['b0/0', 'A', null],
      ['b0/1', 'B', 'A'],
      ['b0/2', 'A', 'B'],
    ]);
  });

  test('a mix that was not mixed yet is asked for before the foil that takes it', () => {
    expect(
      stepAt(
        script,
        serviceState(
          script,
          happened([
            [0, started],
            [1, closed('b0/0')],
          ]),
        ),
        at(1),
      ),
    ).toMatchObject({ kind: 'bowl', mix: 'B', why: 'first' });
  });

  test('each has its own time and limit; a check of one letter says nothing of the other', () => {
    const events = happened([
      [0, started],
      ...foiledFrom(0, 4, 0),
      [
        16,
        { kind: 'checked', foil: 'b0/0', level: 6.8, then: 'more', minutes: 10, reason: null, photo: null },
      ],
    ]);
    const [block] = serviceState(script, events).blocks;
    expect(block.units.map(({ limitAt }) => limitAt)).toEqual([at(46), at(32), at(48), at(34)]);
    expect(block.units.map(({ readyAt }) => readyAt)).toEqual(
      [at(26), at(22), at(26), at(24)].map((value) => expect.closeTo(value, 0)),
    );
    expect([block.readyAt, block.limitAt]).toEqual([expect.closeTo(at(26), 0), at(32)]);
    const record = recordOf(
      script,
      serviceState(script, [
        ...events,
        ...happened([
          [28, { kind: 'rinse-begun', blocks: ['b0'], incident: null }],
          [35, { kind: 'rinse-done' }],
        ]).map((serviceEvent) => ({ ...serviceEvent, id: `r${serviceEvent.id}` })),
      ]),
    );
    expect(record.lines.map(({ letter, kind, planned, placed }) => [letter, kind, planned, placed])).toEqual([
      ['A', 'foil', 2, 2],
      ['B', 'foil', 2, 2],
    ]);
  });
});

describe('alarms', () => {
  const script = scriptFor([3, 3]);
  const events = happened([[0, started], ...foiledFrom(0, 3, 0)]);
  const alarms = alarmsOf(script, serviceState(script, events));
  const due = (kind: string) =>
    alarms.filter((alarm) => alarm.kind === kind).map((alarm) => (alarm.due - T0) / MINUTE);

  test('belong to foils: check near the end, ready after the last, the limit from the first, the bowl from its mixing', () => {
    const { readyMinutes } = serviceState(script, events).blocks[0].units[0];
    expect(due('check')).toEqual([expect.closeTo(1 + Math.max(readyMinutes - 8, readyMinutes / 2), 6)]);
    expect(due('ready')).toEqual([expect.closeTo(3 + readyMinutes, 6)]);
    expect([due('limit'), due('over'), due('bowl')]).toEqual([[44], [46], [35]]);
    expect(alarms.map((alarm) => alarm.due)).toEqual(
      [...alarms].map((alarm) => alarm.due).sort((a, b) => a - b),
    );
  });

  test('those that fell due are found however late one looks, once; raised ones are not raised again', () => {
    const state = serviceState(script, events);
    expect(dueAlarms(alarms, state.raised, at(60))).toHaveLength(alarms.length);
    const raised = serviceState(script, [
      ...events,
      {
        id: 'r',
        device: 'tablet',
        at: at(46),
        by: 'Bram',
        body: {
          kind: 'raised',
          alarm: alarms.find(({ kind }) => kind === 'over')!.key,
          due: at(46),
          late: false,
        },
      },
    ]);
    expect(dueAlarms(alarmsOf(script, raised), raised.raised, at(60)).map(({ kind }) => kind)).not.toContain(
      'over',
    );
  });

  test('a reason for staying on asks again five minutes later; a rinse ends them; a check moves the next', () => {
    const reason = serviceState(script, [
      ...events,
      ...happened([[46, { kind: 'past-limit', block: 'b0', reason: 'stuck at 9' }]]).map((serviceEvent) => ({
        ...serviceEvent,
        id: 'p',
      })),
    ]);
    expect(alarmsOf(script, reason).find(({ kind }) => kind === 'over')!.due).toBe(at(51));
    const rinsed = serviceState(script, [
      ...events,
      ...happened([[20, { kind: 'rinse-begun', blocks: ['b0'], incident: null }]]).map((serviceEvent) => ({
        ...serviceEvent,
        id: 'q',
      })),
    ]);
    expect(alarmsOf(script, rinsed).map(({ kind }) => kind)).toEqual(['basin', 'bowl']);
    const checked = serviceState(script, [
      ...events,
      ...happened([
        [
          12,
          { kind: 'checked', foil: 'b0/0', level: 7.4, then: 'more', minutes: 5, reason: null, photo: null },
        ],
      ]).map((serviceEvent) => ({ ...serviceEvent, id: 'c' })),
    ]);
    expect(alarmsOf(script, checked).find(({ kind }) => kind === 'check')!.due).toBe(at(17));
  });

  test('what was heard and not done is called again five minutes later, and again; what was done is not', () => {
    const check = alarms.find(({ kind }) => kind === 'check')!;
    const heard = happened([
      [15, { kind: 'silenced', alarm: check.key }],
      [21, { kind: 'silenced', alarm: `${check.key} again` }],
    ]).map((serviceEvent, i) => ({ ...serviceEvent, id: `h${i}` }));
    const checks = (list: typeof events) =>
      alarmsOf(script, serviceState(script, list))
        .filter(({ kind }) => kind === 'check')
        .map(({ due }) => (due - T0) / MINUTE);
    expect(checks([...events, ...heard])).toEqual([(check.due - T0) / MINUTE, 20, 26]);
    expect(
      checks([
        ...events,
        ...heard,
        ...happened([
          [
            22,
            {
              kind: 'checked',
              foil: 'b0/0',
              level: 7.4,
              then: 'rinse',
              minutes: null,
              reason: null,
              photo: null,
            },
          ],
        ]).map((serviceEvent) => ({ ...serviceEvent, id: 'd' })),
      ]),
    ).toEqual([]);
  });

  test('timers read from recorded moments', () => {
    const timers = timersOf(script, serviceState(script, events), at(25));
    expect(timers.oldest).toEqual({ name: 'Panel 1', minutes: 24, limitMinutes: 45 });
    expect(timers.nextLimit).toEqual({ name: 'Panel 1', due: at(46) });
    expect(timers.ready).toEqual({ count: 3, names: ['Panel 1'] });
    expect(timers.bowls).toEqual([{ mix: 'A', minutes: 25, usefulMinutes: 35 }]);
  });
});

describe('the service, followed to its end', () => {
  const script = scriptFor([6, 6, 6]);

  test('one step after the other, every foil closed and rinsed inside its limit, the colours done together', () => {
    const { kinds, state, events } = followed(script);
    expect(kinds[0]).toBe('start');
    expect(kinds.slice(-2)).toEqual(['finish', 'finished']);
    expect(state.blocks.every(({ standing }) => standing === 'rinsed')).toBe(true);
    const record = recordOf(script, state);
    expect(record).toMatchObject({ placed: 18, skipped: 0, added: 0, over: 0 });
    expect(record.longest).toBeLessThanOrEqual(45);
    // Nothing was checked: estimated from the minutes on, about the target.
    expect(Math.abs(record.levelReached! - 8)).toBeLessThan(0.8);
    // As it was planned, foil by foil: nothing went otherwise.
    for (const { planned, placed } of record.units) expect(placed).toBeCloseTo(planned!.placed, 6);
    expect(record.rinsed.done).toBeCloseTo(record.rinsed.planned!, 6);
    const [, toner, root, dry] = state.steps;
    expect((root.begunAt! - toner.begunAt!) / MINUTE).toBe(10);
    expect(root.doneAt).toBe(toner.doneAt);
    expect(dry.begunAt).toBeGreaterThanOrEqual(root.doneAt!);
    expect(record.summary).toMatch(/^18 foils placed of 18 planned\.\n/);
    expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
  });

  test('slower than planned: the rest moves, and still nothing is over', () => {
    const usual = recordOf(script, followed(script).state);
    const slow = recordOf(script, followed(script, { secondsEach: 100 }).state);
    expect(slow.rinsed.done!).toBeGreaterThan(usual.rinsed.done! + 5);
    expect(slow.over).toBe(0);
    expect(slow.units[0].seconds).toBe(100);
  });

  test('without deviation the rest is the plan', () => {
    const whole = restTimeline(restOf(script, serviceState(script, []), T0)!);
    for (const minutes of [5, 9, 14]) {
      const { events } = followed(script, { minutes });
      const rest = restTimeline(restOf(script, serviceState(script, events), events.at(-1)!.at)!);
      expect(rest.end).toBeCloseTo(whole.end, 6);
      expect(rest.foils).toHaveLength(18);
    }
  });

  test('the forecast does not jump: three taps at usual pace move its end by less than three minutes', () => {
    const long = scriptFor([40, 30]);
    const { events } = followed(long);
    const ends = events.flatMap((_, i) => {
      const state = serviceState(long, events.slice(0, i + 1));
      const rest =
        state.finishedAt === null && events[i].body.kind !== 'rinse-begun'
          ? restOf(long, state, events[i].at)
          : null;
      return rest ? [restTimeline(rest).end] : [];
    });
    expect(ends.length).toBeGreaterThan(50);
    ends.slice(3).forEach((end, i) => expect(Math.abs(end - ends[i])).toBeLessThan(3));
  });

  test('foils are opened as they are ready, each once, and none is over', () => {
    const long = scriptFor([60]);
    const { state, events, kinds } = followed(long, { secondsEach: 62 });
    expect(kinds).toContain('pull');
    const pulled = events.flatMap(({ body }) => (body.kind === 'pulled' ? body.foils : []));
    expect(new Set(pulled).size).toBe(pulled.length);
    expect(pulled.slice(0, 3)).toEqual(['b0/0', 'b0/1', 'b0/2']);
    expect(recordOf(long, state)).toMatchObject({ placed: 60, over: 0 });
  });

  test('another panel is worked next when somebody says so', () => {
    const state = serviceState(
      script,
      happened([[0, started], ...foiledFrom(0, 2, 0), [3, { kind: 'next', block: 'b2' }]]),
    );
    expect(stepAt(script, state, at(3))).toMatchObject({ kind: 'foil', foil: 'b2/0' });
    const rest = restOf(script, state, at(3))!;
    expect(rest.course.order.map((b) => rest.blocks[b].id)).toEqual(['b2', 'b0', 'b1']);
  });

  test('another course is proposed only where it saves enough, and the rest goes on by it once somebody takes it', () => {
    const state = serviceState(script, happened([[0, started], ...foiledFrom(0, 2, 0)]));
    expect(betterRest(restOf(script, state, at(2))!)).toBeNull();
    const course = { ...script.course, order: ['b2', 'b1', 'b0'] };
    const changed = serviceState(
      script,
      happened([[0, started], ...foiledFrom(0, 6, 0), [7, { kind: 'replanned', course }]]),
    );
    expect(stepAt(script, changed, at(7))).toMatchObject({ kind: 'foil', foil: 'b2/0' });
  });

  test('a spent bowl is mixed again before the next foil', () => {
    const state = serviceState(script, happened([[0, started], ...foiledFrom(0, 2, 0)]));
    expect(stepAt(script, state, at(36))).toMatchObject({ kind: 'bowl', mix: 'A', why: 'spent' });
    expect(
      stepAt(
        script,
        serviceState(script, [
          ...happened([[0, started], ...foiledFrom(0, 2, 0), [36, { kind: 'bowl', mix: 'A' }]]),
        ]),
        at(36.5),
      ),
    ).toMatchObject({ kind: 'foil' });
  });
});

test('rinsing all at once ends the foiling, and taken back it goes on; a service that is ended early says why', () => {
  const script = scriptFor([4, 4]);
  const events: (readonly [number, EventBody])[] = [
    [0, started],
    ...foiledFrom(0, 3, 0),
    [5, { kind: 'rinse-begun', blocks: ['b0'], incident: 'Client unwell' }],
    [12, { kind: 'rinse-done' }],
  ];
  const rinsed = serviceState(script, happened(events));
  expect(rinsed.blocks.flatMap(({ units }) => units.map(({ standing }) => standing))).toEqual([
    'rinsed',
    'rinsed',
    'rinsed',
    ...new Array<string>(5).fill('skipped'),
  ]);
  expect(stepAt(script, rinsed, at(12))).toMatchObject({ kind: 'step-begin' });
  const back = serviceState(script, [
    ...happened(events.slice(0, 5)),
    { id: 'u', device: 'station', at: at(6), by: 'Ottilie', body: { kind: 'undone', event: 'e4' } },
  ]);
  expect(back.blocks[1].units[0].standing).toBe('waiting');
  const ended = serviceState(
    script,
    happened([...events, [13, { kind: 'finished', reason: 'Client unwell' }]]),
  );
  expect(stepAt(script, ended, at(14))).toEqual({ kind: 'finished' });
  expect(recordOf(script, ended).summary).toMatch(
    /Rinsed all at once: Client unwell\.\nEnded early: Client unwell\./,
  );
});

test('any number of parts is planned', () => {
  const script = scriptFor(new Array<number>(45).fill(2));
  const state = serviceState(script, happened([[0, started], ...foiledFrom(7, 2, 0)]));
  const rest = restOf(script, state, at(2))!;
  expect(rest.blocks).toHaveLength(45);
  expect(stepAt(script, state, at(2))).toMatchObject({ kind: 'foil', foil: 'b0/0' });
});

test('only what lies over nothing that still lifts may be rinsed now', () => {
  const wet = scriptFor([2, 2], (b) => ({ zone: b === 0 ? 'top-l' : 'crown' }));
  const state = serviceState(wet, happened([[0, started], ...foiledFrom(0, 2, 0), ...foiledFrom(1, 2, 3)]));
  expect(mayRinseNow(wet, state, ['b0']).blocks).toEqual([]);
  expect(mayRinseNow(wet, state, ['b1'])).toEqual({ blocks: ['b1'], units: ['b1/0', 'b1/1'] });
  expect(mayRinseNow(wet, state, ['b0', 'b1']).blocks).toEqual(['b0', 'b1']);
});

test('without foils a toner is timed: start, wash, colour, rinse, dry, and the record says so', () => {
  const script = scriptFor([]);
  const state = (list: Parameters<typeof happened>[0]) => serviceState(script, happened(list));
  expect(restOf(script, state([[0, started]]), at(0))).toBeNull();
  expect(nextStep(script, state([]), [], at(0))).toEqual({ kind: 'start' });
  const all: [number, EventBody][] = [[0, started]];
  const said: string[] = [];
  let minute = 0;
  for (
    let step = nextStep(script, state(all), [], at(minute));
    step.kind !== 'finish';
    step = nextStep(script, state(all), [], at(minute))
  ) {
    minute += 5;
    if (step.kind === 'step-until') continue;
    if (step.kind !== 'step-begin' && step.kind !== 'step-done') throw new Error(step.kind);
    all.push([
      minute,
      { kind: step.kind === 'step-begin' ? 'step-begun' : 'step-done', step: step.own.step.id },
    ]);
    if (step.kind === 'step-begin') said.push(stepName(step.own.step));
    if (all.length > 20) throw new Error('it never ends');
  }
  expect(said).toEqual(['Wash and treat', 'Toner, mid-lengths', 'Root colour, roots', 'Dry']);
  const record = recordOf(script, state([...all, [minute + 1, { kind: 'finished' }]]));
  expect(record).toMatchObject({
    placed: 0,
    longest: 0,
    levelReached: null,
    rinsed: { planned: null, done: null },
  });
  expect(record.summary).toMatch(/^No foils\.\n/);
  expect(record.summary).toMatch(/Toner, mid-lengths \d+ min/);
});
