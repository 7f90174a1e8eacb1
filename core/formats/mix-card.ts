import { HAIR_STATE_WORDS, TONER_PLACE_WORDS, type ItemsRead, type PanelLift, type VisitMix, type VisitMixed } from '../mix';
import { formatAmount } from '../units';
import { cut, wrapped } from './sheet-text';
import type { Shape } from './shapes';
import type { StationSheet } from './station-sheet';
import { textWidth } from './text-width';

/** What stands on the card beside the mix itself. */
export interface CardFacts {
  readonly client: string;
  /** As a person writes it. */
  readonly date: string;
  readonly colourist: string;
  readonly base: string;
  readonly goal: string;
  /** Estimate and agreed amount, as they are said; null where none is. */
  readonly price: string | null;
  readonly agreed: string | null;
  readonly cautions: readonly string[];
}

const PAGE = { width: 210, height: 297, margin: 12 };
const INNER = PAGE.width - 2 * PAGE.margin;
const INK = '#17251f';
const SOFT = '#55635b';
const LINE = '#b9c2b8';
const FOOT = PAGE.height - PAGE.margin;

/** Sizes that are tried, the largest first: a card is read at arm's length. */
const SIZES = [1.5, 1.3, 1.15, 1] as const;

/** The card for the mixing table: bowls with what is weighed, when each panel is ready, toner, root and corrections, on one page. */
export function mixCard(mix: VisitMix, mixed: VisitMixed, facts: CardFacts): StationSheet {
  const cards = SIZES.map((size) => () => cardAt(size, mix, mixed, facts));
  for (const make of cards) {
    const { left, sheet } = make();
    if (left === 0) return sheet;
  }
  return cards[cards.length - 1]().sheet;
}

/** The card with its lines at a size, and how many of them found no place. */
function cardAt(scale: number, mix: VisitMix, mixed: VisitMixed, facts: CardFacts): { sheet: StationSheet; left: number } {
  const shapes: Shape[] = [];
  let y = 19;
  const text = (x: number, size: number, words: string, more: Partial<Extract<Shape, { kind: 'text' }>> = {}) => shapes.push({ kind: 'text', x, y, size, words, fill: INK, weight: 400, anchor: 'start', ...more });
  const rule = () => shapes.push({ kind: 'path', d: `M${PAGE.margin} ${y}H${PAGE.width - PAGE.margin}`, stroke: LINE, width: 0.25 });
  const cautions = wrapped([...facts.cautions, 'Estimates are estimates. Leaflet, local rules and licensed judgement come first.'], 3, INNER);
  const last = FOOT - cautions.length * 4 - 4;
  let left = 0;
  /** One line of the card; lines that no longer fit are counted and said. */
  const line = (words: string, { x = PAGE.margin, size = 3.6, weight = 400 as 400 | 600 | 700, fill = INK, step = 5.2, right = '', label = '' } = {}) => {
    const own = size * scale;
    const width = PAGE.width - PAGE.margin - x - (right ? textWidth(right, own, 700) + 4 : 0);
    // Amounts are never cut: they go on in the next line. Bold is a little wider than what is measured.
    const lines = weight === 400 ? [cut(words, own, width)] : wrapped([words], own, 0.93 * width);
    if (y + lines.length * step * scale > last) return void (left += 1);
    const first = y + step * scale;
    if (label) text(PAGE.margin, own, label, { weight: 700, y: first });
    for (const part of lines) {
      y += step * scale;
      text(x, own, part, { weight, fill });
    }
    if (right) text(PAGE.width - PAGE.margin, own, right, { weight: 700, anchor: 'end', y: first });
  };
  const indent = PAGE.margin + 13 * scale;
  const heading = (words: string) => {
    y += 3 * scale;
    line(words, { size: 4.4, weight: 700, step: 6 });
  };
  const amount = (grams: number, powder: boolean) => formatAmount(grams, mix.unit, powder ? mix.scoopGrams : null);
  const items = (read: ItemsRead) => (read.ok ? read.items.map((own) => `${amount(own.grams, own.powder)} ${own.name}`).join('  ·  ') : `cannot be mixed: ${read.problem}`);

  text(PAGE.margin, 6.2, cut(facts.client, 6.2, 112, 700), { weight: 700 });
  text(PAGE.width - PAGE.margin, 4.6, 'Mixing card', { weight: 600, anchor: 'end' });
  y = 25.5;
  text(PAGE.margin, 3.6, cut(`${facts.date} · ${facts.colourist} · base ${facts.base} to ${facts.goal}`, 3.6, INNER - 70), { fill: SOFT });
  const price = [facts.agreed && `agreed ${facts.agreed}`, facts.price && `estimate ${facts.price}`].filter(Boolean).join(', ');
  text(PAGE.width - PAGE.margin, 3.6, price, { fill: SOFT, anchor: 'end' });
  y = 29;
  rule();

  heading('Bowls');
  if (!mixed.bowls.ok) line(mixed.bowls.problem);
  else if (mixed.bowls.bowls.length === 0) line('No foils, no bowls.', { fill: SOFT });
  else {
    for (const { label, foilNumbers, fromMinutes, items: read } of mixed.bowls.bowls) {
      line(items(read), { x: indent, label, weight: 600, right: `minute ${Math.round(fromMinutes)}` });
      const strength = mixed.formulas.find(({ letter }) => letter === label[0]);
      line([foilNumbers && `foils ${foilNumbers[0]}–${foilNumbers[1]}`, strength?.recipe && `${tenth(strength.recipe.volumes)} vol on the hair, 1:${tenth(strength.recipe.ratio)}`, read.ok && `${read.total} g`].filter(Boolean).join(' · '), { x: indent, size: 3.1, fill: SOFT, step: 4 });
    }
  }
  if (mixed.mixed.panels.length > 0) {
    heading('Ready, minutes after the foil is closed (estimates)');
    for (const panel of mixed.mixed.panels) line(`${panel.name}, ${panel.formula}${panel.stretch === 'length' ? '' : `, ${panel.stretch}`}: level ${tenth(panel.from)} to ${tenth(panel.target)}`, { right: readyWords(panel) });
    const { factor, readings } = mixed.head;
    line(readings === 0 ? 'No strand test yet.' : `This hair lifts ${factor.toFixed(2)} times as fast as usual, from ${readings} ${readings === 1 ? 'reading' : 'readings'}.`, { size: 3.1, fill: SOFT, step: 4.4 });
  }
  if (mix.toners.length > 0 || mix.root) heading('Toner and root, in this order');
  mix.toners.forEach((toner, i) => {
    const { result } = mixed.toners[i];
    line(result.ok ? items(result.items) : `cannot be mixed: ${result.problem}`, { weight: 600, right: `${tenth(toner.minutes)} min` });
    line(`${TONER_PLACE_WORDS[toner.where]}, ${HAIR_STATE_WORDS[toner.state]}; watched${result.ok ? `, on level ${tenth(result.meets)}` : ''}`, { x: indent, size: 3.1, fill: SOFT, step: 4 });
  });
  if (mix.root && mixed.root) {
    line(mixed.root.ok ? items(mixed.root.items) : `cannot be mixed: ${mixed.root.problem}`, { weight: 600, right: `${tenth(mix.root.minutes)} min` });
    line(`root colour${mixed.root.ok ? `, level ${tenth(mixed.root.level)}` : ''}`, { x: indent, size: 3.1, fill: SOFT, step: 4 });
  }
  if (mix.corrections.length > 0) heading('Corrections');
  mix.corrections.forEach((own, i) => {
    const { result } = mixed.corrections[i];
    line(items(result.items), { weight: 600, right: `${tenth(own.minutes)} min` });
    line(`${own.kind === 'spot' ? 'spot repair' : 'bleach wash'}, ${own.where}; ${tenth(result.volumes)} vol on the hair; watched`, { x: indent, size: 3.1, fill: SOFT, step: 4 });
  });
  const short = mixed.needs.filter((need) => need.short > 0);
  if (short.length > 0) {
    heading('To buy');
    line(short.map(({ packs, product }) => `${packs} × ${product.name}`).join(', '));
  }
  if (left > 0) {
    y = last;
    text(PAGE.margin, 3.1, `and ${left} more lines on the screen`, { fill: SOFT });
  }
  y = FOOT - cautions.length * 4 - 1;
  rule();
  for (const words of cautions) {
    y += 4;
    text(PAGE.margin, 3, words, { fill: SOFT });
  }
  return { left, sheet: { widthMm: PAGE.width, heightMm: PAGE.height, title: `${facts.client}: mixing card`, shapes } };
}

const tenth = (value: number) => String(Math.round(value * 10) / 10);

function readyWords({ ready, limitMinutes, atLimit }: PanelLift): string {
  if (ready === null || ready.minutes > limitMinutes) return `not expected; ${tenth(atLimit.level)} at ${limitMinutes}`;
  return `${Math.round(ready.minutes)} (${Math.round(ready.soonest)}–${ready.latest === null ? 'never' : Math.round(ready.latest)}), limit ${limitMinutes}`;
}
