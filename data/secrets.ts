import { createHash, randomBytes } from 'node:crypto';

/** A secret that is handed over once, of so many random bytes, in letters that an address takes. */
export const newSecret = (bytes: number): string => randomBytes(bytes).toString('base64url');

/**
 * What is kept of a secret: SHA-256, 64 figures (FIPS 180-4). It is random itself, so that no salt is needed.
 */
export const hashOfSecret = (secret: string): string => createHash('sha256').update(secret).digest('hex');
