import { alarmsOf, dueOf, MINUTE, type EventBody } from '.';
import { at, closed, scriptFor, standing, started, T0 } from './testing';

const script = scriptFor([2, 2]);
const due = (minute: number, ...events: (readonly [number, EventBody])[]) =>
  dueOf(script, standing(script, ...events), at(minute));
const foiled = [
  [0, started],
  [0, { kind: 'bowl', mix: 'A' }],
  [1, closed('b0/0')],
  [2, closed('b0/1')],
  [3, closed('b1/0')],
  [4, closed('b1/1')],
] as const satisfies (readonly [number, EventBody])[];

describe('what a service is at, for whoever looks after several', () => {
  test('before it starts nothing is due', () => expect(due(0)).toEqual({ now: 'Not started', next: null }));

  test('the foil in hand with its panel, and its check as the next thing that is called', () => {
    const { now, next } = due(1, ...foiled.slice(0, 3));
    expect(now).toBe('Foil 2, Panel 1');
    expect(next).toMatchObject({ words: expect.stringMatching(/^Check Panel 1/), urgent: false });
    expect(next!.at).toBeGreaterThan(at(1));
  });

  test('when all is on, the next check; once it is heard, what comes after it', () => {
    const { next } = due(5, ...foiled);
    expect(next!.words).toMatch(/^Check Panel 1: open a foil/);
    const [check] = alarmsOf(script, standing(script, ...foiled));
    const minute = (next!.at - T0) / MINUTE;
    const heard = due(minute, ...foiled, [minute, { kind: 'silenced', alarm: check.key }]);
    expect(heard.next!.at).toBeGreaterThan(next!.at);
  });

  test('the basin, and the end', () => {
    const rinsing = [
      ...foiled,
      [40, { kind: 'rinse-begun', blocks: ['b0', 'b1'], incident: null }],
    ] as const satisfies (readonly [number, EventBody])[];
    expect(due(41, ...rinsing).now).toBe('At the basin');
    expect(due(50, ...rinsing, [48, { kind: 'rinse-done' }]).now).toMatch(/^Next: /);
    expect(due(60, ...rinsing, [48, { kind: 'rinse-done' }], [60, { kind: 'finished' }])).toEqual({
      now: 'Finished',
      next: null,
    });
  });
});
