import { Link } from '@/ui/link';
import { Mark } from '@/ui/mark';
import { ComfortMenu } from '../comfort/comfort-menu';
import { PageLink } from './page-link';
import { PersonMenu } from './person-menu';

/** The bar of the pages outside a visit: where we are and who is signed in. */
export function TopBar({
  personName,
  role,
  salonName,
}: {
  personName: string;
  role: string;
  salonName: string;
}) {
  return (
    <header className="sticky top-0 z-30 border-b border-line bg-raised print:hidden">
      <div className="mx-auto flex h-14 max-w-[1180px] items-center gap-1 px-2 md:gap-6 md:px-5">
        <Link href="/clients" className="flex min-h-11 min-w-11 items-center justify-center gap-3 rounded-ui">
          <Mark />
          <span className="text-lg font-bold wide max-md:sr-only">Dappled Lattice</span>
        </Link>
        <span className="text-sm text-ink-soft max-lg:hidden">{salonName}</span>
        <nav aria-label="Pages" className="flex h-full">
          <PageLink href="/day">Day</PageLink>
          <PageLink href="/clients">Clients</PageLink>
          <PageLink href="/house">House</PageLink>
        </nav>
        <div className="ml-auto flex min-w-0 items-center md:gap-2">
          <PersonMenu personName={personName} role={role} />
          <ComfortMenu />
        </div>
      </div>
    </header>
  );
}
