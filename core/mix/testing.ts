import { EVERYWHERE, type ColourPlace, type LiftFormula, type VisitToner } from '../visit';

/** A toner of the usual range for tests, on damp hair. */
export function tonerFor(
  id: string,
  minutes: number,
  place: Partial<ColourPlace> = {},
  part: Partial<VisitToner> = {},
): VisitToner {
  return {
    id,
    place: { ...EVERYWHERE, ...place },
    line: 'sedge',
    parts: [{ shade: 'sedge-9-violet', parts: 1 }],
    grams: 40,
    ratio: 2,
    volumes: 5,
    minutes,
    state: 'damp',
    ...part,
  };
}

/** A lightener of the usual range for tests: powder at 20 vol, 1 : 2, to the ends. */
export function lightenerWith(part: Partial<LiftFormula> = {}): LiftFormula {
  return {
    kind: 'lift',
    lighteners: [{ product: 'moth-powder', parts: 1 }],
    volumes: 20,
    bottles: null,
    ratio: 2,
    additives: [],
    ends: null,
    target: null,
    second: null,
    warmth: null,
    reach: 'ends',
    ...part,
  };
}
