'use client';

import NextLink from 'next/link';
import { useState, type ComponentProps } from 'react';

/**
 * A link within the application. Its page is asked for ahead once a hand comes near, not as soon as the link is in
 * view: a list of clients would ask the server for every one of them.
 */
export function Link(
  props: Omit<ComponentProps<typeof NextLink>, 'prefetch' | 'onPointerEnter' | 'onFocus'>,
) {
  const [near, setNear] = useState(false);
  const comes = () => setNear(true);
  return <NextLink {...props} prefetch={near ? null : false} onPointerEnter={comes} onFocus={comes} />;
}
