import { EVERYWHERE, type ColourPlace, type VisitToner } from '../visit';

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
