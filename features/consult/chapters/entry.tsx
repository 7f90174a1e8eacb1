import type { ReactNode } from 'react';
import { CloseIcon } from '@/ui/icons';

/** One thing that was said, in a list, with a cross that takes it away. */
export function Entry({ what, onRemove, children }: { what: string; onRemove(): void; children: ReactNode }) {
  return (
    <li className="flex items-center gap-3 rounded-ui border border-line bg-raised py-1 pr-1 pl-3">
      {children}
      <button
        type="button"
        aria-label={`Remove: ${what}`}
        onClick={onRemove}
        className="grid size-9 place-items-center rounded-ui text-ink-soft hover:bg-leaf-pale hover:text-ink"
      >
        <CloseIcon />
      </button>
    </li>
  );
}
