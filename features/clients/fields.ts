import { z } from 'zod';

/** A client's fields as a form has them. */
export const CLIENT_FIELDS = ['name', 'phone', 'bornOn', 'note'] as const;
export type ClientField = (typeof CLIENT_FIELDS)[number];

/** Reads them; `today` is a day, since nobody is born after it. */
export const clientForm = (today: string) =>
  z.object({
    name: z.string().trim().normalize('NFC').min(1, 'Name: it is empty.').max(120, 'Name: it is longer than 120 characters.'),
    phone: z
      .string()
      .trim()
      .max(40, 'Phone: it is longer than 40 characters.')
      .regex(/^[\d\s()+/.-]*$/, 'Phone: it holds something other than digits, spaces and + ( ) / . -'),
    bornOn: z
      .string()
      .trim()
      .refine((day) => day === '' || z.iso.date().safeParse(day).success, 'Birthday: write a day such as 1990-02-28.')
      .refine((day) => day === '' || day <= today, 'Birthday: it lies in the future.')
      .refine((day) => day === '' || day >= '1900-01-01', 'Birthday: it lies before 1900.')
      .transform((day) => day || null),
    note: z.string().trim().max(2000, 'Note: it is longer than 2000 characters.'),
  });
