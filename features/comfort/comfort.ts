/**
 * How this device shows the application: kept in a cookie of the device, so that the server already draws it
 * so.
 */
export interface Comfort {
  readonly theme: 'day' | 'dim';
  readonly hand: 'right' | 'left';
}

const NAME = 'lattice-comfort';
const YEAR_SECONDS = 31_536_000;

/** Reads it from a cookie header; what is not there or not known is the usual. */
export function readComfort(cookies: string): Comfort {
  const value = new RegExp(`(?:^|; *)${NAME}=([a-z.]+)`).exec(cookies)?.[1] ?? '';
  const words = value.split('.');
  return { theme: words.includes('dim') ? 'dim' : 'day', hand: words.includes('left') ? 'left' : 'right' };
}

/** The cookie that keeps it. */
export function comfortCookie({ theme, hand }: Comfort): string {
  return `${NAME}=${theme}.${hand}; path=/; max-age=${YEAR_SECONDS}; samesite=lax`;
}
