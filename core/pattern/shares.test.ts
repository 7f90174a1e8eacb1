import { startPlan } from '../formats';
import { planOf, techniqueOf } from '../technique';
import { sharesOf, sharesWords } from '.';
import { engine, inTurn } from './testing';

test('half of the foils depositing: the lightened share halves, and the deepened share is the other half', () => {
  const { sheet } = engine.compute(inTurn(startPlan()));
  const all = sharesOf(sheet).total;
  const half = sharesOf(sheet, new Set(['B'])).total;
  expect(half.lightened + half.deepened).toBeCloseTo(all.lightened, 12);
  expect(half.lightened / all.lightened).toBeCloseTo(0.5, 1);
  expect(half.foiled).toBe(all.foiled);
  expect(sharesWords(half)).toMatch(/^\d+% lightened, \d+% deepened$/);
});

test('lowlit drop-outs deepen, whatever the letters do', () => {
  const { sheet } = engine.compute(planOf(techniqueOf('hairline-and-threes')!));
  expect(sharesOf(sheet).total.deepened).toBeGreaterThan(0.01);
  expect(sharesOf(engine.compute(startPlan()).sheet).total.deepened).toBe(0);
});

test('the crown wheel counts its dark wedges and rim as deepened', () => {
  const wheel = techniqueOf('crown-wheel')!;
  const { sheet } = engine.compute(planOf(wheel));
  const { lightened, deepened } = sharesOf(sheet, new Set(wheel.deposits)).total;
  expect(deepened).toBeGreaterThan(lightened);
});

test('zones add up to the whole by their skin', () => {
  const { sheet } = engine.compute(startPlan());
  const { total, byZone } = sharesOf(sheet);
  const area = sheet.zones.reduce((sum, { areaCm2 }) => sum + areaCm2, 0);
  expect(
    sheet.zones.reduce((sum, { zone, areaCm2 }) => sum + areaCm2 * byZone[zone].lightened, 0) / area,
  ).toBeCloseTo(total.lightened, 12);
});
