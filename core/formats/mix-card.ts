import type { ItemsRead, MixPart, Recipe } from '../bowl';
import type { ColourResults, Need } from '../mix';
import type { Plan } from '../pattern';
import { formatAmounts, inMeasures, type Measures } from '../units';
import { HAIR_STATE_WORDS, placeWords, rootName, type VisitMix } from '../visit';
import { groupsOf, groupWords, isExpected, type LiftRow, type WorkList } from '../work';
import { cut, wrapped } from './sheet-text';
import type { Shape } from './shapes';
import type { StationSheet } from './station-sheet';
import { textWidth } from './text-width';

/** How a line of the card looks: mm, and where it begins. */
interface LineLook {
  readonly x?: number;
  readonly size?: number;
  readonly weight?: 400 | 600 | 700;
  readonly fill?: string;
  readonly step?: number;
  readonly right?: string;
  readonly label?: string;
}

/** What of a visit stands on the card. */
export interface CardVisit {
  readonly plan: Plan;
  readonly mix: VisitMix;
  readonly work: WorkList;
  readonly colours: ColourResults;
  readonly needs: readonly Need[];
}

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
  /** In what amounts, strengths and temperatures the house says things. */
  readonly measures: Measures;
}

const PAGE = { width: 210, height: 297, margin: 12 };
const INNER = PAGE.width - 2 * PAGE.margin;
const INK = '#17251f';
const SOFT = '#55635b';
const LINE = '#b9c2b8';
const FOOT = PAGE.height - PAGE.margin;

/** Sizes that are tried, the largest first: a card is read at arm's length. */
const SIZES = [1.5, 1.3, 1.15, 1] as const;

/**
 * The card for the mixing table: bowls with what is weighed, when each panel is ready, toner, root and
 * corrections, on one page.
 */
export function mixCard(visit: CardVisit, facts: CardFacts): StationSheet {
  const cards = SIZES.map((size) => () => cardAt(size, visit, facts));
  for (const make of cards) {
    const { left, sheet } = make();
    if (left === 0) return sheet;
  }
  return cards[cards.length - 1]().sheet;
}

/** The card with its lines at a size, and how many of them found no place. */
function cardAt(
  scale: number,
  { mix, work, colours, needs, plan }: CardVisit,
  facts: CardFacts,
): { sheet: StationSheet; left: number } {
  const shapes: Shape[] = [];
  let y = 19;
  const text = (
    x: number,
    size: number,
    words: string,
    more: Partial<Extract<Shape, { kind: 'text' }>> = {},
  ) => shapes.push({ kind: 'text', x, y, size, words, fill: INK, weight: 400, anchor: 'start', ...more });
  const rule = () =>
    shapes.push({
      kind: 'path',
      d: `M${PAGE.margin} ${y}H${PAGE.width - PAGE.margin}`,
      stroke: LINE,
      width: 0.25,
    });
  const cautions = wrapped(
    [
      ...facts.cautions.map((caution) => inMeasures(caution, facts.measures)),
      'Estimates are estimates. Leaflet, local rules and licensed judgement come first.',
    ],
    3,
    INNER,
  );
  const last = FOOT - cautions.length * 4 - 4;
  let left = 0;
  /** One line of the card; lines that no longer fit are counted and said. */
  const line = (
    given: string,
    {
      x = PAGE.margin,
      size = 3.6,
      weight = 400,
      fill = INK,
      step = 5.2,
      right = '',
      label = '',
    }: LineLook = {},
  ) => {
    const words = inMeasures(given, facts.measures);
    const height = size * scale;
    const width = PAGE.width - PAGE.margin - x - (right ? textWidth(right, height, 700) + 4 : 0);
    // Amounts are never cut: they go on in the next line. Bold is a little wider than what is measured.
    const lines = weight === 400 ? [cut(words, height, width)] : wrapped([words], height, 0.93 * width);
    if (y + lines.length * step * scale > last) return void (left += 1);
    const first = y + step * scale;
    if (label) text(PAGE.margin, height, label, { weight: 700, y: first });
    for (const part of lines) {
      y += step * scale;
      text(x, height, part, { weight, fill });
    }
    if (right) text(PAGE.width - PAGE.margin, height, right, { weight: 700, anchor: 'end', y: first });
  };
  const indent = PAGE.margin + 13 * scale;
  const heading = (words: string) => {
    y += 3 * scale;
    line(words, { size: 4.4, weight: 700, step: 6 });
  };
  const items = (read: ItemsRead) => {
    if (!read.ok) return `cannot be mixed: ${read.problem}`;
    const said = formatAmounts(read.items, mix.unit ?? facts.measures.amounts, mix.scoopGrams);
    return read.items
      .map(({ name, drops }, i) => `${drops === undefined ? said[i] : `${drops} drops (${said[i]})`} ${name}`)
      .join('  ·  ');
  };

  text(PAGE.margin, 6.2, cut(facts.client, 6.2, 112, 700), { weight: 700 });
  text(PAGE.width - PAGE.margin, 4.6, 'Mixing card', { weight: 600, anchor: 'end' });
  y = 25.5;
  text(
    PAGE.margin,
    3.6,
    cut(`${facts.date} · ${facts.colourist} · base ${facts.base} to ${facts.goal}`, 3.6, INNER - 70),
    { fill: SOFT },
  );
  const price = [facts.agreed && `agreed ${facts.agreed}`, facts.price && `estimate ${facts.price}`]
    .filter(Boolean)
    .join(', ');
  text(PAGE.width - PAGE.margin, 3.6, price, { fill: SOFT, anchor: 'end' });
  y = 29;
  rule();

  heading('Bowls');
  const { bowls } = work;
  if (!bowls.ok) line(bowls.problem);
  else if (bowls.bowls.length === 0) line('No foils, no bowls.', { fill: SOFT });
  else {
    for (const { label, letter, part, foilNumbers, others, fromMinutes, items: read, units } of bowls.bowls) {
      line(items(read), {
        x: indent,
        label: label.replace(' ends', ''),
        weight: 600,
        right: `minute ${Math.round(fromMinutes)}`,
      });
      const recipe = work.letters.find((formulaRow) => formulaRow.letter === letter)?.recipe;
      const [volumes, ratio] = recipe ? mixOf(recipe, part) : [0, 0];
      const between = groupWords(
        groupsOf(units.map((at) => work.units[at]).filter(({ kind }) => kind !== 'foil')),
      );
      line(
        [
          part === 'ends' ? 'on the ends' : part === 'second' && 'painted again',
          foilNumbers && `foils ${foilNumbers[0]}–${foilNumbers[1]}`,
          others > 0 && between,
          recipe && `${tenth(volumes)} vol on the hair, 1:${tenth(ratio)}`,
          read.ok && `${read.total} g`,
        ]
          .filter(Boolean)
          .join(' · '),
        { x: indent, size: 3.1, fill: SOFT, step: 4 },
      );
    }
  }
  const units = unitLines(work);
  if (units.length > 0) {
    heading('Units by panel and letter');
    for (const words of units) line(words, { size: 3.3, step: 4.6 });
  }
  if (work.lift.length > 0) {
    heading('Ready, minutes after the foil is closed (estimates)');
    const names = new Map(plan.panels.map(({ id, name }) => [id, name]));
    for (const row of work.lift)
      line(
        `${row.letter}${row.stretch === 'length' ? '' : `, ${row.stretch}`}: level ${tenth(row.from)} to ${tenth(row.target)} (${row.panels.map((id) => names.get(id) ?? id).join(', ')})`,
        { right: readyWords(row) },
      );
    const { factor, readings, disagree } = work.head;
    line(
      readings === 0
        ? 'No strand test yet.'
        : `This hair lifts ${factor.toFixed(2)} times as fast as usual, from ${readings} ${readings === 1 ? 'reading' : 'readings'}${disagree ? ', which disagree' : ''}.`,
      { size: 3.1, fill: SOFT, step: 4.4 },
    );
  }
  if (mix.toners.length > 0 || mix.roots.length > 0) heading('Toner and root, in this order');
  mix.toners.forEach((toner, i) => {
    const { result } = colours.toners[i];
    line(result.ok ? items(result.items) : `cannot be mixed: ${result.problem}`, {
      weight: 600,
      right: `${tenth(toner.minutes)} min`,
    });
    line(
      `${placeWords(toner.place)}, ${HAIR_STATE_WORDS[toner.state]}; watched${result.ok ? `, on level ${tenth(result.meets)}` : ''}`,
      { x: indent, size: 3.1, fill: SOFT, step: 4 },
    );
  });
  mix.roots.forEach((root, i) => {
    const { result } = colours.roots[i];
    line(result.ok ? items(result.items) : `cannot be mixed: ${result.problem}`, {
      weight: 600,
      right: `${tenth(root.minutes)} min`,
    });
    line(
      `${rootName(root.place).toLowerCase()}, ${placeWords(root.place)}, ${tenth(root.mm)} mm down, ${HAIR_STATE_WORDS[root.state]}${result.ok ? `; level ${tenth(result.level)}` : ''}`,
      { x: indent, size: 3.1, fill: SOFT, step: 4 },
    );
  });
  if (mix.corrections.length > 0) heading('Washes, repairs and treatments');
  mix.corrections.forEach((correction, i) => {
    const { result } = colours.corrections[i];
    line(items(result.items), { weight: 600, right: `${tenth(correction.minutes)} min` });
    line(
      `${correction.name}, ${placeWords(correction.place)}${result.volumes > 0 ? `; ${tenth(result.volumes)} vol on the hair` : ''}; watched`,
      { x: indent, size: 3.1, fill: SOFT, step: 4 },
    );
  });
  const short = needs.filter((need) => need.short > 0);
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
  return {
    left,
    sheet: { widthMm: PAGE.width, heightMm: PAGE.height, title: `${facts.client}: mixing card`, shapes },
  };
}

/** Strength and ratio of one of a formula's mixes. */
function mixOf({ volumes, ratio, ends, second }: Recipe, part: MixPart): readonly [number, number] {
  const own = part === 'ends' ? ends : part === 'second' ? second : null;
  return own ? [own.volumes, own.ratio] : [volumes, ratio];
}

const tenth = (value: number) => String(Math.round(value * 10) / 10);

function readyWords(row: LiftRow): string {
  const { ready, limitMinutes, atLimit } = row;
  if (ready === null || !isExpected(row)) return `not expected; ${tenth(atLimit.level)} at ${limitMinutes}`;
  return `${Math.round(ready.minutes)} (${Math.round(ready.soonest)}–${ready.latest === null ? 'never' : Math.round(ready.latest)}), limit ${limitMinutes}`;
}

/** What each panel takes of each letter: `Back: 23 foils A, 24 foils B, 12 tip-outs A`. */
function unitLines({ units }: CardVisit['work']): string[] {
  const panels = new Map<string, (typeof units)[number][]>();
  for (const unit of units) panels.set(unit.panelName, [...(panels.get(unit.panelName) ?? []), unit]);
  return [...panels].map(([name, own]) => `${name}: ${groupWords(groupsOf(own))}`);
}
