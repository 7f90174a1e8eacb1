'use client';

import { Popover } from 'radix-ui';
import { useMemo, type ReactNode } from 'react';
import { swapSide, zoneName, ZONES } from '@/core/head';
import {
  brightnessStep,
  GATHER_KINDS,
  sectionsOf,
  sharesOf,
  type HairShares,
  type Shares,
  type Totals as Counted,
} from '@/core/pattern';
import { sheetsToCut, type Sheets } from '@/core/work';
import { useSaid } from '@/ui/measures';
import { useMoney } from '../house/context';
import { useComputed, useDarkLetters } from '../visit/computed';
import { hoursAndMinutes } from '../shared';
import { useVisit } from '../visit/store';

const percent = (share: number) => Math.round(share * 100);

/** What the pattern comes to: foils, time, light, hair, money; by kind, formula and zone behind one press. */
export function Totals() {
  const { computed, consult, plan } = useVisit();
  const { estimate, work } = useComputed();
  const dark = useDarkLetters();
  const shares = useMemo(() => sharesOf(computed.sheet, new Set(dark)), [computed.sheet, dark]);
  const money = useMoney();
  const { totals } = computed.sheet;
  const { share } = brightnessStep(consult.brightness);
  const { lightened, deepened } = shares.total;
  const against = lightened < share[0] ? 'below' : lightened > share[1] ? 'above' : 'within';
  return (
    <div className="flex items-start gap-x-2 pt-4 pr-20 pl-3 md:pl-5 xl:pr-56">
      <dl className="flex flex-wrap gap-x-5 gap-y-1">
        <Total figure={String(totals.foils)} name="foils" id="total-foils" />
        <Total figure={hoursAndMinutes(totals.foilingMinutes)} name="foiling, estimated" />
        <Total
          figure={`${percent(lightened)}%`}
          name={
            <>
              lightened
              <span className="hidden xl:inline">
                , {against} {percent(share[0])}–{percent(share[1])}
              </span>
            </>
          }
        />
        {deepened > 0 && <Total figure={`${percent(deepened)}%`} name="deepened" />}
        <Total
          figure={money(estimate.totalMinor).replace(/[.,]00$/, '')}
          name="price, estimated"
          className="private"
        />
      </dl>
      <Popover.Root>
        <Popover.Trigger className="mt-0.5 h-9 shrink-0 rounded-ui border border-edge bg-raised px-2.5 text-sm font-semibold hover:border-ink data-[state=open]:border-leaf data-[state=open]:bg-leaf-pale">
          All totals
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="start"
            sideOffset={6}
            className="z-40 max-h-[72dvh] w-[min(26rem,94vw)] overflow-y-auto rounded-[8px] border border-line bg-raised p-4 shadow-2xl"
            aria-label="All totals"
          >
            <AllTotals totals={totals} shares={shares} cut={sheetsToCut(work.units, plan)} wish={share} />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}

function Total({
  figure,
  name,
  id,
  className = '',
}: {
  figure: string;
  name: ReactNode;
  id?: string;
  className?: string;
}) {
  return (
    <div className={`flex flex-col ${className}`}>
      <dt className="order-2 text-sm leading-tight text-ink-soft narrow">{name}</dt>
      <dd id={id} className="order-1 text-2xl leading-tight font-bold">
        {figure}
      </dd>
    </div>
  );
}

function AllTotals({
  totals,
  shares,
  cut,
  wish,
}: {
  totals: Counted;
  shares: HairShares;
  cut: readonly Sheets[];
  wish: readonly [number, number];
}) {
  const kinds = GATHER_KINDS.filter((kind) => totals.byGather[kind] > 0).map((kind) =>
    sectionsOf(kind, totals.byGather[kind]),
  );
  const inHouse = useSaid();
  const letters = Object.entries(totals.byFormula).sort(([a], [b]) => a.localeCompare(b));
  return (
    <div className="grid gap-3 text-base">
      <p>
        <b>By kind:</b> {kinds.join(', ') || 'no foils'}
      </p>
      <p>
        <b>By formula:</b> {letters.map(([letter, foils]) => `${letter} ${foils}`).join(', ') || 'none'}
      </p>
      <p>
        <b>Hair picked, estimated:</b>{' '}
        {inHouse(
          `${Math.round(totals.hairGrams)} g, ${Math.round(totals.hairs).toLocaleString('en')} hairs; ${percent(totals.foiledShare)}% went through foils’ sections`,
        )}
      </p>
      {cut.length > 0 && (
        <p>
          <b>Sheets to cut, estimated:</b>{' '}
          {inHouse(
            cut.map(({ count, widthMm, lengthMm }) => `${count} of ${widthMm} × ${lengthMm} mm`).join(', '),
          )}
        </p>
      )}
      <table className="w-full text-sm">
        <caption className="mb-1 text-left text-base">
          <b>Lightened by zone</b>{' '}
          <span className="text-ink-soft">
            (wish {percent(wish[0])}–{percent(wish[1])}%, marked)
          </span>
        </caption>
        <tbody>
          {pairs(shares, 'lightened').map(({ name, left, right }) => (
            <tr key={name}>
              <th scope="row" className="w-[116px] py-0.5 text-left font-normal whitespace-nowrap">
                {name}
              </th>
              <td className="w-full px-2">
                <ShareBar share={left} other={right} wish={wish} />
              </td>
              <td className="text-right font-semibold whitespace-nowrap">{said(left, right)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {shares.total.deepened > 0 && (
        <p>
          <b>Deepened by zone:</b>{' '}
          {pairs(shares, 'deepened')
            .filter(({ left, right = 0 }) => percent(left) + percent(right) > 0)
            .map(({ name, left, right }) => `${name} ${said(left, right)}`)
            .join(', ')}
        </p>
      )}
    </div>
  );
}

const said = (left: number, right: number | undefined) =>
  right === undefined || percent(left) === percent(right)
    ? `${percent(left)}%`
    : `L ${percent(left)}, R ${percent(right)}%`;

/** Widest share that the bars show. */
const FULL = 0.5;

/** Light of a zone against the wish; left above right where they differ. */
function ShareBar({
  share,
  other,
  wish,
}: {
  share: number;
  other: number | undefined;
  wish: readonly [number, number];
}) {
  const at = (value: number) => `${Math.min(100, (value / FULL) * 100)}%`;
  const bars = other === undefined ? [share] : [share, other];
  return (
    <span className="relative block h-3 overflow-hidden rounded-[3px] bg-[#4b3a2a]" aria-hidden="true">
      {bars.map((value, i) => (
        <span
          key={i}
          className="absolute left-0 bg-sun"
          style={{ width: at(value), top: `${(i / bars.length) * 100}%`, height: `${100 / bars.length}%` }}
        />
      ))}
      <span
        className="absolute inset-y-0 border-x border-white bg-white/20"
        style={{ left: at(wish[0]), width: `calc(${at(wish[1])} - ${at(wish[0])})` }}
      />
    </span>
  );
}

/** A share of both sides on one line, by zone. */
function pairs(
  { byZone }: HairShares,
  of: keyof Shares,
): { name: string; left: number; right: number | undefined }[] {
  return ZONES.filter((zone) => !zone.endsWith('-r')).map((zone) => {
    const other = swapSide(zone);
    const sided = other !== zone;
    return {
      name: sided ? zoneName(zone).replace(/,? left$/i, '') : zoneName(zone),
      left: byZone[zone][of],
      right: sided ? byZone[other][of] : undefined,
    };
  });
}
