'use client';

import type { ItemsRead } from '@/core/bowl';
import { useAmounts } from '../amounts';

/** What is weighed, in one line. */
export function Items({ read }: { read: ItemsRead }) {
  const { say } = useAmounts();
  if (!read.ok) return <p role="alert" className="text-base font-semibold text-rowan">It cannot be mixed: {read.problem}.</p>;
  return <ul className="flex flex-wrap gap-x-5 gap-y-0.5">{read.items.map((own) => <li key={own.product}><b className="text-lg">{say(own.grams, own.powder)}</b> <span className="text-base">{own.name}</span></li>)}</ul>;
}
