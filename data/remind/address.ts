import { z } from 'zod';

const address = z
  .url({ protocol: /^https?$/, error: 'must be an address such as https://salon.example' })
  .transform((text) => text.replace(/\/+$/, ''));

/**
 * Where clients reach this application, for the links in reminders; undefined where it is not set.
 * @throws Error for what is no address
 */
export function publicAddress(text = process.env.LATTICE_ADDRESS): string | undefined {
  if (!text) return undefined;
  const read = address.safeParse(text);
  if (!read.success) throw new Error(`LATTICE_ADDRESS ${read.error.issues[0].message}.`);
  return read.data;
}

/** An address of a client's page as long as a true one, to count with. */
export const samplePage = (): string => `${publicAddress() ?? 'https://salon.example'}/p/${'x'.repeat(32)}`;
