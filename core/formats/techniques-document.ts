import { z } from 'zod';

/** The built-in library as `bin/lattice techniques` prints it: what each comes to on the average head. */
export const techniquesSchema = z.strictObject({
  format: z.literal('dappled-lattice/techniques'),
  version: z.literal(2),
  techniques: z.array(
    z.strictObject({
      key: z.string().describe('Name for bin/lattice technique'),
      name: z.string(),
      purpose: z.string().describe('What it is for'),
      cautions: z.array(z.string()).describe('Cautions, beside leaflet, local rules and licensed judgement'),
      foils: z.int().min(0),
      painted: z.int().min(0).describe('Sections painted in the open air'),
      minutes: z.number().min(0).describe('First foil to last, minutes (estimate)'),
      shares: z
        .strictObject({
          foiled: z.number().min(0).max(1),
          lightened: z.number().min(0).max(1),
          deepened: z.number().min(0).max(1),
        })
        .describe('Shares of the hair that go through foils, are lightened, are deepened'),
    }),
  ),
});

export type TechniquesDocument = z.infer<typeof techniquesSchema>;
