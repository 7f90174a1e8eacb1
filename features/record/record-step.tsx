'use client';

import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { sentenceOf, outcomeSchema, type Outcome } from '@/core/formats';
import { cssColour, naturalHair } from '@/core/lift';
import { planSummary } from '@/core/pattern';
import { formatLevel } from '@/core/units';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { TextArea, TextField } from '@/ui/field';
import { HairSwatch } from '@/ui/hair-swatch';
import { LevelSlider } from '../consult/level-slider';
import { BrightFoils } from '../head/foil-marks';
import { HairCanvas } from '../head/hair-canvas';
import { ScalpMap } from '../head/scalp-map';
import { BeginDialog } from '../safety/begin-dialog';
import { useCautions } from '../safety/use-cautions';
import { sayDay } from '../shared';
import { barkOf, shadeOf } from '../visit/bark';
import { useLit, useVisit } from '../visit/store';
import { PlannedRibbon, PlannedTable, useServed } from './planned-done';

type Problems = Partial<Record<'foilsPlaced' | 'done' | 'nextOn' | 'levelReached', string>>;

interface Fields {
  readonly foilsPlaced: string;
  readonly levelReached: number;
  readonly done: string;
  readonly nextOn: string;
}

const NEXT_WEEKS = [4, 6, 8, 12];
const FIELD_NAMES = { foilsPlaced: 'Foils placed', levelReached: 'Level reached', done: 'What was done', nextOn: 'Next visit' } as const;

/** What was done, beside what was planned: the record of the visit. */
export function RecordStep() {
  const { bundle, plan, computed, consult } = useVisit();
  const lit = useLit();
  const shade = shadeOf(consult.naturalLevel);
  const served = useServed();
  return (
    <main className="grid h-full grid-cols-[minmax(0,1fr)_440px]">
      <section aria-label="Pattern of the visit" className="flex min-h-0 flex-col p-3">
        <div className="relative min-h-0 flex-1">
          <HairCanvas computed={computed} bark={barkOf(consult.naturalLevel)} shade={shade} />
          <ScalpMap head={computed.drawing.head} bark={null} partOffsetMm={plan.head.part.none ? null : plan.head.part.offsetMm} className="relative h-full w-full" label="Pattern of the visit">
            <BrightFoils foils={computed.sheet.foils} paths={computed.drawing.paths} shade={shade} ids={[lit]} />
          </ScalpMap>
        </div>
        <Facts />
        {served && <PlannedRibbon record={served.record} />}
      </section>
      <section aria-label="Record" className="overflow-y-auto border-l border-line bg-raised px-5 py-4">
        {/* Beside the form and not in it: a form of its own must not send this one. */}
        {bundle.begunAt === null && <NotBegun />}
        <RecordForm key={bundle.id} />
        {served && <PlannedTable {...served} />}
      </section>
    </main>
  );
}

function RecordForm() {
  const { bundle, plan, computed, consult, outcome, saveOutcome } = useVisit();
  const { sheet } = computed;
  const fallback = useMemo<Fields>(
    () => ({
      foilsPlaced: String(sheet.totals.foils),
      levelReached: consult.goalLevel,
      done: planSummary(plan, sheet),
      nextOn: '',
    }),
    [plan, sheet, consult.goalLevel],
  );
  const [typed, setTyped] = useKeptFields(bundle.id);
  const [problems, setProblems] = useState<Problems>({});
  const fields: Fields = { ...fallback, ...(outcome && fieldsOf(outcome.document)), ...typed };
  const set = (part: Partial<Fields>) => setTyped({ ...typed, ...part });
  const begun = bundle.begunAt !== null;
  const changed = typed !== undefined && Object.keys(typed).length > 0;

  const submit = () => {
    const read = readFields(fields, bundle.heldOn);
    if (!read.ok) return setProblems(read.problems);
    setProblems({});
    setTyped(undefined);
    saveOutcome(read.value);
  };
  return (
    <form
      className="grid gap-4" noValidate
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <div>
        <h2 className="text-xl font-bold wide">Record</h2>
        <p role="status" className="text-sm text-ink-soft">
          {outcome ? `On record: ${outcome.document.foilsPlaced} foils, level ${formatLevel(outcome.document.levelReached)} reached.` : 'Not on record yet. What is filled in comes from the plan; correct it to what was done.'}
        </p>
      </div>
      <TextArea label="What was done" rows={6} maxLength={4000} value={fields.done} problem={problems.done} onChange={(event) => set({ done: event.target.value })} />
      <TextField
        label="Foils placed" inputMode="numeric" value={fields.foilsPlaced} problem={problems.foilsPlaced}
        hint={`Planned: ${sheet.totals.foils}`} onChange={(event) => set({ foilsPlaced: event.target.value })}
      />
      <LevelSlider label="Level reached" value={fields.levelReached} onChange={(levelReached) => set({ levelReached })} />
      <div>
        <TextField
          label="Next visit" type="date" value={fields.nextOn} min={bundle.heldOn} problem={problems.nextOn}
          onChange={(event) => set({ nextOn: event.target.value })}
        />
        <div className="mt-2 flex flex-wrap gap-2">
          {NEXT_WEEKS.map((weeks) => (
            <Button key={weeks} small onClick={() => set({ nextOn: weeksAfter(bundle.heldOn, weeks) })}>{weeks} weeks</Button>
          ))}
          <Button small look="quiet" onClick={() => set({ nextOn: '' })}>None</Button>
        </div>
      </div>
      <Button type="submit" look="primary" disabled={!begun || (outcome !== null && !changed)}>
        {outcome ? 'Save the changes' : 'Record the visit'}
      </Button>
    </form>
  );
}

/** A service is begun before it is recorded: what stands in its way is said first. */
function NotBegun() {
  const { open } = useCautions();
  const [shown, show] = useState(false);
  return (
    <div className="mb-4 grid gap-2 rounded-ui border border-amber-bark bg-amber-pale p-3">
      <p>The service has not begun{open.length > 0 ? `: ${open.length === 1 ? 'one caution is' : `${open.length} cautions are`} open.` : '.'} Begin it, then record it.</p>
      <Button onClick={() => show(true)}>Before you begin</Button>
      <Dialog open={shown} onOpenChange={show} title="Before you begin" middle><BeginDialog onDone={() => show(false)} /></Dialog>
    </div>
  );
}

/** What the record stands beside: regrowth found and goal. */
function Facts() {
  const { consult, outcome } = useVisit();
  const measured = Object.values(consult.regrowthMm).sort((a, b) => a - b);
  return (
    <dl className="flex justify-center gap-10 pb-1">
      <Fact name="Regrowth found">
        {measured.length > 0 ? (measured[0] === measured.at(-1) ? `${measured[0]} mm` : `${measured[0]}–${measured.at(-1)} mm`) : 'not measured'}
      </Fact>
      <Fact name="Base"><HairSwatch colour={cssColour(naturalHair(consult.naturalLevel))} /> {formatLevel(consult.naturalLevel)}</Fact>
      <Fact name="Goal"><HairSwatch colour={cssColour(naturalHair(consult.goalLevel))} /> {formatLevel(consult.goalLevel)}</Fact>
      {outcome && (
        <Fact name="Reached">
          <HairSwatch colour={cssColour(naturalHair(outcome.document.levelReached))} /> {formatLevel(outcome.document.levelReached)}
        </Fact>
      )}
      {outcome?.document.nextOn && <Fact name="Next visit">{sayDay(outcome.document.nextOn)}</Fact>}
    </dl>
  );
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div>
      <dt className="text-sm text-ink-soft">{name}</dt>
      <dd className="flex items-center gap-2 text-lg font-semibold">{children}</dd>
    </div>
  );
}

function fieldsOf(outcome: Outcome): Fields {
  return { foilsPlaced: String(outcome.foilsPlaced), levelReached: outcome.levelReached, done: outcome.done, nextOn: outcome.nextOn ?? '' };
}

function readFields(fields: Fields, heldOn: string): { ok: true; value: Outcome } | { ok: false; problems: Problems } {
  const problems: Problems = {};
  const document = {
    version: 1,
    done: fields.done,
    foilsPlaced: /^\d+$/.test(fields.foilsPlaced.trim()) ? Number(fields.foilsPlaced) : Number.NaN,
    levelReached: fields.levelReached,
    nextOn: fields.nextOn === '' ? null : fields.nextOn,
  };
  const read = outcomeSchema.safeParse(document);
  for (const issue of read.error?.issues ?? []) {
    const field = issue.path[0] as keyof Problems;
    problems[field] ??= `${FIELD_NAMES[field]}: ${sentenceOf({ issues: [{ ...issue, path: [] }] } as never)}`;
  }
  if (document.nextOn !== null && document.nextOn < heldOn) problems.nextOn = 'Next visit: the day lies before this visit.';
  return read.success && Object.keys(problems).length === 0 ? { ok: true, value: read.data } : { ok: false, problems };
}

function weeksAfter(day: string, weeks: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + weeks * 7 * 86_400_000).toISOString().slice(0, 10);
}

/** What was typed and not yet recorded, kept on this device through a reload. */
function useKeptFields(visitId: string): [Partial<Fields> | undefined, (fields: Partial<Fields> | undefined) => void] {
  const key = `lattice/${visitId}/record-form`;
  const [fields, setFields] = useState<Partial<Fields>>();
  useEffect(() => {
    try {
      const kept = sessionStorage.getItem(key);
      // Read after the first paint: the server cannot know what this device keeps.
      // eslint-disable-next-line react-hooks/set-state-in-effect
      if (kept) setFields(JSON.parse(kept) as Partial<Fields>);
    } catch {
      sessionStorage.removeItem(key);
    }
  }, [key]);
  return [
    fields,
    (next) => {
      setFields(next);
      if (next) sessionStorage.setItem(key, JSON.stringify(next));
      else sessionStorage.removeItem(key);
    },
  ];
}
