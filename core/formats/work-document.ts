import { z } from 'zod';
import { ZONES } from '../head';
import { STEP_HAIR_WORDS, type TimedStep } from '../steps';
import { placeWords } from '../visit';
import type { WorkList } from '../work';
import { singleGatherSchema } from './panel-fields';

const minutes = (description: string) => z.number().describe(`${description}, minutes (estimate)`);
const items = z
  .array(z.strictObject({ name: z.string(), grams: z.number() }))
  .describe('What is weighed into it');
const letter = z.string().describe('Letter of the formula');

/** The work of a visit as `bin/lattice work` prints it. */
export const workSchema = z.strictObject({
  format: z.literal('dappled-lattice/work'),
  version: z.literal(1),
  units: z
    .array(
      z.strictObject({
        id: z.string().describe('panel/row/column, as in the sheet; d before the row of a drop-out'),
        kind: z.enum(['foil', 'open-air', 'tip-out', 'lowlight', 'paint']),
        number: z.int().min(1).describe('Its number among those of its kind'),
        panel: z.string(),
        row: z.int(),
        column: z.int(),
        letter,
        mix: z.string().describe('Product, strength, ratio and what is added, in words'),
        lifts: z.boolean().describe('false where the formula only deposits'),
        startMm: z.number().describe('Where the product begins, mm from the scalp'),
        featherMm: z.number(),
        teasing: z.int(),
        reachMm: z.tuple([z.number(), z.number()]).describe('Stretch that is painted, mm from the scalp'),
        surface: z.boolean().describe('Only the surface of the section is painted'),
        endsMix: z
          .string()
          .nullable()
          .describe('The mix on the ends in words; null where they have none of their own'),
        endsMm: z.number().describe('Length that it takes, mm'),
        endsOutMm: z.number().describe('Light tips that are drawn out of the foil, mm'),
        again: z
          .strictObject({ afterMinutes: z.number(), mix: z.string(), grams: z.number() })
          .nullable()
          .describe(
            'Opened, wiped and painted again so many minutes after it was closed; null where it is painted once',
          ),
        additives: z.array(
          z.strictObject({
            name: z.string(),
            perGram: z.number().describe('Grams for one gram of lightener'),
          }),
        ),
        gather: singleGatherSchema,
        zone: z.enum(ZONES),
        laidWith: z.enum(['foil', 'between foils', 'open air']),
        grams: z.number().describe('Grams of product that it takes, the ends’ mix among them (estimate)'),
        seconds: z.number().describe('Usual seconds'),
        readyMinutes: minutes(
          'From its last painting until it is ready; the limit where its target is not expected',
        ),
        soonestMinutes: minutes('Eight heads in ten are ready between this'),
        latestMinutes: minutes('and this; null where some never are').nullable(),
        expected: z.boolean().describe('Whether its target is expected within the maker’s time'),
        limitMinutes: z.number().describe('Longest that the maker allows, minutes'),
      }),
    )
    .describe('In the order of work'),
  bowls: z.array(
    z.strictObject({
      bowl: z.string(),
      letter,
      part: z.enum(['length', 'ends', 'second']),
      units: z.array(z.string()).describe('Ids of the units that it is for'),
      mixAtMinute: z.number(),
      items,
    }),
  ),
  steps: z
    .array(
      z.strictObject({
        step: z.string(),
        from: minutes('After the last rinse, it begins'),
        to: minutes('and ends'),
        items,
        hair: z.string().nullable(),
        where: z.string().nullable(),
      }),
    )
    .describe('What follows the foils'),
  problems: z.array(z.string()).describe('What cannot be done as it is written'),
});

export type WorkDocument = z.infer<typeof workSchema>;

const tenth = (value: number) => Math.round(value * 10) / 10;
const hundredth = (value: number) => Math.round(value * 100) / 100;

/** The work of a visit as a document. */
export function workDocument(
  { units, bowls, problems }: WorkList,
  after: readonly TimedStep[],
): WorkDocument {
  return {
    format: 'dappled-lattice/work',
    version: 1,
    units: units.map((unit) => ({
      id: unit.id,
      kind: unit.kind,
      number: unit.number,
      panel: unit.panel,
      row: unit.row,
      column: unit.column,
      letter: unit.letter,
      mix: unit.mix,
      lifts: unit.lifts,
      startMm: unit.startMm,
      featherMm: unit.featherMm,
      teasing: unit.teasing,
      reachMm: [tenth(unit.reachMm[0]), tenth(unit.reachMm[1])],
      surface: unit.surface,
      endsMix: unit.endsMix,
      endsMm: tenth(unit.endsMm),
      endsOutMm: tenth(unit.endsOutMm),
      again: unit.again && {
        afterMinutes: unit.again.afterMinutes,
        mix: unit.again.words,
        grams: hundredth(unit.again.grams),
      },
      additives: [...unit.additives],
      gather: unit.gather,
      zone: unit.zone,
      laidWith: unit.laidWith,
      grams: hundredth(unit.grams + unit.endsGrams),
      seconds: tenth(unit.seconds),
      readyMinutes: tenth(unit.ready.minutes),
      soonestMinutes: tenth(unit.ready.soonest),
      latestMinutes: unit.ready.latest === null ? null : tenth(unit.ready.latest),
      expected: unit.expected,
      limitMinutes: unit.limitMinutes,
    })),
    bowls: bowls.ok
      ? bowls.bowls.map((bowl) => ({
          bowl: bowl.label,
          letter: bowl.letter,
          part: bowl.part,
          units: bowl.units.map((at) => units[at].id),
          mixAtMinute: tenth(bowl.fromMinutes),
          items: itemsOf(bowl.items),
        }))
      : [],
    steps: after.map(({ step, words, from, to }) => ({
      step: words,
      from: tenth(from),
      to: tenth(to),
      items: step.items ? itemsOf(step.items) : [],
      hair: step.items ? STEP_HAIR_WORDS[step.hair] : null,
      where: step.place && placeWords(step.place),
    })),
    problems: problems.map(({ words }) => words),
  };
}

const itemsOf = (read: {
  readonly ok: boolean;
  readonly items?: readonly { readonly name: string; readonly grams: number }[];
}) => (read.items ?? []).map(({ name, grams }) => ({ name, grams }));
