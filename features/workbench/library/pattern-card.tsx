'use client';

import { memo, type ReactNode } from 'react';
import type { Thumbnail } from '@/core/formats';
import { sharesWords } from '@/core/pattern';
import type { LaidPattern } from '@/workers/pattern-asks';
import { useMoney } from '../../house/context';
import { hoursAndMinutes } from '../../shared';

interface PatternCardProps {
  name: string;
  laid: LaidPattern | undefined;
  bark: string;
  purpose?: string;
  /** Under what it comes to: cautions, reasons, versions. */
  more?: ReactNode;
  actions: ReactNode;
}

/** One pattern: its drawing on this head, what it comes to, and what can be done with it. */
export const PatternCard = memo(function PatternCard({
  name,
  laid,
  bark,
  purpose,
  more,
  actions,
}: PatternCardProps) {
  return (
    <li className="card flex flex-col gap-2 p-3">
      <div className="flex gap-3">
        <div className="h-[112px] w-[120px] shrink-0">{laid && <Drawing laid={laid} bark={bark} />}</div>
        <div className="min-w-0">
          <h3 className="leading-tight font-semibold">{name}</h3>
          <p className="mt-1 text-sm">
            {laid ? (
              <>
                <b className="text-lg">{laid.foils}</b> foils{laid.painted > 0 && `, ${laid.painted} painted`}{' '}
                · {hoursAndMinutes(laid.minutes)} · {sharesWords(laid.shares)}
              </>
            ) : (
              <span className="text-ink-soft">laying it on this head …</span>
            )}
          </p>
          {purpose && <p className="mt-1 text-sm text-ink-soft">{purpose}</p>}
        </div>
      </div>
      {laid && <ComesTo {...laid.comesTo} />}
      <div className="grow text-sm">{more}</div>
      <div className="flex flex-wrap gap-2">{actions}</div>
    </li>
  );
});

/** What the visit would cost with it, and when its root line shows. */
function ComesTo({ totalMinor, line }: LaidPattern['comesTo']) {
  const money = useMoney();
  return (
    <p className="text-sm">
      {totalMinor > 0 && (
        <span className="private">
          <b>{money(totalMinor)}</b>, estimated.{' '}
        </span>
      )}
      {line ?? 'It grows out without a root line.'}
    </p>
  );
}

const Drawing = memo(function Drawing({ laid, bark }: { laid: LaidPattern; bark: string }) {
  return <Thumb drawing={laid.thumbnail} bark={bark} label={`Drawing with ${laid.foils} foils`} />;
});

/** A pattern small, as a drawing of the opened head. */
export function Thumb({
  drawing: { box, hairline, foils, painted },
  bark,
  label,
}: {
  drawing: Thumbnail;
  bark: string;
  label: string;
}) {
  return (
    <svg viewBox={box} className="h-full w-full" role="img" aria-label={label}>
      <path d={hairline} fill={bark} />
      <path d={painted} fill="var(--color-sun)" fillOpacity="0.6" />
      <path d={foils} fill="var(--color-sun)" />
    </svg>
  );
}
