import { entriesOf } from '../units';
import { thinned } from '../fit';
import type { ZoneRegrowth } from '../growth';
import { zoneName, type Zone } from '../head';
import type { PatternEngine, Plan } from '../pattern';

/** How an old pattern is taken up again. */
export type RetouchHow = 'exact' | 'grown' | 'fewer' | 'denser';

export interface RetouchWish {
  readonly how: RetouchHow;
  /** Moves the part, mm, + the client's left. */
  readonly movePartMm: number;
  /** Under “grown”: panels whose zones have all grown less than this are left out, mm. */
  readonly grownMm: number;
}

/** A panel of the old pattern on today's head. */
interface RetouchPanel {
  readonly panel: string;
  readonly name: string;
  readonly foils: number;
  /** Regrowth in its zones, shortest and longest, mm; null where nothing was lightened there. */
  readonly grownMm: readonly [number, number] | null;
  readonly kept: boolean;
  readonly words: string;
}

export interface Retouch {
  readonly plan: Plan;
  readonly panels: readonly RetouchPanel[];
  /** Zones with light that the last visit left alone, with how long that is ago. */
  readonly skipped: readonly { readonly zone: Zone; readonly mm: number; readonly takenOn: string }[];
  /**
   * Letters of the formulas whose foils lie on hair lightened before: painted on the regrowth only, or they
   * overlap.
   */
  readonly regrowthOnly: readonly string[];
}

/** Growing out, each visit has so many fewer foils; denser so many more: by a fifth. Working assumption. */
const STEP = 1.25;
/** Farthest that a part is moved, mm. */
const FARTHEST_PART_MM = 80;

/**
 * The pattern of an earlier visit on today's head and hair, with what has grown since by zone. Panels, order,
 * hand edits and the
 * turn of light and dark stay; the recipe changes only as it is wished.
 * @param regrowth by zone, today: measured where it was, else expected
 */
export function retouch({
  old,
  now,
  regrowth,
  wish,
  engine,
}: {
  readonly old: Plan;
  readonly now: Pick<Plan, 'head' | 'hair'>;
  readonly regrowth: Readonly<Partial<Record<Zone, ZoneRegrowth>>>;
  readonly wish: RetouchWish;
  readonly engine: PatternEngine;
}): Retouch {
  const part = {
    ...now.head.part,
    offsetMm: Math.max(
      -FARTHEST_PART_MM,
      Math.min(FARTHEST_PART_MM, now.head.part.offsetMm + wish.movePartMm),
    ),
  };
  const base: Plan = { ...old, head: { ...now.head, part }, hair: now.hair };
  const { sheet } = engine.compute(base);
  const panels = base.panels.map((panel): RetouchPanel => {
    const sections = [...sheet.foils, ...sheet.painted].filter((foil) => foil.panel === panel.id);
    const zones = [...new Set(sections.map(({ zone }) => zone))];
    const grown = zones.flatMap((zone) => regrowth[zone]?.mm ?? []).sort((a, b) => a - b);
    const grownMm: RetouchPanel['grownMm'] = grown.length === 0 ? null : [grown[0], grown[grown.length - 1]];
    // Hair that was never lightened has all of its length to be lightened.
    const kept =
      !panel.muted &&
      (wish.how !== 'grown' || grownMm === null || grown.length < zones.length || grownMm[1] >= wish.grownMm);
    return {
      panel: panel.id,
      name: panel.name,
      foils: sections.length,
      grownMm,
      kept,
      words: wordsOf(panel.muted, grownMm, kept, wish),
    };
  });
  const keeps = new Map(panels.map(({ panel, kept }) => [panel, kept]));
  const factor = wish.how === 'fewer' ? STEP : wish.how === 'denser' ? 1 / STEP : 1;
  const plan: Plan = {
    ...base,
    name: nameOf(old.name, wish),
    panels: base.panels.map((panel) => ({
      ...(thinned(panel, factor) ?? panel),
      muted: panel.muted || !keeps.get(panel.id),
    })),
  };
  const lastTaken = Object.values(regrowth).reduce(
    (last, { takenOn }) => (takenOn !== null && takenOn > last ? takenOn : last),
    '',
  );
  const skipped = entriesOf(regrowth).flatMap(([zone, { mm, takenOn }]) =>
    takenOn !== null && takenOn < lastTaken ? [{ zone, mm, takenOn }] : [],
  );
  const over = sheet.foils.filter(({ zone, panel }) => keeps.get(panel) && regrowth[zone] !== undefined);
  return { plan, panels, skipped, regrowthOnly: [...new Set(over.map(({ formula }) => formula))].sort() };
}

function wordsOf(
  muted: boolean,
  grown: RetouchPanel['grownMm'],
  kept: boolean,
  { how, grownMm }: RetouchWish,
): string {
  if (muted) return 'was not foiled';
  const range =
    grown === null
      ? 'not lightened before'
      : Math.round(grown[0]) === Math.round(grown[1])
        ? `${Math.round(grown[0])} mm grown`
        : `${Math.round(grown[0])}–${Math.round(grown[1])} mm grown`;
  if (!kept) return `${range}: left out, under ${Math.round(grownMm)} mm`;
  return how === 'fewer' ? `${range}, wider` : how === 'denser' ? `${range}, closer` : range;
}

const NAMES = { exact: '', grown: ', what has grown', fewer: ', fewer', denser: ', denser' } satisfies Record<
  RetouchHow,
  string
>;

/** The name with what was done to it, once. */
function nameOf(name: string, { how }: RetouchWish): string {
  return name.endsWith(NAMES[how]) ? name : `${name}${NAMES[how]}`.slice(0, 120);
}

/** Zones in words, sides joined: `temple, left; crown`. */
export const zonesSaid = (zones: readonly Zone[]): string =>
  zones.map((zone) => zoneName(zone).toLowerCase()).join('; ');
