import {
  correctionResult,
  rootResult,
  tonerIdeas,
  usualShadow,
  usualSpot,
  usualTap,
  usualWash,
  type Reached,
} from '../mix';
import { colourItems } from '../bowl';
import type { HeadFactor } from '../lift';
import type { Shelf } from '../products';
import { EVERYWHERE } from '../visit';
import { correctionStep, rootStep, tonerStep } from './mixed';
import { plainStep } from './plain';
import type { ServiceStep } from './step';

interface OfferFacts {
  readonly shelf: Shelf;
  readonly reached: readonly Reached[];
  readonly naturalLevel: number;
  readonly goalLevel: number;
  readonly tone: 'warm' | 'neutral' | 'cool' | 'bright' | null;
  readonly porous: boolean;
  readonly head: HeadFactor;
}

/** Steps that can be added at the chair, each with its usual recipe from the house's shelf; what the house lacks is left out. */
export function offeredSteps({
  shelf,
  reached,
  naturalLevel,
  goalLevel,
  tone,
  porous,
  head,
}: OfferFacts): ServiceStep[] {
  const mean = reached.length === 0 ? goalLevel : reached.reduce((sum, { level }) => sum + level, 0) / reached.length;
  const level = Math.round(Math.min(10, Math.max(1, mean)) * 2) / 2;
  const out: ServiceStep[] = [
    plainStep('wash', 'wash'),
    plainStep('pre-tone', 'pre-tone'),
    plainStep('rinse', 'rinse'),
  ];
  const [powder] = shelf.lighteners;
  if (powder) {
    const wash = usualWash('wash', powder.id, level);
    out.push(correctionStep('bleach-wash', wash, correctionResult(wash, shelf, head).items));
  }
  out.push(plainStep('paint', 'paint'), plainStep('treatment', 'treatment'));
  const line = shelf.depositLine;
  if (line) {
    for (const root of [usualShadow('shadow', line), usualTap('tap', line)]) {
      const result = rootResult(root, naturalLevel, shelf);
      if (result.ok) out.push(rootStep(`root ${root.id}`, root, result.items));
    }
    const minutes = Math.min(15, line.minutes.most);
    tonerIdeas(line, shelf, level, minutes, tone, porous).forEach(({ parts }, i) => {
      const items = colourItems(parts, Math.max(5, line.volumes.least), line.ratio.usual, 20, shelf);
      out.push(tonerStep(`toner ${i + 1}`, { minutes, state: 'damp', place: EVERYWHERE }, items));
    });
    const spot = usualSpot('spot', line, shelf, level);
    if (spot) out.push(correctionStep('spot', spot, correctionResult(spot, shelf, head).items));
  }
  return [...out, plainStep('dry', 'dry'), plainStep('cut', 'cut')];
}
