import { z } from 'zod';

/** Where somebody is in a visit: the step that they look at, and the panel in their hand. */
export const whereSchema = z.object({
  step: z.string().regex(/^[a-z]{1,20}$/, 'step: must be the name of a step.'),
  panel: z.string().max(120, 'panel: is longer than 120 characters.'),
});
export type Where = z.infer<typeof whereSchema>;

/** The same of a page that has the visit open, by the name that its stream was given. */
export const hereSchema = whereSchema.extend({ station: z.uuid('station: must be a UUID.') });

/** Somebody else who has the visit open. */
export interface Colleague extends Where {
  readonly station: string;
  readonly name: string;
}
