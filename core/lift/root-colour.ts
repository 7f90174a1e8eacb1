/** Root colour against the natural level; two or three levels darker grow out as a band. */
const BAND_FROM = 1.5;

/**
 * How a house mixes its root shadow with one line: parts of natural and of ash, so many levels from the
 * natural one.
 */
export interface RootRule {
  readonly natural: number;
  readonly ash: number;
  /** − darker, + lighter. */
  readonly levels: number;
}

/** Usual: the natural level, three parts natural and one part ash of it. */
const USUAL_ROOT: RootRule = { natural: 3, ash: 1, levels: 0 };

export interface RootColour {
  readonly level: number;
  readonly parts: readonly {
    readonly tone: 'natural' | 'ash';
    readonly level: number;
    readonly parts: number;
  }[];
  /** Why to think again; null where there is no reason. */
  readonly warning: string | null;
}

export function rootColour(naturalLevel: number, rule: RootRule = USUAL_ROOT): RootColour {
  const level = Math.min(10, Math.max(1, naturalLevel + rule.levels));
  const parts = (
    [
      ['natural', rule.natural],
      ['ash', rule.ash],
    ] as const
  )
    .filter(([, own]) => own > 0)
    .map(([tone, own]) => ({ tone, level, parts: own }));
  return { level, parts, warning: bandWarning(naturalLevel, level) };
}

/** A root darker than natural by one and a half levels or more grows out as a band. */
export function bandWarning(naturalLevel: number, rootLevel: number): string | null {
  const darker = naturalLevel - rootLevel;
  return darker >= BAND_FROM
    ? `The root colour is ${Math.round(darker * 10) / 10} levels darker than the natural hair: it grows out as a band.`
    : null;
}
