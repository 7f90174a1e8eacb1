'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { parseOutcome } from '@/core/formats';
import { cssColour, naturalHair } from '@/core/lift';
import type { TimedStep } from '@/core/steps';
import { workSummary } from '@/core/work';
import { sharesWords } from '@/core/pattern';
import { zonesOfPlan, zonesRecorded } from '@/core/record';
import { formatLevel } from '@/core/units';
import { EMPTY_OUTCOME, type Outcome } from '@/core/visit';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { HairSwatch } from '@/ui/hair-swatch';
import { Segmented } from '@/ui/segmented';
import { useKept } from '@/ui/use-kept';
import { BrightFoils } from '../head/foil-marks';
import { useCalendar } from '../house/calendar';
import { useDarkLetters } from '../visit/computed';
import { HairCanvas } from '../head/hair-canvas';
import { ScalpMap } from '../head/scalp-map';
import { BeginDialog } from '../safety/begin-dialog';
import { useCautions } from '../safety/use-cautions';
import { barkOf, shadeOf } from '../visit/bark';
import { useComputed } from '../visit/computed';
import { useLit, useVisit } from '../visit/store';
import { useOwnHair } from '../visit/use-own-hair';
import { DoneMarks } from './done-marks';
import { FindAgainDialog } from './find-again';
import { fieldsOf, type Fields } from './form-fields';
import { MixedPart } from './mixed-part';
import { PlannedRibbon, PlannedTable, useServed } from './planned-done';
import { RecordForm, useKeptFields } from './record-form';
import { ZoneFigures, type Shown } from './zone-figures';

const VIEWS = [
  { value: 'foils', words: 'Foils' },
  { value: 'regrowth', words: 'Regrowth' },
  { value: 'level', words: 'Level and tone' },
  { value: 'hair', words: 'Lightened' },
] as const;

/** What was done, beside what was planned: the record of the visit. */
export function RecordStep() {
  const { bundle, plan, computed, consult } = useVisit();
  const lit = useLit();
  const shade = shadeOf(consult.naturalLevel);
  const own = useOwnHair();
  const dark = useDarkLetters();
  const served = useServed();
  const [view, setView] = useKept<'foils' | Shown>(
    `${bundle.id}/record`,
    'foils',
    VIEWS.map(({ value }) => value),
  );
  const [finding, findAgain] = useState(false);
  const [typed, setTyped] = useKeptFields(bundle.id);
  const fields = useFields(typed);
  return (
    <main className="h-full max-lg:overflow-y-auto lg:grid lg:grid-cols-[minmax(0,1fr)_29rem] xl:grid-cols-[minmax(0,1fr)_30rem]">
      <section
        aria-label="Pattern of the visit"
        className="flex min-h-0 flex-col p-3 max-lg:h-[min(82dvh,120vw)]"
      >
        <div className="flex flex-wrap items-center justify-center gap-3">
          <div className="w-[500px] min-w-0 max-md:w-full">
            <Segmented label="Shown on the head" value={view} options={VIEWS} onChange={setView} />
          </div>
          <Button onClick={() => findAgain(true)}>Find again …</Button>
        </div>
        <FindAgainDialog open={finding} onOpenChange={findAgain} />
        <div className="relative min-h-0 flex-1">
          {view === 'foils' && (
            <HairCanvas
              computed={computed}
              bark={barkOf(consult.naturalLevel)}
              shade={shade}
              own={own}
              dark={dark}
            />
          )}
          <ScalpMap
            over={
              view !== 'foils' && (
                <ZoneFigures
                  part="words"
                  shown={view}
                  zones={fields.zones ?? {}}
                  found={consult.regrowthMm}
                />
              )
            }
            head={computed.drawing.head}
            bark={view === 'foils' ? null : barkOf(consult.naturalLevel)}
            partOffsetMm={plan.head.part.none ? null : plan.head.part.offsetMm}
            className="relative h-full w-full"
            label="Pattern of the visit"
          >
            {view === 'foils' ? (
              <>
                <BrightFoils
                  foils={computed.sheet.foils}
                  paths={computed.drawing.paths}
                  shade={shade}
                  dark={dark}
                  ids={[lit]}
                />
                {served && <DoneMarks record={served.record} paths={computed.drawing.paths} />}
              </>
            ) : (
              <ZoneFigures part="fields" shown={view} zones={fields.zones ?? {}} found={consult.regrowthMm} />
            )}
          </ScalpMap>
        </div>
        <Facts />
        {served && <PlannedRibbon record={served.record} />}
      </section>
      <section
        aria-label="Record"
        className="relative border-line bg-raised px-4 py-4 max-lg:border-t md:px-5 lg:overflow-y-auto lg:border-l"
      >
        {/* Beside the form and not in it: a form of its own must not send this one. */}
        {bundle.begunAt === null && <NotBegun />}
        <RecordForm key={bundle.id} fields={fields} typed={typed} onTyped={setTyped}>
          <MixedPart served={served ?? null} />
        </RecordForm>
        {served && <PlannedTable {...served} />}
      </section>
    </main>
  );
}

/** The record as it stands: what was typed over what is saved, or over what the plan says. */
function useFields(typed: Partial<Fields> | undefined): Fields {
  const { bundle, plan, computed, consult, outcome } = useVisit();
  const { work, after } = useComputed();
  const { sheet } = computed;
  const fromPlan = useMemo<Outcome>(
    () => ({
      ...EMPTY_OUTCOME,
      foilsPlaced: sheet.totals.foils,
      ...(plan.panels.length > 0
        ? { done: workSummary(plan, work), levelReached: consult.goalLevel }
        : {
            done: withoutFoils(after),
            levelReached: bundle.previous?.outcome.levelReached ?? consult.goalLevel,
          }),
      zones: zonesRecorded(zonesOfPlan(work, sheet)),
    }),
    [plan, sheet, consult.goalLevel, work, after, bundle.previous],
  );
  return useMemo(() => {
    // What a device kept from an older version is read as one of the newest, or left out.
    const saved = outcome && parseOutcome(outcome.document);
    const base = fieldsOf(saved?.ok ? saved.value : fromPlan);
    return { ...base, ...(outcome && base.zones === null && { zones: fromPlan.zones }), ...typed };
  }, [outcome, fromPlan, typed]);
}

/** What a visit without foils does, a sentence each. */
const withoutFoils = (after: readonly TimedStep[]): string =>
  [
    'No foils.',
    ...after.flatMap(({ step, words, from, to }) => (step.items ? [`${words}, ${to - from} min.`] : [])),
  ].join('\n');

/** A service is begun before it is recorded: what stands in its way is said first. */
function NotBegun() {
  const { open } = useCautions();
  const [shown, show] = useState(false);
  return (
    <div className="mb-4 grid gap-2 rounded-ui border border-amber-bark bg-amber-pale p-3">
      <p>
        The service has not begun
        {open.length > 0
          ? `: ${open.length === 1 ? 'one caution is' : `${open.length} cautions are`} open.`
          : '.'}{' '}
        Begin it, then record it.
      </p>
      <Button onClick={() => show(true)}>Before you begin</Button>
      <Dialog open={shown} onOpenChange={show} title="Before you begin" middle>
        <BeginDialog onDone={() => show(false)} />
      </Dialog>
    </div>
  );
}

/** What the record stands beside: regrowth found and goal. */
function Facts() {
  const calendar = useCalendar();
  const { consult, outcome } = useVisit();
  const { growth, shares } = useComputed();
  const measured = Object.values(consult.regrowthMm).sort((a, b) => a - b);
  const expected = Object.values(growth.expected)
    .map(({ mm }) => Math.round(mm))
    .sort((a, b) => a - b);
  return (
    <dl className="flex justify-center gap-9 pb-1">
      <Fact name="Regrowth found">
        {measured.length > 0
          ? range(measured)
          : expected.length > 0
            ? `not measured; ${range(expected)} expected`
            : 'not measured'}
      </Fact>
      <Fact name="Hair">{sharesWords(shares.total)}</Fact>
      <Fact name="Base">
        <HairSwatch colour={cssColour(naturalHair(consult.naturalLevel))} />{' '}
        {formatLevel(consult.naturalLevel)}
      </Fact>
      <Fact name="Goal">
        <HairSwatch colour={cssColour(naturalHair(consult.goalLevel))} /> {formatLevel(consult.goalLevel)}
      </Fact>
      {outcome && (
        <Fact name="Reached">
          <HairSwatch colour={cssColour(naturalHair(outcome.document.levelReached))} />{' '}
          {formatLevel(outcome.document.levelReached)}
        </Fact>
      )}
      {outcome?.document.nextOn && <Fact name="Next visit">{calendar.day(outcome.document.nextOn)}</Fact>}
    </dl>
  );
}

const range = (sorted: readonly number[]) =>
  sorted[0] === sorted.at(-1) ? `${sorted[0]} mm` : `${sorted[0]}–${sorted.at(-1)} mm`;

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div>
      <dt className="text-sm text-ink-soft">{name}</dt>
      <dd className="flex items-center gap-2 text-lg font-semibold">{children}</dd>
    </div>
  );
}
