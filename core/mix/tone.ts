import type { Problem } from '../units';
import { colourItems, type ItemsRead } from '../bowl';
import { ZONES, type Zone } from '../head';
import {
  bandWarning,
  levelOfLightness,
  needsNoToner,
  rootColour,
  shadeOf,
  toned,
  tonerOf,
  undercoatAt,
  type Part,
  type RootRule,
  type Tone,
  type Toned,
  type Undercoat,
  type Wish,
} from '../lift';
import type { DepositLine, Shelf, ShadeProduct } from '../products';
import {
  EVERYWHERE,
  placeWords,
  reachesZone,
  shadowOf,
  type ColourPlace,
  type Consult,
  type RootMix,
  type ShadePart,
  type VisitMix,
  type VisitToner,
} from '../visit';

/** What a lifted zone is expected to come to before it is toned. */
export interface Reached {
  readonly zone: Zone;
  readonly level: number;
  readonly undercoat: Undercoat;
}

/**
 * What is lifted at a visit without foils: light that is there already, as it was seen in the hair map, else
 * as the last record has it.
 */
export function reachedBefore({ map }: Pick<Consult, 'map'>, levelBefore: number | null): Reached[] {
  return ZONES.flatMap((zone) => {
    const level = map[zone]?.midsLevel ?? levelBefore;
    return level === null ? [] : [{ zone, level, undercoat: undercoatAt(level) }];
  });
}

/**
 * Level that a toner meets where it goes: the mean of what the zones there reach; null where nothing is
 * lifted there.
 */
export function levelWhere(place: ColourPlace, reached: readonly Reached[]): number | null {
  const there = reached.filter(({ zone }) => reachesZone(place, zone));
  return there.length === 0 ? null : there.reduce((sum, { level }) => sum + level, 0) / there.length;
}

/** Shades of the house as the plane of tones knows them; undefined where one is not on the shelf. */
function partsOf(parts: readonly ShadePart[], shelf: Shelf): Part[] | string {
  const out: Part[] = [];
  for (const { shade, parts: value } of parts) {
    const product = shelf.shade(shade);
    if (!product) return `the shade “${shade}” is not in the house`;
    out.push({
      shade: shadeOf(product.name, product.level, product.tone, isDirect(product.line, shelf)),
      parts: value,
    });
  }
  return out;
}

/** Whether a line is used as it comes, without developer: a direct dye. */
const isDirect = (line: string, shelf: Shelf) => shelf.line(line)?.ratio.most === 0;

/** What one toner comes to. */
export interface TonerResult {
  readonly ok: true;
  /** Level that it meets. */
  readonly meets: number;
  /** Mean level of what lays colour; null for clear alone. */
  readonly level: number | null;
  readonly clearShare: number;
  readonly toned: Toned;
  readonly items: ItemsRead;
  /** In words, each a sentence. */
  readonly notes: readonly string[];
}

export interface TonerFacts {
  readonly reached: readonly Reached[];
  readonly tone: Tone | null;
  readonly porous: boolean;
}

/** A shade may be so many levels from the hair before it is said. */
const OFF_LEVEL = 1;

export function tonerResult(
  toner: VisitToner,
  shelf: Shelf,
  { reached, tone, porous }: TonerFacts,
): TonerResult | Problem {
  const line = shelf.line(toner.line);
  if (!line) return { ok: false, problem: `the line “${toner.line}” is not in the house` };
  const parts = partsOf(toner.parts, shelf);
  if (typeof parts === 'string') return { ok: false, problem: parts };
  const strange = toner.parts
    .map(({ shade }) => shelf.shade(shade)!)
    .find((shadeProduct) => shadeProduct.line !== toner.line);
  if (strange)
    return {
      ok: false,
      problem: `${strange.name} is of another line than ${line.name}: lines are not mixed`,
    };
  const meets = levelWhere(toner.place, reached);
  if (meets === null)
    return {
      ok: false,
      problem:
        reached.length > 0
          ? `no lifted hair lies there: ${placeWords(toner.place)}`
          : 'the pattern has no foils yet, and no earlier lightening is on record',
    };
  const made = tonerOf(parts);
  const wish = toner.target ?? tone ?? 'neutral';
  const result = toned(made, { level: meets, timeShare: toner.minutes / line.minutes.most, porous }, wish);
  const colour = Math.round(toner.grams / (1 + toner.ratio));
  const notes: string[] = [];
  if (needsNoToner(meets, wish).needless) notes.push('No toner needed: the hair is already what they want.');
  else if (result.differenceBefore < result.difference)
    notes.push('It takes the hair further away from the wish.');
  if (made.level !== null && made.coverShare === 0 && Math.abs(made.level - meets) > OFF_LEVEL) {
    notes.push(
      made.level > meets
        ? `Its level ${rounded(made.level)} is lighter than the hair, ${rounded(meets)}, so it hardly shows.`
        : `Its level ${rounded(made.level)} is darker than the hair, ${rounded(meets)}, so it takes light away.`,
    );
  }
  if (toner.minutes > line.minutes.most)
    notes.push(`${toner.minutes} min is longer than ${line.minutes.most} min, the longest for ${line.name}.`);
  if (toner.minutes < line.minutes.least)
    notes.push(
      `${toner.minutes} min is shorter than ${line.minutes.least} min, the shortest for ${line.name}.`,
    );
  if (line.ratio.most === 0 && toner.ratio > 0)
    notes.push(`${line.name} is used as it comes, without developer.`);
  else if (toner.ratio < line.ratio.least || toner.ratio > line.ratio.most)
    notes.push(
      `1:${rounded(toner.ratio)} is outside 1:${line.ratio.least} to 1:${line.ratio.most}, which ${line.name} is made for.`,
    );
  if (toner.ratio > 0 && toner.volumes > line.volumes.most)
    notes.push(`${toner.volumes} vol is above ${line.volumes.most} vol, the strongest for ${line.name}.`);
  return {
    ok: true,
    meets,
    level: made.level,
    clearShare: made.clearShare,
    toned: result,
    items: colourItems({ parts: toner.parts, volumes: toner.volumes, ratio: toner.ratio, colour, shelf }),
    notes,
  };
}

const rounded = (value: number) => String(Math.round(value * 10) / 10);

/** A composition that a line has for a level and a wish. */
export interface TonerIdea {
  readonly line: string;
  readonly parts: readonly ShadePart[];
  readonly toned: Toned;
  readonly words: string;
}

/** What a composition is looked for. */
export interface ToneWanted {
  /** Level of the lifted hair. */
  readonly level: number;
  readonly minutes: number;
  readonly wish: Wish;
  readonly porous: boolean;
}

/**
 * A shade a level away from the hair counts as much as being so far off the wish, another shade in the bowl
 * twice as much.
 */
const LEVEL_OFF = 0.4;

/** Parts that are tried against each other: pure, two to one, even, one to two, and with clear. */
const PARTS = [
  [1, 0],
  [3, 1],
  [2, 1],
  [1, 1],
  [1, 2],
  [1, 3],
] as const;
/** A direct dye is thinned further: to a pastel. */
const PASTELS = [...PARTS, [1, 6], [1, 12]] as const;

/**
 * Shades lie between these from the level that is wanted: a little lighter hardly shows, much darker takes
 * light away.
 */
const NEAR_LEVEL = { lighter: 0.5, darker: 1.25 } as const;

/**
 * Up to three compositions of a line that come nearest to what is wished, by the difference of colour, the
 * nearest first;
 * those with fewer shades where they come as near.
 */
export function tonerIdeas(
  line: DepositLine,
  shelf: Shelf,
  { level, minutes, wish, porous }: ToneWanted,
): TonerIdea[] {
  const direct = isDirect(line.id, shelf);
  // A colour may be deeper than the hair; a tone keeps its level.
  const deepest = typeof wish === 'string' ? level : Math.min(level, levelOfLightness(wish.lightness));
  const near = shelf
    .shadesOf(line.id)
    .filter(
      (shadeProduct) =>
        shadeProduct.tone === 'clear' ||
        direct ||
        (shadeProduct.level <= level + NEAR_LEVEL.lighter &&
          shadeProduct.level >= deepest - NEAR_LEVEL.darker),
    );
  const facts = { level, timeShare: minutes / line.minutes.most, porous };
  const seen = new Map<string, { idea: TonerIdea; off: number }>();
  const compose = (shades: readonly (readonly [ShadeProduct, number])[]) => {
    const own = shades.filter(([, parts]) => parts > 0).map(([product, parts]) => ({ product, parts }));
    if (own.every(({ product }) => product.tone === 'clear')) return;
    const parts = own.map(({ product, parts: many }) => ({
      shade: shadeOf(product.name, product.level, product.tone, direct),
      parts: many,
    }));
    const made = tonerOf(parts);
    const result = toned(made, facts, wish);
    const away = direct ? 0 : Math.abs((made.level ?? deepest) - deepest);
    const off = result.difference + LEVEL_OFF * (away + 2 * (own.length - 1));
    const words = `${own.map(({ parts: many }) => many).join(' : ')} ${own.map(({ product }) => product.name).join(', ')}`;
    seen.set(words, {
      off,
      idea: {
        line: line.id,
        parts: own.map(({ product, parts: many }) => ({ shade: product.id, parts: many })),
        toned: result,
        words: own.length === 1 ? own[0].product.name : words,
      },
    });
  };
  for (let i = 0; i < near.length; i += 1) {
    compose([[near[i], 1]]);
    for (let j = i + 1; j < near.length; j += 1) {
      for (const [a, b] of direct ? PASTELS : PARTS) {
        if (b === 0) continue;
        // Clear thins, whichever of the two it is.
        if (near[i].tone === 'clear')
          compose([
            [near[j], a],
            [near[i], b],
          ]);
        else
          compose([
            [near[i], a],
            [near[j], b],
          ]);
      }
    }
  }
  return [...seen.values()]
    .sort((a, b) => a.off - b.off || (a.idea.words < b.idea.words ? -1 : 1))
    .slice(0, 3)
    .map(({ idea }) => idea);
}

/** The nearest composition of each line of the house that only deposits, the nearest first. */
export function nearestInTheHouse(shelf: Shelf, wanted: Omit<ToneWanted, 'minutes'>): TonerIdea[] {
  return shelf.lines
    .filter(({ lifts }) => lifts === null)
    .flatMap((line) =>
      tonerIdeas(line, shelf, { ...wanted, minutes: line.minutes.usual ?? line.minutes.most }).slice(0, 1),
    )
    .sort((a, b) => a.toned.difference - b.toned.difference);
}

/** Root colour as it is mixed. */
export interface RootResult {
  readonly ok: true;
  readonly level: number;
  readonly parts: readonly ShadePart[];
  readonly rule: RootRule;
  readonly items: ItemsRead;
  readonly warning: string | null;
  /** Where the line has no shade of the level that is wanted, and the nearest is taken; null where it has. */
  readonly nearest: string | null;
  /** What the house says of its line. */
  readonly lineNote: string;
}

export function rootResult(root: RootMix, naturalLevel: number, shelf: Shelf): RootResult | Problem {
  const line = shelf.line(root.line);
  if (!line) return { ok: false, problem: `the line “${root.line}” is not in the house` };
  const rule = root.rule ?? line.root;
  const wanted = rootColour(naturalLevel, rule);
  const shades = shelf.shadesOf(line.id);
  const parts: ShadePart[] = [];
  for (const { tone, level, parts: many } of wanted.parts) {
    const shade = shades
      .filter((shadeProduct) => shadeProduct.tone === tone)
      .sort((a, b) => Math.abs(a.level - level) - Math.abs(b.level - level))[0];
    if (!shade) return { ok: false, problem: `${line.name} has no ${tone} shade` };
    parts.push({ shade: shade.id, parts: many });
  }
  const levels = parts.map((part) => ({ level: shelf.shade(part.shade)!.level, parts: part.parts }));
  const all = levels.reduce((sum, own) => sum + own.parts, 0);
  const level = levels.reduce((sum, own) => sum + own.level * own.parts, 0) / all;
  const colour = Math.round(root.grams / (1 + root.ratio));
  return {
    ok: true,
    level,
    parts,
    rule,
    items: colourItems({ parts, volumes: root.volumes, ratio: root.ratio, colour, shelf }),
    warning: bandWarning(naturalLevel, level),
    nearest:
      Math.abs(level - wanted.level) < 0.5
        ? null
        : `${line.name} has no shades of level ${rounded(wanted.level)}: the nearest, ${rounded(level)}, are taken.`,
    lineNote: line.note,
  };
}

/** How far a root shadow is usually drawn down, and how far behind the front hairline a tap goes, mm. */
const SHADOW_MM = 25;
const TAP = { mm: 10, frontMm: 40 } as const;

/** A root shadow as it is usually begun with, by the house's rule for its line. */
export function usualShadow(id: string, line: DepositLine, mm = SHADOW_MM): RootMix {
  return {
    id,
    place: { ...EVERYWHERE, lengths: ['roots'] },
    mm,
    line: line.id,
    rule: null,
    grams: 45,
    ratio: line.ratio.usual,
    volumes: Math.min(10, line.volumes.most),
    minutes: line.minutes.usual ?? Math.min(15, line.minutes.most),
    state: 'damp',
  };
}

/** A root tap: a level above the natural one, only on the roots behind the front hairline. */
export function usualTap(id: string, line: DepositLine): RootMix {
  return {
    ...usualShadow(id, line, TAP.mm),
    place: { ...EVERYWHERE, lengths: ['roots'], frontMm: TAP.frontMm },
    rule: { ...line.root, levels: 1 },
    grams: 15,
    minutes: Math.min(10, line.minutes.most),
  };
}

/**
 * A mix with a root shadow so far down, by its usual recipe where it had none; 0 takes it away. It stays as
 * it is where the house has no line.
 */
export function withShadow(mix: VisitMix, mm: number, shelf: Shelf): VisitMix {
  const now = shadowOf(mix);
  if (mm === 0) return now ? { ...mix, roots: mix.roots.filter((root) => root !== now) } : mix;
  if (now) return { ...mix, roots: mix.roots.map((root) => (root === now ? { ...root, mm } : root)) };
  const line = shelf.depositLine;
  return line ? { ...mix, roots: [usualShadow('shadow', line, mm), ...mix.roots] } : mix;
}
