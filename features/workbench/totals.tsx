'use client';

import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { zoneName, type Zone } from '@/core/head';
import { brightnessStep, type Totals as Counted, type ZoneShare } from '@/core/pattern';
import { useMoney } from '../house/context';
import { useComputed } from '../visit/computed';
import { hoursAndMinutes } from '../shared';
import { useVisit } from '../visit/store';

const percent = (share: number) => Math.round(share * 100);
const KINDS: readonly { kind: keyof Counted['byGather']; one: string; many: string }[] = [
  { kind: 'slice', one: 'slice', many: 'slices' }, { kind: 'weave', one: 'weave', many: 'weaves' }, { kind: 'zigzag', one: 'zigzag', many: 'zigzags' },
];

/** What the pattern comes to: foils, time, light, hair, money; by kind, formula and zone behind one press. */
export function Totals() {
  const { computed, consult } = useVisit();
  const { estimate } = useComputed();
  const money = useMoney();
  const { totals } = computed.sheet;
  const { share } = brightnessStep(consult.brightness);
  const against = totals.lightenedShare < share[0] ? 'below' : totals.lightenedShare > share[1] ? 'above' : 'within';
  return (
    <div className="flex items-start gap-x-2 pt-4 pr-20 pl-5 xl:pr-52">
      <dl className="flex flex-wrap gap-x-5 gap-y-1">
        <Total figure={String(totals.foils)} name="foils" id="total-foils" />
        <Total figure={hoursAndMinutes(totals.foilingMinutes)} name="foiling, estimated" />
        <Total figure={`${percent(totals.lightenedShare)} %`} name={<>lightened<span className="hidden xl:inline">, {against} {percent(share[0])}–{percent(share[1])}</span></>} />
        <Total figure={money(estimate.totalMinor).replace(/[.,]00$/, '')} name="price, estimated" className="private" />
      </dl>
      <Popover.Root>
        <Popover.Trigger className="mt-0.5 h-9 shrink-0 rounded-ui border border-edge bg-raised px-2.5 text-sm font-semibold hover:border-ink data-[state=open]:border-leaf data-[state=open]:bg-leaf-pale">
          All totals
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content align="start" sideOffset={6} className="z-40 max-h-[72dvh] w-[420px] overflow-y-auto rounded-[8px] border border-line bg-raised p-4 shadow-2xl" aria-label="All totals">
            <AllTotals totals={totals} zones={computed.sheet.zones} wish={share} />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}

function Total({ figure, name, id, className = '' }: { figure: string; name: ReactNode; id?: string; className?: string }) {
  return (
    <div className={`flex flex-col ${className}`}>
      <dt className="order-2 text-sm leading-tight text-ink-soft narrow">{name}</dt>
      <dd id={id} className="order-1 text-2xl leading-tight font-bold">{figure}</dd>
    </div>
  );
}

function AllTotals({ totals, zones, wish }: { totals: Counted; zones: readonly ZoneShare[]; wish: readonly [number, number] }) {
  const kinds = KINDS.filter(({ kind }) => totals.byGather[kind] > 0).map(({ kind, one, many }) => `${totals.byGather[kind]} ${totals.byGather[kind] === 1 ? one : many}`);
  const letters = Object.entries(totals.byFormula).sort(([a], [b]) => a.localeCompare(b));
  return (
    <div className="grid gap-3 text-base">
      <p><b>By kind:</b> {kinds.join(', ') || 'no foils'}</p>
      <p><b>By formula:</b> {letters.map(([letter, foils]) => `${letter} ${foils}`).join(', ') || 'none'}</p>
      <p><b>Hair picked, estimated:</b> {Math.round(totals.hairGrams)} g, {Math.round(totals.hairs).toLocaleString('en-GB')} hairs; {percent(totals.foiledShare)} % went through foils’ sections</p>
      <table className="w-full text-sm">
        <caption className="mb-1 text-left text-base"><b>Lightened by zone</b> <span className="text-ink-soft">(wish {percent(wish[0])}–{percent(wish[1])} %, marked)</span></caption>
        <tbody>
          {pairs(zones).map(({ name, left, right }) => (
            <tr key={name}>
              <th scope="row" className="w-[116px] py-0.5 text-left font-normal whitespace-nowrap">{name}</th>
              <td className="w-full px-2"><ShareBar share={left} other={right} wish={wish} /></td>
              <td className="text-right font-semibold whitespace-nowrap">{right === undefined || percent(left) === percent(right) ? `${percent(left)} %` : `L ${percent(left)}, R ${percent(right)} %`}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Widest share that the bars show. */
const FULL = 0.5;

/** Light of a zone against the wish; left above right where they differ. */
function ShareBar({ share, other, wish }: { share: number; other: number | undefined; wish: readonly [number, number] }) {
  const at = (value: number) => `${Math.min(100, (value / FULL) * 100)}%`;
  const bars = other === undefined ? [share] : [share, other];
  return (
    <span className="relative block h-3 overflow-hidden rounded-[3px] bg-[#4b3a2a]" aria-hidden="true">
      {bars.map((value, i) => <span key={i} className="absolute left-0 bg-sun" style={{ width: at(value), top: `${(i / bars.length) * 100}%`, height: `${100 / bars.length}%` }} />)}
      <span className="absolute inset-y-0 border-x border-white bg-white/20" style={{ left: at(wish[0]), width: `calc(${at(wish[1])} - ${at(wish[0])})` }} />
    </span>
  );
}

/** Zones of both sides on one line. */
function pairs(zones: readonly ZoneShare[]): { name: string; left: number; right: number | undefined }[] {
  const share = (zone: string) => zones.find((own) => own.zone === zone)?.lightenedShare;
  return zones.filter(({ zone }) => !zone.endsWith('-r')).map(({ zone, lightenedShare }) => ({
    name: zone.endsWith('-l') ? zoneName(zone as Zone).replace(/,? left$/i, '') : zoneName(zone as Zone), left: lightenedShare, right: share(zone.replace(/-l$/, '-r')) === undefined || !zone.endsWith('-l') ? undefined : share(zone.replace(/-l$/, '-r')),
  }));
}
