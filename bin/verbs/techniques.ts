import type { TechniquesDocument } from '@/core/formats';
import { createPatternEngine } from '@/core/pattern';
import { libraryOn, planOf, TECHNIQUES, techniqueOf } from '@/core/technique';
import { printed, type Verb } from './verb';

const four = (share: number) => Number(share.toFixed(4));

/** The library on the average head, minutes to 0.1 and shares to 0.0001. */
export function techniquesDocument(): TechniquesDocument {
  const techniques = libraryOn(createPatternEngine()).map((techniqueOverview) => ({
    ...techniqueOverview,
    cautions: [...techniqueOverview.cautions],
    minutes: Number(techniqueOverview.minutes.toFixed(1)),
    shares: {
      foiled: four(techniqueOverview.shares.foiled),
      lightened: four(techniqueOverview.shares.lightened),
      deepened: four(techniqueOverview.shares.deepened),
    },
  }));
  return { format: 'dappled-lattice/techniques', version: 2, techniques };
}

/** `techniques`: prints the built-in library. */
export const techniquesVerb: Verb = {
  name: 'techniques',
  usage: 'techniques',
  summary: 'prints the built-in patterns with foils, minutes and share on the average head as JSON',
  help: 'The schema of what is printed is docs/formats/techniques.sheet.schema.json.',
  run: async (args) =>
    args.length > 0
      ? { ok: false, problem: 'it takes no arguments.' }
      : { ok: true, output: printed(techniquesDocument()) },
};

/** `technique NAME`: prints one built-in pattern as a plan document. */
export const techniqueVerb: Verb = {
  name: 'technique',
  usage: 'technique NAME',
  summary: 'prints one built-in pattern as a plan document',
  help: `NAME is one of ${TECHNIQUES.map(({ key }) => key).join(', ')}.\nWhat is printed can be given to bin/lattice plan.`,
  run: async (args) => {
    if (args.length !== 1)
      return { ok: false, problem: 'name one pattern. bin/lattice techniques lists them.' };
    const technique = techniqueOf(args[0]);
    if (!technique)
      return {
        ok: false,
        problem: `there is no pattern “${args[0]}”. Patterns: ${TECHNIQUES.map(({ key }) => key).join(', ')}.`,
      };
    return { ok: true, output: printed(planOf(technique)) };
  },
};
