import Link from 'next/link';
import { Button } from '@/ui/button';
import { Mark } from '@/ui/mark';
import { ComfortMenu } from '../comfort/comfort-menu';
import { signOut } from './actions';
import { PageLink } from './page-link';

/** The bar of the pages outside a visit: where we are and who is signed in. */
export function TopBar({ personName, role, salonName }: { personName: string; role: string; salonName: string }) {
  return (
    <header className="border-b border-line bg-raised">
      <div className="mx-auto flex h-14 max-w-[1180px] items-center gap-6 px-5">
        <Link href="/clients" className="flex items-center gap-3 rounded-ui">
          <Mark />
          <span className="text-lg font-bold wide">Dappled Lattice</span>
        </Link>
        <span className="text-sm text-ink-soft">{salonName}</span>
        <nav aria-label="Pages" className="flex h-full">
          <PageLink href="/clients">Clients</PageLink>
          <PageLink href="/house">House</PageLink>
        </nav>
        <span className="ml-auto text-sm">
          {personName}, <span className="text-ink-soft">{role}</span>
        </span>
        <ComfortMenu />
        <form action={signOut}>
          <Button type="submit" look="quiet" small>Sign out</Button>
        </form>
      </div>
    </header>
  );
}
