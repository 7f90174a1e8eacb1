import { colourItems, pouredItems, strengthOf, type BowlItem, type ItemsRead } from '../bowl';
import { levelAfter, LIFT_FACTORS, onThisHead, type HeadFactor } from '../lift';
import type { DepositLine, Shelf } from '../products';
import { shareOut } from '../units';
import { EVERYWHERE, type BleachWash, type Correction, type SpotRepair } from '../visit';

/** What a correction is mixed of, and what it is expected to do. */
export interface CorrectionResult {
  readonly items: ItemsRead;
  /** Strength that reaches the hair, volumes. */
  readonly volumes: number;
  /** Level expected at the end of its time (bleach wash); null for a deposit. */
  readonly level: number | null;
  readonly notes: readonly string[];
}

/** A bleach wash for ends that are stuck: usual parts, weakened by shampoo and water; watched for 15–20 minutes. */
export function usualWash(id: string, product: string, from: number): BleachWash {
  return { kind: 'bleach-wash', id, product, volumes: 20, developer: 1, shampoo: 1, water: 1, grams: 80, minutes: 15, from, place: { ...EVERYWHERE, lengths: ['ends'] } };
}

/** A demi of the hair's own level for a spot that came out too light; null where the line has no natural shade. */
export function usualSpot(id: string, line: DepositLine, shelf: Shelf, level: number): SpotRepair | null {
  const off = (own: { readonly level: number }) => Math.abs(own.level - level);
  const [shade] = shelf.shadesOf(line.id).filter(({ tone }) => tone === 'natural').sort((a, b) => off(a) - off(b));
  if (!shade) return null;
  return { kind: 'spot', id, line: line.id, parts: [{ shade: shade.id, parts: 1 }], volumes: 10, ratio: line.ratio.usual, grams: 15, minutes: 5, level, place: { ...EVERYWHERE, words: 'one spot' } };
}

const WASH_MINUTES = { least: 15, most: 20 } as const;
const SPOT_MINUTES = 10;

export function correctionResult(own: Correction, shelf: Shelf, head: HeadFactor): CorrectionResult {
  return own.kind === 'spot' ? spotResult(own, shelf) : washResult(own, shelf, head);
}

function washResult(own: BleachWash, shelf: Shelf, head: HeadFactor): CorrectionResult {
  const volumes = strengthOf(own.volumes, own.developer, own.shampoo + own.water);
  const notes = ['Apply to wet hair, work fast and watch it: it is rinsed on colour, not on the clock.'];
  if (own.minutes > WASH_MINUTES.most) notes.push(`${own.minutes} min is longer than ${WASH_MINUTES.least}–${WASH_MINUTES.most} min, which a bleach wash is usually given.`);
  const product = shelf.lightener(own.product);
  if (!product) return { items: { ok: false, problem: `the lightener “${own.product}” is not in the house` }, volumes, level: null, notes };
  const [powder, developer, shampoo, water] = shareOut([1, own.developer, own.shampoo, own.water], Math.round(own.grams));
  const poured = pouredItems(own.volumes, developer, null, shelf);
  if (!poured.ok) return { items: poured, volumes, level: null, notes };
  const besides = (id: string, name: string, grams: number): BowlItem[] => (grams > 0 ? [{ product: id, name: shelf.find(id)?.name ?? name, grams, powder: false }] : []);
  const items: BowlItem[] = [
    { product: product.id, name: product.name, grams: powder, powder: true }, ...poured.items, ...besides('wash', 'Plain shampoo', shampoo), ...besides('water', 'Water', water),
  ];
  // In the open, on wet hair, and thinned: estimated as painting in the open air.
  const level = levelAfter(own.from, onThisHead({ volumes, factor: LIFT_FACTORS.openAir * product.speed, most: { levels: product.levels, top: product.top } }, head.factor), own.minutes);
  return { items: { ok: true, items, total: items.reduce((sum, { grams }) => sum + grams, 0) }, volumes, level, notes };
}

function spotResult(own: SpotRepair, shelf: Shelf): CorrectionResult {
  const notes = ['In a foil, only on the spot; look after a minute or two.'];
  if (own.minutes > SPOT_MINUTES) notes.push(`${own.minutes} min is long for a spot: a few minutes are usual.`);
  const levels = own.parts.map(({ shade, parts }) => ({ level: shelf.shade(shade)?.level, parts }));
  const all = levels.reduce((sum, { parts }) => sum + parts, 0);
  const mean = levels.reduce((sum, { level, parts }) => sum + (level ?? own.level) * parts, 0) / all;
  if (Math.abs(mean - own.level) > 0.5) notes.push(`Its level ${Math.round(mean * 10) / 10} does not match the hair beside it, ${own.level}.`);
  return { items: colourItems(own.parts, own.volumes, own.ratio, Math.round(own.grams / (1 + own.ratio)), shelf), volumes: own.volumes, level: null, notes };
}
