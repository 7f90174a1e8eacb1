import { partWords } from '../head';
import {
  BRIGHTNESS,
  directionName,
  GATHER_KINDS,
  recipeLine,
  sectionsOf,
  type ComputedPlan,
  type Panel,
  type PanelTotals,
  type Plan,
  type Shares,
  type Totals,
} from '../pattern';
import { formatAmount, formatLength, inMeasures, type Measures } from '../units';
import { groupsOf, groupWords, type WorkList, type WorkUnit } from '../work';
import { openedHeadShapes } from './opened-head-shapes';
import { printedText, type PrintedText, type Shape } from './shapes';
import { cut, wrapped } from './sheet-text';

/** What stands on the sheet beside the pattern itself. */
export interface SheetFacts {
  readonly client: string;
  /** As a person writes it. */
  readonly date: string;
  readonly colourist: string;
  readonly base: string;
  readonly goal: string;
  readonly brightness: number;
  readonly shares: Shares;
  readonly measures: Measures;
  /** Estimate, as it is said; null where none is given. */
  readonly price: string | null;
  readonly cautions: readonly string[];
}

/** One page, lengths in mm from its upper left corner. */
export interface StationSheet {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly title: string;
  readonly shapes: readonly Shape[];
}

const PAGE = { width: 210, height: 297, margin: 12 };
const SOFT = '#55635b';
const LINE = '#b9c2b8';

/** Height of the head on the page. */
const HEAD = { most: 196, least: 122 };

/** Rows of panels that fit on the page; the smallest text is 7 point. */
const ROW = { most: 12.5, least: 5.6 };

/**
 * The sheet for the station: the opened head, the panels in the order of work with their recipe and counts,
 * totals and
 * cautions, on one page of A4. Pure: the same plan gives the same shapes.
 */
export function stationSheet(
  plan: Plan,
  computed: ComputedPlan,
  work: Pick<WorkList, 'units'>,
  facts: SheetFacts,
): StationSheet {
  const { sheet } = computed;
  const { totals } = sheet;
  const inner = PAGE.width - 2 * PAGE.margin;
  const say = (mm: number) => formatLength(mm, facts.measures.lengths);
  const shapes: Shape[] = [];
  const text = (text: PrintedText) => shapes.push(printedText(text));
  const rule = (y: number) =>
    shapes.push({
      kind: 'path',
      d: `M${PAGE.margin} ${y}H${PAGE.width - PAGE.margin}`,
      stroke: LINE,
      width: 0.25,
    });

  // Who and what.
  text({ x: PAGE.margin, y: 19, size: 6.2, words: cut(facts.client, 6.2, 112, 700), weight: 700 });
  text({
    x: PAGE.margin,
    y: 25.5,
    size: 3.6,
    words: cut(
      `${facts.date} · ${facts.colourist} · base ${facts.base} to ${facts.goal} · ${inMeasures(partWords(plan.head.part), facts.measures)}`,
      3.6,
      inner - 62,
    ),
    fill: SOFT,
  });
  text({
    x: PAGE.width - PAGE.margin,
    y: 19,
    size: 4.6,
    words: cut(plan.name, 4.6, 70, 600),
    weight: 600,
    anchor: 'end',
  });
  text({
    x: PAGE.width - PAGE.margin,
    y: 25.5,
    size: 3.6,
    words: BRIGHTNESS[Math.min(5, Math.max(1, facts.brightness)) - 1].words,
    fill: SOFT,
    anchor: 'end',
  });
  rule(29);

  // Totals.
  const figures: [string, string][] = [
    [String(totals.foils), 'foils'],
    [minutesSaid(totals.foilingMinutes), 'foiling, estimated'],
    [`${Math.round(facts.shares.lightened * 100)}%`, 'lightened'],
    ...(facts.shares.deepened > 0
      ? [[`${Math.round(facts.shares.deepened * 100)}%`, 'deepened'] as [string, string]]
      : []),
    [formatAmount(Math.round(totals.hairGrams), facts.measures.amounts), 'hair picked, estimated'],
    ...(facts.price === null ? [] : [[facts.price, 'estimate'] as [string, string]]),
  ];
  figures.forEach(([figure, name], i) => {
    const x = PAGE.margin + (i * inner) / figures.length;
    text({ x, y: 38, size: 7, words: figure, weight: 700 });
    text({ x, y: 42.5, size: 3, words: name, fill: SOFT });
  });
  const kinds = [kindsSaid(totals.byGather), groupWords(groupsOf(work.units))].filter(Boolean).join(' · ');
  text({ x: PAGE.margin, y: 49, size: 3.4, words: cut(kinds, 3.4, inner) });

  // The head takes what the panels leave, so that its numbers are as large as they can be.
  const cautions = wrapped(
    [...facts.cautions, 'Estimates are estimates. Leaflet, local rules and licensed judgement come first.'],
    3,
    inner,
  );
  const foot = PAGE.height - PAGE.margin - cautions.length * 4;
  const panels = plan.panels.filter(({ muted }) => !muted);
  const headTop = 52;
  const headHeight = Math.min(
    HEAD.most,
    Math.max(HEAD.least, foot - headTop - 12 - panels.length * ROW.most),
  );
  shapes.push(
    ...openedHeadShapes(plan, computed, { x: PAGE.margin, y: headTop, width: inner, height: headHeight }),
  );
  const top = headTop + headHeight + 8;
  rule(top - 4);

  const height = Math.min(ROW.most, (foot - top - 5) / Math.max(1, panels.length));
  const size = Math.max(2.3, Math.min(3.6, height * 0.36));
  const most = Math.max(1, Math.floor((foot - top - 5) / Math.max(ROW.least, height)));
  panels.slice(0, most).forEach((panel, i) => {
    const panelTotals = sheet.panels.find((candidate) => candidate.panel === panel.id);
    const y = top + i * height + size;
    text({ x: PAGE.margin + 3, y, size, words: String(i + 1), fill: SOFT, anchor: 'end' });
    text({ x: PAGE.margin + 6, y, size, words: cut(panel.name, size, 40, 700), weight: 700 });
    text({
      x: PAGE.margin + 50,
      y,
      size,
      words: cut(
        `${recipeLine(panel, facts.measures.lengths)}, ${directionName(panel.direction)}`,
        size,
        inner - 50 - 26,
      ),
    });
    text({
      x: PAGE.width - PAGE.margin,
      y,
      size: size * 1.25,
      words: `${panelTotals?.foils ?? 0}`,
      weight: 700,
      anchor: 'end',
    });
    if (height >= 2.5 * size)
      text({
        x: PAGE.margin + 50,
        y: y + size * 1.35,
        size: size * 0.9,
        words: cut(
          details(
            panel,
            panelTotals,
            work.units.filter((unit) => unit.panel === panel.id),
            say,
          ),
          size * 0.9,
          inner - 50 - 26,
        ),
        fill: SOFT,
      });
  });
  if (panels.length > most)
    text({
      x: PAGE.margin + 6,
      y: top + most * height + size,
      size,
      words: `and ${panels.length - most} more panels`,
      fill: SOFT,
    });
  rule(foot - 1);
  cautions.forEach((line, i) =>
    text({ x: PAGE.margin, y: foot + 3 + i * 4, size: 3, words: line, fill: SOFT }),
  );
  return {
    widthMm: PAGE.width,
    heightMm: PAGE.height,
    title: `${facts.client}, ${plan.name}: ${totals.foils} foils`,
    shapes,
  };
}

function minutesSaid(minutes: number): string {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}

const kindsSaid = (byGather: Totals['byGather']): string =>
  GATHER_KINDS.filter((kind) => byGather[kind] > 0)
    .map((kind) => sectionsOf(kind, byGather[kind]))
    .join(', ');

function details(
  panel: Panel,
  panelTotals: PanelTotals | undefined,
  units: readonly WorkUnit[],
  say: (mm: number) => string,
): string {
  const { start, medium, side } = panel;
  return [
    groupWords(groupsOf(units)),
    medium === 'open-air'
      ? 'in the open air'
      : panelTotals &&
        (side === 'both' && panelTotals.rows % 2 === 0
          ? `${panelTotals.rows / 2} rows a side`
          : `${panelTotals.rows} rows`),
    side === 'both' ? 'both sides' : side === 'across' ? 'across the middle' : `the client’s ${side}`,
    start.distanceMm > 0 ? `start ${say(start.distanceMm)}` : 'at the scalp',
    start.featherMm > 0 && `feather ${say(start.featherMm)}`,
    start.teasing > 0 && `${start.teasing} ${start.teasing === 1 ? 'push' : 'pushes'} of teasing`,
    panelTotals && `about ${Math.round(panelTotals.minutes)} min`,
  ]
    .filter(Boolean)
    .join(' · ');
}
