import { panelOf } from '../formats';
import { addScaled, dot, fromOpened, mirrored, subtract, toOpened } from '../head';
import { partingAxes } from './parting-axes';
import { foilPoints, withFoilMovedTo, withFoilTurnedTo } from './parting-grips';
import { placeGrips } from './place-grips';
import { engine, planWith } from './testing';
import type { Panel, Place, Plan } from './types';

const head = engine.compute(planWith([])).drawing.head;
const part = { offsetMm: 10, lengthMm: null, none: false };

const places: Place[] = [
  { kind: 'hairline-band', widthMm: 12, fromDeg: 40, toDeg: 140 },
  { kind: 'face-frame', depthMm: 35, reachDeg: 50 },
  { kind: 'part-strip', leftMm: 25, rightMm: 38, fromMm: 0, toMm: null },
  { kind: 'wheel', radiusMm: 60, half: 'all' },
  { kind: 'crown-triangle', behindApexMm: 15, halfWidthMm: 65 },
  {
    kind: 'triangle',
    corners: [
      [0.1, 0.4],
      [0.5, 0.1],
      [0.2, -0.2],
    ],
  },
  {
    kind: 'except',
    place: { kind: 'face-frame', depthMm: 40, reachDeg: 60 },
    without: [{ kind: 'zones', zones: ['crown'] }],
  },
];
const sides = ['left', 'right', 'both'] as const;

test.each(places.flatMap((place) => sides.map((side) => [place.kind, side, place] as const)))(
  '%s on %s: a grip left where it is changes nothing',
  (_, side, place) => {
    const panel = panelOf({
      id: 'p',
      name: 'P',
      place,
      side,
      gather: { kind: 'slice' },
      thicknessMm: 4,
      spacing: { kind: 'constant', dropoutMm: 5 },
      leaveOut: [
        [
          [0.1, 0.1],
          [0.2, 0.1],
          [0.1, 0.3],
        ],
      ],
    });
    const grips = placeGrips(panel, head, part);
    expect(grips.length).toBeGreaterThan(3);
    for (const grip of grips) expect(grip.moved(grip.at)).toEqual(panel);
  },
);

test('a grip moved to a point stands there afterwards', () => {
  const panel = panelOf({
    id: 'p',
    name: 'P',
    place: places[0],
    gather: { kind: 'slice' },
    thicknessMm: 4,
    spacing: { kind: 'constant', dropoutMm: 5 },
  });
  const [width] = placeGrips(panel, head, part);
  const to = { x: width.at.x - 9, y: width.at.y };
  const after = placeGrips(width.moved(to), head, part)[0];
  expect(Math.hypot(after.at.x - to.x, after.at.y - to.y)).toBeLessThan(2);
  expect(after.said).not.toBe(width.said);
});

test('grips never leave the range that a plan allows', () => {
  const panel = panelOf({
    id: 'p',
    name: 'P',
    place: places[1],
    gather: { kind: 'slice' },
    thicknessMm: 4,
    spacing: { kind: 'constant', dropoutMm: 5 },
  });
  const [depth, reach] = placeGrips(panel, head, part);
  expect(depth.moved({ x: 0, y: 400 }).place).toMatchObject({ depthMm: 5 });
  expect(reach.moved({ x: 0, y: -300 }).place).toMatchObject({ reachDeg: 110 });
});

const middleRow = (plan: Plan, row: number, side: string) => {
  const { sheet, drawing } = engine.compute(plan);
  const i = sheet.foils.findIndex(
    (foil) => foil.row === row && foil.side === side && Math.abs(foil.column) <= 1,
  );
  return { foil: sheet.foils[i], path: drawing.paths[i], totals: sheet.panels[0] };
};

test.each([
  [{ kind: 'constant', dropoutMm: 5 }],
  [{ kind: 'count', foils: 40 }],
  [{ kind: 'eased', fromMm: 6, toMm: 4 }],
] as const)(
  'a foil dragged 8 mm away from the first parting lies there, the drop-outs share the way (%o)',
  (spacing) => {
    const plan = planWith([{ place: { kind: 'back' }, spacing }]);
    const { foil, path, totals } = middleRow(plan, 5, 'left');
    const j = 6 * (path.count >> 1);
    const { middle } = foilPoints(path);
    const across = [path.packed[j + 4] - path.packed[j + 2], path.packed[j + 5] - path.packed[j + 3]];
    const size = Math.hypot(across[0], across[1]);
    const to = { x: middle.x + (8 * across[0]) / size, y: middle.y + (8 * across[1]) / size };
    const panel: Panel = withFoilMovedTo(plan.panels[0], foil, path, to, totals);
    const after = foilPoints(middleRow({ ...plan, panels: [panel] }, 5, 'left').path).middle;
    const moved = ((after.x - middle.x) * across[0] + (after.y - middle.y) * across[1]) / size;
    expect(moved).toBeGreaterThan(5.5);
    expect(moved).toBeLessThan(11);
  },
);

test.each([
  ['left', 'back'],
  ['right', 'back'],
  ['across', 'back'],
  ['left', 'side'],
  ['right', 'side'],
  ['across', 'whole'],
] as const)('a foil turned by 12° on %s of the %s turns the panel by 12°', (side, kind) => {
  const plan = planWith([{ place: { kind }, side, direction: { kind: 'parallel', angleDeg: 10 } }]);
  const { foil, path } = middleRow(plan, 6, side);
  const { middle, end } = foilPoints(path);
  const point = fromOpened(head, middle);
  const own = side === 'right' ? mirrored : <T>(p: T) => p;
  const axes = partingAxes(head, own(point), side === 'across');
  // The foil's end, turned about its middle on the skin.
  const out = subtract(own(fromOpened(head, end)), own(point));
  const [level, fall] = [dot(out, axes.level), -dot(out, axes.up)];
  const phi = Math.atan2(fall, level) + (12 * Math.PI) / 180;
  const reach = Math.hypot(level, fall);
  const to = toOpened(
    head,
    own(addScaled(addScaled(own(point), axes.level, reach * Math.cos(phi)), axes.up, -reach * Math.sin(phi))),
  );
  const { direction } = withFoilTurnedTo(plan.panels[0], foil, path, head, to);
  // Turned the right way by about as much: a foil 10 cm long leaves the tangent plane in which its angle is
  // measured.
  expect(direction).toMatchObject({ kind: 'parallel' });
  const turnedBy = direction.kind === 'parallel' ? direction.angleDeg - 10 : 0;
  expect(turnedBy).toBeGreaterThanOrEqual(4);
  expect(turnedBy).toBeLessThanOrEqual(18);
});
