'use client';

import type { CautionKey } from '@/core/caution';
import { CautionLine } from '../safety/caution-bar';
import { useCautions } from '../safety/use-cautions';

/** Cautions at the moment that they matter: beside what they are about. */
export function HereCautions({ keys }: { keys: readonly CautionKey[] }) {
  const { cautions, open } = useCautions();
  const here = cautions.filter(({ key }) => keys.includes(key));
  if (here.length === 0) return null;
  return (
    <ul aria-label="Cautions of this mix" className="private grid gap-2">
      {here.map((caution) => (
        <li
          key={caution.key}
          className={`rounded-ui border-l-[3px] p-3 text-base ${caution.weight === 'stop' ? 'border-rowan bg-rowan-pale' : 'border-amber-bark bg-amber-pale'}`}
        >
          <CautionLine caution={caution} open={open.includes(caution)} />
          <p className="mt-0.5 text-sm text-ink-soft">{caution.why}</p>
        </li>
      ))}
    </ul>
  );
}
