import { MINUTES_PER_PANEL_CHANGE } from '../clock/pace';
import type { Zone } from '../head';
import {
  USUAL_TREATMENT,
  type ComputedPlan,
  type FoilPath,
  type OpenSection,
  type Panel,
  type Plan,
  type TreatedDropout,
} from '../pattern';
import type { Reach, RegrowthByZone } from '../visit';
import type { LetterFacts, Letters } from './letters';
import { lightEndsMm, type EndsSeen } from './ends';
import type { PlacedUnit, UnitKind } from './unit';

/**
 * Tips of a drop-out are painted over the last third of it; painting between the foils begins after the
 * first. Working assumptions.
 */
const TIPS_FROM = 2 / 3;
const PAINT_FROM = 1 / 3;

export interface PlacingFacts {
  readonly letters: Letters;
  /** Since a zone was last taken to the root, mm. */
  readonly regrowthMm: Readonly<RegrowthByZone>;
  /** What the hair map says of the ends; they are taken as the formulas have them without. */
  readonly ends?: EndsSeen;
  /** What lies between the foils is painted as they are laid, or in a pass of its own afterwards. */
  readonly painting: 'as-you-foil' | 'after';
}

type Section = {
  readonly kind: UnitKind;
  readonly index: number;
  readonly own: OpenSection & { readonly pickedShare?: number; readonly startMm?: number };
  readonly letter: string | null;
  readonly path: FoilPath;
};

/**
 * Everything that product is put on, in the order of the hand: foils and painted sections panel by panel;
 * treated drop-outs
 * after the row that they lie behind, so many together as the panel says, or all of them once the foils are
 * in.
 * Lowlit drop-outs for which no formula deposits are left out: {@link unplaced} names them.
 */
export function placedUnits(
  plan: Plan,
  { sheet, drawing }: Pick<ComputedPlan, 'sheet' | 'drawing'>,
  { letters, regrowthMm, ends, painting }: PlacingFacts,
): PlacedUnit[] {
  const factsOf = new Map(letters.facts.map((fact) => [fact.letter, fact]));
  const foils = byPanel(sheet.foils, (foil, index): Section => ({
    kind: 'foil',
    index,
    own: foil,
    letter: foil.formula,
    path: drawing.paths[index],
  }));
  const painted = byPanel(sheet.painted, (paintedSection, index): Section => ({
    kind: 'open-air',
    index,
    own: paintedSection,
    letter: paintedSection.formula,
    path: drawing.painted[index],
  }));
  const dropouts = byPanel(sheet.dropouts, (treatedDropout, index): Section => ({
    kind: treatedDropout.treatment,
    index,
    own: treatedDropout,
    letter: treatedDropout.formula,
    path: drawing.dropouts[index],
  }));
  const inOrder: { section: Section; panel: Panel }[] = [];
  const later: typeof inOrder = [];
  for (const panel of plan.panels) {
    const sections = [...(foils.get(panel.id) ?? []), ...(painted.get(panel.id) ?? [])];
    const between = dropouts.get(panel.id) ?? [];
    for (const section of withDropouts(sections, between, panel))
      (painting === 'after' && isDropout(section) ? later : inOrder).push({ section, panel });
  }
  const out: PlacedUnit[] = [];
  const numbers = new Map<UnitKind, number>();
  let at = 0;
  let before: string | undefined;
  for (const { section, panel } of [...inOrder, ...later]) {
    const letter = section.letter ?? (section.kind === 'lowlight' ? letters.lowlight : panel.formula);
    if (letter === null) continue;
    if (before !== undefined && before !== panel.id) at += MINUTES_PER_PANEL_CHANGE;
    before = panel.id;
    const minutes = section.own.seconds / 60;
    const number = (numbers.get(section.kind) ?? 0) + 1;
    numbers.set(section.kind, number);
    out.push(
      unitOf({
        section,
        panel,
        letter,
        facts: factsOf.get(letter),
        plan,
        placingFacts: { regrowthMm, ends },
        place: {
          number,
          order: out.length + 1,
          fromMinutes: at,
          toMinutes: at + minutes,
        },
      }),
    );
    at += minutes;
  }
  return out;
}

/** Lowlit drop-outs that no formula of the visit can colour. */
export function unplaced(
  { dropouts }: { readonly dropouts: readonly TreatedDropout[] },
  { lowlight }: Letters,
): TreatedDropout[] {
  return lowlight === null
    ? dropouts.filter(({ treatment, formula }) => treatment === 'lowlight' && formula === null)
    : [];
}

function byPanel<T extends { readonly panel: string }>(
  list: readonly T[],
  make: (item: T, index: number) => Section,
): Map<string, Section[]> {
  const out = new Map<string, Section[]>();
  list.forEach((item, index) => {
    const known = out.get(item.panel);
    if (known) known.push(make(item, index));
    else out.set(item.panel, [make(item, index)]);
  });
  return out;
}

const isDropout = ({ kind }: Pick<Section, 'kind'>) => kind !== 'foil' && kind !== 'open-air';

/** Each drop-out once the row before it is laid, and as many rows of them as are taken together. */
function withDropouts(
  laid: readonly Section[],
  between: readonly Section[],
  { dropouts, order }: Panel,
): Section[] {
  if (between.length === 0) return [...laid];
  const together = dropouts?.together ?? 1;
  const rowOf = ({ own }: Section) => `${own.side} ${own.row}`;
  const behind = new Map<string, Section[]>();
  for (const section of between) behind.set(rowOf(section), [...(behind.get(rowOf(section)) ?? []), section]);
  const out: Section[] = [];
  let waiting: Section[][] = [];
  const paint = () => {
    out.push(...waiting.flat());
    waiting = [];
  };
  laid.forEach((section, i) => {
    out.push(section);
    const next = laid[i + 1];
    if (next && rowOf(next) === rowOf(section)) return;
    const own = behind.get(rowOf(section));
    if (own) {
      waiting.push(own);
      behind.delete(rowOf(section));
    }
    // The other side is begun with nothing left to paint on this one.
    if (
      waiting.length >= together ||
      (next && order.sides !== 'alternate' && next.own.side !== section.own.side)
    )
      paint();
  });
  paint();
  for (const sections of behind.values()) out.push(...sections);
  return out;
}

type Place = Pick<PlacedUnit, 'number' | 'order' | 'fromMinutes' | 'toMinutes'>;

function unitOf({
  section,
  panel,
  letter,
  facts,
  plan,
  placingFacts: { regrowthMm, ends },
  place,
}: {
  readonly section: Section;
  readonly panel: Panel;
  readonly letter: string;
  readonly facts: LetterFacts | undefined;
  readonly plan: Plan;
  readonly placingFacts: Pick<PlacingFacts, 'regrowthMm' | 'ends'>;
  readonly place: Place;
}): PlacedUnit {
  const { kind, index, own, path } = section;
  const { zone } = own;
  const hairMm = plan.hair.byZone[zone]?.lengthMm ?? plan.hair.lengthMm;
  const dropout = isDropout(section);
  const recipe =
    (kind !== 'foil' && kind !== 'open-air' ? panel.dropouts?.recipes[kind] : undefined) ?? USUAL_TREATMENT;
  const [startMm, featherMm] = dropout
    ? startOf(kind, recipe.fromMm, hairMm)
    : [own.startMm ?? panel.start.distanceMm, panel.start.featherMm];
  const edgesMm = dropout ? 0 : (panel.start.edgesMm ?? 0);
  const painted = stretchOf(
    // Further out at the edges by the square of the way there: a third of it on the mean.
    {
      startMm: startMm + edgesMm / 3,
      featherMm,
      toMm: (dropout ? recipe.toMm : panel.start.toMm) ?? hairMm,
      reach: facts?.reach ?? 'ends',
      zone,
      hairMm,
      regrowthMm,
    },
  );
  // The ends' own mix is painted where the product goes to the ends, on ends that are lighter than the
  // length.
  const toTheEnds = !dropout && painted[1] >= hairMm;
  const seen =
    toTheEnds && (facts?.lifts ?? true) ? (ends?.(zone, facts?.target ?? null) ?? 'unknown') : 'unknown';
  const apart = toTheEnds && seen !== 'dark' ? (facts?.endsMm ?? 0) : 0;
  const endsOutMm =
    seen === 'there' && apart === 0 ? Math.min(painted[1] - painted[0], lightEndsMm(hairMm)) : 0;
  const reachMm: readonly [number, number] = [painted[0], painted[1] - endsOutMm];
  const endsMm = Math.min(reachMm[1] - reachMm[0], apart);
  return {
    id: own.id,
    kind,
    number: place.number,
    order: place.order,
    index,
    panel: panel.id,
    panelName: panel.name,
    row: own.row,
    column: own.column,
    side: own.side,
    zone,
    letter,
    lifts: facts?.lifts ?? true,
    gather: path.gather,
    widthMm: own.widthMm,
    thicknessMm: own.thicknessMm,
    angleDeg: own.angleDeg,
    startMm,
    featherMm,
    edgesMm,
    teasing: dropout ? recipe.teasing : panel.start.teasing,
    reachMm,
    endsMm,
    endsOutMm,
    reach: typeof facts?.reach === 'object' ? 'stretch' : (facts?.reach ?? 'ends'),
    surface: kind === 'open-air' || recipe.surface,
    hairMm,
    hairGrams: own.hairGrams,
    hairs: own.hairs,
    laidWith: kind === 'open-air' ? 'open air' : kind === 'foil' ? 'foil' : 'between foils',
    seconds: own.seconds,
    fromMinutes: place.fromMinutes,
    toMinutes: place.toMinutes,
  };
}

/** Where the product begins on a drop-out, and how far it is thinned out. */
function startOf(
  kind: UnitKind,
  fromMm: number | null,
  hairMm: number,
): readonly [startMm: number, featherMm: number] {
  if (fromMm !== null) return [Math.min(fromMm, hairMm), 0];
  if (kind === 'tip-out') return [Math.round(TIPS_FROM * hairMm), 0];
  return kind === 'paint' ? [Math.round(PAINT_FROM * hairMm), 0] : [0, 0];
}

/** What is painted of a strand: from its start, halfway through the feather, to where the formula reaches. */
function stretchOf({
  startMm,
  featherMm,
  toMm,
  reach,
  zone,
  hairMm,
  regrowthMm,
}: {
  readonly startMm: number;
  readonly featherMm: number;
  readonly toMm: number;
  readonly reach: Reach;
  readonly zone: Zone;
  readonly hairMm: number;
  readonly regrowthMm: Readonly<RegrowthByZone>;
}): readonly [number, number] {
  let from = startMm + featherMm / 2;
  let to = Math.min(toMm, hairMm);
  const grown = regrowthMm[zone];
  if (reach === 'regrowth' && grown !== undefined) to = Math.min(to, grown);
  else if (typeof reach === 'object') {
    from = Math.max(from, reach.fromMm);
    to = Math.min(to, reach.toMm);
  }
  return to > from ? [from, to] : [from, from];
}
