import type { ItemsRead } from '../bowl';
import { rootName, type Correction, type RootMix, type VisitToner } from '../visit';
import type { ServiceStep } from './step';

/** A toner of a mix as a step. @param items what is weighed for it */
export function tonerStep(
  id: string,
  { minutes, state: hair, place }: Pick<VisitToner, 'minutes' | 'state' | 'place'>,
  items: ItemsRead,
): ServiceStep {
  return { id, kind: 'toner', name: 'Toner', minutes, hair, place, items };
}

/** A root colour as a step. */
export function rootStep(id: string, { minutes, state: hair, place }: RootMix, items: ItemsRead): ServiceStep {
  return { id, kind: 'root', name: rootName(place), minutes, hair, place, items };
}

/** A bleach wash, or a spot, which is repaired on dry hair, as a step. */
export function correctionStep(id: string, { kind, minutes, place }: Correction, items: ItemsRead): ServiceStep {
  return kind === 'spot'
    ? { id, kind, name: 'Spot repair', minutes, hair: 'dry', place, items }
    : { id, kind, name: 'Bleach wash', minutes, hair: 'damp', place, items };
}
