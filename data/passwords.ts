import { hash, verify } from '@node-rs/argon2';

/** argon2id with the memory and passes that OWASP's password storage guidance asks for (19 MiB, 2 passes). */
const OPTIONS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export function hashPassword(password: string): Promise<string> {
  return hash(password, OPTIONS);
}

export function passwordMatches(passwordHash: string, password: string): Promise<boolean> {
  return verify(passwordHash, password, OPTIONS);
}
