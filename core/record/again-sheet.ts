import {
  cut,
  openedHeadShapes,
  printedText,
  wrapped,
  type PrintedText,
  type Shape,
  type StationSheet,
} from '../formats';
import { familyName, partWords, ZONE_FAMILIES, zonesOf, type Zone } from '../head';
import type { ComputedPlan, Plan } from '../pattern';
import { inMeasures, type Measures } from '../units';
import type { WorkList } from '../work';
import type { Outcome } from '../visit';
import { findAgain, listWords, type PanelGuide } from './find-again';

/** What stands on the sheet beside the pattern. */
export interface AgainFacts {
  readonly client: string;
  readonly date: string;
  readonly colourist: string;
  readonly measures: Measures;
  /** Regrowth that was found, by zone, mm. */
  readonly regrowthMm: Readonly<Partial<Record<Zone, number>>>;
  /** Mixes, toner, level reached and what was said, a line each. */
  readonly repeat: readonly string[];
  /** Zones as the record has them; null without a record. */
  readonly zones: Outcome['zones'];
}

const PAGE = { width: 210, height: 297, margin: 12 };
const INK = '#17251f';
const SOFT = '#55635b';
const LINE = '#b9c2b8';
const HEAD_HEIGHT = 108;
const LINE_MM = 3.9;
const LIST_MM = 3.1;
/** Lines below the panels at most: what was said can be long. */
const MOST_REPEATED = 10;

/**
 * How a pattern is found again: the opened head, and for each panel its first parting measured from the
 * hairline and the middle
 * line, foils, the turn of formulas, the centre of a wheel, the start. One page of A4, lengths in mm. Pure.
 */
export function againSheet(
  plan: Plan,
  computed: ComputedPlan,
  work: Pick<WorkList, 'units'>,
  facts: AgainFacts,
): StationSheet {
  const inner = PAGE.width - 2 * PAGE.margin;
  const shapes: Shape[] = [];
  const text = (text: PrintedText) => shapes.push(printedText(text));
  const rule = (y: number) =>
    shapes.push({
      kind: 'path',
      d: `M${PAGE.margin} ${y}H${PAGE.width - PAGE.margin}`,
      stroke: LINE,
      width: 0.25,
    });
  const guides = findAgain(plan, computed, work, facts.measures.lengths);

  text({
    x: PAGE.margin,
    y: 19,
    size: 6.2,
    words: cut(`To find again: ${facts.client}`, 6.2, 118, 700),
    weight: 700,
  });
  text({
    x: PAGE.width - PAGE.margin,
    y: 19,
    size: 4.6,
    words: cut(plan.name, 4.6, 64, 600),
    weight: 600,
    anchor: 'end',
  });
  text({
    x: PAGE.margin,
    y: 25.5,
    size: 3.6,
    words: cut(
      `${facts.date} · ${facts.colourist} · ${computed.sheet.totals.foils} foils · ${inMeasures(partWords(plan.head.part), facts.measures)}`,
      3.6,
      inner,
    ),
    fill: SOFT,
  });
  rule(29);
  shapes.push(
    ...openedHeadShapes(plan, computed, { x: PAGE.margin, y: 32, width: inner, height: HEAD_HEIGHT }),
  );

  const foot = PAGE.height - PAGE.margin;
  const below = [
    ...facts.repeat.flatMap((line) => wrapped([line], 3, inner)).slice(0, MOST_REPEATED),
    ...wrapped([inMeasures(zoneWords(facts), facts.measures)], 3, inner),
  ];
  const bottom = foot - below.length * 4 - 3;
  let y = 32 + HEAD_HEIGHT + 8;
  rule(y - 5);
  guides.forEach((guide, i) => {
    const lines = linesOf(guide).flatMap((line) => wrapped([line], 3.1, inner - 8));
    // Figures are a little wider than what is measured.
    const list = wrapped(
      [`Foils and their widths: ${listWords(guide, facts.measures.lengths)}.`],
      2.5,
      0.94 * (inner - 8),
    );
    const words = 5 + lines.length * LINE_MM + 2.5;
    // The list of foils stands where it leaves room for the panels that follow.
    const listed =
      y + words + list.length * LIST_MM + (guides.length - i - 1) * (words + list.length * LIST_MM) <= bottom;
    const height = words + (listed ? list.length * LIST_MM : 0);
    if (y + height > bottom) {
      if (y <= bottom)
        text({
          x: PAGE.margin + 8,
          y,
          size: 3.2,
          words: `and ${guides.length - i} more panels, on the station’s screen`,
          fill: SOFT,
        });
      y = Infinity;
      return;
    }
    text({ x: PAGE.margin, y, size: 4.2, words: String(guide.place), weight: 700 });
    text({ x: PAGE.margin + 8, y, size: 4.2, words: cut(guide.name, 4.2, 90, 700), weight: 700 });
    text({
      x: PAGE.width - PAGE.margin,
      y,
      size: 3.8,
      words: cut(`${guide.foils} foils, ${guide.sequence}`, 3.8, 80, 600),
      weight: 600,
      anchor: 'end',
    });
    lines.forEach((line, at) =>
      text({
        x: PAGE.margin + 8,
        y: y + 5 + at * LINE_MM,
        size: 3.1,
        words: line,
        fill: at === 0 ? INK : SOFT,
      }),
    );
    if (listed)
      list.forEach((line, at) =>
        text({
          x: PAGE.margin + 8,
          y: y + 5 + lines.length * LINE_MM + at * LIST_MM,
          size: 2.5,
          words: line,
          fill: SOFT,
        }),
      );
    y += height;
  });
  rule(bottom);
  below.forEach((line, i) =>
    text({ x: PAGE.margin, y: bottom + 5 + i * 4, size: 3, words: line, fill: SOFT }),
  );
  return {
    widthMm: PAGE.width,
    heightMm: PAGE.height,
    title: `To find again: ${facts.client}, ${plan.name}`,
    shapes,
  };
}

/** What is said of one panel: partings first, since that is what is looked for. */
export function linesOf({ sides, recipe, direction, start, wheel, between }: PanelGuide): string[] {
  const first = sides.map(
    ({ first: { from, middle, to } }) => `first parting ${from}; its middle ${middle}; to ${to}.`,
  );
  const alike = sides.length === 2 && first[0] === first[1];
  return [
    ...(alike
      ? [`Both sides: ${first[0]}`]
      : first.map(
          (words, i) =>
            `${sides.length === 1 && sides[i].side === 'across' ? 'Across the middle' : sides[i].side === 'left' ? 'Left' : sides[i].side === 'right' ? 'Right' : 'Across'}: ${words}`,
        )),
    ...(between ? [`Between the foils: ${between}.`] : []),
    `${recipe}, ${direction}; ${start}${wheel ? `; ${wheel}` : ''}.`,
  ];
}

/** Regrowth found and left, by family of zones. */
function zoneWords({ regrowthMm, zones }: AgainFacts): string {
  const said = ZONE_FAMILIES.flatMap((family) => {
    const found = zonesOf(family).flatMap((zone) => regrowthMm[zone] ?? []);
    const left = zonesOf(family).flatMap((zone) => zones?.[zone]?.leftMm ?? []);
    if (found.length + left.length === 0) return [];
    return [
      `${familyName(family).toLowerCase()} ${found.length > 0 ? `${Math.round(Math.max(...found))} mm` : '–'}${zones ? (left.length > 0 ? `, ${Math.round(Math.max(...left))} mm left` : ', not touched') : ''}`,
    ];
  });
  return said.length === 0
    ? 'Regrowth was not measured.'
    : `Regrowth found${zones ? ', and left at the root' : ''}: ${said.join('; ')}.`;
}
