import { sharesOf, type PatternEngine, type Plan, type Shares } from '../pattern';
import { TECHNIQUES, type Technique } from './library';
import { planOf } from './plan';

/** A technique with what it comes to on one head. */
export interface TechniqueOverview {
  readonly key: string;
  readonly name: string;
  readonly purpose: string;
  readonly cautions: readonly string[];
  readonly foils: number;
  /** Sections painted in the open air. */
  readonly painted: number;
  /** First foil to last (estimate), minutes. */
  readonly minutes: number;
  readonly shares: Shares;
}

/** What a technique comes to on a head and hair; the average ones where none are given. */
function overviewOf(
  technique: Technique,
  engine: PatternEngine,
  on: Partial<Pick<Plan, 'head' | 'hair' | 'foil'>> = {},
): TechniqueOverview {
  const { sheet } = engine.compute(planOf(technique, on));
  const { totals, painted } = sheet;
  const { key, name, purpose, cautions } = technique;
  return {
    key,
    name,
    purpose,
    cautions,
    foils: totals.foils,
    painted: painted.length,
    minutes: totals.foilingMinutes,
    shares: sharesOf(sheet, new Set(technique.deposits)).total,
  };
}

/** The whole built-in library on one head. */
export function libraryOn(
  engine: PatternEngine,
  on: Partial<Pick<Plan, 'head' | 'hair' | 'foil'>> = {},
): TechniqueOverview[] {
  return TECHNIQUES.map((technique) => overviewOf(technique, engine, on));
}
