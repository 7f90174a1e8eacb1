import { EMPTY_CONSULT } from '@/core/formats';
import { paint } from '@/core/hair-map';
import { makeHead, makeScalp, makeScalpGrid, zoneOutlines } from '@/core/head';
import { fillOf, neighbour } from './zone-paint';

const zones = zoneOutlines(makeScalpGrid(makeScalp(makeHead(EMPTY_CONSULT.head))));
const places = zones.map(({ zone, label }) => ({ zone, at: { x: -label.x, y: -label.y } }));

test('arrow keys reach every zone from any other', () => {
  const seen = new Set([places[0].zone]);
  const open = [places[0].zone];
  while (open.length > 0) {
    const from = open.pop()!;
    for (const arrow of ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'] as const) {
      const to = neighbour(places, from, arrow);
      if (!seen.has(to)) {
        seen.add(to);
        open.push(to);
      }
    }
  }
  expect([...seen].sort()).toEqual(places.map(({ zone }) => zone).sort());
});

test('left leads to the client’s left, which is screen-left', () => {
  expect(neighbour(places, 'top-r', 'ArrowLeft')).toMatch(/-l$|crown/);
  expect(neighbour(places, 'front-hairline-l', 'ArrowUp')).toBe('front-hairline-l');
});

test('a zone where nothing is known shows nothing; more grey shows more', () => {
  expect(fillOf(EMPTY_CONSULT, 'grey', 'crown').opacity).toBe(0);
  const some = fillOf(
    paint({ consult: EMPTY_CONSULT, key: 'grey', zones: ['crown'], value: 0.2 }),
    'grey',
    'crown',
  ).opacity;
  expect(
    fillOf(paint({ consult: EMPTY_CONSULT, key: 'grey', zones: ['crown'], value: 0.8 }), 'grey', 'crown')
      .opacity,
  ).toBeGreaterThan(some);
});
