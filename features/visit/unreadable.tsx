import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { Link } from '@/ui/link';
import { putBack } from './actions';
import { PART_NAMES } from './edits';
import type { Unreadable } from './queries';

/**
 * In place of a visit of which a document cannot be read: what is wrong, that nothing is lost, and the way
 * back to the version before.
 */
export function UnreadableVisit({
  visitId,
  visit: { unreadable, parts },
}: {
  visitId: string;
  visit: Unreadable;
}) {
  const back = parts.filter(({ before }) => before !== null);
  return (
    <main className="mx-auto grid min-h-[70dvh] max-w-[520px] content-center gap-4 px-5 text-center">
      <h1 className="text-2xl font-bold wide">This visit cannot be opened</h1>
      <p className="text-base">{unreadable}</p>
      <p className="text-ink-soft">
        It is kept as it was written; nothing is lost. Other visits open as usual.
      </p>
      {back.length > 0 && (
        <form action={putBack.bind(null, visitId)} className="grid gap-2 rounded-ui border border-line p-4">
          {back.map(({ part, before }) => (
            <p key={part}>
              The {PART_NAMES[part]} before its last change can be read
              {before && (
                <>
                  : <b>{before}</b>
                </>
              )}
              .
            </p>
          ))}
          <p>
            <Button server type="submit" look="primary">
              Restore the version before
            </Button>
          </p>
        </form>
      )}
      <p>
        <Link href="/clients" className={buttonLook(back.length > 0 ? 'plain' : 'primary')}>
          Back to the clients
        </Link>
      </p>
    </main>
  );
}
