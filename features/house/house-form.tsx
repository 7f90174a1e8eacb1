'use client';

import { useState, useTransition, type ReactNode } from 'react';
import { RULE_WORDS, RULES } from '@/core/check';
import { reminderProblem, type ReminderKind } from '@/core/diary';
import { SCHOOL_KEYS, SCHOOLS, type SchoolKey } from '@/core/school';
import { calendarOf, minorPerUnit, parseLength } from '@/core/units';
import type { House } from '@/core/visit';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { TextArea, TextField } from '@/ui/field';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { saveHouseSettings } from './actions';
import { DaysOffFields, WeekHoursFields } from './week-hours';

const UNITS = [
  { value: 'mm', words: 'mm' },
  { value: 'cm', words: 'cm' },
  { value: 'in', words: 'inch' },
] as const;
const BASIN = [
  { value: '1', words: 'once' },
  { value: '2', words: 'twice' },
  { value: '3', words: 'three times' },
  { value: 'free', words: 'as often as it helps' },
] as const;
const MIX_BY = [
  { value: 'bowl', words: 'by bowl' },
  { value: 'session', words: 'by mixing' },
  { value: 'gram', words: 'by gram' },
] as const;
const AMOUNTS = [
  { value: 'g', words: 'g' },
  { value: 'oz', words: 'oz' },
  { value: 'scoop', words: 'scoops' },
] as const;
const STRENGTHS = [
  { value: 'vol', words: 'vol' },
  { value: '%', words: '%' },
] as const;
const TEMPERATURES = [
  { value: 'C', words: '°C' },
  { value: 'F', words: '°F' },
] as const;
const SENT_FROM_HOURS = [7, 8, 9, 10, 11, 12, 14, 16, 18, 20];
const DATES = [
  { value: 'day-month', words: '24 Nov 2026' },
  { value: 'month-day', words: 'Nov 24, 2026' },
] as const;
const HOURS = [
  { value: '24', words: '14:30' },
  { value: '12', words: '2:30 pm' },
] as const;
const WEEKS = [
  { value: 'monday', words: 'Monday' },
  { value: 'saturday', words: 'Saturday' },
  { value: 'sunday', words: 'Sunday' },
] as const;
const WAYS = [
  { value: 'flat', words: 'Flat, with add-ons' },
  { value: 'hourly', words: 'By the hour' },
] as const;

const LIMITS: readonly {
  key: keyof House['limits'];
  words: string;
  unit: string;
  min: number;
  max: number;
}[] = [
  { key: 'sliceMm', words: 'Thickest slice', unit: 'mm', min: 1, max: 20 },
  { key: 'fineMm', words: 'Thickest fine weave', unit: 'mm', min: 1, max: 20 },
  { key: 'babyMm', words: 'Thickest baby light', unit: 'mm', min: 1, max: 20 },
  { key: 'sliverMm', words: 'Least sliver at the part', unit: 'mm', min: 0, max: 20 },
  { key: 'unlitMm', words: 'Longest unlit hairline', unit: 'mm', min: 10, max: 200 },
  { key: 'behindMm', words: 'A foil lights hair this far in front of it', unit: 'mm', min: 5, max: 60 },
  { key: 'jump', words: 'Largest jump of drop-outs', unit: 'times', min: 1, max: 5 },
  { key: 'driftDeg', words: 'Most drift of an angle', unit: '°', min: 5, max: 90 },
  { key: 'shortMm', words: 'Hairline hair too short', unit: 'mm', min: 5, max: 200 },
];

const plain = (text: string): number | undefined =>
  /^\d+([.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined;
const millimetres = (text: string): number | undefined => {
  const parsed = parseLength(text);
  return parsed.ok ? Math.round(parsed.mm * 10) / 10 : undefined;
};
const whole = (text: string): number | undefined =>
  /^\d+$/.test(text.trim()) ? Number(text.trim()) : undefined;
const minor = (text: string): number | undefined => {
  const value = plain(text);
  // Some currencies have a thousandth.
  return value === undefined ? undefined : Math.round(value * 1000) / 1000;
};

interface HouseFormProps {
  initial: House;
  revision: number;
  mayChange: boolean;
  /** Today where the salon is. */
  today: string;
  /** What the server knows; a browser may know others, and both must draw the same. */
  timeZones: readonly string[];
  currencies: readonly string[];
}

/** What the salon sets once for all its visits. */
export function HouseForm({ initial, revision, mayChange, today, timeZones, currencies }: HouseFormProps) {
  const [house, setHouse] = useState(initial);
  // As it is being set, not as it was.
  const calendar = calendarOf(house);
  const [base, setBase] = useState(revision);
  const [said, setSaid] = useState<{ ok: boolean; words: string }>();
  const [saving, startSaving] = useTransition();
  const set = (part: Partial<House>) => {
    setHouse((before) => ({ ...before, ...part }));
    setSaid(undefined);
  };
  const per = minorPerUnit(house.prices.currency);
  // The same amount of money is another figure in another currency.
  const most = 10_000_000 / per;
  const prices = (part: Partial<House['prices']>) => set({ prices: { ...house.prices, ...part } });
  const clock = (part: Partial<House['clock']>) => set({ clock: { ...house.clock, ...part } });
  const save = () =>
    startSaving(async () => {
      const answer = await saveHouseSettings(base, house);
      if (answer.ok) setBase(answer.value);
      setSaid(
        answer.ok ? { ok: true, words: 'Saved for the whole salon.' } : { ok: false, words: answer.problem },
      );
    });
  return (
    <AskingForm
      name="house"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <fieldset disabled={!mayChange} className="grid gap-6">
        <div className="grid gap-6 lg:grid-cols-2">
          <Part title="Units and foils">
            <div className="grid gap-3 sm:grid-cols-2" data-as-written>
              <Segmented
                label="Lengths"
                value={house.units}
                options={UNITS}
                onChange={(units) => set({ units })}
              />
              <Segmented
                label="Amounts"
                value={house.measures.amounts}
                options={AMOUNTS}
                onChange={(amounts) => set({ measures: { ...house.measures, amounts } })}
              />
              <Segmented
                label="Developer"
                value={house.measures.strengths}
                options={STRENGTHS}
                onChange={(strengths) => set({ measures: { ...house.measures, strengths } })}
              />
              <Segmented
                label="Temperatures"
                value={house.measures.temperatures}
                options={TEMPERATURES}
                onChange={(temperatures) => set({ measures: { ...house.measures, temperatures } })}
              />
            </div>
            <div className="grid gap-3 sm:grid-cols-2" data-as-written>
              <Segmented
                label="Dates"
                value={house.calendar.dates}
                options={DATES}
                onChange={(dates) => set({ calendar: { ...house.calendar, dates } })}
              />
              <Segmented
                label="Hours"
                value={house.calendar.hours}
                options={HOURS}
                onChange={(hours) => set({ calendar: { ...house.calendar, hours } })}
              />
              <Select
                label="A week begins on"
                value={house.calendar.weekBegins}
                options={WEEKS}
                onChange={(weekBegins) => set({ calendar: { ...house.calendar, weekBegins } })}
              />
            </div>
            <p className="text-sm text-ink-soft" data-as-written>
              Lengths are said in this unit; any of them can be typed: 6mm, 0.6 cm, 1/4&quot;.
            </p>
            <div className="grid gap-3 sm:grid-cols-2">
              <NumberField
                label="Usable foil width"
                unit="mm"
                min={30}
                max={300}
                value={house.foil.usableWidthMm}
                parse={millimetres}
                onChange={(mm) => mm !== undefined && set({ foil: { ...house.foil, usableWidthMm: mm } })}
              />
              <NumberField
                label="Tolerance"
                unit="mm"
                min={0}
                max={60}
                value={house.foil.toleranceMm}
                parse={millimetres}
                onChange={(mm) => mm !== undefined && set({ foil: { ...house.foil, toleranceMm: mm } })}
              />
            </div>
            <p className="text-sm text-ink-soft">
              A section wider than both together is divided into columns.
            </p>
          </Part>
          <Part title="Prices and time">
            <Segmented
              label="How foils are priced"
              value={house.prices.way}
              options={WAYS}
              onChange={(way) => prices({ way })}
            />
            <div className="grid gap-3 sm:grid-cols-2">
              <NumberField
                label="Base of the service"
                unit={house.prices.currency}
                min={0}
                max={most}
                value={house.prices.baseMinor / per}
                parse={minor}
                onChange={(value) => value !== undefined && prices({ baseMinor: Math.round(value * per) })}
              />
              {house.prices.way === 'flat' ? (
                <>
                  <NumberField
                    label="Foils in the base"
                    unit="foils"
                    min={0}
                    max={300}
                    value={house.prices.includedFoils}
                    parse={whole}
                    onChange={(foils) => foils !== undefined && prices({ includedFoils: foils })}
                  />
                  <NumberField
                    label="Each further foil"
                    unit={house.prices.currency}
                    min={0}
                    max={most}
                    value={house.prices.perFoilMinor / per}
                    parse={minor}
                    onChange={(value) =>
                      value !== undefined && prices({ perFoilMinor: Math.round(value * per) })
                    }
                  />
                </>
              ) : (
                <NumberField
                  label="Hour of foiling"
                  unit={house.prices.currency}
                  min={0}
                  max={most}
                  value={house.prices.perHourMinor / per}
                  parse={minor}
                  onChange={(value) =>
                    value !== undefined && prices({ perHourMinor: Math.round(value * per) })
                  }
                />
              )}
              <NumberField
                label="Time for the foils"
                unit="min"
                min={10}
                max={600}
                value={house.slotMinutes ?? undefined}
                placeholder="not set"
                parse={whole}
                onChange={(minutes) => set({ slotMinutes: minutes ?? null })}
              />
            </div>
          </Part>
        </div>
        <Part
          title="Opening hours"
          hint="The day and the week show them, and no next visit is suggested for a day on which you are closed. Who works other hours sets them under People."
        >
          <div className="grid items-start gap-x-8 gap-y-4 lg:grid-cols-2">
            <WeekHoursFields
              week={house.opening.week}
              calendar={calendar}
              begins={house.calendar.weekBegins}
              without="closed"
              onChange={(week) => set({ opening: { ...house.opening, week } })}
            />
            <div className="grid gap-2">
              <h3 className="text-md font-bold">Closed as well</h3>
              <DaysOffFields
                daysOff={house.opening.closed}
                what="Closed"
                today={today}
                calendar={calendar}
                onChange={(closed) => set({ opening: { ...house.opening, closed } })}
              />
            </div>
          </div>
        </Part>
        <Part
          title="Prices of the whole visit"
          hint="Said before the start as an itemised estimate, which goes with the plan."
        >
          <div className="grid grid-cols-2 gap-3 md:grid-cols-3 lg:grid-cols-5">
            {house.prices.way === 'flat' && (
              <Select
                label="Mix is charged"
                value={house.prices.mixBy}
                options={MIX_BY}
                onChange={(mixBy) => prices({ mixBy })}
              />
            )}
            {house.prices.way === 'flat' && house.prices.mixBy === 'gram' && (
              <>
                <NumberField
                  label="Mix included"
                  unit="g"
                  min={0}
                  max={2000}
                  value={house.prices.includedGrams}
                  parse={whole}
                  onChange={(includedGrams) => includedGrams !== undefined && prices({ includedGrams })}
                />
                <NumberField
                  label={`Each ${house.measures.amounts === 'oz' ? '0.35 oz' : '10 g'} more`}
                  unit={house.prices.currency}
                  min={0}
                  max={most}
                  value={house.prices.tenGramsMinor / per}
                  parse={minor}
                  onChange={(value) =>
                    value !== undefined && prices({ tenGramsMinor: Math.round(value * per) })
                  }
                />
              </>
            )}
            {house.prices.way === 'flat' && house.prices.mixBy !== 'gram' && (
              <>
                <NumberField
                  label={house.prices.mixBy === 'bowl' ? 'Bowls included' : 'Mixings included'}
                  unit=""
                  min={0}
                  max={40}
                  value={house.prices.includedBowls}
                  parse={whole}
                  onChange={(includedBowls) => includedBowls !== undefined && prices({ includedBowls })}
                />
                <NumberField
                  label={house.prices.mixBy === 'bowl' ? 'Each further bowl' : 'Each further mixing'}
                  unit={house.prices.currency}
                  min={0}
                  max={most}
                  value={house.prices.extraBowlMinor / per}
                  parse={minor}
                  onChange={(value) =>
                    value !== undefined && prices({ extraBowlMinor: Math.round(value * per) })
                  }
                />
              </>
            )}
            <NumberField
              label="Toners included"
              unit="toners"
              min={0}
              max={12}
              value={house.prices.includedToners}
              parse={whole}
              onChange={(includedToners) => includedToners !== undefined && prices({ includedToners })}
            />
            <NumberField
              label="Each further toner"
              unit={house.prices.currency}
              min={0}
              max={most}
              value={house.prices.extraTonerMinor / per}
              parse={minor}
              onChange={(value) =>
                value !== undefined && prices({ extraTonerMinor: Math.round(value * per) })
              }
            />
            <NumberField
              label="Root colour"
              unit={house.prices.currency}
              min={0}
              max={most}
              value={house.prices.rootMinor / per}
              parse={minor}
              onChange={(value) => value !== undefined && prices({ rootMinor: Math.round(value * per) })}
            />
            <NumberField
              label="Long from"
              unit="mm"
              min={100}
              max={1200}
              value={house.prices.longFromMm}
              parse={millimetres}
              onChange={(longFromMm) => longFromMm !== undefined && prices({ longFromMm })}
            />
            <NumberField
              label="Long hair costs"
              unit="% more"
              min={0}
              max={200}
              value={house.prices.longPercent}
              parse={whole}
              onChange={(longPercent) => longPercent !== undefined && prices({ longPercent })}
            />
            <NumberField
              label="Thick from"
              unit="per cm²"
              min={100}
              max={400}
              value={house.prices.thickFromPerCm2}
              parse={whole}
              onChange={(thickFromPerCm2) => thickFromPerCm2 !== undefined && prices({ thickFromPerCm2 })}
            />
            <NumberField
              label="Thick hair costs"
              unit="% more"
              min={0}
              max={200}
              value={house.prices.thickPercent}
              parse={whole}
              onChange={(thickPercent) => thickPercent !== undefined && prices({ thickPercent })}
            />
            <NumberField
              label="Tax within"
              unit="%"
              min={0}
              max={40}
              value={house.prices.taxPercent}
              parse={plain}
              onChange={(taxPercent) => taxPercent !== undefined && prices({ taxPercent })}
            />
          </div>
          <AddOns
            addOns={house.prices.addOns}
            currency={house.prices.currency}
            per={per}
            onChange={(addOns) => prices({ addOns })}
          />
        </Part>
        <Part
          title="Clock"
          hint="How the clock of a visit is worked out, unless the visit says otherwise. The maker’s limit comes first."
        >
          <div className="grid grid-cols-2 items-end gap-3 md:grid-cols-3 lg:grid-cols-5">
            <Select
              label="Visits to the basin at most"
              value={String(house.clock.visits)}
              options={BASIN}
              onChange={(own) =>
                clock({ visits: own === 'free' ? 'free' : own === '1' ? 1 : own === '2' ? 2 : 3 })
              }
            />
            <NumberField
              label="Kept in hand before a limit"
              unit="min"
              min={0}
              max={15}
              value={house.clock.marginMinutes}
              parse={plain}
              onChange={(marginMinutes) => marginMinutes !== undefined && clock({ marginMinutes })}
            />
            <NumberField
              label="To open and wipe a foil"
              unit="s"
              min={5}
              max={180}
              value={house.clock.pullSeconds}
              parse={whole}
              onChange={(pullSeconds) => pullSeconds !== undefined && clock({ pullSeconds })}
            />
            <NumberField
              label="To change over to it"
              unit="min"
              min={0}
              max={10}
              value={house.clock.changeOverMinutes}
              parse={plain}
              onChange={(changeOverMinutes) =>
                changeOverMinutes !== undefined && clock({ changeOverMinutes })
              }
            />
            <NumberField
              label="Opened hair goes on lifting at"
              unit="% of its rate"
              min={0}
              max={100}
              value={house.clock.liftsOnPercent}
              parse={whole}
              onChange={(liftsOnPercent) => liftsOnPercent !== undefined && clock({ liftsOnPercent })}
            />
          </div>
        </Part>
        <div className="grid gap-6 lg:grid-cols-2">
          <Part title="Place and station">
            <div className="grid gap-3 sm:grid-cols-2">
              <Select
                label="Time zone"
                value={house.timeZone}
                options={[...new Set(['UTC', house.timeZone, ...timeZones])].map((value) => ({
                  value,
                  words: value.replaceAll('_', ' '),
                }))}
                onChange={(timeZone) => set({ timeZone })}
              />
              <Select
                label="Currency"
                value={house.prices.currency}
                options={currencies.map((value) => ({ value, words: value }))}
                onChange={(currency) => prices({ currency })}
              />
              <NumberField
                label="Lock after"
                unit="min"
                min={1}
                max={240}
                value={house.lockMinutes}
                parse={whole}
                onChange={(lockMinutes) => lockMinutes !== undefined && set({ lockMinutes })}
              />
            </div>
            <div className="flex min-h-9 items-center justify-between gap-4">
              <span className="text-base">Figures with a decimal comma</span>
              <Switch
                label="Figures with a decimal comma"
                on={house.decimalComma}
                onChange={(decimalComma) => set({ decimalComma })}
              />
            </div>
            <div className="flex min-h-9 items-center justify-between gap-4">
              <span className="text-base">At the chair a tap anywhere counts</span>
              <Switch
                label="At the chair a tap anywhere counts"
                on={house.chair.tapAnywhere}
                onChange={(tapAnywhere) => set({ chair: { tapAnywhere } })}
              />
            </div>
          </Part>
          <Part
            title="Cautions"
            hint="What your leaflets and your law say. Cautions follow it, but never replace either."
          >
            <div className="grid gap-3 sm:grid-cols-3">
              <NumberField
                label="Alert test read after"
                unit="h"
                min={0}
                max={240}
                value={house.cautions.alertHours}
                parse={whole}
                onChange={(alertHours) =>
                  alertHours !== undefined && set({ cautions: { ...house.cautions, alertHours } })
                }
              />
              <NumberField
                label="and counts for"
                unit="days"
                min={1}
                max={1000}
                value={house.cautions.alertDays}
                parse={whole}
                onChange={(alertDays) =>
                  alertDays !== undefined && set({ cautions: { ...house.cautions, alertDays } })
                }
              />
              <NumberField
                label="Strong above"
                unit="vol"
                min={5}
                max={30}
                value={house.cautions.strongVolumes}
                parse={whole}
                onChange={(strongVolumes) =>
                  strongVolumes !== undefined && set({ cautions: { ...house.cautions, strongVolumes } })
                }
              />
              <NumberField
                label={house.measures.strengths === '%' ? '12% stays off' : '40 vol stays off'}
                unit="mm"
                min={10}
                max={60}
                value={house.cautions.scalpMm}
                parse={millimetres}
                onChange={(scalpMm) =>
                  scalpMm !== undefined && set({ cautions: { ...house.cautions, scalpMm } })
                }
              />
              <NumberField
                label="Warmth at most"
                unit="°C"
                min={25}
                max={60}
                value={house.cautions.warmestCelsius}
                parse={plain}
                onChange={(warmestCelsius) =>
                  warmestCelsius !== undefined && set({ cautions: { ...house.cautions, warmestCelsius } })
                }
              />
              <NumberField
                label="Guardian below"
                unit="years"
                min={0}
                max={21}
                value={house.cautions.age}
                parse={whole}
                onChange={(age) => age !== undefined && set({ cautions: { ...house.cautions, age } })}
              />
            </div>
          </Part>
        </div>
        <Part
          title="Reminders"
          hint="Texts to clients who agreed to them. {name}, {day}, {time}, {colourist} and {salon} are filled in, {page} is a link to a page on which they can answer the consultation; better not to name what is done to the hair."
        >
          <div className="grid items-start gap-3 md:grid-cols-[140px_190px_minmax(0,1fr)_minmax(0,1fr)]">
            <NumberField
              label="Ahead"
              unit="days"
              min={0}
              max={14}
              value={house.reminders.daysBefore}
              parse={whole}
              onChange={(daysBefore) =>
                daysBefore !== undefined && set({ reminders: { ...house.reminders, daysBefore } })
              }
            />
            <Select
              label="Sent"
              value={String(house.reminders.fromMinute)}
              options={[
                { value: 'null', words: 'only by hand' },
                ...SENT_FROM_HOURS.map((hour) => ({
                  value: String(60 * hour),
                  words: `by itself, from ${calendar.time(60 * hour)}`,
                })),
              ]}
              onChange={(own) =>
                set({ reminders: { ...house.reminders, fromMinute: own === 'null' ? null : Number(own) } })
              }
            />
            <ReminderWords
              kind="appointment"
              label="Of an appointment"
              value={house.reminders.appointment}
              onChange={(appointment) => set({ reminders: { ...house.reminders, appointment } })}
            />
            <ReminderWords
              kind="due"
              label="Of a visit that is due"
              value={house.reminders.due}
              onChange={(due) => set({ reminders: { ...house.reminders, due } })}
            />
          </div>
        </Part>
        <Part
          title="Aftercare"
          hint="What a client should take care of after a visit, in your words. It is shown on the page for their own phone, beside how long their toner lasts."
        >
          <TextArea
            label="Aftercare"
            rows={4}
            maxLength={1000}
            value={house.aftercare}
            onChange={(event) => set({ aftercare: event.target.value })}
          />
        </Part>
        <Part
          title="Pattern checks"
          hint="A check points at a place and gives its reason. Switch off what your house does on purpose."
        >
          <ul className="grid gap-x-8 gap-y-1 md:grid-cols-2">
            {RULES.map((rule) => (
              <li key={rule} className="flex min-h-9 items-center justify-between gap-4">
                <span className="text-base">{RULE_WORDS[rule]}</span>
                <Switch
                  label={RULE_WORDS[rule]}
                  on={!house.rulesOff.includes(rule)}
                  onChange={(on) =>
                    set({
                      rulesOff: on ? house.rulesOff.filter((own) => own !== rule) : [...house.rulesOff, rule],
                    })
                  }
                />
              </li>
            ))}
          </ul>
          <div className="mt-2 grid grid-cols-2 gap-3 border-t border-line pt-4 md:grid-cols-3 lg:grid-cols-5">
            {LIMITS.map(({ key, words, unit, min, max }) => (
              <NumberField
                key={key}
                label={words}
                unit={unit}
                min={min}
                max={max}
                value={house.limits[key]}
                parse={unit === 'mm' ? millimetres : plain}
                onChange={(value) =>
                  value !== undefined && set({ limits: { ...house.limits, [key]: value } })
                }
              />
            ))}
          </div>
        </Part>
        <Part
          title="Schools"
          hint="Good colourists disagree. What your house prefers is used for suggestions and defaults, and never done without being shown."
        >
          <ul className="grid gap-4 md:grid-cols-2 lg:grid-cols-3">
            {SCHOOL_KEYS.map((key) => (
              <SchoolField
                key={key}
                school={key}
                value={house.schools[key]}
                onChange={(value) => set({ schools: { ...house.schools, [key]: value } })}
              />
            ))}
          </ul>
        </Part>
      </fieldset>
      <div className="sticky bottom-0 mt-6 flex items-center justify-end gap-4 border-t border-line bg-ground py-3">
        {!mayChange && <p className="text-base text-ink-soft">Only the owner can change this.</p>}
        {said && (
          <p
            role={said.ok ? 'status' : 'alert'}
            className={said.ok ? 'text-base text-ink-soft' : 'text-base font-semibold text-rowan'}
          >
            {said.words}
          </p>
        )}
        {mayChange && (
          <Button look="primary" server type="submit" disabled={saving}>
            Save for the house
          </Button>
        )}
      </div>
    </AskingForm>
  );
}

function Part({ title, hint, children }: { title: string; hint?: string; children: ReactNode }) {
  return (
    <section className="card grid content-start gap-3 p-5">
      <h2 className="text-xl font-bold wide">{title}</h2>
      {hint && <p className="text-base text-ink-soft">{hint}</p>}
      {children}
    </section>
  );
}

function ReminderWords({
  kind,
  label,
  value,
  onChange,
}: {
  kind: ReminderKind;
  label: string;
  value: string;
  onChange(words: string): void;
}) {
  const problem = reminderProblem(kind, value);
  return (
    <TextArea
      label={label}
      rows={4}
      maxLength={480}
      value={value}
      problem={problem && `It ${problem}.`}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

/** What can be added to a visit, by name and price. */
function AddOns({
  addOns,
  currency,
  per,
  onChange,
}: {
  addOns: House['prices']['addOns'];
  currency: string;
  per: number;
  onChange(addOns: House['prices']['addOns']): void;
}) {
  const change = (id: string, part: Partial<House['prices']['addOns'][number]>) =>
    onChange(addOns.map((addOn) => (addOn.id === id ? { ...addOn, ...part } : addOn)));
  const free = () => {
    for (let n = 1; ; n += 1) if (!addOns.some(({ id }) => id === `add-on-${n}`)) return `add-on-${n}`;
  };
  return (
    <fieldset className="grid gap-2 border-t border-line pt-3">
      <legend className="sr-only">Add-ons</legend>
      {addOns.map((addOn, i) => (
        <div
          key={addOn.id}
          className="grid items-end justify-start gap-3 sm:grid-cols-[minmax(0,20rem)_10rem_auto]"
        >
          <TextField
            label={`Add-on ${i + 1}`}
            value={addOn.name}
            maxLength={60}
            onChange={(event) => change(addOn.id, { name: event.target.value })}
          />
          <NumberField
            label={`Price of add-on ${i + 1}`}
            unit={currency}
            min={0}
            max={10_000_000 / per}
            value={addOn.minor / per}
            parse={minor}
            onChange={(value) => value !== undefined && change(addOn.id, { minor: Math.round(value * per) })}
          />
          <Button small look="quiet" onClick={() => onChange(addOns.filter(({ id }) => id !== addOn.id))}>
            Remove
          </Button>
        </div>
      ))}
      {addOns.length < 30 && (
        <Button
          small
          className="justify-self-start"
          onClick={() => onChange([...addOns, { id: free(), name: 'New add-on', minor: 0 }])}
        >
          Add an add-on
        </Button>
      )}
    </fieldset>
  );
}

function SchoolField({
  school,
  value,
  onChange,
}: {
  school: SchoolKey;
  value: string;
  onChange(value: string): void;
}) {
  const { question, answers, usual, why } = SCHOOLS[school];
  const options = Object.entries(answers).map(([answer, words]) => ({
    value: answer,
    words: `${words}${answer === usual ? ' (usual)' : ''}`,
  }));
  return (
    <li>
      <Select label={question} value={value} options={options} onChange={onChange} />
      {value === usual && <p className="mt-1 text-xs text-ink-soft">{why}</p>}
    </li>
  );
}
