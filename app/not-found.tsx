import { buttonLook } from '@/ui/button-look';
import { Link } from '@/ui/link';

export default function NotFound() {
  return (
    <main className="mx-auto grid min-h-[70dvh] max-w-[440px] content-center gap-4 px-5 text-center">
      <h1 className="text-2xl font-bold wide">Not in this salon</h1>
      <p className="text-ink-soft">
        There is no such page, client or visit here. It may belong to another salon, or the address may be cut
        short.
      </p>
      <Link href="/clients" className={buttonLook('primary')}>
        To the clients
      </Link>
    </main>
  );
}
