'use client';

import { useState } from 'react';
import { foilsWithin, leftOut, paidOf, receiptRows, receiptText } from '@/core/fee';
import type { VisitMoney } from '@/core/visit';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { useCalendar } from '../../house/calendar';
import { useHouse, useMoney } from '../../house/context';
import { minorPerUnit } from '@/core/units';
import { today } from '../../shared';
import { useVisit } from '../../visit/store';
import { FitDialog } from '../../workbench/fit-dialog';
import { useComputed } from '../../visit/computed';

const PAYMENTS = [
  { value: 'deposit', words: 'Deposit' },
  { value: 'payment', words: 'Payment' },
  { value: 'tip', words: 'Tip' },
] as const;
const HOW = ['card', 'cash', 'transfer', 'voucher'] as const;

/** What the visit comes to, said before the start; what was agreed, paid and is owed. */
export function PriceSheet() {
  return (
    <div className="private grid items-start gap-5 p-3 md:p-5 lg:grid-cols-[minmax(0,1fr)_23rem]">
      <div className="grid gap-4">
        <Estimate />
        <LeftOuts />
      </div>
      <div className="grid gap-4">
        <Agreed />
        <Receipt />
      </div>
    </div>
  );
}

function Estimate() {
  const { estimate } = useComputed();
  const { mix, editMix } = useVisit();
  const { prices } = useHouse();
  const money = useMoney();
  const addOns = (id: string, on: boolean) =>
    editMix(on ? 'add-on taken' : 'add-on left out', (visitMix) => ({
      ...visitMix,
      money: {
        ...visitMix.money,
        addOns: on ? [...visitMix.money.addOns, id] : visitMix.money.addOns.filter((other) => other !== id),
      },
    }));
  return (
    <section aria-label="Estimate" className="card p-5">
      <h2 className="mb-2 text-xl font-bold wide">Estimate</h2>
      <table className="w-full text-md">
        <tbody>
          {estimate.lines.map(({ key, words, minor }) => (
            <tr key={key} className="border-b border-line">
              <th scope="row" className="py-2 text-left font-normal">
                {words}
              </th>
              <td className="py-2 text-right font-semibold">{money(minor)}</td>
            </tr>
          ))}
          {estimate.lines.length === 0 && (
            <tr>
              <td className="py-2 text-ink-soft">Nothing to charge yet.</td>
            </tr>
          )}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row" className="pt-3 text-left text-lg font-bold">
              Total, estimated
            </th>
            <td id="price-total" className="pt-3 text-right text-2xl font-bold">
              {money(estimate.totalMinor)}
            </td>
          </tr>
          {prices.taxPercent > 0 && (
            <tr>
              <th scope="row" className="text-left text-sm font-normal text-ink-soft">
                within it {prices.taxPercent}% tax
              </th>
              <td className="text-right text-sm text-ink-soft">{money(estimate.taxMinor)}</td>
            </tr>
          )}
        </tfoot>
      </table>
      {prices.addOns.length > 0 && (
        <fieldset className="mt-4 border-t border-line pt-3">
          <legend className="sr-only">Add-ons</legend>
          {prices.addOns.map(({ id, name, minor }) => (
            <div key={id} className="flex min-h-10 items-center justify-between gap-4">
              <span className="text-base">
                {name}, {money(minor)}
              </span>
              <Switch label={name} on={mix.money.addOns.includes(id)} onChange={(on) => addOns(id, on)} />
            </div>
          ))}
        </fieldset>
      )}
    </section>
  );
}

/** What changes when something is left out, and what a budget pays for. */
function LeftOuts() {
  const { priced, estimate } = useComputed();
  const { consult } = useVisit();
  const { prices } = useHouse();
  const money = useMoney();
  const [fitting, fit] = useState(false);
  const options = leftOut(priced, prices);
  const { budgetMinor } = consult;
  const within = budgetMinor === null ? undefined : foilsWithin(budgetMinor, priced, prices);
  return (
    <section aria-label="What changes" className="card grid gap-3 p-5">
      <h2 className="text-md font-bold">If something is left out</h2>
      {options.length === 0 ? (
        <p className="text-base text-ink-soft">Nothing here can be left out to save money.</p>
      ) : (
        <ul className="grid">
          {options.map(({ key, words, savesMinor }) => (
            <li
              key={key}
              className="flex justify-between border-t border-line py-1.5 text-base first:border-t-0"
            >
              <span>{words}</span>
              <span>
                {money(savesMinor)} less: <b>{money(estimate.totalMinor - savesMinor)}</b>
              </span>
            </li>
          ))}
        </ul>
      )}
      <div className="flex items-center justify-between gap-4 border-t border-line pt-3">
        <p className="text-base">
          {budgetMinor === null ? (
            'No budget was said.'
          ) : budgetMinor >= estimate.totalMinor ? (
            <>
              Within the budget of <b>{money(budgetMinor)}</b>, {money(budgetMinor - estimate.totalMinor)}{' '}
              under it.
            </>
          ) : (
            <>
              <b className="text-amber-bark">
                {money(estimate.totalMinor - budgetMinor)} over the budget of {money(budgetMinor)}.
              </b>{' '}
              {within?.ok
                ? `It pays for ${within.foils} of ${priced.foils} foils, everything else unchanged.`
                : within && `With the rest unchanged, foils start at ${money(within.leastMinor)}.`}
            </>
          )}
        </p>
        <Button small onClick={() => fit(true)} disabled={priced.foils === 0}>
          Fit to a budget
        </Button>
      </div>
      <FitDialog open={fitting} onOpenChange={fit} kind="budget" />
    </section>
  );
}

function Agreed() {
  const calendar = useCalendar();
  const { estimate } = useComputed();
  const { mix, editMix } = useVisit();
  const { prices, timeZone } = useHouse();
  const money = useMoney();
  const per = minorPerUnit(prices.currency);
  const digits = per === 1 ? 0 : Math.round(Math.log10(per));
  const read = (text: string): number | undefined =>
    new RegExp(`^\\d{1,9}([.,]\\d{1,${Math.max(1, digits)}})?$`).test(text.trim()) &&
    (digits > 0 || /^\d+$/.test(text.trim()))
      ? Number(text.trim().replace(',', '.'))
      : undefined;
  const set = (label: string, part: Partial<VisitMoney>, gesture?: string) =>
    editMix(label, (visitMix) => ({ ...visitMix, money: { ...visitMix.money, ...part } }), gesture);
  const { agreed, payments } = mix.money;
  const paid = paidOf(agreed?.minor ?? estimate.totalMinor, payments);
  const [what, setWhat] = useState<'deposit' | 'payment' | 'tip'>('deposit');
  const [how, setHow] = useState<string>('card');
  const [amount, setAmount] = useState<number>();
  return (
    <section aria-label="Agreed and paid" className="card grid gap-3 p-5">
      <h2 className="text-xl font-bold wide">Agreed and paid</h2>
      <div className="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3">
        <NumberField
          label="Agreed amount"
          unit={prices.currency}
          min={0}
          max={100_000_000 / per}
          value={agreed ? agreed.minor / per : undefined}
          placeholder="not agreed yet"
          parse={read}
          onChange={(value) =>
            set(
              'agreed amount',
              {
                agreed: value === undefined ? null : { minor: Math.round(value * per), on: today(timeZone) },
              },
              'agreed',
            )
          }
        />
        <Button
          onClick={() =>
            set('the estimate is agreed', { agreed: { minor: estimate.totalMinor, on: today(timeZone) } })
          }
        >
          Agree on {money(estimate.totalMinor)}
        </Button>
      </div>
      {agreed && (
        <p className="text-base">
          Agreed on {calendar.day(agreed.on)}.{' '}
          {agreed.minor !== estimate.totalMinor && (
            <span className="font-medium text-amber-bark">
              The estimate is now {money(Math.abs(estimate.totalMinor - agreed.minor))}{' '}
              {estimate.totalMinor > agreed.minor ? 'more' : 'less'}: tell the client before you go on.
            </span>
          )}
        </p>
      )}
      <form
        className="grid gap-3 border-t border-line pt-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (amount === undefined) return;
          set(`${what} taken`, {
            payments: [...payments, { what, minor: Math.round(amount * per), on: today(timeZone), how }],
          });
          setAmount(undefined);
        }}
      >
        <div className="grid grid-cols-3 gap-3">
          <Select label="What" value={what} options={PAYMENTS} onChange={setWhat} />
          <NumberField
            key={payments.length}
            label="Amount"
            unit={prices.currency}
            min={0}
            max={100_000_000 / per}
            value={amount}
            parse={read}
            onChange={setAmount}
          />
          <Select
            label="How"
            value={how}
            options={HOW.map((value) => ({ value, words: value }))}
            onChange={setHow}
          />
        </div>
        <Button type="submit" disabled={amount === undefined}>
          Add payment
        </Button>
      </form>
      {payments.length > 0 && (
        <ul className="grid">
          {payments.map((payment, i) => (
            <li
              key={i}
              className="flex items-center justify-between gap-2 border-t border-line py-1 text-base"
            >
              <span>
                {PAYMENTS.find(({ value }) => value === payment.what)!.words}, {payment.how},{' '}
                {calendar.day(payment.on)}
              </span>
              <span className="flex items-center gap-1 font-semibold">
                {money(payment.minor)}
                <Button
                  small
                  look="quiet"
                  aria-label={`Remove ${payment.what} of ${money(payment.minor)}`}
                  onClick={() => set('payment removed', { payments: payments.filter((_, at) => at !== i) })}
                >
                  ×
                </Button>
              </span>
            </li>
          ))}
        </ul>
      )}
      <dl className="grid grid-cols-3 gap-3 border-t border-line pt-3">
        <Figure name="paid" figure={money(paid.paidMinor)} />
        <Figure name="owed" figure={money(paid.owedMinor)} strong />
        <Figure
          name={paid.changeMinor > 0 ? 'paid too much' : 'tip, apart'}
          figure={money(paid.changeMinor > 0 ? paid.changeMinor : paid.tipMinor)}
        />
      </dl>
    </section>
  );
}

function Figure({ name, figure, strong = false }: { name: string; figure: string; strong?: boolean }) {
  return (
    <div className="flex flex-col">
      <dt className="order-2 text-sm text-ink-soft">{name}</dt>
      <dd className={`order-1 text-xl ${strong ? 'font-bold' : 'font-semibold'}`}>{figure}</dd>
    </div>
  );
}

function Receipt() {
  const calendar = useCalendar();
  const { estimate } = useComputed();
  const { mix, bundle } = useVisit();
  const { prices } = useHouse();
  const money = useMoney();
  const [copied, setCopied] = useState(false);
  const rows = receiptRows({
    estimate,
    agreedMinor: mix.money.agreed?.minor ?? null,
    payments: mix.money.payments,
    taxPercent: prices.taxPercent,
  });
  const text = receiptText(
    { salon: bundle.salonName, client: bundle.client.name, on: calendar.day(bundle.heldOn), money },
    rows,
  );
  return (
    <section aria-label="Receipt" className="card grid gap-2 p-5">
      <header className="flex items-center gap-2">
        <h2 className="mr-auto text-md font-bold">Receipt</h2>
        <a
          href={`/visits/${bundle.id}/sheet/receipt.pdf`}
          target="_blank"
          rel="noreferrer"
          className={buttonLook('plain', true)}
        >
          PDF
        </a>
        <Button small onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}>
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </header>
      <pre
        className="overflow-x-auto rounded-ui bg-ground p-3 font-mono text-xs whitespace-pre"
        aria-label="Receipt text"
        tabIndex={0}
      >
        {text}
      </pre>
    </section>
  );
}
