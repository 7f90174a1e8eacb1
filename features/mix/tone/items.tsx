'use client';

import type { ItemsRead } from '@/core/bowl';
import { useSaid } from '@/ui/measures';
import { useAmounts } from '../amounts';

/** What is weighed, in one line. */
export function Items({ read }: { read: ItemsRead }) {
  const { sayAll } = useAmounts();
  const said = useSaid();
  if (!read.ok)
    return (
      <p role="alert" className="text-base font-semibold text-rowan">
        It cannot be mixed: {said(read.problem)}.
      </p>
    );
  const amounts = sayAll(read.items);
  return (
    <ul className="flex flex-wrap gap-x-5 gap-y-0.5">
      {read.items.map((item, i) => (
        <li key={item.product} className="whitespace-nowrap">
          <b className="text-lg">{amounts[i]}</b>{' '}
          <span className="text-base" data-as-written>
            {item.name}
          </span>
        </li>
      ))}
    </ul>
  );
}
