import 'server-only';
import { headers } from 'next/headers';

/** The address that a request comes from, as the proxy before us says it. */
export const askedFrom = async (): Promise<string> =>
  (await headers()).get('x-forwarded-for')?.split(',')[0].trim() ?? 'unknown';

/** So long somebody has to wait, as it is said: `2 minutes`. */
export const waitWords = (seconds: number): string =>
  `${Math.ceil(seconds / 60)} minute${seconds > 60 ? 's' : ''}`;
