'use client';

import { entriesOf } from '@/core/units';
import { useMemo, useState } from 'react';
import type { ZoneRegrowth } from '@/core/growth';
import type { Zone } from '@/core/head';
import { createPatternEngine } from '@/core/pattern';
import { retouch, zonesSaid, type RetouchHow } from '@/core/record';
import { Button } from '@/ui/button';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { Switch } from '@/ui/switch';
import { useCalendar } from '../../house/calendar';
import { barkOf } from '../../visit/bark';
import { readMm } from '../../consult/read-figures';
import { hoursAndMinutes } from '../../shared';
import { useComputed } from '../../visit/computed';
import { useVisit } from '../../visit/store';
import { thumbnailOf } from '@/core/formats';
import { Thumb } from './pattern-card';

const HOW: readonly { value: RetouchHow; words: string }[] = [
  { value: 'exact', words: 'Repeat exactly' },
  { value: 'grown', words: 'Only what has grown' },
  { value: 'fewer', words: 'Fewer: growing out' },
  { value: 'denser', words: 'Denser' },
];
const readSigned = (text: string): number | undefined =>
  /^[-−+]?\d{1,2}$/.test(text.trim()) ? Number(text.trim().replace('−', '-')) : undefined;

/** It remembers heads, and what it remembers changes no result. */
const engine = createPatternEngine();

/** The last recorded pattern on today's head, with what has grown since by zone. */
export function RecordShelf({ onTaken }: { onTaken(): void }) {
  const calendar = useCalendar();
  const { bundle, consult, plan, computed, editVisit, select } = useVisit();
  const { foiled: previous } = bundle;
  const {
    growth: { expected },
  } = useComputed();
  const [how, setHow] = useState<RetouchHow>('exact');
  const [movePartMm, movePart] = useState<number | undefined>(0);
  const [grownMm, setGrownMm] = useState<number | undefined>(8);
  const [protect, setProtect] = useState(true);
  const regrowth = useMemo(
    () => regrowthNow(expected, consult.regrowthMm, bundle.heldOn),
    [expected, consult.regrowthMm, bundle.heldOn],
  );
  const made = useMemo(
    () =>
      previous &&
      retouch({
        old: previous.plan,
        now: { head: consult.head, hair: consult.hair },
        regrowth,
        wish: { how, movePartMm: movePartMm ?? 0, grownMm: grownMm ?? 8 },
        engine,
      }),
    [previous, consult.head, consult.hair, regrowth, how, movePartMm, grownMm],
  );
  const result = useMemo(() => made && engine.compute(made.plan), [made]);
  if (!previous || !made || !result)
    return <p className="p-6 text-center text-ink-soft">No visit with foils is on record before this one.</p>;
  const { totals } = result.sheet;
  const lifting = made.regrowthOnly;
  const take = () => {
    editVisit(
      `pattern of ${calendar.day(previous.heldOn)}, ${HOW.find(({ value }) => value === how)!.words.toLowerCase()}`,
      (work) => ({
        ...work,
        plan: made.plan,
        consult: { ...work.consult, head: { ...work.consult.head, part: made.plan.head.part } },
        mix: protect
          ? {
              ...work.mix,
              formulas: Object.fromEntries(
                Object.entries(work.mix.formulas).map(([letter, own]) => [
                  letter,
                  lifting.includes(letter) ? { ...own, reach: 'regrowth' as const } : own,
                ]),
              ),
            }
          : work.mix,
      }),
    );
    const [first] = made.plan.panels.filter(({ muted }) => !muted);
    if (first) select(first.id);
    onTaken();
  };
  return (
    <div className="grid gap-6 md:grid-cols-[300px_minmax(0,1fr)]">
      <div className="grid content-start gap-3">
        <Thumb
          drawing={thumbnailOf(result)}
          bark={barkOf(consult.naturalLevel)}
          label={`${made.plan.name}, ${totals.foils} foils`}
        />
        <p className="text-center text-base">
          <b className="text-xl">{totals.foils}</b> foils
          {totals.foils !== computed.sheet.totals.foils && (
            <span className="text-ink-soft"> (now {computed.sheet.totals.foils})</span>
          )}
          , about {hoursAndMinutes(totals.foilingMinutes)}
        </p>
      </div>
      <div className="grid content-start gap-4">
        <p className="text-base">
          <b>{previous.plan.name}</b>, {calendar.day(previous.heldOn)}: {previous.outcome.foilsPlaced} foils
          placed, level {previous.outcome.levelReached} reached.
        </p>
        <Segmented label="How it is taken up again" value={how} options={HOW} onChange={setHow} />
        <div className="grid grid-cols-2 gap-4">
          <NumberField
            label="Move the part, + left"
            unit="mm"
            min={-60}
            max={60}
            value={movePartMm}
            parse={readSigned}
            onChange={movePart}
          />
          {how === 'grown' && (
            <NumberField
              label="Leave out what has grown less than"
              unit="mm"
              min={1}
              max={100}
              value={grownMm}
              parse={readMm}
              onChange={setGrownMm}
            />
          )}
        </div>
        <table aria-label="Panels since then" className="text-base">
          <thead className="text-left text-sm text-ink-soft">
            <tr>
              <th className="font-medium">Panel</th>
              <th className="pr-4 text-right font-medium">foils then</th>
              <th className="font-medium">since then</th>
            </tr>
          </thead>
          <tbody>
            {made.panels.map(({ panel, name, foils, kept, words }) => (
              <tr key={panel} className={`border-t border-line ${kept ? '' : 'text-ink-soft'}`}>
                <td className="py-1 pr-3 font-semibold">{name}</td>
                <td className="pr-4 text-right">{foils}</td>
                <td>{words}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {made.skipped.length > 0 && (
          <p className="rounded-ui bg-amber-pale p-2.5 text-base">
            Left alone last time, and longer now: {zonesSaid(made.skipped.map(({ zone }) => zone))} (
            {Math.round(Math.max(...made.skipped.map(({ mm }) => mm)))} mm).
          </p>
        )}
        {lifting.length > 0 && (
          <div className="flex items-start justify-between gap-4">
            <span className="text-base">
              Paint {lifting.join(', ')} on the regrowth only: there is earlier light below. Overlap breaks
              it.
            </span>
            <Switch label="Paint the regrowth only" on={protect} onChange={setProtect} />
          </div>
        )}
        <Button look="primary" onClick={take}>
          Replace {plan.name === made.plan.name ? 'this pattern' : `“${plan.name}”`}
        </Button>
        <p className="text-sm text-ink-soft">
          What was not measured today is an estimate by the client’s own growth.
        </p>
      </div>
    </div>
  );
}

/** Regrowth today by zone: measured where it was, else expected. */
function regrowthNow(
  expected: Readonly<Partial<Record<Zone, ZoneRegrowth>>>,
  measured: Readonly<Partial<Record<Zone, number>>>,
  on: string,
): Partial<Record<Zone, ZoneRegrowth>> {
  const read = entriesOf(measured).map(([zone, mm]) => [
    zone,
    { mm, sd: 1, since: on, from: 'measured' as const, takenOn: expected[zone]?.takenOn ?? null },
  ]);
  return { ...expected, ...Object.fromEntries(read) };
}
