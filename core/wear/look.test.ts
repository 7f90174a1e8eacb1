import { emptyPlan } from '../formats';
import { bustOf } from '../bust';
import { surfaceAlong, ZONES } from '../head';
import { createPatternEngine, mirrorPlan, type Plan } from '../pattern';
import { planOf, techniqueOf } from '../technique';
import {
  brightnessOf,
  CURLS,
  hairRoots,
  layHair,
  lightAt,
  lightOn,
  litOf,
  lookAt,
  lookOf,
  makeStrands,
  placeOf,
  seenFrom,
  STYLES,
  USUAL_SHAPE,
  VIEW_NAMES,
  type Cut,
  type Style,
  type Layer,
  type Light,
  type LightFacts,
  type Way,
  type WornHair,
} from '.';
import { axesOf } from './camera';

const engine = createPatternEngine();
const technique = (key: string) => planOf(techniqueOf(key)!);
const TIED: Way = { kind: 'tied', at: 'middle' };
const DOWN: Way = { kind: 'down', partMm: 0 };
const WAYS: readonly Way[] = [
  DOWN,
  TIED,
  { kind: 'zigzag', partMm: 0 },
  { kind: 'forward', partMm: 0 },
  { kind: 'blown', partMm: 0 },
  { kind: 'lifted' },
  { kind: 'half-up' },
  { kind: 'tied', at: 'low' },
  { kind: 'tied', at: 'high' },
  { kind: 'bun' },
  { kind: 'swept', partMm: 20 },
];

const rooted = hairRoots(emptyPlan('Empty').head, 6_000);
const { head, roots } = rooted;

/** A zigzag turns about its line, a bun is coiled one way, and hair that is swept goes to one side. */
const ALIKE = ({ kind }: Way) => kind !== 'zigzag' && kind !== 'bun' && kind !== 'swept';

function radiusAlong(x: number, y: number, z: number): number {
  const point = surfaceAlong({ x, y, z }, head.skull);
  return Math.hypot(point.x, point.y, point.z);
}

describe('strands', () => {
  test.each(WAYS)('%j: hair lies on the head or outside it, and both sides alike', (way) => {
    const strands = makeStrands(rooted, way, () => 300);
    let least = Infinity;
    let differ = 0;
    // Every tenth pair.
    for (let i = 0; i + 1 < roots.count; i += 20) {
      const [a, b] = [3 * strands.points * i, 3 * strands.points * (i + 1)];
      for (let p = 1; p < strands.used[i]; p += 1) {
        const [x, y, z] = [0, 1, 2].map((axis) => strands.xyz[a + 3 * p + axis]);
        // Where the head ends the neck begins, which is drawn only.
        if (y > -40) least = Math.min(least, Math.hypot(x, y, z) - radiusAlong(x, y, z));
      }
      const mirrored =
        Math.abs(roots.xyz[3 * i] + roots.xyz[3 * i + 3]) < 1e-9 && Math.abs(roots.xyz[3 * i]) > 1;
      if (mirrored && ALIKE(way))
        for (let p = 0; p < 3 * strands.used[i]; p += 1)
          differ = Math.max(
            differ,
            Math.abs((p % 3 === 0 ? -1 : 1) * strands.xyz[a + p] - strands.xyz[b + p]),
          );
    }
    expect(least).toBeGreaterThan(-0.6);
    expect(differ).toBeLessThan(0.01);
  });

  test('what came further lies on top: heights grow with the distance travelled', () => {
    const strands = makeStrands(rooted, TIED, () => 300);
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

  test('the more hair bends, the less far it reaches and the wider it stands', () => {
    const reached = CURLS.map((curl) => {
      const { xyz, points, used } = makeStrands(rooted, DOWN, () => 300, { ...USUAL_SHAPE, curl });
      let lowest = 0;
      let wide = 0;
      for (let i = 0; i < roots.count; i += 1) {
        for (let p = 0; p < used[i]; p += 1) {
          lowest = Math.min(lowest, xyz[3 * (points * i + p) + 1]);
          // On the shoulders every hair spreads.
          if (xyz[3 * (points * i + p) + 1] > -120)
            wide = Math.max(wide, Math.abs(xyz[3 * (points * i + p)]));
        }
      }
      return { lowest, wide };
    });
    for (let i = 1; i < CURLS.length; i += 1) {
      expect(reached[i].lowest).toBeGreaterThan(reached[i - 1].lowest);
      expect(reached[i].wide).toBeGreaterThan(reached[0].wide);
    }
  });

  test('thin hair grows fewer strands, in its zones alone', () => {
    const { hair } = emptyPlan('x');
    const many = hairRoots(emptyPlan('x').head, 15_000);
    const strands = (byZone: Plan['hair']['byZone']) => layHair(many, { ...hair, byZone }, DOWN).strands;
    const [full, thin] = [strands({}), strands({ 'temple-l': { densityPerCm2: 85 } })];
    const grown = ({ used }: typeof full, zone: string) =>
      used.reduce((sum, value, i) => sum + (value > 1 && ZONES[many.roots.zone[i]] === zone ? 1 : 0), 0);
    expect(grown(thin, 'temple-l') / grown(full, 'temple-l')).toBeCloseTo(0.5, 1);
    expect(grown(thin, 'temple-r')).toBe(grown(full, 'temple-r'));
  });

  const skin = new Float64Array(4);
  const clearOf = ({ xyz }: ReturnType<typeof makeStrands>, at: number) => {
    bustOf(head).read(xyz[at], xyz[at + 1], xyz[at + 2], skin);
    return skin[0];
  };

  test('hair that hangs past the neck and the shoulders lies on them: within 15 mm where it touches', () => {
    const strands = makeStrands(rooted, DOWN, () => 400);
    // By height and side, how near the nearest strands come, and how deep any lies.
    const nearest = new Map<string, number>();
    let deepest = 0;
    for (let i = 0; i < strands.count; i += 1) {
      for (let p = 1; p < strands.used[i]; p += 1) {
        const at = 3 * (strands.points * i + p);
        const y = strands.xyz[at + 1];
        if (y > -80 || y < -280) continue;
        const off = clearOf(strands, at);
        deepest = Math.min(deepest, off);
        const place = `${Math.floor(y / 40)} ${strands.xyz[at + 2] < -20 ? 'back' : 'front'}`;
        nearest.set(place, Math.min(nearest.get(place) ?? Infinity, off));
      }
    }
    expect(nearest.size).toBeGreaterThanOrEqual(10);
    for (const [place, off] of nearest) expect(`${place}: ${off < 15}`).toBe(`${place}: true`);
    expect(deepest).toBeGreaterThan(-1);
  });

  test('a moved part moves hair', () => {
    const leftOf = (partMm: number) => {
      const { xyz, points, used } = makeStrands(rooted, { kind: 'down', partMm }, () => 250);
      let many = 0;
      for (let i = 0; i < used.length; i += 1) if (used[i] > 8 && xyz[3 * (points * i + 8)] > 0) many += 1;
      return many;
    };
    const [left, middle, right] = [-40, 0, 40].map(leftOf);
    expect(left).toBeGreaterThan(1.1 * middle);
    expect(right).toBeLessThan(0.9 * middle);
  });

  const EXTREMES = [
    ['hair of 20 mm', {}, { lengthMm: 20 }, 0],
    ['hair of a metre', {}, { lengthMm: 1000 }, 0],
    ['thin hair', {}, { densityPerCm2: 60 }, 0],
    ['thick hair', {}, { densityPerCm2: 300 }, 0],
    ['a small head', { circumferenceMm: 480 }, {}, 0],
    ['a large head', { circumferenceMm: 640 }, {}, 0],
    ['a part far off', {}, {}, 60],
  ] as const;
  test.each(EXTREMES)(
    '%s: hair is worn without a figure that is none and without hair in the skull',
    (_name, spec, hair, partMm) => {
      const { head: ownHead, hair: ownHair } = emptyPlan('x');
      const own = hairRoots({ ...ownHead, ...spec }, 300);
      for (const key of ['down', 'bun', 'swept'] as const satisfies readonly Style[]) {
        const { strands } = layHair(own, { ...ownHair, ...hair }, STYLES[key](partMm), {
          curl: 'wavy',
          cut: { ends: 'long-layers', fringe: true },
        });
        let [odd, deepest] = [0, 0];
        for (let i = 0; i < strands.count; i += 1) {
          for (let p = 0; p < strands.used[i]; p += 1) {
            const at = 3 * (strands.points * i + p);
            const [x, y, z] = [strands.xyz[at], strands.xyz[at + 1], strands.xyz[at + 2]];
            if (!Number.isFinite(x + y + z)) odd += 1;
            if (p === 0 || y < -40 * own.head.k) continue;
            bustOf(own.head).read(x, y, z, skin);
            deepest = Math.min(deepest, skin[0]);
          }
        }
        expect([key, odd, deepest > -1]).toEqual([key, 0, true]);
      }
    },
  );

  test('cut to one length all hair ends at about one line; in layers what grows lower hangs lower; a fringe ends at the brow', () => {
    const own = hairRoots(emptyPlan('x').head, 3000);
    const endsOf = (cut: Cut, among: (x: number, y: number, z: number) => boolean) => {
      const { strands } = layHair(own, { ...emptyPlan('x').hair, lengthMm: 330 }, DOWN, {
        curl: 'straight',
        cut,
      });
      const ends: number[] = [];
      for (let i = 0; i < strands.count; i += 1) {
        const root = 3 * strands.points * i;
        if (strands.used[i] > 1 && among(strands.xyz[root], strands.xyz[root + 1], strands.xyz[root + 2]))
          ends.push(strands.xyz[root + 3 * (strands.used[i] - 1) + 1]);
      }
      return ends.sort((a, b) => a - b)[ends.length >> 1];
    };
    const crown = (_x: number, y: number, z: number) => y > 60 && z < -20;
    const nape = (_x: number, y: number) => y < -60;
    const gap = (ends: Cut['ends']) =>
      endsOf({ ends, fringe: false }, crown) - endsOf({ ends, fringe: false }, nape);
    expect(Math.abs(gap('one-length'))).toBeLessThan(45);
    expect(gap('long-layers')).toBeGreaterThan(gap('one-length') + 30);
    expect(gap('layers')).toBeGreaterThan(gap('long-layers') + 30);
    const front = (x: number, y: number, z: number) => Math.abs(x) < 20 && z > 70 && y < 55;
    const brow = endsOf({ ends: 'long-layers', fringe: true }, front);
    expect(brow).toBeGreaterThan(-50);
    expect(brow).toBeLessThan(10);
  });

  test('hair shorter than a step is only its root, and is seen nowhere', () => {
    const strands = makeStrands(rooted, DOWN, () => 5);
    expect(Math.max(...strands.used)).toBe(1);
    expect(seenFrom(head, strands, 'back').count).toBe(0);
  });
});

const layer = (from: number, over: number, count: number): Layer => ({
  fromMm: new Float32Array(count).fill(from),
  overMm: new Float32Array(count).fill(over),
  toMm: new Float32Array(count).fill(Infinity),
  level: new Float32Array(count).fill(9),
});
const lightOf = (current: Layer, others: Partial<Light> = {}): Light => {
  const full = new Float32Array(current.fromMm.length).fill(1);
  return {
    own: current,
    old: null,
    foil: new Int16Array(current.fromMm.length),
    lowlit: new Uint8Array(current.fromMm.length),
    shadow: null,
    grownMm: 0,
    base: {
      bases: { baseAt: () => 0, whole: null },
      lightness: Float32Array.of(0),
      whole: null,
      most: 0,
      dark: 0,
      span: 1,
    },
    lightness: { own: full, old: full },
    packed: null,
    ...others,
  };
};

describe('what is seen', () => {
  test('the weights of a pixel are one together', () => {
    const { start, weight } = seenFrom(
      head,
      makeStrands(rooted, TIED, () => 300),
      'back',
    );
    let most = 0;
    for (let p = 0; p + 1 < start.length; p += 1) {
      if (start[p] === start[p + 1]) continue;
      let sum = 0;
      for (let i = start[p]; i < start[p + 1]; i += 1) sum += weight[i];
      most = Math.max(most, Math.abs(sum - 1));
    }
    expect(most).toBeLessThan(1e-4);
  });

  test('from behind, the client’s left is on the left', () => {
    const [right, , toward] = axesOf('back');
    expect(right[0]).toBeCloseTo(-1, 9);
    expect(toward[2]).toBeCloseTo(-1, 9);
  });

  test('hair all light is as bright as it is seen, none light not at all', () => {
    const surface = seenFrom(
      head,
      makeStrands(rooted, DOWN, () => 300),
      'left',
    );
    expect(brightnessOf(surface, litOf(surface, lightOf(layer(0, 0, roots.count))))).toBeCloseTo(1, 6);
    expect(brightnessOf(surface, litOf(surface, lightOf(layer(Infinity, 0, roots.count))))).toBe(0);
  });
});

describe('light along a strand', () => {
  const at = (light: Light, ...mm: number[]) => mm.map((d) => lightAt(light, 0, d));

  test('begins at its start and is full after its feather', () =>
    expect(at(lightOf(layer(20, 10, 1)), 10, 20, 25, 30, 90)).toEqual([0, 0, 0.5, 1, 1]));
  test('of an earlier service counts where it is lighter', () =>
    expect(at(lightOf(layer(40, 0, 1), { old: layer(60, 20, 1) }), 30, 50, 70)).toEqual([0, 1, 1]));
  test('is covered by a root shadow, which runs out and grows away', () => {
    expect(at(lightOf(layer(0, 0, 1), { shadow: { mm: 20 } }), 10, 20, 30, 40)).toEqual([0, 0, 0.5, 1]);
    expect(at(lightOf(layer(10, 0, 1), { shadow: { mm: 20 }, grownMm: 10 }), 5, 30, 40, 50)).toEqual([
      0, 0, 0.5, 1,
    ]);
  });
});

describe('looks', () => {
  const sown = hairRoots(emptyPlan('x').head, 20_000);
  const tied = layHair(sown, emptyPlan('x').hair, TIED);
  const down = layHair(sown, emptyPlan('x').hair, DOWN);
  const look = (plan: Plan, hair: WornHair, facts: LightFacts = {}) => {
    const computed = engine.compute(plan);
    return lookOf(hair, lightOn(hair, plan, computed, facts), computed);
  };

  test('no foils: all is as it grew, and the whole hairline is unlit', () => {
    const own = lookAt(emptyPlan('Empty'), engine, TIED, {}, 15_000);
    expect(Object.values(own.brightness)).toEqual(VIEW_NAMES.map(() => 0));
    expect(Object.values(own.stripe)).toEqual(VIEW_NAMES.map(() => 0));
    expect(own.unlit![0].mm).toBeGreaterThan(600);
  });

  test('a rim lights the hairline when tied back; a part panel leaves it dark', () => {
    const rim = look(technique('perimeter-up'), tied);
    const part = look(technique('crossed-part'), tied);
    expect(rim.unlit![0].mm).toBeLessThan(80);
    expect(part.unlit![0].mm).toBeGreaterThan(500);
    // Thirteen foils where they are seen are brighter at the face than a part panel is.
    expect(rim.brightness.front).toBeGreaterThan(3 * part.brightness.front);
  });

  test('worn down the part panel shows from above, the rim does not', () => {
    const rim = look(technique('perimeter-up'), down);
    const part = look(technique('crossed-part'), down);
    expect(part.brightness.top).toBeGreaterThan(3 * rim.brightness.top);
    expect(part.part!).toBeGreaterThan(3 * rim.part!);
  });

  test('growth never makes anything brighter', () => {
    const looks = [0, 12, 36].map((grownMm) => look(technique('four-quarters'), tied, { grownMm }));
    for (const view of VIEW_NAMES) {
      expect(looks[1].brightness[view]).toBeLessThan(looks[0].brightness[view]);
      expect(looks[2].brightness[view]).toBeLessThan(looks[1].brightness[view]);
    }
  });

  test('the same plan looks the same twice, and its mirror image within two in a hundred', () => {
    const plan: Plan = technique('hairline-and-threes');
    const own = look(plan, tied);
    expect(lookAt(plan, createPatternEngine(), TIED)).toEqual(own);
    const other = look(mirrorPlan(plan), tied);
    expect(Math.abs(other.brightness.left / own.brightness.right - 1)).toBeLessThan(0.02);
    expect(Math.abs(other.brightness.back / own.brightness.back - 1)).toBeLessThan(0.02);
  });

  test('twice the strands change what is seen by less than eight in a hundred over four patterns, by less than a third in each', () => {
    const all = ['four-quarters', 'hairline-and-threes', 'deep-contrast', 'two-mixes-in-bricks'].map(
      technique,
    );
    const dense = layHair(hairRoots(emptyPlan('x').head, 40_000), emptyPlan('x').hair, TIED);
    const seen = all.map((plan) => [look(plan, tied), look(plan, dense)]);
    for (const view of ['left', 'back'] as const) {
      const pairs = seen.map((looks) => looks.map(({ brightness }) => brightness[view]));
      // Tied back, a view shows the hair of a few rows at the hairline: which of it was drawn is chance.
      for (const [some, many] of pairs) expect(Math.abs(many / some - 1)).toBeLessThan(0.33);
      const [some, many] = [0, 1].map((i) => pairs.reduce((sum, pair) => sum + pair[i], 0));
      expect(Math.abs(many / some - 1)).toBeLessThan(0.08);
    }
  });
});

test.each([
  [-5, 5, 'middle of the forehead'],
  [15, 40, 'side of the forehead, left'],
  [-75, -50, 'temple, right'],
  [110, 130, 'behind the ear, left'],
  [170, -170, 'nape'],
])('from %d° to %d° is the %s', (from, to, place) => expect(placeOf(from, to)).toBe(place));
