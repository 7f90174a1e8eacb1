'use client';

import { Button } from '@/ui/button';

/** Prints the page as it stands. */
export function PrintButton() {
  return <Button onClick={() => window.print()}>Print the list</Button>;
}
