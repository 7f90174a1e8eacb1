'use client';

import { setNonce } from 'get-nonce';

/** Lets dialogs write their sheet of styles: it bears the number of this page's policy. */
export function Nonce({ value }: { value: string }) {
  setNonce(value);
  return null;
}
