import { colourItems } from '../bowl';
import {
  correctionResult,
  rootResult,
  tonerIdeas,
  usualCorrection,
  usualShadow,
  usualTap,
  type CorrectionFacts,
  type Reached,
} from '../mix';
import type { Tone } from '../lift';
import { EVERYWHERE } from '../visit';
import { correctionStep, rootStep, tonerStep } from './mixed';
import { plainStep } from './plain';
import type { ServiceStep } from './step';

interface OfferFacts extends CorrectionFacts {
  readonly reached: readonly Reached[];
  readonly naturalLevel: number;
  readonly goalLevel: number;
  readonly tone: Tone | null;
  readonly porous: boolean;
}

/**
 * Steps that can be added at the chair, each with its usual recipe from the house; what the house lacks is
 * left out.
 */
export function offeredSteps({
  reached,
  naturalLevel,
  goalLevel,
  tone,
  porous,
  ...facts
}: OfferFacts): ServiceStep[] {
  const { shelf } = facts;
  const mean =
    reached.length === 0 ? goalLevel : reached.reduce((sum, { level }) => sum + level, 0) / reached.length;
  const level = Math.round(Math.min(10, Math.max(1, mean)) * 2) / 2;
  const recipes = shelf.recipes().flatMap((recipe) => {
    const correction = usualCorrection(recipe.id, recipe, level);
    const step = correctionStep(recipe.id, correction, correctionResult(correction, facts).items);
    return step ? [step] : [];
  });
  const of = (...kinds: readonly ServiceStep['kind'][]) => recipes.filter(({ kind }) => kinds.includes(kind));
  // A plain step stands in where the house has no recipe for it.
  const orPlain = (kind: 'pre-tone' | 'paint' | 'treatment') => {
    const steps = of(kind);
    return steps.length > 0 ? steps : [plainStep(kind, kind)];
  };
  const out: ServiceStep[] = [
    plainStep('wash', 'wash'),
    ...orPlain('pre-tone'),
    plainStep('rinse', 'rinse'),
    ...of('bleach-wash'),
    ...orPlain('paint'),
    ...orPlain('treatment'),
  ];
  const line = shelf.depositLine;
  if (line) {
    for (const root of [usualShadow('shadow', line), usualTap('tap', line)]) {
      const result = rootResult(root, naturalLevel, shelf);
      if (result.ok) out.push(rootStep(`root ${root.id}`, root, result.items));
    }
    const minutes = line.minutes.usual ?? Math.min(15, line.minutes.most);
    tonerIdeas(line, shelf, { level, minutes, wish: tone ?? 'neutral', porous }).forEach(({ parts }, i) => {
      const items = colourItems({
        parts,
        volumes: Math.max(5, line.volumes.least),
        ratio: line.ratio.usual,
        colour: 20,
        shelf,
      });
      out.push(tonerStep(`toner ${i + 1}`, { minutes, state: 'damp', place: EVERYWHERE }, items));
    });
  }
  return [...out, ...of('spot'), plainStep('dry', 'dry'), plainStep('cut', 'cut')];
}
