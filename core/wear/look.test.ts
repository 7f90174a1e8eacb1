import { emptyPlan } from '../formats';
import { makeHead, makeRoots, makeScalp, makeScalpGrid, surfaceAlong } from '../head';
import { createPatternEngine, mirrorPlan, type Plan } from '../pattern';
import { planOf, techniqueOf } from '../technique';
import { brightnessOf, cameraOf, lightAt, lookAt, lookOn, makeStrands, placeOf, seenFrom, VIEWS, wornHair, type View, type WornHair } from '.';

const engine = createPatternEngine();
const technique = (key: string) => planOf(techniqueOf(key)!);
const TIED = { kind: 'tied', at: 'middle' } as const;
const DOWN = { kind: 'down', partMm: 0 } as const;
const views = Object.keys(VIEWS) as View[];

const head = makeHead(emptyPlan('Empty').head);
const roots = makeRoots(makeScalpGrid(makeScalp(head)), 15_000);

describe('strands', () => {
  test.each([DOWN, TIED])('%j: hair lies on the head or outside it, and both sides alike', (way) => {
    const strands = makeStrands(head, roots, way, () => 300);
    let least = Infinity;
    let differ = 0;
    for (let i = 0; i + 1 < roots.count; i += 1) {
      const [a, b] = [3 * strands.points * i, 3 * strands.points * (i + 1)];
      for (let p = 1; p < strands.used[i]; p += 1) {
        const [x, y, z] = [0, 1, 2].map((axis) => strands.xyz[a + 3 * p + axis]);
        // Where the head ends the neck begins, which is drawn only.
        if (y > -40) least = Math.min(least, Math.hypot(x, y, z) - radiusAlong(x, y, z));
      }
      const mirrored = Math.abs(roots.xyz[3 * i] + roots.xyz[3 * i + 3]) < 1e-9 && Math.abs(roots.xyz[3 * i]) > 1;
      if (mirrored) for (let p = 0; p < 3 * strands.used[i]; p += 1) differ = Math.max(differ, Math.abs((p % 3 === 0 ? -1 : 1) * strands.xyz[a + p] - strands.xyz[b + p]));
    }
    expect(least).toBeGreaterThan(-0.6);
    expect(differ).toBeLessThan(0.01);
  });

  test('what came further lies on top: heights grow with the distance travelled', () => {
    const strands = makeStrands(head, roots, TIED, () => 300);
    const height = (p: number) => {
      let sum = 0;
      for (let i = 0; i < roots.count; i += 1) {
        const at = 3 * (strands.points * i + p);
        const [x, y, z] = [strands.xyz[at], strands.xyz[at + 1], strands.xyz[at + 2]];
        sum += Math.hypot(x, y, z) - radiusAlong(x, y, z);
      }
      return sum / roots.count;
    };
    expect(height(1)).toBeGreaterThan(0.5);
    expect(height(4)).toBeGreaterThan(height(1) + 2);
  });
});

function radiusAlong(x: number, y: number, z: number): number {
  const point = surfaceAlong({ x, y, z }, head.skull);
  return Math.hypot(point.x, point.y, point.z);
}

describe('what is seen', () => {
  test('the weights of a pixel are one together', () => {
    const surface = seenFrom(head, makeStrands(head, roots, TIED, () => 300), 'back');
    const whole = new Map<number, number>();
    for (let i = 0; i < surface.count; i += 1) whole.set(surface.pixel[i], (whole.get(surface.pixel[i]) ?? 0) + surface.weight[i]);
    for (const sum of whole.values()) expect(Math.abs(sum - 1)).toBeLessThan(1e-4);
  });

  test('from behind, the client’s left is on the left', () => {
    const [right, , toward] = cameraOf('back');
    expect(right[0]).toBeCloseTo(-1, 9);
    expect(toward[2]).toBeCloseTo(-1, 9);
  });

  test('a strand all light is as bright as it is seen, none light not at all', () => {
    const surface = seenFrom(head, makeStrands(head, roots, DOWN, () => 300), 'left');
    const all = { fromMm: new Float32Array(roots.count), overMm: new Float32Array(roots.count) };
    expect(brightnessOf(surface, all)).toBeCloseTo(1, 6);
    expect(brightnessOf(surface, { ...all, fromMm: all.fromMm.map(() => Infinity) })).toBe(0);
  });
});

test('light begins at its start and is full after its feather; growth moves it out', () => {
  const light = { fromMm: Float32Array.of(20), overMm: Float32Array.of(10) };
  expect([10, 20, 25, 30, 90].map((d) => lightAt(light, 0, d))).toEqual([0, 0, 0.5, 1, 1]);
});

describe('looks', () => {
  const tied = wornHair(technique('four-quarters'), TIED);
  const down = wornHair(technique('four-quarters'), DOWN);
  const look = (key: string, hair: WornHair, grownMm = 0) => lookOn(hair, technique(key), engine, grownMm);

  test('no foils: all is as it grew, and the whole hairline is unlit', () => {
    const look = lookAt(emptyPlan('Empty'), engine, TIED, 0, 15_000);
    expect(Object.values(look.brightness)).toEqual(views.map(() => 0));
    expect(look.longestUnlit!.mm).toBeGreaterThan(600);
  });

  test('a rim lights the hairline when tied back; a part panel leaves it dark', () => {
    const rim = look('perimeter-up', tied);
    const part = look('crossed-part', tied);
    expect(rim.longestUnlit!.mm).toBeLessThan(80);
    expect(part.longestUnlit!.mm).toBeGreaterThan(500);
    // Thirteen foils where they are seen are brighter at the face than a part panel is.
    expect(rim.brightness.front).toBeGreaterThan(3 * part.brightness.front);
  });

  test('worn down the part panel shows from above, the rim does not', () => {
    const rim = look('perimeter-up', down);
    const part = look('crossed-part', down);
    expect(part.brightness.top).toBeGreaterThan(3 * rim.brightness.top);
  });

  test('growth never makes anything brighter', () => {
    const looks = [0, 12, 36].map((grown) => look('four-quarters', tied, grown));
    for (const view of views) {
      expect(looks[1].brightness[view]).toBeLessThan(looks[0].brightness[view]);
      expect(looks[2].brightness[view]).toBeLessThan(looks[1].brightness[view]);
    }
  });

  test('the same plan looks the same twice, and its mirror image within two in a hundred', () => {
    const plan: Plan = technique('hairline-and-threes');
    const own = lookOn(tied, plan, engine);
    expect(lookAt(plan, createPatternEngine(), TIED)).toEqual(own);
    const other = lookOn(tied, mirrorPlan(plan), engine);
    expect(Math.abs(other.brightness.left / own.brightness.right - 1)).toBeLessThan(0.02);
    expect(Math.abs(other.brightness.back / own.brightness.back - 1)).toBeLessThan(0.02);
  });

  test('twice the strands change what is seen by less than eight in a hundred', () => {
    const plan = technique('four-quarters');
    const [some, many] = [lookOn(tied, plan, engine), lookAt(plan, engine, TIED, 0, 40_000)];
    for (const view of ['left', 'back'] as const) expect(Math.abs(many.brightness[view] / some.brightness[view] - 1)).toBeLessThan(0.08);
  });
});

test.each([[-5, 5, 'middle of the forehead'], [15, 40, 'side of the forehead, left'], [-75, -50, 'temple, right'], [110, 130, 'behind the ear, left'], [170, -170, 'nape']])(
  'from %d° to %d° is the %s', (from, to, place) => expect(placeOf(from, to)).toBe(place),
);
