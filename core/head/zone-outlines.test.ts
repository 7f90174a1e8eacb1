import { makeHead, makeScalp, makeScalpGrid, zoneOutlines, ZONES, type Outline } from './index';

const grid = makeScalpGrid(
  makeScalp(makeHead({ circumferenceMm: 550, hairline: { left: 'round', right: 'round' } })),
);
const all = zoneOutlines(grid);

function area(outline: Outline): number {
  return outline.reduce((sum, p, i) => {
    const q = outline[(i + 1) % outline.length];
    return sum + (p.x * q.y - q.x * p.y) / 2;
  }, 0);
}

test('every zone has an outline and a label that lies in it', () => {
  expect(all.map(({ zone }) => zone)).toEqual([...ZONES]);
  for (const { zone, outlines, label } of all) {
    expect(outlines.length).toBeGreaterThan(0);
    const head = grid.scalp.head;
    expect(grid.scalp.zoneAt(head.pointAt(Math.atan2(label.x, label.y), Math.hypot(label.x, label.y)))).toBe(
      zone,
    );
  }
});

test('neighbours share their edge: the zones cover what they cover together, without gap or overlap', () => {
  // Every point of a zone's edge that is not at the rim belongs to a neighbour's edge too, to the last digit.
  const owners = new Map<string, number>();
  for (const { outlines } of all) {
    for (const { x, y } of outlines.flat()) owners.set(`${x},${y}`, (owners.get(`${x},${y}`) ?? 0) + 1);
  }
  const inner = all.find(({ zone }) => zone === 'upper-back-l')!.outlines[0];
  expect(inner.length).toBeGreaterThan(60);
  for (const { x, y } of inner) expect(owners.get(`${x},${y}`)).toBeGreaterThan(1);
});

test('the crown is a disc of 35 mm: its outline has that area within 3%', () => {
  const [outline] = all.find(({ zone }) => zone === 'crown')!.outlines;
  expect(Math.abs(area(outline) / (Math.PI * 35 * 35) - 1)).toBeLessThan(0.03);
});
