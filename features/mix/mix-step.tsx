'use client';

import { useSyncExternalStore, type ReactNode } from 'react';
import { isExpected } from '@/core/work';
import { useVisit } from '../visit/store';
import { BowlsSheet } from './bowls/bowls-sheet';
import { LiftSheet } from './lift/lift-sheet';
import { useComputed } from '../visit/computed';
import { PriceSheet } from './price/price-sheet';
import { ToneSheet } from './tone/tone-sheet';

const SHEETS = ['bowls', 'lift', 'tone', 'price'] as const;
type Sheet = (typeof SHEETS)[number];
const WORDS: Readonly<Record<Sheet, string>> = {
  bowls: 'Bowls',
  lift: 'Lift',
  tone: 'Tone and root',
  price: 'Price',
};
const BODIES: Readonly<Record<Sheet, () => ReactNode>> = {
  bowls: BowlsSheet,
  lift: LiftSheet,
  tone: ToneSheet,
  price: PriceSheet,
};

/** From base and target to bowls, lift, tone and price, a sheet at a time. */
export function MixStep() {
  const sheet = useSheet();
  const { bundle } = useVisit();
  const Body = BODIES[sheet];
  return (
    <main className="h-full max-md:overflow-y-auto md:grid md:grid-cols-[11rem_minmax(0,1fr)]">
      <nav
        aria-label="Mix"
        className="relative flex flex-col border-line bg-raised max-md:sticky max-md:top-0 max-md:z-20 max-md:overflow-x-auto max-md:border-b md:overflow-y-auto md:border-r md:py-3"
      >
        <ol className="max-md:flex">
          {SHEETS.map((own) => (
            <li key={own}>
              <a
                href={`#${own}`}
                aria-current={own === sheet ? 'true' : undefined}
                className={`flex min-h-12 flex-col justify-center border-l-[3px] px-4 py-1.5 text-base whitespace-nowrap max-md:border-b-[3px] max-md:border-l-0 ${own === sheet ? 'border-leaf bg-leaf-pale font-semibold' : 'border-transparent hover:bg-leaf-pale'} ${own === 'price' ? 'private' : ''}`}
              >
                {WORDS[own]}
                <Short sheet={own} />
              </a>
            </li>
          ))}
        </ol>
        <p className="mt-auto px-4 pt-4 text-xs text-ink-soft max-md:hidden">
          Estimates. Leaflet, local rules and your judgement come first.
        </p>
        <a
          href={`/visits/${bundle.id}/sheet/mix.pdf`}
          target="_blank"
          rel="noreferrer"
          className="mx-4 mt-3 grid h-11 place-items-center max-md:hidden rounded-ui border border-edge bg-raised text-base font-semibold hover:border-ink"
        >
          Print the card
        </a>
      </nav>
      <div className="relative min-w-0 md:overflow-y-auto">
        <Body key={sheet} />
      </div>
    </main>
  );
}

/** A sheet's figure beside its name. */
function Short({ sheet }: { sheet: Sheet }) {
  const visit = useComputed();
  const { mix } = useVisit();
  const count = visit.work.bowls.ok ? visit.work.bowls.bowls.length : 0;
  const late = visit.work.lift.filter((row) => !isExpected(row)).length;
  const toners = mix.toners.length;
  const words = {
    bowls: visit.work.bowls.ok ? `${count} ${count === 1 ? 'bowl' : 'bowls'}` : 'cannot be split',
    lift: visit.work.lift.length === 0 ? 'nothing lifts yet' : late > 0 ? `${late} not expected` : 'in time',
    tone:
      [toners > 0 && `${toners} ${toners === 1 ? 'toner' : 'toners'}`, mix.roots.length > 0 && 'root']
        .filter(Boolean)
        .join(', ') || 'none yet',
    price: mix.money.agreed ? 'agreed' : 'estimate',
  }[sheet];
  return <span className="text-xs font-normal text-ink-soft">{words}</span>;
}

/** The sheet that the address names: a reload or a link finds the same one. */
function useSheet(): Sheet {
  const hash = useSyncExternalStore(
    subscribe,
    () => window.location.hash.slice(1),
    () => '',
  );
  return SHEETS.find((sheet) => sheet === hash) ?? 'bowls';
}

function subscribe(onChange: () => void) {
  window.addEventListener('hashchange', onChange);
  return () => window.removeEventListener('hashchange', onChange);
}
