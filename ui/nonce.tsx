'use client';

import { setNonce } from 'get-nonce';

let taken = false;

/**
 * Lets dialogs write their sheet of styles: it bears the number of the policy that the page came with,
 * whatever is fetched into it later.
 */
export function Nonce({ value }: { value: string }) {
  if (typeof window !== 'undefined' && !taken) {
    taken = true;
    setNonce(value);
  }
  return null;
}
