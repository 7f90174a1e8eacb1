/** A share from 0 to 1, eased at both ends. */
export const smoothstep = (f: number): number => f * f * (3 - 2 * f);
