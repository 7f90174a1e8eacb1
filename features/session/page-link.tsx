'use client';

import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { Link } from '@/ui/link';

const look = (open: boolean) =>
  `border-b-[3px] px-2.5 text-md md:px-4 ${open ? 'border-leaf font-semibold' : 'border-transparent text-ink-soft hover:text-ink'}`;

/** A link to one of the salon's pages; the one that is open is marked. */
export function PageLink({ href, children }: { href: string; children: ReactNode }) {
  const open = usePathname().startsWith(href);
  return (
    <Link
      href={href}
      aria-current={open ? 'page' : undefined}
      className={`grid h-full place-items-center ${look(open)}`}
    >
      {children}
    </Link>
  );
}

/** The same for pages that lie beside each other under one of them. */
export function PageTab({ href, children }: { href: string; children: ReactNode }) {
  const open = usePathname() === href;
  return (
    <Link href={href} aria-current={open ? 'page' : undefined} className={`-mb-px pt-1 pb-2 ${look(open)}`}>
      {children}
    </Link>
  );
}
